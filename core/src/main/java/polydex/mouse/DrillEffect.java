package polydex.mouse;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.Function;
import polydex.recognition.Place;
import polydex.totals.Standing;

/**
 * What drills have changed: the share of uses by keys in the {@value Standing#LATELY_DAYS} days
 * before an action was first drilled, against the {@value Standing#LATELY_DAYS} days after that
 * day. Nobody was left undrilled to compare with, so it says what went along, not what caused it.
 *
 * <p>Of one action: the difference of two shares with the 95 % interval of R. G. Newcombe,
 * "Interval Estimation for the Difference Between Independent Proportions", Statistics in Medicine
 * 17 (1998), method 10. Of all: the mean of the differences, each action counting once, with the 95
 * % interval from {@value #RESAMPLES} resamples of the actions (B. Efron, "Bootstrap Methods",
 * Annals of Statistics 7, 1979). O(places + resamples · drilled actions).
 *
 * @param actions the greatest change first
 * @param mean of the differences; none where there are fewer than two actions
 */
public record DrillEffect(List<OfPlace> actions, Optional<Change> mean) {
  /** So many uses are needed on either side. */
  public static final int ENOUGH_USES = 5;

  private static final int RESAMPLES = 2000;
  private static final double Z = 1.959964;

  /** A difference of shares, -1 to 1, and its interval. */
  public record Change(double difference, double low, double high) {}

  /**
   * What changed for one action.
   *
   * @param since the day of the first drill
   * @param before uses by keys and by pointer before
   * @param after the same after
   */
  public record OfPlace(
      Place place,
      LocalDate since,
      Standing.DayUses before,
      Standing.DayUses after,
      Change change) {}

  /** Copies the list. */
  public DrillEffect {
    actions = List.copyOf(actions);
  }

  /**
   * The effect on everything that was drilled and used often enough before and after.
   *
   * @param drilledSince when a place's gesture was first drilled, if it was
   */
  public static DrillEffect of(
      Standing standing, Function<Place, Optional<Instant>> drilledSince, ZoneId zone) {
    List<OfPlace> found = new ArrayList<>();
    for (Standing.Entry e : standing.entries()) {
      Optional<LocalDate> since =
          drilledSince.apply(e.place()).map(at -> at.atZone(zone).toLocalDate());
      if (since.isPresent() && e.byPointer() > 0) {
        LocalDate day = since.get();
        Standing.DayUses before = e.during(Standing.latelyUpTo(day.minusDays(1)));
        Standing.DayUses after = e.during(Standing.latelyUpTo(day.plusDays(Standing.LATELY_DAYS)));
        if (all(before) >= ENOUGH_USES && all(after) >= ENOUGH_USES) {
          found.add(new OfPlace(e.place(), day, before, after, newcombe(before, after)));
        }
      }
    }
    found.sort(
        Comparator.comparingDouble((OfPlace p) -> -p.change().difference())
            .thenComparing(p -> p.place().doing())
            .thenComparing(p -> p.place().setup()));
    return new DrillEffect(found, mean(found));
  }

  private static int all(Standing.DayUses uses) {
    return uses.keys() + uses.pointer();
  }

  private static Change newcombe(Standing.DayUses before, Standing.DayUses after) {
    double[] a = wilson(after.keys(), all(after));
    double[] b = wilson(before.keys(), all(before));
    double difference = a[0] - b[0];
    return new Change(
        difference,
        difference - Math.hypot(a[0] - a[1], b[2] - b[0]),
        difference + Math.hypot(a[2] - a[0], b[0] - b[1]));
  }

  /** A share and its interval by E. B. Wilson's score method (1927). */
  private static double[] wilson(int part, int all) {
    double share = part / (double) all;
    double middle = share + Z * Z / (2 * all);
    double half = Z * Math.sqrt(share * (1 - share) / all + Z * Z / (4.0 * all * all));
    double scale = 1 + Z * Z / all;
    return new double[] {share, (middle - half) / scale, (middle + half) / scale};
  }

  private static Optional<Change> mean(List<OfPlace> of) {
    if (of.size() < 2) {
      return Optional.empty();
    }
    double[] all = of.stream().mapToDouble(p -> p.change().difference()).toArray();
    Random random = new Random(all.length);
    double[] means = new double[RESAMPLES];
    for (int i = 0; i < RESAMPLES; i++) {
      for (int k = 0; k < all.length; k++) {
        means[i] += all[random.nextInt(all.length)] / all.length;
      }
    }
    Arrays.sort(means);
    int cut = (int) (RESAMPLES * 0.025);
    return Optional.of(
        new Change(
            Arrays.stream(all).average().orElseThrow(), means[cut], means[RESAMPLES - 1 - cut]));
  }
}
