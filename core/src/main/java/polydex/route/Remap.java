package polydex.route;

import static polydex.language.CoreWords.worded;

import java.util.List;
import java.util.Optional;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Modifiers.Side;

/**
 * What a machine makes of strokes before anyone sees them. A stroke rule that matches replaces the
 * whole stroke and ends the remapping on its machine; otherwise all key rules apply at once, each
 * to the key as it came in, so that two of them make a swap.
 *
 * @param title as the user calls it
 * @param onlyIn the id of the application to which it is limited
 * @param strokeRules whole strokes
 * @param keyRules single keys and modifiers
 */
public record Remap(
    String title,
    Optional<EnvironmentId> onlyIn,
    List<StrokeRule> strokeRules,
    List<KeyRule> keyRules) {

  /**
   * One stroke for another.
   *
   * @param from a gesture of a single stroke
   * @param to a gesture of a single stroke
   */
  public record StrokeRule(Gesture from, Gesture to) {}

  /**
   * One key for another.
   *
   * @param from what is pressed
   * @param to what it becomes, held or pressed together with others; none where it is switched off
   * @param tapped what it becomes when it is pressed alone, where that is something else
   */
  public record KeyRule(Part from, Optional<Part> to, Optional<Tapped> tapped) {
    /** One that makes no difference between the two. */
    public KeyRule(Part from, Optional<Part> to) {
      this(from, to, Optional.empty());
    }

    /** What a key that is pressed alone, or with others, becomes. */
    Optional<Part> to(boolean alone) {
      return alone && tapped.isPresent() ? Optional.of(tapped.get().to()) : to;
    }
  }

  /**
   * What a key becomes when it is tapped alone.
   *
   * @param to a key or modifier
   * @param withinMillis how soon it must be let go for that, 1 to {@link #LONGEST}, in milliseconds
   */
  public record Tapped(Part to, int withinMillis) {
    /** How soon, where nothing is said, in milliseconds. */
    public static final int USUAL = 200;

    /** The longest that is still a tap, in milliseconds. */
    public static final int LONGEST = 5_000;

    /**
     * Checks the range.
     *
     * @throws IllegalArgumentException outside it
     */
    public Tapped {
      if (withinMillis < 1 || withinMillis > LONGEST) {
        throw new IllegalArgumentException(
            worded("route.a-tap-takes-1-to-ms", LONGEST, withinMillis));
      }
    }
  }

  /** A key or a modifier: what a key rule is about. */
  public sealed interface Part {
    /**
     * Reads {@code Ctrl}, {@code RightAlt} or the code of a key.
     *
     * @throws IllegalArgumentException for anything else
     */
    static Part parse(String written) {
      for (Modifier m : Modifier.values()) {
        for (Side side : Side.values()) {
          Part part = new ModifierPart(m, side);
          if (part.toString().equals(written)) {
            return part;
          }
        }
      }
      return new KeyPart(
          Key.ofCode(written)
              .orElseThrow(
                  () ->
                      new IllegalArgumentException(
                          worded("route.neither-modifier-nor-key", written))));
    }
  }

  /**
   * A modifier.
   *
   * @param side on the side that is meant
   */
  public record ModifierPart(Modifier modifier, Side side) implements Part {
    /** Each of a set by itself; of one that is held on both sides, both. */
    static List<ModifierPart> each(Modifiers of) {
      return of.each().stream()
          .map(m -> new ModifierPart(m.list().getFirst(), m.side(m.list().getFirst())))
          .toList();
    }

    /** As a set of one. */
    Modifiers asSet() {
      return Modifiers.of(modifier, side);
    }

    @Override
    public String toString() {
      return switch (side) {
        case EITHER -> modifier.written();
        case LEFT -> "Left" + modifier.written();
        case RIGHT -> "Right" + modifier.written();
      };
    }
  }

  /**
   * Any other key.
   *
   * @param key its place
   */
  public record KeyPart(Key key) implements Part {
    @Override
    public String toString() {
      return key.name();
    }
  }

  /** Copies the rules. */
  public Remap {
    strokeRules = List.copyOf(strokeRules);
    keyRules = List.copyOf(keyRules);
  }
}
