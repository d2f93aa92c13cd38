package polydex.bench.window;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;
import javafx.util.Duration;
import polydex.desktop.Shell;

/**
 * Measures in a real window how long a drill's feedback takes from the event of the last key: until
 * the pulse that laid it out has ended, and until the next pulse begins, when it has been painted
 * for certain.
 */
final class Latency {
  private static final int ANSWERS = 200;
  private static final int WARM_UP = 30;

  /** After so long an answer is painted for certain. */
  private static final Duration PAINTED = Duration.millis(120);

  private static final double FRAME_MILLIS = 1000 / 60.0;

  private final Stage stage;
  private final Shell shell;
  private final Fingers fingers = new Fingers();
  private final List<Double> laidOut = new ArrayList<>();
  private final List<Double> painted = new ArrayList<>();
  private long keyAt;
  private boolean waitsForLayout;
  private boolean waitsForPulse;
  private int answered;

  Latency(Stage stage, Shell shell) {
    this.stage = stage;
    this.shell = shell;
  }

  void measure() {
    Scene scene = shell.scene(1280, 800);
    scene.addEventFilter(
        KeyEvent.KEY_PRESSED,
        event -> {
          if (event.getCode() == KeyCode.F9) {
            keyAt = System.nanoTime();
            waitsForLayout = true;
          }
        });
    scene.addPostLayoutPulseListener(
        () -> {
          if (waitsForLayout && scene.getRoot().lookup(".wrong") != null) {
            waitsForLayout = false;
            waitsForPulse = true;
            note(laidOut);
          }
        });
    new AnimationTimer() {
      @Override
      public void handle(long now) {
        if (waitsForPulse) {
          waitsForPulse = false;
          note(painted);
        }
      }
    }.start();
    stage.setScene(scene);
    stage.show();
    Fingers.after(
        Duration.seconds(3),
        () -> fingers.press("ALT+D", () -> fingers.press("ENTER", this::answer)));
  }

  private void note(List<Double> to) {
    if (answered >= WARM_UP) {
      to.add((System.nanoTime() - keyAt) / 1e6);
    }
  }

  /** A wrong answer to every prompt; what asks for words is given the first of its choices. */
  private void answer() {
    if (answered == ANSWERS + WARM_UP) {
      print("key to laid out", laidOut);
      print("key to painted", painted);
      fingers.press(
          "ESCAPE",
          () ->
              new LiveLatency(
                      stage.getScene(),
                      shell,
                      shell.session(),
                      () -> {
                        stage.close();
                        Platform.exit();
                      })
                  .measure());
      return;
    }
    Parent root = stage.getScene().getRoot();
    if (root.lookup(".prompt") == null) {
      // The drill is over: what is still worth asking, or slow, is another.
      fingers.press("F5", () -> Fingers.after(Duration.millis(300), this::answer));
      return;
    }
    boolean words = root.lookup(".five-rows") != null;
    answered++;
    // Not always after the same time, or every key would fall on the same part of a frame.
    Fingers.after(
        Duration.millis(200 + answered * 7 % 17),
        () ->
            fingers.press(
                words ? "DIGIT1" : "CONTROL+F9", () -> Fingers.after(PAINTED, this::goOn)));
  }

  /** What is to be pressed right is passed over by holding Space. */
  private void goOn() {
    boolean repeats = stage.getScene().getRoot().lookup(".board-key-wanted") != null;
    fingers.press(
        repeats ? "HOLD SPACE" : "ENTER", () -> Fingers.after(Duration.millis(50), this::answer));
  }

  private static void print(String what, List<Double> millis) {
    Collections.sort(millis);
    double median = millis.get(millis.size() / 2);
    double most = millis.get(millis.size() * 99 / 100);
    System.out.printf(
        "%s: %d answers, median %.1f ms, 99th percentile %.1f ms (%.2f frames)%n",
        what, millis.size(), median, most, most / FRAME_MILLIS);
  }
}
