package polydex.files.lists;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.Map;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.select.NodeVisitor;
import polydex.intake.Steps;

/**
 * What the tables of a page are called: by the heading that stands before each, beside it or beside
 * what it is in, with no other table between. One walk through the page.
 */
final class PageTitles implements NodeVisitor {
  /** What stood last among the children of each element that is open: a heading, or a table. */
  private static final class Open {
    private String heading = "";
    private boolean isTable;
  }

  private final Map<Element, String> titles = new HashMap<>();
  private final Deque<Open> open = new ArrayDeque<>();

  PageTitles(Element page) {
    open.push(new Open());
    page.traverse(this);
  }

  /** What a table is called, if anything. */
  String of(Element table) {
    Element caption = table.selectFirst("caption, > title");
    return caption != null ? caption.text().strip() : titles.getOrDefault(table, "");
  }

  /** What stands above a list. */
  String near(Element list) {
    return titles.getOrDefault(list, "");
  }

  private static boolean isTable(Element e) {
    return e.normalName().equals("table") || e.normalName().equals("informaltable");
  }

  private static boolean isList(Element e) {
    return switch (e.normalName()) {
      case "dl", "ul", "ol", "variablelist", "itemizedlist", "orderedlist", "simplelist" -> true;
      case "terms", "list", "steps" -> true;
      default -> false;
    };
  }

  /** A heading; what DocBook and Mallard call the title of a section. */
  private static boolean isHeading(Element e) {
    String name = e.normalName();
    boolean numbered =
        name.length() == 2
            && name.charAt(0) == 'h'
            && name.charAt(1) >= '1'
            && name.charAt(1) <= '6';
    Element parent = e.parent();
    return numbered
        || (name.equals("title") && parent != null && !parent.normalName().equals("head"));
  }

  @Override
  public void head(Node node, int depth) {
    Steps.take(1);
    if (node instanceof Element e && isTable(e)) {
      titles.put(e, before());
    } else if (node instanceof Element e && isList(e)) {
      titles.put(e, before());
    }
    open.push(new Open());
  }

  private String before() {
    for (Open one : open) {
      if (one.isTable || !one.heading.isEmpty()) {
        return one.heading;
      }
    }
    return "";
  }

  @Override
  public void tail(Node node, int depth) {
    open.pop();
    Open around = open.peek();
    if (node instanceof Element e && around != null) {
      if (isTable(e)) {
        around.isTable = true;
        around.heading = "";
      } else if (isHeading(e)) {
        around.isTable = false;
        around.heading = e.text().strip();
      }
    }
  }
}
