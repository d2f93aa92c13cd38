package polydex.files.store;

import static polydex.files.language.FilesWords.worded;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.files.FileProblem;

/**
 * What can still be read of a damaged file, put into a new one. The damaged one is opened in a way
 * that can't write; each table is read from both ends up to where it is damaged, and what refers to
 * something that is lost is left out.
 */
public final class Salvage {
  private static final Logger LOG = LoggerFactory.getLogger(Salvage.class);

  private Salvage() {}

  /**
   * Saves what can be read.
   *
   * @return how many rows of each table were saved
   * @throws FileProblem if nothing can be read, or the new file is there already
   */
  public static Map<String, Long> of(Path damaged, Path to) throws FileProblem {
    if (Files.exists(to)) {
      throw new FileProblem(worded("any.there-is-a-file-already-choose", to));
    }
    Map<String, Long> saved = new LinkedHashMap<>();
    boolean done = false;
    try (HeldFile fresh = HeldFile.of(to);
        Connection from = FileGate.readOnly(damaged)) {
      Connection into = fresh.connection();
      try {
        saved.putAll(all(from, into));
      } finally {
        fresh.written();
      }
      done = saved.values().stream().anyMatch(n -> n > 0);
      if (!done) {
        throw new FileProblem(worded("store.nothing-of-can-be-read-any", damaged));
      }
      return saved;
    } catch (SQLException e) {
      throw StoreProblem.of(damaged, e);
    } finally {
      if (!done) {
        to.toFile().delete();
      }
    }
  }

  private static Map<String, Long> all(Connection from, Connection into) throws SQLException {
    Map<String, Long> saved = new LinkedHashMap<>();
    execute(into, "PRAGMA foreign_keys = OFF");
    execute(into, "BEGIN IMMEDIATE");
    for (String table : Archive.TABLES) {
      saved.put(table, copy(from, into, table));
    }
    removeOrphans(into);
    execute(into, "COMMIT");
    return saved;
  }

  private static void execute(Connection connection, String sql) throws SQLException {
    try (Statement statement = connection.createStatement()) {
      statement.execute(sql);
    }
  }

  /** The columns that a damaged file says it has; none where that can't be read either. */
  private static Columns told(Connection from, String table) {
    try {
      return Columns.of(from, table);
    } catch (SQLException e) {
      return new Columns(table, List.of(), List.of(), List.of());
    }
  }

  private static long copy(Connection from, Connection into, String table) throws SQLException {
    // An older file lacks what has come since; what it has is saved.
    Columns columns = Columns.of(into, table).thatAreIn(told(from, table));
    String insert = columns.insert().replace("INSERT", "INSERT OR IGNORE");
    long rows = 0;
    for (boolean fromTheEnd : new boolean[] {false, true}) {
      try (Statement select = from.createStatement();
          PreparedStatement write = into.prepareStatement(insert);
          ResultSet row = select.executeQuery(columns.select(fromTheEnd))) {
        while (row.next()) {
          for (int i = 1; i <= columns.names().size(); i++) {
            write.setObject(i, row.getObject(i));
          }
          rows += insert(write);
        }
        return rows; // to its end, so that nothing is behind what is damaged
      } catch (SQLException e) {
        LOG.info("Saving table {}: {}", table, e.getMessage());
      }
    }
    return rows;
  }

  /** A row that breaks a rule of the table is part of the damage. */
  private static int insert(PreparedStatement write) {
    try {
      return write.executeUpdate();
    } catch (SQLException e) {
      LOG.info("A row was left out: {}", e.getMessage());
      return 0;
    }
  }

  private static void removeOrphans(Connection in) throws SQLException {
    execute(in, "DELETE FROM event WHERE deed NOT IN (SELECT id FROM deed)");
    execute(
        in,
        "DELETE FROM binding WHERE environment NOT IN (SELECT id FROM environment)"
            + " OR action NOT IN (SELECT id FROM action)");
  }
}
