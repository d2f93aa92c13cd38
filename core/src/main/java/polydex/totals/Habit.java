package polydex.totals;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * How one action is done over time, judged from its uses as they come, each in O(1).
 *
 * <p>Replaced: of the last {@value #WINDOW} uses at least 95 % by keys, over at least {@value
 * #DAYS} days. An action used so often that {@value #WINDOW} uses make less than {@value #DAYS}
 * days must keep that share until so many have gone by. A relapse: of {@value #WINDOW} uses after
 * that fewer than 80 % by keys. Not thread-safe.
 */
public final class Habit {
  /** How many uses are looked at. */
  public static final int WINDOW = 20;

  /** Over how many different days they must be spread. */
  public static final int DAYS = 5;

  /** The share by keys from which an action counts as replaced. */
  public static final double REPLACED_SHARE = 0.95;

  /** The share by keys below which a replaced action has come back. */
  public static final double RELAPSE_SHARE = 0.80;

  /** How far an action is from being done without the mouse. */
  public enum State {
    /** Done with the pointer. */
    OPEN,
    /** Drilled. */
    LEARNING,
    /** Some uses are by keys. */
    SWITCHING,
    /** Nearly all are. */
    REPLACED,
    /** It stays with the pointer, since the person wants it so. */
    KEPT
  }

  private record Recent(LocalDate day, boolean byKeys) {}

  private final Deque<Recent> window = new ArrayDeque<>();
  private boolean everByKeys;
  private final Set<LocalDate> goodDays = new HashSet<>();
  private final List<Turn> turns = new ArrayList<>();
  private int sinceReplaced;
  private Optional<Instant> replaced = Optional.empty();

  /** When it was replaced, or came back. */
  public record Turn(Instant at, LocalDate day, boolean replaced) {}

  /**
   * Takes in a use that is not older than those before.
   *
   * @param day the working day that it belongs to
   * @param keys whether it was done by keys
   */
  public void add(Instant at, LocalDate day, boolean keys) {
    everByKeys |= keys;
    window.addLast(new Recent(day, keys));
    if (window.size() > WINDOW) {
      window.removeFirst();
    }
    if (replaced.isEmpty()) {
      judgeReplaced(at);
    } else {
      judgeRelapse(at);
    }
  }

  /** Derived, not kept: the window is short, and a count beside it could come to differ. */
  private int keysInWindow() {
    int keys = 0;
    for (Recent r : window) {
      keys += r.byKeys() ? 1 : 0;
    }
    return keys;
  }

  private void judgeReplaced(Instant now) {
    if (window.size() < WINDOW || keysInWindow() < REPLACED_SHARE * WINDOW) {
      goodDays.clear();
      return;
    }
    if (goodDays.isEmpty()) {
      window.forEach(r -> goodDays.add(r.day()));
    }
    goodDays.add(window.getLast().day());
    if (goodDays.size() >= DAYS) {
      goodDays.clear();
      replaced = Optional.of(now);
      turns.add(new Turn(now, window.getLast().day(), true));
      sinceReplaced = 0;
    }
  }

  /** The window holds only uses after the replacement once there are enough of them. */
  private void judgeRelapse(Instant now) {
    sinceReplaced++;
    if (sinceReplaced >= WINDOW && keysInWindow() < RELAPSE_SHARE * WINDOW) {
      replaced = Optional.empty();
      turns.add(new Turn(now, window.getLast().day(), false));
    }
  }

  /**
   * The state.
   *
   * @param drilled whether the action was ever answered in a drill
   */
  public State state(boolean drilled) {
    if (replaced.isPresent()) {
      return State.REPLACED;
    }
    if (everByKeys) {
      return State.SWITCHING;
    }
    return drilled ? State.LEARNING : State.OPEN;
  }

  /** Since when it has been replaced, if it is. */
  public Optional<Instant> replacedSince() {
    return replaced;
  }

  /** How often it came back after it had been replaced. */
  public int relapses() {
    return (int) turns.stream().filter(t -> !t.replaced()).count();
  }

  /** Every time that it was replaced or came back, the oldest first. */
  public List<Turn> turns() {
    return List.copyOf(turns);
  }
}
