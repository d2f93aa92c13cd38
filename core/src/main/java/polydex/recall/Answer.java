package polydex.recall;

import java.time.Instant;
import polydex.keys.Gesture;

/**
 * One answer to one prompt, as it was given.
 *
 * @param item what was asked
 * @param at when the answer ended
 * @param verdict whether it was right
 * @param seconds from the painted prompt to the last key
 * @param asked the gesture that was wanted
 * @param pressed what was pressed, in notation; may be empty
 */
public record Answer(
    DrillItem item, Instant at, Verdict verdict, double seconds, Gesture asked, String pressed) {

  /** How an answer ended. */
  public enum Verdict {
    RIGHT,
    WRONG,
    HINTED
  }

  /** What it says about memory. */
  public Grade grade() {
    double expected = ExpectedTime.of(asked);
    if (verdict != Verdict.RIGHT) {
      return Grade.MISSED;
    }
    if (seconds > 2 * expected) {
      return Grade.LABOURED;
    }
    return seconds > expected ? Grade.RIGHT : Grade.PROMPT;
  }

  /** Whether it was right and as fast as fluency asks. */
  public boolean isFluent() {
    return verdict == Verdict.RIGHT
        && seconds <= ExpectedTime.FLUENT_WITHIN * ExpectedTime.of(asked);
  }
}
