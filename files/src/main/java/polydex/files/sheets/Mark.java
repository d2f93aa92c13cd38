package polydex.files.sheets;

import polydex.keys.CapMark;

/**
 * Something drawn on a page. All lengths are in points, from the left and the upper edge of the
 * piece that it belongs to.
 */
sealed interface Mark {

  /**
   * Text in one font.
   *
   * @param y of its baseline
   * @param quiet whether it is grey
   */
  record Text(double x, double y, Typeface face, double size, String text, boolean quiet)
      implements Mark {}

  /** The outline of a keycap, in one of the looks of platforms. */
  record Cap(double x, double y, double width, double height, int look, CapMark.Sort sort)
      implements Mark {}

  /** A straight line. */
  record Rule(double x1, double y1, double x2, double y2, double width, boolean dashed)
      implements Mark {}

  /** From one step to the next; {@code y} of its middle. */
  record Arrow(double x, double y, double width) implements Mark {}

  /** What is done with the pointer; its middle and radius. */
  record Ring(double x, double y, double radius) implements Mark {}

  /**
   * A rectangle.
   *
   * @param fill grey inside, 0 black to 1 white
   * @param notched whether a corner is cut: what is there loses work
   */
  record Box(
      double x, double y, double width, double height, double radius, double fill, boolean notched)
      implements Mark {}

  /** The same elsewhere. */
  default Mark moved(double dx, double dy) {
    return switch (this) {
      case Text t -> new Text(t.x + dx, t.y + dy, t.face, t.size, t.text, t.quiet);
      case Cap c -> new Cap(c.x + dx, c.y + dy, c.width, c.height, c.look, c.sort);
      case Rule r -> new Rule(r.x1 + dx, r.y1 + dy, r.x2 + dx, r.y2 + dy, r.width, r.dashed);
      case Arrow a -> new Arrow(a.x + dx, a.y + dy, a.width);
      case Ring r -> new Ring(r.x + dx, r.y + dy, r.radius);
      case Box b -> new Box(b.x + dx, b.y + dy, b.width, b.height, b.radius, b.fill, b.notched);
    };
  }
}
