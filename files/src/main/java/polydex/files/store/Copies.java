package polydex.files.store;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import polydex.files.FileProblem;

/** Whole copies of an open file, which have reached the disk when they are there. */
final class Copies {
  private Copies() {}

  /** Writes all that is in a database into a new file, without what was deleted in it. */
  static void whole(Connection from, Path to) throws FileProblem {
    boolean done = false;
    try {
      // https://sqlite.org/lang_vacuum.html: it reads what was committed, and syncs nothing.
      try (PreparedStatement copy = from.prepareStatement("VACUUM INTO ?")) {
        copy.setString(1, to.toString());
        copy.execute();
      }
      sync(to);
      done = true;
    } catch (SQLException e) {
      throw StoreProblem.of(to, e);
    } catch (IOException e) {
      throw new FileProblem(worded("store.cant-be-written", to, e.getMessage()), e);
    } finally {
      if (!done) {
        delete(to);
      }
    }
  }

  /** A name beside a file that nobody has yet. */
  static Path beside(Path file) {
    String name = file.getFileName().toString();
    int dot = name.lastIndexOf('.');
    String stem = dot > 0 ? name.substring(0, dot) : name;
    String end = dot > 0 ? name.substring(dot) : "";
    Path free = file.resolveSibling(stem + "-kept" + end);
    for (int number = 2; Files.exists(free); number++) {
      free = file.resolveSibling(stem + "-kept-" + number + end);
    }
    return free;
  }

  static void sync(Path file) throws IOException {
    try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE)) {
      channel.force(true);
    }
  }

  private static void delete(Path half) {
    try {
      Files.deleteIfExists(half);
    } catch (IOException e) {
      half.toFile().deleteOnExit();
    }
  }
}
