package polydex.mouse;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.threeten.extra.LocalDateRange;
import polydex.mouse.Remaining.Kind;
import polydex.mouse.Remaining.RemainingRow;
import polydex.recognition.Place;
import polydex.totals.Standing;

/**
 * A week in one page.
 *
 * @param days its seven days
 * @param now what it came to
 * @param before the same of the week before
 * @param replaced what was replaced in it
 * @param cameBack what had been replaced and came back in it
 * @param slipped slips after twenty uses by keys in a row, in it
 * @param dearest what costs most now
 * @param proposals what to do about it, at most three, of different kinds where there are
 */
public record WeeklyReview(
    LocalDateRange days,
    Totals now,
    Totals before,
    List<Place> replaced,
    List<Place> cameBack,
    List<Place> slipped,
    List<RemainingRow> dearest,
    List<RemainingRow> proposals) {
  /** A rate an hour is said from so many hours of sessions on. */
  public static final double LEAST_HOURS = 0.5;

  /** How many of the dearest are shown. */
  public static final int DEAREST = 5;

  /** How many proposals there are. */
  public static final int PROPOSALS = 3;

  /**
   * What seven days came to.
   *
   * @param coverage the share of uses by keys of what is not kept, 0 to 1; none without uses
   * @param tripsAnHour trips of the hand in an hour of sessions; none in less than {@link
   *     #LEAST_HOURS} of them
   */
  public record Totals(
      int workingDays,
      int keys,
      int pointer,
      Optional<Double> coverage,
      int trips,
      Optional<Double> tripsAnHour) {}

  /** The seven days up to a day. O(entries + their days). */
  public static WeeklyReview of(Standing standing, List<RemainingRow> rows, LocalDate today) {
    LocalDateRange days = LocalDateRange.ofClosed(today.minusDays(6), today);
    LocalDateRange before = LocalDateRange.of(days.getStart().minusDays(7), days.getStart());
    List<Place> replaced = new ArrayList<>();
    List<Place> cameBack = new ArrayList<>();
    List<Place> slipped = new ArrayList<>();
    for (Standing.Entry e : standing.entries()) {
      e.turns().stream()
          .filter(t -> days.contains(t.day()))
          .reduce((_, last) -> last)
          .ifPresent(t -> (t.replaced() ? replaced : cameBack).add(e.place()));
      if (e.returned().stream().anyMatch(days::contains)) {
        slipped.add(e.place());
      }
    }
    List<RemainingRow> open = rows.stream().filter(r -> r.hoursAYear() > 0).toList();
    return new WeeklyReview(
        days,
        totals(standing, rows, days),
        totals(standing, rows, before),
        sorted(replaced),
        sorted(cameBack),
        sorted(slipped),
        open.stream().limit(DEAREST).toList(),
        proposals(open));
  }

  private static List<Place> sorted(List<Place> places) {
    return places.stream()
        .sorted(Comparator.comparing(Place::setup).thenComparing(Place::doing))
        .toList();
  }

  /** The dearest of each kind first, then what else is dear. */
  private static List<RemainingRow> proposals(List<RemainingRow> open) {
    List<RemainingRow> chosen = new ArrayList<>();
    Set<Kind> kinds = EnumSet.noneOf(Kind.class);
    for (RemainingRow row : open) {
      if (chosen.size() < PROPOSALS && kinds.add(row.kind())) {
        chosen.add(row);
      }
    }
    for (RemainingRow row : open) {
      if (chosen.size() < PROPOSALS && !chosen.contains(row)) {
        chosen.add(row);
      }
    }
    return List.copyOf(chosen);
  }

  private static Totals totals(Standing standing, List<RemainingRow> rows, LocalDateRange days) {
    Set<Place> kept =
        rows.stream()
            .filter(r -> r.kept().isPresent())
            .map(RemainingRow::place)
            .collect(Collectors.toSet());
    int keys = 0;
    int pointer = 0;
    for (Standing.Entry e : standing.entries()) {
      if (!kept.contains(e.place())) {
        Standing.DayUses uses = e.during(days);
        keys += uses.keys();
        pointer += uses.pointer();
      }
    }
    int trips = 0;
    double hours = 0;
    for (Standing.Day d : standing.days()) {
      if (days.contains(d.date())) {
        trips += d.trips();
        hours += d.active().toMillis() / 3_600_000.0;
      }
    }
    return new Totals(
        standing.workingDays(days),
        keys,
        pointer,
        keys + pointer == 0 ? Optional.empty() : Optional.of(keys / (double) (keys + pointer)),
        trips,
        hours < LEAST_HOURS ? Optional.empty() : Optional.of(trips / hours));
  }
}
