package polydex.keys;

import static polydex.language.CoreWords.worded;

/** A text that is not a gesture, with the place in it where reading stopped. */
public final class GestureSyntaxException extends IllegalArgumentException {
  private static final long serialVersionUID = 1L;

  private final int column;
  private final String expected;

  /**
   * A refusal.
   *
   * @param column where, counted from 1
   * @param expected what could have stood there, as the rest of a sentence
   */
  public GestureSyntaxException(String text, int column, String expected) {
    super(
        text.isBlank()
            ? worded("keys.no-gesture-is-written-here-write")
            : worded("keys.column-of-expected", column, shorten(text), expected));
    this.column = column;
    this.expected = expected;
  }

  /** Where reading stopped, counted from 1. */
  public int column() {
    return column;
  }

  /** What could have stood there. */
  public String expected() {
    return expected;
  }

  private static String shorten(String text) {
    return Visible.of(text, 60);
  }
}
