package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.files.FileProblem;
import polydex.keys.Gesture;
import polydex.keys.GestureSyntaxException;
import polydex.recall.Answer;
import polydex.recall.Answer.Timing;
import polydex.recall.Answer.Verdict;
import polydex.recall.DrillItem;
import polydex.recall.Pace;

/**
 * Answers as comma-separated values (RFC 4180, UTF-8) with a header line. Columns {@code at} (ISO
 * 8601 with its offset), {@code environment}, {@code action}, {@code gesture}, {@code verdict},
 * {@code seconds}; and, where they are there, {@code kind}, {@code counts} (whether the time does),
 * {@code expected} (seconds), {@code pressed}, {@code mistaken_environment}, {@code
 * mistaken_action}, {@code first_key} (seconds until the first key went down). Their order is free.
 */
public final class AnswerList {
  private static final List<String> NEEDED =
      List.of("at", "environment", "action", "gesture", "verdict", "seconds");
  private static final List<String> COLUMNS =
      List.of(
          "at",
          "environment",
          "action",
          "gesture",
          "verdict",
          "seconds",
          "kind",
          "counts",
          "expected",
          "pressed",
          "mistaken_environment",
          "mistaken_action",
          "first_key");
  private static final double LONGEST_SECONDS = 86_400;

  private final String name;
  private final int columns;
  private final Map<String, Gesture> gestures = new HashMap<>();

  private AnswerList(String name, int columns) {
    this.columns = columns;
    this.name = name;
  }

  /**
   * Reads answers, at most 64 MiB of them, and sorts them by time.
   *
   * @throws FileProblem for a file that can't be read, a column that is missing, or the first line
   *     that says something impossible; the message says which and what was expected
   */
  public static List<Answer> read(Path file) throws FileProblem {
    String name = file.getFileName().toString();
    String text = Text.read(file).content();
    try (CSVParser parser =
        CSVParser.builder()
            .setReader(new StringReader(text))
            .setFormat(
                CSVFormat.RFC4180
                    .builder()
                    .setHeader()
                    .setSkipHeaderRecord(true)
                    .setIgnoreHeaderCase(true)
                    .setTrim(true)
                    .setIgnoreEmptyLines(true)
                    .get())
            .get()) {
      List<String> missing =
          NEEDED.stream().filter(c -> !parser.getHeaderMap().containsKey(c)).toList();
      if (!missing.isEmpty()) {
        throw new FileProblem(
            worded(
                "lists.the-first-line-names-no-column",
                name,
                String.join(", ", missing),
                String.join(", ", NEEDED)));
      }
      AnswerList list = new AnswerList(name, parser.getHeaderMap().size());
      List<Answer> answers = new ArrayList<>();
      for (CSVRecord row : parser) {
        answers.add(list.answer(row, parser.getCurrentLineNumber()));
      }
      answers.sort((a, b) -> a.at().compareTo(b.at()));
      return List.copyOf(answers);
    } catch (IOException | UncheckedIOException | IllegalArgumentException e) {
      throw new FileProblem(
          worded("lists.is-not-well-formed-nothing-was", name, e.getMessage()), e);
    }
  }

  /** Writes answers so that {@link #read} gives them again. */
  public static void write(List<Answer> answers, Appendable to) throws IOException {
    CSVPrinter printer =
        new CSVPrinter(
            to, CSVFormat.RFC4180.builder().setHeader(COLUMNS.toArray(new String[0])).get());
    for (Answer a : answers) {
      printer.printRecord(
          a.at(),
          harmless(a.item().environment().value()),
          harmless(a.item().action().value()),
          notation(a.asked().toString()),
          word(a.verdict()),
          a.timing().seconds(),
          word(a.kind()),
          a.timing().counts() ? "yes" : "no",
          a.timing().expected(),
          notation(a.pressed()),
          harmless(a.mistakenFor().map(i -> i.environment().value()).orElse("")),
          harmless(a.mistakenFor().map(i -> i.action().value()).orElse("")),
          a.timing().firstKey().isPresent() ? a.timing().firstKey().getAsDouble() : "");
    }
    printer.flush();
  }

