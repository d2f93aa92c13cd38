package polydex.sheets;

/** What a sheet can be about. */
public enum SheetKind {
  /** What a keymap says. */
  ENVIRONMENT("environment", "One platform or application"),
  /** What works in a setup, traced. */
  SETUP("setup", "What works in this setup"),
  /** What is different where one is going. */
  COMPARE("compare", "Two side by side"),
  /** Actions that are found by words. */
  FOUND("find", "Actions that words find"),
  /** Drilled and not fluent yet. */
  LEARNING("learning", "Not yet fluent"),
  /** Begun in the last seven days. */
  NEW("new", "New this week"),
  /** What is taken for something else. */
  CONFUSED("confused", "Taken for one another"),
  /** Own bindings, and what is to be changed. */
  OWN("own", "Own bindings and change sheet"),
  /** What stands in the way, with fixes. */
  CONFLICTS("conflicts", "What stands in the way here"),
  /** What is still done with the pointer. */
  MOUSE("mouse", "What the mouse still does"),
  /** The last seven days. */
  WEEK("week", "The week in review");

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
