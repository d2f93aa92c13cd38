package polydex.files.lists;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
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
  private static final Pattern SELECTOR =
      Pattern.compile("([a-zA-Z][\\w-]*)?([.#])([A-Za-z_][\\w-]*)");
  private static final Set<String> NEVER =
      Set.of("script", "style", "template", "comment", "remark");

  private static final int MOST_VARIANTS = 6;
  private static final int LONGEST_RULE = 4000;

  /** What stands about variants, and between them: characters for nobody's use. */
  private static final char FIRST = '\ue0f0';

  private static final char NEXT = '\ue0f1';
  private static final char LAST = '\ue0f2';
  private static final Pattern VARIANTS =
      Pattern.compile(FIRST + "([^" + LAST + "]{0,400})" + LAST);
  private static final int MOST_WORDS = 5;

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
    hidden.switches(page);
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

  /**
   * Where every one of several words in a line is hidden, a script of the page shows one of them:
   * they are variants side by side, the page's own default first.
   */
  private void switches(Document page) {
    Set<Element> parents = new LinkedHashSet<>();
    for (Element e : page.select("span[hidden], em[hidden], kbd[hidden], b[hidden]")) {
      if (e.parent() != null) {
        parents.add(e.parent());
      }
    }
    for (Element parent : parents) {
      List<Element> variants = List.copyOf(parent.children());
      Steps.take(variants.size());
      if (variants.size() < 2
          || variants.size() > MOST_VARIANTS
          || !parent.ownText().isBlank()
          || !variants.stream().allMatch(this::isHidden)) {
        continue;
      }
      List<String> texts =
          variants.stream()
              .sorted(Comparator.comparing(v -> !isDefault(v)))
              .map(v -> v.text().strip())
              .filter(t -> !t.isEmpty())
              .distinct()
              .toList();
      parent.text(FIRST + String.join(String.valueOf(NEXT), texts) + LAST);
    }
  }

  /**
   * A text with the variants in it one after the other: keys on a line each, with all that is about
   * them; in a sentence with strokes between.
   */
  static String spread(String text) {
    if (text.indexOf(FIRST) < 0) {
      return text;
    }
    int most = 0;
    Matcher variants = VARIANTS.matcher(text);
    while (variants.find()) {
      most = Math.max(most, variants.group(1).split(String.valueOf(NEXT)).length);
    }
    if (most == 0) {
      return text; // the page had such a character of its own
    }
    String around = VARIANTS.matcher(text).replaceAll("x");
    if (around.strip().split("\\s+").length > MOST_WORDS || around.indexOf('\n') >= 0) {
      return VARIANTS
          .matcher(text)
          .replaceAll(r -> Matcher.quoteReplacement(r.group(1).replace(NEXT, '/')));
    }
    Set<String> lines = new LinkedHashSet<>();
    for (int i = 0; i < most; i++) {
      int at = i;
      lines.add(
          VARIANTS
              .matcher(text)
              .replaceAll(
                  r -> {
                    String[] all = r.group(1).split(String.valueOf(NEXT));
                    return Matcher.quoteReplacement(all[Math.min(at, all.length - 1)]);
                  }));
    }
    return String.join("\n", lines);
  }

  private static boolean isDefault(Element e) {
    return e.id().startsWith("default") || e.className().startsWith("default");
  }

  /** Rule by rule, each character looked at a fixed number of times. */
  private void sheet(String text) {
    Steps.take(text.length());
    String plain = withoutComments(text);
    int from = 0;
    int open = -1;
    for (int i = 0; i < plain.length(); i++) {
      char c = plain.charAt(i);
      if (c == '{') {
        open = i;
      } else if (c == '}') {
        if (open >= from && i - open < LONGEST_RULE && hides(plain.substring(open, i))) {
          selectors(plain.substring(Math.max(from, open - LONGEST_RULE), open));
        }
        from = i + 1;
      }
    }
  }

  private void selectors(String text) {
    for (String selector : text.split("[,{]")) {
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

  private static String withoutComments(String text) {
    StringBuilder plain = new StringBuilder(text.length());
    int from = 0;
    for (int open = text.indexOf("/*"); open >= 0; open = text.indexOf("/*", from)) {
      int close = text.indexOf("*/", open + 2);
      plain.append(text, from, open);
      from = close < 0 ? text.length() : close + 2;
    }
    return plain.append(text, from, text.length()).toString();
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
