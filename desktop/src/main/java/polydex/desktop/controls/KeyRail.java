package polydex.desktop.controls;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import polydex.desktop.keys.KeyCommand;
import polydex.keys.Gesture;

/**
 * The keys that matter most here and now, along the bottom: one line of always the same height.
 * What has no room is left out whole, the last first; how to see all keys stands at the end and is
 * never left out.
 */
public final class KeyRail extends Pane {
  /** More than so many nobody reads. */
  private static final int MOST = 6;

  private static final double BETWEEN = 18;

  private final List<Node> entries = new ArrayList<>();
  private final List<Node> ends = new ArrayList<>();

  /** An empty rail. */
  public KeyRail() {
    getStyleClass().add("key-rail");
    setMinWidth(0);
  }

  /**
   * Shows the commands that want to be shown.
   *
   * @param commands the one that matters most first
   * @param always what stands at the end
   */
  public void show(List<KeyCommand> commands, List<KeyCommand> always) {
    draw(
        commands.stream()
            .filter(c -> c.onRail() && !c.gestures().isEmpty())
            .limit(MOST)
            .<Node>map(c -> entry(c.gestures().getFirst(), c.title()))
            .toList(),
        always.stream()
            .filter(c -> !c.gestures().isEmpty())
            .<Node>map(c -> entry(c.gestures().getFirst(), c.title()))
            .toList());
  }

  /** Shows only how to leave: every other key belongs to the answer. */
  public void showCapture(String leave) {
    HBox entry =
        new HBox(
            Texts.styled(worded("controls.every-key-counts-now"), "rail-words"),
            Texts.styled(worded("controls.to-hold", leave), "rail-words"),
            GestureView.cap("Esc"),
            Texts.styled(worded("controls.for-a-second"), "rail-words"));
    entry.getStyleClass().add("rail-entry");
    entry.setAlignment(Pos.CENTER_LEFT);
    draw(List.of(entry), List.of());
  }

  private void draw(List<Node> shown, List<Node> atTheEnd) {
    entries.clear();
    entries.addAll(shown);
    ends.clear();
    ends.addAll(atTheEnd);
    getChildren().setAll(entries);
    getChildren().addAll(ends);
  }

  private static HBox entry(Gesture gesture, String title) {
    HBox entry = new HBox(new GestureView(gesture, Map.of()), Texts.styled(title, "rail-words"));
    entry.getStyleClass().add("rail-entry");
    entry.setAlignment(Pos.CENTER_LEFT);
    return entry;
  }

  @Override
  protected void layoutChildren() {
    Insets in = getInsets();
    double height = getHeight() - in.getTop() - in.getBottom();
    double right = getWidth() - in.getRight();
    for (Node end : ends.reversed()) {
      double width = snapSizeX(end.prefWidth(-1));
      end.resizeRelocate(right - width, in.getTop(), width, height);
      right -= width + BETWEEN;
    }
    double left = in.getLeft();
    boolean room = true;
    for (Node entry : entries) {
      double width = snapSizeX(entry.prefWidth(-1));
      room = room && left + width <= right;
      entry.setVisible(room);
      if (room) {
        entry.resizeRelocate(left, in.getTop(), width, height);
        left += width + BETWEEN;
      }
    }
  }

  @Override
  protected double computePrefHeight(double width) {
    double highest = 0;
    for (Node child : getChildren()) {
      highest = Math.max(highest, child.prefHeight(-1));
    }
    return getInsets().getTop() + snapSizeY(highest) + getInsets().getBottom();
  }

  @Override
  protected double computeMinHeight(double width) {
    return computePrefHeight(width);
  }

  /** It takes the width that there is. */
  @Override
  protected double computePrefWidth(double height) {
    return 0;
  }
}
