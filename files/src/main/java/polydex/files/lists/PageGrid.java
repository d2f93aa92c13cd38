package polydex.files.lists;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jsoup.nodes.Element;
import org.jsoup.select.Elements;
import polydex.intake.Steps;

/**
 * The rows of a table with merged cells standing in every place that they cover. Rows in which
 * nothing is written count as long as there are not many times as many as what is written.
 */
final class PageGrid {
  private static final int WIDEST = 60;
  private static final int LONGEST_SPAN = 2000;

  /** How many places a cell may cover on average, in a table of more than some places. */
  private static final int MOST_SPREAD = 20;

  private static final int LARGEST = 2000;

  /**
   * A row with its merged cells.
   *
   * @param line where it begins in the file, counted from 1
   */
  record Row(int line, List<Element> cells) {}

  /** A cell that goes on into the rows below, and into how many. */
  private record Hanging(Element cell, int rows) {}

  private PageGrid() {}

  static List<Row> of(Element table) {
    List<Row> grid = new ArrayList<>();
    Map<Integer, Hanging> hanging = new HashMap<>();
    long own = 0;
    long spread = 0;
    for (Element row : table.select("tr, row")) {
      Elements written = written(row);
      List<Element> cells = cells(written, hanging);
      Steps.take(cells.size() + 1L);
      own += written.size();
      spread += cells.size();
      if (!cells.isEmpty() && (!written.isEmpty() || spread <= LARGEST + own * MOST_SPREAD)) {
        grid.add(new Row(Math.max(1, row.sourceRange().start().lineNumber()), cells));
      }
    }
    return grid;
  }

  private static Elements written(Element row) {
    Elements own = new Elements();
    for (Element child : row.children()) {
      switch (child.normalName()) {
        case "td", "th", "entry" -> own.add(child);
        default -> {}
      }
    }
    return own;
  }

  private static List<Element> cells(Elements own, Map<Integer, Hanging> hanging) {
    List<Element> cells = new ArrayList<>();
    int next = 0;
    while (cells.size() < WIDEST && (next < own.size() || hanging.containsKey(cells.size()))) {
      Hanging above = hanging.get(cells.size());
      if (above != null) {
        hang(hanging, cells.size(), above.cell(), above.rows() - 1);
        cells.add(above.cell());
        continue;
      }
      Element cell = own.get(next++);
      int across = across(cell);
      int down =
          cell.attr("morerows").matches("[1-9]\\d*")
              ? span(cell, "morerows", LONGEST_SPAN) + 1
              : span(cell, "rowspan", LONGEST_SPAN);
      for (int i = 0; i < across && cells.size() < WIDEST; i++) {
        hang(hanging, cells.size(), cell, down - 1);
        cells.add(cell);
      }
    }
    return cells;
  }

  private static void hang(Map<Integer, Hanging> hanging, int column, Element cell, int rows) {
    if (rows > 0) {
      hanging.put(column, new Hanging(cell, rows));
    } else {
      hanging.remove(column);
    }
  }

  /** DocBook names the columns from which and to which a cell goes. */
  private static int across(Element cell) {
    if (!cell.hasAttr("namest") || !cell.hasAttr("nameend")) {
      return span(cell, "colspan", WIDEST);
    }
    Element group = cell.closest("tgroup");
    List<String> names = group == null ? List.of() : group.select("> colspec").eachAttr("colname");
    int from = names.indexOf(cell.attr("namest"));
    int to = names.indexOf(cell.attr("nameend"));
    return from >= 0 && to > from ? Math.min(to - from + 1, WIDEST) : 1;
  }

  private static int span(Element cell, String name, int most) {
    String value = cell.attr(name).strip();
    return value.matches("[1-9]\\d{0,5}") ? Math.min(Integer.parseInt(value), most) : 1;
  }
}
