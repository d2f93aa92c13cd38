package polydex.log;

import java.time.Instant;

/**
 * A line of the mouse log.
 *
 * <p>What was not measured is not a number rather than an empty {@code Optional}: millions of these
 * go by, and three objects more for each would be most of the cost.
 *
 * @param at when
 * @param deed what was done
 * @param characters how many were typed; 0 unless the deed is typing
 * @param distance that the pointer went, in any unit
 * @param width of what was pointed at, in the same unit
 * @param seconds how long it took
 */
public record LogEvent(
    Instant at, Deed deed, int characters, double distance, double width, double seconds) {

  /** One of which nothing was measured. */
  public static LogEvent of(Instant at, Deed deed) {
    return new LogEvent(at, deed, 0, Double.NaN, Double.NaN, Double.NaN);
  }
}
