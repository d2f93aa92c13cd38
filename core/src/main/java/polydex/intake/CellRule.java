package polydex.intake;

/**
 * A rule by which a cell was read as more than one plain gesture; each is shown with an example.
 */
public enum CellRule {
  /** {@code Ctrl/Cmd+S}. */
  SYSTEMS("with several systems side by side"),
  /** {@code Ctrl+K, Ctrl+S} as one after the other. */
  SEQUENCE("with one stroke after the other between commas"),
  /** {@code F5, Ctrl+R} as either. */
  EITHER("with commas between gestures that do the same"),
  /** {@code Ctrl+Up/Down}. */
  SHARED("with modifiers that hold for what is behind the slash, too"),
  /** {@code Ctrl+1 to Ctrl+8}. */
  RANGE("with a range of keys"),
  /** {@code Ctrl+S (in lists)}. */
  NOTE("with a note in brackets"),
  /** {@code Ctrl+S*}. */
  FOOTNOTE("with the mark of a footnote, which goes"),
  /** {@code Ctrl+C or the menu}. */
  PARTLY("with a part that can't be read; the others are taken"),
  /** {@code ["Ctrl", "S"]} or {@code ["G", "I"]}. */
  ARRAY("with several texts in one array"),
  /** {@code none}. */
  NOTHING("without a gesture, in so many words");

  private final String words;

  CellRule(String words) {
    this.words = words;
  }

  /** What follows "12 cells". */
  public String words() {
    return words;
  }
}
