package polydex.recall;

import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import polydex.keys.Gesture;

/**
 * One answer to one prompt, as it was given.
 *
 * @param item what was asked
 * @param at when the answer ended
 * @param kind how it was asked
 * @param verdict whether it was right
 * @param timing how long it took
 * @param asked the gesture that was wanted
 * @param pressed what was pressed, in notation; may be empty
 * @param mistakenFor whose gesture was pressed instead, where it is somebody's
 */
public record Answer(
    DrillItem item,
    Instant at,
    Kind kind,
    Verdict verdict,
    Timing timing,
    Gesture asked,
    String pressed,
    Optional<DrillItem> mistakenFor) {

  /** How something is asked. */
  public enum Kind {
    /** The action is told, the gesture is pressed. */
    DO,
    /** The gesture is shown, the action is named; it trains, but says nothing of the hand. */
    SAY,
    /** Several actions in order, timed as a whole. */
    CHAIN,
    /** Two that are mistaken for each other, in turn. */
    CONTRAST,
    /** Fluent ones only, for speed. */
    SPRINT
  }

  /** How an answer ended. */
  public enum Verdict {
    RIGHT,
    /** Right after modifiers that were let go again and not wanted. */
    CORRECTED,
    WRONG,
    HINTED,
    TIMED_OUT;

    /** Whether the gesture was pressed in the end, without help. */
    public boolean isRight() {
      return this == RIGHT || this == CORRECTED;
    }
  }

  /**
   * How long an answer took.
   *
   * @param seconds from the painted prompt to the last key
   * @param counts whether it says something: not where the window lost the focus meanwhile
   * @param expected seconds that the person's own pace gave for the gesture then
   * @param firstKey seconds until the first key or modifier went down; none where nobody looked
   */
  public record Timing(double seconds, boolean counts, double expected, OptionalDouble firstKey) {
    /** Of which it is not known when the first key went down. */
    public Timing(double seconds, boolean counts, double expected) {
      this(seconds, counts, expected, OptionalDouble.empty());
    }

    /** Seconds from the first key to the last; none where it is not known. */
    public OptionalDouble hands() {
      return firstKey.isPresent()
          ? OptionalDouble.of(Math.max(0, seconds - firstKey.getAsDouble()))
          : OptionalDouble.empty();
    }

    /** The time up to which an answer is fluent, in seconds. */
    public double goal() {
      return Pace.FLUENT_WITHIN * expected;
    }
  }

  /** Whether it says something about memory: naming what a gesture does is another skill. */
  public boolean countsForMemory() {
    return kind != Kind.SAY;
  }

  /** What it says about memory, however long it took. */
  public Grade grade() {
    return switch (verdict) {
      case WRONG, HINTED, TIMED_OUT -> Grade.MISSED;
      case CORRECTED -> Grade.LABOURED;
      case RIGHT -> Grade.RIGHT;
    };
  }

  /** Whether it was right and as fast as fluency asks. */
  public boolean isFluent() {
    return verdict.isRight() && timing.counts() && timing.seconds() <= timing.goal();
  }
}
