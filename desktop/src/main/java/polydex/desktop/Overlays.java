package polydex.desktop;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.catalog.Action;
import polydex.catalog.ActionSearch;
import polydex.catalog.Catalog;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.NumberedChoices;
import polydex.desktop.controls.Texts;
import polydex.desktop.places.Desk;
import polydex.mouse.Use.Device;
import polydex.route.Setup;
import polydex.route.TracedBinding;

/** What lies over the places for a moment: the tally, and the choice of a setup. */
final class Overlays {
  private static final int NUMBERED = 9;

  /**
   * One that is open.
   *
   * @param node what it shows
   * @param focus what gets the focus
   */
  record Overlay(Node node, Node focus) {}

  private Overlays() {}

  /** "I used the mouse for this": a digit notes it; words find what is not among the nine. */
  static Overlay tally(Desk desk, Runnable close) {
    Catalog catalog = desk.session().workspace().get().catalog();
    ActionSearch search = ActionSearch.of(catalog.actions());
    List<String> likely = desk.session().likelyToNote();
    NumberedChoices<String> choices =
        new NumberedChoices<>(
            "What the mouse was used for",
            catalog::title,
            (row, action) -> gesture(desk, action).ifPresent(row.getChildren()::add),
            typed ->
                typed.isBlank()
                    ? likely
                    : search.find(typed).stream().limit(NUMBERED).map(Action::id).toList(),
            (action, key) -> {
              close.run();
              desk.session().note(action, key.isShiftDown() ? Device.KEYS : Device.POINTER);
            });
    choices.list().getStyleClass().add("nine-rows");
    VBox box =
        new VBox(
            Texts.heading("I used the mouse for"),
            choices,
            Texts.quiet(
                "A digit notes it. With Shift: I did it by keys. Esc: nothing, after all."));
    box.getStyleClass().add("tally");
    box.setMaxHeight(Region.USE_PREF_SIZE);
    return new Overlay(box, choices.focus());
  }

  /** The easiest gesture of an action in the setup in use. */
  private static Optional<Node> gesture(Desk desk, String action) {
    return desk.analyst()
        .found()
        .get()
        .flatMap(a -> a.reach().getOrDefault(action, List.<TracedBinding>of()).stream().findFirst())
        .map(t -> new GestureView(t.gesture(), desk.words(t.environment())));
  }

  /** Which setup the program is to speak of. */
  static Overlay setups(Desk desk, Runnable close) {
    ListView<Setup> list =
        Lists.of(
            "Setups",
            (box, setup) -> setupRow(desk, box, setup),
            Setup::title,
            Texts.quiet("There is no setup in this file."));
    list.getItems().setAll(desk.session().workspace().get().setups().values());
    list.getStyleClass().add("nine-rows");
    desk.session().workspace().get().setup().ifPresent(list.getSelectionModel()::select);
    Runnable choose =
        () -> {
          Setup chosen = list.getSelectionModel().getSelectedItem();
          close.run();
          if (chosen != null) {
            desk.session().choose(chosen.id());
          }
        };
    list.addEventHandler(
        KeyEvent.KEY_PRESSED,
        event -> {
          if (event.getCode() == KeyCode.ENTER) {
            event.consume();
            choose.run();
          }
        });
    list.setOnMouseClicked(
        event -> {
          if (event.getClickCount() == 2) {
            choose.run();
          }
        });
    VBox box =
        new VBox(
            Texts.heading("Setup in use"),
            Texts.quiet("From the board under your fingers to what has the focus."),
            list,
            Texts.quiet("Enter: use it. Esc: leave things as they are."));
    box.getStyleClass().add("tally");
    box.setMaxHeight(Region.USE_PREF_SIZE);
    return new Overlay(box, list);
  }

  private static void setupRow(Desk desk, HBox box, Setup setup) {
    Label path = Texts.quiet(String.join(" \u203a ", SetupPath.of(desk, setup)));
    VBox words = new VBox(2, Texts.styled(setup.title(), "part"), path);
    HBox.setHgrow(words, Priority.ALWAYS);
    box.getChildren().add(words);
  }
}
