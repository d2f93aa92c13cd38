package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;
import static polydex.language.Language.quoted;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.parser.Parser;
import org.jsoup.select.NodeFilter;
import polydex.files.FileProblem;
import polydex.files.lists.ForeignList.Overlooked;
import polydex.intake.ListTable;
import polydex.intake.Steps;

/**
 * The tables and lists of a page of HTML, DocBook or Mallard: merged cells spread out, keys put
 * together as the markup says, footnotes put where they are pointed from, and what is hidden left
 * out. Scripts are not run and nothing is fetched.
 */
final class Pages {
  /** Deeper than any page that a person has made. */
  private static final int DEEPEST = 200;

  private static final int HEAD = 3000;

  private final PageTitles titles;
  private final PageCell texts;
  private final List<ListTable> found = new ArrayList<>();
  private final List<Overlooked> overlooked = new ArrayList<>();

  private Pages(Document page) {
    titles = new PageTitles(page);
    texts = new PageCell(new PageNotes(page));
  }

  static ForeignList read(String name, String text) throws FileProblem {
    Steps.take(text.length());
    boolean markup = isDocumentMarkup(text);
    Parser parser = (markup ? Parser.xmlParser() : Parser.htmlParser()).setTrackPosition(true);
    Document page = Jsoup.parse(text, "", parser);
    refuseWhereDeep(name, page);
    int hidden = PageHidden.remove(page);
    Pages pages = new Pages(page);
    pages.tables(name, page);
    PagePairs.of(page, pages.titles, pages.texts, pages.found, pages.overlooked);
    if (hidden > 0) {
      pages.overlooked.add(
          new Overlooked(
              "", 0, hidden + worded("lists.tables", hidden), worded("lists.the-page-hides-it")));
    }
    if (pages.found.isEmpty()) {
      throw new FileProblem(worded("lists.has-no-table-with-two-columns", name));
    }
    return new ForeignList(
        name,
        worded(
            "lists.of",
            counted(pages.found),
            markup ? worded("lists.a-document") : worded("lists.a-page")),
        pages.found,
        List.of(),
        0,
        pages.overlooked,
        title(page));
  }

  private static String counted(List<ListTable> found) {
    long tables = found.stream().filter(t -> t.origin().kind().equals("table")).count();
    long lists = found.size() - tables;
    List<String> said = new ArrayList<>();
    if (tables > 0) {
      said.add(worded("lists.tables-2", tables));
    }
    if (lists > 0) {
      said.add(worded("lists.lists-2", lists));
    }
    return String.join(worded("lists.and"), said);
  }

  /** Whether a text is DocBook or Mallard, whose elements close as XML says. */
  static boolean isDocumentMarkup(String text) {
    String head = text.substring(0, Math.min(HEAD, text.length())).toLowerCase(Locale.ROOT);
    return !head.contains("<html")
        && (head.contains("docbook")
            || head.contains("projectmallard")
            || head.contains("<refentry")
            || head.contains("<sect1")
            || head.contains("<chapter")
            || (head.contains("<article") && head.contains("<?xml")));
  }

  private static String title(Document page) {
    for (String where : List.of("h1", "head > title", "page > title", "title")) {
      Element title = page.selectFirst(where);
      if (title != null && !title.text().isBlank()) {
        return title.text().strip();
      }
    }
    return "";
  }

  private static void refuseWhereDeep(String name, Document page) throws FileProblem {
    boolean[] deep = new boolean[1];
    page.filter(
        (_, depth) -> {
          deep[0] |= depth > DEEPEST;
          return deep[0] ? NodeFilter.FilterResult.STOP : NodeFilter.FilterResult.CONTINUE;
        });
    if (deep[0]) {
      throw new FileProblem(worded("lists.has-elements-in-each-other-more", name, DEEPEST));
    }
  }

  private void tables(String name, Document page) throws FileProblem {
    int rows = 0;
    for (Element table : page.select("table, informaltable")) {
      if (table.selectFirst("table table, informaltable informaltable") != null) {
        continue; // a table that lays out others
      }
      int before = found.size();
      table(table);
      if (found.size() > before) {
        rows += found.getLast().rows().size();
        ListReader.checkRows(name, rows);
      }
    }
  }

  private void table(Element table) {
    List<PageGrid.Row> grid = PageGrid.of(table);
    int line = Math.max(1, table.sourceRange().start().lineNumber());
    int width = grid.stream().mapToInt(r -> r.cells().size()).max().orElse(0);
    if (grid.isEmpty()) {
      return;
    }
    if (width < 2) {
      overlooked.add(
          new Overlooked(
              "", line, shown("table", titles.of(table)), worded("lists.it-has-one-column-only")));
      return;
    }
    List<ListTable.Line> lines = new ArrayList<>();
    List<String> header = List.of();
    int headerLine = 0;
    boolean marked = false;
    String section = "";
    if (grid.size() == 1) {
      header = padded(List.of(), width);
    }
    for (PageGrid.Row row : grid) {
      List<Element> cells = row.cells();
      boolean whole = cells.stream().distinct().count() == 1;
      if (whole) {
        section = header.isEmpty() ? section : texts.text(cells.getFirst());
      } else if (header.isEmpty()) {
        header = padded(cells.stream().map(texts::text).toList(), width);
        headerLine = row.line();
        marked = cells.stream().allMatch(Pages::isName);
      } else {
        lines.add(
            new ListTable.Line(
                row.line(), section, padded(cells.stream().map(texts::text).toList(), width)));
      }
    }
    if (lines.isEmpty()) {
      overlooked.add(
          new Overlooked(
              "", line, shown("table", titles.of(table)), worded("lists.it-has-no-lines")));
      return;
    }
    found.add(
        new ListTable(
            titles.of(table),
            header,
            lines,
            new ListTable.Origin("", "table", headerLine, marked)));
  }

  private static boolean isName(Element cell) {
    return cell.normalName().equals("th") || cell.closest("thead") != null;
  }

  static String shown(String kind, String title) {
    return title.isBlank() ? kind : kind + " " + quoted(title.strip());
  }

  private static List<String> padded(List<String> cells, int width) {
    List<String> all = new ArrayList<>(cells);
    while (all.size() < width) {
      all.add("");
    }
    return all;
  }
}
