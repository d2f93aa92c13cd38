package polydex.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;

/**
 * Takes a cell of gestures apart: what stands in brackets, a footnote's mark at the end, and what
 * stands between alternatives. Looks at each character a fixed number of times, whatever the cell.
 */
final class CellScanner {
  /** Characters from here on, for nobody's use, stand for what was in brackets. */
  static final char FIRST_MARK = '\ue000';

  private static final int MOST_MARKS = 64;
  private static final int MOST_COMMAS = 64;
  private static final Pattern COMMA = Pattern.compile("(?<=\\S),\\s+(?=\\S)");
  private static final String MARKS = "†‡§¹²³";
  private static final int MOST_STARS = 3;
  private static final int MOST_DIGITS = 2;
  private static final int SHORTEST_REMARK = 3;

  /**
   * A cell without what stood in brackets.
   *
   * @param rest what is left, with a mark for each pair of brackets
   * @param said what stood in each pair of brackets
   */
  record Bracketed(String rest, List<String> said) {}

  private CellScanner() {}

  /** Whether {@code c} is a space, a tab or the end of a line. */
  static boolean isSpace(char c) {
    return c == ' ' || (c >= '\t' && c <= '\r');
  }

  /**
   * Takes out brackets that are remarks: round ones behind something, with two letters or digits in
   * them, since {@code Ctrl+(} is a key; and square ones behind a space, with three characters.
   */
  static Bracketed brackets(String cell) {
    Steps.take(cell.length());
    StringBuilder rest = new StringBuilder();
    List<String> said = new ArrayList<>();
    boolean afterSpace = false;
    int at = 0;
    while (at < cell.length()) {
      char c = cell.charAt(at);
      int close = c == '(' || c == '[' ? closing(cell, at) : -1;
      if (close >= 0 && said.size() < MOST_MARKS && isRemark(cell, at, close, rest, afterSpace)) {
        while (!rest.isEmpty() && isSpace(rest.charAt(rest.length() - 1))) {
          rest.setLength(rest.length() - 1);
        }
        rest.append((char) (FIRST_MARK + said.size()));
        said.add(cell.substring(at + 1, close));
        at = close + 1;
        afterSpace = false;
      } else {
        rest.append(isMark(c) ? '\ufffd' : c); // what stands for brackets comes from here only
        afterSpace = isSpace(c);
        at++;
      }
    }
    return new Bracketed(rest.toString(), said);
  }

  private static boolean isMark(char c) {
    return c >= FIRST_MARK && c < FIRST_MARK + MOST_MARKS;
  }

  /** A part without its marks. */
  static String unmarked(String part) {
    StringBuilder plain = new StringBuilder(part.length());
    for (int i = 0; i < part.length(); i++) {
      if (!isMark(part.charAt(i))) {
        plain.append(part.charAt(i));
      }
    }
    return plain.toString().strip();
  }

  /** The numbers of the brackets that stood in a part. */
  static List<Integer> marks(String part) {
    List<Integer> all = new ArrayList<>();
    for (int i = 0; i < part.length(); i++) {
      if (isMark(part.charAt(i))) {
        all.add(part.charAt(i) - FIRST_MARK);
      }
    }
    return all;
  }

  /** The first of them; -1 where there is none. */
  static int mark(String part) {
    return marks(part).stream().findFirst().orElse(-1);
  }

  /** Where the bracket closes that opens here, if no other opens before; -1 where it does not. */
  private static int closing(String cell, int open) {
    char opens = cell.charAt(open);
    char closes = opens == '(' ? ')' : ']';
    int at = open + 1;
    while (at < cell.length() && cell.charAt(at) != opens && cell.charAt(at) != closes) {
      at++;
    }
    Steps.take(at - open);
    return at < cell.length() && cell.charAt(at) == closes ? at : -1;
  }

  private static boolean isRemark(
      String cell, int open, int close, StringBuilder rest, boolean afterSpace) {
    if (cell.charAt(open) == '[') {
      return afterSpace
          && close - open - 1 >= SHORTEST_REMARK
          && !isJoined(cell, close + 1)
          && lastSign(rest) != '+';
    }
    boolean behindSomething = lastSign(rest) != ' ';
    boolean apart = afterSpace && "+-".indexOf(lastSign(rest)) < 0;
    return behindSomething
        && (hasTwoSigns(cell, open + 1, close)
            || (apart && close == open + 2 && Character.isLetterOrDigit(cell.charAt(open + 1))));
  }

  /** The last character that is no space; a space where there is none. */
  private static char lastSign(StringBuilder text) {
    int at = text.length();
    while (at > 0 && isSpace(text.charAt(at - 1))) {
      at--;
    }
    return at == 0 ? ' ' : text.charAt(at - 1);
  }

  /** Whether a plus sign follows, so that the bracket is about a key. */
  private static boolean isJoined(String cell, int behind) {
    int next = skip(cell, behind, CellScanner::isSpace);
    return next < cell.length() && cell.charAt(next) == '+';
  }

  private static boolean hasTwoSigns(String cell, int from, int to) {
    int seen = 0;
    for (int i = from; i < to && seen < 2; i++) {
      char c = cell.charAt(i);
      boolean sign = Character.isLetterOrDigit(c) || (seen == 1 && (c == '.' || c == '+'));
      seen += sign ? 1 : 0;
    }
    return seen == 2;
  }

