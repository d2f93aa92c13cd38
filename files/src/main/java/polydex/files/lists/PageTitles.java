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
    Element caption = table.selectFirst("caption");
    return caption != null ? caption.text().strip() : titles.getOrDefault(table, "");
  }

  @Override
  public void head(Node node, int depth) {
    Steps.take(1);
    if (node instanceof Element e && e.normalName().equals("table")) {
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
      String name = e.normalName();
      if (name.equals("table")) {
        around.isTable = true;
        around.heading = "";
      } else if (name.length() == 2
          && name.charAt(0) == 'h'
          && name.charAt(1) >= '1'
          && name.charAt(1) <= '6') {
        around.isTable = false;
        around.heading = e.text().strip();
      }
    }
  }
}
