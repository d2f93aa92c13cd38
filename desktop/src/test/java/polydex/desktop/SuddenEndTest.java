package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import polydex.files.demo.DemoFile;
import polydex.files.store.Store;
import polydex.recall.Answer;

/** The program as a process of its own, with keys pressed from outside, and killed. */
class SuddenEndTest {
  @TempDir Path folder;

  private static List<Answer> answers(Path file) throws Exception {
    List<Answer> all = new ArrayList<>();
    try (Store store = Store.open(file)) {
      store.answers(all::add);
    }
    return all;
  }

  /** After a wrong answer Space is held for going on without pressing it right. */
  private static final String PASS_OVER = "hold space";

  /** Keys as X sees them from a keyboard; JavaFX's own robot has no Meta key. */
  private static void press(long pause, String... keys) throws Exception {
    for (String key : keys) {
      Thread.sleep(pause);
      List<String> command =
          key.equals(PASS_OVER)
              ? List.of("xdotool", "keydown", "space", "sleep", "1.2", "keyup", "space")
              : List.of("xdotool", "key", key);
      int code = new ProcessBuilder(command).inheritIO().start().waitFor();
      assertThat(code).isZero();
    }
    Thread.sleep(pause);
  }

  private ProcessBuilder program(Path file) {
    ProcessBuilder program =
        new ProcessBuilder(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "--enable-native-access=ALL-UNNAMED",
            "--sun-misc-unsafe-memory-access=allow",
            "-cp",
            System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
            Main.class.getName(),
            "--file",
            file.toString());
    // What it keeps for itself is not to be among the things of whoever runs the tests.
    program.environment().put("XDG_STATE_HOME", folder.resolve("state").toString());
    return program;
  }

  @Test
  @Timeout(120)
  void atTheEndOfTheDayTheSystemsWordIsEnough() throws Exception {
    Path file = folder.resolve("own.polydex");
    Process program = program(file).redirectErrorStream(true).start();
    try (BufferedReader said = program.inputReader(StandardCharsets.UTF_8)) {
      for (String line = said.readLine(); !"window shown".equals(line); line = said.readLine()) {
        assertThat(line).as("it ended").isNotNull();
      }
      assertThat(folder.resolve("own.polydex-wal")).exists();
      program.destroy();
      assertThat(program.waitFor()).isNotZero();
    }
    assertThat(folder.resolve("own.polydex-wal")).as("the file was closed").doesNotExist();
    assertThat(folder.resolve("state/polydex/closed")).isNotEmptyDirectory();
  }

  @Test
  @Timeout(120)
  void whoOpensAFileThatIsOpenBringsItsWindowToTheFront() throws Exception {
    Path file = folder.resolve("own.polydex");
    Process first = program(file).redirectErrorStream(true).start();
    try {
      var said =
          new BufferedReader(new InputStreamReader(first.getInputStream(), StandardCharsets.UTF_8));
      for (String line = said.readLine(); !"window shown".equals(line); line = said.readLine()) {
        assertThat(line).as("the first one ended").isNotNull();
      }
      Process second = program(file).redirectErrorStream(true).start();
      assertThat(new String(second.getInputStream().readAllBytes(), StandardCharsets.UTF_8))
          .contains("It is open already; its window was brought to the front.");
      assertThat(second.waitFor()).isZero();
      assertThat(first.isAlive()).isTrue();
    } finally {
      first.destroyForcibly().waitFor();
    }
    assertThat(OneWindow.front(file)).as("nobody answers any more").isFalse();
    int[] fronts = new int[1];
    try (OneWindow again = OneWindow.of(file, () -> fronts[0]++).orElseThrow()) {
      assertThat(again).as("what the killed one left is no hindrance").isNotNull();
      assertThat(OneWindow.front(file)).isTrue();
    }
    assertThat(fronts[0]).isEqualTo(1);
  }

  @Test
  @Timeout(120)
  void aDisplayThatCannotBeOpenedIsSaidInASentence() throws Exception {
    ProcessBuilder nowhere = program(folder.resolve("own.polydex")).redirectErrorStream(true);
    nowhere.environment().put("DISPLAY", ":4999");
    Process program = nowhere.start();
    String said = new String(program.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(said.lines())
        .contains("The display :4999 can't be opened. Is it running, and may you use it?")
        .noneMatch(line -> line.contains("\tat "));
    assertThat(program.waitFor()).as("which the script goes by").isEqualTo(5);
    assertThat(folder.resolve("own.polydex")).doesNotExist();
  }

  /** What was answered in a drill that is killed after three prompts. */
  private List<String> answeredBeforeTheKill(Path file, long pause) throws Exception {
    DemoFile.demo(file).close();
    int before = answers(file).size();
    Process program = program(file).redirectError(ProcessBuilder.Redirect.DISCARD).start();
    try (BufferedReader out =
        new BufferedReader(
            new InputStreamReader(program.getInputStream(), StandardCharsets.UTF_8))) {
      assertThat(out.readLine()).isEqualTo("window shown");
      press(
          pause, "alt+d", "Return", "super+F9", PASS_OVER, "ctrl+shift+F9", PASS_OVER, "super+F8");
    } finally {
      program.toHandle().destroyForcibly();
      assertThat(program.waitFor(10, TimeUnit.SECONDS)).isTrue();
    }
    List<Answer> after = answers(file);
    return after.subList(before, after.size()).stream().map(Answer::pressed).toList();
  }

  @Test
  @Timeout(900)
  void answersOutliveAKillInTheMiddleOfADrill() throws Exception {
    List<String> wanted = List.of("Meta+F9", "Ctrl+Shift+F9", "Meta+F8");
    List<String> answered = List.of();
    // Keys from outside can't wait for the window, so a slow machine gets longer pauses.
    for (long pause : new long[] {600, 2500, 8000}) {
      answered = answeredBeforeTheKill(folder.resolve(pause + ".polydex"), pause);
      if (answered.equals(wanted)) {
        break;
      }
    }
    assertThat(answered).isEqualTo(wanted);
  }
}
