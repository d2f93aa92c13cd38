package polydex.desktop;

/** The places in the order in which they stand at the side. */
enum PlaceName {
  TODAY('T', "Today"),
  LOOK_UP('L', "Look up"),
  DRILL('D', "Drill"),
  ROUTE('R', "Route"),
  FIT('F', "Fit"),
  MOUSE('M', "Mouse"),
  SHEETS('S', "Sheets");

  private final char letter;
  private final String title;

  PlaceName(char letter, String title) {
    this.letter = letter;
    this.title = title;
  }

  /** Goes there, with Alt. */
  char letter() {
    return letter;
  }

  /** What stands at the side. */
  String title() {
    return title;
  }
}
