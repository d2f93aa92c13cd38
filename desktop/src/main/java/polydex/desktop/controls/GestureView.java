package polydex.desktop.controls;

import java.util.Iterator;
import java.util.List;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import polydex.keys.CapMark;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Modifier;
import polydex.keys.Step;

/**
 * A gesture as keycaps. Caps of one stroke stand side by side, steps are joined by an arrow, a hold
 * is a bracket under its inner steps, text stands in a cap with a caret, a pointer step as a ring.
 */
public final class GestureView extends HBox {

  /**
   * Caps for a gesture.
   *
   * @param names the words of the environment for modifiers
   */
  public GestureView(Gesture gesture, Map<Modifier, String> names) {
    getStyleClass().add("gesture");
    setAlignment(Pos.CENTER_LEFT);
    setMinWidth(USE_PREF_SIZE);
    setAccessibleText(gesture.toString());
    draw(this, CapMark.of(gesture, names).iterator());
  }

  /** Caps for a single step. */
  public static GestureView of(Step step, Map<Modifier, String> names) {
    return new GestureView(Gesture.of(step), names);
  }

  /**
   * A sentence in which gestures stand as caps, flowing word by word.
   *
   * @param gestures those in the text, in order, as they are written
   * @param width about how wide it will be, in pixels, so that a row knows its height
   */
  public static Region within(String text, List<Gesture> gestures, double width) {
    FlowPane flow = new FlowPane(5, 4);
    flow.setPrefWrapLength(width);
    flow.setMinWidth(0);
    flow.setAlignment(Pos.CENTER_LEFT);
    String rest = text;
    for (Gesture gesture : gestures) {
      int at = rest.indexOf(gesture.toString());
      if (at >= 0) {
        words(flow, rest.substring(0, at));
        flow.getChildren().add(new GestureView(gesture, Map.of()));
        rest = rest.substring(at + gesture.toString().length());
      }
    }
    words(flow, rest);
    flow.setAccessibleText(text);
    return flow;
  }

  private static void words(FlowPane flow, String text) {
    for (String word : text.strip().split(" +")) {
      if (!word.isEmpty()) {
        flow.getChildren().add(Texts.styled(word, "words"));
      }
    }
  }

  /** An empty cap: nothing pressed yet. */
  public static Node emptyCap() {
    return cap("\u2002", "empty-cap");
  }

  /** A cap with any words on it. */
  public static Node cap(String text, String... styles) {
    Label cap = new Label(text);
    cap.getStyleClass().add("keycap");
    cap.getStyleClass().addAll(styles);
    cap.setMinWidth(Region.USE_PREF_SIZE);
    return cap;
  }

  /** The caps of what is held. */
  public static HBox held(Held held, Map<Modifier, String> names) {
    HBox caps = new HBox();
    caps.getStyleClass().add("stroke");
    caps.setAlignment(Pos.CENTER_LEFT);
    CapMark.of(held, names).forEach(mark -> caps.getChildren().add(mark(mark)));
    return caps;
  }

  /** Draws marks up to the end of the hold that they stand in: strokes with arrows between. */
  private static void draw(HBox gesture, Iterator<CapMark> marks) {
    HBox stroke = stroke(gesture);
    while (marks.hasNext()) {
      switch (marks.next()) {
        case CapMark.Next _ -> {
          gesture.getChildren().add(arrow());
          stroke = stroke(gesture);
        }
        case CapMark.Opens _ -> {
          HBox inner = new HBox();
          inner.getStyleClass().addAll("gesture", "hold");
          inner.setAlignment(Pos.CENTER_LEFT);
          stroke.getChildren().add(inner);
          draw(inner, marks);
        }
        case CapMark.Closes _ -> {
          return;
        }
        case CapMark.Pointer(String act) -> {
          Region ring = new Region();
          ring.getStyleClass().add("pointer-ring");
          stroke.getChildren().addAll(new StackPane(ring), note(act));
        }
        case CapMark mark -> stroke.getChildren().add(mark(mark));
      }
    }
  }

  private static HBox stroke(HBox gesture) {
    HBox stroke = new HBox();
    stroke.getStyleClass().add("stroke");
    stroke.setAlignment(Pos.CENTER_LEFT);
    gesture.getChildren().add(stroke);
    return stroke;
  }

  private static Node mark(CapMark mark) {
    return switch (mark) {
      case CapMark.Cap(String text, CapMark.Sort sort) ->
          switch (sort) {
            case KEY -> cap(text);
            case HELD -> cap(text, "modifier-cap");
            case TAPPED -> cap(text, "modifier-cap", "tapped-cap");
            case TYPED -> cap(text + "\u2502", "text-cap");
          };
      case CapMark.Times(int count) -> note("\u00d7" + count);
      default -> throw new IllegalArgumentException("no mark of its own: " + mark);
    };
  }

  private static Label note(String text) {
    return Texts.styled(text, "gesture-note");
  }

  private static Node arrow() {
    Region arrow = new Region();
    arrow.getStyleClass().add("step-arrow");
    StackPane box = new StackPane(arrow);
    box.getStyleClass().add("step-arrow-box");
    return box;
  }
}
