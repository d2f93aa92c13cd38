package polydex.files.bus;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import polydex.files.FileProblem;
import polydex.files.bus.Bus.Silent;
import polydex.files.bus.Bus.Target;
import polydex.hands.Seen;

/**
 * When a field for secrets had the focus: one whose role says so; and in a toolkit that does not
 * tell them from others, any field, which may have been one. A field counts until it says itself
 * that it has lost the focus, or is gone.
 */
final class SecretFields {
  private static final int PASSWORD = 40;

  /** How GTK 4 calls itself; GTK 3 has small letters. */
  static final String GTK_4 = "GTK";

  private static final int KEPT = 100;
  private static final long CHECK_MILLIS = 400;

  /**
   * From when until when.
   *
   * @param surely whether it was one, rather than one that may have been
   */
  private record Time(long from, long until, boolean surely) {}

  private final BusLook look;
  private final Deque<Time> times = new ArrayDeque<>();
  private Optional<Target> now = Optional.empty();
  private boolean surely;
  private long since;
  private long checked;

  SecretFields(BusLook look) {
    this.look = look;
  }

  /** Something got the focus, or lost it. */
  void focused(long millis, Target target, boolean on, String toolkit) throws FileProblem {
    if (!on) {
      if (now.equals(Optional.of(target))) {
        end(millis);
      }
      return;
    }
    int role;
    try {
      role = look.role(target);
    } catch (Silent _) {
      begin(millis, target, true); // whatever it is that does not answer
      return;
    }
    boolean untold =
        toolkit.equals(GTK_4)
            && Described.sort(new Described.Part(target, role, "")) != Seen.Sort.CONTROL;
    if (!now.equals(Optional.of(target))) {
      end(millis);
    }
    if (role == PASSWORD || untold) {
      begin(millis, target, role == PASSWORD);
    }
  }

  private synchronized void begin(long millis, Target target, boolean isOne) {
    surely = isOne;
    if (now.isEmpty()) {
      since = millis;
      checked = millis;
    }
    now = Optional.of(target);
  }

  private synchronized void end(long millis) {
    if (now.isPresent()) {
      now = Optional.empty();
      times.addLast(new Time(since, millis, surely));
      if (times.size() > KEPT) {
        times.removeFirst();
      }
    }
  }

  /** Asks whether what has the focus still has it: a window may close without a word. */
  void check(long millis) {
    Optional<Target> target = now;
    if (target.isEmpty() || millis - checked < CHECK_MILLIS) {
      return;
    }
    checked = millis;
    try {
      if (!look.isFocused(target.get())) {
        end(millis);
      }
    } catch (Silent _) {
      // It is stopped; what has the focus of it is not known, and nothing is noted.
    } catch (FileProblem _) {
      end(millis);
    }
  }

  /**
   * Whether one had the focus at any time between two moments.
   *
   * @param isOne whether one that only may have been one does not count
   */
  synchronized boolean between(long from, long until, boolean isOne) {
    return (now.isPresent() && since <= until && (surely || !isOne))
        || times.stream()
            .anyMatch(t -> t.from() <= until && t.until() >= from && (t.surely() || !isOne));
  }
}
