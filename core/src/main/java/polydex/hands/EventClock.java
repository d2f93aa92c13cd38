package polydex.hands;

import java.time.Instant;

/**
 * Makes times of day of the times that a display gives its events: milliseconds since some moment,
 * in 32 bits, so that they begin anew after 49.7 days. What arrived soonest after it happened says
 * how the two clocks stand; as long as nothing arrives sooner than ever, times keep their
 * distances. Not thread-safe.
 */
public final class EventClock {
  private static final long WRAP = 1L << 32;

  /** A clock of the day that was set moves the difference by more than events are late. */
  private static final long JUMP_MILLIS = 5000;

  private boolean begun;
  private long last;
  private long behind;

  /**
   * The time of an event, in milliseconds since 1970.
   *
   * @param display as the display says it
   * @param now when it arrived
   */
  public long millis(long display, long now) {
    long time = display & (WRAP - 1);
    if (begun) {
      time += last - Math.floorMod(last, WRAP);
      if (time < last - WRAP / 2) {
        time += WRAP;
      }
    }
    last = begun ? Math.max(last, time) : time;
    long difference = now - time;
    if (!begun || difference < behind || difference > behind + JUMP_MILLIS) {
      behind = difference;
    }
    begun = true;
    return time + behind;
  }

  /** The same as a time. */
  public static Instant instant(long millis) {
    return Instant.ofEpochMilli(millis);
  }
}
