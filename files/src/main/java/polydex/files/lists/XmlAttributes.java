package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Attribute;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.parser.Parser;
import org.jsoup.select.NodeVisitor;
import polydex.files.FileProblem;
import polydex.files.lists.ForeignList.Overlooked;
import polydex.intake.ListTable;
import polydex.intake.Steps;

/**
 * Settings in XML: the elements of one name within one kind of parent are a table, each attribute a
 * column, and what stands inside them another. Window managers' key bindings, channels of settings
 * and descriptions of menus are all so. A key within a key of the same name goes on from it.
 */
final class XmlAttributes {
  private static final int WIDEST = 40;
  private static final int DEEPEST = 200;
  private static final int LONGEST_INSIDE = 160;
  private static final String INSIDE = "inside";
  private static final String VALUE = "value";
  private static final String TYPE = "type";

  private final Map<String, List<Element>> groups = new LinkedHashMap<>();

  private XmlAttributes() {}

  static ForeignList read(String name, String text) throws FileProblem {
    Steps.take(text.length());
    Document tree = Jsoup.parse(text, "", Parser.xmlParser().setTrackPosition(true));
    XmlAttributes attributes = new XmlAttributes();
    boolean[] deep = new boolean[1];
    tree.traverse(
        new NodeVisitor() {
          @Override
          public void head(Node node, int depth) {
            deep[0] |= depth > DEEPEST;
            if (node instanceof Element e && e.attributesSize() > 0 && depth <= DEEPEST) {
              attributes.add(e);
            }
          }
        });
    if (deep[0]) {
      throw new FileProblem(worded("lists.has-elements-in-each-other-more", name, DEEPEST));
    }
    List<ListTable> found = new ArrayList<>();
    int without = 0;
    int pointers = 0;
    int rows = 0;
    for (Map.Entry<String, List<Element>> group : attributes.groups.entrySet()) {
      if (group.getKey().startsWith("mouse") || group.getValue().getFirst().hasAttr("button")) {
        pointers += group.getValue().size();
        continue; // "Left" is a button there
      }
      ListTable table = table(group.getKey(), group.getValue());
      boolean gestures =
          table.rows().stream()
              .anyMatch(
                  l -> l.cells().stream().anyMatch(c -> c.length() < 80 && PairLine.isGesture(c)));
      if (gestures) {
        found.add(table);
        rows += table.rows().size();
        ListReader.checkRows(name, rows);
      } else {
        without++;
      }
    }
    if (found.isEmpty()) {
      throw new FileProblem(worded("lists.is-xml-and-no-attribute-in", name));
    }
    List<Overlooked> overlooked = new ArrayList<>();
    if (without > 0) {
      overlooked.add(
          new Overlooked(
              "",
              0,
              worded("lists.kinds-of-elements", without),
              worded("lists.no-gestures-in-them")));
    }
    if (pointers > 0) {
      overlooked.add(
          new Overlooked(
              "",
              0,
              worded("lists.bindings-of-the-pointer", pointers),
              worded("lists.they-name-buttons-no-keys")));
    }
    return new ForeignList(
        name, worded("lists.settings-in-xml"), found, List.of(), 0, overlooked, "");
  }

  private void add(Element e) {
    Steps.take(1);
    Element parent = e.parent();
    Element around = parent == null ? null : parent.parent();
    String within =
        (around == null || around.attr("name").isEmpty() ? "" : around.attr("name") + "/")
            + (parent == null ? "" : parent.normalName() + " " + parent.attr("name"));
    groups.computeIfAbsent(e.normalName() + " in " + within, _ -> new ArrayList<>()).add(e);
  }

  private static ListTable table(String kind, List<Element> elements) {
    Map<String, Integer> columns = new LinkedHashMap<>();
    List<Map<Integer, String>> rows = new ArrayList<>();
    for (Element e : elements) {
      Map<Integer, String> row = new LinkedHashMap<>();
      for (Attribute a : e.attributes()) {
        put(columns, row, a.getKey(), a.getKey().equals("key") ? chain(e) : a.getValue());
      }
      put(columns, row, INSIDE, inside(e));
      rows.add(row);
    }
    if (columns.containsKey(VALUE) && columns.containsKey(TYPE)) {
      // A property with its type: what it is set to says what it does, and never its type.
      int type = columns.get(TYPE);
      rows.forEach(r -> r.remove(type));
    }
    List<ListTable.Line> lines = new ArrayList<>();
    for (int i = 0; i < rows.size(); i++) {
      List<String> cells = new ArrayList<>();
      for (int c = 0; c < columns.size(); c++) {
        cells.add(rows.get(i).getOrDefault(c, ""));
      }
      lines.add(
          new ListTable.Line(
              Math.max(1, elements.get(i).sourceRange().start().lineNumber()), "", cells));
    }
    return new ListTable(
        kind, List.copyOf(columns.keySet()), lines, new ListTable.Origin("", "elements", 0));
  }

  private static void put(
      Map<String, Integer> columns, Map<Integer, String> row, String column, String value) {
    if (columns.size() < WIDEST || columns.containsKey(column)) {
      row.put(columns.computeIfAbsent(column, _ -> columns.size()), value.strip());
    }
  }

  private static String chain(Element e) {
    Element parent = e.parent();
    return parent != null && parent.normalName().equals(e.normalName()) && parent.hasAttr("key")
        ? chain(parent) + " " + e.attr("key")
        : e.attr("key");
  }

  /** What an element has inside: the names and texts of its children. */
  private static String inside(Element e) {
    StringBuilder said = new StringBuilder();
    for (Element child : e.getAllElements()) {
      if (said.length() > LONGEST_INSIDE) {
        break;
      }
      if (child.equals(e)) {
        said.append(e.ownText());
        continue;
      }
      if (child.normalName().equals(e.normalName())) {
        break; // a binding of its own
      }
      if (child.hasAttr("name")) {
        said.append(' ').append(child.attr("name"));
      }
      said.append(' ').append(child.ownText());
    }
    return said.toString().replaceAll("\\s+", " ").strip();
  }
}
