package polydex.desktop.controls;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;

/**
 * A list that ends between two rows: of the height that it is given it takes as much as whole rows
 * need, where all that are in view are of one height and there are more than fit.
 */
final class WholeRows<T> extends ListView<T> {
  private double row;

  @Override
  public void resize(double width, double height) {
    super.resize(width, whole(height));
  }

  private double whole(double height) {
    double around = snappedTopInset() + snappedBottomInset();
    double room = height - around;
    if (row <= 0 || room < 2 * row || getItems().size() * row <= room) {
      return height;
    }
    return Math.floor(room / row + 0.001) * row + around;
  }

  @Override
  protected void layoutChildren() {
    super.layoutChildren();
    double now = rowHeight();
    if (Math.abs(now - row) > 0.5) {
      row = now;
      if (getParent() != null) {
        getParent().requestLayout();
      }
    }
  }

  /** The height of the rows in view; 0 where they differ. */
  private double rowHeight() {
    List<Double> heights =
        lookupAll(".list-cell").stream()
            .filter(n -> n instanceof ListCell<?> c && !c.isEmpty() && c.isVisible())
            .map(Node::getLayoutBounds)
            .map(b -> b.getHeight())
            .filter(h -> h > 0)
            .distinct()
            .toList();
    return heights.size() == 1 ? heights.getFirst() : 0;
  }
}
