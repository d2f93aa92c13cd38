package polydex.files.sheets;

import static polydex.files.language.FilesWords.worded;

/**
 * What a sheet is printed on.
 *
 * @param size of the paper
 * @param across whether its longer side lies
 * @param form how it is filled
 */
public record Paper(Size size, boolean across, Form form) {
  /** Type is never smaller, in points. */
  public static final double SMALLEST_TYPE = 8;

  /** Upright pages of the size that most of the world uses. */
  public static final Paper USUAL = new Paper(Size.A4, false, Form.PAGES);

  /** Sizes of paper, upright, in points of 1/72 inch. */
  public enum Size {
    /** 210 by 297 mm; ISO 216. */
    A4("A4", 210 / 25.4 * 72, 297 / 25.4 * 72),
    /** 8.5 by 11 inches. */
    LETTER(worded("sheets.letter"), 612, 792);

    private final String title;
    private final double width;
    private final double height;

    Size(String title, double width, double height) {
      this.title = title;
      this.width = width;
      this.height = height;
    }

    /** As people call it. */
    public String title() {
      return title;
    }
  }

  /** How paper is filled. */
  public enum Form {
    /** One page where it fits, or else as many as it takes. */
    PAGES(worded("sheets.pages")),
    /** Folded across its middle, a card that stands on a desk: a half on either side. */
    CARD(worded("sheets.desk-card")),
    /** For eyes that want it large. */
    LARGE(worded("sheets.large-print"));

    private final String title;

    Form(String title) {
      this.title = title;
    }

    /** As people call it. */
    public String title() {
      return title;
    }
  }

  /** The width of a page, in points. */
  public double width() {
    return across ? size.height : size.width;
  }

  /** The height of a page, in points. */
  public double height() {
    return across ? size.width : size.height;
  }
}
