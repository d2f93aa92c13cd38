package polydex.desktop.keys;

import java.util.List;
import java.util.stream.Stream;
import polydex.keys.Gesture;

/**
 * A line of the table of keys: it is dispatched from there, and shown on the rail from there.
 *
 * @param gestures single strokes that run it; the first is the one that is shown
 * @param title what it does, in two or three words
 * @param onRail whether the rail has room for it
 * @param run what it does
 */
public record KeyCommand(List<Gesture> gestures, String title, boolean onRail, Runnable run) {
  /** Copies the list. */
  public KeyCommand {
    gestures = List.copyOf(gestures);
  }

  /** A command on the rail. */
  public static KeyCommand of(String gesture, String title, Runnable run) {
    return new KeyCommand(List.of(Gesture.parse(gesture)), title, true, run);
  }

  /** A command that works without being shown on the rail. */
  public static KeyCommand quiet(String gesture, String title, Runnable run) {
    return new KeyCommand(List.of(Gesture.parse(gesture)), title, false, run);
  }

  /** The same with one more gesture that runs it. */
  public KeyCommand or(String gesture) {
    List<Gesture> more =
        Stream.concat(gestures.stream(), Stream.of(Gesture.parse(gesture))).toList();
    return new KeyCommand(more, title, onRail, run);
  }
}
