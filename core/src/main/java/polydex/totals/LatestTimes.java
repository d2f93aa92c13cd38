package polydex.totals;

import java.util.Arrays;
import java.util.OptionalDouble;
import polydex.effort.TheilSen;

/** The latest measured times of something; of at least {@value #ENOUGH} the median counts. */
final class LatestTimes {
  /** How many are needed to say something. */
  static final int ENOUGH = 5;

  /** How many are kept, so that the median follows the person. */
  static final int KEPT = 101;

  private final double[] seconds = new double[KEPT];
  private long count;

  void add(double measured) {
    if (!Double.isNaN(measured)) {
      seconds[(int) (count++ % KEPT)] = measured;
    }
  }

  OptionalDouble median() {
    return count < ENOUGH
        ? OptionalDouble.empty()
        : OptionalDouble.of(TheilSen.median(Arrays.copyOf(seconds, (int) Math.min(count, KEPT))));
  }
}
