package polydex.desktop.state;

import static polydex.desktop.language.DesktopWords.worded;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import polydex.files.recorder.RecordingMark;
import polydex.files.recorder.ScreenSign;
import polydex.files.recorder.SessionRecorder;
import polydex.files.reminder.AtRest;
import polydex.log.LogEvent;
import polydex.log.LogIntake;
import polydex.log.LogLine;
import polydex.log.Recorder;
import polydex.person.Knowledge;
import polydex.workspace.Change;

/**
 * A recorder at work: only since the person said so, shown all the time, and paused with one key.
 * What it hands on goes through the one door of the log, and comes to the interface thread in
 * bundles, at most one waiting. On the interface thread, but for the recorder's own.
 */
public final class Recording {
  /** How many of the last events can be looked at. */
  private static final int LAST = 200;

  /** Whether and how a recorder is at work. */
  public enum State {
    OFF,
    RECORDING,
    PAUSED,
    /** What was done last is still being told. */
    ENDING
  }

  /** A recorder, and the number under which its events come in. */
  private record Running(Recorder recorder, long batch, String title, Optional<AtRest> atRest) {}

  private final Session session;
  private final ReadOnlyObjectWrapper<State> state = new ReadOnlyObjectWrapper<>(State.OFF);
  private final ConcurrentLinkedQueue<LogEvent> waiting = new ConcurrentLinkedQueue<>();
  private final AtomicBoolean told = new AtomicBoolean();
  private final Deque<LogEvent> last = new ArrayDeque<>();
  private Optional<Running> running = Optional.empty();
  private Optional<ScreenSign> sign = Optional.empty();
  private Optional<String> keys = Optional.empty();
  private volatile boolean inFront;

  /** What was done from then on is not kept. */
  private volatile Instant until = Instant.MIN;

  private long count;

  /** None yet; of one that nobody ended it is said that it was cut. */
  public Recording(Session session) {
    this.session = session;
    String mark = session.setting(RecordingMark.SETTING).orElse("");
    if (!mark.isEmpty()) {
      session.setting(RecordingMark.SETTING, RecordingMark.ended());
      session.newest(
          newest -> RecordingMark.cut(mark, newest, session.zone()).ifPresent(session::say));
    }
  }

  /** Whether and how a recorder is at work. */
  public ReadOnlyObjectProperty<State> state() {
    return state.getReadOnlyProperty();
  }

  /** What it records: "a simulated day"; nothing while there is none. */
  public String title() {
    return running.map(Running::title).orElse("");
  }

  /** How many events it has handed on. */
  public long count() {
    return count;
  }

  /** The last events, the newest first. */
  public List<LogEvent> last() {
    return List.copyOf(last);
  }

  /** Begins; what was at work before is stopped. */
  public void start(Recorder recorder) {
    start(recorder, Optional.empty(), Optional.empty());
  }

  /**
   * Begins, with a sign on the screen that stays while another window is in front.
   *
   * @param pause the keys that pause it there
   * @param atRest says something when the hands rest; ends with the recording
   */
  public void start(Recorder recorder, String pause, Optional<AtRest> atRest) {
    start(recorder, Optional.of(pause), atRest);
  }

  private void start(Recorder recorder, Optional<String> pause, Optional<AtRest> atRest) {
    stop();
    session.setting(RecordingMark.SETTING, RecordingMark.begun(session.now()));
    keys = pause;
    sign = pause.flatMap(p -> ScreenSign.show(signed(p, true)));
    inFront(inFront);
    String title = worded("state.record", recorder.title());
    running = Optional.of(new Running(recorder, session.newBatch(title), recorder.title(), atRest));
    count = 0;
    last.clear();
    until = Instant.MAX;
    LogIntake intake =
        new LogIntake(
            session.zone(), session.now(), Knowledge.recogniser(session.workspace().get()));
    recorder.start(line -> take(intake, line, atRest));
    state.set(State.RECORDING);
    session.say(worded("state.recording-pause-pauses-it", recorder.title()));
  }

  private static String signed(String pause, boolean recording) {
    return recording
        ? worded("state.polydex-is-recording-pauses", pause)
        : worded("state.polydex-is-paused-goes-on", pause);
  }

  /** Whether the window is in front, which shows by itself that something is recorded. */
  public void inFront(boolean isInFront) {
    inFront = isInFront;
    sign.ifPresent(s -> s.hidden(isInFront));
  }

