package polydex.files.sheets;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import polydex.files.sheets.Piece.Element;
import polydex.files.sheets.Piece.Role;
import polydex.sheets.Sheet;
import polydex.sheets.Sheet.Cell;
import polydex.sheets.Sheet.Line;
import polydex.sheets.Sheet.Lines;
import polydex.sheets.Sheet.Shown;

/** Rows: what is done at the left, its keys at the right, a figure behind them. */
final class RowSetting {
  private static final int TITLE_LINES = 4;
  private static final int SENTENCE_LINES = 10;
  private static final int MOST_GESTURES = 6;
  private static final double FIGURE = 4.2;
  private static final double GAP = 0.8;
  private static final double ROW_GAP = 0.32;

  /** Where environments stand side by side, so much of the width is the title's. */
  private static final double TITLE_SHARE = 0.36;

  /** Caps that need more of the width than that go below the title. */
  private static final double CAPS_BESIDE = 0.62;

  private final double size;
  private final double width;
  private int cuts;

  RowSetting(double size, double width) {
    this.size = size;
    this.width = width;
  }

  int cuts() {
    return cuts;
  }

  private double figureWidth(Lines of) {
    return of.figure().isEmpty() ? 0 : FIGURE * size;
  }

  private double cellsLeft() {
    return TITLE_SHARE * width;
  }

  private double cellWidth(Lines of) {
    int count = Math.max(1, of.columns().size());
    return (width - cellsLeft() - figureWidth(of) - count * GAP * size) / count;
  }

  /** What stands over the columns, once as itself and above what is continued as an artifact. */
  Piece columns(Lines of, Role role) {
    double small = Math.max(Paper.SMALLEST_TYPE, 0.85 * size);
    List<Element> elements = new ArrayList<>();
    double height = Lettering.LEADING * small;
    for (int i = 0; i < of.columns().size(); i++) {
      double x = cellsLeft() + GAP * size + i * (cellWidth(of) + GAP * size);
      List<String> lines =
          Lettering.lines(Typeface.TEXT, of.columns().get(i), cellWidth(of) / small, 2);
      elements.add(new Element(role, "", set(lines, Typeface.TEXT, small, x, 0, true)));
      height = Math.max(height, lines.size() * Lettering.LEADING * small);
    }
    if (!of.figure().isEmpty()) {
      elements.add(new Element(role, "", toTheRight(of.figure(), small, 0, true)));
    }
    return new Piece(0, height + 0.1 * size, elements);
  }

  /** A line, and behind it what stands below it. */
  List<Piece> row(Lines of, Line line) {
    List<Piece> pieces = new ArrayList<>();
    Piece first = of.columns().isEmpty() ? single(of, line) : several(of, line);
    // What has more below it is set apart from what is above it.
    pieces.add(
        line.under().isEmpty() ? first : new Piece(0.5 * size, first.height(), first.elements()));
    double small = Math.max(Paper.SMALLEST_TYPE, 0.9 * size);
    for (String under : line.under()) {
      List<String> lines = lines(Typeface.TEXT, under, (width - size) / small, SENTENCE_LINES);
      pieces.add(
          new Piece(
              0,
              lines.size() * Lettering.LEADING * small + 0.15 * size,
              List.of(
                  new Element(
                      Role.ROW_CELL, "", set(lines, Typeface.TEXT, small, size, 0, true)))));
    }
    return pieces;
  }

  private Piece single(Lines of, Line line) {
    double room = width - figureWidth(of);
    List<CapSetting.Set> sets = new ArrayList<>();
    line.cells().forEach(c -> sets.addAll(sets(c, room)));
    double caps = sets.stream().mapToDouble(CapSetting.Set::width).max().orElse(0);
    boolean beside = caps <= CAPS_BESIDE * room;
    double forTitle = beside && caps > 0 ? room - caps - GAP * size : room;
    List<Mark> title = new ArrayList<>();
    double titled = title(line, forTitle, title);
    List<Element> elements = new ArrayList<>();
    elements.add(new Element(Role.ROW_HEAD, "", title));
    double top = beside ? 0 : titled + 0.1 * size;
    List<Mark> keys = new ArrayList<>();
    double below = stack(sets, room, top, keys);
    if (!keys.isEmpty()) {
      elements.add(new Element(Role.ROW_CELL, said(line.cells()), keys));
    }
    if (!line.figure().isEmpty()) {
      elements.add(new Element(Role.ROW_CELL, "", toTheRight(line.figure(), size, 0, false)));
    }
    return new Piece(0, Math.max(titled, below) + ROW_GAP * size, elements);
  }

