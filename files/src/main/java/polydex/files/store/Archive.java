package polydex.files.store;

import static polydex.files.language.FilesWords.worded;

import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.io.BufferedReader;
import java.io.BufferedWriter;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.apache.commons.csv.QuoteMode;
import polydex.files.FileProblem;
import polydex.files.json.ModelJson;

/**
 * All of a file in open formats, so that nobody is locked in: a ZIP archive (APPNOTE 6.3) with a
 * manifest in JSON and a list for each table in comma-separated values (RFC 4180, UTF-8). What is
 * not there is empty, an empty text is {@code ""}; a text that a spreadsheet could take for a
 * formula begins with {@code '}. Read back it gives an equal file. O(n) in both directions.
 */
public final class Archive {
  private static final String FORMAT = "polydex-archive/1";
  private static final String MANIFEST = "manifest.json";
  private static final long MOST_BYTES = 8L << 30;

  /**
   * Since this version only tables have come, and columns at the end of them that may be empty;
   * both an older archive lacks.
   */
  private static final int OLDEST_VERSION = 7;

  private static final int ROWS_AT_ONCE = 2000;
  private static final CSVFormat CSV =
      CSVFormat.RFC4180.builder().setQuoteMode(QuoteMode.ALL_NON_NULL).setNullString("").get();

  /** Such as others refer to come first. */
  static final List<String> TABLES =
      List.of(
          "setting",
          "action",
          "environment",
          "binding",
          "successor",
          "board",
          "layout",
          "setup",
          "remembered",
          "answer",
          "memory_fit",
          "learning",
          "accepted",
          "sighting",
          "kept",
          "wish",
          "learnt_name",
          "own_binding",
          "remap_draft",
          "ticked",
          "reminder",
          "batch",
          "deed",
          "event");

  /**
   * What an archive says of itself.
   *
   * @param format {@code polydex-archive/1}
   * @param version of the file's tables
   * @param tables how many rows each has
   */
  @JsonPropertyOrder({"format", "version", "made", "tables"})
  record Manifest(String format, int version, String made, Map<String, Long> tables) {}

  private Archive() {}

