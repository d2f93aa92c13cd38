package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import polydex.files.FileProblem;
import polydex.files.lists.ForeignList.Overlooked;
import polydex.intake.ListTable;
import polydex.intake.Steps;

/**
 * Lines of plain text in which a gesture and what it does stand beside each other: bullets, aligned
 * columns, pages of a manual; or the gesture on a line of its own with the words further in below.
 */
final class PlainLines {
  private static final Pattern BULLET =
      Pattern.compile("^\\s*(?:[-*+\u2022\u00b7]|\\d{1,3}[.)])\\s+");
  private static final Pattern STRUCK = Pattern.compile(".\b|\u001b\\[[0-9;]{0,20}m");
  private static final int LONGEST = 2000;

  private PlainLines() {}

  static ForeignList read(String name, String text) throws FileProblem {
    List<String> lines = withoutComments(text.lines().map(PlainLines::plain).toList());
    ListReader.checkRows(name, lines.size());
    List<ListTable.Line> pairs = pairs(lines);
    List<ListTable.Line> words = firstWords(lines);
    List<ListTable.Line> best = words.size() > 2 * pairs.size() ? words : pairs;
    if (best.isEmpty()) {
      throw new FileProblem(worded("lists.has-no-line-with-a-gesture", name));
    }
    long others = lines.stream().filter(l -> !l.isBlank()).count() - best.size();
    return new ForeignList(
        name,
        worded("lists.lines-of-plain-text"),
        List.of(new ListTable("", List.of("", ""), best, new ListTable.Origin("", "lines", 0))),
        List.of(),
        0,
        others <= 0
            ? List.of()
            : List.of(
                new Overlooked(
                    "",
                    0,
                    worded("lists.other-lines", others),
                    worded("lists.no-gesture-with-words-beside-it"))),
        "");
  }

  private static String plain(String line) {
    Steps.take(line.length() + 1);
    String seen =
        line.indexOf('\b') >= 0 || line.indexOf('\u001b') >= 0
            ? STRUCK.matcher(line).replaceAll("")
            : line;
    return seen.length() <= LONGEST ? seen : "";
  }

  /** Where many lines begin so they are comments, not keys. */
  private static List<String> withoutComments(List<String> lines) {
    long marked = lines.stream().filter(l -> l.startsWith("#")).count();
    return marked * 4 > lines.size() || lines.stream().anyMatch(l -> l.startsWith("##"))
        ? lines.stream().map(l -> l.startsWith("#") ? "" : l).toList()
        : lines;
  }

  /** Pairs in one line, or a gesture with words below that stand further in. */
  static List<ListTable.Line> pairs(List<String> lines) {
    List<ListTable.Line> found = new ArrayList<>();
    for (int i = 0; i < lines.size(); i++) {
      String line = BULLET.matcher(lines.get(i)).replaceFirst("");
      String text = line.strip();
      if (text.isEmpty()) {
        continue;
      }
      Optional<List<String>> pair = PairLine.of(text);
      if (pair.isPresent()) {
        found.add(new ListTable.Line(i + 1, "", pair.get()));
        continue;
      }
      int next = i + 1;
      if (next < lines.size()
          && indent(lines.get(next)) > indent(lines.get(i))
          && !lines.get(next).isBlank()
          && PairLine.isGesture(text)
          && !PairLine.isGesture(lines.get(next).strip())) {
        found.add(new ListTable.Line(i + 1, "", List.of(text, lines.get(next).strip())));
        i = next;
      }
    }
    return found;
  }

  /** The first word a gesture, the rest what it does: where most lines are so. */
  private static List<ListTable.Line> firstWords(List<String> lines) {
    List<ListTable.Line> found = new ArrayList<>();
    int meant = 0;
    for (int i = 0; i < lines.size(); i++) {
      String text = lines.get(i).strip();
      if (text.isEmpty()
          || ("#;!".indexOf(text.charAt(0)) >= 0 && text.length() > 1 && text.charAt(1) == ' ')) {
        continue;
      }
      meant++;
      int space = text.indexOf(' ');
      if (space > 0 && PairLine.isGesture(text.substring(0, space))) {
        found.add(
            new ListTable.Line(
                i + 1, "", List.of(text.substring(0, space), text.substring(space).strip())));
      }
    }
    return found.size() * 2 > meant ? found : List.of();
  }

  private static int indent(String line) {
    int at = 0;
    while (at < line.length() && Character.isWhitespace(line.charAt(at))) {
      at++;
    }
    return at;
  }
}