  private Piece several(Lines of, Line line) {
    List<Mark> title = new ArrayList<>();
    double height = title(line, cellsLeft(), title);
    List<Element> elements = new ArrayList<>();
    elements.add(new Element(Role.ROW_HEAD, "", title));
    for (int i = 0; i < line.cells().size(); i++) {
      double x = cellsLeft() + GAP * size + i * (cellWidth(of) + GAP * size);
      List<Mark> keys = new ArrayList<>();
      Cell cell = line.cells().get(i);
      double y = 0;
      for (CapSetting.Set set : sets(cell, cellWidth(of))) {
        double at = y;
        set.marks().forEach(m -> keys.add(m.moved(x, at)));
        y += set.height() + 0.2 * size;
      }
      if (cell.gestures().isEmpty()) {
        keys.addAll(Lettering.set(Typeface.TEXT, "–", size, x, Lettering.ASCENT * size, true));
      }
      height = Math.max(height, y);
      elements.add(
          new Element(
              Role.ROW_CELL,
              cell.gestures().isEmpty() ? worded("sheets.none") : said(List.of(cell)),
              keys));
    }
    if (!line.figure().isEmpty()) {
      elements.add(new Element(Role.ROW_CELL, "", toTheRight(line.figure(), size, 0, false)));
    }
    return new Piece(0, height + ROW_GAP * size, elements);
  }

  /** The title with its footnotes and what stands quietly behind it; how high all is. */
  private double title(Line line, double room, List<Mark> to) {
    int most = line.figure().isEmpty() ? TITLE_LINES : SENTENCE_LINES;
    List<String> lines = lines(Typeface.TEXT, line.title(), room / size, most);
    // A line of letters stands in the middle of a cap's height.
    double down = (CapSetting.HEIGHT - Lettering.LEADING) / 2 * size;
    to.addAll(set(lines, Typeface.TEXT, size, 0, down, false));
    double y = down + lines.size() * Lettering.LEADING * size;
    double x = Typeface.TEXT.widthOf(lines.getLast()) * size;
    double base = y - (Lettering.LEADING - Lettering.ASCENT) * size;
    if (!line.notes().isEmpty()) {
      String numbers = line.notes().stream().map(String::valueOf).collect(Collectors.joining(","));
      double small = 0.68 * size;
      double wide = Typeface.BOLD.widthOf(numbers) * small;
      double at = Math.max(0, Math.min(x + 0.15 * size, room - wide));
      to.addAll(Lettering.set(Typeface.BOLD, numbers, small, at, base - 0.38 * size, false));
      x = at + wide;
    }
    if (!line.aside().isEmpty()) {
      double small = Math.max(Paper.SMALLEST_TYPE, 0.85 * size);
      double wide = Typeface.TEXT.widthOf(line.aside()) * small;
      if (x + 0.6 * size + wide <= room) {
        to.addAll(Lettering.set(Typeface.TEXT, line.aside(), small, x + 0.6 * size, base, true));
      } else {
        List<String> aside = lines(Typeface.TEXT, line.aside(), room / small, 2);
        to.addAll(set(aside, Typeface.TEXT, small, 0, y, true));
        y += aside.size() * Lettering.LEADING * small;
      }
    }
    return y;
  }

  private List<String> lines(Typeface face, String text, double ems, int most) {
    List<String> lines = Lettering.lines(face, text, Math.max(3, ems), most);
    cuts += Lettering.isCut(lines) && !text.endsWith("…") ? 1 : 0;
    return lines;
  }

  private static List<Mark> set(
      List<String> lines, Typeface face, double size, double x, double y, boolean quiet) {
    List<Mark> marks = new ArrayList<>();
    double at = y;
    for (String line : lines) {
      marks.addAll(Lettering.set(face, line, size, x, at + Lettering.ASCENT * size, quiet));
      at += Lettering.LEADING * size;
    }
    return marks;
  }

