package polydex.desktop.places;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.desktop.controls.NumberedChoices;
import polydex.desktop.controls.Texts;
import polydex.route.Setup;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** What of a setup changes from moment to moment: full screen, and the context that is active. */
final class WhereYouAre {
  private final Desk desk;

  WhereYouAre(Desk desk) {
    this.desk = desk;
  }

  /** Windows that hold machines fill the screen, or no longer do. */
  void fullScreen() {
    Workspace before = desk.session().workspace().get();
    Optional<Setup> setup = before.setup().filter(Setup::hasWindow);
    if (setup.isEmpty()) {
      desk.session().say("No window of this setup holds another machine.");
      return;
    }
    boolean full = !setup.get().fillsTheScreen();
    desk.session()
        .apply(
            new Change.Edit(
                full ? "Full screen" : "No full screen",
                before,
                before.with(setup.get().withFullScreen(full))));
  }

  /** Which context of the focused application is active. */
  void chooseContext() {
    Workspace before = desk.session().workspace().get();
    Optional<Setup> setup = before.setup();
    List<Context> contexts =
        setup
            .flatMap(s -> s.innermost().application())
            .flatMap(before.catalog()::environment)
            .map(Environment::contexts)
            .orElse(List.of());
    if (contexts.size() < 2) {
      desk.session().say("The keymap in focus has one context only.");
      return;
    }
    NumberedChoices<Context> choices =
        new NumberedChoices<>(
            "Where you are",
            Context::title,
            words ->
                contexts.stream()
                    .filter(
                        c ->
                            c.title()
                                .toLowerCase(Locale.ROOT)
                                .contains(words.strip().toLowerCase(Locale.ROOT)))
                    .toList(),
            (chosen, _) -> {
              desk.keys().close();
              desk.session()
                  .apply(
                      new Change.Edit(
                          "Be at \u201c" + chosen.title() + "\u201d",
                          before,
                          before.with(setup.orElseThrow().withContexts(List.of(chosen.id())))));
            });
    VBox box = new VBox(Texts.heading("Where you are"), choices);
    box.getStyleClass().add("tally");
    box.setMaxHeight(Region.USE_PREF_SIZE);
    desk.keys().open(box, choices.focus());
  }
}
