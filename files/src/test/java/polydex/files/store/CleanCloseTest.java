package polydex.files.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.files.demo.DemoFile;

class CleanCloseTest {
  private static final String STATE = "polydex.state";

  @TempDir Path folder;
  private Path file;

  @BeforeEach
  void keepState() throws Exception {
    System.setProperty(STATE, Files.createDirectory(folder.resolve("state")).toString());
    file = folder.resolve("demo.polydex");
  }

  @AfterEach
  void keepNothing() {
    System.clearProperty(STATE);
  }

  @Test
  void aFileIsKnownAgainUntilAByteOfItIsAnother() throws Exception {
    try (Store store = DemoFile.demo(file)) {
      assertThat(CleanClose.holds(file)).isFalse();
      store.setting("theme", "dark");
    }
    assertThat(CleanClose.holds(file)).isTrue();
    Path copy = Files.copy(file, folder.resolve("copy.polydex"));
    assertThat(CleanClose.holds(copy)).as("nothing is known of a copy").isFalse();
    byte[] bytes = Files.readAllBytes(file);
    for (int at : List.of(100, bytes.length / 2, bytes.length - 1)) {
      flip(file, at);
      assertThat(CleanClose.holds(file)).as("byte %d", at).isFalse();
      flip(file, at);
      assertThat(CleanClose.holds(file)).isTrue();
    }
    Files.write(Path.of(file + "-wal"), new byte[] {1});
    assertThat(CleanClose.holds(file)).as("a log lies beside it").isFalse();
  }

  /** A sum can be right of what was damaged before. */
  @Test
  void whatWasDamagedBeforeTheSumWasTakenIsSeenByWhoeverReadsIt() throws Exception {
    DemoFile.demo(file).close();
    damagePageOf("event");
    assertThatThrownBy(() -> Store.open(file)).isInstanceOf(DamagedFile.class);
    CleanClose.note(file); // as if it had been so when it was closed
    try (Store store = Store.open(file)) {
      assertThatThrownBy(() -> store.events(_ -> {})).hasMessageContaining("damaged");
    }
    assertThat(CleanClose.holds(file)).isFalse();
    assertThatThrownBy(() -> Store.open(file)).isInstanceOf(DamagedFile.class);
  }

  @Test
  void whatNobodyReadsIsFoundWhenAllIsChecked() throws Exception {
    DemoFile.demo(file).close();
    int page = damagePageOf("answer");
    CleanClose.note(file);
    try (Store store = Store.open(file)) {
      assertThat(store.tables()).contains("event", "answer", "binding");
      assertThat(store.isSound("binding")).isTrue();
      assertThat(store.isSound("answer")).as("page %d", page).isFalse();
    }
    assertThatThrownBy(() -> Store.open(file)).isInstanceOf(DamagedFile.class);
  }

  private int damagePageOf(String table) throws Exception {
    int page;
    int size;
    try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file);
        Statement statement = c.createStatement()) {
      try (ResultSet row =
          statement.executeQuery(
              "SELECT rootpage FROM sqlite_master WHERE name = '%s'".formatted(table))) {
        page = row.getInt(1);
      }
      try (ResultSet row = statement.executeQuery("PRAGMA page_size")) {
        size = row.getInt(1);
      }
    }
    try (RandomAccessFile bytes = new RandomAccessFile(file.toFile(), "rw")) {
      bytes.seek((long) (page - 1) * size + 12);
      bytes.write(new byte[64]);
    }
    return page;
  }

  private static void flip(Path file, int at) throws Exception {
    try (RandomAccessFile bytes = new RandomAccessFile(file.toFile(), "rw")) {
      bytes.seek(at);
      int was = bytes.read();
      bytes.seek(at);
      bytes.write(was ^ 1);
    }
  }
}
