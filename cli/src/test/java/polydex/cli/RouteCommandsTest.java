package polydex.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static polydex.cli.Ran.run;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchema;
import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.conflict.Conflict;

/** {@code trace}, {@code reach}, {@code conflicts} and {@code plan}. */
class RouteCommandsTest {
  @TempDir Path folder;

  @Test
  void traceFollowsAGestureThroughANamedSetup() throws Exception {
    Ran taken = run("trace", "Ctrl+Shift+D", "--demo");
    assertThat(taken.code()).isEqualTo(Main.DONE);
    assertThat(taken.out()).contains("Alder does “Type the show stamp”.");
    JsonNode json = run("trace", "Meta+S", "--demo", "-s", "studio-stars", "--json").json();
    JsonNode last = json.get("passages").get(json.get("passages").size() - 1);
    assertThat(last.get("verb").asText()).isEqualTo("takes");
    assertThat(last.get("in").asText()).isEqualTo("Ctrl+S");
    assertThat(last.has("out")).isFalse();
    assertThat(json.get("results").get(0).get("action").asText()).isEqualTo("file.save");
    assertThat(run("trace", "Ctrl+F13", "--demo").code()).isEqualTo(Main.NO);
  }

  @Test
  void wrongGesturesAndSetupsAreSaid() {
    Ran wrong = run("trace", "Ctrl+Foo", "--demo");
    assertThat(wrong.code()).isEqualTo(Main.USAGE);
    assertThat(wrong.err()).contains("Column 6", "trace --help");
    assertThat(run("trace", "Alt+{1..3}", "--demo").code()).isEqualTo(Main.USAGE);
    Ran setup = run("trace", "F2", "--demo", "-s", "moon");
    assertThat(setup.code()).isEqualTo(Main.USAGE);
    assertThat(setup.err()).contains("moon", "laptop-cues");
    assertThat(run("find", "x").code()).isEqualTo(Main.USAGE);
    assertThat(run("nothing").code()).isEqualTo(Main.USAGE);
  }

  @Test
  void conflictsAreListedFilteredAndFailed() throws Exception {
    JsonNode all = run("conflicts", "--demo", "--json").json();
    assertThat(all.size()).isGreaterThan(15);
    JsonNode one =
        run("conflicts", "--demo", "--json", "-s", "slate-stars", "--kind", "duplicate").json();
    assertThat(one.size()).isPositive();
    for (JsonNode row : one) {
      assertThat(row.get("kind").asText()).isEqualTo("duplicate");
      assertThat(row.get("setup").asText()).isEqualTo("slate-stars");
      assertThat(row.get("sentence").asText()).contains("has it twice");
    }
    assertThat(run("conflicts", "--demo", "--fail-on", "1").code()).isEqualTo(Main.NO);
    assertThat(run("conflicts", "--demo", "--fail-on", "101").code()).isEqualTo(Main.DONE);
  }

  @Test
  void whatReachesAnActionIsFoundAndWhyTheRestDoesNot() throws Exception {
    JsonNode remote = run("reach", "edit.copy", "--demo", "--json", "-s", "studio-stars").json();
    JsonNode first = remote.get(0).get("ways").get(0);
    assertThat(first.get("gesture").asText()).isEqualTo("Meta+C");
    assertThat(first.get("documented").asBoolean()).isFalse();
    assertThat(remote.get(0).get("misses").get(0).get("why").asText()).contains("changes it");
    assertThat(run("reach", "Save", "--demo", "-s", "laptop-dome").out()).contains("Alt+F S");
    assertThat(run("reach", "moon.eat", "--demo").code()).isEqualTo(Main.USAGE);
    assertThat(run("conflicts", "--demo", "--kind", "moon").err()).contains("types-text");
  }

  @Test
  void aPlanSaysWhatToDoWhatItCostsAndWhatStays() throws Exception {
    JsonNode plan = run("plan", "--demo", "-s", "studio-timeline", "--json", "--most", "4").json();
    assertThat(plan.get("optimal").asBoolean()).isTrue();
    assertThat(plan.get("steps").size() + plan.get("left").size()).isPositive();
    double sum = 0;
    for (JsonNode step : plan.get("steps")) {
      sum += step.get("cost").asDouble();
      assertThat(step.get("ends").size()).isPositive();
    }
    assertThat(plan.get("cost").asDouble()).isEqualTo(sum);
    assertThat(run("plan", "--demo", "--weights", "1,2").code()).isEqualTo(Main.USAGE);
  }

