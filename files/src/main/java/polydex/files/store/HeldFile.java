package polydex.files.store;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.HashSet;
import java.util.Set;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.files.FileProblem;

/**
 * A file that is open here and nowhere else, brought up to date and connected to, until it is
 * closed or its program ends.
 */
final class HeldFile implements AutoCloseable {
  private static final Logger LOG = LoggerFactory.getLogger(HeldFile.class);
  private static final Set<Path> OPEN_HERE = new HashSet<>();

  private final Path path;
  private final Connection connection;
  private Footprint file;
  private Footprint log;
  private boolean isSuspect;

  private HeldFile(Path path, Connection connection) throws IOException {
    this.path = path;
    this.connection = connection;
    file = Footprint.of(path);
    log = Footprint.of(log());
  }

  /** Something in it is damaged: it is looked into when it is opened next. */
  void suspect() {
    isSuspect = true;
    CleanClose.forget(path);
  }

  /** Where it is. */
  Path path() {
    return path;
  }

  /** Through which it is read and written. */
  Connection connection() {
    return connection;
  }

  private Path log() {
    return Path.of(path + "-wal");
  }

  /**
   * What is written into a file that nobody can find any more is lost when the program ends, though
   * the system takes it; and one that was replaced is somebody else's.
   */
  void refuseWhereReplaced() throws FileProblem {
    try {
      if (!Footprint.of(path).equals(file)
          || (log.onComputer() && !Footprint.of(log()).isOfTheSameFile(log))) {
        throw StoreProblem.of(path, StoreProblem.Cause.REPLACED);
      }
    } catch (IOException e) {
      throw StoreProblem.of(path, e);
    }
  }

  /** Whether another program has written into this very file, so that what is read is mixed. */
  boolean isOverwritten() {
    try {
      Footprint now = Footprint.of(path);
      return now.isOfTheSameFile(file) && !now.equals(file);
    } catch (IOException e) {
      return false;
    }
  }

  /**
   * This program has just written, and knows the file again as it is now; another one that was put
   * in its place meanwhile is not taken for it.
   */
  void written() {
    try {
      Footprint now = Footprint.of(path);
      if (now.isOfTheSameFile(file)) {
        file = now;
      }
      Footprint logNow = Footprint.of(log());
      if (!log.onComputer() || logNow.isOfTheSameFile(log)) {
        log = logNow;
      }
    } catch (IOException e) {
      LOG.debug("Looking at {}", path, e); // the next write looks again, and says it
    }
  }

  /**
   * Opens a file, or makes it where there is none.
   *
   * @throws FileProblem if it can't be used; it is then left as it was
   */
  static HeldFile of(Path path) throws FileProblem {
    Path file = path.toAbsolutePath().normalize();
    synchronized (OPEN_HERE) {
      if (!OPEN_HERE.add(file)) {
        throw FileGate.openElsewhere(file);
      }
    }
    boolean done = false;
    try {
      boolean isNew = Finished.isNew(file);
      if (isNew && !Files.isDirectory(file.getParent())) {
        throw new FileProblem(worded("store.there-is-no-folder-make-it", file.getParent()));
      }
      boolean isOlder = !isNew && FileGate.check(file) < FileGate.NEWEST_VERSION;
      if (isOlder || (isNew && !Finished.EMPTY.to(file))) {
        migrate(file);
      }
      HeldFile held = new HeldFile(file, connect(file, isOlder));
      done = true;
      return held;
    } catch (IOException e) {
      throw new FileProblem(worded("any.cant-be-read", file, e.getMessage()), e);
    } finally {
      if (!done) {
        release(file);
      }
    }
  }

  /** Whether this program has it open. */
  static boolean isOpenHere(Path path) {
    synchronized (OPEN_HERE) {
      return OPEN_HERE.contains(path);
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
      throw StoreProblem.of(file, e);
    }
  }

  private static Connection connect(Path file, boolean wasOlder) throws FileProblem {
    try {
      Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file);
      try (var statement = connection.createStatement()) {
        // Exclusive before the first access, so that the log is this program's alone as well.
        statement.execute("PRAGMA locking_mode = EXCLUSIVE");
        statement.execute("PRAGMA busy_timeout = 0");
        statement.execute("PRAGMA foreign_keys = ON");
        statement.execute("PRAGMA journal_mode = WAL");
        statement.execute("PRAGMA synchronous = FULL");
        // Small, since on a full disk a long log could no longer be moved into the file.
        statement.execute("PRAGMA wal_autocheckpoint = 200");
        statement.execute("PRAGMA trusted_schema = OFF");
        // What is deleted is overwritten.
        statement.execute("PRAGMA secure_delete = ON");
        if (wasOlder) {
          emptyFreePages(statement, file);
        }
        statement.execute("BEGIN IMMEDIATE");
        statement.execute("COMMIT");
      } catch (SQLException e) {
        connection.close();
        throw e;
      }
      return connection;
    } catch (SQLException e) {
      StoreProblem problem = StoreProblem.of(file, e);
      throw problem.why() == StoreProblem.Cause.BUSY ? FileGate.openElsewhere(file) : problem;
    }
  }

  /** What the older tables held is not left in free pages, if there is room to put it in order. */
  private static void emptyFreePages(Statement statement, Path file) {
    try {
      statement.execute("VACUUM");
    } catch (SQLException e) {
      LOG.warn("Putting {} in order", file, e);
    }
  }

  /**
   * Closes it; not where another file stands in its place, into which the database would write the
   * rest of its log. The connection then ends with the program.
   */
  @Override
  public void close() {
    try {
      refuseWhereReplaced();
    } catch (FileProblem e) {
      LOG.warn("Left open at its end: {}", path, e);
      return;
    }
    try {
      connection.close();
      if (!isSuspect) {
        CleanClose.note(path);
      }
    } catch (SQLException e) {
      // What was written has reached the disk; the next start puts the rest in order.
      LOG.warn("Closing {}", path, e);
    } finally {
      release(path);
    }
  }
}
