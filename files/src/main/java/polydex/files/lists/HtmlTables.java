package polydex.files.lists;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;
import org.jsoup.parser.Parser;
import polydex.files.FileProblem;
import polydex.intake.ListTable;

/**
 * The tables of a saved page: merged cells spread out, keys in {@code kbd} put together, footnotes
 * put where they are pointed from. Scripts are not run and nothing is fetched.
 */
final class HtmlTables {
  private static final int WIDEST = 60;
  private static final int LONGEST_SPAN = 2000;

  private final Document page;

  private HtmlTables(Document page) {
    this.page = page;
  }

  static ForeignList read(String name, String text) throws FileProblem {
    Parser parser = Parser.htmlParser().setTrackPosition(true);
    Document page = Jsoup.parse(text, "", parser);
    List<ListTable> tables = new HtmlTables(page).tables(name);
    if (tables.isEmpty()) {
      throw new FileProblem(
          name + " has no table with two columns or more in it. Nothing was taken.");
    }
    return new ForeignList(
        name,
        tables.size() == 1 ? "one table of a page" : tables.size() + " tables of a page",
        tables,
        List.of(),
        0,
        Optional.empty());
  }

  private List<ListTable> tables(String name) throws FileProblem {
    List<ListTable> found = new ArrayList<>();
    int rows = 0;
    for (Element table : page.select("table")) {
      if (table.select("table").size() > 1) {
        continue; // a table that lays out others
      }
      Optional<ListTable> read = table(table);
      if (read.isPresent()) {
        found.add(read.get());
        rows += read.get().rows().size();
        ListReader.checkRows(name, rows);
      }
    }
    return found;
  }

  private Optional<ListTable> table(Element table) {
    List<GridRow> grid = grid(table);
    int width = grid.stream().mapToInt(r -> r.cells().size()).max().orElse(0);
    if (width < 2 || grid.size() < 2) {
      return Optional.empty();
    }
    List<ListTable.Line> lines = new ArrayList<>();
    List<String> header = List.of();
    String section = "";
    for (GridRow row : grid) {
      List<Element> cells = row.cells();
      boolean whole = cells.stream().distinct().count() == 1;
      if (whole) {
        section = header.isEmpty() ? section : cells.getFirst().text().strip();
      } else if (header.isEmpty()) {
        header = padded(cells.stream().map(c -> c.text().strip()).toList(), width);
      } else {
        lines.add(
            new ListTable.Line(
                row.line(), section, padded(cells.stream().map(this::text).toList(), width)));
      }
    }
    return lines.isEmpty()
        ? Optional.empty()
        : Optional.of(new ListTable(title(table), header, lines));
  }

  /**
   * A row with its merged cells.
   *
   * @param line where it begins in the file, counted from 1
   */
  private record GridRow(int line, List<Element> cells) {}

  private static List<String> padded(List<String> cells, int width) {
    List<String> all = new ArrayList<>(cells);
    while (all.size() < width) {
      all.add("");
    }
    return all;
  }

  /** The caption, or the heading that stands before the table. */
  private static String title(Element table) {
    Element caption = table.selectFirst("caption");
    if (caption != null) {
      return caption.text().strip();
    }
    for (Element at = table; at != null; at = at.parent()) {
      for (Element before = at.previousElementSibling();
          before != null;
          before = before.previousElementSibling()) {
        if (before.normalName().matches("h[1-6]")) {
          return before.text().strip();
        }
        if (before.normalName().equals("table")) {
          return "";
        }
      }
    }
    return "";
  }

