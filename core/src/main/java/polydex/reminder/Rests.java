package polydex.reminder;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.Map;
import java.util.function.BooleanSupplier;
import polydex.recognition.Place;

/**
 * When something may be said: once as hands come to rest, never while they work, nor where it would
 * be in the way, nor oftener than {@value #MOST_AN_HOUR} times an hour. Asked every second or so.
 * O(1) a question. Not thread-safe.
 */
public final class Rests {
  /** Hands that did nothing for so long rest, usually. */
  public static final Duration REST = Duration.ofMinutes(1);

  /** So many moments at most in any hour, told or not. */
  public static final int MOST_AN_HOUR = 4;

  private final Duration rest;
  private final Deque<Instant> moments = new ArrayDeque<>();
  private Map<Place, Integer> uses = new HashMap<>();
  private boolean resting;

  /**
   * Nothing done yet.
   *
   * @param rest how long hands do nothing before they rest; usually {@link #REST}
   */
  public Rests(Duration rest) {
    this.rest = rest;
  }

  /** Something was done with the pointer. */
  public void used(Place place) {
    uses.merge(place, 1, Integer::sum);
  }

  /** What was done so far is not to be said; hands that rest now have to work first. */
  public void forget() {
    uses.clear();
    resting = true;
  }

  /**
   * What hands did with the pointer since they rested before, with how often; nothing unless they
   * have just come to rest and something may be said.
   *
   * @param lastHand when they did anything last, moving the pointer included
   * @param inTheWay whether a window fills the screen, or else what is said would be in the way;
   *     asked only where it matters
   */
  public Map<Place, Integer> at(Instant now, Instant lastHand, BooleanSupplier inTheWay) {
    boolean rests = !lastHand.plus(rest).isAfter(now);
    boolean begins = rests && !resting;
    resting = rests;
    if (!begins) {
      return Map.of();
    }
    Map<Place, Integer> since = uses;
    uses = new HashMap<>();
    while (!moments.isEmpty() && !moments.peekFirst().plus(Duration.ofHours(1)).isAfter(now)) {
      moments.removeFirst();
    }
    return moments.size() >= MOST_AN_HOUR || inTheWay.getAsBoolean() ? Map.of() : Map.copyOf(since);
  }

  /** There was something to say at a moment; the newest comes last. */
  public void said(Instant at) {
    moments.addLast(at);
  }
}