  /** Where a footnote's mark begins that stands behind a letter or digit at the end; or the end. */
  static int footnote(String text) {
    int end = skipSpacesBack(text, text.length());
    int mark = marksBack(text, end);
    if (mark == end) {
      mark = starsBack(text, end);
    }
    if (mark == end) {
      mark = numberBack(text, end);
    }
    boolean behind =
        mark < end && mark > 0 && Character.isLetterOrDigit(text.codePointBefore(mark));
    return behind ? mark : text.length();
  }

  private static int skipSpacesBack(String text, int from) {
    int at = from;
    while (at > 0 && isSpace(text.charAt(at - 1))) {
      at--;
    }
    Steps.take(from - at + 1);
    return at;
  }

  private static int marksBack(String text, int end) {
    int at = end;
    while (at > 0 && MARKS.indexOf(text.charAt(at - 1)) >= 0) {
      at--;
    }
    Steps.take(end - at + 1);
    return at == end ? end : skipSpacesBack(text, at);
  }

  private static int starsBack(String text, int end) {
    int at = end;
    while (at > 0 && end - at < MOST_STARS && text.charAt(at - 1) == '*') {
      at--;
    }
    return at;
  }

  private static int numberBack(String text, int end) {
    if (end == 0 || text.charAt(end - 1) != ']') {
      return end;
    }
    int at = end - 1;
    while (at > 0 && end - 1 - at < MOST_DIGITS && isDigit(text.charAt(at - 1))) {
      at--;
    }
    boolean isNumber = at < end - 1 && at > 0 && text.charAt(at - 1) == '[';
    return isNumber ? skipSpacesBack(text, at - 1) : end;
  }

  private static boolean isDigit(char c) {
    return c >= '0' && c <= '9';
  }

  /**
   * The parts between which stands what can only divide alternatives: "or" and "and also", a line's
   * end, a stroke or a bar with spaces about it, a semicolon with a space behind it. Empty ones at
   * the end are left out.
   */
  static List<String> alternatives(String text, Set<String> orWords) {
    List<String> parts = new ArrayList<>();
    int start = 0;
    int at = 0;
    while (at < text.length()) {
      int end = dividerEnd(text, at, orWords);
      if (end > at) {
        parts.add(text.substring(start, at));
        start = end;
        at = end;
      } else {
        at = isSpace(text.charAt(at)) ? skip(text, at, CellScanner::isSpace) : at + 1;
      }
    }
    parts.add(text.substring(start));
    return withoutEmptyEnd(parts);
  }

  private static int skip(String text, int from, Predicate<Character> what) {
    int at = from;
    while (at < text.length() && what.test(text.charAt(at))) {
      at++;
    }
    Steps.take(at - from + 1);
    return at;
  }

  /** Where what divides here ends; or {@code at} where nothing does. */
  private static int dividerEnd(String text, int at, Set<String> orWords) {
    char c = text.charAt(at);
    int behind = skip(text, at, CellScanner::isSpace);
    if (hasLineEnd(text, at, behind)) {
      return behind;
    }
    if (c == ',' || c == ';') {
      int word = skip(text, at + 1, CellScanner::isSpace);
      int end = word > at + 1 ? wordEnd(text, word, orWords) : word;
      return end > word ? end : c == ';' && word > at + 1 ? word : at;
    }
    if (behind == at || behind == text.length()) {
      return at;
    }
    char next = text.charAt(behind);
    if (next == ',' || next == ';') {
      int end = dividerEnd(text, behind, orWords);
      return end > behind ? end : at;
    }
    if (next == '/' || next == '|') {
      int end = skip(text, behind + 1, CellScanner::isSpace);
      return end > behind + 1 ? end : at;
    }
    int end = wordEnd(text, behind, orWords);
    return end > behind ? end : at;
  }

  private static boolean hasLineEnd(String text, int from, int to) {
    for (int i = from; i < to; i++) {
      if (text.charAt(i) == '\n' || text.charAt(i) == '\r') {
        return true;
      }
    }
    return false;
  }

  /** Behind "or" or what a language has for it, or "and also", and the spaces after it. */
  private static int wordEnd(String text, int at, Set<String> orWords) {
    int behind = at;
    for (String word : orWords) {
      behind = startsWith(text, word, at) ? at + word.length() : behind;
    }
    behind = startsWith(text, "or", at) ? at + 2 : behind;
    behind = startsWith(text, "and also", at) ? at + 8 : behind;
    int end = skip(text, behind, CellScanner::isSpace);
    return behind > at && end > behind ? end : at;
  }

  private static boolean startsWith(String text, String word, int at) {
    return text.regionMatches(true, at, word, 0, word.length());
  }

  /** The parts between commas with a space behind them, at most {@value #MOST_COMMAS}. */
  static List<String> commas(String text) {
    return List.of(COMMA.split(text, MOST_COMMAS));
  }

  /** The parts between strokes, without the spaces about them. */
  static List<String> slashed(String text) {
    Steps.take(text.length());
    List<String> parts = new ArrayList<>();
    int start = 0;
    for (int i = text.indexOf('/'); i >= 0; i = text.indexOf('/', start)) {
      parts.add(text.substring(start, i).strip());
      start = i + 1;
    }
    parts.add(text.substring(start).strip());
    return withoutEmptyEnd(parts);
  }

  private static List<String> withoutEmptyEnd(List<String> parts) {
    while (parts.size() > 1 && parts.getLast().isEmpty()) {
      parts.removeLast();
    }
    return parts;
  }
}
