package polydex.desktop.drill;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.function.Consumer;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.StackPane;
import polydex.desktop.controls.Texts;
import polydex.keys.PointerAct;

/** The marked field in which a pointer step is done, with whatever modifiers are held. */
final class PointerField extends StackPane {
  private static final long WHEEL_REST_NANOS = 300_000_000;

  private final Consumer<PointerAct> to;
  private final boolean waitsForDouble;
  private boolean dragged;
  private long lastWheel;

  /**
   * A field.
   *
   * @param waitsForDouble whether a single click may be the first half of a double one
   */
  PointerField(Consumer<PointerAct> to, boolean waitsForDouble) {
    this.to = to;
    this.waitsForDouble = waitsForDouble;
    getStyleClass().add("pointer-field");
    setMaxSize(320, 110);
    setMinSize(320, 110);
    getChildren().add(Texts.quiet(worded("drill.here-with-the-pointer")));
    setOnMousePressed(_ -> dragged = false);
    setOnDragDetected(_ -> dragged = true);
    setOnMouseReleased(
        _ -> {
          if (dragged) {
            to.accept(PointerAct.DRAG);
          }
        });
    setOnMouseClicked(this::clicked);
    setOnScroll(
        event -> {
          long now = System.nanoTime();
          if (event.getDeltaY() != 0 && now - lastWheel > WHEEL_REST_NANOS) {
            lastWheel = now;
            to.accept(PointerAct.WHEEL);
          }
        });
  }

  private void clicked(MouseEvent event) {
    if (dragged) {
      return;
    }
    if (event.getButton() == MouseButton.SECONDARY) {
      to.accept(PointerAct.RIGHT_CLICK);
    } else if (event.getButton() == MouseButton.MIDDLE) {
      to.accept(PointerAct.MIDDLE_CLICK);
    } else if (event.getClickCount() == 2) {
      to.accept(PointerAct.DOUBLE_CLICK);
    } else if (event.getClickCount() == 1 && !waitsForDouble) {
      to.accept(PointerAct.CLICK);
    }
  }
}
