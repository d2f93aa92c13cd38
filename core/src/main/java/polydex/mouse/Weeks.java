package polydex.mouse;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import polydex.effort.KeystrokeLevel;
import polydex.effort.TheilSen;
import polydex.effort.YearlyCost;
import polydex.recognition.Place;
import polydex.totals.Habit;
import polydex.totals.Standing;

/**
 * The log by weeks, and how it goes on. O(entries · weeks + their days).
 *
 * @param weeks the oldest first, from Monday on, none left out
 */
public record Weeks(List<Week> weeks) {
  /** How many weeks a trend looks at. */
  public static final int TREND = 6;

  /**
   * A week.
   *
   * @param monday its first day
   * @param workingDays on which anything was noted
   * @param keys uses by keys of what is not kept for the pointer
   * @param pointer the same by pointer
   * @param coverage the share of uses by keys, 0 to 1; none where there were no uses
   * @param coverageByTime the same, each use weighted by what it takes with the pointer
   * @param open how many actions were done with the pointer in the four weeks up to its end, were
   *     not replaced by then, and are not kept
   * @param hoursAYear what the pointer cost in this week, reckoned up to a year
   * @param slips uses of the pointer although the gesture was known
   * @param trips of the hand
   * @param activeHours in sessions
   * @param replaced what was replaced in it
   * @param relapsed what came back in it
   */
  public record Week(
      LocalDate monday,
      int workingDays,
      int keys,
      int pointer,
      Optional<Double> coverage,
      Optional<Double> coverageByTime,
      int open,
      double hoursAYear,
      int slips,
      int trips,
      double activeHours,
      List<Place> replaced,
      List<Place> relapsed) {}

  /** Copies the list. */
  public Weeks {
    weeks = List.copyOf(weeks);
  }

  /**
   * The weeks of a log up to a day.
   *
   * @param rows what each action costs, and what is kept
   * @param which whether a place is looked at
   */
  public static Weeks of(
      Standing standing,
      List<Remaining.RemainingRow> rows,
      Predicate<Place> which,
      LocalDate today) {
    if (standing.days().isEmpty()) {
      return new Weeks(List.of());
    }
    LocalDate first = monday(standing.days().getFirst().date());
    int count = 1 + (int) Math.max(0, ChronoUnit.WEEKS.between(first, monday(today)));
    Sum[] sums = new Sum[count];
    for (int i = 0; i < count; i++) {
      sums[i] = new Sum(first.plusWeeks(i));
    }
    for (Standing.Day day : standing.days()) {
      at(sums, first, day.date()).ifPresent(s -> s.add(day));
    }
    Map<Place, Remaining.RemainingRow> byPlace = new HashMap<>();
    rows.forEach(r -> byPlace.put(r.place(), r));
    for (Standing.Entry entry : standing.entries()) {
      Optional<Remaining.RemainingRow> row = Optional.ofNullable(byPlace.get(entry.place()));
      if (which.test(entry.place()) && row.flatMap(Remaining.RemainingRow::kept).isEmpty()) {
        add(sums, first, entry, row);
      }
    }
    List<Week> weeks = new ArrayList<>();
    for (Sum sum : sums) {
      weeks.add(sum.week());
    }
    return new Weeks(weeks);
  }

  /** The Monday of the week of a day. */
  public static LocalDate monday(LocalDate day) {
    return day.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
  }

  private static Optional<Sum> at(Sum[] sums, LocalDate first, LocalDate day) {
    long week = ChronoUnit.WEEKS.between(first, day);
    return week < 0 || week >= sums.length ? Optional.empty() : Optional.of(sums[(int) week]);
  }

  private static void add(
      Sum[] sums, LocalDate first, Standing.Entry entry, Optional<Remaining.RemainingRow> row) {
    double weight =
        row.map(Remaining.RemainingRow::pointerSeconds)
            .orElseGet(() -> KeystrokeLevel.USUAL.seconds(KeystrokeLevel.ONE_CLICK));
    double saved = row.map(Remaining.RemainingRow::savedSeconds).orElse(0.0);
    for (Standing.DayUses day : entry.days()) {
      at(sums, first, day.day())
          .ifPresent(
              s -> {
                s.keys += day.keys();
                s.pointer += day.pointer();
                s.keysTime += weight * day.keys();
                s.pointerTime += weight * day.pointer();
                s.lost += saved * day.pointer();
                s.slips += day.slips();
              });
    }
    for (Habit.Turn turn : entry.turns()) {
      at(sums, first, turn.day())
          .ifPresent(s -> (turn.replaced() ? s.replaced : s.relapsed).add(entry.place()));
    }
    for (Sum sum : sums) {
      sum.open += isOpen(entry, sum.monday.plusWeeks(1)) ? 1 : 0;
    }
  }

  private static boolean isOpen(Standing.Entry entry, LocalDate end) {
    boolean replaced = false;
    for (Habit.Turn turn : entry.turns()) {
      if (turn.day().isBefore(end)) {
        replaced = turn.replaced();
      }
    }
    return !replaced && entry.during(Standing.latelyUpTo(end.minusDays(1))).pointer() > 0;
  }

  /** A week while it is added up. */
  private static final class Sum {
    final LocalDate monday;
    int workingDays;
    int keys;
    int pointer;
    double keysTime;
    double pointerTime;
    double lost;
    int open;
    int slips;
    int trips;
    double activeHours;
    final List<Place> replaced = new ArrayList<>();
    final List<Place> relapsed = new ArrayList<>();

    Sum(LocalDate monday) {
      this.monday = monday;
    }

    void add(Standing.Day day) {
      workingDays++;
      trips += day.trips();
      activeHours += day.active().toMillis() / 3_600_000.0;
    }

    Week week() {
      return new Week(
          monday,
          workingDays,
          keys,
          pointer,
          share(keys, pointer),
          share(keysTime, pointerTime),
          open,
          workingDays == 0 ? 0 : YearlyCost.hours(1.0 / workingDays, lost),
          slips,
          trips,
          activeHours,
          List.copyOf(replaced),
          List.copyOf(relapsed));
    }

    private static Optional<Double> share(double part, double rest) {
      return part + rest == 0 ? Optional.empty() : Optional.of(part / (part + rest));
    }
  }

  /** How many actions more or fewer are open each week; none for fewer than two weeks of work. */
  public Optional<TheilSen> openTrend() {
    return trend(Week::open);
  }

  /** How many hours a year more or less are lost each week. */
  public Optional<TheilSen> hoursTrend() {
    return trend(Week::hoursAYear);
  }

  private Optional<TheilSen> trend(ToDoubleFunction<Week> what) {
    List<Week> worked = weeks.stream().filter(w -> w.workingDays() > 0).toList();
    List<Week> last = worked.subList(Math.max(0, worked.size() - TREND), worked.size());
    return TheilSen.of(
        last.stream()
            .mapToDouble(w -> ChronoUnit.WEEKS.between(last.getFirst().monday(), w.monday()))
            .toArray(),
        last.stream().mapToDouble(what).toArray());
  }

  /**
   * In how many weeks nothing would be open any more if it went on so, at the trend's slowest and
   * fastest; none where the interval holds standing still.
   */
  public Optional<double[]> weeksToNone() {
    return openTrend()
        .filter(t -> t.high() < 0)
        .map(t -> new double[] {-lastOpen() / t.low(), -lastOpen() / t.high()});
  }

  private int lastOpen() {
    return weeks.getLast().open();
  }
}
