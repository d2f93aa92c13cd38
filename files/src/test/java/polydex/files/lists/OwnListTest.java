package polydex.files.lists;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.catalog.EnvironmentId;
import polydex.files.Shipped;
import polydex.fit.Compared.Found;
import polydex.keys.Gesture;
import polydex.workspace.Workspace;

/** Lists of bindings of one's own, as what a computer was found to have. */
class OwnListTest {
  @Test
  void aListIsReadWithTheWordsOfItsPlatform(@TempDir Path folder) throws Exception {
    Workspace demo = Shipped.demo();
    Path file =
        Files.writeString(
            folder.resolve("own.csv"),
            "Action,Keys\nOpen the dome preview,Wing+Shift+K\nStart the timer,what is this\n");
    OwnList list =
        OwnList.read(
            file, demo, demo.catalog().environment(new EnvironmentId("corvid")).orElseThrow());
    assertThat(list.found()).extracting(Found::title).containsExactly("Open the dome preview");
    assertThat(list.found().getFirst().gesture()).isEqualTo(Gesture.parse("Meta+Shift+K"));
    assertThat(list.refused()).hasSize(1).allMatch(r -> r.startsWith("line 3"));
  }
}
