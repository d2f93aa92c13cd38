package polydex.intake;

import static polydex.language.CoreWords.worded;

/**
 * A rule by which a cell was read as more than one plain gesture; each is shown with an example.
 */
public enum CellRule {
  /** {@code Ctrl/Cmd+S}. */
  SYSTEMS(worded("intake.with-several-systems-side-by-side")),
  /** {@code Ctrl+K, Ctrl+S} as one after the other. */
  SEQUENCE(worded("intake.with-one-stroke-after-the-other")),
  /** {@code F5, Ctrl+R} as either. */
  EITHER(worded("intake.with-commas-between-gestures-that-do")),
  /** {@code Ctrl+Up/Down}. */
  SHARED(worded("intake.with-modifiers-that-hold-for-what")),
  /** {@code Ctrl+1 to Ctrl+8}. */
  RANGE(worded("intake.with-a-range-of-keys")),
  /** {@code Ctrl+S (in lists)}. */
  NOTE(worded("intake.with-a-note-in-brackets")),
  /** {@code Ctrl+S*}. */
  FOOTNOTE(worded("intake.with-the-mark-of-a-footnote")),
  /** {@code Ctrl+C or the menu}. */
  PARTLY(worded("intake.with-a-part-that-cant-be")),
  /** {@code ["Ctrl", "S"]} or {@code ["G", "I"]}. */
  ARRAY(worded("intake.with-several-texts-in-one-array")),
  /** {@code none}. */
  NOTHING(worded("intake.without-a-gesture-in-so-many"));

  private final String words;

  CellRule(String words) {
    this.words = words;
  }

  /** What follows "12 cells". */
  public String words() {
    return words;
  }
}