  private static String word(Enum<?> value) {
    return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** A spreadsheet must not take it for a formula. */
  private static String harmless(String text) {
    return beginsFormula(withoutQuotes(text)) ? "'" + text : text;
  }

  private static String withoutQuotes(String text) {
    return text.replaceFirst("^'+", "");
  }

  /** Notation has its own way of quoting a key, which does the same. */
  private static String notation(String gesture) {
    return beginsFormula(gesture) ? "'" + gesture.charAt(0) + "'" + gesture.substring(1) : gesture;
  }

  private static boolean beginsFormula(String text) {
    return !text.isEmpty() && "=+-@\t\r".indexOf(text.charAt(0)) >= 0;
  }

  private Answer answer(CSVRecord row, long line) throws FileProblem {
    if (!row.isConsistent()) {
      throw problem(line, worded("lists.has-fields-the-header", row.size(), columns));
    }
    Gesture gesture = gesture(row.get("gesture"), line);
    double seconds = number(row.get("seconds"), "seconds", line);
    String expected = optional(row, "expected");
    String firstKey = optional(row, "first_key");
    String mistaken = id(optional(row, "mistaken_environment"));
    return new Answer(
        new DrillItem(
            new EnvironmentId(id(row.get("environment"))), new ActionId(id(row.get("action")))),
        moment(row.get("at"), line),
        value(
            Answer.Kind.values(),
            optional(row, "kind"),
            Answer.Kind.DO,
            worded("lists.a-kind"),
            line),
        value(Verdict.values(), row.get("verdict"), Verdict.RIGHT, worded("lists.a-verdict"), line),
        new Timing(
            seconds,
            !optional(row, "counts").equalsIgnoreCase("no"),
            expected.isEmpty()
                ? Pace.UNKNOWN.expected(gesture)
                : number(expected, "expected", line),
            firstKey.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(number(firstKey, "first_key", line))),
        gesture,
        optional(row, "pressed"),
        mistaken.isEmpty()
            ? Optional.empty()
            : Optional.of(
                new DrillItem(
                    new EnvironmentId(mistaken),
                    new ActionId(id(optional(row, "mistaken_action"))))));
  }

  private static String optional(CSVRecord row, String column) {
    return row.isMapped(column) ? row.get(column) : "";
  }

  private static String id(String written) {
    return written.startsWith("'") && beginsFormula(withoutQuotes(written))
        ? written.substring(1)
        : written;
  }

  private Gesture gesture(String text, long line) throws FileProblem {
    Gesture known = gestures.get(text);
    if (known != null) {
      return known;
    }
    try {
      Gesture gesture = Gesture.parse(text);
      gestures.put(text, gesture);
      return gesture;
    } catch (GestureSyntaxException e) {
      throw problem(line, worded("lists.has-a-gesture-that-cant-be", e.getMessage()));
    }
  }

  private Instant moment(String text, long line) throws FileProblem {
    try {
      return OffsetDateTime.parse(text).toInstant();
    } catch (DateTimeException e) {
      throw problem(line, worded("lists.has-the-time-not-one-like", text));
    }
  }

  private double number(String text, String column, long line) throws FileProblem {
    try {
      double number = Double.parseDouble(text);
      if (number >= 0 && number <= LONGEST_SECONDS) {
        return number;
      }
    } catch (NumberFormatException e) {
      // Said below.
    }
    throw problem(line, worded("lists.has-for-not-a-number-from", text, column));
  }

  private <E extends Enum<E>> E value(E[] values, String text, E usual, String what, long line)
      throws FileProblem {
    if (text.isEmpty()) {
      return usual;
    }
    List<String> words = Arrays.stream(values).map(AnswerList::word).toList();
    int at = words.indexOf(text.toLowerCase(Locale.ROOT).replace('_', '-'));
    if (at < 0) {
      throw problem(line, worded("lists.has-there-are", what, text, String.join(", ", words)));
    }
    return values[at];
  }

  private FileProblem problem(long line, String what) {
    return new FileProblem(worded("lists.line-nothing-was-taken", name, line, what));
  }
}
