package polydex.keys;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Takes off what people put about keys to make them look like keys: brackets of any kind,
 * backticks, stars, the roles of markup. What is left is read as if it had been written plainly.
 * O(n) in the length of the text.
 */
final class Undressed {
  private static final int LONGEST = 300;
  private static final Pattern ROLE =
      Pattern.compile("(?::[a-z]{3,8}:|@[a-z]{3,6}|\\bkbd:)(?=[`{\\[])");
  private static final Pattern BOLD = Pattern.compile("\\*\\*([^*]+)\\*\\*|__([^_]+)__");
  private static final Pattern STARRED =
      Pattern.compile("(?<![\\p{L}\\p{N}])\\*([^*+\\s][^*]{0,40}?)\\*(?![\\p{L}\\p{N}])");
  private static final Pattern BOXED =
      Pattern.compile(
          "\\[([^\\[\\]\\s][^\\[\\]]{0,40})\\]|<([^<>\\s][^<>]{0,40})>|\\{([^{}\\s][^{}]{0,40})\\}");
  private static final Pattern TOUCHING = Pattern.compile("(?<=[\\]>}])\\s*(?=[\\[<{])");

  private Undressed() {}

  /** The same text in plain words; itself where nothing is about its keys. */
  static String of(String text) {
    if (text.length() > LONGEST) {
      return text;
    }
    String plain = ROLE.matcher(text).replaceAll("");
    if (count(plain, '`') % 2 == 0 && count(plain, '`') > 0 && !plain.equals("``")) {
      plain = plain.replaceAll("``+", "`").replace("`", "");
    }
    plain = BOLD.matcher(plain).replaceAll(r -> quoted(r.group(1), r.group(2), null));
    plain = STARRED.matcher(plain).replaceAll(r -> quoted(r.group(1), null, null));
    if (isBoxed(plain)) {
      plain = TOUCHING.matcher(plain).replaceAll("+");
      plain = BOXED.matcher(plain).replaceAll(r -> quoted(r.group(1), r.group(2), r.group(3)));
    }
    return plain.strip();
  }

  private static String quoted(String one, String two, String three) {
    return Matcher.quoteReplacement(one != null ? one : two != null ? two : three);
  }

  /**
   * Whether boxes are all there is but what joins them; or plain keys that are joined to each, so
   * that a number in brackets behind a stroke stays the mark of a note.
   */
  private static boolean isBoxed(String text) {
    if (!BOXED.matcher(text).find()) {
      return false;
    }
    String between = BOXED.matcher(text).replaceAll("\u0000");
    return between.matches("[\u0000+,;\\s&\u2013-]*")
        || between.matches("(?:[\\p{L}\\p{N}]+|\u0000)(?:\\s?[+-]\\s?(?:[\\p{L}\\p{N}]+|\u0000))+");
  }

  private static int count(String text, char wanted) {
    return (int) text.chars().filter(c -> c == wanted).count();
  }
}
