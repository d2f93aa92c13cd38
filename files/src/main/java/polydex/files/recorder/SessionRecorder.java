package polydex.files.recorder;

import static polydex.files.language.FilesWords.worded;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.files.FileProblem;
import polydex.files.bus.ScreenEars;
import polydex.files.computer.Surroundings;
import polydex.hands.Done;
import polydex.hands.EventClock;
import polydex.hands.HandEvent;
import polydex.hands.HandLines;
import polydex.hands.HandReader;
import polydex.hands.MenuTrail;
import polydex.hands.Seen;
import polydex.keys.Physical;
import polydex.keys.PointerAct;
import polydex.log.Interpreter;
import polydex.log.LogLine;
import polydex.log.Recorder;

/**
 * Records what hands do in a session of the X Window System. The hook's thread makes of each event
 * at once what was done, so that no key that writes is ever in a queue; one thread looks at what
 * lies under the pointer and what has the focus, while it still does; another hands on what was
 * done once it is known what it was about, within {@value #KNOWN_MILLIS} ms.
 */
public final class SessionRecorder implements Recorder {
  private static final Logger LOG = LoggerFactory.getLogger(SessionRecorder.class);

  /** So long after it was done it is known what something was about. */
  static final long KNOWN_MILLIS = MenuTrail.GONE_MILLIS + 50;

  /** Events come so late, at most, that what was done before them is whole. */
  private static final long LATE_MILLIS = 60;

  /** What it records, for the person. */
  public static final String TITLE = worded("recorder.this-computer");

  private static final long TICK_MILLIS = 80;

  /** What nobody could look at for so long is not told: it may be of an application left out. */
  private static final long PATIENCE_MILLIS = 5000;

  private static final int MOST_WAITING = 10_000;

  private final Wishes wishes;
  private final Sights sights;
  private final Optional<ScreenEars> ears;
  private final HandReader reader;
  private final HandLines lines;
  private final BlockingQueue<Done> done = new LinkedBlockingQueue<>(MOST_WAITING);

  private final Thread telling =
      Thread.ofPlatform().name("recorder, telling").daemon().unstarted(this::tell);

  /** What is done when these presses are made, while it records. */
  private final Map<List<Physical>, Runnable> asked = new ConcurrentHashMap<>();

  private volatile Consumer<Boolean> pausedByHand = _ -> {};
  private final RecorderLock lock;
  private @Nullable InputHook hook;
  private Consumer<LogLine> to = _ -> {};

  /** When hands did anything last. */
  private volatile long lastHand = System.currentTimeMillis();

  private volatile boolean paused;
  private volatile boolean answering;
  private volatile boolean closed;

  private SessionRecorder(
      Wishes wishes,
      XWindows windows,
      Optional<ScreenEars> ears,
      Interpreter interpreter,
      RecorderLock lock) {
    this.lock = lock;
    this.wishes = wishes;
    this.sights = new Sights(windows, ears);
    this.ears = ears;
    this.reader = new HandReader(wishes.layout(), wishes.sequences(), this::made);
    this.lines = new HandLines(wishes.machine(), wishes.layout(), interpreter, EventClock::instant);
  }

  /**
   * A recorder of this session, which hears nothing before it is started.
   *
   * @param interpreter knows what keys are bound; asked on a thread of the recorder's
   * @throws FileProblem that says why nothing can be recorded here
   */
  public static SessionRecorder of(Surroundings here, Wishes wishes, Interpreter interpreter)
      throws FileProblem {
    if (here.variable("WAYLAND_DISPLAY").isPresent()
        || here.variable("XDG_SESSION_TYPE").filter("wayland"::equalsIgnoreCase).isPresent()) {
      throw new FileProblem(worded("recorder.this-is-a-wayland-session-in"));
    }
    String display =
        here.variable("DISPLAY")
            .orElseThrow(() -> new FileProblem(worded("recorder.there-is-no-display-of-the")));
    RecorderLock lock = RecorderLock.take();
    SessionRecorder made;
    try {
      made =
          new SessionRecorder(wishes, XWindows.connect(display), listen(here), interpreter, lock);
    } catch (FileProblem e) {
      lock.close();
      throw e;
    }
    try {
      made.hook = InputHook.listen(System::currentTimeMillis, made::heard);
      return made;
    } catch (FileProblem e) {
      made.close();
      throw e;
    }
  }

  private static Optional<ScreenEars> listen(Surroundings here) {
    try {
      return Optional.of(ScreenEars.listen(here.messageBus(), System::currentTimeMillis));
    } catch (FileProblem _) {
      return Optional.empty();
    }
  }

  /** Says whom to tell that it was paused by the gesture, or went on; on the hook's thread. */
  public void whenPausedByHand(Consumer<Boolean> told) {
    pausedByHand = told;
  }

  /**
   * Has something done whenever these presses are made, instead of noting them.
   *
   * @param presses of a gesture, either side of a modifier
   * @param then on the hook's thread, so nothing that takes long
   */
  public void hears(List<Physical> presses, Runnable then) {
    asked.put(presses.stream().map(Physical::eitherSide).toList(), then);
  }

  /** Notes those presses like any others from now on. */
  public void hearsNoMore() {
    asked.clear();
  }

  /**
   * Keys answer questions of our own, and are no uses of what they do, or they do no longer.
   *
   * @param now whether they do now
   */
  public void answering(boolean now) {
    synchronized (reader) {
      reader.end();
      answering = now;
    }
  }

