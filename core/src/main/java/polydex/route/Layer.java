package polydex.route;

/**
 * One place in a setup that can change, take or pass a stroke.
 *
 * @param depth which machine it belongs to, 0 the outermost
 * @param kind what it is
 * @param title its name
 * @param machine the title of its machine
 */
public record Layer(int depth, Kind kind, String title, String machine) {

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
