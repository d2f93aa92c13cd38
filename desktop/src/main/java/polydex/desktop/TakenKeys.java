package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import polydex.catalog.EnvironmentId;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.state.Analysis;
import polydex.own.OwnContext;
import polydex.own.OwnTroubles;
import polydex.own.OwnTroubles.Trouble;

/**
 * Which of the program's own keys do not do what they are there for, since the desktop of the setup
 * in use takes them or another command has them. What a desktop takes of those that work in every
 * place is said once for each, and the list of keys shows all.
 */
final class TakenKeys {
  private static final String TOLD = "keys told";
  private static final String BETWEEN = " ";

  private final Desk desk;
  private List<Trouble> troubles = List.of();

  /** Follows what is found out of the setup in use. */
  TakenKeys(Desk desk) {
    this.desk = desk;
    desk.analyst().found().addListener((_, _, found) -> follow(found));
  }

  /** While another setup is looked into, what the last one took is no longer told. */
  private void follow(Optional<Analysis> found) {
    troubles = List.of();
    found.ifPresent(this::look);
  }

  private void look(Analysis found) {
    desk.analyst()
        .look(
            "own keys",
            _ ->
                OwnTroubles.in(found.traces().setup(), found.workspace().world())
                    .map(OwnTroubles::all)
                    .orElse(List.of()),
            this::say,
            _ -> troubles = List.of());
  }

  private void say(List<Trouble> now) {
    troubles = now;
    List<Trouble> taken =
        now.stream()
            .filter(t -> t.isTaken() && t.where().compareTo(OwnContext.PLACES) <= 0)
            .toList();
    if (taken.isEmpty()) {
      return;
    }
    EnvironmentId platform = taken.getFirst().taker().orElseThrow();
    List<String> told =
        new ArrayList<>(List.of(desk.session().setting(TOLD).orElse("").split(BETWEEN, -1)));
    if (!told.contains(platform.value())) {
      told.add(platform.value());
      desk.session().setting(TOLD, String.join(BETWEEN, told).strip());
      desk.session()
          .say(
              worded(
                  "window.takes-before-this-window-sees-it",
                  desk.titles().title(platform),
                  taken.stream()
                      .map(t -> t.gesture().toString())
                      .distinct()
                      .collect(Collectors.joining(", "))));
    }
  }

  /** What is wrong with the keys of a command, as a few words; nothing where they do it. */
  Optional<String> of(KeyCommand command) {
    return troubles.stream()
        .filter(t -> command.is(t.key()))
        .filter(t -> command.gestures().stream().limit(1).anyMatch(t.gesture()::equals))
        .findFirst()
        .map(t -> said(desk, t));
  }

  /** Who has a key, and for what. */
  static String said(Desk desk, Trouble trouble) {
    String what =
        trouble.action().map(a -> desk.session().workspace().get().catalog().title(a)).orElse("");
    if (trouble.taker().isEmpty()) {
      return worded("window.does-not-come-here", trouble.gesture());
    }
    return trouble.isTaken()
        ? worded("window.taken-by", desk.titles().title(trouble.taker().get()), what)
        : worded("window.in-it-is", trouble.where().title(), what);
  }
}
