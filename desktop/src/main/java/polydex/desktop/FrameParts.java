package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Texts;
import polydex.keys.Gesture;

/** The parts of the frame, as they are while a file is read and from then on. */
final class FrameParts {
  private FrameParts() {}

  /** The button of a place at the side. */
  static ToggleButton placeButton(char letter, String title) {
    ToggleButton button = new ToggleButton();
    button.setAccessibleText(title);
    button.getStyleClass().setAll("place-button", "toggle-button-plain");
    Label name = Texts.styled(title, "place-name");
    name.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(name, Priority.ALWAYS);
    HBox graphic = new HBox(name, new GestureView(Gesture.parse("Alt+" + letter), Map.of()));
    graphic.setAlignment(Pos.CENTER_LEFT);
    graphic.prefWidthProperty().bind(button.widthProperty().subtract(28));
    button.setGraphic(graphic);
    button.setContentDisplay(ContentDisplay.GRAPHIC_ONLY);
    button.setMaxWidth(Double.MAX_VALUE);
    return button;
  }

  /** The keys of a command. */
  static Node cap(Gesture gesture) {
    return new GestureView(gesture, Map.of());
  }

  /** The field that finds. */
  static TextField find() {
    TextField find = new TextField();
    find.setPromptText(worded("window.find-keys-and-actions"));
    find.setAccessibleText(worded("window.find-keys-and-actions"));
    find.setPrefColumnCount(16);
    find.setMinWidth(150);
    return find;
  }

  /**
   * The head.
   *
   * @param middle takes what room there is
   * @param key goes to the field
   */
  static HBox head(Region middle, Node key, TextField find) {
    middle.setMinWidth(0);
    HBox.setHgrow(middle, Priority.ALWAYS);
    HBox head = new HBox(Texts.styled("Polydex", "name"), middle, key, find);
    head.setAlignment(Pos.CENTER_LEFT);
    head.getStyleClass().add("head");
    return head;
  }
}
