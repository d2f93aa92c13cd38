package polydex.desktop.controls;

import javafx.scene.Node;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The frame round what is shown over a place, as high as its content. */
public final class OverlayBox {
  private OverlayBox() {}

  /** For a question, or a list of short lines. */
  public static VBox narrow(Node... content) {
    VBox box = new VBox(content);
    box.getStyleClass().add("overlay");
    box.setMaxHeight(Region.USE_PREF_SIZE);
    return box;
  }

  /** Has something done when what is shown over a place is closed. */
  public static void whenClosed(Node box, Runnable done) {
    box.sceneProperty()
        .addListener(
            (_, _, scene) -> {
              if (scene == null) {
                done.run();
              }
            });
  }

  /** For lines with several columns; a list in it is as high as its rows, where there is room. */
  public static VBox wide(Node... content) {
    VBox box = steady(content);
    for (Node node : content) {
      if (node instanceof WholeRows<?> list) {
        list.fit();
      }
    }
    return box;
  }

  /** The same for a list that is narrowed by typing: the frame stays as high as it is. */
  public static VBox steady(Node... content) {
    VBox box = narrow(content);
    box.getStyleClass().add("wide-overlay");
    return box;
  }
}
