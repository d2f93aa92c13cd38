package polydex.sheets;

import static polydex.language.CoreWords.worded;

/** What a sheet can be about. */
public enum SheetKind {
  /** What a keymap says. */
  ENVIRONMENT("environment", worded("sheets.one-platform-or-application")),
  /** What works in a setup, traced. */
  SETUP("setup", worded("sheets.what-works-in-this-setup")),
  /** What is different where one is going. */
  COMPARE("compare", worded("sheets.two-side-by-side")),
  /** Actions that are found by words. */
  FOUND("find", worded("sheets.actions-that-words-find")),
  /** Drilled and not fluent yet. */
  LEARNING("learning", worded("sheets.not-yet-fluent")),
  /** Begun in the last seven days. */
  NEW("new", worded("sheets.new-this-week")),
  /** What is taken for something else. */
  CONFUSED("confused", worded("sheets.taken-for-one-another")),
  /** Own bindings, and what is to be changed. */
  OWN("own", worded("sheets.own-bindings-and-change-sheet")),
  /** What stands in the way, with fixes. */
  CONFLICTS("conflicts", worded("sheets.what-stands-in-the-way-here")),
  /** What is still done with the pointer. */
  MOUSE("mouse", worded("sheets.what-the-mouse-still-does")),
  /** The last seven days. */
  WEEK("week", worded("any.the-week-in-review"));

  private final String word;
  private final String title;

  SheetKind(String word, String title) {
    this.word = word;
    this.title = title;
  }

  /** As a command names it. */
  public String word() {
    return word;
  }

  /** As people choose it. */
  public String title() {
    return title;
  }
}
