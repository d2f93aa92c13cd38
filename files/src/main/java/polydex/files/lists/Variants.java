package polydex.files.lists;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import polydex.intake.Steps;

/**
 * Values in the text form of GVariant, as settings of GLib are written: only strings and arrays of
 * them, which is all that gestures are ever in. Each character is looked at once.
 */
public final class Variants {
  private final String text;
  private int at;

  private Variants(String text) {
    this.text = text;
  }

  /** The strings of a value; none where it is something else. */
  public static Optional<List<String>> strings(String value) {
    Steps.take(value.length() + 1);
    return new Variants(value.strip()).value();
  }

  private Optional<List<String>> value() {
    if (text.startsWith("@as")) {
      at = 3;
      skip(" \t\r\n");
      if (!isAt('[')) {
        return Optional.empty();
      }
    }
    boolean array = isAt('[');
    if (array && !text.endsWith("]")) {
      return Optional.empty();
    }
    int end = array ? text.length() - 1 : text.length();
    at += array ? 1 : 0;
    List<String> all = new ArrayList<>();
    skip(", \t\r\n");
    while (at < end) {
      Optional<String> string = string(end);
      if (string.isEmpty()) {
        return Optional.empty();
      }
      all.add(string.get());
      skip(", \t\r\n");
    }
    return array || all.size() == 1 ? Optional.of(all) : Optional.empty();
  }

  private boolean isAt(char c) {
    return at < text.length() && text.charAt(at) == c;
  }

  private void skip(String signs) {
    while (at < text.length() && signs.indexOf(text.charAt(at)) >= 0) {
      at++;
    }
  }

  /** A string in either quote, a backslash before what is meant as it stands. */
  private Optional<String> string(int end) {
    char quote = text.charAt(at);
    if (quote != '\'' && quote != '"') {
      return Optional.empty();
    }
    StringBuilder said = new StringBuilder();
    for (at++; at < end; at++) {
      char c = text.charAt(at);
      if (c == quote) {
        at++;
        return Optional.of(said.toString());
      }
      if (c == '\\' && at + 1 < end) {
        at++;
        c = text.charAt(at);
      }
      said.append(c);
    }
    return Optional.empty();
  }

  /** Whether a string is written as an accelerator: a modifier in angles, or the name of a key. */
  static boolean isAccelerator(String text) {
    int key = behindModifiers(text);
    String name = text.substring(key);
    if (key > 0) {
      return name.isEmpty() || isWord(name);
    }
    return text.equals("Print")
        || (text.startsWith("XF86") && text.length() > 4 && isWord(text))
        || (text.startsWith("F")
            && text.length() > 1
            && text.length() < 4
            && text.chars().skip(1).allMatch(c -> c >= '0' && c <= '9'));
  }

  private static int behindModifiers(String text) {
    int at = 0;
    while (at < text.length() && text.charAt(at) == '<') {
      int close = text.indexOf('>', at);
      if (close < at + 2 || !isWord(text.substring(at + 1, close))) {
        return at;
      }
      at = close + 1;
    }
    return at;
  }

  private static boolean isWord(String text) {
    return text.chars().allMatch(c -> (c < 128 && Character.isLetterOrDigit(c)) || c == '_');
  }

  /** The gestures of a value, where it has some and nothing else. */
  public static Optional<List<String>> gestures(String value) {
    return strings(value)
        .map(l -> l.stream().filter(s -> !s.isEmpty() && !s.equals("disabled")).toList())
        .filter(l -> !l.isEmpty() && l.stream().anyMatch(Variants::isAccelerator));
  }

  /** {@code switch-windows-backward} as people say it. */
  public static String title(String key) {
    String spaced = key.replaceAll("[-_.]+", " ").strip();
    return spaced.isEmpty()
        ? key
        : spaced.substring(0, 1).toUpperCase(Locale.ROOT) + spaced.substring(1);
  }
}
