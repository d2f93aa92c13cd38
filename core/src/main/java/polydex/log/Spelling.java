package polydex.log;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.Set;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.KeyRef;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Step;

/**
 * Notices text that is spelled out one line after the other, though each line by itself could be a
 * command: keys that nothing is bound to, each with Ctrl, Alt or Meta, of which no third one in a
 * row passes within moments unless it is one and the same; and the digits of a code that
 * Ctrl+Shift+U begins. Keeps nothing but the last one.
 */
final class Spelling {
  /** Commands that follow each other more slowly are no text. */
  private static final Duration MOMENTS = Duration.ofSeconds(3);

  private static final Modifiers CODE = Modifiers.of(Modifier.CTRL, Modifier.SHIFT);
  private static final Set<Key> HEX =
      Set.of(Key.KeyA, Key.KeyB, Key.KeyC, Key.KeyD, Key.KeyE, Key.KeyF);

  private int row;

  /** Whether it is more than one stroke again and again. */
  private boolean different;

  private boolean inCode;
  private String last = "";
  private Optional<Instant> lastAt = Optional.empty();

  /** Something that was no spelled key, such as a pointer. */
  void other() {
    row = 0;
    different = false;
    inCode = false;
    last = "";
  }

  /**
   * Whether keys may be kept.
   *
   * @param gesture in which each key that writes has a modifier
   * @param spelled how many such keys there are in it
   * @param bound whether it is a command
   */
  boolean mayKeep(Gesture gesture, int spelled, boolean bound, Instant at) {
    String written = gesture.toString();
    boolean atOnce =
        lastAt.isPresent() && Duration.between(lastAt.get(), at).abs().compareTo(MOMENTS) <= 0;
    boolean digit = inCode && isDigit(gesture) && (atOnce || !bound);
    if (bound && !digit) {
      other();
      return true;
    }
    inCode = digit || beginsCode(gesture);
    if (!atOnce) {
      row = 0;
      different = false;
    }
    different |= spelled > 1 || (row > 0 && !written.equals(last));
    row += spelled;
    last = written;
    lastAt = Optional.of(at);
    return !digit && (row <= Typing.MOST_SPELLED || !different);
  }

  private static boolean beginsCode(Gesture gesture) {
    return gesture.steps().getLast() instanceof Step.Stroke s
        && s.held().modifiers().eitherSide().equals(CODE)
        && isKey(s.key(), 'u', Key.KeyU);
  }

  private static boolean isDigit(Gesture gesture) {
    return gesture.steps().getFirst() instanceof Step.Stroke s
        && s.held().modifiers().eitherSide().equals(CODE)
        && switch (s.key()) {
          case KeyRef.Typed(int c) -> Character.digit(c, 16) >= 0;
          case KeyRef.Placed(Key key) ->
              HEX.contains(key) || key.name().matches("(Digit|Numpad)[0-9]");
          case KeyRef.AnyOf _ -> true;
        };
  }

  private static boolean isKey(KeyRef key, char typed, Key placed) {
    return switch (key) {
      case KeyRef.Typed(int c) -> Character.toLowerCase(c) == typed;
      case KeyRef.Placed(Key k) -> k == placed;
      case KeyRef.AnyOf _ -> false;
    };
  }
}
