package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class LastTimeTest {
  private static final String STATE = "polydex.state";

  @TempDir Path folder;

  @BeforeEach
  void keepState() {
    System.setProperty(STATE, folder.toString());
  }

  @AfterEach
  void keepNothing() {
    System.clearProperty(STATE);
  }

  @Test
  void aWindowAndItsFilesAreKnownAgain() throws Exception {
    assertThat(LastTime.bounds()).isEmpty();
    assertThat(LastTime.files()).isEmpty();
    LastTime.Bounds bounds = new LastTime.Bounds(12, -3.5, 1024, 700, true);
    List<Path> opened = new ArrayList<>();
    for (int i = 0; i < 12; i++) {
      Path file = Files.createFile(folder.resolve("one of\n\u00e9 = # \\ " + i + ".polydex"));
      opened.addFirst(file);
      LastTime.opened(file);
    }
    LastTime.keep(bounds, "dark");
    assertThat(LastTime.bounds()).contains(bounds);
    assertThat(LastTime.theme()).isEqualTo("dark");
    assertThat(LastTime.files()).isEqualTo(opened.subList(0, 9));
    LastTime.opened(opened.get(4));
    assertThat(LastTime.files()).hasSize(9).startsWith(opened.get(4), opened.get(0));
    Files.delete(opened.getFirst());
    assertThat(LastTime.files()).as("what is gone is not offered").hasSize(8);
  }

  /** Somebody else's words in it do no harm. */
  @Test
  void whatCannotBeReadIsAsIfItHadNeverBeen() throws Exception {
    Path file = folder.resolve("window.properties");
    for (String text :
        List.of(
            "x=wide\ny=1\nwidth=1\nheight=1",
            "x=NaN\ny=1\nwidth=1\nheight=Infinity",
            "theme=shouting\nfile.1=\\u0000",
            "\\u12",
            "x".repeat(1 << 17))) {
      Files.writeString(file, text);
      assertThat(LastTime.bounds()).as(text).isEqualTo(Optional.empty());
      assertThat(LastTime.theme()).isEqualTo("light");
      assertThat(LastTime.files()).isEmpty();
    }
    Files.delete(file);
    Files.createDirectory(file);
    LastTime.opened(Files.createFile(folder.resolve("a.polydex")));
    assertThat(LastTime.files()).isEmpty();
  }
}
