package polydex.route;

import java.util.List;
import java.util.Optional;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.Modifier;
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
   * @param to what it becomes; none where it is switched off
   */
  public record KeyRule(Part from, Optional<Part> to) {}

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
                  () -> new IllegalArgumentException("Neither modifier nor key: " + written)));
    }
  }

  /**
   * A modifier.
   *
   * @param side on the side that is meant
   */
  public record ModifierPart(Modifier modifier, Side side) implements Part {
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
