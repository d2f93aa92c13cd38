package polydex.files.lists;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;
import org.jsoup.select.NodeFilter;
import polydex.intake.Steps;

/**
 * The notes of a page, found by the marks that point at them: the element that a mark links to, or
 * the first line that begins with it. Each line is looked at once, however many marks there are.
 */
final class PageNotes {
  /** The longest mark: "[12]" and its like. */
  private static final int LONGEST_MARK = 8;

  private static final int LONGEST_NOTE = 1000;

  private final Map<String, Element> byId = new HashMap<>();
  private final Map<String, String> byMark = new HashMap<>();
  private final Map<Element, Optional<String>> linked = new HashMap<>();

  PageNotes(Document page) {
    for (Element one : page.select("[id]")) {
      byId.putIfAbsent(one.id(), one);
    }
    for (Element line : page.select("p, li, tfoot td, small, dd")) {
      String text = text(line);
      for (int k = 1; k <= LONGEST_MARK && text.length() > k + 2; k++) {
        byMark.putIfAbsent(text.substring(0, k), text);
      }
    }
  }

  /** What a raised mark points at. */
  Optional<String> of(Element mark) {
    Element link = mark.selectFirst("a[href^=#]");
    if (link != null && link.attr("href").length() > 1) {
      return Optional.ofNullable(byId.get(link.attr("href").substring(1)))
          .flatMap(e -> linked.computeIfAbsent(e, PageNotes::behindNumber));
    }
    String sign = text(mark);
    return Optional.ofNullable(sign.isEmpty() ? null : byMark.get(sign))
        .map(text -> text.substring(sign.length()))
        .map(text -> text.substring(skip(text, c -> " \t.:)".indexOf(c) >= 0, 0)));
  }

  /** Without the number or the sign that it begins with. */
  private static Optional<String> behindNumber(Element note) {
    String text = text(note);
    int at = skip(text, c -> !isWord(c), 0);
    at = skip(text, c -> c >= '0' && c <= '9', at);
    at = skip(text, c -> !isWord(c), at);
    return Optional.of(text.substring(at).strip()).filter(t -> !t.isEmpty());
  }

  private interface Sign {
    boolean is(char c);
  }

  private static int skip(String text, Sign sign, int from) {
    int at = from;
    while (at < text.length() && sign.is(text.charAt(at))) {
      at++;
    }
    return at;
  }

  private static boolean isWord(char c) {
    return c == '_' || Character.isLetterOrDigit(c);
  }

  /** Its words, up to a length that no note exceeds: lines may stand in each other. */
  private static String text(Element element) {
    StringBuilder words = new StringBuilder();
    element.filter(
        new NodeFilter() {
          @Override
          public FilterResult head(Node node, int depth) {
            Steps.take(1);
            if (node instanceof TextNode t) {
              String more = t.getWholeText();
              words.append(more, 0, Math.min(more.length(), LONGEST_NOTE));
            } else if (node instanceof Element e && (e.isBlock() || e.normalName().equals("br"))) {
              words.append(' ');
            }
            return words.length() > LONGEST_NOTE ? FilterResult.STOP : FilterResult.CONTINUE;
          }
        });
    return Spaces.joined(words).replace('\n', ' ').strip();
  }
}