  @Test
  void aWorldOfOnesOwnIsTracedLineByLine() throws Exception {
    Path world = world(setup("s", "us"));
    InputStream before = System.in;
    String asked = "Ctrl+S\n\nQ\nCtrl+\nCtrl+{A,B}\ns\tCtrl+S\nmoon\tCtrl+S\né\n";
    System.setIn(new ByteArrayInputStream(asked.getBytes(StandardCharsets.UTF_8)));
    try {
      List<String> lines = run("trace", "-", "--world", world.toString()).out().lines().toList();
      assertThat(lines).hasSize(7);
      assertThat(lines.get(0)).contains("\"action\":\"save\"", "\"inByPlace\":\"Ctrl+<KeyS>\"");
      assertThat(lines.get(1)).contains("\"text\":\"q\"");
      assertThat(lines.get(2)).contains("\"error\":\"Column 6");
      assertThat(lines.get(3)).contains("\"error\":\"A family");
      assertThat(lines.get(4)).isEqualTo(lines.getFirst());
      assertThat(lines.get(5)).contains("no setup with the id “moon”");
      assertThat(lines.get(6)).contains("\"passages\":[]");
      JsonSchema rules = Ran.schema("trace");
      for (String line : lines) {
        assertThat(rules.validate(new ObjectMapper().readTree(line))).as(line).isEmpty();
      }
    } finally {
      System.setIn(before);
    }
    Files.writeString(world, "{\"format\": \"polydex-world/7\"}");
    assertThat(run("conflicts", "--world", world.toString()).code()).isEqualTo(Main.FILE);
  }

  /** What scripts are told of the answers is what the answers are. */
  @ParameterizedTest
  @CsvSource({
    "trace, trace Ctrl+Shift+D --demo --json -s laptop-cues",
    "trace, trace Alt+F4 --demo --json -s slate-stars",
    "reach, reach line.duplicate --demo --json",
    "reach, reach edit.copy --demo --json",
    "conflicts, conflicts --demo --json",
    "plan, plan --demo --json -s studio-timeline --most 6"
  })
  void answersAreAsTheirSchemasSay(String schema, String line) throws Exception {
    JsonSchema rules = Ran.schema(schema);
    JsonNode answer = run(line.split(" ")).json();
    assertThat(answer).isNotEmpty();
    assertThat(rules.validate(answer)).isEmpty();
  }

  /** A setup that can't be traced is named with what is wrong, and the others are answered for. */
  @Test
  void aSetupWithAMistakeIsToldAndTheOthersAreAnsweredFor() throws Exception {
    Path world = world(setup("bad", "nosuch"), setup("good", "us"));
    for (String command : List.of("conflicts", "reach save", "mouse remaining")) {
      Ran ran = run((command + " --world " + world).split(" "));
      assertThat(ran.err())
          .contains("Desk bad, Machine bad: There is no layout \u201cnosuch\u201d.")
          .doesNotContain("Desk good");
      assertThat(ran.code()).isEqualTo(Main.DONE);
    }
    Ran traced = run("trace", "Ctrl+S", "--world", world.toString(), "-s", "bad");
    assertThat(traced.code()).isEqualTo(Main.USAGE);
    assertThat(traced.err()).contains("There is no layout");
    assertThat(run("trace", "Ctrl+S", "--world", world.toString(), "-s", "good").out())
        .contains("Save");
  }

  private static String setup(String name, String layout) {
    return
"""
{"id": "%1$s", "title": "Desk %1$s", "board": "full-ansi",
 "machine": {"title": "Machine %1$s", "platform": "desk", "version": "1", "layout": "%2$s",
   "focus": {"type": "desktop"}}}
"""
        .formatted(name, layout);
  }

  /** A world of one's own, with one binding. */
  private Path world(String... setups) throws Exception {
    return Files.writeString(
        folder.resolve("world.json"),
        """
        {"format": "polydex-world/1",
         "actions": [{"id": "save", "title": "Save", "group": "file"}],
         "keymaps": [
           {"format": "polydex-keymap/1",
            "environment": {"id": "desk", "title": "Desk", "version": "1",
              "contexts": [{"id": "anywhere", "title": "anywhere"}], "whenBroken": "SWALLOW",
              "kind": {"type": "platform", "primary": "CTRL"}},
            "bindings": [{"action": "save", "gesture": "Ctrl+S"}]}],
         "setups": [%s]}
        """
            .formatted(String.join(",", setups)));
  }

  /** A kind that is added to the program is added to what its answers may say. */
  @Test
  void theSchemaOfConflictsKnowsEveryKind() throws Exception {
    String schema = Files.readString(Path.of("..", "docs", "schemas", "conflicts.schema.json"));
    for (Conflict.Kind kind : Conflict.Kind.values()) {
      assertThat(schema).contains("\"" + kind.written() + "\"");
      assertThat(Conflict.Kind.of(kind.written())).contains(kind);
    }
    assertThat(Conflict.Kind.of("of a later program")).isEmpty();
  }
}
