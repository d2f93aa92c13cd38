package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import polydex.own.OwnKey;

/** The places in the order in which they stand at the side. */
enum PlaceName {
  TODAY(OwnKey.TO_TODAY, worded("any.today")),
  LOOK_UP(OwnKey.TO_LOOK_UP, worded("any.look-up")),
  DRILL(OwnKey.TO_DRILL, worded("any.drill")),
  ROUTE(OwnKey.TO_ROUTE, worded("any.route")),
  FIT(OwnKey.TO_FIT, worded("window.fit")),
  MOUSE(OwnKey.TO_MOUSE, worded("any.mouse")),
  SHEETS(OwnKey.TO_SHEETS, worded("any.sheets"));

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
