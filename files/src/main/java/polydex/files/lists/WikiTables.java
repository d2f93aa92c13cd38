package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import polydex.files.FileProblem;
import polydex.intake.ListTable;
import polydex.intake.Steps;

/** Tables of wikis: rows between double bars, and those that begin with a brace and a bar. */
final class WikiTables {
  private static final Pattern KEYS =
      Pattern.compile(
          "\\{\\{\\s*(?:key ?press|keys?|kbd)\\s*\\|([^{}]{1,200})\\}\\}",
          Pattern.CASE_INSENSITIVE);
  private static final Pattern LINK =
      Pattern.compile("\\[\\[(?:[^\\]|]{0,200}\\|)?([^\\]|]{0,200})\\]\\]");
  private static final Pattern TAG = Pattern.compile("</?[a-zA-Z][^<>]{0,200}>");

  /** Nothing in it is tried twice, however the text looks. */
  private static final Pattern ATTRIBUTES =
      Pattern.compile("^\\s*+(?:[a-z-]++\\s*+=\\s*+(?:\"[^\"]*+\"|[^\\s|\"]++)\\s*+)++\\|(?!\\|)");

  private static final Pattern MOIN_STYLE = Pattern.compile("^\\s*<[^<>]{1,80}>");

  private WikiTables() {}

  static boolean looksSo(String head) {
    return head.lines().anyMatch(l -> l.strip().startsWith("{|"))
        || head.lines().filter(l -> l.strip().startsWith("||")).count() > 1;
  }

  static ForeignList read(String name, String text) throws FileProblem {
    List<String> lines = text.lines().toList();
    ListReader.checkRows(name, lines.size());
    List<ListTable> found = new ArrayList<>();
    List<List<String>> rows = new ArrayList<>();
    List<Integer> numbers = new ArrayList<>();
    String heading = "";
    boolean braced = false;
    for (int i = 0; i <= lines.size(); i++) {
      String line = i < lines.size() ? lines.get(i).strip() : "";
      Steps.take(line.length() + 1L);
      if (line.startsWith("{|")) {
        braced = true;
        end(heading, rows, numbers, found);
      } else if (braced && line.startsWith("|}")) {
        braced = false;
        end(heading, rows, numbers, found);
      } else if (braced && line.startsWith("|-")) {
        rows.add(new ArrayList<>());
        numbers.add(i + 1);
      } else if (braced && line.startsWith("|+")) {
        heading = clean(line.substring(2));
      } else if (braced && (line.startsWith("|") || line.startsWith("!"))) {
        if (rows.isEmpty()) {
          rows.add(new ArrayList<>());
          numbers.add(i + 1);
        }
        for (String cell : line.substring(1).split("\\|\\||!!", -1)) {
          rows.getLast().add(clean(ATTRIBUTES.matcher(cell).replaceFirst("")));
        }
      } else if (line.startsWith("||")) {
        rows.add(barred(line));
        numbers.add(i + 1);
      } else if (!braced) {
        end(heading, rows, numbers, found);
        if (line.startsWith("=")) {
          heading = clean(line.replaceAll("^=+|=+$", ""));
        }
      } else if (!rows.isEmpty() && !rows.getLast().isEmpty() && !line.isEmpty()) {
        rows.getLast().add(rows.getLast().removeLast() + "\n" + clean(line));
      }
    }
    end(heading, rows, numbers, found);
    if (found.isEmpty()) {
      throw new FileProblem(worded("lists.has-a-wikis-table-with-no", name));
    }
    return new ForeignList(
        name, worded("lists.tables-of-a-wiki"), found, List.of(), 0, List.of(), "");
  }

  private static List<String> barred(String line) {
    String inner =
        line.substring(
            2, line.endsWith("||") && line.length() > 3 ? line.length() - 2 : line.length());
    List<String> cells = new ArrayList<>();
    for (String cell : inner.split("\\|\\|", -1)) {
      cells.add(clean(MOIN_STYLE.matcher(cell).replaceFirst("")));
    }
    return cells;
  }

  private static void end(
      String heading, List<List<String>> rows, List<Integer> numbers, List<ListTable> found) {
    List<ListTable.Line> lines = new ArrayList<>();
    int width = rows.stream().mapToInt(List::size).max().orElse(0);
    List<String> header = List.of();
    int headerLine = 0;
    for (int i = 0; i < rows.size(); i++) {
      List<String> cells = rows.get(i);
      while (cells.size() < width) {
        cells.add("");
      }
      if (cells.stream().allMatch(String::isBlank)) {
        continue;
      }
      if (header.isEmpty()) {
        header = List.copyOf(cells);
        headerLine = numbers.get(i);
      } else {
        lines.add(new ListTable.Line(numbers.get(i), "", cells));
      }
    }
    if (width > 1 && !lines.isEmpty()) {
      found.add(
          new ListTable(heading, header, lines, new ListTable.Origin("", "table", headerLine)));
    }
    rows.clear();
    numbers.clear();
  }

  private static String clean(String text) {
    Matcher keys = KEYS.matcher(text);
    String plain =
        keys.replaceAll(r -> Matcher.quoteReplacement(String.join("+", r.group(1).split("\\|"))));
    plain = LINK.matcher(plain).replaceAll(r -> Matcher.quoteReplacement(r.group(1)));
    plain = plain.replaceAll("(?i)<br\\s*/?>|<<br>>", "\n");
    return TAG.matcher(plain)
        .replaceAll("")
        .replace("'''", "")
        .replace("''", "")
        .replace("&nbsp;", " ")
        .replace("&lt;", "<")
        .replace("&gt;", ">")
        .replace("&amp;", "&")
        .strip();
  }
}
