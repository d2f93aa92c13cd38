package polydex.files.sheets;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import polydex.keys.Visible;

/** The fonts of pages. What the first two lack is set in the last, word by word. */
enum Typeface {
  TEXT("atkinson-hyperlegible-next-latin-400-normal.ttf"),
  BOLD("atkinson-hyperlegible-next-latin-700-normal.ttf"),
  KEYS("atkinson-hyperlegible-mono-latin-400-normal.ttf"),
  OTHER("dejavu-sans.ttf");

  /** Stands for a character that no font here has. */
  private static final int MISSING = 0x25a1;

  /** Some text in one font. */
  record Run(Typeface face, String text) {
    /** In ems. */
    double width() {
      return face.width(text);
    }
  }

  private final String file;
  private final Map<Integer, Double> widths = new ConcurrentHashMap<>();

  Typeface(String file) {
    this.file = file;
  }

  /** Fonts are parsed once for measuring, and again by every document, which closes its own. */
  private static final class Measured {
    static final Map<Typeface, TrueTypeFont> FONTS = new ConcurrentHashMap<>();
  }

  /** A font of its own for a document. */
  TrueTypeFont open() {
    try (InputStream in = Typeface.class.getResourceAsStream("/polydex/fonts/" + file)) {
      TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(in));
      // Letters are drawn as they were measured: one by one.
      font.setEnableGsub(false);
      return font;
    } catch (IOException e) {
      throw new UncheckedIOException("A font that ships can't be read", e);
    }
  }

  /** The bytes of the font, for files that carry it. */
  byte[] bytes() {
    try (InputStream in = Typeface.class.getResourceAsStream("/polydex/fonts/" + file)) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException("A font that ships can't be read", e);
    }
  }

  private TrueTypeFont measured() {
    return Measured.FONTS.computeIfAbsent(this, Typeface::open);
  }

  boolean has(int codePoint) {
    return width(codePoint) >= 0;
  }

  /** In ems; below 0 for what it lacks. */
  private double width(int codePoint) {
    return widths.computeIfAbsent(codePoint, this::measure);
  }

  private double measure(int codePoint) {
    // The parser of a font is no friend of several threads.
    synchronized (this) {
      try {
        TrueTypeFont font = measured();
        CmapLookup cmap = font.getUnicodeCmapLookup();
        int glyph = cmap.getGlyphId(codePoint);
        return glyph == 0 ? -1 : font.getAdvanceWidth(glyph) / (double) font.getUnitsPerEm();
      } catch (IOException e) {
        throw new UncheckedIOException("A font that ships can't be read", e);
      }
    }
  }

  /** In ems, of text of which it has every character. */
  double width(String text) {
    return text.codePoints().mapToDouble(c -> Math.max(0, width(c))).sum();
  }

  /** What the text is set in: words that have a letter which this font lacks, in another. */
  List<Run> runs(String text) {
    String clean = text.isEmpty() ? text : shown(text);
    if (clean.codePoints().allMatch(this::has)) {
      return clean.isEmpty() ? List.of() : List.of(new Run(this, clean));
    }
    List<Run> runs = new ArrayList<>();
    for (String word : clean.splitWithDelimiters(" +", 0)) {
      Typeface face = word.codePoints().allMatch(this::has) ? this : OTHER;
      String said = face == OTHER ? OTHER.known(word) : word;
      if (!runs.isEmpty() && runs.getLast().face() == face) {
        said = runs.removeLast().text() + said;
      }
      if (!said.isEmpty()) {
        runs.add(new Run(face, said));
      }
    }
    return runs;
  }

  /** Nothing in it acts on the page, ends of lines included, and every space is the plain one. */
  static String shown(String text) {
    return Visible.of(text.replaceAll("[\\n\\r\\t\\p{Z}]", " "));
  }

  private String known(String word) {
    return word.codePoints()
        .map(c -> has(c) ? c : MISSING)
        .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
        .toString();
  }

  /** In ems, whatever it is set in. */
  double widthOf(String text) {
    return runs(text).stream().mapToDouble(Run::width).sum();
  }
}
