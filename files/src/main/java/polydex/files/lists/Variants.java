package polydex.files.lists;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Values in the text form of GVariant, as settings of GLib are written: only strings and arrays of
 * them, which is all that gestures are ever in.
 */
final class Variants {
  private static final Pattern ARRAY = Pattern.compile("(?s)\\s*(@as\\s*)?\\[(.*)]\\s*");
  private static final Pattern STRING =
      Pattern.compile("'((?:[^'\\\\]|\\\\.)*)'|\"((?:[^\"\\\\]|\\\\.)*)\"");

  private Variants() {}

  /** The strings of a value; none where it is something else. */
  static Optional<List<String>> strings(String value) {
    Matcher array = ARRAY.matcher(value);
    String inside = array.matches() ? array.group(2) : value.strip();
    List<String> all = new ArrayList<>();
    Matcher string = STRING.matcher(inside);
    int end = 0;
    while (string.find()) {
      if (!inside.substring(end, string.start()).matches("[\\s,]*")) {
        return Optional.empty();
      }
      String text = string.group(1) == null ? string.group(2) : string.group(1);
      all.add(text.replaceAll("\\\\(.)", "$1"));
      end = string.end();
    }
    boolean only = inside.substring(end).matches("[\\s,]*");
    return only && (array.matches() || all.size() == 1) ? Optional.of(all) : Optional.empty();
  }

  /** Whether a string is written as an accelerator: a modifier in angles, or the name of a key. */
  static boolean isAccelerator(String text) {
    return text.matches("(<\\w+>)+\\w+|F\\d{1,2}|XF86\\w+|Print|(<\\w+>)+");
  }

  /** {@code switch-windows-backward} as people say it. */
  static String title(String key) {
    String spaced = key.replaceAll("[-_.]+", " ").strip();
    return spaced.isEmpty()
        ? key
        : spaced.substring(0, 1).toUpperCase(Locale.ROOT) + spaced.substring(1);
  }
}
