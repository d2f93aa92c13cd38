package polydex.intake;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import polydex.catalog.Version;

/**
 * A remark that says from or up to which version something holds: "since 3.1", "2.0 and later",
 * "until version 4".
 *
 * @param version which it is
 * @param isLast whether it is the first that no longer has it
 */
record VersionRemark(Optional<Version> version, boolean isLast) {
  private static final List<String> UNTIL = List.of("until", "before", "up to");
  private static final List<String> SINCE = List.of("since", "from", "as of", "starting with");
  private static final List<String> LATER = List.of("+", "and later", "or later", "and newer");
  private static final int LONGEST = 200;

  /** What a remark says of versions, if it does. */
  static Optional<VersionRemark> of(String said) {
    String text = said.toLowerCase(Locale.ROOT);
    Steps.take(text.length());
    if (text.length() > LONGEST) {
      return Optional.empty(); // this tells a story
    }
    return behind(text, UNTIL)
        .map(v -> new VersionRemark(version(v), true))
        .or(
            () ->
                behind(text, SINCE)
                    .or(() -> withMoreBehind(text))
                    .map(v -> new VersionRemark(version(v), false)));
  }

  private static Optional<Version> version(String written) {
    try {
      return Optional.of(new Version(written));
    } catch (IllegalArgumentException _) {
      return Optional.empty();
    }
  }

  private static Optional<String> behind(String text, List<String> words) {
    for (int i = 0; i < text.length(); i++) {
      for (String word : words) {
        if (text.startsWith(word, i)) {
          String number = number(text, skipTo(text, i + word.length()));
          if (!number.isEmpty()) {
            return Optional.of(number);
          }
        }
      }
    }
    return Optional.empty();
  }

  /** Behind "version" or "v" and a space, whichever are there. */
  private static int skipTo(String text, int from) {
    int at = from;
    if (text.startsWith(" version", at)) {
      at += 8;
    } else if (text.startsWith(" v", at)) {
      at += 2;
    }
    at += text.startsWith(" ", at) ? 1 : 0;
    return at + (text.startsWith("v", at) ? 1 : 0);
  }

  private static Optional<String> withMoreBehind(String text) {
    for (int i = 0; i < text.length(); i++) {
      String number = number(text, i);
      if (!number.isEmpty()) {
        int end = i + number.length();
        int next = text.startsWith(" ", end) ? end + 1 : end;
        if (LATER.stream().anyMatch(l -> text.startsWith(l, next))) {
          return Optional.of(number);
        }
        i = end;
      }
    }
    return Optional.empty();
  }

  /** Digits with dots between that begin here; nothing where none do. */
  private static String number(String text, int from) {
    int end = from;
    int last = from;
    while (end < text.length()
        && (isDigit(text.charAt(end)) || (end > from && text.charAt(end) == '.'))) {
      end++;
      last = isDigit(text.charAt(end - 1)) ? end : last;
    }
    return text.substring(from, last);
  }

  private static boolean isDigit(char c) {
    return c >= '0' && c <= '9';
  }
}