  /**
   * Writes all of an open file.
   *
   * @throws FileProblem if there is such an archive already, or it can't be written
   */
  static void write(Connection from, Path to, Instant now) throws FileProblem {
    if (Files.exists(to)) {
      throw new FileProblem(worded("any.there-is-a-file-already-choose", to));
    }
    Path part = to.resolveSibling(to.getFileName() + ".part");
    try {
      Map<String, Long> rows = new LinkedHashMap<>();
      try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(part))) {
        Writer out = new BufferedWriter(new OutputStreamWriter(zip, StandardCharsets.UTF_8));
        for (String table : TABLES) {
          zip.putNextEntry(new ZipEntry(table + ".csv"));
          rows.put(table, write(from, table, out));
          out.flush();
          zip.closeEntry();
        }
        zip.putNextEntry(new ZipEntry(MANIFEST));
        out.write(
            ModelJson.writePretty(
                new Manifest(FORMAT, FileGate.NEWEST_VERSION, now.toString(), rows)));
        out.flush();
        zip.closeEntry();
      }
      Copies.sync(part);
      Files.move(part, to, StandardCopyOption.ATOMIC_MOVE);
    } catch (SQLException e) {
      throw StoreProblem.of(to, e);
    } catch (IOException e) {
      throw new FileProblem(worded("store.cant-be-written", to, e.getMessage()), e);
    } finally {
      part.toFile().delete();
    }
  }

  private static long write(Connection from, String table, Writer out)
      throws SQLException, IOException {
    Columns columns = Columns.of(from, table);
    CSVPrinter printer = new CSVPrinter(out, CSV);
    printer.printRecord(columns.names());
    long rows = 0;
    try (Statement select = from.createStatement();
        ResultSet row = select.executeQuery(columns.select(false))) {
      List<String> cells = new ArrayList<>();
      while (row.next()) {
        cells.clear();
        for (int i = 0; i < columns.names().size(); i++) {
          cells.add(columns.written(i, row.getObject(i + 1)));
        }
        printer.printRecord(cells);
        rows++;
      }
    }
    return rows;
  }

  /**
   * Makes a new file of an archive, all of it or nothing.
   *
   * @throws FileProblem if there is such a file already, or the archive is not one of ours
   */
  public static void read(Path archive, Path to) throws FileProblem {
    if (Files.exists(to)) {
      throw new FileProblem(worded("any.there-is-a-file-already-choose", to));
    }
    boolean done = false;
    try (InputStream in = Files.newInputStream(archive)) {
      try (HeldFile fresh = HeldFile.of(to)) {
        try {
          read(archive, in, fresh.connection());
        } finally {
          fresh.written();
        }
      }
      done = true;
    } catch (SQLException e) {
      throw StoreProblem.of(to, e);
    } catch (ZipException e) {
      throw new FileProblem(worded("store.is-damaged-or-no-archive-nothing", archive), e);
    } catch (IOException | UncheckedIOException e) {
      throw new FileProblem(worded("any.cant-be-read", archive, e.getMessage()), e);
    } finally {
      if (!done) {
        to.toFile().delete();
        Path.of(to + "-wal").toFile().delete();
      }
    }
  }

  private static void read(Path archive, InputStream in, Connection into)
      throws IOException, SQLException, FileProblem {
    Map<String, Long> rows = new LinkedHashMap<>();
    Manifest manifest = null;
    try (ZipInputStream zip = new ZipInputStream(new Bounded(in, MOST_BYTES));
        Statement statement = into.createStatement()) {
      statement.execute("BEGIN IMMEDIATE");
      for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
        String name = entry.getName();
        BufferedReader text =
            new BufferedReader(
                new InputStreamReader(new Bounded(zip, MOST_BYTES), StandardCharsets.UTF_8));
        if (name.equals(MANIFEST)) {
          manifest = manifest(archive, text);
        } else if (name.endsWith(".csv") && TABLES.contains(name.substring(0, name.length() - 4))) {
          String table = name.substring(0, name.length() - 4);
          if (rows.containsKey(table)) {
            throw wrong(archive, worded("store.has-twice", name));
          }
          rows.put(table, read(archive, into, table, text));
        } else {
          throw wrong(archive, worded("store.has-in-it-which-is-none", name));
        }
      }
      if (manifest == null || !manifest.tables().equals(rows)) {
        throw wrong(archive, worded("store.does-not-have-all-the-parts"));
      }
      statement.execute("COMMIT");
    }
  }

  private static Manifest manifest(Path archive, BufferedReader text)
      throws IOException, FileProblem {
    char[] some = new char[1 << 16];
    int length = Math.max(0, text.read(some));
    Manifest read =
        ModelJson.read(
            archive.getFileName() + ", " + MANIFEST, new String(some, 0, length), Manifest.class);
    if (!read.format().equals(FORMAT)
        || read.version() < OLDEST_VERSION
        || read.version() > FileGate.NEWEST_VERSION) {
      throw wrong(
          archive,
          worded(
              "store.is-in-the-format-version-this",
              read.format(),
              read.version(),
              FORMAT,
              OLDEST_VERSION,
              FileGate.NEWEST_VERSION));
    }
    return read;
  }

  private static FileProblem wrong(Path archive, String what) {
    return new FileProblem(worded("store.nothing-was-taken", archive, what));
  }

  private static long read(Path archive, Connection into, String table, BufferedReader text)
      throws IOException, SQLException, FileProblem {
    Columns columns = Columns.of(into, table);
    long rows = 0;
    try (PreparedStatement insert = into.prepareStatement(columns.insert())) {
      // Not closed, which would close the archive.
      CSVParser parser = CSVParser.builder().setReader(text).setFormat(CSV).get();
      boolean header = true;
      int given = 0;
      for (CSVRecord record : parser) {
        if (header) {
          given = Math.min(record.size(), columns.names().size());
        }
        if (record.size() != given
            || (header && !record.toList().equals(columns.names().subList(0, given)))) {
          throw wrong(
              archive,
              worded("store.has-a-line-in-csv-that", table, String.join(", ", columns.names())));
        }
        if (header) {
          header = false;
          continue;
        }
        for (int i = 0; i < columns.names().size(); i++) {
          insert.setObject(i + 1, i < given ? columns.read(i, record.get(i)) : null);
        }
        insert.addBatch();
        if (++rows % ROWS_AT_ONCE == 0) {
          insert.executeBatch();
        }
      }
      insert.executeBatch();
    } catch (NumberFormatException e) {
      throw wrong(archive, worded("store.has-a-number-in-csv-that", table));
    } catch (SQLException e) {
      if (StoreProblem.of(archive, e).mayPass()) {
        throw e;
      }
      throw wrong(archive, worded("store.has-a-line-in-csv-that-2", table));
    }
    return rows;
  }

  /** Ends a stream that would unpack to more than any file holds. */
  private static final class Bounded extends FilterInputStream {
    private long left;

    Bounded(InputStream in, long most) {
      super(in);
      left = most;
    }

    @Override
    public int read() throws IOException {
      count(1);
      return in.read();
    }

    @Override
    public int read(byte[] to, int from, int length) throws IOException {
      int some = in.read(to, from, length);
      count(Math.max(0, some));
      return some;
    }

    private void count(int some) throws IOException {
      left -= some;
      if (left < 0) {
        throw new IOException(worded("store.it-unpacks-to-more-than-8"));
      }
    }

    @Override
    public void close() {
      // The archive is read on.
    }
  }
}
