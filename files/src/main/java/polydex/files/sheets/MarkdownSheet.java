package polydex.files.sheets;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import polydex.sheets.Sheet;
import polydex.sheets.Sheet.Cell;

/**
 * A sheet as Markdown with tables (CommonMark and its common extension for tables). What names hold
 * is escaped, gestures stand in code spans.
 */
public final class MarkdownSheet {
  private static final String SPECIAL = "\\`*_{}[]()<>#+-.!|~&:@=^";

  private MarkdownSheet() {}

  /** The text. */
  public static String write(Sheet sheet) {
    StringBuilder out = new StringBuilder("# ").append(escaped(sheet.title())).append("\n\n");
    if (!sheet.about().isEmpty()) {
      out.append(escaped(sheet.about())).append("\n\n");
    }
    for (Sheet.Part part : sheet.parts()) {
      if (!part.title().isEmpty()) {
        out.append("## ").append(escaped(part.title())).append("\n\n");
      }
      part(out, part);
      out.append('\n');
    }
    for (int i = 0; i < sheet.notes().size(); i++) {
      out.append(i == 0 ? worded("sheets.notes-2") : "");
      out.append(i + 1).append(". ").append(escaped(sheet.notes().get(i))).append('\n');
    }
    out.append(sheet.notes().isEmpty() ? "" : "\n");
    out.append("---\n\n").append(PageFoot.day(sheet.foot()));
    out.append(sheet.foot().of().isEmpty() ? "" : " · " + escaped(sheet.foot().of()));
    return out.append(" · ").append(escaped(sheet.foot().madeBy())).append('\n').toString();
  }

  private static void part(StringBuilder out, Sheet.Part part) {
    switch (part) {
      case Sheet.Lines l -> lines(out, l);
      case Sheet.Facts f ->
          f.facts()
              .forEach(
                  x ->
                      out.append("- ")
                          .append(escaped(x.what()))
                          .append(": **")
                          .append(escaped(x.value()))
                          .append("**\n"));
      case Sheet.Steps s -> {
        s.gesture().ifPresent(g -> out.append(code(g.gesture().toString())).append("\n\n"));
        s.steps()
            .forEach(
                t ->
                    out.append(t.done() ? "- [x] " : "- [ ] ")
                        .append(escaped(t.words()))
                        .append('\n'));
      }
      case Sheet.Said s -> out.append(escaped(s.words())).append('\n');
      case Sheet.Picture p -> {
        row(out, List.of(worded("sheets.key"), worded("sheets.does")));
        row(out, List.of("---", "---"));
        p.board().places().stream()
            .map(k -> p.faces().get(k.key()))
            .filter(f -> f != null && !f.does().isEmpty())
            .distinct()
            .forEach(f -> row(out, List.of(code(f.legend()), escaped(f.does()))));
      }
    }
  }

  private static void lines(StringBuilder out, Sheet.Lines l) {
    int cells = l.lines().stream().mapToInt(x -> x.cells().size()).max().orElse(0);
    List<String> head = new ArrayList<>(List.of(worded("sheets.action")));
    if (l.columns().isEmpty()) {
      head.addAll(Collections.nCopies(cells, worded("sheets.keys")));
    } else {
      l.columns().forEach(c -> head.add(escaped(c)));
    }
    if (!l.figure().isEmpty()) {
      head.add(escaped(l.figure()));
    }
    row(out, head);
    row(
        out,
        IntStream.range(0, head.size())
            .mapToObj(i -> i == head.size() - 1 && !l.figure().isEmpty() ? "--:" : "---")
            .toList());
    for (Sheet.Line line : l.lines()) {
      List<String> fields = new ArrayList<>();
      fields.add(title(line));
      for (int i = 0; i < Math.max(cells, l.columns().size()); i++) {
        fields.add(i < line.cells().size() ? gestures(line.cells().get(i)) : "");
      }
      if (!l.figure().isEmpty()) {
        fields.add(escaped(line.figure()));
      }
      row(out, fields);
    }
  }

  private static String title(Sheet.Line line) {
    StringBuilder said = new StringBuilder(escaped(line.title()));
    if (!line.notes().isEmpty()) {
      said.append(" [")
          .append(line.notes().stream().map(String::valueOf).collect(Collectors.joining(", ")))
          .append(']');
    }
    if (!line.aside().isEmpty()) {
      said.append(" *").append(escaped(line.aside())).append('*');
    }
    line.under().forEach(u -> said.append("<br>").append(escaped(u)));
    return said.toString();
  }

  private static String gestures(Cell cell) {
    return cell.gestures().stream()
        .map(g -> code(g.gesture().toString()))
        .collect(Collectors.joining(worded("sheets.or")));
  }

  private static void row(StringBuilder out, List<String> fields) {
    out.append("| ").append(String.join(" | ", fields)).append(" |\n");
  }

  /**
   * In a code span, fenced by more backticks than it holds; a pipe would end a field of a table.
   */
  private static String code(String text) {
    String shown = Typeface.shown(text).replace("|", "\\|");
    if (shown.isEmpty()) {
      return "";
    }
    int longest = 0;
    int so = 0;
    for (int i = 0; i < shown.length(); i++) {
      so = shown.charAt(i) == '`' ? so + 1 : 0;
      longest = Math.max(longest, so);
    }
    String fence = "`".repeat(longest + 1);
    String air = longest > 0 ? " " : "";
    return fence + air + shown + air + fence;
  }

  private static String escaped(String text) {
    StringBuilder out = new StringBuilder();
    String shown = Typeface.shown(text);
    for (int i = 0; i < shown.length(); i++) {
      char c = shown.charAt(i);
      if (SPECIAL.indexOf(c) >= 0) {
        out.append('\\');
      }
      out.append(c);
    }
    return out.toString();
  }
}
