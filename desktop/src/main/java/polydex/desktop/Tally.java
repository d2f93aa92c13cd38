package polydex.desktop;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.catalog.Action;
import polydex.catalog.ActionSearch;
import polydex.catalog.Catalog;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.NumberedChoices;
import polydex.desktop.controls.Texts;
import polydex.desktop.places.Desk;
import polydex.mouse.Use.Device;
import polydex.route.TracedBinding;

/** "I used the mouse for this", over whatever place is shown. */
final class Tally {
  private static final int NUMBERED = 9;

  private Tally() {}

  /** Opens it: a digit notes an action; words find what is not among the nine. */
  static void open(Desk desk) {
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
              desk.keys().close();
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
    desk.keys().open(box, choices.focus(), List.of());
  }

  /** The easiest gesture of an action in the setup in use. */
  private static Optional<Node> gesture(Desk desk, String action) {
    return desk.analyst()
        .found()
        .get()
        .flatMap(a -> a.reach().getOrDefault(action, List.<TracedBinding>of()).stream().findFirst())
        .map(t -> new GestureView(t.gesture(), desk.words(t.environment())));
  }
}
