package polydex.files.lists;

import polydex.intake.Steps;

/** Spaces as a page means them. */
final class Spaces {
  private Spaces() {}

  /** With one space, or one end of a line, for each run of spaces. */
  static String joined(CharSequence text) {
    Steps.take(text.length());
    StringBuilder joined = new StringBuilder(text.length());
    int at = 0;
    while (at < text.length()) {
      char c = text.charAt(at);
      if (!isSpace(c)) {
        joined.append(c);
        at++;
        continue;
      }
      boolean ends = false;
      for (; at < text.length() && isSpace(text.charAt(at)); at++) {
        ends |= text.charAt(at) == '\n';
      }
      joined.append(ends ? '\n' : ' ');
    }
    return joined.toString();
  }

  private static boolean isSpace(char c) {
    return c == ' ' || c == '\t' || c == '\n' || c == '\u00a0';
  }
}
