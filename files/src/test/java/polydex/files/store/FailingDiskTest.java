package polydex.files.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.catalog.ActionId;
import polydex.log.LogEvent;
import polydex.recall.Answer;
import polydex.workspace.Workspace;

/** A disk that is full, writes less than it was given, fails, or may not be written any more. */
class FailingDiskTest {
  private static final int PROGRAMS = 10;
  private static final int ROUNDS = 20;
  private static final int APART = 100_000;

  @TempDir Path folder;

  @Test
  void nothingThatWasStoredIsEverMissing() throws Exception {
    Path library = folder.resolve("failing-disk.so");
    assumeTrue(FailingDisk.canFail(folder, library), "there is no C compiler here");
    Path control = Files.write(folder.resolve("control"), new byte[] {'o'});
    Path file = folder.resolve("mine.polydex");
    Path notes = folder.resolve("notes.txt");
    for (int i = 0; i < PROGRAMS; i++) {
      Files.write(control, new byte[] {'o'});
      ProcessBuilder program =
          new ProcessBuilder(
              Path.of(System.getProperty("java.home"), "bin", "java").toString(),
              "-cp",
              System.getProperty("java.class.path"),
              FailingDisk.class.getName(),
              file.toString(),
              notes.toString(),
              String.valueOf(i),
              String.valueOf(i * APART),
              String.valueOf(ROUNDS));
      program.environment().put("LD_PRELOAD", library.toString());
      program.environment().put("FAILING_DISK", control.toString());
      Process process = program.redirectErrorStream(true).start();
      String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      assertThat(process.waitFor()).as(said).isZero();
      assertAllThere(file, Files.readAllLines(notes));
    }
    assertThat(Files.readAllLines(notes)).hasSizeGreaterThan(PROGRAMS * ROUNDS * 5);
  }

  private static void assertAllThere(Path file, List<String> notes) throws Exception {
    try (Store store = Store.open(file)) {
      Set<Answer> answers = new HashSet<>();
      store.answers(answers::add);
      Set<LogEvent> events = new HashSet<>();
      store.events(events::add);
      Workspace value = store.workspace();
      assertThat(notes)
          .allSatisfy(
              note -> {
                int number = Integer.parseInt(note);
                boolean isThere =
                    switch (number % 4) {
                      case 0 -> value.catalog().action(new ActionId("more" + number)).isPresent();
                      case 1 -> events.contains(FailingDisk.event(number));
                      default -> answers.contains(FailingDisk.answer(number));
                    };
                assertThat(isThere).isTrue();
              });
    }
  }
}
