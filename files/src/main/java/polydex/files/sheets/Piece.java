package polydex.files.sheets;

import java.util.ArrayList;
import java.util.List;

/**
 * What no column and no page is broken within.
 *
 * @param before space above it, in points; none at the top of a column
 * @param height its own, in points
 * @param elements in the order in which they are read
 */
record Piece(double before, double height, List<Element> elements) {

  /**
   * What something on a page is, for those who hear it instead of seeing it; names of ISO 32000.
   */
  enum Role {
    TITLE("H1"),
    HEADING("H2"),
    PARAGRAPH("P"),
    /** What a row is about. */
    ROW_HEAD("TH"),
    /** Another part of a row. */
    ROW_CELL("TD"),
    ITEM("LBody"),
    NOTE("Note"),
    FIGURE("Figure"),
    /** Says nothing that is not said elsewhere. */
    ARTIFACT("Artifact");

    private final String tag;

    Role(String tag) {
      this.tag = tag;
    }

    String tag() {
      return tag;
    }

    /** Whether elements of one piece are cells of one row. */
    boolean inRow() {
      return this == ROW_HEAD || this == ROW_CELL;
    }
  }

  /**
   * Something that is read as a whole.
   *
   * @param said what is read instead of what is drawn; empty for just that
   */
  record Element(Role role, String said, List<Mark> marks) {
    /** Copies the list. */
    Element {
      marks = List.copyOf(marks);
    }
  }

  /** Copies the list. */
  Piece {
    elements = List.copyOf(elements);
  }

  /** This one with another below it, as one. */
  Piece over(Piece below) {
    List<Element> all = new ArrayList<>(elements);
    double down = height + below.before();
    for (Element e : below.elements()) {
      all.add(
          new Element(e.role(), e.said(), e.marks().stream().map(m -> m.moved(0, down)).toList()));
    }
    return new Piece(before, down + below.height(), all);
  }

  double whole() {
    return before + height;
  }
}
