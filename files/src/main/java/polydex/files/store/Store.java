package polydex.files.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import polydex.conflict.ConflictHistory;
import polydex.files.FileProblem;
import polydex.mouse.Use;
import polydex.recall.Answer;
import polydex.recall.DrillItem;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/**
 * One {@code .polydex} file, open: an SQLite database with a write-ahead log. It holds the file
 * alone until it is closed, or until its program ends, however suddenly. Each method is one
 * transaction, and each has reached the disk when it returns. Safe for use by several threads.
 */
public final class Store implements AutoCloseable {
  private static final Set<Path> OPEN_HERE = new HashSet<>();
  private static final String CURRENT_SETUP = "setup";

  private final Path file;
  private final Connection connection;
  private final Handle handle;

  private Store(Path file, Connection connection) {
    this.file = file;
    this.connection = connection;
    this.handle = Jdbi.create(connection).open();
  }

  /**
   * Opens a file, or makes it where there is none.
   *
   * @throws FileProblem if it is damaged, open in another program, or newer than this program; it
   *     is then left as it was
   */
  public static Store open(Path path) throws FileProblem {
    Path file = path.toAbsolutePath().normalize();
    synchronized (OPEN_HERE) {
      if (!OPEN_HERE.add(file)) {
        throw FileGate.openElsewhere(file);
      }
    }
    boolean done = false;
    try {
      boolean isNew = !Files.exists(file) || Files.size(file) == 0;
      if (isNew && !Files.isDirectory(file.getParent())) {
        throw new FileProblem(
            "There is no folder " + file.getParent() + ". Make it first, or choose another.");
      }
      if (isNew || FileGate.check(file) < FileGate.NEWEST_VERSION) {
        migrate(file);
      }
      Store store = new Store(file, connect(file));
      done = true;
      return store;
    } catch (IOException e) {
      throw new FileProblem("%s can't be read: %s.".formatted(file, e.getMessage()), e);
    } finally {
      if (!done) {
        release(file);
      }
    }
  }

  private static void release(Path file) {
    synchronized (OPEN_HERE) {
      OPEN_HERE.remove(file);
    }
  }

  private static void migrate(Path file) throws FileProblem {
    try {
      Flyway.configure()
          .dataSource("jdbc:sqlite:" + file, null, null)
          .locations("classpath:polydex/files/store")
          .loggers("slf4j")
          .load()
          .migrate();
    } catch (FlywayException e) {
      throw new FileProblem("%s could not be set up: %s".formatted(file, e.getMessage()), e);
    }
  }

  private static Connection connect(Path file) throws FileProblem {
    try {
      Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file);
      try (var statement = connection.createStatement()) {
        // Exclusive before the first access, so that the log is this program's alone as well.
        statement.execute("PRAGMA locking_mode = EXCLUSIVE");
        statement.execute("PRAGMA busy_timeout = 0");
        statement.execute("PRAGMA foreign_keys = ON");
        statement.execute("PRAGMA journal_mode = WAL");
        statement.execute("PRAGMA synchronous = FULL");
        statement.execute("PRAGMA trusted_schema = OFF");
        statement.execute("BEGIN IMMEDIATE");
        statement.execute("COMMIT");
      } catch (SQLException e) {
        connection.close();
        throw e;
      }
      return connection;
    } catch (SQLException e) {
      throw FileGate.openElsewhere(file);
    }
  }

  /** Where it is. */
  public Path file() {
    return file;
  }

  /** What the person has made and chosen. */
  public synchronized Workspace workspace() throws FileProblem {
    Workspace read = new WorkspaceTables(handle).read(file.getFileName().toString());
    return read.using(setting(CURRENT_SETUP));
  }

  /** Writes a change. */
  public synchronized void save(Change.Edit change, Instant now) {
    handle.useTransaction(
        h -> {
          new WorkspaceTables(h).write(change.before(), change.after(), now);
          log(h, change.title(), now);
        });
  }

  /** Writes a line into the mouse log. */
  public synchronized void save(Change.Note note, Instant now) {
    handle.useTransaction(
        h -> {
          Logs.insert(h, note.use());
          log(h, note.title(), now);
        });
  }

  /** Takes a line out of the mouse log again. */
  public synchronized void undo(Change.Note note, Instant now) {
    handle.useTransaction(
        h -> {
          Logs.remove(h, note.use());
          log(h, "Undo: " + note.title(), now);
        });
  }

  /** The ids of bindings that were added or changed since a moment, by environment. */
  public synchronized Map<String, Set<String>> changedSince(Instant moment) {
    Map<String, Set<String>> found = new HashMap<>();
    handle
        .createQuery("SELECT environment, id FROM binding WHERE changed >= :moment")
        .bind("moment", moment.toEpochMilli())
        .map(
            (row, _) ->
                found
                    .computeIfAbsent(row.getString("environment"), _ -> new HashSet<>())
                    .add(row.getString("id")))
        .list();
    return found;
  }

  /** When conflicts came and went. */
  public synchronized ConflictHistory conflicts() {
    return new SightingTable(handle).read();
  }

  /** Writes what has changed in the history of conflicts. */
  public synchronized void save(ConflictHistory before, ConflictHistory after) {
    handle.useTransaction(h -> new SightingTable(h).write(before, after));
  }

  /** Which setup is in use. */
  public synchronized void choose(Optional<String> setup) {
    setup.ifPresent(s -> setting(CURRENT_SETUP, s));
  }

  /** A setting of the program by its name. */
  public synchronized Optional<String> setting(String name) {
    return handle
        .createQuery("SELECT value FROM setting WHERE name = :name")
        .bind("name", name)
        .mapTo(String.class)
        .findOne();
  }

  /** Keeps a setting of the program. */
  public synchronized void setting(String name, String value) {
    handle
        .createUpdate(
            "INSERT INTO setting (name, value) VALUES (:name, :value)"
                + " ON CONFLICT (name) DO UPDATE SET value = excluded.value")
        .bind("name", name)
        .bind("value", value)
        .execute();
  }

  /** Keeps an answer. */
  public synchronized void add(Answer answer) {
    handle.useTransaction(h -> Logs.insert(h, answer));
  }

  /** Keeps many answers and uses at once. */
  public synchronized void addAll(Iterable<Answer> answers, Iterable<Use> uses) {
    handle.useTransaction(
        h -> {
          answers.forEach(a -> Logs.insert(h, a));
          uses.forEach(u -> Logs.insert(h, u));
        });
  }

  /** Hands on every answer, the oldest first. */
  public synchronized void answers(Consumer<Answer> to) {
    Logs.answers(handle, to);
  }

  /** Hands on every answer to an item, the oldest first. */
  public synchronized void answers(DrillItem item, Consumer<Answer> to) {
    Logs.answers(handle, item, to);
  }

  /** Hands on every line of the mouse log, the oldest first. */
  public synchronized void uses(Consumer<Use> to) {
    Logs.uses(handle, to);
  }

  private static void log(Handle h, String title, Instant now) {
    h.createUpdate("INSERT INTO change (at, title) VALUES (:at, :title)")
        .bind("at", now.toEpochMilli())
        .bind("title", title)
        .execute();
  }

  @Override
  public synchronized void close() {
    try {
      handle.close();
      connection.close();
    } catch (SQLException e) {
      throw new IllegalStateException("Closing " + file, e);
    } finally {
      release(file);
    }
  }
}
