package polydex.files.sheets;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import polydex.keys.CapMark;
import polydex.sheets.Sheet.Shown;

/**
 * Gestures drawn as keycaps, as wide as they need or broken between steps, and at last between
 * caps, to fit a width.
 */
final class CapSetting {
  /** Of the size of the type. */
  static final double HEIGHT = 1.5;

  private static final double LETTERS = 0.86;
  private static final double PADDING = 0.36;
  private static final double BETWEEN_CAPS = 0.18;
  private static final double ARROW = 0.8;
  private static final double AROUND_ARROW = 0.26;
  private static final double BETWEEN_ROWS = 0.25;
  private static final double BELOW = 0.2;

  private final double size;
  private boolean cut;

  CapSetting(double size) {
    this.size = size;
  }

  /** Gestures that were drawn, from the upper left corner of all. */
  record Set(double width, double height, List<Mark> marks) {}

  /** Whether a cap had to be cut. */
  boolean isCut() {
    return cut;
  }

  /** A mark with its width and what comes before it. */
  private record Part(CapMark mark, String text, double width) {}

  /** A gesture in as many rows as the width asks for. */
  Set set(Shown shown, double most) {
    List<Part> parts = new ArrayList<>();
    for (CapMark mark : CapMark.of(shown.gesture(), shown.names())) {
      parts.add(part(mark, most));
    }
    // The bracket of a hold hangs below its caps.
    boolean holds = parts.stream().anyMatch(p -> p.mark() instanceof CapMark.Opens);
    double step = (HEIGHT + BETWEEN_ROWS + (holds ? BELOW : 0)) * size;
    List<Mark> marks = new ArrayList<>();
    double widest = 0;
    double y = 0;
    for (List<Part> row : rows(parts, most)) {
      widest = Math.max(widest, row(row, shown.look(), y, marks));
      y += step;
    }
    return new Set(widest, y - BETWEEN_ROWS * size, marks);
  }

  private Part part(CapMark mark, double most) {
    return switch (mark) {
      case CapMark.Cap(String text, CapMark.Sort sort) -> {
        double room = (most / size - 2 * PADDING) / LETTERS;
        String whole = sort == CapMark.Sort.TYPED ? text + "|" : text;
        String said = Lettering.cut(Typeface.KEYS, whole, room);
        cut |= !said.equals(whole);
        double letters = Typeface.KEYS.widthOf(said) * LETTERS + 2 * PADDING;
        yield new Part(mark, said, Math.max(letters, HEIGHT * 0.9) * size);
      }
      case CapMark.Times(int count) -> {
        String said = "×" + count;
        yield new Part(mark, said, Typeface.TEXT.widthOf(said) * size * LETTERS);
      }
      case CapMark.Next _ -> new Part(mark, "", (ARROW + 2 * AROUND_ARROW) * size);
      case CapMark.Opens _ -> new Part(mark, "", 0.3 * size);
      case CapMark.Closes _ -> new Part(mark, "", 0.1 * size);
      case CapMark.Pointer(String act) ->
          new Part(mark, act, (1.2 + Typeface.TEXT.widthOf(act) * LETTERS) * size);
    };
  }

  private double gap(List<Part> row) {
    return row.isEmpty() || row.getLast().mark() instanceof CapMark.Next ? 0 : BETWEEN_CAPS * size;
  }

  /** Breaks where steps end if that helps, else where a cap ends. */
  private List<List<Part>> rows(List<Part> parts, double most) {
    List<List<Part>> rows = new ArrayList<>();
    List<Part> row = new ArrayList<>();
    double so = 0;
    for (int i = 0; i < parts.size(); i++) {
      Part part = parts.get(i);
      boolean step = part.mark() instanceof CapMark.Next;
      double needed = step ? part.width() + stepAfter(parts, i + 1) : part.width();
      if (!row.isEmpty() && so + gap(row) + needed > most) {
        rows.add(row);
        row = new ArrayList<>();
        so = 0;
      }
      so += gap(row) + part.width();
      row.add(part);
    }
    rows.add(row);
    return rows;
  }

  private double stepAfter(List<Part> parts, int from) {
    double width = 0;
    for (int i = from; i < parts.size() && !(parts.get(i).mark() instanceof CapMark.Next); i++) {
      width += parts.get(i).width() + BETWEEN_CAPS * size;
    }
    return width;
  }

  private double row(List<Part> row, int look, double y, List<Mark> to) {
    double x = 0;
    Deque<Double> opened = new ArrayDeque<>();
    double middle = y + HEIGHT / 2 * size;
    double baseline = y + (HEIGHT / 2 + 0.29) * size;
    boolean first = true;
    for (int i = 0; i < row.size(); i++) {
      Part part = row.get(i);
      if (!first) {
        x += BETWEEN_CAPS * size;
      }
      first = part.mark() instanceof CapMark.Next;
      switch (part.mark()) {
        case CapMark.Cap(String _, CapMark.Sort sort) -> {
          to.add(new Mark.Cap(x, y, part.width(), HEIGHT * size, look, sort));
          double letters = Typeface.KEYS.widthOf(part.text()) * LETTERS * size;
          to.addAll(
              Lettering.set(
                  Typeface.KEYS,
                  part.text(),
                  LETTERS * size,
                  x + (part.width() - letters) / 2,
                  baseline,
                  false));
        }
        case CapMark.Next _ ->
            to.add(new Mark.Arrow(x + AROUND_ARROW * size, middle, ARROW * size));
        case CapMark.Pointer(String act) -> {
          to.add(new Mark.Ring(x + 0.5 * size, middle, 0.42 * size));
          to.addAll(
              Lettering.set(Typeface.TEXT, act, LETTERS * size, x + 1.15 * size, baseline, false));
        }
        case CapMark.Times _ ->
            to.addAll(
                Lettering.set(Typeface.TEXT, part.text(), LETTERS * size, x, baseline, false));
        case CapMark.Opens _ -> opened.push(x + 0.14 * size);
        case CapMark.Closes _ -> {
          // A row that only ends a hold of the row above begins with it.
          bracket(to, opened.isEmpty() ? 0 : opened.pop(), x, y);
        }
      }
      x += part.width();
    }
    while (!opened.isEmpty()) {
      bracket(to, opened.pop(), x, y);
    }
    return x;
  }

  /** Under the inner steps of a hold. */
  private void bracket(List<Mark> to, double from, double until, double y) {
    double below = y + (HEIGHT + 0.14) * size;
    to.add(new Mark.Rule(from, y + 0.5 * size, from, below, 0.09 * size, false));
    to.add(new Mark.Rule(from, below, until, below, 0.09 * size, false));
  }
}
