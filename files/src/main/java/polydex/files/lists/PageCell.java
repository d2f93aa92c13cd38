package polydex.files.lists;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;

/** What stands in the cells of a page: keys put together, lines apart, notes behind. */
final class PageCell {
  private final PageNotes notes;

  /** A cell that stands in several places is read once. */
  private final Map<Element, String> read = new HashMap<>();

  PageCell(PageNotes notes) {
    this.notes = notes;
  }

  String text(Element cell) {
    return read.computeIfAbsent(cell, this::read);
  }

  private String read(Element cell) {
    StringBuilder out = new StringBuilder();
    List<String> pointedAt = new ArrayList<>();
    write(cell, out, pointedAt);
    StringBuilder text = new StringBuilder(Spaces.joined(out).strip());
    for (String note : pointedAt) {
      text.append(" (").append(note.replace('(', ' ').replace(')', ' ').strip()).append(")");
    }
    return text.toString();
  }

  private void write(Node node, StringBuilder out, List<String> pointedAt) {
    for (Node child : node.childNodes()) {
      switch (child) {
        case TextNode t -> out.append(Spaces.joined(t.getWholeText()).replace('\n', ' '));
        case Element e when e.normalName().equals("br") -> out.append('\n');
        case Element e when e.normalName().equals("sup") -> notes.of(e).ifPresent(pointedAt::add);
        case Element e when e.normalName().equals("kbd") && e.selectFirst("kbd kbd") == null ->
            key(e, out);
        case Element e when isBlock(e) -> {
          out.append('\n');
          write(e, out, pointedAt);
          out.append('\n');
        }
        case Element e when e.normalName().equals("script") || e.normalName().equals("style") -> {}
        default -> write(child, out, pointedAt);
      }
    }
  }

  private static boolean isBlock(Element e) {
    return switch (e.normalName()) {
      case "p", "div", "li" -> true;
      default -> false;
    };
  }

  /** Keys that stand side by side with nothing but space between them go down together. */
  private static void key(Element kbd, StringBuilder out) {
    Node before = kbd.previousSibling();
    if (before instanceof TextNode space && space.isBlank()) {
      before = before.previousSibling();
    }
    if (before instanceof Element e && e.normalName().equals("kbd")) {
      while (!out.isEmpty() && Character.isWhitespace(out.charAt(out.length() - 1))) {
        out.setLength(out.length() - 1);
      }
      out.append('+');
    }
    out.append(kbd.text().strip());
  }
}
