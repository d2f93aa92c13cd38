package polydex.files.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.stream.Stream;
import polydex.files.FileProblem;
import polydex.files.store.Finished;
import polydex.files.store.Store;
import polydex.language.Language;

/** Run by the build: makes the {@linkplain Finished finished files} beside what ships. */
public final class FinishedFiles {
  private FinishedFiles() {}

  private interface Making {
    Store at(Path file) throws FileProblem;
  }

  /** Makes what is missing or older than what it is made from. */
  public static void main(String[] args) throws IOException, FileProblem, SQLException {
    // The same file wherever it is built.
    Language.speak(Language.ENGLISH);
    Path classes = Path.of(args[0]);
    Path into = Files.createDirectories(classes.resolve(Finished.FOLDER));
    FileTime newest = FileTime.fromMillis(0);
    for (String part : args) {
      FileTime changed = newestIn(Path.of(part), into);
      newest = changed.compareTo(newest) > 0 ? changed : newest;
    }
    // All that is old goes first: one is begun with another, and must not begin with yesterday's.
    for (Finished finished : Finished.values()) {
      Path file = into.resolve(finished.fileName());
      if (Files.exists(file) && Files.getLastModifiedTime(file).compareTo(newest) < 0) {
        Files.delete(file);
      }
    }
    for (Finished finished : Finished.values()) {
      Path file = into.resolve(finished.fileName());
      if (!Files.exists(file)) {
        make(finished, file);
      }
    }
  }

  private static FileTime newestIn(Path part, Path but) throws IOException {
    if (!Files.isDirectory(part)) {
      return FileTime.fromMillis(0); // a part that is built elsewhere
    }
    try (Stream<Path> all = Files.walk(part)) {
      return all.filter(f -> Files.isRegularFile(f) && !f.startsWith(but))
          .map(FinishedFiles::changed)
          .max(FileTime::compareTo)
          .orElse(FileTime.fromMillis(0));
    }
  }

  private static FileTime changed(Path file) {
    try {
      return Files.getLastModifiedTime(file);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static void make(Finished finished, Path file)
      throws IOException, FileProblem, SQLException {
    Making making =
        switch (finished) {
          case EMPTY -> Store::open;
          case START -> DemoFile::started;
          case DEMO -> DemoFile::made;
        };
    Path folder = Files.createTempDirectory("polydex-finished");
    Path made = folder.resolve(finished.fileName());
    making.at(made).close();
    withoutWhen(made);
    Files.move(made, file, StandardCopyOption.REPLACE_EXISTING);
    Files.delete(folder);
  }

  /** The same sources give the same file: nothing tells when this build was. */
  private static void withoutWhen(Path file) throws SQLException {
    try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file);
        Statement statement = connection.createStatement()) {
      statement.execute(
          "UPDATE flyway_schema_history SET installed_on = '2026-11-27 00:00:00.000',"
              + " execution_time = 0, installed_by = ''");
      statement.execute("VACUUM");
    }
  }
}
