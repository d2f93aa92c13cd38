package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.function.Predicate;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.testfx.api.FxRobot;
import org.testfx.util.WaitForAsyncUtils;
import polydex.keys.Gesture;
import polydex.keys.KeyRef;
import polydex.keys.Modifier;
import polydex.keys.Step;

/** A person at the keyboard: presses keys in the real window, and reads what it shows. */
final class Driver {
  private static final Duration PATIENCE = Duration.ofSeconds(60);
  private static final Map<String, KeyCode> CODES =
      Map.ofEntries(
          Map.entry("Left", KeyCode.LEFT),
          Map.entry("Right", KeyCode.RIGHT),
          Map.entry("Up", KeyCode.UP),
          Map.entry("Down", KeyCode.DOWN),
          Map.entry("Esc", KeyCode.ESCAPE),
          Map.entry("PageUp", KeyCode.PAGE_UP),
          Map.entry("PageDown", KeyCode.PAGE_DOWN),
          Map.entry("Backspace", KeyCode.BACK_SPACE),
          Map.entry("Space", KeyCode.SPACE),
          Map.entry("/", KeyCode.SLASH),
          Map.entry("[", KeyCode.OPEN_BRACKET),
          Map.entry("]", KeyCode.CLOSE_BRACKET),
          Map.entry("=", KeyCode.EQUALS),
          Map.entry("-", KeyCode.MINUS),
          Map.entry(",", KeyCode.COMMA),
          Map.entry(".", KeyCode.PERIOD),
          Map.entry(";", KeyCode.SEMICOLON),
          Map.entry("`", KeyCode.BACK_QUOTE));

  private final FxRobot robot;
  private final Stage stage;

  Driver(FxRobot robot, Stage stage) {
    this.robot = robot;
    this.stage = stage;
  }

  /** A clock that a test moves on. */
  static final class TestClock extends Clock {
    private volatile Instant now;

    TestClock(Instant now) {
      this.now = now;
    }

    void pass(Duration time) {
      now = now.plus(time);
    }

    @Override
    public Instant instant() {
      return now;
    }

    @Override
    public ZoneId getZone() {
      return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
      return this;
    }
  }

  /** Presses a gesture of strokes, written as the program writes it. */
  void keys(String gesture) {
    for (KeyCode[] stroke : codes(Gesture.parse(gesture)).orElseThrow()) {
      robot.press(stroke);
      robot.release(stroke);
    }
    settle();
  }

  /** The key codes of a gesture, if the robot can press it: it has no Meta and no taps. */
  static Optional<List<KeyCode[]>> codes(Gesture gesture) {
    List<KeyCode[]> all = new ArrayList<>();
    for (Step step : gesture.steps()) {
      if (!(step instanceof Step.Stroke s)
          || s.held().modifiers().has(Modifier.META)
          || s.held().modifiers().has(Modifier.ALTGR)) {
        return Optional.empty();
      }
      List<KeyCode> codes = new ArrayList<>();
      for (Modifier m : s.held().modifiers().list()) {
        codes.add(
            switch (m) {
              case CTRL -> KeyCode.CONTROL;
              case SHIFT -> KeyCode.SHIFT;
              case ALT -> KeyCode.ALT;
              case META, ALTGR, HYPER, FN -> throw new IllegalStateException();
            });
      }
      Optional<KeyCode> key = code(s.key());
      if (key.isEmpty()) {
        return Optional.empty();
      }
      codes.add(key.get());
      all.add(codes.toArray(new KeyCode[0]));
    }
    return Optional.of(all);
  }

  private static Optional<KeyCode> code(KeyRef key) {
    String name = key.toString();
    if (CODES.containsKey(name)) {
      return Optional.of(CODES.get(name));
    }
    if (name.matches("[0-9]")) {
      return Optional.of(KeyCode.valueOf("DIGIT" + name));
    }
    try {
      return Optional.of(KeyCode.valueOf(name.toUpperCase(Locale.ROOT)));
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  /** Types words into whatever has the focus. */
  void type(String text) {
    robot.write(text, 5);
    settle();
  }

  /** Holds Esc until it is so: however slow the machine is, it is held long enough. */
  void holdEscUntil(String what, Callable<Boolean> condition) {
    robot.press(KeyCode.ESCAPE);
    try {
      until(what, condition);
    } finally {
      robot.release(KeyCode.ESCAPE);
      settle();
    }
  }

  static void settle() {
    WaitForAsyncUtils.waitForFxEvents();
  }

  /** Waits until it is so. */
  void until(String what, Callable<Boolean> condition) {
    Instant end = Instant.now().plus(PATIENCE);
    try {
      while (!WaitForAsyncUtils.asyncFx(condition).get()) {
        assertThat(Instant.now()).as("still waiting: %s; shown: %s", what, shown()).isBefore(end);
        WaitForAsyncUtils.sleep(20, TimeUnit.MILLISECONDS);
      }
    } catch (InterruptedException | ExecutionException e) {
      throw new IllegalStateException(what, e);
    }
  }

  /** Every text that can be read in the window. */
  List<String> shown() {
    List<String> texts = new ArrayList<>();
    for (Node node : stage.getScene().getRoot().lookupAll("*")) {
      if (node instanceof Labeled l && l.getText() != null && isShown(node)) {
        texts.add(l.getText());
      }
    }
    return texts;
  }

  static boolean isShown(Node node) {
    for (Node n = node; n != null; n = n.getParent()) {
      if (!n.isVisible()) {
        return false;
      }
    }
    return node.getScene() != null;
  }

  void untilShown(String text) {
    until("“" + text + "”", () -> shown().stream().anyMatch(t -> t.contains(text)));
  }

  void untilGone(String text) {
    until("no “" + text + "”", () -> shown().stream().noneMatch(t -> t.contains(text)));
  }

  /** The first text of a style. */
  Optional<String> text(String style) {
    return stage.getScene().getRoot().lookupAll("." + style).stream()
        .filter(n -> n instanceof Label && isShown(n))
        .map(n -> ((Label) n).getText())
        .findFirst();
  }

  /** The words on the keycaps below the first node of a style. */
  List<String> caps(String style) {
    Node node = stage.getScene().getRoot().lookup("." + style);
    return node == null
        ? List.of()
        : node.lookupAll(".keycap").stream().map(n -> ((Label) n).getText()).toList();
  }

  @SuppressWarnings("unchecked")
  <T> ListView<T> list(String name) {
    return (ListView<T>)
        stage.getScene().getRoot().lookupAll(".list-view").stream()
            .filter(n -> name.equals(n.getAccessibleText()))
            .findFirst()
            .orElseThrow();
  }

  Node focus() {
    return stage.getScene().getFocusOwner();
  }

  boolean focusIs(Predicate<Node> test) {
    return focus() != null && test.test(focus());
  }
}
