package polydex.files.lists;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;
import polydex.intake.ListTable;

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
    StringBuilder text = new StringBuilder(PageHidden.spread(Spaces.joined(out).strip()));
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
        case Element e when e.normalName().equals("img") -> out.append(e.attr("alt").strip());
        case Element e when isNote(e) -> notes.of(e).ifPresent(pointedAt::add);
        case Element e when PageKeys.isCombo(e) -> {
          beside(e, out);
          out.append(combo(e, 0));
        }
        case Element e when isOneKey(e) -> {
          beside(e, out);
          out.append(e.selectFirst("img") == null ? PageKeys.name(e) : inside(e, pointedAt));
        }
        case Element e when isBlock(e) -> {
          out.append('\n');
          write(e, out, pointedAt);
          out.append('\n');
        }
        default -> write(child, out, pointedAt);
      }
    }
  }

  private String inside(Element key, List<String> pointedAt) {
    StringBuilder out = new StringBuilder();
    write(key, out, pointedAt);
    return out.toString().strip();
  }

  private static boolean isOneKey(Element e) {
    return PageKeys.isKey(e)
        && e.children().stream().noneMatch(c -> PageKeys.isKey(c) || PageKeys.isCombo(c));
  }

  private static boolean isNote(Element e) {
    return e.normalName().equals("sup")
        || e.normalName().equals("footnoteref")
        || e.normalName().equals("footnote");
  }

  private static boolean isBlock(Element e) {
    return switch (e.normalName()) {
      case "p", "div", "li", "para", "simpara", "listitem", "item", "member", "dd", "dt" -> true;
      default -> false;
    };
  }

  /** A combination, with combinations in it. */
  private static String combo(Element combo, int depth) {
    List<String> parts = new ArrayList<>();
    for (Element child : combo.children()) {
      String part =
          PageKeys.isCombo(child) && depth < 4 ? combo(child, depth + 1) : PageKeys.name(child);
      if (!part.isBlank()) {
        parts.add(part);
      }
    }
    return parts.isEmpty() ? combo.text().strip() : String.join(PageKeys.joint(combo), parts);
  }

  /** Keys that stand side by side with nothing but space between them are not glued. */
  private void beside(Element key, StringBuilder out) {
    Optional<Element> before = PageKeys.before(key);
    if (before.isPresent()) {
      while (!out.isEmpty() && Character.isWhitespace(out.charAt(out.length() - 1))) {
        out.setLength(out.length() - 1);
      }
      out.append(PageKeys.isCombo(before.get()) ? ", " : String.valueOf(ListTable.BESIDE));
    }
  }
}