  private List<CapSetting.Set> sets(Cell cell, double most) {
    CapSetting setting = new CapSetting(size);
    List<CapSetting.Set> sets =
        cell.gestures().stream().limit(MOST_GESTURES).map(g -> setting.set(g, most)).toList();
    cuts += setting.isCut() || cell.gestures().size() > MOST_GESTURES ? 1 : 0;
    return sets;
  }

  /** Gestures one under the other, to the right. */
  private double stack(List<CapSetting.Set> sets, double until, double top, List<Mark> to) {
    double y = top;
    for (CapSetting.Set set : sets) {
      double at = y;
      set.marks().forEach(m -> to.add(m.moved(until - set.width(), at)));
      y += set.height() + 0.2 * size;
    }
    return sets.isEmpty() ? 0 : y - 0.2 * size;
  }

  private List<Mark> toTheRight(String text, double type, double y, boolean quiet) {
    double down = (CapSetting.HEIGHT - Lettering.LEADING) / 2 * size;
    String said = Lettering.cut(Typeface.TEXT, text, FIGURE * size / type);
    double x = width - Typeface.TEXT.widthOf(said) * type;
    return Lettering.set(
        Typeface.TEXT,
        said,
        type,
        x,
        y + (type == size ? down : 0) + Lettering.ASCENT * type,
        quiet);
  }

  private static String said(List<Cell> cells) {
    return cells.stream()
        .flatMap(c -> c.gestures().stream())
        .map(Shown::gesture)
        .map(Object::toString)
        .collect(Collectors.joining(worded("sheets.or")));
  }

  /** What is counted at the left, its number at the right. */
  Piece fact(Sheet.Fact fact) {
    double wide = Typeface.BOLD.widthOf(fact.value()) * size;
    boolean beside = wide <= CAPS_BESIDE * width;
    List<String> what =
        lines(
            Typeface.TEXT,
            fact.what(),
            (beside ? width - wide - GAP * size : width) / size,
            TITLE_LINES);
    double y = what.size() * Lettering.LEADING * size;
    List<String> value =
        beside
            ? List.of(fact.value())
            : lines(Typeface.BOLD, fact.value(), width / size, TITLE_LINES);
    List<Mark> number =
        set(value, Typeface.BOLD, size, beside ? width - wide : 0, beside ? 0 : y, false);
    double height = beside ? y : y + value.size() * Lettering.LEADING * size;
    return new Piece(
        0,
        height + ROW_GAP * size,
        List.of(
            new Element(Role.ROW_HEAD, "", set(what, Typeface.TEXT, size, 0, 0, false)),
            new Element(Role.ROW_CELL, "", number)));
  }

  /** Gestures by themselves, at the left. */
  Piece alone(Shown shown) {
    CapSetting.Set set = new CapSetting(size).set(shown, width);
    return new Piece(
        0,
        set.height() + ROW_GAP * size,
        List.of(new Element(Role.PARAGRAPH, shown.gesture().toString(), set.marks())));
  }

  /** A step with a box to tick. */
  Piece tick(Sheet.Tick tick) {
    double indent = 1.7 * size;
    List<String> lines =
        lines(Typeface.TEXT, tick.words(), (width - indent) / size, SENTENCE_LINES);
    List<Mark> marks = new ArrayList<>();
    double box = 0.95 * size;
    double top = 0.16 * size;
    marks.add(new Mark.Box(0, top, box, box, 0, 1, false));
    if (tick.done()) {
      marks.add(
          new Mark.Rule(
              0.2 * box, top + 0.55 * box, 0.42 * box, top + 0.8 * box, 0.14 * size, false));
      marks.add(
          new Mark.Rule(
              0.42 * box, top + 0.8 * box, 0.85 * box, top + 0.2 * box, 0.14 * size, false));
    }
    marks.addAll(set(lines, Typeface.TEXT, size, indent, 0, tick.done()));
    return new Piece(
        0,
        lines.size() * Lettering.LEADING * size + ROW_GAP * size,
        List.of(
            new Element(
                Role.ITEM,
                (tick.done() ? worded("sheets.done") : worded("sheets.to-do")) + tick.words(),
                marks)));
  }
}
