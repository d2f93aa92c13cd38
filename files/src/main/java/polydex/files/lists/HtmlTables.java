package polydex.files.lists;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.parser.Parser;
import org.jsoup.select.NodeFilter;
import polydex.files.FileProblem;
import polydex.intake.ListTable;
import polydex.intake.Steps;

/**
 * The tables of a saved page: merged cells spread out, keys in {@code kbd} put together, footnotes
 * put where they are pointed from. Scripts are not run and nothing is fetched.
 */
final class HtmlTables {
  /** Deeper than any page that a person has made. */
  private static final int DEEPEST = 200;

  private final PageTitles titles;
  private final PageCell texts;

  private HtmlTables(Document page) {
    titles = new PageTitles(page);
    texts = new PageCell(new PageNotes(page));
  }

  static ForeignList read(String name, String text) throws FileProblem {
    Steps.take(text.length());
    Parser parser = Parser.htmlParser().setTrackPosition(true);
    Document page = Jsoup.parse(text, "", parser);
    refuseWhereDeep(name, page);
    List<ListTable> tables = new HtmlTables(page).tables(name, page);
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

  private static void refuseWhereDeep(String name, Document page) throws FileProblem {
    boolean[] deep = new boolean[1];
    page.filter(
        (_, depth) -> {
          deep[0] |= depth > DEEPEST;
          return deep[0] ? NodeFilter.FilterResult.STOP : NodeFilter.FilterResult.CONTINUE;
        });
    if (deep[0]) {
      throw new FileProblem(
          "%s has elements in each other more than %d deep. Nothing was taken."
              .formatted(name, DEEPEST));
    }
  }

  private List<ListTable> tables(String name, Document page) throws FileProblem {
    List<ListTable> found = new ArrayList<>();
    int rows = 0;
    for (Element table : page.select("table")) {
      if (table.selectFirst("table table") != null) {
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
    List<PageGrid.Row> grid = PageGrid.of(table);
    int width = grid.stream().mapToInt(r -> r.cells().size()).max().orElse(0);
    if (width < 2 || grid.size() < 2) {
      return Optional.empty();
    }
    List<ListTable.Line> lines = new ArrayList<>();
    List<String> header = List.of();
    String section = "";
    for (PageGrid.Row row : grid) {
      List<Element> cells = row.cells();
      boolean whole = cells.stream().distinct().count() == 1;
      if (whole) {
        section = header.isEmpty() ? section : cells.getFirst().text().strip();
      } else if (header.isEmpty()) {
        header = padded(cells.stream().map(c -> c.text().strip()).toList(), width);
      } else {
        lines.add(
            new ListTable.Line(
                row.line(), section, padded(cells.stream().map(texts::text).toList(), width)));
      }
    }
    return lines.isEmpty()
        ? Optional.empty()
        : Optional.of(new ListTable(titles.of(table), header, lines));
  }

  private static List<String> padded(List<String> cells, int width) {
    List<String> all = new ArrayList<>(cells);
    while (all.size() < width) {
      all.add("");
    }
    return all;
  }
}
