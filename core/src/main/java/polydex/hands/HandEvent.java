package polydex.hands;

import java.util.Optional;
import polydex.keys.Key;
import polydex.keys.Modifier;

/** Something that a keyboard or a pointer reports. */
public sealed interface HandEvent {
  /** When, in milliseconds of any one clock. */
  long millis();

  /**
   * A key goes down, or repeats while it is down.
   *
   * @param id tells the keys of a keyboard apart
   * @param key its place, where that is known
   * @param modifier what it is as a modifier; none for any other key
   */
  record KeyDown(long millis, int id, Optional<Key> key, Optional<Modifier> modifier)
      implements HandEvent {}

  /**
   * A key goes up.
   *
   * @param id as when it went down
   */
  record KeyUp(long millis, int id) implements HandEvent {}

  /**
   * A button goes down.
   *
   * @param button as the X Window System counts them: 1 left, 2 middle, 3 right
   */
  record ButtonDown(long millis, int button, int x, int y) implements HandEvent {}

  /** A button goes up. */
  record ButtonUp(long millis, int button, int x, int y) implements HandEvent {}

  /** The pointer is elsewhere. */
  record Moved(long millis, int x, int y) implements HandEvent {}

  /** The wheel goes one notch, in any direction. */
  record Wheel(long millis, int x, int y) implements HandEvent {}
}
