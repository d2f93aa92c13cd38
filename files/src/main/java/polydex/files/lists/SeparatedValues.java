package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import polydex.files.FileProblem;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.ListTable;
import polydex.intake.Steps;

/** A header line, then a line for each binding, with commas, semicolons, tabs or bars between. */
final class SeparatedValues {
  private static final Map<Character, String> SEPARATORS =
      Map.of(',', "commas", ';', "semicolons", '\t', "tabs", '|', "bars");

  private static final int MOST_SHARED = 200_000;

  private SeparatedValues() {}

  /** Whether most of the first lines have what separates the first. */
  static boolean looksSo(String text) {
    char separator = separator(text);
    List<String> lines = text.lines().filter(l -> !l.isBlank()).limit(20).toList();
    if (lines.isEmpty() || count(lines.getFirst(), separator) == 0) {
      return false;
    }
    long with = lines.stream().filter(l -> count(l, separator) > 0).count();
    return with * 2 > lines.size();
  }

  static ForeignList read(String name, String text) throws FileProblem {
    Steps.take(text.length());
    char separator = separator(text);
    try (CSVParser parser =
        CSVParser.builder()
            .setReader(new StringReader(text))
            .setFormat(
                CSVFormat.RFC4180
                    .builder()
                    .setDelimiter(separator)
                    // Slower, and needed only where spaces stand between separators and quotes.
                    .setIgnoreSurroundingSpaces(hasSpacedQuotes(text, separator))
                    .get())
            .get()) {
      Iterator<CSVRecord> records = parser.iterator();
      CSVRecord header = records.next();
      List<ListTable.Line> lines = new ArrayList<>();
      List<Refused> refused = new ArrayList<>();
      rows(name, parser, records, header.size(), lines, refused);
      if (lines.isEmpty() && refused.isEmpty()) {
        throw new FileProblem(worded("lists.has-a-header-and-no-lines", name));
      }
      return new ForeignList(
          name,
          worded("lists.separated-by", SEPARATORS.get(separator)),
          List.of(
              new ListTable(
                  "",
                  header.stream().map(String::strip).toList(),
                  lines,
                  new ListTable.Origin("", "table", 1))),
          refused,
          0,
          List.of(),
          "");
    } catch (IOException | UncheckedIOException e) {
      String reason =
          e instanceof UncheckedIOException u ? u.getCause().getMessage() : e.getMessage();
      throw new FileProblem(worded("lists.is-not-well-formed-nothing-was", name, reason), e);
    }
  }

  private static void rows(
      String name,
      CSVParser parser,
      Iterator<CSVRecord> records,
      int width,
      List<ListTable.Line> lines,
      List<Refused> refused)
      throws FileProblem {
    Map<String, String> same = new HashMap<>();
    long before = parser.getCurrentLineNumber();
    while (records.hasNext()) {
      CSVRecord fields = records.next();
      int line = (int) before + 1;
      before = parser.getCurrentLineNumber();
      List<String> cells = shared(fields, same);
      if (isBlank(cells)) {
        continue;
      }
      if (lines.size() + refused.size() >= ListReader.MOST_ROWS) {
        ListReader.checkRows(name, Integer.MAX_VALUE);
      }
      if (cells.size() == width) {
        lines.add(new ListTable.Line(line, "", cells));
      } else {
        refused.add(
            new Refused(
                line,
                shown(cells),
                worded("any.the-line-has-fields-the-header", cells.size(), width)));
      }
    }
  }

  private static boolean hasSpacedQuotes(String text, char separator) {
    return text.contains(separator + " \"") || text.contains("\" " + separator);
  }

  private static boolean isBlank(List<String> cells) {
    for (String cell : cells) {
      if (!cell.isBlank()) {
        return false;
      }
    }
    return true;
  }

  /** Long lists say the same again and again: it is kept once. */
  private static List<String> shared(CSVRecord fields, Map<String, String> same) {
    String[] cells = fields.values();
    for (int i = 0; i < cells.length; i++) {
      String known = same.get(cells[i]);
      if (known != null) {
        cells[i] = known;
      } else if (same.size() < MOST_SHARED) {
        same.put(cells[i], cells[i]);
      }
    }
    return Arrays.asList(cells);
  }

  static String shown(List<String> cells) {
    String all = cells.stream().map(String::strip).collect(Collectors.joining(", "));
    return all.length() <= 80 ? all : all.substring(0, 77) + "...";
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
}
