package polydex.recognition;

import java.util.Locale;
import java.util.regex.Pattern;

/**
 * A name as it stands in a window, without what differs from one showing to the next: case,
 * punctuation, the dots that promise a dialog, and the marks of access keys ({@code &} or {@code _}
 * before a letter, or the letter in brackets at the end).
 */
final class PlainName {
  private static final Pattern ACCESS_KEY_BEHIND = Pattern.compile("\\([&_]?\\p{L}\\)\\s*$");
  private static final Pattern ACCESS_KEY_MARK = Pattern.compile("[&_](?=[\\p{L}\\p{N}])");
  private static final Pattern OTHER = Pattern.compile("[^\\p{L}\\p{N}]+");

  private PlainName() {}

  /** O(length). */
  static String of(String written) {
    String dotless = written.replace("\u2026", "").replace("...", "").strip();
    String bare = ACCESS_KEY_BEHIND.matcher(dotless).replaceFirst("");
    String unmarked = ACCESS_KEY_MARK.matcher(bare).replaceAll("");
    return OTHER.matcher(unmarked.toLowerCase(Locale.ROOT)).replaceAll(" ").strip();
  }
}
