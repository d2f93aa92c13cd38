package polydex.files.sheets;

import java.io.IOException;
import java.util.EnumMap;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** The fonts of a document: only those that it uses, and of each only the letters that it has. */
final class PdfFonts {
  private final PDDocument document;
  private final Map<Typeface, PDFont> fonts = new EnumMap<>(Typeface.class);

  PdfFonts(PDDocument document) {
    this.document = document;
  }

  PDFont of(Typeface face) throws IOException {
    PDFont font = fonts.get(face);
    if (font == null) {
      font = PDType0Font.load(document, face.open(), true);
      fonts.put(face, font);
    }
    return font;
  }
}
