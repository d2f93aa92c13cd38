package polydex.desktop;

import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;

/**
 * Shows a place as high and wide as there is room, and lets it be scrolled where that is too little
 * for it, as with large letters in a small window. What gets the focus is brought into sight.
 */
final class PlaceScroll extends ScrollPane {
  PlaceScroll() {
    setFitToWidth(true);
    setFitToHeight(true);
    setFocusTraversable(false);
    getStyleClass().add("place-scroll");
    sceneProperty()
        .subscribe(
            scene -> {
              if (scene != null) {
                scene.focusOwnerProperty().addListener((_, _, focused) -> show(focused));
              }
            });
  }

  private void show(Node focused) {
    if (focused == null || getContent() == null || !isIn(focused)) {
      return;
    }
    Bounds whole = getContent().getLayoutBounds();
    Bounds seen = getViewportBounds();
    Bounds at = getContent().sceneToLocal(focused.localToScene(focused.getLayoutBounds()));
    setVvalue(value(getVvalue(), at.getMinY(), at.getMaxY(), seen.getHeight(), whole.getHeight()));
    setHvalue(value(getHvalue(), at.getMinX(), at.getMaxX(), seen.getWidth(), whole.getWidth()));
  }

  /** As little as is needed; of what is larger than the room the beginning is shown. */
  private static double value(double now, double from, double to, double room, double whole) {
    double over = whole - room;
    if (over <= 0) {
      return 0;
    }
    double top = now * over;
    if (from < top || to - from > room) {
      top = from;
    } else if (to > top + room) {
      top = to - room;
    }
    return Math.clamp(top / over, 0, 1);
  }

  private boolean isIn(Node node) {
    for (Node n = node; n != null; n = n.getParent()) {
      if (n.equals(getContent())) {
        return true;
      }
    }
    return false;
  }
}