  /** Whether it is; may be asked on any thread. */
  public boolean isInFront() {
    return inFront;
  }

  private void sign(boolean recording) {
    sign.ifPresent(s -> keys.ifPresent(k -> s.say(signed(k, recording), recording)));
  }

  /** On the recorder's thread. What is done while it is paused is dropped, whoever sends it. */
  private void take(LogIntake intake, LogLine line, Optional<AtRest> atRest) {
    if (intake.take(line) instanceof LogIntake.Event(LogEvent event)
        && event.at().isBefore(until)) {
      atRest.ifPresent(r -> r.did(event.deed()));
      waiting.add(event);
      if (told.compareAndSet(false, true)) {
        Platform.runLater(this::arrive);
      }
    }
  }

  private void arrive() {
    told.set(false);
    List<LogEvent> events = new ArrayList<>();
    for (LogEvent e = waiting.poll(); e != null; e = waiting.poll()) {
      // A recorder that says the same twice is heard once.
      if (last.stream().limit(16).noneMatch(e::equals)) {
        events.add(e);
        last.addFirst(e);
      }
    }
    while (last.size() > LAST) {
      last.removeLast();
    }
    if (!events.isEmpty() && running.isPresent()) {
      count += events.size();
      session.arrived(events, running.get().batch());
    }
  }

  /** Keys answer what the program asks, and are not noted, or they do so no longer. */
  public void answering(boolean now) {
    running
        .map(Running::recorder)
        .filter(SessionRecorder.class::isInstance)
        .ifPresent(r -> ((SessionRecorder) r).answering(now));
  }

  /** Pauses, or goes on. */
  public void pauseOrGoOn() {
    if (running.isEmpty()) {
      session.say(worded("state.nothing-is-being-recorded-under-mouse"));
      return;
    }
    if (state.get() == State.ENDING) {
      return;
    }
    if (state.get() == State.RECORDING) {
      running.get().recorder().pause();
      paused();
    } else {
      running.get().recorder().resume();
      goesOn();
    }
  }

  /** A recorder has paused or gone on by itself, since the keys for that were pressed anywhere. */
  public void pausedByHand(Recorder recorder, boolean paused) {
    if (running.filter(r -> r.recorder() == recorder).isPresent() && state.get() != State.ENDING) {
      if (paused) {
        paused();
      } else {
        goesOn();
      }
    }
  }

  private void paused() {
    until = session.now();
    state.set(State.PAUSED);
    sign(false);
    session.say(worded("state.the-recording-is-paused-nothing-is"));
  }

  private void goesOn() {
    until = Instant.MAX;
    state.set(State.RECORDING);
    sign(true);
    session.say(worded("state.recording-again-pause-pauses"));
  }

  /** Ends one if it is still at work, as {@link #end} does. */
  public void end(Recorder recorder) {
    if (running.filter(r -> r.recorder() == recorder).isPresent()) {
      end();
    }
  }

  /**
   * Ends it beside the window, since what was done last is only known after a moment; what was
   * recorded can be taken back as one.
   */
  public void end() {
    if (running.isEmpty() || state.get() == State.ENDING) {
      return;
    }
    Running ending = running.get();
    if (state.get() == State.RECORDING) {
      until = session.now();
    }
    state.set(State.ENDING);
    session.say(worded("state.ending-the-recording"));
    Thread.ofVirtual()
        .start(
            () -> {
              close(ending);
              Platform.runLater(() -> running.filter(ending::equals).ifPresent(_ -> ended(ending)));
            });
  }

  /** The same at once. */
  public void stop() {
    running.ifPresent(
        r -> {
          until = session.now();
          close(r);
          ended(r);
        });
  }

  private static void close(Running ending) {
    ending.atRest().ifPresent(AtRest::close);
    ending.recorder().close();
  }

  private void ended(Running r) {
    arrive();
    sign.ifPresent(ScreenSign::close);
    sign = Optional.empty();
    session.setting(RecordingMark.SETTING, RecordingMark.ended());
    running = Optional.empty();
    state.set(State.OFF);
    String title = worded("state.record-events", r.title(), count);
    if (count > 0) {
      session.made(new Change.Batch(title, r.batch()));
    } else {
      session.say(worded("state.the-recording-has-ended-nothing-came"));
    }
  }
}
