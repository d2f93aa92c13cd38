package polydex.files.bus;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import polydex.files.FileProblem;
import polydex.files.bus.Bus.Silent;
import polydex.files.bus.Bus.Target;

/**
 * When a field for secrets had the focus, by its role. It counts until it says itself that it has
 * lost the focus, or is gone. What does not answer counts as one.
 */
final class SecretFields {
  private static final int PASSWORD = 40;
  private static final int UNTOLD = 0;
  private static final int KEPT = 100;
  private static final long CHECK_MILLIS = 400;

  /** From when until when. */
  private record Time(long from, long until) {}

  private final BusLook look;
  private final Deque<Time> times = new ArrayDeque<>();
  private Optional<Target> now = Optional.empty();
  private long since;
  private long checked;

  SecretFields(BusLook look) {
    this.look = look;
  }

  /** Something got the focus, or lost it. */
  void focused(long millis, Target target, boolean on) throws FileProblem {
    if (!on) {
      if (now.equals(Optional.of(target))) {
        end(millis);
      }
      return;
    }
    boolean secret = mayBeOne(target);
    if (!now.equals(Optional.of(target))) {
      end(millis);
    }
    if (secret) {
      begin(millis, target);
    }
  }

  /** What does not say what it is, or not yet, is taken for one. */
  private boolean mayBeOne(Target target) throws FileProblem {
    try {
      int role = look.role(target);
      return role == PASSWORD || role == UNTOLD;
    } catch (Silent _) {
      return true;
    }
  }

  /** Something got the focus of which nobody can find out what it is: it may be one. */
  synchronized void begin(long millis, Target target) {
    if (now.isEmpty()) {
      since = millis;
      checked = millis;
    }
    now = Optional.of(target);
  }

  private synchronized void end(long millis) {
    if (now.isPresent()) {
      now = Optional.empty();
      times.addLast(new Time(since, millis));
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
      if (!mayBeOne(target.get()) || !look.isFocused(target.get())) {
        end(millis);
      }
    } catch (Silent _) {
      // It is stopped; what has the focus of it is not known, and nothing is noted.
    } catch (FileProblem _) {
      end(millis);
    }
  }

  /** Whether one had the focus at any time between two moments. */
  synchronized boolean between(long from, long until) {
    return (now.isPresent() && since <= until)
        || times.stream().anyMatch(t -> t.from() <= until && t.until() >= from);
  }
}
