package polydex.keys;

import java.util.List;

/**
 * Makes visible what would do something to whoever shows it: control characters, which a terminal
 * obeys, and characters that turn the direction of the text about them, by which one name passes
 * for another. Names and messages go through here before anybody sees them; ends of lines and tabs
 * stay.
 */
public final class Visible {
  private static final int CONTROL_PICTURES = 0x2400;
  private static final int DELETE_PICTURE = 0x2421;
  private static final int DELETE = 0x7f;

  private Visible() {}

  /** The same text, or one in which signs stand for such characters; O(length). */
  public static String of(String text) {
    return acts(text) ? shown(text) : text;
  }

  private static boolean acts(String text) {
    for (int i = 0; i < text.length(); i++) {
      if (acts(text.charAt(i))) {
        return true;
      }
    }
    return false;
  }

  /** The same list where nothing in it acts, which is nearly always. */
  public static List<String> all(List<String> texts) {
    for (String text : texts) {
      if (acts(text)) {
        return texts.stream().map(Visible::of).toList();
      }
    }
    return texts;
  }

  /** At most so many characters of it, with three dots where it is longer. */
  public static String of(String text, int most) {
    return of(text.length() <= most ? text : text.substring(0, most - 3) + "...");
  }

  private static String shown(String text) {
    StringBuilder shown = new StringBuilder(text.length() + 16);
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      if (!acts(c)) {
        shown.append(c);
      } else if (c < ' ') {
        shown.append((char) (CONTROL_PICTURES + c));
      } else if (c == DELETE) {
        shown.append((char) DELETE_PICTURE);
      } else {
        shown.append("\u2039U+%04X\u203a".formatted((int) c));
      }
    }
    return shown.toString();
  }

  private static boolean acts(char c) {
    if (c < ' ') {
      return c != '\n' && c != '\t' && c != '\r';
    }
    if (c < DELETE) {
      return false;
    }
    return c <= '\u009f'
        || c == '\u061c'
        || c == '\u200e'
        || c == '\u200f'
        || (c >= '\u2028' && c <= '\u202e')
        || (c >= '\u2066' && c <= '\u2069')
        || c == '\ufeff'
        || (c >= '\ufff9' && c <= '\ufffb');
  }
}
