package polydex.desktop.controls;

import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.VBox;
import polydex.desktop.keys.KeyCommand;
import polydex.own.OwnKey;

/**
 * Text that is as high as its words need where there is room, and is scrolled where there is not:
 * in a low window, or with large letters.
 */
public final class ScrolledText extends ScrollPane {
  private static final double LEAST_HEIGHT = 60;

  /** Of these lines. */
  public ScrolledText(List<Node> lines) {
    VBox content = new VBox();
    content.getStyleClass().add("scrolled-text");
    content.getChildren().addAll(lines);
    setContent(content);
    setFitToWidth(true);
    setFocusTraversable(false);
    setMinHeight(LEAST_HEIGHT);
    setHbarPolicy(ScrollBarPolicy.NEVER);
    // How high wrapped words are is known only when their width is.
    content.heightProperty().addListener((_, _, h) -> setPrefViewportHeight(h.doubleValue()));
  }

  /** The keys that scroll it. */
  public List<KeyCommand> keys() {
    return List.of(
        KeyCommand.quiet(OwnKey.TEXT_ON, () -> scroll(1)),
        KeyCommand.quiet(OwnKey.TEXT_BACK, () -> scroll(-1)));
  }

  private void scroll(int pages) {
    Bounds seen = getViewportBounds();
    double hidden = getContent().getLayoutBounds().getHeight() - seen.getHeight();
    if (hidden > 0) {
      setVvalue(Math.clamp(getVvalue() + pages * seen.getHeight() / hidden, 0, 1));
    }
  }
}
