package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import polydex.desktop.desk.Desk;
import polydex.language.Language;
import polydex.mouse.Remaining.RemainingRow;
import polydex.recognition.Place;
import polydex.route.Setup;
import polydex.route.SetupId;

/**
 * Which places are shown.
 *
 * @param title what it is called, as it stands after a colon
 * @param places whether one is shown
 */
record PlaceFilter(String title, Predicate<Place> places) {
  static final PlaceFilter EVERYWHERE = new PlaceFilter(worded("mouse.all-setups"), _ -> true);

  /** Everywhere, by setup, by machine, and by the applications and platforms of these rows. */
  static List<PlaceFilter> choices(Desk desk, List<RemainingRow> rows) {
    List<PlaceFilter> all = new ArrayList<>();
    all.add(EVERYWHERE);
    Map<SetupId, Setup> setups = desk.session().workspace().get().setups();
    Map<String, PlaceFilter> machines = new LinkedHashMap<>();
    for (Setup s : setups.values()) {
      all.add(new PlaceFilter(s.title(), p -> p.setup().equals(s.id())));
      machines.putIfAbsent(machine(s), onMachine(setups, machine(s)));
    }
    all.addAll(machines.values());
    rows.stream()
        .map(r -> r.place().environment())
        .distinct()
        .sorted()
        .forEach(
            e ->
                all.add(
                    new PlaceFilter(
                        worded("any.in", desk.titles().place(e)), p -> p.environment().equals(e))));
    return all;
  }

  private static String machine(Setup setup) {
    return setup.innermost().title();
  }

  private static PlaceFilter onMachine(Map<SetupId, Setup> setups, String machine) {
    return new PlaceFilter(
        worded("mouse.on-the", Language.within(machine)),
        p ->
            Optional.ofNullable(setups.get(p.setup()))
                .filter(s -> machine(s).equals(machine))
                .isPresent());
  }
}
