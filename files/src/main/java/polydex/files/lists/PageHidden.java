package polydex.files.lists;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.nodes.Comment;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.select.NodeVisitor;
import polydex.intake.Steps;

/**
 * Takes out of a page what its readers never see: pages carry the keys of several systems and hide
 * all but one. By attributes, by styles of an element, and by classes and ids that a style sheet in
 * the page itself hides; nothing is fetched. O(page).
 */
final class PageHidden {
  private static final Pattern RULE = Pattern.compile("([^{}]{1,2000})\\{([^{}]{0,4000})\\}");
  private static final Pattern SELECTOR =
      Pattern.compile("([a-zA-Z][\\w-]*)?([.#])([A-Za-z_][\\w-]*)");
  private static final Pattern COMMENTS = Pattern.compile("(?s)/\\*.{0,20000}?\\*/");
  private static final Set<String> NEVER =
      Set.of("script", "style", "template", "comment", "remark");

  /** What a style sheet hides: a class or an id, perhaps of one kind of element only. */
  private record Hides(String element, String sign, String name) {}

  private final Set<Hides> hides = new HashSet<>();
  private final List<Node> gone = new ArrayList<>();
  private int tables;

  private PageHidden() {}

  /** Takes it out, and tells how many tables went with it. */
  static int remove(Document page) {
    PageHidden hidden = new PageHidden();
    for (Element style : page.select("style")) {
      hidden.sheet(style.data());
    }
    page.traverse(
        new NodeVisitor() {
          private int within;

          @Override
          public void head(Node node, int depth) {
            Steps.take(1);
            if (within > 0 || hidden.isHidden(node)) {
              if (within++ == 0) {
                hidden.gone.add(node);
              }
              hidden.tables += node.nodeName().equals("table") ? 1 : 0;
            }
          }

          @Override
          public void tail(Node node, int depth) {
            within -= within > 0 ? 1 : 0;
          }
        });
    hidden.gone.forEach(Node::remove);
    return hidden.tables;
  }

  private void sheet(String text) {
    Steps.take(text.length());
    Matcher rule = RULE.matcher(COMMENTS.matcher(text).replaceAll(" "));
    while (rule.find()) {
      if (hides(rule.group(2))) {
        for (String selector : rule.group(1).split(",")) {
          Matcher simple = SELECTOR.matcher(selector.strip());
          if (simple.matches()) {
            hides.add(
                new Hides(
                    simple.group(1) == null ? "" : simple.group(1).toLowerCase(Locale.ROOT),
                    simple.group(2),
                    simple.group(3)));
          }
        }
      }
    }
  }

  private static boolean hides(String declarations) {
    String plain = declarations.toLowerCase(Locale.ROOT).replaceAll("\\s+", "");
    return plain.contains("display:none") || plain.contains("visibility:hidden");
  }

  private boolean isHidden(Node node) {
    if (node instanceof Comment) {
      return true;
    }
    if (!(node instanceof Element e)) {
      return false;
    }
    return NEVER.contains(e.normalName())
        || (e.hasAttr("hidden") && !e.attr("hidden").equalsIgnoreCase("false"))
        || e.attr("aria-hidden").equalsIgnoreCase("true")
        || (e.hasAttr("style") && hides(e.attr("style")))
        || isHiddenBySheet(e);
  }

  private boolean isHiddenBySheet(Element e) {
    if (hides.isEmpty() || !(e.hasAttr("class") || e.hasAttr("id"))) {
      return false;
    }
    for (String name : e.classNames()) {
      if (has(e, ".", name)) {
        return true;
      }
    }
    return e.hasAttr("id") && has(e, "#", e.id());
  }

  private boolean has(Element e, String sign, String name) {
    return hides.contains(new Hides("", sign, name))
        || hides.contains(new Hides(e.normalName(), sign, name));
  }
}
