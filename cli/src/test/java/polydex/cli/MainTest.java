package polydex.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static polydex.cli.Ran.run;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import picocli.CommandLine.Command;

class MainTest {
  @Test
  void findShowsActionsWithTheirGestures() throws Exception {
    Ran found = run("find", "dupl", "line", "--demo");
    assertThat(found.code()).isEqualTo(Main.DONE);
    assertThat(found.out()).contains("Duplicate the line", "Ctrl+Shift+D", "Meta+D");
    JsonNode json = run("find", "line", "duplicate", "--demo", "--json").json();
    assertThat(json.get(0).get("id").asText()).isEqualTo("line.duplicate");
    assertThat(json.get(0).get("places").get(0).get("gestures").get(0).asText())
        .isEqualTo("Ctrl+Shift+D");
    assertThat(run("find", "nonsense", "--demo").code()).isEqualTo(Main.NO);
  }

  @ParameterizedTest
  @ValueSource(strings = {"find", "trace", "conflicts", "import", "reach", "plan"})
  void everyCommandHasHelpWithItsExitCodes(String command) {
    Ran help = run(command, "--help");
    assertThat(help.code()).isEqualTo(Main.DONE);
    assertThat(help.out()).contains("Usage: polydex " + command, "--json", "Exit codes:", "  3  ");
  }

  @Test
  void notationSaysFormGestureStrokesOrTheRefusal() throws Exception {
    Ran ran = run("notation", "C-x C-[", "⌘⇧S", "Ctrl+", "Meta+{1..2}", "--layout", "de", "--json");
    assertThat(ran.code()).isEqualTo(Main.NO);
    JsonNode json = ran.json();
    assertThat(json.get(0).get("form").asText()).isEqualTo("terse");
    assertThat(json.get(0).get("gesture").asText()).isEqualTo("Ctrl+X Ctrl+[");
    assertThat(json.get(0).get("strokes").toString())
        .isEqualTo("[\"Ctrl+<KeyX>\",\"Ctrl+AltGr+<Digit8>\"]");
    assertThat(json.get(1).get("form").asText()).isEqualTo("symbols");
    assertThat(json.get(2).get("refusal").get("column").asInt()).isEqualTo(6);
    assertThat(json.get(2).has("gesture")).isFalse();
    assertThat(json.get(3).get("members")).hasSize(2);
    Ran corvid = run("notation", "Wing+<Primary>", "<Primary>c", "--platform", "corvid");
    assertThat(corvid.out()).contains("Meta+C", "refused");
    assertThat(run("notation", "^", "--layout", "de").out()).contains("dead key");
    assertThat(run("notation", "A", "--layout", "none").code()).isEqualTo(Main.USAGE);
    Ran board = run("notation", "Ctrl+Home", "Numpad5", "--board", "compact-ansi");
    assertThat(board.out()).contains("Ctrl+Fn+<ArrowLeft>", "has no key for <Numpad5>");
  }

  @Test
  void findReadsAGestureThatIsOnlyBegunAndNarrows() throws Exception {
    JsonNode json = run("find", "ctrl+k", "--demo", "--in", "Cue editor", "--json").json();
    assertThat(json).isNotEmpty();
    for (JsonNode found : json) {
      assertThat(found.get("places")).hasSize(1);
      assertThat(found.get("places").toString()).contains("Ctrl+K Ctrl+");
    }
  }

  @Test
  void environmentsAreCompared() throws Exception {
    Ran ran = run("compare", "alder", "Corvid", "--demo", "--json");
    assertThat(ran.code()).isEqualTo(Main.NO);
    JsonNode counts = ran.json().get("counts");
    int all = 0;
    for (JsonNode n : counts) {
      all += n.asInt();
    }
    assertThat(ran.json().get("lines")).hasSize(all);
    assertThat(counts.get("ONE_MODIFIER_AWAY").asInt()).isPositive();
    assertThat(run("compare", "alder", "alder", "--demo").code()).isEqualTo(Main.DONE);
    assertThat(run("compare", "alder", "nowhere", "--demo").code()).isEqualTo(Main.USAGE);
  }

  @Test
  void theDemoOrAWorldIsWrittenAsAFileOnceAndOnlyWhole(@TempDir Path folder) throws Exception {
    Path demo = folder.resolve("demo.polydex");
    assertThat(run("write", "--demo", "--to", demo.toString()).code()).isEqualTo(Main.DONE);
    assertThat(run("mouse", "remaining", "--json", "--file", demo.toString()).json())
        .isEqualTo(run("mouse", "remaining", "--json", "--demo").json());
    byte[] before = Files.readAllBytes(demo);
    assertThat(run("write", "--demo", "--to", demo.toString()).code()).isEqualTo(Main.FILE);
    assertThat(Files.readAllBytes(demo)).isEqualTo(before);
    Path nowhere = folder.resolve("nowhere/demo.polydex");
    assertThat(run("write", "--demo", "--to", nowhere.toString()).code()).isEqualTo(Main.FILE);
    Path bad = Files.writeString(folder.resolve("bad.json"), "{\"keymaps\": 3}");
    Path none = folder.resolve("none.polydex");
    assertThat(run("write", "--world", bad.toString(), "--to", none.toString()).code())
        .isEqualTo(Main.FILE);
    assertThat(folder).isDirectoryNotContaining("glob:**/none*");
    Path world =
        Files.writeString(folder.resolve("world.json"), HostileInputTest.world().toString());
    assertThat(run("write", "--world", world.toString(), "--to", none.toString()).code())
        .isEqualTo(Main.DONE);
    assertThat(run("trace", "Ctrl+S", "--json", "--file", none.toString()).code())
        .isEqualTo(run("trace", "Ctrl+S", "--json", "--demo").code());
  }

  /** A command that the script does not hand on can't be reached by anyone. */
  @Test
  void theScriptHandsOnEveryCommandAndNamesIt() throws Exception {
    String script = Files.readString(Path.of("../polydex"));
    for (Class<?> part : Main.class.getAnnotation(Command.class).subcommands()) {
      String command = part.getAnnotation(Command.class).name();
      assertThat(script)
          .containsPattern("(?m)^  ([a-z|]+\\|)?" + command + "(\\|[a-z|]+)?\\) build");
      assertThat(script).contains("  ./polydex " + command + " ");
    }
  }
}
