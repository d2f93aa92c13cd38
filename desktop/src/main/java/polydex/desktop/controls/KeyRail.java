package polydex.desktop.controls;

import java.util.List;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import polydex.desktop.keys.KeyCommand;
import polydex.keys.Gesture;

/** The keys that work here and now, along the bottom. */
public final class KeyRail extends FlowPane {
  private static final int IN_NARROW = 6;

  /** An empty rail. */
  public KeyRail() {
    getStyleClass().add("key-rail");
    setAlignment(Pos.CENTER_LEFT);
  }

  /**
   * Shows the commands that want to be shown.
   *
   * @param narrow whether there is room for the nearest ones only
   */
  public void show(List<KeyCommand> commands, boolean narrow) {
    getChildren().clear();
    commands.stream()
        .filter(KeyCommand::onRail)
        .limit(narrow ? IN_NARROW : Long.MAX_VALUE)
        .forEach(c -> add(c.gestures().getFirst(), c.title()));
  }

  /** Shows only how to leave: every other key belongs to the answer. */
  public void showCapture(String leave) {
    getChildren().clear();
    HBox entry =
        new HBox(
            Texts.styled("Every key counts now.", "rail-words"),
            Texts.styled("To " + leave + ", hold", "rail-words"),
            GestureView.cap("Esc"),
            Texts.styled("for a second.", "rail-words"));
    entry.getStyleClass().add("rail-entry");
    entry.setAlignment(Pos.CENTER_LEFT);
    getChildren().add(entry);
  }

  private void add(Gesture gesture, String title) {
    HBox entry = new HBox(new GestureView(gesture, Map.of()), Texts.styled(title, "rail-words"));
    entry.getStyleClass().add("rail-entry");
    entry.setAlignment(Pos.CENTER_LEFT);
    getChildren().add(entry);
  }
}
