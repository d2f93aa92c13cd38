package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import polydex.files.FileProblem;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.ListTable;
import polydex.intake.Steps;

/** Tables of bars and dashes, as in the GitHub Flavored Markdown specification. */
final class MarkdownTables {
  private static final int LONGEST_TAG = 12;

  private MarkdownTables() {}

  static ForeignList read(String name, String text) throws FileProblem {
    List<String> lines = text.lines().toList();
    ListReader.checkRows(name, lines.size());
    List<ListTable> tables = new ArrayList<>();
    List<Refused> refused = new ArrayList<>();
    String heading = "";
    for (int i = 0; i + 1 < lines.size(); i++) {
      if (lines.get(i).startsWith("#")) {
        heading = heading(lines.get(i));
      }
      if (!lines.get(i).contains("|") || !ListForm.isRule(lines.get(i + 1))) {
        continue;
      }
      List<String> header = cells(lines.get(i));
      List<ListTable.Line> rows = new ArrayList<>();
      int at = i + 2;
      for (; at < lines.size() && lines.get(at).contains("|"); at++) {
        List<String> cells = cells(lines.get(at));
        if (cells.size() == header.size()) {
          rows.add(new ListTable.Line(at + 1, "", cells));
        } else {
          refused.add(
              new Refused(
                  at + 1,
                  SeparatedValues.shown(cells),
                  worded("lists.the-line-has-cells-the-header", cells.size(), header.size())));
        }
      }
      tables.add(new ListTable(heading, header, rows, new ListTable.Origin("", "table", i + 1)));
      i = at - 1;
    }
    if (tables.isEmpty()) {
      throw new FileProblem(worded("lists.has-the-rule-of-a-markdown", name));
    }
    return new ForeignList(
        name, worded("lists.tables-in-markdown"), tables, refused, 0, List.of(), "");
  }

  /** Bars divide, but for those behind a backslash or between backticks. */
  private static List<String> cells(String line) {
    List<String> cells = new ArrayList<>();
    StringBuilder cell = new StringBuilder();
    String text = line.strip();
    boolean code = false;
    int lastTick = text.lastIndexOf('`');
    Steps.take(text.length() + 1);
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      if (c == '\\' && i + 1 < text.length() && text.charAt(i + 1) == '|') {
        cell.append('|');
        i++;
      } else if (c == '`' && (code || i < lastTick)) {
        code = !code;
      } else if (c == '|' && !code) {
        cells.add(plain(cell.toString()));
        cell.setLength(0);
      } else {
        cell.append(c);
      }
    }
    cells.add(plain(cell.toString()));
    if (text.startsWith("|")) {
      cells.removeFirst();
    }
    if (text.endsWith("|") && !text.endsWith("\\|")) {
      cells.removeLast();
    }
    return cells;
  }

  private static String plain(String cell) {
    return withoutStars(withoutTags(cell)).strip();
  }

  /** A line break is one; the marks of keys say nothing more. */
  private static String withoutTags(String cell) {
    if (cell.indexOf('<') < 0) {
      return cell;
    }
    StringBuilder plain = new StringBuilder();
    int at = 0;
    for (int open = cell.indexOf('<'); open >= 0; open = cell.indexOf('<', at)) {
      plain.append(cell, at, open);
      int end = Math.min(open + LONGEST_TAG, cell.length());
      int close = cell.substring(open, end).indexOf('>');
      String tag =
          close < 0 ? "" : cell.substring(open + 1, open + close).strip().toLowerCase(Locale.ROOT);
      switch (tag) {
        case "br", "br/", "br /" -> plain.append('\n');
        case "kbd", "/kbd" -> {}
        default -> {
          plain.append('<');
          close = 0;
        }
      }
      at = open + close + 1;
    }
    return plain.append(cell, at, cell.length()).toString();
  }

  /** What stands between pairs of stars stands there without them. */
  private static String withoutStars(String cell) {
    StringBuilder plain = new StringBuilder();
    int at = 0;
    int last = cell.lastIndexOf("**");
    for (int open = cell.indexOf("**"); open >= 0; open = cell.indexOf("**", at)) {
      int close = open + 3 <= last ? cell.indexOf("**", open + 3) : -1;
      if (close < 0) {
        break;
      }
      plain.append(cell, at, open).append(cell, open + 2, close);
      at = close + 2;
    }
    return plain.append(cell, at, cell.length()).toString();
  }

  private static String heading(String line) {
    int at = 0;
    while (at < line.length() && line.charAt(at) == '#') {
      at++;
    }
    return line.substring(at).strip();
  }
}
