package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.files.FileProblem;
import polydex.files.demo.DemoFile;
import polydex.files.demo.DemoHistory;
import polydex.files.store.Store;

class OpeningTest {
  @TempDir Path folder;

  @Test
  void ofAnArchiveAFileIsMadeBesideItAndNothingIsOverwritten() throws Exception {
    Path file = folder.resolve("mine.polydex");
    Path zip = folder.resolve("mine.zip");
    try (Store store = DemoFile.openOrStart(file, DemoHistory.NOW)) {
      store.setting("theme", "dark");
      store.archive(zip, DemoHistory.NOW);
    }
    assertThat(Opening.unpacked(file)).isEqualTo(file);
    Path made = Opening.unpacked(zip);
    assertThat(made).isEqualTo(folder.resolve("mine-kept.polydex"));
    try (Store again = Store.open(made)) {
      assertThat(again.setting("theme")).contains("dark");
    }
    Files.delete(file);
    assertThat(Opening.unpacked(zip)).isEqualTo(file);
    Path none = Files.writeString(folder.resolve("none.zip"), "no archive");
    assertThatThrownBy(() -> Opening.unpacked(none))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("Nothing was taken");
    assertThat(folder.resolve("none.polydex")).doesNotExist();
  }
}