  /** Each row with merged cells standing in every place that they cover. */
  private static List<GridRow> grid(Element table) {
    List<GridRow> grid = new ArrayList<>();
    Map<Integer, Element> hanging = new HashMap<>();
    Map<Integer, Integer> rowsLeft = new HashMap<>();
    for (Element row : table.select("tr")) {
      List<Element> cells = new ArrayList<>();
      List<Element> own = row.select("> td, > th");
      int next = 0;
      while (next < own.size() || rowsLeft.getOrDefault(cells.size(), 0) > 0) {
        int column = cells.size();
        if (column >= WIDEST) {
          break;
        }
        if (rowsLeft.getOrDefault(column, 0) > 0) {
          rowsLeft.merge(column, -1, Integer::sum);
          cells.add(hanging.get(column));
          continue;
        }
        Element cell = own.get(next++);
        int across = span(cell, "colspan", WIDEST);
        int down = span(cell, "rowspan", LONGEST_SPAN);
        for (int i = 0; i < across && cells.size() < WIDEST; i++) {
          hanging.put(cells.size(), cell);
          rowsLeft.put(cells.size(), down - 1);
          cells.add(cell);
        }
      }
      if (!cells.isEmpty()) {
        grid.add(new GridRow(Math.max(1, row.sourceRange().start().lineNumber()), cells));
      }
    }
    return grid;
  }

  private static int span(Element cell, String name, int most) {
    String value = cell.attr(name).strip();
    return value.matches("[1-9]\\d{0,5}") ? Math.min(Integer.parseInt(value), most) : 1;
  }

  private String text(Element cell) {
    StringBuilder out = new StringBuilder();
    List<String> notes = new ArrayList<>();
    write(cell, out, notes);
    String text =
        out.toString()
            .replace('\u00a0', ' ')
            .replaceAll("[ \\t]*\\n[ \\t\\n]*", "\n")
            .replaceAll("[ \\t]+", " ")
            .strip();
    for (String note : notes) {
      text += " (" + note.replace('(', ' ').replace(')', ' ').strip() + ")";
    }
    return text;
  }

  private void write(Node node, StringBuilder out, List<String> notes) {
    for (Node child : node.childNodes()) {
      switch (child) {
        case TextNode t -> out.append(t.getWholeText().replaceAll("\\s+", " "));
        case Element e when e.normalName().equals("br") -> out.append('\n');
        case Element e when e.normalName().equals("sup") -> footnote(e).ifPresent(notes::add);
        case Element e when e.normalName().equals("kbd") && e.select("kbd").size() == 1 ->
            key(e, out);
        case Element e when e.normalName().matches("p|div|li") -> {
          out.append('\n');
          write(e, out, notes);
          out.append('\n');
        }
        case Element e when e.normalName().matches("script|style") -> {}
        default -> write(child, out, notes);
      }
    }
  }

  /** Keys that stand side by side with nothing but space between them go down together. */
  private static void key(Element kbd, StringBuilder out) {
    Node before = kbd.previousSibling();
    if (before instanceof TextNode space && space.isBlank()) {
      before = before.previousSibling();
    }
    if (before instanceof Element e && e.normalName().equals("kbd")) {
      out.setLength(out.toString().stripTrailing().length());
      out.append('+');
    }
    out.append(kbd.text().strip());
  }

  /** What a raised mark points at: the element that it links to, or a line that begins with it. */
  private Optional<String> footnote(Element mark) {
    Element link = mark.selectFirst("a[href^=#]");
    if (link != null && link.attr("href").length() > 1) {
      return Optional.ofNullable(page.getElementById(link.attr("href").substring(1)))
          .map(e -> e.text().replaceFirst("^\\W*\\d*\\W*", "").strip())
          .filter(t -> !t.isEmpty());
    }
    String sign = mark.text().strip();
    if (sign.isEmpty()) {
      return Optional.empty();
    }
    for (Element line : page.select("p, li, tfoot td, small, dd")) {
      String text = line.text().strip();
      if (text.startsWith(sign) && text.length() > sign.length() + 2) {
        return Optional.of(text.substring(sign.length()).replaceFirst("^[\\s.:)]+", ""));
      }
    }
    return Optional.empty();
  }
}
