package polydex.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Copies, what can be saved, and archives, as the commands have them. */
class BackupsCommandTest {
  @TempDir Path folder;

  private Ran imported(Path file, String action) throws Exception {
    Path list = folder.resolve("list.csv");
    Files.writeString(list, "application,action,gesture\nA," + action + ",Ctrl+J\n");
    return Ran.run("import", "--file", file.toString(), list.toString());
  }

  private static String find(Path file, String words) {
    return Ran.run("find", "--file", file.toString(), words).out();
  }

  @Test
  void whatWasThereBeforeTodayCanBeHadAgain() throws Exception {
    Path file = folder.resolve("mine.polydex");
    String name = file.toString();
    assertThat(Ran.run("backups", "--file", name).code()).isEqualTo(Main.NO);
    assertThat(imported(file, "Juggle").code()).isEqualTo(Main.DONE);
    assertThat(find(file, "Juggle")).contains("Ctrl+J");
    Ran listed = Ran.run("backups", "--file", name, "--json");
    String today = LocalDate.now(ZoneId.systemDefault()).toString();
    assertThat(listed.json()).hasSize(1);
    assertThat(listed.json().get(0).get("day").asText()).isEqualTo(today);
    assertThat(listed.json().get(0).get("sound").asBoolean()).isTrue();
    assertThat(Ran.run("backups", "--file", name, "--take", "2001-01-01").err())
        .contains("There are: " + today);
    Ran taken = Ran.run("backups", "--file", name, "--take", today, "--json");
    assertThat(find(file, "Juggle")).doesNotContain("Ctrl+J");
    assertThat(find(Path.of(taken.json().get("keptAs").asText()), "Juggle")).contains("Ctrl+J");
  }

  @Test
  void whatCanBeReadOfADamagedFileIsSavedIntoANewOne() throws Exception {
    Path file = folder.resolve("mine.polydex");
    imported(file, "Juggle");
    byte[] bytes = Files.readAllBytes(file);
    int last = bytes.length - 4096;
    Arrays.fill(bytes, last, bytes.length, (byte) 9);
    byte[] damaged = bytes.clone();
    Files.write(file, damaged);
    Ran refused = Ran.run("find", "--file", file.toString(), "Juggle");
    assertThat(refused.code()).isEqualTo(Main.FILE);
    assertThat(refused.err()).contains("is damaged").contains("--save-into");
    Path saved = folder.resolve("saved.polydex");
    Ran done =
        Ran.run("backups", "--file", file.toString(), "--save-into", saved.toString(), "--json");
    assertThat(done.json().get("action").asLong()).isPositive();
    assertThat(Ran.run("find", "--file", saved.toString(), "copy").code()).isLessThan(Main.USAGE);
    assertThat(file).hasBinaryContent(damaged);
  }

  @Test
  void anArchiveGoesOutAndComesIn() throws Exception {
    Path file = folder.resolve("mine.polydex");
    Path zip = folder.resolve("mine.zip");
    Path again = folder.resolve("again.polydex");
    imported(file, "Juggle");
    assertThat(Ran.run("archive", "--file", file.toString(), "--to", zip.toString()).code())
        .isEqualTo(Main.DONE);
    assertThat(Ran.run("archive", "--file", file.toString(), "--to", zip.toString()).err())
        .contains("Choose another name");
    assertThat(Ran.run("archive", "--file", again.toString(), "--from", zip.toString()).code())
        .isEqualTo(Main.DONE);
    assertThat(find(again, "Juggle")).isEqualTo(find(file, "Juggle")).contains("Ctrl+J");
    assertThat(Ran.run("archive", "--file", again.toString(), "--from", zip.toString()).code())
        .isEqualTo(Main.FILE);
  }
}
