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
 * <p>Problem: linear assignment, rectangular. Method: {@link PricedAssignment}, whose prices are a
 * solution of the dual program and prove the value. Where they do not, or where there are more rows
 * than columns, maximum weight bipartite matching (K. Mehlhorn, S. Näher, "LEDA: A Platform for
 * Combinatorial and Geometric Computing", 1999, section 7.8, as JGraphT has it), in O(n · (m + n
 * log n)) for n nodes and m edges, begun with the cheapest edges of each row; its potentials are a
 * dual solution as well, and an edge that was left out and violates them is put in until none does.
 * Costs are compared in millionths of a point, so that all sums are exact.
 */
final class CheapestMatching {
  /** Edges of each row to begin with. */
  private static final int FIRST = 24;

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

  /** The same by the library's matching alone. */
  static CheapestMatching byMatching(double[][] costs) {
    return new Work(costs).byMatching();
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
      if (rows <= columns) {
        PricedAssignment priced = new PricedAssignment(gain);
        int[] found = priced.columns();
        if (priced.isProof()) {
          double cost = 0;
          for (int r = 0; r < rows; r++) {
            cost += costs[r][found[r]];
          }
          return new CheapestMatching(found, cost, true);
        }
      }
      return byMatching();
    }

    /** The same by the library's matching, which also knows rows that get nothing. */
    CheapestMatching byMatching() {
      for (int r = 0; r < rows; r++) {
        graph.addVertex(r);
        left.add(r);
      }
      for (int c = 0; c < columns; c++) {
        graph.addVertex(rows + c);
        right.add(rows + c);
      }
      for (int r = 0; r < rows; r++) {
        double[] row = gain[r];
        IntStream.range(0, columns)
            .boxed()
            .filter(c -> row[c] > Double.NEGATIVE_INFINITY)
            .sorted((a, b) -> Double.compare(row[b], row[a]))
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
