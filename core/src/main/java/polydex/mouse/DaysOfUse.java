package polydex.mouse;

import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import polydex.effort.YearlyCost;
import polydex.mouse.Remaining.RemainingRow;

/**
 * On what a figure of hours a year rests: the working days that were looked at, and the uses on
 * them. With few of either a single figure says more than is known, so there is a range: the middle
 * {@value #COVERED} of what days drawn with replacement would give. B. Efron, "Bootstrap Methods:
 * Another Look at the Jackknife", The Annals of Statistics 7 (1979). The same days give the same
 * range. O(draws · days).
 *
 * @param byDay uses on each of the working days that were looked at, 0 where there was none
 * @param range the ends of the range, in hours a year; none where there is enough of both
 */
public record DaysOfUse(List<Integer> byDay, Optional<Range> range) {
  /** From so many days on, and {@link #ENOUGH_USES} uses, one figure is said. */
  public static final int ENOUGH_DAYS = 10;

  /** See {@link #ENOUGH_DAYS}. */
  public static final int ENOUGH_USES = 20;

  static final double COVERED = 0.95;
  private static final int DRAWS = 400;
  private static final long SEED = 20_310_314;

  /** From the lower end to the upper, in hours a year. */
  public record Range(double low, double high) {}

  /** Copies the list. */
  public DaysOfUse {
    byDay = List.copyOf(byDay);
  }

  /** How many days. */
  public int days() {
    return byDay.size();
  }

  /** Uses on all of them. */
  public int uses() {
    return byDay.stream().mapToInt(Integer::intValue).sum();
  }

  /**
   * Of an action.
   *
   * @param byDay its uses with the pointer on each working day, 0 where there was none
   * @param savedSeconds what one use costs more than it had to
   */
  static DaysOfUse of(int[] byDay, double savedSeconds) {
    return of(byDay, Arrays.stream(byDay).mapToDouble(n -> n * savedSeconds).toArray());
  }

  /**
   * Of all actions together, whose uses fall on the same days: a day is drawn with everything that
   * was done on it.
   *
   * @param rows of one look, so of the same days
   */
  public static DaysOfUse ofAll(Collection<RemainingRow> rows) {
    int days = rows.stream().mapToInt(r -> r.rests().days()).max().orElse(0);
    int[] uses = new int[days];
    double[] seconds = new double[days];
    for (RemainingRow row : rows) {
      double saved = row.kept().isPresent() ? 0 : row.savedSeconds();
      for (int i = 0; i < row.rests().days(); i++) {
        uses[i] += row.rests().byDay().get(i);
        seconds[i] += row.rests().byDay().get(i) * saved;
      }
    }
    return of(uses, seconds);
  }

  private static DaysOfUse of(int[] byDay, double[] seconds) {
    int uses = Arrays.stream(byDay).sum();
    double all = Arrays.stream(seconds).sum();
    boolean enough = byDay.length >= ENOUGH_DAYS && uses >= ENOUGH_USES;
    return new DaysOfUse(
        Arrays.stream(byDay).boxed().toList(),
        enough || all <= 0 ? Optional.empty() : Optional.of(range(uses, all, seconds)));
  }

  private static Range range(int uses, double all, double[] seconds) {
    int days = seconds.length;
    if (days == 1) {
      // One day can't be drawn otherwise: its uses alone scatter.
      double wide = 2 * Math.sqrt(uses);
      return new Range(
          YearlyCost.hours(Math.max(0, uses - wide), all / uses),
          YearlyCost.hours(uses + wide, all / uses));
    }
    Random random = new Random(SEED);
    double[] drawn = new double[DRAWS];
    for (int d = 0; d < DRAWS; d++) {
      double sum = 0;
      for (int i = 0; i < days; i++) {
        sum += seconds[random.nextInt(days)];
      }
      drawn[d] = YearlyCost.hours(1.0 / days, sum);
    }
    Arrays.sort(drawn);
    int cut = (int) Math.floor(DRAWS * (1 - COVERED) / 2);
    return new Range(drawn[cut], drawn[DRAWS - 1 - cut]);
  }
}
