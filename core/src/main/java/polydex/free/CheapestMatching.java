package polydex.free;

import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.jgrapht.alg.matching.MaximumWeightBipartiteMatching;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleWeightedGraph;

/**
 * The cheapest assignment of rows to columns, each column used once.
 *
 * <p>Problem: linear assignment with more columns than rows. Method: maximum weight bipartite
 * matching by shortest augmenting paths (K. Mehlhorn, S. Näher, "LEDA: A Platform for Combinatorial
 * and Geometric Computing", 1999, section 7.8, as JGraphT has it), in O(n · (m + n log n)) for n
 * nodes and m edges, on a few edges of each row only: those that are best at prices for the
 * columns, which are guessed first ({@link Prices}). Its potentials are a solution of the dual
 * program; an edge that was left out and violates them is put in, and it is solved again. What
 * comes out is proved: no potentials are violated by any edge, and their sum is the value. Costs
 * are compared in millionths of a point, so that all sums are exact.
 */
final class CheapestMatching {
  /** Edges of each row to begin with. */
  private static final int FIRST = 8;

  private static final double MILLIONTHS = 1e6;

  /** A column for each row, -1 for one that gets none. */
  private final int[] columns;

  private final double cost;
  private final boolean proved;

  private CheapestMatching(int[] columns, double cost, boolean proved) {
    this.columns = columns;
    this.cost = cost;
    this.proved = proved;
  }

  int[] columns() {
    return columns.clone();
  }

  /** The sum over all rows that have a column. */
  double cost() {
    return cost;
  }

  /** Whether the potentials prove that no other assignment of as many rows is cheaper. */
  boolean proved() {
    return proved;
  }

  /**
   * Solves one.
   *
   * @param costs by row and column, each row as long as the others; infinite where they don't fit
   */
  static CheapestMatching of(double[][] costs) {
    int rows = costs.length;
    if (rows == 0 || costs[0].length == 0) {
      int[] none = new int[rows];
      Arrays.fill(none, -1);
      return new CheapestMatching(none, 0, true);
    }
    return new Work(costs).solve();
  }

  private static final class Work {
    private final int rows;
    private final int columns;
    private final double[][] gain;
    private final SimpleWeightedGraph<Integer, DefaultWeightedEdge> graph =
        new SimpleWeightedGraph<>(DefaultWeightedEdge.class);
    private final Set<Integer> left = new LinkedHashSet<>();
    private final Set<Integer> right = new LinkedHashSet<>();
    private final double[][] costs;

    Work(double[][] costs) {
      this.costs = costs;
      rows = costs.length;
      columns = costs[0].length;
      // One row more is worth more than whatever the others can save by it.
      double most = 1;
      for (double[] row : costs) {
        for (double c : row) {
          most = Double.isInfinite(c) ? most : Math.max(most, Math.abs(c));
        }
      }
      double base = Math.rint(2 * most * MILLIONTHS * (rows + 1));
      gain = new double[rows][columns];
      for (int r = 0; r < rows; r++) {
        for (int c = 0; c < columns; c++) {
          gain[r][c] =
              Double.isInfinite(costs[r][c])
                  ? Double.NEGATIVE_INFINITY
                  : base - Math.rint(costs[r][c] * MILLIONTHS);
        }
      }
    }

    CheapestMatching solve() {
      for (int r = 0; r < rows; r++) {
        graph.addVertex(r);
        left.add(r);
      }
      for (int c = 0; c < columns; c++) {
        graph.addVertex(rows + c);
        right.add(rows + c);
      }
      double[] prices = rows <= columns ? new Prices(gain).found() : new double[columns];
      for (int r = 0; r < rows; r++) {
        double[] row = gain[r];
        double[] left = new double[columns];
        Arrays.setAll(left, c -> row[c] - prices[c]);
        IntStream.range(0, columns)
            .boxed()
            .filter(c -> row[c] > Double.NEGATIVE_INFINITY)
            .sorted((a, b) -> Double.compare(left[b], left[a]))
            .limit(FIRST)
            .forEach(edge(r)::accept);
      }
      while (true) {
        MaximumWeightBipartiteMatching<Integer, DefaultWeightedEdge> solver =
            new MaximumWeightBipartiteMatching<>(graph, left, right);
        Set<DefaultWeightedEdge> chosen = solver.getMatching().getEdges();
        double[] potentials = new double[rows + columns];
        solver.getPotentials().forEach((v, p) -> potentials[v] = p.doubleValue());
        if (!addViolating(potentials)) {
          return result(chosen, potentials);
        }
      }
    }

    private java.util.function.IntConsumer edge(int row) {
      return c -> graph.setEdgeWeight(graph.addEdge(row, rows + c), gain[row][c]);
    }

    private boolean addViolating(double[] potentials) {
      boolean any = false;
      for (int r = 0; r < rows; r++) {
        for (int c = 0; c < columns; c++) {
          if (potentials[r] + potentials[rows + c] < gain[r][c]
              && !graph.containsEdge(r, rows + c)) {
            edge(r).accept(c);
            any = true;
          }
        }
      }
      return any;
    }

    private CheapestMatching result(Set<DefaultWeightedEdge> chosen, double[] potentials) {
      Map<Integer, Integer> by = new HashMap<>();
      double weight = 0;
      double cost = 0;
      for (DefaultWeightedEdge e : chosen) {
        int r = graph.getEdgeSource(e);
        int c = graph.getEdgeTarget(e) - rows;
        by.put(r, c);
        weight += gain[r][c];
        cost += costs[r][c];
      }
      int[] found = IntStream.range(0, rows).map(r -> by.getOrDefault(r, -1)).toArray();
      return new CheapestMatching(
          found, cost, Math.abs(Arrays.stream(potentials).sum() - weight) < 0.5);
    }
  }
}
