package polydex.desktop;

import java.util.Map;
import javafx.animation.PauseTransition;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.util.Duration;
import polydex.desktop.controls.Texts;

/** While Alt is held, the letter of every control that Alt and a letter reach, on the control. */
final class Badges extends Pane {
  private final PauseTransition held = new PauseTransition(Duration.millis(350));

  Badges() {
    setMouseTransparent(true);
    setPickOnBounds(false);
  }

  /** Alt goes down: shows the letters if it stays down for a moment. */
  void down(Map<Character, Node> controls) {
    if (getChildren().isEmpty()) {
      held.setOnFinished(_ -> show(controls));
      held.playFromStart();
    }
  }

  /** Alt goes up, or is used for something. */
  void up() {
    held.stop();
    getChildren().clear();
  }

  private void show(Map<Character, Node> controls) {
    controls.forEach(
        (letter, node) -> {
          Bounds bounds = sceneToLocal(node.localToScene(node.getBoundsInLocal()));
          if (node.getScene() != null && bounds != null && node.isVisible()) {
            Label badge = Texts.styled(String.valueOf(letter), "badge");
            badge.relocate(Math.max(0, bounds.getMinX() - 6), Math.max(0, bounds.getMinY() - 8));
            getChildren().add(badge);
          }
        });
  }
}
