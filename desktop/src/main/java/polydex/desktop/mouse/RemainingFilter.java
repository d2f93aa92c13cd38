package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import polydex.desktop.desk.Desk;
import polydex.mouse.Remaining.Kind;
import polydex.mouse.Remaining.RemainingRow;
import polydex.totals.Habit.State;

/**
 * Which of the actions that were done with the mouse are shown.
 *
 * @param title what it is called
 * @param rows whether one is shown
 */
record RemainingFilter(String title, Predicate<RemainingRow> rows) {
  /** Whatever was done with the mouse lately. */
  static final RemainingFilter ALL = in(PlaceFilter.EVERYWHERE);

  /** By setup, machine and application, by class and by state. */
  static List<RemainingFilter> choices(Desk desk, List<RemainingRow> rows) {
    List<RemainingFilter> all = new ArrayList<>();
    PlaceFilter.choices(desk, rows).forEach(places -> all.add(in(places)));
    for (Kind kind : Kind.values()) {
      all.add(lately(worded("mouse.to-do", Spoken.kind(kind)), r -> r.kind() == kind));
    }
    for (State state : State.values()) {
      all.add(
          new RemainingFilter(worded("mouse.state", Spoken.state(state)), r -> r.state() == state));
    }
    return all;
  }

  private static RemainingFilter in(PlaceFilter where) {
    return lately(where.title(), r -> where.places().test(r.place()));
  }

  private static RemainingFilter lately(String title, Predicate<RemainingRow> which) {
    return new RemainingFilter(title, which.and(r -> r.usesADay() > 0));
  }
}
