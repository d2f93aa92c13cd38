package polydex.effort;

import java.util.Arrays;
import java.util.Optional;

/**
 * A straight trend through points, by the median of the slopes of all pairs: H. Theil, "A
 * rank-invariant method of linear and polynomial regression analysis", 1950; its interval from the
 * distribution of Kendall's S, which counts the pairs that rise against those that fall: P. K. Sen,
 * "Estimates of the Regression Coefficient Based on Kendall's Tau", Journal of the American
 * Statistical Association 63 (1968). O(n²) for n points, O(n³) for the interval.
 *
 * @param slope of y for each step of x
 * @param low the lower end of the interval; minus infinity where there are too few points for one
 * @param high the upper end
 */
public record TheilSen(double slope, double low, double high) {
  /** What the interval covers at least, 0 to 1. */
  public static final double COVERED = 0.95;

  /**
   * The trend of points whose x all differ.
   *
   * @return none for fewer than two points
   */
  public static Optional<TheilSen> of(double[] x, double[] y) {
    double[] slopes = slopes(x, y);
    if (slopes.length == 0) {
      return Optional.empty();
    }
    Arrays.sort(slopes);
    int cut = cut(x.length);
    return Optional.of(
        new TheilSen(
            median(slopes),
            cut < 0 ? Double.NEGATIVE_INFINITY : slopes[cut],
            cut < 0 ? Double.POSITIVE_INFINITY : slopes[slopes.length - 1 - cut]));
  }

  /** Whether it can't be told from standing still. */
  public boolean mayBeNone() {
    return low <= 0 && high >= 0;
  }

  /** The same with an interval that reaches at least so far to either side of the slope. */
  public TheilSen widenedTo(double reach) {
    return new TheilSen(slope, Math.min(low, slope - reach), Math.max(high, slope + reach));
  }

  /** The slopes of all pairs whose x differ. */
  public static double[] slopes(double[] x, double[] y) {
    double[] slopes = new double[x.length * (x.length - 1) / 2];
    int n = 0;
    for (int i = 0; i < x.length; i++) {
      for (int j = 0; j < i; j++) {
        if (x[i] != x[j]) {
          slopes[n++] = (y[i] - y[j]) / (x[i] - x[j]);
        }
      }
    }
    return Arrays.copyOf(slopes, n);
  }

  /** The middle value, or the mean of the two middle ones. */
  public static double median(double[] values) {
    double[] sorted = values.clone();
    Arrays.sort(sorted);
    int middle = sorted.length / 2;
    return sorted.length % 2 == 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
  }

  /** How many slopes are left out at each end; below 0 where even all of them cover too little. */
  private static int cut(int n) {
    // The chance of each number of falling pairs among n! equally likely orders.
    double[] chance = {1};
    for (int size = 2; size <= n; size++) {
      double[] next = new double[chance.length + size - 1];
      for (int i = 0; i < chance.length; i++) {
        for (int more = 0; more < size; more++) {
          next[i + more] += chance[i] / size;
        }
      }
      chance = next;
    }
    double below = 0;
    int cut = -1;
    while (cut + 1 < chance.length && below + chance[cut + 1] <= (1 - COVERED) / 2) {
      below += chance[++cut];
    }
    return cut;
  }
}
