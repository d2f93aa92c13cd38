package polydex.files.lists;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.files.FileProblem;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.ListTable;

/** Tables of bars and dashes, as in the GitHub Flavored Markdown specification. */
final class MarkdownTables {
  private static final String RULE = "\\s*\\|?\\s*:?-+:?\\s*(\\|\\s*:?-+:?\\s*)+\\|?\\s*";

  private MarkdownTables() {}

  static ForeignList read(String name, String text) throws FileProblem {
    List<String> lines = text.lines().toList();
    ListReader.checkRows(name, lines.size());
    List<ListTable> tables = new ArrayList<>();
    List<Refused> refused = new ArrayList<>();
    String heading = "";
    for (int i = 0; i + 1 < lines.size(); i++) {
      if (lines.get(i).startsWith("#")) {
        heading = lines.get(i).replaceFirst("^#+\\s*", "").strip();
      }
      if (!lines.get(i + 1).matches(RULE) || !lines.get(i).contains("|")) {
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
                  "The line has %d cells, the header %d.".formatted(cells.size(), header.size())));
        }
      }
      tables.add(new ListTable(heading, header, rows));
      i = at - 1;
    }
    if (tables.isEmpty()) {
      throw new FileProblem(
          name
              + " has the rule of a Markdown table and no row of column names above it. Nothing was"
              + " taken.");
    }
    return new ForeignList(name, "tables in Markdown", tables, refused, 0, Optional.empty());
  }

  /** Bars divide, but for those behind a backslash or between backticks. */
  private static List<String> cells(String line) {
    List<String> cells = new ArrayList<>();
    StringBuilder cell = new StringBuilder();
    String text = line.strip();
    boolean code = false;
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      if (c == '\\' && i + 1 < text.length() && text.charAt(i + 1) == '|') {
        cell.append('|');
        i++;
      } else if (c == '`' && (code || text.indexOf('`', i + 1) >= 0)) {
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
    return cell.replaceAll("(?i)<br\\s*/?>", "\n")
        .replaceAll("(?i)</?kbd>", "")
        .replaceAll("\\*\\*(.+?)\\*\\*", "$1")
        .strip();
  }
}
