package polydex.files.sheets;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.util.Matrix;
import polydex.files.sheets.Piece.Element;
import polydex.keys.CapMark;

/** Draws marks on a page of a PDF, whose y goes up while that of marks goes down. */
final class PdfPen implements AutoCloseable {
  private static final float QUIET = 0.33f;

  /** Of a quarter of a circle, by a cubic curve. */
  private static final double CURVE = 0.5523;

  private final PDPageContentStream out;
  private final PdfFonts fonts;
  private double left;
  private double top;

  PdfPen(PDDocument document, PDPage page, PdfFonts fonts) throws IOException {
    this.out = new PDPageContentStream(document, page);
    this.fonts = fonts;
  }

  /** From here on the page stands on its head. */
  void turned(double width, double height) throws IOException {
    out.saveGraphicsState();
    out.transform(Matrix.getRotateInstance(Math.PI, (float) width, (float) height));
  }

  void upright() throws IOException {
    out.restoreGraphicsState();
  }

  /**
   * Draws what is read as a whole.
   *
   * @param number of it on the page; none for what says nothing
   * @param from the top of the page, above the lower edge of the paper
   */
  void element(Element element, Optional<Integer> number, double x, double y, double from)
      throws IOException {
    left = x;
    top = from - y;
    if (number.isPresent()) {
      out.beginMarkedContent(COSName.getPDFName(element.role().tag()), number.get());
    } else {
      out.beginMarkedContent(COSName.ARTIFACT);
    }
    draw(element.marks());
    out.endMarkedContent();
  }

  /** Draws what says nothing that is not said elsewhere, at its places on the page. */
  void artifact(List<Mark> marks, double from) throws IOException {
    left = 0;
    top = from;
    out.beginMarkedContent(COSName.ARTIFACT);
    draw(marks);
    out.endMarkedContent();
  }

  private void draw(List<Mark> marks) throws IOException {
    for (Mark mark : marks) {
      switch (mark) {
        case Mark.Text t -> text(t);
        case Mark.Cap c -> cap(c);
        case Mark.Rule r -> rule(r);
        case Mark.Arrow a -> arrow(a);
        case Mark.Ring r -> ring(r);
        case Mark.Box b -> box(b);
      }
    }
  }

  private float x(double x) {
    return (float) (left + x);
  }

  private float y(double y) {
    return (float) (top - y);
  }

  private void text(Mark.Text t) throws IOException {
    out.beginText();
    out.setNonStrokingColor(t.quiet() ? QUIET : 0f);
    out.setFont(fonts.of(t.face()), (float) t.size());
    out.newLineAtOffset(x(t.x()), y(t.y()));
    out.showText(t.text());
    out.endText();
  }

  private void rule(Mark.Rule r) throws IOException {
    out.setStrokingColor(0f);
    out.setLineWidth((float) r.width());
    out.setLineDashPattern(r.dashed() ? new float[] {3, 3} : new float[0], 0);
    out.moveTo(x(r.x1()), y(r.y1()));
    out.lineTo(x(r.x2()), y(r.y2()));
    out.stroke();
    out.setLineDashPattern(new float[0], 0);
  }

  /** Looks differ by their corners and edges, so that they can be told apart without colour. */
  private void cap(Mark.Cap c) throws IOException {
    out.setStrokingColor(0f);
    out.setLineWidth(0.6f);
    if (c.sort() == CapMark.Sort.TAPPED) {
      out.setLineDashPattern(new float[] {1.8f, 1.2f}, 0);
    }
    double h = c.height();
    switch (c.look()) {
      case 1 -> {
        round(c.x(), c.y(), c.width(), h, 0);
        out.stroke();
        rule(new Mark.Rule(c.x(), c.y() + 0.4, c.x() + c.width(), c.y() + 0.4, 1.4, false));
      }
      case 2 -> {
        round(c.x(), c.y(), c.width(), h, Math.min(h, c.width()) / 2);
        out.stroke();
      }
      case 3 -> {
        round(c.x(), c.y(), c.width(), h, 1);
        out.stroke();
        out.setLineWidth(0.35f);
        round(c.x() + 1.3, c.y() + 1.3, c.width() - 2.6, h - 2.6, 0.5);
        out.stroke();
      }
      default -> {
        round(c.x(), c.y(), c.width(), h, h * 0.2);
        out.stroke();
        double inset = h * 0.2;
        rule(
            new Mark.Rule(
                c.x() + inset,
                c.y() + h - 0.3,
                c.x() + c.width() - inset,
                c.y() + h - 0.3,
                1.3,
                false));
      }
    }
    out.setLineDashPattern(new float[0], 0);
  }

  private void round(double x, double y, double w, double h, double r) throws IOException {
    double k = r * (1 - CURVE);
    out.moveTo(x(x + r), y(y));
    out.lineTo(x(x + w - r), y(y));
    if (r > 0) {
      out.curveTo(x(x + w - k), y(y), x(x + w), y(y + k), x(x + w), y(y + r));
    }
    out.lineTo(x(x + w), y(y + h - r));
    if (r > 0) {
      out.curveTo(x(x + w), y(y + h - k), x(x + w - k), y(y + h), x(x + w - r), y(y + h));
    }
    out.lineTo(x(x + r), y(y + h));
    if (r > 0) {
      out.curveTo(x(x + k), y(y + h), x(x), y(y + h - k), x(x), y(y + h - r));
    }
    out.lineTo(x(x), y(y + r));
    if (r > 0) {
      out.curveTo(x(x), y(y + k), x(x + k), y(y), x(x + r), y(y));
    }
    out.closePath();
  }

  private void arrow(Mark.Arrow a) throws IOException {
    double w = a.width();
    double head = 0.42 * w;
    rule(new Mark.Rule(a.x(), a.y(), a.x() + w - head, a.y(), 0.09 * w, false));
    out.setNonStrokingColor(0f);
    out.moveTo(x(a.x() + w), y(a.y()));
    out.lineTo(x(a.x() + w - head), y(a.y() - 0.3 * w));
    out.lineTo(x(a.x() + w - head), y(a.y() + 0.3 * w));
    out.closePath();
    out.fill();
  }

  private void ring(Mark.Ring r) throws IOException {
    out.setStrokingColor(0f);
    out.setLineWidth((float) (r.radius() * 0.35));
    round(r.x() - r.radius(), r.y() - r.radius(), 2 * r.radius(), 2 * r.radius(), r.radius());
    out.stroke();
  }

  private void box(Mark.Box b) throws IOException {
    out.setStrokingColor(0f);
    out.setLineWidth(0.5f);
    if (b.fill() < 1) {
      out.setNonStrokingColor((float) b.fill());
      round(b.x(), b.y(), b.width(), b.height(), b.radius());
      out.fill();
    }
    round(b.x(), b.y(), b.width(), b.height(), b.radius());
    out.stroke();
    if (b.notched()) {
      double side = Math.min(b.width(), b.height()) * 0.22;
      out.setNonStrokingColor(0f);
      out.moveTo(x(b.x() + b.width()), y(b.y()));
      out.lineTo(x(b.x() + b.width() - side), y(b.y()));
      out.lineTo(x(b.x() + b.width()), y(b.y() + side));
      out.closePath();
      out.fill();
    }
  }

  @Override
  public void close() throws IOException {
    out.close();
  }
}
