package polydex.files.sheets;

import java.util.List;

/**
 * A page, or half of a card, without its margins and foot.
 *
 * @param pieces each where it stands
 */
record Page(List<Placed> pieces) {

  /** A piece, with the left and upper edge of where it stands, in points. */
  record Placed(Piece piece, double x, double y) {}

  /**
   * What there is room for.
   *
   * @param width of all columns with what is between them, in points
   * @param height of the columns
   * @param columns how many
   * @param gap between two
   */
  record Frame(double width, double height, int columns, double gap) {
    double column() {
      return (width - (columns - 1) * gap) / columns;
    }
  }
}
