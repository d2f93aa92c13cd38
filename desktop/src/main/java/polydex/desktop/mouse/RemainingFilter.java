package polydex.desktop.mouse;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import polydex.desktop.places.Desk;
import polydex.mouse.Habit.State;
import polydex.mouse.Remaining.Kind;
import polydex.mouse.Remaining.Row;
import polydex.route.Setup;

/**
 * Which of the actions that were done with the mouse are shown.
 *
 * @param title what it is called
 * @param rows whether one is shown
 */
record RemainingFilter(String title, Predicate<Row> rows) {
  /** Whatever was done with the mouse lately. */
  static final RemainingFilter ALL = lately("all setups", _ -> true);

  /** By setup, machine, class, state and application. */
  static List<RemainingFilter> choices(Desk desk, List<Row> rows) {
    List<RemainingFilter> all = new ArrayList<>();
    all.add(ALL);
    Map<String, Setup> setups = desk.session().workspace().get().setups();
    Map<String, RemainingFilter> machines = new LinkedHashMap<>();
    for (Setup s : setups.values()) {
      all.add(lately(s.title(), r -> r.place().setup().equals(s.id())));
      machines.putIfAbsent(machine(s), onMachine(setups, machine(s)));
    }
    all.addAll(machines.values());
    for (Kind kind : Kind.values()) {
      all.add(lately("to do: " + Spoken.kind(kind), r -> r.kind() == kind));
    }
    for (State state : State.values()) {
      String word = state.name().toLowerCase(Locale.ROOT);
      all.add(new RemainingFilter("state: " + word, r -> r.state() == state));
    }
    rows.stream()
        .map(r -> r.place().environment())
        .distinct()
        .sorted()
        .forEach(
            e -> all.add(lately("in " + desk.place(e), r -> r.place().environment().equals(e))));
    return all;
  }

  private static String machine(Setup setup) {
    return setup.innermost().title();
  }

  private static RemainingFilter onMachine(Map<String, Setup> setups, String machine) {
    return lately(
        "on the " + machine.toLowerCase(Locale.ROOT),
        r ->
            Optional.ofNullable(setups.get(r.place().setup()))
                .filter(s -> machine(s).equals(machine))
                .isPresent());
  }

  private static RemainingFilter lately(String title, Predicate<Row> which) {
    return new RemainingFilter(title, which.and(r -> r.usesADay() > 0));
  }
}
