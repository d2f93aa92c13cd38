package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import javafx.scene.Scene;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;
import polydex.desktop.controls.Texts;
import polydex.own.OwnKey;

/** What a window shows until its file was read: the frame, and what is waited for. */
final class WaitingFrame {
  private WaitingFrame() {}

  /** Shows it, as large as the window will be. */
  static void show(Stage stage, String name) {
    Look.loadFonts();
    VBox side = new VBox();
    side.getStyleClass().add("sidebar");
    for (PlaceName place : PlaceName.values()) {
      side.getChildren().add(FrameParts.placeButton(place.letter(), place.title()));
    }
    VBox place = new VBox(Texts.quiet(worded("window.opening", name)));
    place.getStyleClass().add("place");
    ScrollPane scroll = new ScrollPane(place);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("today");
    BorderPane frame = new BorderPane(scroll);
    HBox head =
        FrameParts.head(
            new Region(), FrameParts.cap(OwnKey.FIND.usual().getFirst()), FrameParts.find());
    side.setDisable(true);
    head.setDisable(true);
    frame.setTop(head);
    frame.setLeft(side);
    frame.getStyleClass().add(LastTime.theme());
    frame.setStyle("-fx-font-size: 15px;");
    Scene scene = new Scene(frame, Windows.width(stage), Windows.height(stage));
    scene.getStylesheets().add(Shell.class.getResource("polydex.css").toExternalForm());
    stage.titleProperty().unbind();
    stage.setTitle("Polydex");
    Windows.put(scene, stage);
    stage.show();
  }
}
