package polydex.files.demo;

import static polydex.files.language.FilesWords.worded;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.locks.Condition;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Consumer;
import polydex.files.demo.DemoDay.Stint;
import polydex.files.demo.DemoDay.Timed;
import polydex.log.LogLine;
import polydex.log.Recorder;
import polydex.route.SetupId;
import polydex.workspace.Workspace;

/**
 * Stands in for a device: plays a working day in the setups of a workspace, the same for the same
 * seed, at a chosen speed, so that live recording can be seen and tested. It hands on what is typed
 * just as a real one would.
 */
public final class SimulatedRecorder implements Recorder {
  /** How many uses its day has. */
  private static final int USES = 500;

  private static final int STINT_SECONDS = 90 * 60;
  private static final double BY_KEYS = 0.6;

  private final List<Timed> day;
  private final Clock clock;
  private final double speed;
  private final ReentrantLock lock = new ReentrantLock();
  private final Condition changed = lock.newCondition();
  private boolean paused;
  private boolean closed;

  /**
   * A day, ready to be played.
   *
   * @param clock says when things happen
   * @param speed how many seconds of the day go by in one, more than 0
   */
  public SimulatedRecorder(Workspace workspace, Clock clock, double speed, long seed) {
    this.clock = clock;
    this.speed = speed;
    Random random = new Random(seed);
    List<Stint> stints = new ArrayList<>();
    int count = workspace.setups().size();
    for (SetupId setup : workspace.setups().keySet()) {
      int from = stints.size() * STINT_SECONDS;
      stints.add(new Stint(setup, from, from + STINT_SECONDS - 600, 1.0 / count));
    }
    day =
        new DemoDay(DemoTasks.of(workspace, random), stints, random)
            .lines(Instant.EPOCH, USES, t -> t.gesture().isPresent() ? BY_KEYS : 0);
  }

  @Override
  public String title() {
    return worded("demo.a-simulated-day");
  }

  @Override
  public void start(Consumer<LogLine> to) {
    Thread.ofVirtual().name("simulated recorder").start(() -> play(to));
  }

  private void play(Consumer<LogLine> to) {
    long before = 0;
    for (Timed next : day) {
      if (!waited((next.millis() - before) / speed)) {
        return;
      }
      before = next.millis();
      to.accept(at(clock.instant(), next.line()));
    }
  }

  private static LogLine at(Instant now, LogLine line) {
    return new LogLine(
        now.toString(),
        line.application(),
        line.device(),
        line.input(),
        line.target(),
        line.path(),
        line.distance(),
        line.width(),
        line.duration(),
        line.machine());
  }

  /** Waits so long, pauses not counted; whether to go on. */
  private boolean waited(double millis) {
    lock.lock();
    try {
      long nanos = (long) (millis * 1e6);
      while (!closed && (paused || nanos > 0)) {
        if (paused) {
          changed.await();
        } else {
          nanos = changed.awaitNanos(nanos);
        }
      }
      return !closed;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    } finally {
      lock.unlock();
    }
  }

  @Override
  public void pause() {
    set(() -> paused = true);
  }

  @Override
  public void resume() {
    set(() -> paused = false);
  }

  @Override
  public void close() {
    set(() -> closed = true);
  }

  private void set(Runnable change) {
    lock.lock();
    try {
      change.run();
      changed.signalAll();
    } finally {
      lock.unlock();
    }
  }
}
