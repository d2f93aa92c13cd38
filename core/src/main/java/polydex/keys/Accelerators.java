package polydex.keys;

import java.util.Map;
import java.util.Optional;

/** Gestures as toolkit accelerators: {@code <Control><Alt>n}. */
public final class Accelerators {
  private static final Map<Modifier, String> MODIFIERS =
      Map.of(
          Modifier.CTRL, "<Control>",
          Modifier.SHIFT, "<Shift>",
          Modifier.ALT, "<Alt>",
          Modifier.META, "<Super>",
          Modifier.HYPER, "<Hyper>");

  /** Signs that have a name of letters; others are named by their number. */
  private static final Map<Character, String> SIGNS =
      Map.ofEntries(
          Map.entry('[', "bracketleft"),
          Map.entry(']', "bracketright"),
          Map.entry('\\', "backslash"),
          Map.entry(';', "semicolon"),
          Map.entry('\'', "apostrophe"),
          Map.entry(',', "comma"),
          Map.entry('.', "period"),
          Map.entry('/', "slash"),
          Map.entry('-', "minus"),
          Map.entry('=', "equal"),
          Map.entry('`', "grave"),
          Map.entry('+', "plus"),
          Map.entry('<', "less"),
          Map.entry('>', "greater"),
          Map.entry('#', "numbersign"));

  private Accelerators() {}

  /**
   * The accelerator of a gesture, which {@link GestureReader} reads as the same gesture; none for
   * what is not one stroke, or holds or presses what accelerators have no name for.
   */
  public static Optional<String> of(Gesture gesture) {
    if (gesture.steps().size() != 1
        || !(gesture.steps().getFirst() instanceof Step.Stroke(Held held, KeyRef key))
        || !held.keys().isEmpty()
        || !held.modifiers().equals(held.modifiers().eitherSide())) {
      return Optional.empty();
    }
    StringBuilder text = new StringBuilder();
    for (Modifier m : held.modifiers().list()) {
      if (!MODIFIERS.containsKey(m)) {
        return Optional.empty();
      }
      text.append(MODIFIERS.get(m));
    }
    return key(key).map(k -> text + k);
  }

  private static Optional<String> key(KeyRef key) {
    return switch (key) {
      case KeyRef.Typed(int c) when c < 128 && Character.isLetterOrDigit(c) ->
          Optional.of(Character.toString(c));
      case KeyRef.Typed(int c) ->
          Optional.of(
              c < 128 && SIGNS.containsKey((char) c) ? SIGNS.get((char) c) : "U%04X".formatted(c));
      case KeyRef.Placed(Key placed) -> Keysyms.name(placed);
      case KeyRef.AnyOf _ -> Optional.empty();
    };
  }
}
