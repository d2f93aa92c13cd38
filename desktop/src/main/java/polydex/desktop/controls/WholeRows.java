package polydex.desktop.controls;

import java.util.DoubleSummaryStatistics;
import javafx.application.Platform;
import javafx.collections.ListChangeListener;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;

/**
 * A list that ends between two rows: of the height that it is given it takes as much as whole rows
 * need, where all that are in view are of one height and there are more than fit. One that fits its
 * rows wants no more height than they have.
 */
final class WholeRows<T> extends ListView<T> {
  /** Heights that differ by no more than a pixel are one. */
  private static final double ALIKE = 1;

  /** An empty one has room for what says so. */
  private static final int FEWEST = 3;

  /** Before any row was measured, in times the text size. */
  private static final double USUAL_ROW = 2.7;

  private static final double TEXT = 15;

  /** The height of every row; 0 where they differ, or none was measured. */
  private double row;

  /** The height of a row on average; 0 before the rows of now were measured. */
  private double average;

  private boolean fits;

  WholeRows() {
    getItems().addListener((ListChangeListener<T>) _ -> average = 0);
  }

  /** Wants the height of its rows from now on, whatever a style says. */
  void fit() {
    fits = true;
    getStyleClass().add("fitted");
  }

  @Override
  protected double computePrefHeight(double width) {
    if (!fits) {
      return super.computePrefHeight(width);
    }
    double high = average > 0 ? average : USUAL_ROW * TEXT;
    return snappedTopInset()
        + snappedBottomInset()
        + Math.ceil(high * Math.max(FEWEST, getItems().size()));
  }

  @Override
  public void resize(double width, double height) {
    super.resize(width, whole(height));
  }

  private double whole(double height) {
    double around = snappedTopInset() + snappedBottomInset();
    double room = height - around;
    if (row <= 0 || room < FEWEST * row || getItems().size() * row <= room) {
      return height;
    }
    return Math.floor(room / row + 0.001) * row + around;
  }

  @Override
  protected void layoutChildren() {
    super.layoutChildren();
    DoubleSummaryStatistics heights = heights();
    if (heights.getCount() == 0) {
      return;
    }
    boolean alike = heights.getMax() - heights.getMin() <= ALIKE;
    double now = alike ? heights.getMax() : 0;
    boolean changed = Math.abs(now - row) > 0.5;
    row = now;
    if (fits && average == 0) {
      average = heights.getAverage();
      changed = true;
    }
    if (changed) {
      // A layout that is asked for during one is forgotten.
      Platform.runLater(this::layOutAgain);
    }
  }

  private void layOutAgain() {
    requestLayout();
    if (getParent() != null) {
      getParent().requestLayout();
    }
  }

  private DoubleSummaryStatistics heights() {
    return lookupAll(".list-cell").stream()
        .filter(n -> n instanceof ListCell<?> c && !c.isEmpty() && c.isVisible())
        .mapToDouble(n -> n.getLayoutBounds().getHeight())
        .filter(h -> h > 0)
        .summaryStatistics();
  }
}
