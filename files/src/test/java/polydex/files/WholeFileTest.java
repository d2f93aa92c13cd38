package polydex.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class WholeFileTest {
  @TempDir Path folder;

  private static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  private void holdsOnly(Path... files) throws Exception {
    try (var all = Files.list(folder)) {
      assertThat(all).containsExactlyInAnyOrder(files);
    }
  }

  @Test
  void aFileIsThereWholeAndNothingBesideIt() throws Exception {
    Path to = folder.resolve("a.txt");
    WholeFile.write(bytes("one"), to, false);
    assertThat(to).hasContent("one");
    holdsOnly(to);
    WholeFile.write(bytes("two"), to, true);
    assertThat(to).hasContent("two");
    holdsOnly(to);
  }

  @Test
  void whatIsThereIsLeftAsItIs() throws Exception {
    Path to = Files.writeString(folder.resolve("a.txt"), "mine");
    assertThatThrownBy(() -> WholeFile.write(bytes("one"), to, false))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("a.txt is there already. It was left as it is.");
    assertThat(to).hasContent("mine");
    holdsOnly(to);
  }

  @Test
  void whatHasTheNameOfWhatIsBegunIsSomebodysFileToo() throws Exception {
    Path theirs = Files.writeString(folder.resolve(".a.txt.part1"), "theirs");
    Path to = folder.resolve("a.txt");
    WholeFile.write(bytes("one"), to, false);
    assertThat(theirs).hasContent("theirs");
    assertThat(to).hasContent("one");
    holdsOnly(theirs, to);
  }

  @Test
  void whereNothingCanBeWrittenNothingIsLeft() throws Exception {
    assertThatThrownBy(() -> WholeFile.write(bytes("one"), folder.resolve("no/a.txt"), false))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("There is no folder");
    Path folderOfThatName = Files.createDirectories(folder.resolve("b.txt/inner"));
    assertThatThrownBy(() -> WholeFile.write(bytes("one"), folder.resolve("b.txt"), true))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("can't be written");
    assertThat(folderOfThatName).exists();
    holdsOnly(folder.resolve("b.txt"));
  }
}
