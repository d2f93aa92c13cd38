package polydex.desktop;

import polydex.own.OwnKey;

/** The places in the order in which they stand at the side. */
enum PlaceName {
  TODAY(OwnKey.TO_TODAY, "Today"),
  LOOK_UP(OwnKey.TO_LOOK_UP, "Look up"),
  DRILL(OwnKey.TO_DRILL, "Drill"),
  ROUTE(OwnKey.TO_ROUTE, "Route"),
  FIT(OwnKey.TO_FIT, "Fit"),
  MOUSE(OwnKey.TO_MOUSE, "Mouse"),
  SHEETS(OwnKey.TO_SHEETS, "Sheets");

  private final OwnKey key;
  private final String title;

  PlaceName(OwnKey key, String title) {
    this.key = key;
    this.title = title;
  }

  /** Goes there. */
  OwnKey key() {
    return key;
  }

  /** The same, without the Alt that is held with it. */
  char letter() {
    String written = key.usual().getFirst().toString();
    return written.charAt(written.length() - 1);
  }

  /** What stands at the side. */
  String title() {
    return title;
  }
}
