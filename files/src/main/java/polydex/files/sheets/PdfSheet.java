package polydex.files.sheets;

import java.io.IOException;
import java.io.OutputStream;
import java.time.ZoneOffset;
import java.util.GregorianCalendar;
import java.util.List;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentCatalog;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.viewerpreferences.PDViewerPreferences;
import polydex.files.sheets.Page.Placed;
import polydex.files.sheets.Piece.Element;

/**
 * Pages as PDF: text can be selected, fonts are embedded, and headings, rows and pictures are
 * tagged for those who hear a page (ISO 32000-1, 14.8). O(what stands on the pages).
 */
public final class PdfSheet {
  private PdfSheet() {}

  /**
   * Writes pages.
   *
   * @throws IOException if they can't be written there
   */
  public static void write(Pages pages, OutputStream to) throws IOException {
    try (PDDocument document = document(pages)) {
      document.save(to);
    }
  }

  /** All sides as a document, for those who draw it; they close it. */
  static PDDocument document(Pages pages) throws IOException {
    return document(pages, 0, pages.count());
  }

  /** Some sides, from the first, counted from 0, up to before the last. */
  static PDDocument document(Pages pages, int first, int last) throws IOException {
    PDDocument document = new PDDocument();
    describe(document, pages);
    PdfTags tags = new PdfTags(document);
    PdfFonts fonts = new PdfFonts(document);
    boolean card = pages.paper().form() == Paper.Form.CARD;
    for (int number = first; number < last; number++) {
      int i = card ? 2 * number : number;
      PDPage side =
          new PDPage(
              new PDRectangle((float) pages.paper().width(), (float) pages.paper().height()));
      document.addPage(side);
      tags.turnTo(side);
      try (PdfPen pen = new PdfPen(document, side, fonts)) {
        if (card) {
          card(pages, i, pen, tags);
        } else {
          draw(pages, i, pages.paper().height(), pen, tags);
        }
      }
    }
    tags.finish();
    return document;
  }

  private static void describe(PDDocument document, Pages pages) {
    document.setVersion(1.7f);
    PDDocumentInformation about = document.getDocumentInformation();
    about.setTitle(Typeface.shown(pages.sheet().title()));
    about.setCreator(pages.sheet().foot().madeBy());
    about.setCreationDate(
        GregorianCalendar.from(pages.sheet().foot().day().atStartOfDay(ZoneOffset.UTC)));
    PDDocumentCatalog catalog = document.getDocumentCatalog();
    catalog.setLanguage("en");
    PDViewerPreferences shown = new PDViewerPreferences(new COSDictionary());
    shown.setDisplayDocTitle(true);
    catalog.setViewerPreferences(shown);
  }

  /** Folded and stood up, the upper half is read from behind: it stands on its head here. */
  private static void card(Pages pages, int first, PdfPen pen, PdfTags tags) throws IOException {
    double half = pages.paper().height() / 2;
    pen.artifact(
        List.of(new Mark.Rule(0, half, pages.paper().width(), half, 0.5, true)),
        pages.paper().height());
    pen.turned(pages.paper().width(), pages.paper().height());
    draw(pages, first, half, pen, tags);
    pen.upright();
    if (first + 1 < pages.pages().size()) {
      draw(pages, first + 1, half, pen, tags);
    }
  }

  /** A page whose upper edge is so far above the lower edge of the paper. */
  private static void draw(Pages pages, int page, double top, PdfPen pen, PdfTags tags)
      throws IOException {
    for (Placed placed : pages.pages().get(page).pieces()) {
      tags.next(placed.piece());
      for (Element element : placed.piece().elements()) {
        pen.element(
            element,
            tags.mark(element),
            Pages.MARGIN + placed.x(),
            Pages.MARGIN - 10 + placed.y(),
            top);
      }
    }
    pen.artifact(PageFoot.of(pages, page), top);
  }
}
