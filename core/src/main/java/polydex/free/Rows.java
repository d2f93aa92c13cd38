package polydex.free;

import java.util.List;
import java.util.Optional;
import polydex.boards.Presses.Made;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;

/** What belongs together for the hands: keys in a row, and a stroke with and without Shift. */
final class Rows {
  /** In the order in which people count them. */
  static final List<List<Key>> ALL =
      List.of(
          List.of(
              Key.Digit1,
              Key.Digit2,
              Key.Digit3,
              Key.Digit4,
              Key.Digit5,
              Key.Digit6,
              Key.Digit7,
              Key.Digit8,
              Key.Digit9,
              Key.Digit0),
          List.of(Key.ArrowLeft, Key.ArrowRight, Key.ArrowUp, Key.ArrowDown),
          List.of(
              Key.F1, Key.F2, Key.F3, Key.F4, Key.F5, Key.F6, Key.F7, Key.F8, Key.F9, Key.F10,
              Key.F11, Key.F12));

  private Rows() {}

  /** Whether two keys stand in the same row. */
  static boolean same(Key one, Key other) {
    return one != other && ALL.stream().anyMatch(r -> r.contains(one) && r.contains(other));
  }

  /** The same press with Shift, or without it where it has it; none for what is no stroke. */
  static Optional<Made> shifted(Made made) {
    if (!(made.what() instanceof Physical.Press p)) {
      return Optional.empty();
    }
    Modifiers held = p.held().modifiers();
    Modifiers other =
        held.has(Modifier.SHIFT) ? held.without(Modifier.SHIFT) : held.and(Modifier.SHIFT);
    return Optional.of(new Made(p.with(other), made.kept().common(p.held().with(other))));
  }
}
