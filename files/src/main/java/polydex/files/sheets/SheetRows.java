package polydex.files.sheets;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import polydex.keys.Gesture;
import polydex.sheets.Sheet;

/** A sheet as a flat list of lines, for forms that have no pages: CSV and JSON. */
final class SheetRows {
  private SheetRows() {}

  /**
   * A line.
   *
   * @param part the title of what it belongs to
   * @param kind of the part: lines, facts, steps, words or keyboard
   * @param title of the line
   * @param aside quiet words behind it
   * @param cells gestures by column, in the notation of {@link Gesture#parse}
   * @param columns what stands above the cells, where there are several
   * @param figure a number with its unit
   * @param more what stands below it
   * @param notes its footnotes in full
   */
  record Row(
      String part,
      String kind,
      String title,
      String aside,
      List<List<String>> cells,
      List<String> columns,
      String figure,
      List<String> more,
      List<String> notes) {}

  static List<Row> of(Sheet sheet) {
    List<Row> rows = new ArrayList<>();
    for (Sheet.Part part : sheet.parts()) {
      switch (part) {
        case Sheet.Lines l -> l.lines().forEach(x -> rows.add(line(sheet, l, x)));
        case Sheet.Facts f ->
            f.facts().forEach(x -> rows.add(plain(f.title(), "facts", x.what(), x.value())));
        case Sheet.Steps s ->
            s.steps()
                .forEach(
                    x ->
                        rows.add(
                            new Row(
                                s.title(),
                                "steps",
                                x.words(),
                                x.done() ? worded("sheets.done-2") : worded("sheets.to-do-2"),
                                s.gesture().stream()
                                    .map(g -> List.of(g.gesture().toString()))
                                    .toList(),
                                List.of(),
                                "",
                                List.of(),
                                List.of())));
        case Sheet.Said s -> rows.add(plain(s.title(), "words", s.words(), ""));
        case Sheet.Picture p ->
            p.faces().entrySet().stream()
                .filter(e -> !e.getValue().does().isEmpty())
                .sorted(Map.Entry.comparingByKey())
                .forEach(
                    e ->
                        rows.add(
                            new Row(
                                p.title(),
                                "keyboard",
                                e.getValue().does(),
                                e.getKey().name(),
                                List.of(),
                                List.of(),
                                "",
                                List.of(),
                                List.of())));
      }
    }
    return rows;
  }

  private static Row plain(String part, String kind, String title, String figure) {
    return new Row(part, kind, title, "", List.of(), List.of(), figure, List.of(), List.of());
  }

  private static Row line(Sheet sheet, Sheet.Lines of, Sheet.Line line) {
    return new Row(
        of.title(),
        "lines",
        line.title(),
        line.aside(),
        line.cells().stream()
            .map(c -> c.gestures().stream().map(g -> g.gesture().toString()).toList())
            .toList(),
        of.columns(),
        line.figure(),
        line.under(),
        line.notes().stream().map(n -> sheet.notes().get(n - 1)).toList());
  }

  /** Several in one field. */
  static String joined(List<String> all) {
    return all.stream().collect(Collectors.joining(" | "));
  }
}
