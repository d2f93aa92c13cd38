package polydex.intake;

import java.util.List;
import java.util.Set;
import polydex.keys.Gesture;
import polydex.keys.KeyRef;
import polydex.keys.Step;

/** How much a text looks like a gesture. */
enum Likeness {
  /** It can be nothing else: something is held, or a key is named that is no word. */
  STRONG,
  /** It could be a key, or a word or number just as well. */
  WEAK,
  /** It says that there is none. */
  NOTHING,
  /** It is none. */
  NONE;

  private static final int LONGEST = 160;

  /** Keys whose names are words. */
  private static final Set<String> WORDS =
      Set.of(
          "Home",
          "End",
          "Insert",
          "Delete",
          "Find",
          "Help",
          "Undo",
          "Copy",
          "Cut",
          "Paste",
          "Menu",
          "Pause",
          "PrintScreen",
          "Space",
          "Enter",
          "Left",
          "Right",
          "Up",
          "Down",
          "Convert",
          "Power",
          "Sleep",
          "Eject",
          "Tab",
          "Click",
          "Drag",
          "AudioVolumeMute",
          "LaunchApp2");

  /** How much it looks like one to whom it looks most so. */
  static Likeness of(String text, List<CellReader> readers) {
    Likeness best = NONE;
    for (CellReader reader : readers) {
      Likeness like = text.length() > LONGEST ? NONE : of(text, reader);
      if (like.compareTo(best) < 0) {
        best = like;
      }
      if (best == STRONG) {
        break;
      }
    }
    return best;
  }

  private static Likeness of(String text, CellReader reader) {
    return switch (reader.read(text)) {
      case GestureCell.Nothing _ -> NOTHING;
      case GestureCell.Unclear _ -> WEAK;
      case GestureCell.Unreadable _ -> NONE;
      case GestureCell.Read(GestureCell cell) ->
          cell.gestures().stream().filter(Likeness::isStrong).count() > cell.unread().size()
              ? STRONG
              : WEAK;
    };
  }

  private static boolean isStrong(Gesture gesture) {
    return gesture.modifierPresses() > 0
        || gesture.steps().stream()
            .anyMatch(
                s ->
                    s instanceof Step.Stroke(var _, KeyRef.Placed(var key))
                        && !WORDS.contains(key.keyName().orElse(key.name())));
  }
}
