package polydex.mouse;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
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
 * @param exposure in how many uses of each week open actions are counted, so that weeks in which
 *     more or less was done can be compared
 * @param falseAlarms how often open actions would be said to rise or fall of somebody who goes on
 *     as the person did on average, 0 to 1
 */
public record Weeks(List<Week> weeks, int exposure, double falseAlarms) {
  /** How many weeks a trend looks at. */
  public static final int TREND = 6;

  private static final int OF_THE_MIDDLE = 4;
  private static final double NORMAL_95 = 1.96;

  /**
   * A week.
   *
   * @param monday its first day
   * @param workingDays on which anything was noted
   * @param keys uses by keys of what is not kept for the pointer
   * @param pointer the same by pointer
   * @param coverage the share of uses by keys, 0 to 1; none where there were no uses
   * @param coverageByTime the same, each use weighted by what it takes with the pointer
   * @param open how many different actions that are not kept are done with the pointer in {@link
   *     #exposure} uses of this week, as {@link Rarefaction} expects it; none where there were
   *     fewer
   * @param openNoise the standard deviation of that by chance
   * @param hoursAYear what the pointer cost in this week, reckoned up to a year
   * @param hoursNoise the standard deviation of that by chance, uses being independent
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
      Optional<Double> open,
      double openNoise,
      double hoursAYear,
      double hoursNoise,
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
      return new Weeks(List.of(), 0, 0);
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
    int exposure = exposure(Stream.of(sums).mapToInt(s -> s.keys + s.pointer).toArray());
    List<Week> weeks = new ArrayList<>();
    for (Sum sum : sums) {
      weeks.add(sum.week(exposure));
    }
    return new Weeks(weeks, exposure, falseAlarms(sums, first));
  }

  /**
   * The uses of the week with the fewest, of those that can be compared: what has less than a
   * quarter of the uses of the middle week says nothing.
   *
   * @param uses of each week
   */
  static int exposure(int[] uses) {
    int[] worked = IntStream.of(uses).filter(n -> n > 0).sorted().toArray();
    if (worked.length == 0) {
      return 0;
    }
    int least = Math.max(1, worked[worked.length / 2] / OF_THE_MIDDLE);
    return IntStream.of(worked).filter(n -> n >= least).findFirst().orElse(0);
  }

  /** Of the last weeks, with what was done in them on average on a working day. */
  private static double falseAlarms(Sum[] sums, LocalDate first) {
    List<Sum> worked = Stream.of(sums).filter(s -> s.workingDays > 0).toList();
    List<Sum> last = worked.subList(Math.max(0, worked.size() - TREND), worked.size());
    int days = last.stream().mapToInt(s -> s.workingDays).sum();
    if (last.size() < 2 || days == 0) {
      return 0;
    }
    Map<Place, int[]> counts = new LinkedHashMap<>();
    for (Sum sum : last) {
      sum.byPlace.forEach(
          (place, uses) ->
              counts.merge(place, uses.clone(), (a, b) -> new int[] {a[0] + b[0], a[1] + b[1]}));
    }
    return ConstantBehaviour.falseAlarms(
        last.stream()
            .map(
                s ->
                    new ConstantBehaviour.Span(
                        ChronoUnit.WEEKS.between(first, s.monday), s.workingDays))
            .toList(),
        counts.values().stream()
            .map(n -> new ConstantBehaviour.Rate(n[0] / (double) days, n[1] / (double) days))
            .toList());
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
                s.lostSquared += saved * saved * day.pointer();
                s.count(entry.place(), day);
                s.slips += day.slips();
              });
    }
    for (Habit.Turn turn : entry.turns()) {
      at(sums, first, turn.day())
          .ifPresent(s -> (turn.replaced() ? s.replaced : s.relapsed).add(entry.place()));
    }
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
    double lostSquared;
    final Map<Place, int[]> byPlace = new LinkedHashMap<>();
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

    /** Uses by keys and with the pointer. */
    void count(Place place, Standing.DayUses day) {
      int[] uses = byPlace.computeIfAbsent(place, _ -> new int[2]);
      uses[0] += day.keys();
      uses[1] += day.pointer();
    }

    Week week(int exposure) {
      int all = keys + pointer;
      boolean counts = exposure > 0 && all >= exposure;
      Rarefaction open =
          counts
              ? Rarefaction.of(byPlace.values().stream().map(n -> n[1]).toList(), all, exposure)
              : new Rarefaction(0, 0);
      return new Week(
          monday,
          workingDays,
          keys,
          pointer,
          share(keys, pointer),
          share(keysTime, pointerTime),
          counts ? Optional.of(open.expected()) : Optional.empty(),
          open.deviation(),
          workingDays == 0 ? 0 : YearlyCost.hours(1.0 / workingDays, lost),
          workingDays == 0 ? 0 : YearlyCost.hours(1.0 / workingDays, Math.sqrt(lostSquared)),
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

  /**
   * How many actions more or fewer are open each week; none for fewer than two weeks of work, or
   * where chance alone would show a trend too often.
   */
  public Optional<TheilSen> openTrend() {
    return falseAlarms > ConstantBehaviour.ACCEPTED
        ? Optional.empty()
        : trend(
            lastWorked().stream()
                .filter(w -> w.open().isPresent())
                .map(w -> new Point(at(w), w.open().get(), w.openNoise()))
                .toList());
  }

  /** How many hours a year more or less are lost each week. */
  public Optional<TheilSen> hoursTrend() {
    return trend(
        lastWorked().stream().map(w -> new Point(at(w), w.hoursAYear(), w.hoursNoise())).toList());
  }

  private List<Week> lastWorked() {
    List<Week> worked = weeks.stream().filter(w -> w.workingDays() > 0).toList();
    return worked.subList(Math.max(0, worked.size() - TREND), worked.size());
  }

  private double at(Week week) {
    return ChronoUnit.WEEKS.between(weeks.getFirst().monday(), week.monday());
  }

  /**
   * A week of a trend.
   *
   * @param noise the standard deviation of its value by chance
   */
  record Point(double at, double value, double noise) {}

  /**
   * The trend, with an interval that is never narrower than chance alone makes it: a few points
   * that happen to lie on a line would else have one of no width.
   */
  static Optional<TheilSen> trend(List<Point> points) {
    return TheilSen.of(
            points.stream().mapToDouble(Point::at).toArray(),
            points.stream().mapToDouble(Point::value).toArray())
        .map(t -> t.widenedTo(NORMAL_95 * slopeNoise(points)));
  }

  /** The standard deviation of a slope by least squares through points that scatter so. */
  private static double slopeNoise(List<Point> points) {
    double middle = points.stream().mapToDouble(Point::at).average().orElse(0);
    double spread = 0;
    double noise = 0;
    for (Point p : points) {
      double away = (p.at() - middle) * (p.at() - middle);
      spread += away;
      noise += away * p.noise() * p.noise();
    }
    return spread == 0 ? 0 : Math.sqrt(noise) / spread;
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

  private double lastOpen() {
    return lastWorked().reversed().stream().flatMap(w -> w.open().stream()).findFirst().orElse(0.0);
  }
}
