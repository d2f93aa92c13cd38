package polydex.reminder;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.SplittableRandom;

/**
 * Draws the hours in which something is said, each with the chance of a half and by itself: what
 * was not said then shows how things would have gone on anyway. The same hour of the same seed
 * draws the same, so a program that is started anew changes nothing.
 *
 * @param seed drawn once for a person, and kept
 */
public record Lot(long seed) {
  private static final long HOUR = Duration.ofHours(1).toSeconds();

  /** What {@link #written} wrote; none of anything else. */
  public static Optional<Lot> read(String written) {
    try {
      return Optional.of(new Lot(Long.parseLong(written)));
    } catch (NumberFormatException _) {
      return Optional.empty();
    }
  }

  /** As text. */
  public String written() {
    return String.valueOf(seed);
  }

  /** The hour of a moment, counted from 1970 in UTC: what the lot is drawn for. */
  public static long hour(Instant at) {
    return Math.floorDiv(at.getEpochSecond(), HOUR);
  }

  /** Whether something is said in the hour of a moment. */
  public boolean tells(Instant at) {
    SplittableRandom drawn = new SplittableRandom(seed ^ (hour(at) * 0x9E3779B97F4A7C15L));
    return drawn.nextBoolean();
  }
}
