package polydex.desktop;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import polydex.catalog.EnvironmentId;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.state.Analysis;
import polydex.keys.Gesture;
import polydex.route.DesktopTakes;
import polydex.route.DesktopTakes.Taken;

/**
 * Which of the program's own keys the desktop of the setup in use takes for itself. It is said once
 * for each desktop, and the list of keys shows it.
 */
final class TakenKeys {
  private static final String TOLD = "keys told";
  private static final String BETWEEN = " ";

  private final Desk desk;
  private final Supplier<List<KeyCommand>> anywhere;
  private Map<Gesture, Taken> taken = Map.of();

  /**
   * Follows what is found out of the setup in use.
   *
   * @param anywhere what works wherever one is
   */
  TakenKeys(Desk desk, Supplier<List<KeyCommand>> anywhere) {
    this.desk = desk;
    this.anywhere = anywhere;
    desk.analyst().found().addListener((_, _, found) -> follow(found));
  }

  /** While another setup is looked into, what the last one took is no longer told. */
  private void follow(Optional<Analysis> found) {
    taken = Map.of();
    found.ifPresent(this::look);
  }

  private void look(Analysis found) {
    List<Gesture> own =
        anywhere.get().stream().flatMap(c -> c.gestures().stream()).distinct().toList();
    desk.analyst()
        .look(
            "own keys",
            _ -> DesktopTakes.of(found.traces().setup(), found.workspace().world(), own),
            this::say,
            _ -> taken = Map.of());
  }

  private void say(List<Taken> now) {
    taken = now.stream().collect(Collectors.toMap(Taken::gesture, t -> t, (a, _) -> a));
    if (now.isEmpty()) {
      return;
    }
    EnvironmentId platform = now.getFirst().platform();
    List<String> told =
        new ArrayList<>(List.of(desk.session().setting(TOLD).orElse("").split(BETWEEN, -1)));
    if (!told.contains(platform.value())) {
      told.add(platform.value());
      desk.session().setting(TOLD, String.join(BETWEEN, told).strip());
      desk.session()
          .say(
              "%s takes %s before this window sees it. F10 has every command by a letter, and F1 marks such keys."
                  .formatted(
                      desk.titles().title(platform),
                      now.stream()
                          .map(t -> t.gesture().toString())
                          .collect(Collectors.joining(", "))));
    }
  }

  /** Who takes the key of a command and for what, as a few words; nothing where it comes here. */
  Optional<String> of(KeyCommand command) {
    return command.gestures().stream()
        .flatMap(g -> Optional.ofNullable(taken.get(g)).stream())
        .findFirst()
        .map(
            t ->
                "%s: \u201c%s\u201d"
                    .formatted(
                        desk.titles().title(t.platform()),
                        desk.session().workspace().get().catalog().title(t.action())));
  }
}
