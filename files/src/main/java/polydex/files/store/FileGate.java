package polydex.files.store;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Arrays;
import polydex.files.FileProblem;

/**
 * Looks at a file before anything opens it for writing, so that one that can't be used is left byte
 * for byte as it was.
 */
final class FileGate {
  static final int APPLICATION_ID = 1347175512;
  static final int NEWEST_VERSION = 11;

  private static final byte[] MAGIC = "SQLite format 3\0".getBytes(StandardCharsets.US_ASCII);
  private static final int HEADER = 100;
  private static final int VERSION_AT = 60;
  private static final int APPLICATION_AT = 68;

  // SQLite's own lock bytes ("Locking and concurrency", sqlite.org/lockingv3.html): holding any of
  // them in another program means that it has the file open.
  private static final long LOCK_AT = 0x40000000L;
  private static final long LOCK_LENGTH = 512;

  private FileGate() {}

  /** The version of the file's format, once everything about it is in order. */
  static int check(Path file) throws FileProblem {
    try {
      refuseWhereOpen(file);
      int version = version(file);
      if (!CleanClose.holds(file)) {
        refuseWhereDamaged(file);
      }
      return version;
    } catch (IOException e) {
      throw new FileProblem(worded("any.cant-be-read", file, e.getMessage()), e);
    }
  }

  static FileProblem openElsewhere(Path file) {
    return new OpenElsewhere(file);
  }

  static void refuseWhereOpen(Path file) throws IOException, FileProblem {
    if (!Files.isWritable(file)) {
      throw new FileProblem(worded("store.cant-be-written-to-change-its", file));
    }
    try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE);
        FileLock lock = channel.tryLock(LOCK_AT, LOCK_LENGTH, false)) {
      if (lock == null) {
        throw openElsewhere(file);
      }
    }
  }

  private static int version(Path file) throws IOException, FileProblem {
    ByteBuffer header = ByteBuffer.allocate(HEADER);
    try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
      while (header.hasRemaining() && channel.read(header) >= 0) {
        // Short reads go on.
      }
    }
    if (header.hasRemaining()
        || !Arrays.equals(Arrays.copyOf(header.array(), MAGIC.length), MAGIC)
        || header.getInt(APPLICATION_AT) != APPLICATION_ID) {
      throw new FileProblem(worded("store.is-not-a-polydex-file-or", file));
    }
    int version = header.getInt(VERSION_AT);
    if (version > NEWEST_VERSION) {
      throw new FileProblem(
          worded("store.was-written-by-a-newer-polydex", file, version, NEWEST_VERSION));
    }
    return version;
  }

  /**
   * A check that writes nothing: straight on the file where all is in it; on a copy where a program
   * ended suddenly and left a log beside it, since reading that would already change the file.
   */
  private static void refuseWhereDamaged(Path file) throws IOException, FileProblem {
    Path log = Path.of(file + "-wal");
    boolean sound;
    if (Files.exists(log) && Files.size(log) > 0) {
      Path folder = Files.createTempDirectory("polydex-check");
      Path copy = folder.resolve("copy");
      Path copiedLog = folder.resolve("copy-wal");
      try {
        Files.copy(file, copy, StandardCopyOption.REPLACE_EXISTING);
        Files.copy(log, copiedLog, StandardCopyOption.REPLACE_EXISTING);
        sound = isSound("jdbc:sqlite:" + copy, "quick_check");
      } finally {
        for (String end : new String[] {"", "-wal", "-shm"}) {
          Files.deleteIfExists(Path.of(copy + end));
        }
        Files.deleteIfExists(folder);
      }
    } else {
      sound = isSound(immutable(file), "quick_check");
    }
    if (!sound) {
      throw new DamagedFile(file);
    }
  }

  /** By which the database reads a file and writes nothing, not even beside it. */
  static String immutable(Path file) {
    return "jdbc:sqlite:" + file.toAbsolutePath().toUri() + "?immutable=1&mode=ro";
  }

  /** A connection that can't write; with what a log beside the file holds left out. */
  static Connection readOnly(Path file) throws SQLException {
    return DriverManager.getConnection(immutable(file));
  }

  /** Whether all of a file is sound, its indexes included. */
  static boolean isWhole(Path file) {
    return isSound(immutable(file), "integrity_check");
  }

  private static boolean isSound(String url, String check) {
    try (Connection connection = DriverManager.getConnection(url);
        Statement statement = connection.createStatement();
        ResultSet result = statement.executeQuery("PRAGMA " + check + "(1)")) {
      return result.next() && result.getString(1).equals("ok");
    } catch (SQLException e) {
      return false;
    }
  }
}
