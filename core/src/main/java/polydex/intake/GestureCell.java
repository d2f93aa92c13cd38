package polydex.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import polydex.catalog.Version;
import polydex.keys.Gesture;
import polydex.keys.GestureReader;
import polydex.keys.GestureSyntaxException;

/**
 * What a cell of gestures says: one gesture or several that do the same, with what stands in
 * brackets as a condition or a note. O(n) in the length of the cell for each way of dividing it.
 *
 * @param gestures at least one
 * @param since the first version that has them, where brackets say so
 * @param until the first version that no longer has them
 * @param note everything else in brackets, and footnotes
 */
public record GestureCell(
    List<Gesture> gestures, Optional<Version> since, Optional<Version> until, String note) {
  private static final Pattern BRACKETS =
      Pattern.compile(
          "(?<=\\S)\\s*\\(([^()]*[\\p{L}\\p{N}][^()]*[\\p{L}\\p{N}.+][^()]*)\\)|\\s+\\[([^\\[\\]]{3,})]");
  private static final Pattern FOOTNOTE =
      Pattern.compile("(?<=[\\p{L}\\p{N}])(\\s*[†‡§¹²³]+|\\*{1,3}|\\s*\\[\\d{1,2}])\\s*$");
  private static final Pattern SINCE =
      Pattern.compile(
          "(?i)(?:since|from|as of|starting with)(?: version| v)? ?v?(\\d[\\d.]*\\d|\\d)|v?(\\d[\\d.]*\\d|\\d) ?(?:\\+|and later|or later|and newer)");
  private static final Pattern UNTIL =
      Pattern.compile("(?i)(?:until|before|up to)(?: version| v)? ?v?(\\d[\\d.]*\\d|\\d)");

  /** What stands between alternatives beyond doubt. */
  private static final Pattern OR =
      Pattern.compile(
          "\\s*[,;]?\\s+(?:or|and also)\\s+|\\s+/\\s+|\\s*[\\r\\n]+\\s*|\\s+\\|\\s+|\\s*;\\s+");

  private static final Pattern SLASH = Pattern.compile("\\s*/\\s*");

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
    Optional<Version> since = Optional.empty();
    Optional<Version> until = Optional.empty();
    List<String> notes = new ArrayList<>();
    Matcher brackets = BRACKETS.matcher(cell);
    StringBuilder rest = new StringBuilder();
    while (brackets.find()) {
      String said = brackets.group(1) == null ? brackets.group(2) : brackets.group(1);
      Matcher first = SINCE.matcher(said);
      Matcher last = UNTIL.matcher(said);
      if (last.find()) {
        until = version(last.group(1));
      } else if (first.find()) {
        since = version(first.group(1) == null ? first.group(2) : first.group(1));
      } else if (!said.isBlank()) {
        notes.add(said.strip());
      }
      brackets.appendReplacement(rest, "");
    }
    brackets.appendTail(rest);
    String text = rest.toString().strip();
    Matcher mark = FOOTNOTE.matcher(text);
    // A star after a letter may be the key of that name: only a mark that leaves a gesture is one.
    if (mark.find() && reads(text.substring(0, mark.start()), reader)) {
      text = text.substring(0, mark.start());
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

  private static Optional<Version> version(String written) {
    try {
      return Optional.of(new Version(written));
    } catch (IllegalArgumentException _) {
      return Optional.empty();
    }
  }

  private static List<Gesture> alternatives(String text, GestureReader reader) {
    String[] clear = OR.split(text);
    if (clear.length > 1) {
      List<Gesture> all = new ArrayList<>();
      for (String part : clear) {
        if (!part.isBlank()) {
          all.addAll(alternatives(part.strip(), reader));
        }
      }
      return all.stream().distinct().toList();
    }
    try {
      return List.of(reader.read(text).gesture());
    } catch (GestureSyntaxException whole) {
      // F5/Ctrl+R: every part by itself must be a gesture, and none a bare key after a stroke with
      // modifiers, which may share them: Ctrl+Home/End.
      String[] parts = SLASH.split(text);
      if (parts.length < 2) {
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
