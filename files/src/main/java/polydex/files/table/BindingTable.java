package polydex.files.table;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import polydex.files.FileProblem;
import polydex.workspace.BindingIntake.Refused;
import polydex.workspace.BindingIntake.Row;

/**
 * A list of bindings as separated values: a header line, then one binding a line. Separator and
 * encoding are found out; the columns are found by their names, in any order.
 *
 * @param rows the lines that could be read
 * @param refused the lines that could not
 * @param found how the file was read, for the preview: "UTF-8, separated by commas"
 */
public record BindingTable(List<Row> rows, List<Refused> refused, String found) {
  private static final int MOST_ROWS = 1_000_000;

  private enum Column {
    PLATFORM("platform", "system"),
    APPLICATION("application", "app", "program", "environment"),
    CONTEXT("context", "where", "when"),
    ACTION("action", "command", "title", "what"),
    GESTURE("gesture", "keys", "key", "shortcut", "binding");

    private final Set<String> names;

    Column(String... names) {
      this.names = Set.of(names);
    }
  }

  private static final Map<Character, String> SEPARATORS =
      Map.of(',', "commas", ';', "semicolons", '\t', "tabs", '|', "bars");

  /** Copies the lists. */
  public BindingTable {
    rows = List.copyOf(rows);
    refused = List.copyOf(refused);
  }

  /**
   * Reads a file.
   *
   * @throws FileProblem where the file is refused as a whole; nothing is taken from it then
   */
  public static BindingTable read(Path file) throws FileProblem {
    Text text = Text.read(file);
    String name = file.getFileName().toString();
    if (text.content().isBlank()) {
      throw new FileProblem(name + " is empty. Nothing was taken.");
    }
    char separator = separator(text.content());
    try (CSVParser parser =
        CSVParser.builder()
            .setReader(new StringReader(text.content()))
            .setFormat(
                CSVFormat.RFC4180
                    .builder()
                    .setDelimiter(separator)
                    .setIgnoreSurroundingSpaces(true)
                    .get())
            .get()) {
      Iterator<CSVRecord> records = parser.iterator();
      CSVRecord header = records.next();
      Map<Column, Integer> columns = columns(header);
      String missing = missing(columns);
      if (!missing.isEmpty()) {
        throw new FileProblem(
            "%s: the first line names no column %s. It has: %s. Nothing was taken."
                .formatted(name, missing, shown(header)));
      }
      BindingTable table =
          rows(name, parser, records, columns, header.size())
              .as("%s, separated by %s".formatted(text.encoding(), SEPARATORS.get(separator)));
      if (table.rows().isEmpty() && table.refused().isEmpty()) {
        throw new FileProblem(name + " has a header and no lines below it. Nothing was taken.");
      }
      return table;
    } catch (IOException | UncheckedIOException e) {
      String reason =
          e instanceof UncheckedIOException u ? u.getCause().getMessage() : e.getMessage();
      throw new FileProblem(
          "%s is not well-formed: %s. Nothing was taken.".formatted(name, reason), e);
    }
  }

  private BindingTable as(String how) {
    return new BindingTable(rows, refused, how);
  }

  private static BindingTable rows(
      String name,
      CSVParser parser,
      Iterator<CSVRecord> records,
      Map<Column, Integer> columns,
      int width)
      throws FileProblem {
    List<Row> rows = new ArrayList<>();
    List<Refused> refused = new ArrayList<>();
    long before = parser.getCurrentLineNumber();
    while (records.hasNext()) {
      CSVRecord fields = records.next();
      int line = (int) before + 1;
      before = parser.getCurrentLineNumber();
      if (fields.stream().allMatch(String::isBlank)) {
        continue;
      }
      if (rows.size() + refused.size() >= MOST_ROWS) {
        throw new FileProblem(
            "%s has more than %,d lines. Split it into smaller files. Nothing was taken."
                .formatted(name, MOST_ROWS));
      }
      if (fields.size() != width) {
        refused.add(
            new Refused(
                line,
                shown(fields),
                "The line has %d fields, the header %d.".formatted(fields.size(), width)));
      } else {
        rows.add(row(line, fields, columns));
      }
    }
    return new BindingTable(rows, refused, "");
  }

  private static Row row(int line, CSVRecord fields, Map<Column, Integer> columns) {
    String application = field(fields, columns, Column.APPLICATION);
    boolean isPlatform = application.isBlank();
    return new Row(
        line,
        isPlatform ? field(fields, columns, Column.PLATFORM) : application,
        isPlatform,
        field(fields, columns, Column.CONTEXT),
        field(fields, columns, Column.ACTION),
        field(fields, columns, Column.GESTURE));
  }

  private static String field(CSVRecord fields, Map<Column, Integer> columns, Column column) {
    return Optional.ofNullable(columns.get(column)).map(fields::get).orElse("").strip();
  }

  private static char separator(String content) {
    String header = content.lines().filter(l -> !l.isBlank()).findFirst().orElse("");
    char best = ',';
    for (char candidate : new char[] {',', ';', '\t', '|'}) {
      if (count(header, candidate) > count(header, best)) {
        best = candidate;
      }
    }
    return best;
  }

  private static long count(String text, char wanted) {
    return text.chars().filter(c -> c == wanted).count();
  }

  private static Map<Column, Integer> columns(CSVRecord header) {
    Map<Column, Integer> found = new EnumMap<>(Column.class);
    for (int i = 0; i < header.size(); i++) {
      String name = header.get(i).strip().toLowerCase(Locale.ROOT);
      for (Column column : Column.values()) {
        if (column.names.contains(name)) {
          found.putIfAbsent(column, i);
        }
      }
    }
    return found;
  }

  private static String missing(Map<Column, Integer> columns) {
    List<String> missing = new ArrayList<>();
    if (!columns.containsKey(Column.PLATFORM) && !columns.containsKey(Column.APPLICATION)) {
      missing.add("\u201cplatform\u201d or \u201capplication\u201d");
    }
    if (!columns.containsKey(Column.ACTION)) {
      missing.add("\u201caction\u201d");
    }
    if (!columns.containsKey(Column.GESTURE)) {
      missing.add("\u201cgesture\u201d");
    }
    return String.join(", ", missing);
  }

  private static String shown(CSVRecord fields) {
    String all = fields.stream().map(String::strip).collect(Collectors.joining(", "));
    return all.length() <= 80 ? all : all.substring(0, 77) + "...";
  }
}
