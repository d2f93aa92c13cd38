package polydex.files.recorder;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.files.FileProblem;
import polydex.files.bus.AccessibilityBus;
import polydex.files.bus.ScreenEars;
import polydex.files.computer.Surroundings;
import polydex.hands.Backlog;
import polydex.hands.Done;
import polydex.hands.EventClock;
import polydex.hands.HandEvent;
import polydex.hands.HandLines;
import polydex.hands.HandReader;
import polydex.hands.MenuTrail;
import polydex.hands.Seen;
import polydex.hands.Sequences;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Physical;
import polydex.keys.PointerAct;
import polydex.log.Interpreter;
import polydex.log.LogLine;
import polydex.log.Recorder;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.World;

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
  public static final String TITLE = "this computer";

  private static final long NEVER = Long.MIN_VALUE / 2;

  /** While somebody types on, the focus is elsewhere at most so long unseen. */
  private static final long FOCUS_MILLIS = 400;

  private static final long TICK_MILLIS = 80;

  /** What nobody could look at for so long is not told: it may be of an application left out. */
  private static final long PATIENCE_MILLIS = 5000;

  private static final int MOST_WAITING = 10_000;
  private static final int MOST_LOOKS = 1000;

  /**
   * What is recorded, and how.
   *
   * @param machine the title of the machine, its platform, or the setup
   * @param layout the one under the fingers
   * @param sequences the gestures of several presses that there are
   * @param leftOut titles of applications of which nothing is noted, in any case
   * @param pause the presses that pause and go on, wherever the focus is; none for no such gesture
   */
  public record Wishes(
      String machine,
      Layout layout,
      Sequences sequences,
      Set<String> leftOut,
      List<Physical> pause) {
    /** Copies them; titles in small letters. */
    public Wishes {
      leftOut =
          leftOut.stream()
              .map(t -> t.strip().toLowerCase(Locale.ROOT))
              .collect(Collectors.toUnmodifiableSet());
      pause = pause.stream().map(Physical::eitherSide).toList();
    }

    /**
     * For the computer that somebody sits at: the outermost machine of a setup.
     *
     * @param pause the gesture that pauses and goes on; one that the layout can't make is none
     */
    public static Wishes of(World world, Setup setup, Set<String> leftOut, Gesture pause) {
      Machine machine = setup.machines().getFirst();
      Layout layout = Objects.requireNonNull(world.layouts().get(machine.layout()));
      return new Wishes(
          setup.machines().size() == 1 ? setup.id().value() : machine.title(),
          layout,
          Sequences.of(world.catalog(), layout),
          leftOut,
          Presses.of(pause, layout) instanceof Presses.Typable typable
              ? typable.physical()
              : List.of());
    }
  }

  /**
   * Something to look at: what has the focus, or what lies at a spot.
   *
   * @param closely whether it matters what lies there, rather than whose window
   */
  private record Look(long millis, Optional<Done.Spot> spot, boolean closely) {}

  /**
   * What was seen then.
   *
   * @param hidden whether what has the focus may be a field for secrets
   */
  private record Saw(long millis, boolean pointed, Seen seen, boolean hidden) {
    static final Saw NOTHING = new Saw(NEVER, false, Seen.focus(""), false);
  }

  private final Wishes wishes;
  private final XWindows windows;
  private final Optional<ScreenEars> ears;
  private final HandReader reader;
  private final HandLines lines;
  private final BlockingQueue<Look> toLook = new LinkedBlockingQueue<>(MOST_WAITING);
  private final BlockingQueue<Done> done = new LinkedBlockingQueue<>(MOST_WAITING);

  private final Backlog unseen = new Backlog();

  private final Deque<Saw> saw = new ArrayDeque<>();
  private final Thread looking = thread("looking", this::look);
  private final Thread telling = thread("telling", this::tell);
  private volatile Consumer<Boolean> pausedByHand = _ -> {};
  private final RecorderLock lock;
  private @Nullable InputHook hook;
  private Consumer<LogLine> to = _ -> {};

  /** When somebody looked last at what has the focus; on the hook's thread. */
  private long focusAt = NEVER;

  private volatile boolean paused;
  private volatile boolean closed;

  private SessionRecorder(
      Wishes wishes,
      XWindows windows,
      Optional<ScreenEars> ears,
      Interpreter interpreter,
      RecorderLock lock) {
    this.lock = lock;
    this.wishes = wishes;
    this.windows = windows;
    this.ears = ears;
    this.reader = new HandReader(wishes.layout(), wishes.sequences(), this::made);
    this.lines = new HandLines(wishes.machine(), wishes.layout(), interpreter, EventClock::instant);
  }

  private static Thread thread(String name, Runnable run) {
    return Thread.ofPlatform().name("recorder, " + name).daemon().unstarted(run);
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
      throw new FileProblem(
          "This is a Wayland session, in which no program can hear what is done in others. Begin a"
              + " session of the X Window System (X.Org) when you log in, or connect a recorder of"
              + " your own.");
    }
    String display =
        here.variable("DISPLAY")
            .orElseThrow(
                () ->
                    new FileProblem(
                        "There is no display of the X Window System here (DISPLAY is empty), so"
                            + " there is nothing to record."));
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

  /** What can't be told here, as a sentence; empty where everything can. */
  public String remark() {
    return ears.isPresent()
        ? ""
        : "This session has no accessibility bus: what was clicked is known by its place only, and"
            + " fields for passwords can't be told from others. On Debian at-spi2-core has one.";
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
    looking.start();
    telling.start();
  }

  /** On the hook's thread. */
  private void heard(HandEvent event) {
    if (closed) {
      return;
    }
    if (!paused) {
      look(event).ifPresent(this::ask);
      if (event instanceof HandEvent.ButtonDown) {
        ears.ifPresent(e -> e.pressed(event.millis()));
      }
    }
    synchronized (reader) {
      reader.take(event);
    }
  }

  private void ask(Look look) {
    unseen.waits(look.millis());
    if (!toLook.offer(look)) {
      unseen.leaves(); // a flood; what is done then is told of what was seen before
    }
  }

  /** What is to be looked at; while somebody types on, what has the focus only now and then. */
  private Optional<Look> look(HandEvent event) {
    return switch (event) {
      case HandEvent.KeyDown(
              long millis,
              int _,
              Optional<Key> key,
              Optional<Modifier> modifier) -> {
        // A key that does not write may take the focus elsewhere.
        boolean writes =
            modifier.isEmpty()
                && key.filter(k -> k.keyName().isEmpty() || k == Key.Space).isPresent();
        boolean old = !writes || millis - focusAt > FOCUS_MILLIS;
        focusAt = !writes ? NEVER : old ? millis : focusAt;
        yield old ? Optional.of(new Look(millis, Optional.empty(), false)) : Optional.empty();
      }
      case HandEvent.ButtonDown(long millis, int _, int x, int y) -> {
        focusAt = NEVER;
        yield Optional.of(new Look(millis, Optional.of(new Done.Spot(x, y)), true));
      }
      case HandEvent.Wheel(long millis, int x, int y) ->
          Optional.of(new Look(millis, Optional.of(new Done.Spot(x, y)), false));
      default -> Optional.empty();
    };
  }

  /** Something was done; with the reader locked. */
  private void made(Done what) {
    boolean asksToPause =
        what instanceof Done.Keyed k
            && !wishes.pause().isEmpty()
            && k.presses().stream().map(m -> m.what().eitherSide()).toList().equals(wishes.pause());
    if (asksToPause) {
      // At once: whoever is told may be busy, and what is done until then is not to be noted.
      boolean now = !paused;
      if (now) {
        pause();
      } else {
        resume();
      }
      pausedByHand.accept(now);
    } else if (!paused && !closed) {
      done.offer(what);
    }
  }

  private void look() {
    try {
      while (!closed) {
        Look next = toLook.poll(1, TimeUnit.SECONDS);
        if (next != null) {
          guarded(() -> saw(next));
          unseen.done();
        }
      }
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt();
    }
  }

  private void saw(Look look) {
    Seen seen;
    boolean hidden = false;
    if (look.spot().isPresent()) {
      Done.Spot spot = look.spot().get();
      XWindows.Under under = windows.at(spot.x(), spot.y());
      String application = title(under.window());
      seen =
          ears.filter(_ -> look.closely())
              .map(
                  e ->
                      e.at(
                          under.window().process(),
                          spot,
                          application,
                          under.across(),
                          under.down()))
              .orElseGet(() -> Seen.unknown(application, under.across(), under.down()));
      if (seen.sort() != Seen.Sort.ENTRY && windows.isMenu(under.window())) {
        // What answers lies under the menu. Where no entry was chosen, the click did nothing.
        seen = Seen.nothing(application);
      }
    } else {
      XWindows.Window active = windows.active();
      seen = Seen.focus(title(active));
      hidden = ears.filter(e -> e.mayHide(active.process())).isPresent();
    }
    synchronized (saw) {
      saw.addLast(new Saw(look.millis(), look.spot().isPresent(), seen, hidden));
      if (saw.size() > MOST_LOOKS) {
        saw.removeFirst();
      }
    }
  }

  private String title(XWindows.Window window) {
    if (window.process() == ProcessHandle.current().pid()) {
      return "Polydex";
    }
    return ears.flatMap(e -> e.title(window.process()))
        .orElseGet(() -> AccessibilityBus.readable(window.program()));
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
    return unseen.isPast(until(what))
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
        (keys && seen(what.millis(), false).hidden())
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
      return seen(what.millis(), false).seen();
    }
    Seen under = seen(what.millis(), true).seen();
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
  private static void guarded(Runnable one) {
    try {
      one.run();
    } catch (RuntimeException e) {
      LOG.error("While recording", e);
    }
  }

  /** What was seen at a time, or else last before it. */
  private Saw seen(long millis, boolean pointed) {
    synchronized (saw) {
      Iterator<Saw> back = saw.descendingIterator();
      while (back.hasNext()) {
        Saw s = back.next();
        if (s.pointed() == pointed && s.millis() <= millis) {
          return s;
        }
      }
    }
    return Saw.NOTHING;
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
  public void close() {
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
    looking.interrupt();
    telling.interrupt();
    joined(looking);
    joined(telling);
    ears.ifPresent(ScreenEars::close);
    windows.close();
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

  private static void joined(Thread thread) {
    try {
      thread.join(3000);
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt();
    }
  }
}
