package polydex.files.sheets;

import java.util.ArrayList;
import java.util.List;

/** Text broken into lines. */
final class Lettering {
  /** Of the size of the type, from one baseline to the next. */
  static final double LEADING = 1.3;

  /** Of the size of the type, from the top of a line to its baseline. */
  static final double ASCENT = 0.98;

  /** No line holds more letters. */
  private static final int LONGEST_LINE = 500;

  private static final String DOTS = "…";

  private Lettering() {}

  /**
   * Lines no wider than that; words that are wider are broken where they must be. O(length).
   *
   * @param width in ems
   * @param most so many lines; the last ends in three dots if that was not enough
   */
  static List<String> lines(Typeface face, String text, double width, int most) {
    List<String> lines = new ArrayList<>();
    StringBuilder line = new StringBuilder();
    double so = 0;
    // Nobody reads more than fits into these lines, however long it is.
    String shown = text.substring(0, Math.min(text.length(), 400 * most));
    for (String word : Typeface.shown(shown).strip().split(" +")) {
      double wide = face.widthOf(word);
      double space = line.isEmpty() ? 0 : face.width(" ");
      if (so + space + wide > width && !line.isEmpty()) {
        lines.add(line.toString());
        line.setLength(0);
        so = 0;
        space = 0;
      }
      if (wide > width) {
        for (String part : broken(face, word, width)) {
          if (!line.isEmpty()) {
            lines.add(line.toString());
          }
          line.setLength(0);
          line.append(part);
          so = face.widthOf(part);
        }
      } else {
        line.append(space > 0 ? " " : "").append(word);
        so += space + wide;
      }
      if (lines.size() > most) {
        break;
      }
    }
    if (!line.isEmpty()) {
      lines.add(line.toString());
    }
    if (lines.size() > most || shown.length() < text.length()) {
      List<String> kept = new ArrayList<>(lines.subList(0, Math.min(most, lines.size())));
      kept.add(cut(face, kept.removeLast() + DOTS, width));
      return kept;
    }
    return lines.isEmpty() ? List.of("") : lines;
  }

  /** Whether {@link #lines} leaves something out. */
  static boolean isCut(List<String> lines) {
    return lines.getLast().endsWith(DOTS);
  }

  private static List<String> broken(Typeface face, String word, double width) {
    List<String> parts = new ArrayList<>();
    StringBuilder part = new StringBuilder();
    for (int c : word.codePoints().toArray()) {
      // What a word is set in hangs on all of its letters, so it is measured as a whole each time;
      // it is no longer than a line.
      int so = part.length();
      part.appendCodePoint(c);
      if (so > 0 && face.widthOf(part.toString()) > width) {
        part.setLength(so);
        parts.add(part.toString());
        part.setLength(0);
        part.appendCodePoint(c);
      }
    }
    parts.add(part.toString());
    return parts;
  }

  /** The beginning of a text that fits a width, with three dots where it is not all of it. */
  static String cut(Typeface face, String text, double width) {
    if (face.widthOf(text) <= width) {
      return text;
    }
    String best = "";
    StringBuilder kept = new StringBuilder();
    for (int c : text.codePoints().limit(LONGEST_LINE).toArray()) {
      kept.appendCodePoint(c);
      String tried = kept.toString().strip() + DOTS;
      if (face.widthOf(tried) > width) {
        break;
      }
      best = tried;
    }
    return best.isEmpty() ? DOTS : best;
  }

  /** Marks of a text at a place. */
  static List<Mark> set(
      Typeface face, String text, double size, double x, double y, boolean quiet) {
    List<Mark> marks = new ArrayList<>();
    double at = x;
    for (Typeface.Run run : face.runs(text)) {
      marks.add(new Mark.Text(at, y, run.face(), size, run.text(), quiet));
      at += run.width() * size;
    }
    return marks;
  }
}
