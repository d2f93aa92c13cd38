package polydex.desktop.controls;

import java.util.List;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.KeyRef;
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
    boolean first = true;
    for (Step step : gesture.steps()) {
      if (!first) {
        getChildren().add(arrow());
      }
      getChildren().add(step(step, names));
      first = false;
    }
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
    held.modifiers().words(names).forEach(w -> caps.getChildren().add(cap(w, "modifier-cap")));
    held.keys()
        .forEach(k -> caps.getChildren().add(cap(k.keyName().orElse(k.name()), "modifier-cap")));
    return caps;
  }

  private static Node step(Step step, Map<Modifier, String> names) {
    return switch (step) {
      case Step.Stroke s -> {
        HBox caps = held(s.held(), names);
        caps.getChildren().add(cap(label(s.key())));
        yield caps;
      }
      case Step.Tap t -> {
        HBox caps = held(Held.of(t.modifiers()), names);
        caps.getChildren().forEach(c -> c.getStyleClass().add("tapped-cap"));
        if (t.times() > 1) {
          Label times = new Label("\u00d7" + t.times());
          times.getStyleClass().add("gesture-note");
          caps.getChildren().add(times);
        }
        yield caps;
      }
      case Step.Hold h -> {
        HBox caps = held(h.held(), names);
        HBox inner = new GestureView(new Gesture(h.inner()), names);
        inner.getStyleClass().add("hold");
        caps.getChildren().add(inner);
        yield caps;
      }
      case Step.Text t -> cap(t.text() + "\u2502", "text-cap");
      case Step.Pointing p -> {
        HBox caps = held(p.held(), names);
        Region ring = new Region();
        ring.getStyleClass().add("pointer-ring");
        Label act = new Label(p.act().written());
        act.getStyleClass().add("gesture-note");
        caps.getChildren().addAll(new StackPane(ring), act);
        yield caps;
      }
    };
  }

  private static String label(KeyRef key) {
    return switch (key) {
      case KeyRef.Typed t -> {
        String shown = t.toString();
        yield shown.length() == 3 && shown.startsWith("'") ? shown.substring(1, 2) : shown;
      }
      case KeyRef.Placed p -> KeyLegends.onCap(p);
      case KeyRef.AnyOf any -> any.written().replace("..", "\u2013");
    };
  }

  private static Node arrow() {
    Region arrow = new Region();
    arrow.getStyleClass().add("step-arrow");
    StackPane box = new StackPane(arrow);
    box.getStyleClass().add("step-arrow-box");
    return box;
  }
}
