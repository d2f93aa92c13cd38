package polydex.desktop.keys;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.keys.Gesture;
import polydex.own.OwnKey;

/**
 * A command that works somewhere: it is dispatched from here, and shown on the rail from here.
 *
 * @param own its line in the table of the program's keys; none for what only stands on a page, by
 *     its number there
 * @param gestures single strokes that run it; the first is the one that is shown
 * @param title what it does, in two or three words
 * @param onRail whether the rail has room for it
 * @param run what it does
 */
public record KeyCommand(
    Optional<OwnKey> own, List<Gesture> gestures, String title, boolean onRail, Runnable run) {
  /** Copies the list. */
  public KeyCommand {
    gestures = List.copyOf(gestures);
  }

  /** A command on the rail, by its title in the table. */
  public static KeyCommand of(OwnKey key, Runnable run) {
    return of(key, key.title(), run);
  }

  /** A command on the rail. */
  public static KeyCommand of(OwnKey key, String title, Runnable run) {
    return new KeyCommand(Optional.of(key), key.usual(), title, true, run);
  }

  /** A command that works without being shown on the rail, by its title in the table. */
  public static KeyCommand quiet(OwnKey key, Runnable run) {
    return quiet(key, key.title(), run);
  }

  /** A command that works without being shown on the rail. */
  public static KeyCommand quiet(OwnKey key, String title, Runnable run) {
    return new KeyCommand(Optional.of(key), key.usual(), title, false, run);
  }

  /** What stands on a page under a number. */
  public static KeyCommand numbered(String digit, String title, Runnable run) {
    return new KeyCommand(Optional.empty(), List.of(Gesture.parse(digit)), title, false, run);
  }

  /** Whether it is this one of the table. */
  public boolean is(OwnKey key) {
    return own.equals(Optional.of(key));
  }

  /** The same with the keys that it has in a file. */
  KeyCommand by(Map<OwnKey, List<Gesture>> keys) {
    return own.map(
            key -> new KeyCommand(own, keys.getOrDefault(key, key.usual()), title, onRail, run))
        .orElse(this);
  }
}
