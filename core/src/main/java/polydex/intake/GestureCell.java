package polydex.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.catalog.Version;
import polydex.keys.Gesture;
import polydex.keys.GestureReader;
import polydex.keys.GestureSyntaxException;

/**
 * What a cell of gestures says: one gesture or several that do the same, with what stands in
 * brackets as a condition or a note. O(n) in the length of the cell.
 *
 * @param gestures at least one
 * @param since the first version that has them, where brackets say so
 * @param until the first version that no longer has them
 * @param note everything else in brackets, and footnotes
 */
public record GestureCell(
    List<Gesture> gestures, Optional<Version> since, Optional<Version> until, String note) {
  /** The longest cell, in characters. */
  private static final int LONGEST = 4000;

  /** Copies the list. */
  public GestureCell {
    gestures = List.copyOf(gestures);
  }

  /**
   * Reads a cell.
   *
   * @throws GestureSyntaxException where a part of it is no gesture; nothing is guessed
   */
  public static GestureCell read(String cell, GestureReader reader) {
    if (cell.length() > LONGEST) {
      throw new GestureSyntaxException(
          cell.substring(0, 40), 41, "the end; a cell of gestures has at most 4000 characters");
    }
    Optional<Version> since = Optional.empty();
    Optional<Version> until = Optional.empty();
    List<String> notes = new ArrayList<>();
    CellScanner.Bracketed cellParts = CellScanner.brackets(cell);
    for (String said : cellParts.said()) {
      Optional<VersionRemark> version = VersionRemark.of(said);
      if (version.isEmpty()) {
        if (!said.isBlank()) {
          notes.add(said.strip());
        }
      } else if (version.get().isLast()) {
        until = version.get().version();
      } else {
        since = version.get().version();
      }
    }
    String text = cellParts.rest().strip();
    // A star after a letter may be the key of that name: only a mark that leaves a gesture is one.
    int mark = CellScanner.footnote(text);
    if (mark < text.length() && reads(text.substring(0, mark), reader)) {
      text = text.substring(0, mark);
    }
    return new GestureCell(alternatives(text, reader), since, until, String.join("; ", notes));
  }

  private static boolean reads(String text, GestureReader reader) {
    try {
      alternatives(text, reader);
      return true;
    } catch (GestureSyntaxException _) {
      return false;
    }
  }

  private static List<Gesture> alternatives(String text, GestureReader reader) {
    List<String> clear = CellScanner.alternatives(text);
    if (clear.size() > 1) {
      List<Gesture> all = new ArrayList<>();
      for (String part : clear) {
        if (!part.isBlank()) {
          all.addAll(oneOrSlashed(part.strip(), reader));
        }
      }
      return all.stream().distinct().toList();
    }
    return oneOrSlashed(text, reader);
  }

  private static List<Gesture> oneOrSlashed(String text, GestureReader reader) {
    Steps.take(text.length());
    try {
      return List.of(reader.read(text).gesture());
    } catch (GestureSyntaxException whole) {
      // F5/Ctrl+R: every part by itself must be a gesture, and none a bare key after a stroke with
      // modifiers, which may share them: Ctrl+Home/End.
      List<String> parts = CellScanner.slashed(text);
      if (parts.size() < 2) {
        throw whole;
      }
      List<Gesture> all = new ArrayList<>();
      boolean before = false;
      for (String part : parts) {
        Gesture gesture;
        try {
          gesture = reader.read(part).gesture();
        } catch (GestureSyntaxException _) {
          throw whole;
        }
        if (before && gesture.modifierPresses() == 0) {
          throw new GestureSyntaxException(
              text, text.indexOf('/') + 1, "“or” with the whole gesture after it");
        }
        before |= gesture.modifierPresses() > 0;
        all.add(gesture);
      }
      return all;
    }
  }
}
