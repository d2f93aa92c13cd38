package polydex.mouse;

import java.util.Arrays;
import java.util.Optional;
import java.util.Random;
import polydex.effort.YearlyCost;

/**
 * On what a figure of hours a year rests: the working days that were looked at, and the uses on
 * them. With few of either a single figure says more than is known, so there is a range: the middle
 * {@value #COVERED} of what days drawn with replacement would give. B. Efron, "Bootstrap Methods:
 * Another Look at the Jackknife", The Annals of Statistics 7 (1979). The same days give the same
 * range. O(draws · days).
 *
 * @param days working days that were looked at, also those without a use
 * @param uses on all of them
 * @param range the ends of the range, in hours a year; none where there is enough of both
 */
public record DaysOfUse(int days, int uses, Optional<Range> range) {
  /** From so many days on, and {@link #ENOUGH_USES} uses, one figure is said. */
  public static final int ENOUGH_DAYS = 10;

  /** See {@link #ENOUGH_DAYS}. */
  public static final int ENOUGH_USES = 20;

  static final double COVERED = 0.95;
  private static final int DRAWS = 400;
  private static final long SEED = 20_310_314;

  /** From the lower end to the upper, in hours a year. */
  public record Range(double low, double high) {}

  /**
   * Of an action.
   *
   * @param byDay its uses with the pointer on each working day, 0 where there was none
   * @param savedSeconds what one use costs more than it had to
   */
  static DaysOfUse of(int[] byDay, double savedSeconds) {
    int uses = Arrays.stream(byDay).sum();
    boolean enough = byDay.length >= ENOUGH_DAYS && uses >= ENOUGH_USES;
    if (enough || uses == 0 || savedSeconds <= 0) {
      return new DaysOfUse(byDay.length, uses, Optional.empty());
    }
    if (byDay.length == 1) {
      // One day can't be drawn otherwise: its uses alone scatter.
      double wide = 2 * Math.sqrt(uses);
      return new DaysOfUse(
          1,
          uses,
          Optional.of(
              new Range(
                  YearlyCost.hours(Math.max(0, uses - wide), savedSeconds),
                  YearlyCost.hours(uses + wide, savedSeconds))));
    }
    Random random = new Random(SEED);
    double[] drawn = new double[DRAWS];
    for (int d = 0; d < DRAWS; d++) {
      int sum = 0;
      for (int i = 0; i < byDay.length; i++) {
        sum += byDay[random.nextInt(byDay.length)];
      }
      drawn[d] = YearlyCost.hours(sum / (double) byDay.length, savedSeconds);
    }
    Arrays.sort(drawn);
    int cut = (int) Math.floor(DRAWS * (1 - COVERED) / 2);
    return new DaysOfUse(
        byDay.length, uses, Optional.of(new Range(drawn[cut], drawn[DRAWS - 1 - cut])));
  }
}
