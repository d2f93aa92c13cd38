package polydex.desktop.controls;

import java.util.DoubleSummaryStatistics;
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

  /** The height of the rows in view; 0 where they differ by more than a pixel. */
  private double rowHeight() {
    DoubleSummaryStatistics heights =
        lookupAll(".list-cell").stream()
            .filter(n -> n instanceof ListCell<?> c && !c.isEmpty() && c.isVisible())
            .mapToDouble(n -> n.getLayoutBounds().getHeight())
            .filter(h -> h > 0)
            .summaryStatistics();
    return heights.getCount() > 0 && heights.getMax() - heights.getMin() <= 1
        ? heights.getMax()
        : 0;
  }
}
