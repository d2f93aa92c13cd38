package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;
import polydex.files.lists.ForeignList.Overlooked;
import polydex.intake.ListTable;
import polydex.intake.Steps;

/**
 * The lists of a page in which keys and what they do stand together: terms with what they mean, and
 * bullets with both in one line.
 */
final class PagePairs {
  private static final List<String> HEADER = List.of("", "");
  private static final int LONGEST_BULLET = 400;

  /** What stands between keys without ending them. */
  private static final Pattern BETWEEN_KEYS =
      Pattern.compile("[\\s+/,\u2011-]*|\\s+(?:or|then)\\s+");

  /** What a key does, and not the rest of a sentence about it. */
  private static final Pattern SAYS =
      Pattern.compile("(?i)(?!(?:is|are|was|keys?|and|or|to|in|on|with|while|for|when)\\b)\\p{L}");

  private PagePairs() {}

  static void of(
      Document page,
      PageTitles titles,
      PageCell texts,
      List<ListTable> found,
      List<Overlooked> overlooked) {
    for (Element list : page.select("dl, variablelist, terms")) {
      List<ListTable.Line> lines = new ArrayList<>();
      if (list.normalName().equals("dl")) {
        definitions(list, texts, lines);
      } else {
        entries(list, texts, lines);
      }
      if (!lines.isEmpty()) {
        found.add(table(titles.near(list), lines));
      }
    }
    int plain = 0;
    for (Element list : page.select("ul, ol, itemizedlist, orderedlist, list, steps, simplelist")) {
      List<ListTable.Line> lines = bullets(list, texts);
      long keys = lines.stream().filter(l -> PairLine.isGesture(l.cells().getFirst())).count();
      if (lines.size() > 1 && keys * 2 > list.children().size()) {
        found.add(table(titles.near(list), lines));
        others(list, list.children().size() - lines.size(), titles, overlooked);
      } else if (list.selectFirst("kbd, key, keycap") != null) {
        overlooked.add(
            new Overlooked(
                "",
                Math.max(1, list.sourceRange().start().lineNumber()),
                Pages.shown("list", titles.near(list)),
                worded("lists.its-items-tell-of-keys-in")));
      } else {
        plain++;
      }
    }
    if (plain > 0) {
      overlooked.add(
          new Overlooked("", 0, worded("lists.lists", plain), worded("lists.no-keys-in-them")));
    }
    int running = page.select("p kbd, p keycombo, p keyseq, para keycombo, para keycap").size();
    if (running > 0) {
      overlooked.add(
          new Overlooked(
              "",
              0,
              worded("lists.keys-in-running-text", running),
              worded("lists.only-tables-and-lists-are-read")));
    }
  }

  /** The items of a list that is taken which are no pair of a gesture and what it does. */
  private static void others(
      Element list, int count, PageTitles titles, List<Overlooked> overlooked) {
    if (count > 0) {
      overlooked.add(
          new Overlooked(
              "",
              Math.max(1, list.sourceRange().start().lineNumber()),
              worded("lists.items-of", count) + Pages.shown("list", titles.near(list)),
              worded("lists.no-gesture-beside-words-for-what")));
    }
  }

  private static ListTable table(String title, List<ListTable.Line> lines) {
    return new ListTable(title, HEADER, lines, new ListTable.Origin("", "list", 0));
  }

  /** Several terms in a row are ways to the same. */
  private static void definitions(Element list, PageCell texts, List<ListTable.Line> lines) {
    List<String> terms = new ArrayList<>();
    int line = 1;
    boolean told = true;
    List<Element> all = new ArrayList<>();
    for (Element child : list.children()) {
      if (child.normalName().equals("div")) {
        all.addAll(child.children());
      } else {
        all.add(child);
      }
    }
    for (Element child : all) {
      Steps.take(1);
      if (child.normalName().equals("dt")) {
        if (told) {
          terms.clear();
          line = Math.max(1, child.sourceRange().start().lineNumber());
        }
        terms.add(texts.text(child));
        told = false;
      } else if (child.normalName().equals("dd") && !terms.isEmpty()) {
        lines.add(
            new ListTable.Line(line, "", List.of(String.join("\n", terms), texts.text(child))));
        told = true;
        terms.clear();
      }
    }
  }

  private static void entries(Element list, PageCell texts, List<ListTable.Line> lines) {
    for (Element entry : list.select("> varlistentry, > item")) {
      List<String> terms = new ArrayList<>();
      for (Element term : entry.select("> term, > title")) {
        terms.add(texts.text(term));
      }
      StringBuilder said = new StringBuilder();
      for (Element child : entry.children()) {
        if (!child.normalName().equals("term") && !child.normalName().equals("title")) {
          said.append(texts.text(child)).append('\n');
        }
      }
      if (!terms.isEmpty() && !said.toString().isBlank()) {
        lines.add(
            new ListTable.Line(
                Math.max(1, entry.sourceRange().start().lineNumber()),
                "",
                List.of(String.join("\n", terms), said.toString().strip())));
      }
    }
  }

  private static List<ListTable.Line> bullets(Element list, PageCell texts) {
    List<ListTable.Line> lines = new ArrayList<>();
    for (Element item : list.children()) {
      if (item.selectFirst("ul, ol, itemizedlist, orderedlist, list, table") != null) {
        continue;
      }
      String text = texts.text(item).replace('\n', ' ');
      Optional<List<String>> pair =
          text.length() > LONGEST_BULLET
              ? Optional.empty()
              : PairLine.of(text).or(() -> keysFirst(item, texts));
      pair.ifPresent(
          p ->
              lines.add(
                  new ListTable.Line(Math.max(1, item.sourceRange().start().lineNumber()), "", p)));
    }
    return lines;
  }

  /** {@code <kbd>F8</kbd> Look on}: the markup says where the keys end. */
  private static Optional<List<String>> keysFirst(Element item, PageCell texts) {
    Element keys = new Element("td");
    Element words = new Element("td");
    boolean inKeys = true;
    for (Node node : item.childNodes()) {
      inKeys =
          inKeys
              && switch (node) {
                case TextNode t -> BETWEEN_KEYS.matcher(t.getWholeText()).matches();
                case Element e -> PageKeys.isKey(e) || PageKeys.isCombo(e);
                default -> true;
              };
      (inKeys ? keys : words).appendChild(node.clone());
    }
    String left = texts.text(keys).strip();
    String right = texts.text(words).replace('\n', ' ');
    return PairLine.isGesture(left) && SAYS.matcher(right.strip()).lookingAt()
        ? Optional.of(List.of(left, right.strip()))
        : Optional.empty();
  }
}
