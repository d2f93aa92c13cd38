package polydex.route;

import static polydex.language.CoreWords.worded;

/**
 * One place in a setup that can change, take or pass a stroke.
 *
 * @param depth which machine it belongs to, 0 the outermost
 * @param kind what it is
 * @param title its name, in no language but one, since conflicts are known again by it
 * @param machine the title of its machine
 */
public record Layer(int depth, Kind kind, String title, String machine) {
  static final String RESERVED = ", reserved";
  static final String LAYOUT = " layout";

  /** Its name as people say it. */
  public String said() {
    return switch (kind) {
      case RESERVED -> worded("route.reserved", before(RESERVED));
      case TYPING -> worded("route.layout", before(LAYOUT));
      case BOARD, REMAP, DESKTOP, SESSION, APPLICATION -> title;
    };
  }

  private String before(String end) {
    return title.endsWith(end) ? title.substring(0, title.length() - end.length()) : title;
  }

  /** What a layer is, in the order in which a stroke meets them on one machine. */
  public enum Kind {
    BOARD,
    REMAP,
    RESERVED,
    DESKTOP,
    SESSION,
    APPLICATION,
    TYPING
  }
}
