package polydex.files.recorder;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Iterator;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import polydex.files.bus.AccessibilityBus;
import polydex.files.bus.ScreenEars;
import polydex.hands.Backlog;
import polydex.hands.Done;
import polydex.hands.HandEvent;
import polydex.hands.Seen;
import polydex.keys.Key;
import polydex.keys.Modifier;

/**
 * Looks at what lies under the pointer and what has the focus while it still does, on a thread of
 * its own, and remembers it for a while. What is to be looked at is said by whoever hears the
 * hands.
 */
final class Sights implements AutoCloseable {
  private static final long NEVER = Long.MIN_VALUE / 2;

  /** While somebody types on, the focus is elsewhere at most so long unseen. */
  private static final long FOCUS_MILLIS = 400;

  private static final int MOST_WAITING = 10_000;
  private static final int MOST_REMEMBERED = 1000;

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
  record Saw(long millis, boolean pointed, Seen seen, boolean hidden) {
    static final Saw NOTHING = new Saw(NEVER, false, Seen.focus(""), false);
  }

  private final XWindows windows;
  private final Optional<ScreenEars> ears;
  private final BlockingQueue<Look> toLook = new LinkedBlockingQueue<>(MOST_WAITING);
  private final Backlog unseen = new Backlog();
  private final Deque<Saw> saw = new ArrayDeque<>();
  private final Thread thread =
      Thread.ofPlatform().name("recorder, looking").daemon().unstarted(this::look);

  /** When somebody looked last at what has the focus; on the hook's thread. */
  private long focusAt = NEVER;

  private volatile boolean closed;

  Sights(XWindows windows, Optional<ScreenEars> ears) {
    this.windows = windows;
    this.ears = ears;
  }

  void start() {
    thread.start();
  }

  /** Has something looked at because of an event, if it may be about that; on the hook's thread. */
  void at(HandEvent event) {
    look(event).ifPresent(this::ask);
  }

  /** Whether all was looked at that there was to be seen up to a time. */
  boolean isPast(long millis) {
    return unseen.isPast(millis);
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

  private void look() {
    try {
      while (!closed) {
        Look next = toLook.poll(1, TimeUnit.SECONDS);
        if (next != null) {
          SessionRecorder.guarded(() -> saw(next));
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
      if (saw.size() > MOST_REMEMBERED) {
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

  /** What was seen at a time, or else last before it. */
  Saw seen(long millis, boolean pointed) {
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
  public void close() {
    closed = true;
    thread.interrupt();
    SessionRecorder.joined(thread);
    windows.close();
  }
}
