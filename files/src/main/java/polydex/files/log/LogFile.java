package polydex.files.log;

import static polydex.files.language.FilesWords.worded;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectReader;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.io.BufferedReader;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import polydex.files.FileProblem;
import polydex.log.LogLine;

/**
 * Reads a mouse log line by line, in memory that does not grow with the file: comma-separated
 * values with a header line (RFC 4180, UTF-8, a field within one line), or one JSON object a line.
 * The columns are {@link #COLUMNS}, in any order; {@code time} and {@code device} must be there.
 */
public final class LogFile {
  /** The names of the columns, and of the fields of JSON objects. */
  public static final List<String> COLUMNS =
      List.of(
          "time",
          "application",
          "device",
          "input",
          "target",
          "path",
          "distance",
          "width",
          "duration",
          "machine");

  private static final List<String> NEEDED = List.of("time", "device");
  private static final ObjectReader JSON =
      JsonMapper.builder()
          .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
          .build()
          .readerFor(JsonNode.class);
  private static final int HEAD = 4096;

  /** Who gets the lines. */
  public interface Lines {
    /** A line by its number, counted from 1. */
    void line(long number, LogLine line);

    /** A line that can't be read, and why; never what stood in it. */
    void refused(long number, String reason);

    /** Columns or fields that mean nothing here, as far as the header shows them. */
    void unused(List<String> columns);

    /**
     * So many bytes have been read.
     *
     * @return whether to go on
     */
    boolean progress(long bytes);
  }

  /** The reading was stopped by whoever gets the lines. */
  public static final class Stopped extends RuntimeException {
    private static final long serialVersionUID = 1;

    Stopped() {
      super(worded("log.the-reading-was-stopped"));
    }
  }

  private LogFile() {}

  /**
   * Hands on every line.
   *
   * @throws FileProblem for a file that can't be read, is no text, or names no time or device
   * @throws Stopped when asked to
   */
  public static void read(Path file, Lines to) throws FileProblem {
    String name = file.getFileName().toString();
    if (!Files.isRegularFile(file)) {
      throw FileProblem.missing(file);
    }
    try {
      boolean json = isJson(file, name);
      try (InputStream in = new Counting(Files.newInputStream(file), to);
          BoundedLines lines = new BoundedLines(text(in), !json, to::refused)) {
        if (json) {
          readJson(lines, to);
        } else {
          readSeparated(name, lines, to);
        }
      }
    } catch (IOException | UncheckedIOException e) {
      throw new FileProblem(worded("any.cant-be-read-nothing-was-taken", file, e.getMessage()), e);
    }
  }

  /**
   * Hands on every line of JSON objects as it comes, until there are no more.
   *
   * @throws FileProblem where they can't be read
   * @throws Stopped when asked to
   */
  public static void read(InputStream in, Lines to) throws FileProblem {
    try (BoundedLines lines = new BoundedLines(text(new Counting(in, to)), false, to::refused)) {
      readJson(lines, to);
    } catch (IOException e) {
      throw new FileProblem(worded("log.no-more-can-be-read", e.getMessage()), e);
    }
  }

  private static boolean isJson(Path file, String name) throws IOException, FileProblem {
    byte[] head;
    try (InputStream in = Files.newInputStream(file)) {
      head = in.readNBytes(HEAD);
    }
    for (byte b : head) {
      if (b == 0) {
        throw new FileProblem(worded("lists.is-not-a-text-file-it", name));
      }
    }
    String text = new String(head, StandardCharsets.UTF_8).replace("\uFEFF", "").stripLeading();
    if (text.isEmpty()) {
      throw new FileProblem(worded("log.is-empty", name));
    }
    return text.startsWith("{");
  }

  private static Reader text(InputStream in) throws IOException {
    Reader reader =
        new BufferedReader(
            new InputStreamReader(
                in,
                StandardCharsets.UTF_8
                    .newDecoder()
                    .onMalformedInput(CodingErrorAction.REPLACE)
                    .onUnmappableCharacter(CodingErrorAction.REPLACE)),
            1 << 16);
    reader.mark(1);
    if (reader.read() != '\uFEFF') {
      reader.reset();
    }
    return reader;
  }

