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
import java.util.List;
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
import polydex.mouse.LogEvent;
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

  /** The batch of what a person noted by hand. */
  private static final long BY_HAND = 0;

  private final Path file;
  private final Connection connection;
  private final Handle handle;
  private final EventTable events;

  private Store(Path file, Connection connection) throws SQLException {
    this.file = file;
    this.connection = connection;
    this.handle = Jdbi.create(connection).open();
    this.events = new EventTable(connection);
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
    } catch (IOException | SQLException e) {
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
    transaction(
        h -> {
          writeEvents(List.of(note.event()), BY_HAND);
          log(h, note.title(), now);
        });
  }

  /** Takes a line out of the mouse log again. */
  public synchronized void undo(Change.Note note, Instant now) {
    transaction(
        h -> {
          events.remove(note.event());
          log(h, "Undo: " + note.title(), now);
        });
  }

  /** Puts events back that were taken out together. */
  public synchronized void save(Change.Batch batch, Instant now) {
    transaction(
        h -> {
          events.restore(batch.batch());
          log(h, batch.title(), now);
        });
  }

  /** Takes events out that came in together; they are kept until the file is closed. */
  public synchronized void undo(Change.Batch batch, Instant now) {
    transaction(
        h -> {
          events.withdraw(batch.batch());
          log(h, "Undo: " + batch.title(), now);
        });
  }

  /** A new number under which events come in together, such as those of a recording. */
  public synchronized long newBatch(String title, Instant now) {
    long[] made = new long[1];
    transaction(_ -> made[0] = events.newBatch(title, now));
    return made[0];
  }

  /** Keeps events as they come, under a number of {@link #newBatch}. */
  public synchronized void add(Iterable<LogEvent> arrived, long batch) {
    transaction(_ -> writeEvents(arrived, batch));
  }

  /** Where events come from that are brought in together. */
  public interface EventSource {
    /**
     * Hands on the events.
     *
     * @return whether they are to be kept
     * @throws FileProblem and nothing is kept
     */
    boolean handOn(Consumer<LogEvent> to) throws FileProblem;
  }

  /**
   * Brings events in together, all of them or none. They are written on a thread of their own while
   * the source hands on the next.
   *
   * @param title what the change is called
   * @return the change, and how many events were new; none where the source did not want them kept
   * @throws FileProblem if the source has one; nothing is kept then
   */
  public synchronized Optional<Brought> bringIn(String title, Instant now, EventSource source)
      throws FileProblem {
    handle.begin();
    boolean kept = false;
    try {
      long batch = events.newBatch(title, now);
      try (EventTable.Writing writing = events.writing(batch);
          EventPipe pipe = new EventPipe(writing)) {
        if (source.handOn(pipe)) {
          Brought brought = new Brought(new Change.Batch(title, batch), pipe.finish());
          log(handle, title, now);
          handle.commit();
          kept = true;
          return Optional.of(brought);
        }
      } finally {
        if (!kept) {
          handle.rollback();
          events.forgetUnwritten();
        }
      }
      return Optional.empty();
    } catch (SQLException e) {
      throw new FileProblem(
          "The events could not be written to %s: %s. Nothing was taken."
              .formatted(file, e.getMessage()),
          e);
    }
  }

  /** What came of bringing events in. */
  public record Brought(Change.Batch change, long events) {}

  private interface EventWork {
    void with(Handle h) throws SQLException;
  }

  private void transaction(EventWork work) {
    handle.useTransaction(
        h -> {
          try {
            work.with(h);
          } catch (SQLException e) {
            events.forgetUnwritten();
            throw new IllegalStateException("Writing the mouse log of " + file, e);
          }
        });
  }

  private void writeEvents(Iterable<LogEvent> all, long batch) throws SQLException {
    try (EventTable.Writing writing = events.writing(batch)) {
      for (LogEvent event : all) {
        writing.add(event);
      }
      writing.finish();
    }
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
    handle.useTransaction(h -> AnswerTable.insert(h, answer));
  }

  /** Keeps many answers and events at once. */
  public synchronized void addAll(Iterable<Answer> answers, Iterable<LogEvent> logged) {
    transaction(
        h -> {
          answers.forEach(a -> AnswerTable.insert(h, a));
          writeEvents(logged, BY_HAND);
        });
  }

  /** Hands on every answer, the oldest first. */
  public synchronized void answers(Consumer<Answer> to) {
    AnswerTable.answers(handle, to);
  }

  /** Hands on every answer to an item, the oldest first. */
  public synchronized void answers(DrillItem item, Consumer<Answer> to) {
    AnswerTable.answers(handle, item, to);
  }

  /** Hands on every event of the mouse log, the oldest first. */
  public synchronized void events(Consumer<LogEvent> to) {
    try {
      events.each(to);
    } catch (SQLException e) {
      throw new IllegalStateException("Reading the mouse log of " + file, e);
    }
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
