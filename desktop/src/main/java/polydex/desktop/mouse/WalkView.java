package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.mouse.Remaining.RemainingRow;
import polydex.mouse.Walk;
import polydex.own.OwnKey;

/** The keys that lead to something without a gesture, one after the other. */
final class WalkView {
  private WalkView() {}

  /** Opens it over the place. */
  static void open(Desk desk, RemainingRow row, Walk walk) {
    Catalog catalog = desk.session().workspace().get().catalog();
    Optional<Environment> environment = catalog.environment(row.place().environment());
    if (environment.isEmpty()) {
      desk.session().say(Spoken.walk(walk));
      return;
    }
    var list =
        Lists.<Walk.Part>of(
            worded("mouse.the-way-by-keys"),
            (box, part) -> row(desk, row, box, part),
            Walk.Part::to,
            Texts.quiet(worded("mouse.there-is-no-way")));
    list.getItems().setAll(walk.parts(environment.get()));
    list.getSelectionModel().selectFirst();
    list.getStyleClass().add("nine-rows");
    VBox box =
        OverlayBox.narrow(
            Texts.heading(
                worded("mouse.by-keys-presses", desk.titles().action(row.place()), walk.presses())),
            list,
            Texts.quiet(worded("mouse.it-has-no-gesture-of-its")));
    desk.keys()
        .open(
            box,
            list,
            List.of(
                KeyCommand.of(
                    OwnKey.WISH,
                    () -> {
                      desk.keys().close();
                      new Choices(desk).wish(row.place());
                    })));
  }

  private static void row(Desk desk, RemainingRow row, HBox box, Walk.Part part) {
    HBox keys =
        new HBox(6, new GestureView(part.key(), desk.titles().words(row.place().environment())));
    if (part.times() > 1) {
      keys.getChildren().add(Texts.styled(worded("mouse.times", part.times()), "quiet"));
    }
    keys.setAlignment(Pos.CENTER_LEFT);
    box.getChildren()
        .addAll(Lists.column(keys, 12), Lists.growing(Texts.styled(part.to(), "row-title")));
  }
}