  /** When hands did anything last that it heard, in milliseconds since 1970. */
  public long lastHand() {
    return lastHand;
  }

  /** Whether it is paused. */
  public boolean isPaused() {
    return paused;
  }

  /** What can't be told here, as a sentence; empty where everything can. */
  public String remark() {
    return ears.isPresent() ? "" : worded("recorder.this-session-has-no-accessibility-bus");
  }

  @Override
  public String title() {
    return TITLE;
  }

  @Override
  public void start(Consumer<LogLine> lineTo) {
    synchronized (reader) {
      to = lineTo;
    }
    sights.start();
    telling.start();
  }

  /** On the hook's thread. */
  private void heard(HandEvent event) {
    if (closed) {
      return;
    }
    lastHand = System.currentTimeMillis();
    if (!paused) {
      sights.at(event);
      if (event instanceof HandEvent.ButtonDown) {
        ears.ifPresent(e -> e.pressed(event.millis()));
      }
    }
    synchronized (reader) {
      reader.take(event);
    }
  }

  /** Something was done; with the reader locked. */
  private void made(Done what) {
    List<Physical> presses =
        what instanceof Done.Keyed k
            ? k.presses().stream().map(m -> m.what().eitherSide()).toList()
            : List.of();
    if (!presses.isEmpty() && presses.equals(wishes.pause())) {
      // At once: whoever is told may be busy, and what is done until then is not to be noted.
      boolean now = !paused;
      if (now) {
        pause();
      } else {
        resume();
      }
      pausedByHand.accept(now);
    } else if (!paused && !closed && !(answering && !(what instanceof Done.Pointed))) {
      Runnable then = asked.get(presses);
      if (then != null) {
        then.run();
      } else {
        done.offer(what);
      }
    }
  }

  private void tell() {
    try {
      while (!closed) {
        Thread.sleep(TICK_MILLIS);
        long now = System.currentTimeMillis();
        synchronized (reader) {
          reader.until(now - LATE_MILLIS);
        }
        Done next = done.peek();
        while (next != null && until(next) + KNOWN_MILLIS <= now && !closed) {
          boolean seen = isSeen(next);
          if (!seen && now - until(next) < PATIENCE_MILLIS) {
            break;
          }
          done.poll();
          if (seen) {
            Done what = next;
            guarded(() -> tell(what));
          } else {
            LOG.warn("Something was not told, since nobody could look at what it was about");
          }
          next = done.peek();
        }
      }
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt();
    }
  }

  /**
   * Whether all was looked at that it may be about, and all heard that programs told until then: or
   * else it is not known whose it is, nor whether it was secret.
   */
  private boolean isSeen(Done what) {
    return sights.isPast(until(what))
        && ears.filter(e -> !e.hasHeard(until(what) + MenuTrail.LATE_MILLIS)).isEmpty();
  }

  private static long until(Done what) {
    return switch (what) {
      case Done.Keyed k -> k.until();
      case Done.Wrote w -> w.until();
      case Done.Pointed p -> p.until();
    };
  }

  private void tell(Done what) {
    boolean keys = !(what instanceof Done.Pointed);
    boolean secret =
        (keys && sights.seen(what.millis(), false).hidden())
            || ears.filter(e -> e.isSecret(what.millis(), until(what) + MenuTrail.LATE_MILLIS))
                .isPresent();
    if (secret) {
      return;
    }
    Seen about = about(what);
    if (!wishes.leftOut().contains(about.application().toLowerCase(Locale.ROOT))) {
      lines.of(what, about).forEach(to);
    }
  }

  private Seen about(Done what) {
    if (!(what instanceof Done.Pointed pointed)) {
      return sights.seen(what.millis(), false).seen();
    }
    Seen under = sights.seen(what.millis(), true).seen();
    boolean drags = pointed.act().equals(Optional.of(PointerAct.DRAG));
    if (ears.isEmpty() || pointed.button() == 0) {
      return under;
    }
    if (drags) {
      // Some pull an entry out of a menu and let it go.
      return ears.get()
          .inMenu(pointed.until(), pointed.to(), under.application())
          .filter(s -> s.sort() == Seen.Sort.ENTRY)
          .orElse(under);
    }
    return ears.get().inMenu(what.millis(), pointed.from(), under.application()).orElse(under);
  }

  /** What goes wrong with one event must not end the recording. */
  static void guarded(Runnable one) {
    try {
      one.run();
    } catch (RuntimeException e) {
      LOG.error("While recording", e);
    }
  }

  @Override
  public void pause() {
    synchronized (reader) {
      reader.end();
      paused = true;
      reader.forget();
    }
  }

  @Override
  public void resume() {
    synchronized (reader) {
      reader.forget();
      paused = false;
    }
  }

  @Override
  public synchronized void close() {
    if (closed) {
      return;
    }
    if (hook != null) {
      hook.close();
    }
    if (!paused && telling.isAlive()) {
      finish();
    }
    closed = true;
    telling.interrupt();
    joined(telling);
    sights.close();
    ears.ifPresent(ScreenEars::close);
    lock.close();
  }

  /** What was done last is handed on, too. */
  private void finish() {
    synchronized (reader) {
      reader.end();
    }
    try {
      for (long i = 0; i < PATIENCE_MILLIS / TICK_MILLIS && !done.isEmpty(); i++) {
        Thread.sleep(TICK_MILLIS);
      }
      Thread.sleep(TICK_MILLIS);
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt();
    }
  }

  static void joined(Thread thread) {
    try {
      thread.join(3000);
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt();
    }
  }
}
