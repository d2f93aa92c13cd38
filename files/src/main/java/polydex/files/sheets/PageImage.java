package polydex.files.sheets;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/**
 * A side of paper as a picture, drawn from the PDF itself: what is seen is what is printed.
 *
 * @param width in pixels
 * @param height in pixels
 * @param argb row by row
 */
@SuppressWarnings("ArrayRecordComponent")
public record PageImage(int width, int height, int[] argb) {
  /** A side is never drawn larger, in pixels of either edge. */
  private static final double LARGEST = 6000;

  /**
   * Draws a side.
   *
   * @param side from 0
   * @param scale pixels for a point of 1/72 inch
   */
  public static PageImage of(Pages pages, int side, double scale) {
    double most = LARGEST / Math.max(pages.paper().width(), pages.paper().height());
    try (PDDocument document = Loader.loadPDF(written(pages, side))) {
      BufferedImage drawn =
          new PDFRenderer(document).renderImage(0, (float) Math.min(scale, most), ImageType.RGB);
      return new PageImage(
          drawn.getWidth(),
          drawn.getHeight(),
          drawn.getRGB(0, 0, drawn.getWidth(), drawn.getHeight(), null, 0, drawn.getWidth()));
    } catch (IOException e) {
      throw new UncheckedIOException("Memory can be read", e);
    }
  }

  /** Fonts get the letters that are used, and those their numbers, when a document is written. */
  private static byte[] written(Pages pages, int side) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (PDDocument document = PdfSheet.document(pages, side, side + 1)) {
      document.save(out);
    }
    return out.toByteArray();
  }
}
