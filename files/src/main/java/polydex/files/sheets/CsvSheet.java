package polydex.files.sheets;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import polydex.sheets.Sheet;

/**
 * The lines of a sheet as CSV (RFC 4180). A text that a spreadsheet would take for a formula begins
 * with an apostrophe, and a gesture that it would, with its first key in quotes as the notation
 * allows.
 */
public final class CsvSheet {
  private static final String FORMULAS = "=+-@\t\r";

  private CsvSheet() {}

  /** The file. */
  public static String write(Sheet sheet) {
    List<SheetRows.Row> rows = SheetRows.of(sheet);
    int cells = Math.max(1, rows.stream().mapToInt(r -> r.cells().size()).max().orElse(1));
    StringWriter out = new StringWriter();
    try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.RFC4180)) {
      List<String> head = new ArrayList<>(List.of("part", "title", "aside"));
      for (int i = 0; i < cells; i++) {
        head.add(cells == 1 ? "gestures" : "gestures " + (i + 1));
      }
      head.addAll(List.of("figure", "more", "notes"));
      printer.printRecord(head);
      for (SheetRows.Row row : rows) {
        List<String> fields =
            new ArrayList<>(
                List.of(harmless(row.part()), harmless(row.title()), harmless(row.aside())));
        for (int i = 0; i < cells; i++) {
          fields.add(i < row.cells().size() ? gesture(SheetRows.joined(row.cells().get(i))) : "");
        }
        fields.add(harmless(row.figure()));
        fields.add(harmless(SheetRows.joined(row.more())));
        fields.add(harmless(SheetRows.joined(row.notes())));
        printer.printRecord(fields);
      }
    } catch (IOException e) {
      throw new UncheckedIOException("Memory can be written", e);
    }
    return out.toString();
  }

  private static String harmless(String text) {
    String shown = Typeface.shown(text);
    return begins(shown) ? "'" + shown : shown;
  }

  private static String gesture(String written) {
    return begins(written) ? "'" + written.charAt(0) + "'" + written.substring(1) : written;
  }

  private static boolean begins(String text) {
    return !text.isEmpty() && FORMULAS.indexOf(text.charAt(0)) >= 0;
  }
}
