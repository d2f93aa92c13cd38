package polydex.keys;

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
            ? "No gesture is written here. Write one such as Ctrl+Shift+S."
            : "Column %d of \u201c%s\u201d: expected %s."
                .formatted(column, shorten(text), expected));
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