  private static void readSeparated(String name, BoundedLines lines, Lines to)
      throws IOException, FileProblem {
    CSVFormat format = CSVFormat.RFC4180.builder().setIgnoreEmptyLines(true).get();
    try (CSVParser parser = CSVParser.builder().setReader(lines).setFormat(format).get()) {
      int[] columns = null;
      int width = 0;
      for (CSVRecord row : parser) {
        long number = parser.getCurrentLineNumber();
        if (columns == null) {
          columns = header(name, row, to);
          width = row.size();
        } else if (row.size() == width) {
          to.line(number, line(row, columns));
        } else {
          to.refused(number, worded("any.the-line-has-fields-the-header", row.size(), width));
        }
      }
      if (columns == null) {
        throw new FileProblem(worded("log.has-no-header-line-nothing-was", name));
      }
    }
  }

  /** Where each column stands in a row; -1 for one that is not there. */
  private static int[] header(String name, CSVRecord row, Lines to) throws FileProblem {
    List<String> names = row.stream().map(c -> c.strip().toLowerCase(Locale.ROOT)).toList();
    List<String> missing = NEEDED.stream().filter(c -> !names.contains(c)).toList();
    if (!missing.isEmpty()) {
      throw new FileProblem(
          worded(
              "log.the-first-line-names-no-column",
              name,
              String.join(", ", missing),
              String.join(", ", COLUMNS)));
    }
    to.unused(names.stream().filter(c -> !COLUMNS.contains(c)).toList());
    return COLUMNS.stream().mapToInt(names::indexOf).toArray();
  }

  private static LogLine line(CSVRecord row, int[] at) {
    return new LogLine(
        field(row, at[0]),
        field(row, at[1]),
        field(row, at[2]),
        field(row, at[3]),
        field(row, at[4]),
        field(row, at[5]),
        field(row, at[6]),
        field(row, at[7]),
        field(row, at[8]),
        field(row, at[9]));
  }

  private static String field(CSVRecord row, int at) {
    return at < 0 ? "" : row.get(at);
  }

  private static void readJson(BoundedLines lines, Lines to) throws IOException {
    BufferedReader reader = new BufferedReader(lines);
    boolean first = true;
    long number = 0;
    for (String text = reader.readLine(); text != null; text = reader.readLine()) {
      number++;
      if (text.isBlank()) {
        continue;
      }
      try {
        JsonNode object = JSON.readValue(text);
        if (!object.isObject()) {
          to.refused(number, worded("log.the-line-is-no-json-object"));
        } else {
          if (first) {
            to.unused(
                object.properties().stream()
                    .map(java.util.Map.Entry::getKey)
                    .filter(f -> !COLUMNS.contains(f))
                    .toList());
            first = false;
          }
          to.line(number, line(object));
        }
      } catch (JsonProcessingException _) {
        to.refused(number, worded("log.the-line-is-no-json-object-2"));
      }
    }
  }

  private static LogLine line(JsonNode object) {
    String[] f = COLUMNS.stream().map(c -> text(object.get(c))).toArray(String[]::new);
    return new LogLine(f[0], f[1], f[2], f[3], f[4], f[5], f[6], f[7], f[8], f[9]);
  }

  /** A list of names is a path. */
  private static String text(@org.jspecify.annotations.Nullable JsonNode value) {
    if (value == null || value.isNull()) {
      return "";
    }
    return value.isArray()
        ? Stream.of(value)
            .flatMap(v -> v.valueStream())
            .map(JsonNode::asText)
            .reduce("", LogFile::join)
        : value.asText();
  }

  private static String join(String before, String next) {
    return before.isEmpty() ? next : before + " > " + next;
  }

  /** Tells how far it has come, and stops when it is asked to. */
  private static final class Counting extends FilterInputStream {
    private final Lines to;
    private long bytes;

    Counting(InputStream in, Lines to) {
      super(in);
      this.to = to;
    }

    @Override
    public int read(byte[] b, int off, int len) throws IOException {
      int some = super.read(b, off, len);
      bytes += Math.max(0, some);
      if (!to.progress(bytes)) {
        throw new Stopped();
      }
      return some;
    }
  }
}
