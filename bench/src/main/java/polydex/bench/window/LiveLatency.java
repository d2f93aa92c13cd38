package polydex.bench.window;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.locks.LockSupport;
import java.util.function.Consumer;
import javafx.animation.AnimationTimer;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.input.KeyEvent;
import javafx.util.Duration;
import polydex.desktop.Shell;
import polydex.desktop.state.Session;
import polydex.log.LogLine;
import polydex.log.Recorder;

/**
 * Measures how long a recorded event takes until it has been painted in the list of what was
 * recorded, at 200 events a second, while keys are pressed; and how long those keys take then.
 */
final class LiveLatency {
  private static final int EVENTS_A_SECOND = 200;
  private static final int EVENTS = 4000;
  private static final int WARM_UP = 400;
  private static final int KEYS = 60;

  private final Scene scene;
  private final Shell shell;
  private final Session session;
  private final Runnable then;
  private final Fingers fingers = new Fingers();
  private final long[] handedOn = new long[EVENTS];
  private final List<Double> events = new ArrayList<>();
  private final List<Double> keys = new ArrayList<>();
  private long shown;
  private long keyAt;
  private int pressed;

  LiveLatency(Scene scene, Shell shell, Session session, Runnable then) {
    this.scene = scene;
    this.shell = shell;
    this.session = session;
    this.then = then;
  }

  void measure() {
    shell.go('M');
    // The view asks what to record; it is told below.
    fingers.press(
        "F9",
        () -> fingers.press("ESCAPE", () -> Fingers.after(Duration.seconds(2), this::follow)));
  }

  private void follow() {
    shell.recording().start(new Steady());
    scene.addEventFilter(KeyEvent.KEY_PRESSED, _ -> keyAt = System.nanoTime());
    // A pulse begins when the one before has been painted: what was in the list then is seen.
    new AnimationTimer() {
      private long before;

      @Override
      public void handle(long now) {
        long time = System.nanoTime();
        for (; shown < before; shown++) {
          if (shown >= WARM_UP) {
            events.add((time - handedOn[(int) shown]) / 1e6);
          }
        }
        before = Math.min(EVENTS, listed(scene));
        if (keyAt != 0) {
          keys.add((time - keyAt) / 1e6);
          keyAt = 0;
        }
        if (shown >= EVENTS) {
          stop();
          print("live event to painted, %d a second".formatted(EVENTS_A_SECOND), events);
          print("key to the next pulse meanwhile", keys);
          then.run();
        }
      }
    }.start();
    press();
  }

  /** How many events the view says that it shows. */
  private static long listed(Scene scene) {
    return scene.getRoot().lookupAll(".live-summary").stream()
        .map(n -> ((Label) n).getText().replaceAll("[^0-9:]", "").replaceAll("^[^:]*:", ""))
        .filter(t -> !t.isEmpty())
        .mapToLong(Long::parseLong)
        .findFirst()
        .orElse(0);
  }

  private void press() {
    if (pressed++ < KEYS) {
      fingers.press("DOWN", () -> Fingers.after(Duration.millis(150), this::press));
    }
  }

  private static void print(String what, List<Double> millis) {
    Collections.sort(millis);
    System.out.printf(
        "%s: %,d, median %.1f ms, 99th percentile %.1f ms, slowest %.1f ms%n",
        what,
        millis.size(),
        millis.get(millis.size() / 2),
        millis.get(millis.size() * 99 / 100),
        millis.getLast());
  }

  /** Hands on an event every five milliseconds, each with its own moment. */
  private final class Steady implements Recorder {
    private volatile boolean closed;

    @Override
    public String title() {
      return "200 events a second";
    }

    @Override
    public void start(Consumer<LogLine> to) {
      Thread.ofPlatform()
          .daemon()
          .start(
              () -> {
                Instant begin = session.now();
                long start = System.nanoTime();
                for (int i = 0; i < EVENTS && !closed; i++) {
                  long due = start + i * (1_000_000_000L / EVENTS_A_SECOND);
                  while (System.nanoTime() < due) {
                    LockSupport.parkNanos(due - System.nanoTime());
                  }
                  handedOn[i] = System.nanoTime();
                  to.accept(line(begin.plusMillis(5L * i), i));
                }
              });
    }

    private static LogLine line(Instant at, int i) {
      return new LogLine(
          at.toString(),
          "Cue editor",
          "trackpad",
          "Click",
          i % 3 == 0 ? "Save" : "Find",
          i % 3 == 0 ? "File" : "Edit",
          "300",
          "30",
          "2.5",
          "Laptop");
    }

    @Override
    public void pause() {}

    @Override
    public void resume() {}

    @Override
    public void close() {
      closed = true;
    }
  }
}
