package polydex.reminder;

import static polydex.language.CoreWords.worded;
import static polydex.language.Language.signed;

import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.hipparchus.distribution.continuous.TDistribution;
import polydex.mouse.DrillEffect.Change;
import polydex.totals.FollowUp;

/**
 * Whether saying it helps: the share of the next uses that came by keys after something was said,
 * against after it could have been said in an hour that the lot left out. The lot is drawn by the
 * hour, so each hour counts once, with the share of all uses that followed its moments; the
 * difference of the two means has the 95 % interval of B. L. Welch, "The Generalization of
 * 'Student's' Problem when Several Different Population Variances are Involved", Biometrika 34
 * (1947). O(moments).
 *
 * @param said after what was said
 * @param unsaid after what was not
 * @param change the first share less the second; none before either has {@value #ENOUGH_HOURS}
 *     hours, or where no hour differs from another
 */
public record ReminderEffect(Side said, Side unsaid, Optional<Change> change) {
  /** So many hours with uses after them are needed on either side. */
  public static final int ENOUGH_HOURS = 5;

  /**
   * One of the two.
   *
   * @param moments how many there were
   * @param hours in which they were, of those that uses followed
   * @param uses that followed
   * @param byKeys how many of them came by keys
   */
  public record Side(int moments, int hours, int uses, int byKeys) {}

  /** Nothing was said and nothing left unsaid. */
  public boolean isEmpty() {
    return said.moments() + unsaid.moments() == 0;
  }

  /** In a few sentences. */
  public String inWords() {
    String compared =
        change
            .map(
                c ->
                    worded(
                        "reminder.that-is-percentage-points-by-the",
                        signed(0, 100 * c.difference()),
                        signed(0, 100 * c.low()),
                        signed(0, 100 * c.high())))
            .orElse(
                worded(
                    "reminder.whether-it-helps-can-be-told",
                    ENOUGH_HOURS,
                    said.hours(),
                    unsaid.hours()));
    return "%s %s %s"
        .formatted(
            words(worded("reminder.said"), said),
            words(worded("reminder.left-unsaid-by-lot"), unsaid),
            compared);
  }

  private static String words(String what, Side side) {
    if (side.moments() == 0) {
      return worded("reminder.nothing-was-yet", what.toLowerCase(Locale.ROOT));
    }
    String times = worded("reminder.times", side.moments());
    return side.uses() == 0
        ? worded("reminder.none-of-it-was-done-again", what, side.moments(), times)
        : worded(
            "reminder.of-the-next-uses-came-by",
            what,
            side.moments(),
            times,
            side.byKeys(),
            side.uses());
  }

  /** Of what came after reminders. */
  public static ReminderEffect of(Collection<FollowUp> followUps) {
    Map<Long, int[]> with = new LinkedHashMap<>();
    Map<Long, int[]> without = new LinkedHashMap<>();
    int[] moments = new int[2];
    for (FollowUp f : followUps) {
      boolean told = f.reminder().told();
      moments[told ? 0 : 1]++;
      if (f.uses() > 0) {
        int[] sum =
            (told ? with : without).computeIfAbsent(Lot.hour(f.reminder().at()), _ -> new int[2]);
        sum[0] += f.uses();
        sum[1] += f.byKeys();
      }
    }
    return new ReminderEffect(
        side(moments[0], with.values()),
        side(moments[1], without.values()),
        change(Shares.of(with.values()), Shares.of(without.values())));
  }

  private static Side side(int moments, Collection<int[]> hours) {
    return new Side(
        moments,
        hours.size(),
        hours.stream().mapToInt(h -> h[0]).sum(),
        hours.stream().mapToInt(h -> h[1]).sum());
  }

  /** The shares of some hours: how many there are, their mean and the variance of that. */
  private record Shares(int hours, double mean, double variance) {
    static Shares of(Collection<int[]> hours) {
      double[] shares = hours.stream().mapToDouble(h -> h[1] / (double) h[0]).toArray();
      double mean = Arrays.stream(shares).average().orElse(0);
      double squares = Arrays.stream(shares).map(s -> (s - mean) * (s - mean)).sum();
      return new Shares(shares.length, mean, squares / (shares.length - 1.0) / shares.length);
    }
  }

  private static Optional<Change> change(Shares a, Shares b) {
    if (a.hours() < ENOUGH_HOURS || b.hours() < ENOUGH_HOURS) {
      return Optional.empty();
    }
    double va = a.variance();
    double vb = b.variance();
    double error = Math.sqrt(va + vb);
    if (error == 0) {
      return Optional.empty();
    }
    double freedom =
        (va + vb) * (va + vb) / (va * va / (a.hours() - 1) + vb * vb / (b.hours() - 1));
    double half = new TDistribution(freedom).inverseCumulativeProbability(0.975) * error;
    double difference = a.mean() - b.mean();
    return Optional.of(
        new Change(difference, Math.max(-1, difference - half), Math.min(1, difference + half)));
  }
}
