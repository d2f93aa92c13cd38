package polydex.files.sheets;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.files.sheets.Piece.Element;
import polydex.files.sheets.Piece.Role;
import polydex.sheets.Sheet;

/** Sets a sheet in pieces, for one size of type and one width of columns. O(what stands on it). */
final class Composer {
  private static final int MOST_LINES = 6;
  private static final double HEADING = 1.08;
  private static final double TITLE = 1.75;
  private static final double RULE = 0.6;

  private final Sheet sheet;
  private final double size;
  private final double column;
  private final double page;
  private final RowSetting rows;
  private final List<String> cuts = new ArrayList<>();

  /**
   * Ready to set.
   *
   * @param size of the type, in points
   * @param column the width of a column
   * @param page the width of all columns with what is between them
   */
  Composer(Sheet sheet, double size, double column, double page) {
    this.sheet = sheet;
    this.size = size;
    this.column = column;
    this.page = page;
    this.rows = new RowSetting(size, column);
  }

  /** How many names or caps did not fit even in several lines. */
  int cuts() {
    return rows.cuts() + cuts.size();
  }

  /** What stands over everything. */
  Piece head() {
    List<Element> elements = new ArrayList<>();
    double y = 0;
    double big = TITLE * size;
    List<Mark> title = new ArrayList<>();
    for (String line : lines(Typeface.BOLD, sheet.title(), page / big, 3)) {
      title.addAll(Lettering.set(Typeface.BOLD, line, big, 0, y + Lettering.ASCENT * big, false));
      y += 1.15 * big;
    }
    elements.add(new Element(Role.TITLE, "", title));
    y += 0.15 * size;
    if (!sheet.about().isEmpty()) {
      List<Mark> about = new ArrayList<>();
      for (String line : lines(Typeface.TEXT, sheet.about(), Math.min(page / size, 72), 4)) {
        about.addAll(
            Lettering.set(Typeface.TEXT, line, size, 0, y + Lettering.ASCENT * size, true));
        y += Lettering.LEADING * size;
      }
      elements.add(new Element(Role.PARAGRAPH, "", about));
    }
    y += 0.35 * size;
    elements.add(new Element(Role.ARTIFACT, "", List.of(new Mark.Rule(0, y, page, y, 1.2, false))));
    return new Piece(0, y + 0.6 * size, elements);
  }

  private List<String> lines(Typeface face, String text, double width, int most) {
    List<String> lines = Lettering.lines(face, text, width, most);
    if (Lettering.isCut(lines) && !text.endsWith("…")) {
      cuts.add(text);
    }
    return lines;
  }

  /** Everything below it. */
  List<Block> blocks() {
    List<Block> blocks = new ArrayList<>();
    for (Sheet.Part part : sheet.parts()) {
      blocks.add(block(part));
    }
    if (!sheet.notes().isEmpty()) {
      List<Piece> notes = new ArrayList<>();
      for (int i = 0; i < sheet.notes().size(); i++) {
        notes.add(note(i + 1, sheet.notes().get(i)));
      }
      blocks.add(
          new Block(
              Optional.of(heading(worded("sheets.notes"), false, column)),
              Optional.of(heading(worded("sheets.notes"), true, column)),
              notes,
              false));
    }
    return blocks;
  }

  private Block block(Sheet.Part part) {
    return switch (part) {
      case Sheet.Lines l -> {
        List<Piece> pieces = new ArrayList<>();
        l.lines().forEach(line -> pieces.addAll(rows.row(l, line)));
        Block block = titled(l.title(), pieces, false);
        yield l.columns().isEmpty() && l.figure().isEmpty()
            ? block
            : new Block(
                block.heading().map(h -> h.over(rows.columns(l, Role.ROW_HEAD))),
                block.again().map(h -> h.over(rows.columns(l, Role.ARTIFACT))),
                pieces,
                false);
      }
      case Sheet.Facts f -> titled(f.title(), f.facts().stream().map(rows::fact).toList(), false);
      case Sheet.Steps s -> {
        List<Piece> pieces = new ArrayList<>();
        s.gesture().ifPresent(g -> pieces.add(rows.alone(g)));
        s.steps().forEach(t -> pieces.add(rows.tick(t)));
        yield titled(s.title(), pieces, false);
      }
      case Sheet.Said s -> titled(s.title(), List.of(paragraph(s.words())), false);
      case Sheet.Picture p ->
          titled(p.title(), List.of(new PictureSetting(size, page).set(p)), true);
    };
  }

  private Block titled(String title, List<Piece> pieces, boolean wide) {
    return title.isEmpty()
        ? new Block(Optional.empty(), Optional.empty(), pieces, wide)
        : new Block(
            Optional.of(heading(title, false, wide ? page : column)),
            Optional.of(heading(title, true, column)),
            pieces,
            wide);
  }

  private Piece heading(String title, boolean again, double width) {
    double big = HEADING * size;
    List<Mark> marks = new ArrayList<>();
    double y = 0;
    String said = again ? worded("sheets.continued", title) : title;
    for (String line : lines(Typeface.BOLD, said, width / big, 2)) {
      marks.addAll(Lettering.set(Typeface.BOLD, line, big, 0, y + Lettering.ASCENT * big, false));
      y += 1.2 * big;
    }
    y += 0.12 * size;
    Element words = new Element(again ? Role.ARTIFACT : Role.HEADING, "", marks);
    Element rule =
        new Element(Role.ARTIFACT, "", List.of(new Mark.Rule(0, y, width, y, RULE, false)));
    return new Piece(0.9 * size, y + 0.3 * size, List.of(words, rule));
  }

  private Piece paragraph(String words) {
    List<Mark> marks = new ArrayList<>();
    double y = 0;
    for (String line : lines(Typeface.TEXT, words, column / size, MOST_LINES * 2)) {
      marks.addAll(Lettering.set(Typeface.TEXT, line, size, 0, y + Lettering.ASCENT * size, false));
      y += Lettering.LEADING * size;
    }
    return new Piece(0, y, List.of(new Element(Role.PARAGRAPH, "", marks)));
  }

  private Piece note(int number, String words) {
    double small = Math.max(Paper.SMALLEST_TYPE, 0.88 * size);
    double indent = 1.6 * size;
    List<Mark> marks = new ArrayList<>();
    marks.addAll(
        Lettering.set(
            Typeface.BOLD, String.valueOf(number), small, 0, Lettering.ASCENT * small, false));
    double y = 0;
    for (String line : lines(Typeface.TEXT, words, (column - indent) / small, MOST_LINES)) {
      marks.addAll(
          Lettering.set(Typeface.TEXT, line, small, indent, y + Lettering.ASCENT * small, false));
      y += Lettering.LEADING * small;
    }
    return new Piece(0, y + 0.15 * size, List.of(new Element(Role.NOTE, "", marks)));
  }
}
