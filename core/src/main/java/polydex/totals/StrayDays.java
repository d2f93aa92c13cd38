package polydex.totals;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import polydex.totals.Standing.Day;

/**
 * Days that a clock set wrong has put far from all others: more than {@value #FAR} days away, at
 * most {@value #FEW} together, and with at most a tenth of the events of the rest. They would make
 * thousands of empty weeks, or move "lately" to where nothing was done. O(days).
 */
final class StrayDays {
  static final int FAR = 366;
  static final int FEW = 3;
  private static final int TIMES_MORE = 10;

  private StrayDays() {}

  /**
   * They, in order.
   *
   * @param days in order
   */
  static List<LocalDate> of(List<Day> days) {
    List<List<Day>> runs = new ArrayList<>();
    for (Day day : days) {
      boolean far =
          runs.isEmpty()
              || ChronoUnit.DAYS.between(runs.getLast().getLast().date(), day.date()) > FAR;
      if (far) {
        runs.add(new ArrayList<>());
      }
      runs.getLast().add(day);
    }
    int most =
        runs.stream()
            .max(Comparator.comparingInt(StrayDays::events))
            .map(StrayDays::events)
            .orElse(0);
    return runs.stream()
        .filter(r -> r.size() <= FEW && events(r) * TIMES_MORE <= most)
        .flatMap(List::stream)
        .map(Day::date)
        .toList();
  }

  private static int events(List<Day> days) {
    return days.stream().mapToInt(Day::events).sum();
  }
}
