package polydex.free;

import java.util.Arrays;

/**
 * Prices for the columns of an assignment, at which what each row gains most by is a good guess of
 * what it gets. Where many rows want the same few columns, the dearest columns of each row alone
 * would leave most rows without.
 *
 * <p>Method: shortest augmenting paths with potentials (R. Jonker, A. Volgenant, "A shortest
 * augmenting path algorithm for dense and sparse linear assignment problems", Computing 38 (1987)),
 * on arrays, in O(rows² · columns). What comes of it is only a guess: {@link CheapestMatching}
 * proves its own.
 */
final class Prices {
  /** What no row can get gains so much less than anything else, in units of the largest gain. */
  private static final double NEVER = 4;

  private final double[][] gain;
  private final int rows;
  private final int columns;
  private final double worst;

  /**
   * For an assignment.
   *
   * @param gain by row and column, no more rows than columns; negative infinity where they don't
   *     fit
   */
  Prices(double[][] gain) {
    this.gain = gain;
    this.rows = gain.length;
    this.columns = gain[0].length;
    double most = 1;
    for (double[] row : gain) {
      for (double g : row) {
        most = Double.isInfinite(g) ? most : Math.max(most, Math.abs(g));
      }
    }
    worst = NEVER * most;
  }

  private double cost(int row, int column) {
    double g = gain[row][column];
    return Double.isInfinite(g) ? worst : -g;
  }

  /** The price of each column, 0 for one that nobody has. */
  double[] found() {
    double[] byRow = new double[rows + 1];
    double[] byColumn = new double[columns + 1];
    int[] owner = new int[columns + 1];
    int[] way = new int[columns + 1];
    for (int row = 1; row <= rows; row++) {
      owner[0] = row;
      int at = 0;
      double[] least = new double[columns + 1];
      Arrays.fill(least, Double.POSITIVE_INFINITY);
      boolean[] seen = new boolean[columns + 1];
      do {
        seen[at] = true;
        int from = owner[at];
        int next = 0;
        double delta = Double.POSITIVE_INFINITY;
        for (int c = 1; c <= columns; c++) {
          if (!seen[c]) {
            double slack = cost(from - 1, c - 1) - byRow[from] - byColumn[c];
            if (slack < least[c]) {
              least[c] = slack;
              way[c] = at;
            }
            if (least[c] < delta) {
              delta = least[c];
              next = c;
            }
          }
        }
        for (int c = 0; c <= columns; c++) {
          if (seen[c]) {
            byRow[owner[c]] += delta;
            byColumn[c] -= delta;
          } else {
            least[c] -= delta;
          }
        }
        at = next;
      } while (owner[at] != 0);
      while (at != 0) {
        owner[at] = owner[way[at]];
        at = way[at];
      }
    }
    double[] prices = new double[columns];
    Arrays.setAll(prices, c -> -byColumn[c + 1]);
    return prices;
  }
}
