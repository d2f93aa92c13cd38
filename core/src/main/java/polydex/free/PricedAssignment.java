package polydex.free;

import java.util.Arrays;

/**
 * A dearest assignment of rows to columns, with prices for the columns.
 *
 * <p>Method: shortest augmenting paths with potentials (R. Jonker, A. Volgenant, "A shortest
 * augmenting path algorithm for dense and sparse linear assignment problems", Computing 38 (1987)),
 * on arrays, in O(rows² · columns). That it is the dearest is not taken on trust: {@link #isProof}
 * looks whether the prices prove it, which any mistake here would show.
 */
final class PricedAssignment {
  /** What no row can get gains so much less than anything else, in units of the largest gain. */
  private static final double NEVER = 4;

  private final double[][] gain;
  private final int rows;
  private final int columns;
  private final double worst;
  private final int[] owner;
  private final double[] prices;

  /**
   * For an assignment.
   *
   * @param gain by row and column, no more rows than columns; negative infinity where they don't
   *     fit
   */
  PricedAssignment(double[][] gain) {
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
    owner = new int[columns + 1];
    prices = new double[columns];
    solve();
  }

  /** The column of each row. */
  int[] columns() {
    int[] found = new int[rows];
    for (int c = 1; c <= columns; c++) {
      if (owner[c] > 0) {
        found[owner[c] - 1] = c - 1;
      }
    }
    return found;
  }

  /**
   * Whether the prices prove that no assignment is dearer: none is below zero, a column that nobody
   * has costs nothing, and what the rows gain at most at these prices, with the prices themselves,
   * adds up to what the assignment gains. Every assignment gains at most that much (weak duality of
   * linear programs). All numbers are whole and small enough to be exact.
   */
  boolean isProof() {
    double bound = 0;
    double gained = 0;
    for (int c = 0; c < columns; c++) {
      if (prices[c] < 0 || (owner[c + 1] == 0 && prices[c] > 0)) {
        return false;
      }
      bound += prices[c];
      gained += owner[c + 1] == 0 ? 0 : gain[owner[c + 1] - 1][c];
    }
    for (double[] row : gain) {
      double most = Double.NEGATIVE_INFINITY;
      for (int c = 0; c < columns; c++) {
        most = Math.max(most, row[c] - prices[c]);
      }
      bound += most;
    }
    return bound == gained;
  }

  private double cost(int row, int column) {
    double g = gain[row][column];
    return Double.isInfinite(g) ? worst : -g;
  }

  private void solve() {
    double[] byRow = new double[rows + 1];
    double[] byColumn = new double[columns + 1];
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
    // 0 and not -0 for a column that nobody has.
    Arrays.setAll(prices, c -> 0 - byColumn[c + 1]);
  }
}
