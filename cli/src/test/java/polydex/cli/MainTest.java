package polydex.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import picocli.CommandLine.Command;
import polydex.files.demo.DemoHistory;
import polydex.files.store.Store;

class MainTest {
  @TempDir Path folder;

  private record Ran(int code, String out, String err) {
    JsonNode json() throws Exception {
      return new ObjectMapper().readTree(out);
    }
  }

  private static Ran run(String... args) {
    StringWriter out = new StringWriter();
    StringWriter err = new StringWriter();
    int code = Main.run(new PrintWriter(out), new PrintWriter(err), args);
    return new Ran(code, out.toString(), err.toString());
  }

  private String list(String text) throws Exception {
    return Files.writeString(folder.resolve("list.csv"), text).toString();
  }

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
    Path world = folder.resolve("world.json");
    Files.writeString(
        world,
        """
        {"format": "polydex-world/1",
         "actions": [{"id": "save", "title": "Save", "group": "file"}],
         "keymaps": [
           {"format": "polydex-keymap/1",
            "environment": {"id": "desk", "title": "Desk", "version": "1",
              "contexts": [{"id": "anywhere", "title": "anywhere"}], "whenBroken": "SWALLOW",
              "kind": {"type": "platform", "primary": "CTRL"}},
            "bindings": [{"action": "save", "gesture": "Ctrl+S"}]}],
         "setups": [{"id": "s", "title": "S", "board": "full-ansi",
           "machine": {"title": "m", "platform": "desk", "version": "1", "layout": "us",
             "focus": {"type": "desktop"}}}]}
        """);
    InputStream before = System.in;
    System.setIn(new ByteArrayInputStream("Ctrl+S\n\nQ\n".getBytes(StandardCharsets.UTF_8)));
    try {
      List<String> lines = run("trace", "-", "--world", world.toString()).out().lines().toList();
      assertThat(lines).hasSize(2);
      assertThat(lines.get(0)).contains("\"action\":\"save\"");
      assertThat(lines.get(1)).contains("\"text\":\"q\"");
    } finally {
      System.setIn(before);
    }
    Files.writeString(world, "{\"format\": \"polydex-world/7\"}");
    assertThat(run("conflicts", "--world", world.toString()).code()).isEqualTo(Main.FILE);
  }

  @Test
  void aListIsBroughtIntoANewFileOnceAndKnownTheSecondTime() throws Exception {
    Path file = folder.resolve("mine.polydex");
    String list =
        list("Application;Context;Action;Gesture\nEditor;;Save;Ctrl+S\nEditor;;Save;Ctrl+\n");
    Ran first = run("import", list, "--file", file.toString());
    assertThat(first.code()).isEqualTo(Main.NO);
    assertThat(first.out()).contains("1 taken", "1 refused", "line 3", "Column 6");
    JsonNode second = run("import", list, "--file", file.toString(), "--json").json();
    assertThat(second.get("known").size()).isEqualTo(1);
    assertThat(second.get("written").asBoolean()).isTrue();
    assertThat(run("find", "save", "--file", file.toString()).out()).contains("Editor", "Ctrl+S");
    assertThat(run("trace", "Ctrl+S", "-f", file.toString(), "-s", "To try Editor").out())
        .contains("Editor does “Save”.");
    assertThat(run("conflicts", "-f", file.toString()).out()).contains("no conflicts");
  }

  @Test
  void aDryRunAndTheDemoAreNotWritten() throws Exception {
    String list = list("application,action,gesture\nCue editor,Dim the lights,F12\n");
    Ran demo = run("import", list, "--demo");
    assertThat(demo.code()).isEqualTo(Main.DONE);
    assertThat(demo.out()).contains("1 would be taken");
    Path file = folder.resolve("mine.polydex");
    run("import", list, "--file", file.toString());
    String more = list("application,action,gesture\nCue editor,Raise the lights,F11\n");
    run("import", more, "--dry-run", "--file", file.toString());
    assertThat(run("find", "raise", "--file", file.toString()).code()).isEqualTo(Main.NO);
  }

  @Test
  void aRefusedListLeavesTheFileAsItWas() throws Exception {
    Path file = folder.resolve("mine.polydex");
    run("import", list("application,action,gesture\nEditor,Save,F2\n"), "-f", file.toString());
    byte[] before = Files.readAllBytes(file);
    Ran refused =
        run(
            "import",
            list("application,action,gesture\n\"Editor,Save,F2\n"),
            "-f",
            file.toString());
    assertThat(refused.code()).isEqualTo(Main.FILE);
    assertThat(refused.err()).contains("Nothing was taken");
    assertThat(Files.readAllBytes(file)).isEqualTo(before);
  }

  @Test
  void filesThatCanNotBeUsedAreSaid() throws Exception {
    assertThat(run("find", "x", "-f", folder.resolve("none").toString()).code())
        .isEqualTo(Main.FILE);
    Path file = folder.resolve("mine.polydex");
    try (Store store = Store.open(file)) {
      Ran locked = run("find", "x", "-f", store.file().toString());
      assertThat(locked.code()).isEqualTo(Main.FILE);
      assertThat(locked.err()).contains("open in another running program");
    }
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
  void aKeymapIsWrittenOutChangedByHandAndBroughtInAgain() throws Exception {
    String file = folder.resolve("my.polydex").toString();
    Ran written = run("keymap", "star-table-alder", "--demo");
    assertThat(written.code()).isEqualTo(Main.DONE);
    String changed =
        written.out().replaceFirst("\"bindings\" : \\[", "\"mine\" : [ 7 ],\n  \"bindings\" : [");
    Path keymap = Files.writeString(folder.resolve("keymap.json"), changed);
    Ran imported = run("import", keymap.toString(), "--file", file);
    assertThat(imported.out()).contains("The keymap of “Star table”");
    Ran again = run("keymap", "star-table-alder", "--file", file);
    assertThat(new ObjectMapper().readTree(again.out()).toString())
        .isEqualTo(new ObjectMapper().readTree(changed).toString());
    Path broken = Files.writeString(folder.resolve("b.json"), changed.replace("SWALLOW", "CHEW"));
    Ran refused = run("import", broken.toString(), "--file", file);
    assertThat(refused.code()).isEqualTo(Main.FILE);
    assertThat(refused.err()).contains("b.json, line ", "/environment/whenBroken");
  }

  @Test
  void listsOfOtherFormsAreBroughtInWithAMappingAndRemembered() throws Exception {
    String file = folder.resolve("my.polydex").toString();
    Path json =
        Files.writeString(
            folder.resolve("keys.json"),
            "[{\"key\": \"ctrl+k ctrl+s\", \"command\": \"Save everything\"}, {\"key\": \"nope\", \"command\": \"x\"}]");
    Ran unknown = run("import", json.toString(), "--file", file);
    assertThat(unknown.code()).isEqualTo(Main.FILE);
    assertThat(unknown.err()).contains("“platform” or “application”");
    String[] said = {
      "import",
      json.toString(),
      "--file",
      file,
      "--application",
      "Prop list",
      "--columns",
      "action=command,gesture=key",
      "--json"
    };
    Ran ran = run(said);
    assertThat(ran.code()).isEqualTo(Main.NO);
    assertThat(ran.json().get("taken").get(0).get("text").asText())
        .isEqualTo("Save everything: Ctrl+K Ctrl+S");
    assertThat(ran.json().get("refused").get(0).get("line").asInt()).isEqualTo(1);
    Files.writeString(json, "[{\"key\": \"ctrl+k s\", \"command\": \"Save everything\"}]");
    Ran newer =
        run("import", json.toString(), "--file", file, "--application", "Prop list", "--json");
    assertThat(newer.json().get("changed").get(0).get("before").asText())
        .isEqualTo("Ctrl+K Ctrl+S");
    Ran installed = run("layout", "--installed");
    assertThat(installed.code()).isIn(Main.DONE, Main.FILE);
    Ran layout = run("layout", "us-intl", "--json", "--id", "mine");
    Path mine = Files.writeString(folder.resolve("mine.json"), layout.out());
    assertThat(run("import", mine.toString(), "--file", file).out()).contains("48 keys");
    assertThat(run("layout", "mine", "--file", file).out()).contains("dead ´");
  }

  @Test
  void answersAreReplayedIntoTheStateOfEveryItem() throws Exception {
    String answers =
        list(
            """
            seconds,at,environment,action,gesture,verdict
            1.4,2031-01-01T08:00:00Z,app,save,Ctrl+S,right
            1.0,2031-01-01T08:01:00Z,app,save,Ctrl+S,wrong
            1.2,2031-01-05T01:08:52.8Z,app,save,Ctrl+S,right
            1.0,2031-01-05T09:00:00+01:00,app,find,Ctrl+F,timed-out
            """);
    JsonNode items = run("drill", "--replay", answers, "--json").json();
    assertThat(items).hasSize(2);
    // The worked example of docs/recall.md: 3.7145 days after a first right answer, promptly.
    JsonNode save = items.get(1);
    assertThat(save.get("action").asText()).isEqualTo("save");
    assertThat(save.get("difficulty").asDouble()).isCloseTo(4.2921, within(1e-4));
    assertThat(save.get("stability").asDouble()).isCloseTo(33.59, within(0.05));
    assertThat(save.get("answers").asInt()).isEqualTo(3);
    assertThat(save.get("isDue").asBoolean()).isFalse();
    assertThat(items.get(0).get("stability").asDouble()).isEqualTo(0.4872);
    JsonNode due =
        run("drill", "--replay", answers, "--due", "--json", "--now", "2031-01-07T00:00:00Z")
            .json();
    assertThat(due).hasSize(1);
    assertThat(due.get(0).get("action").asText()).isEqualTo("find");
    Ran ahead = run("drill", "--replay", answers, "--forecast", "3");
    assertThat(ahead.out().lines()).hasSize(3);
    assertThat(ahead.out()).contains("2031-01-05");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "at,environment\n2031-01-01T08:00:00Z,app\n | no column action, gesture, verdict, seconds",
        "at,environment,action,gesture,verdict,seconds\nnow,app,a,F2,right,1\n | line 2 has the time",
        "at,environment,action,gesture,verdict,seconds\n2031-01-01T08:00:00Z,app,a,Foo+X,right,1\n | a gesture that can't be read",
        "at,environment,action,gesture,verdict,seconds\n2031-01-01T08:00:00Z,app,a,F2,maybe,1\n | there are right, corrected",
        "at,environment,action,gesture,verdict,seconds\n2031-01-01T08:00:00Z,app,a,F2,right,-1\n | not a number from 0",
        "at,environment,action,gesture,verdict,seconds\n2031-01-01T08:00:00Z,app,a\n | line 2 has 3 fields",
        "at,environment,action,gesture,verdict,seconds\n2031-01-01T08:00:00Z,\"a | not well-formed",
      })
  void answersThatSaySomethingImpossibleAreRefusedByLine(String given) throws Exception {
    String[] parts = given.split(" \\| ");
    Ran ran = run("drill", "--replay", list(parts[0]));
    assertThat(ran.code()).isEqualTo(Main.FILE);
    assertThat(ran.err()).contains(parts[1], "Nothing was taken.");
    assertThat(ran.out()).isEmpty();
  }

  @Test
  void theDemosAnswersCanBeTakenOutAndReplayedToTheSame() throws Exception {
    String csv = run("drill", "--demo", "--answers").out();
    assertThat(csv.lines()).hasSizeGreaterThan(2_000).noneMatch(l -> l.matches(".*,[=+@-].*"));
    String now = DemoHistory.NOW.toString();
    assertThat(run("drill", "--replay", list(csv), "--json", "--now", now).json())
        .isEqualTo(run("drill", "--demo", "--json").json());
    assertThat(run("drill", "--demo", "--due").out()).contains("now");
    assertThat(run("drill", "--demo", "--retention", "0.5").code()).isEqualTo(Main.USAGE);
    assertThat(run("drill", "--demo", "--forecast", "0").code()).isEqualTo(Main.USAGE);
    assertThat(run("drill").code()).isEqualTo(Main.USAGE);
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
    JsonSchema rules =
        JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
            .getSchema(Files.readString(Path.of("../docs/schemas/" + schema + ".schema.json")));
    JsonNode answer = run(line.split(" ")).json();
    assertThat(answer).isNotEmpty();
    assertThat(rules.validate(answer)).isEmpty();
  }

  @Test
  void whatRemainsToBeReplacedIsListedByItsCost() throws Exception {
    JsonNode rows = run("mouse", "remaining", "--demo", "--json").json();
    Set<String> kinds = new HashSet<>();
    double before = Double.MAX_VALUE;
    double share = 0;
    for (JsonNode row : rows) {
      kinds.add(row.get("kind").asText());
      assertThat(row.get("hoursAYear").asDouble()).isLessThanOrEqualTo(before);
      assertThat(row.get("share").asDouble()).isGreaterThanOrEqualTo(share);
      before = row.get("hoursAYear").asDouble();
      share = row.get("share").asDouble();
    }
    assertThat(share).isEqualTo(1);
    assertThat(kinds)
        .containsExactlyInAnyOrder(
            "learn", "free-the-way", "bind", "walk", "pointer-by-nature", "unknown");
    String one = run("mouse", "remaining", "--demo", "-s", "studio-stars").out();
    assertThat(one).contains(" h a year ");
    assertThat(one.lines().count()).isLessThan(rows.size());
  }

  @Test
  void theWeeksAndTheReviewSayTheSame() throws Exception {
    JsonNode report = run("mouse", "report", "--demo", "--json").json();
    JsonNode last = report.get("weeks").get(report.get("weeks").size() - 1);
    JsonNode review = run("mouse", "review", "--demo", "--json").json();
    // The demo ends on a Friday, so that its last week is the seven days of the review.
    assertThat(review.get("now").get("keys")).isEqualTo(last.get("keys"));
    assertThat(review.get("now").get("pointer")).isEqualTo(last.get("pointer"));
    assertThat(review.get("now").get("coverage")).isEqualTo(last.get("coverage"));
    assertThat(review.get("proposals")).hasSize(3);
    assertThat(report.get("openTrend").get("high").asDouble()).isNegative();
    assertThat(report.get("environments")).hasSizeGreaterThan(8);
    assertThat(report.get("recognisedShare").asDouble()).isBetween(0.95, 0.999);
    assertThat(run("mouse", "report", "--demo").out()).contains("came back: ", "Saved so far: ");
    assertThat(run("mouse", "review", "--demo").out()).contains("For the next week:");
  }

  @Test
  void aMouseLogIsBroughtInWholeOrWhenWantedItsGoodLines() throws Exception {
    Path log = folder.resolve("day.csv");
    Path file = folder.resolve("own.polydex");
    String good =
        "time,device,input,target\n2026-01-05T09:00:00Z,mouse,Click,Save\n"
            + "2026-01-05T09:00:01Z,keyboard,\"\"\"hush\"\"\",\n";
    Files.writeString(log, good + "2026-01-05T09:00:02Z,mou");
    Ran refused = run("mouse", "import", log.toString(), "--file", file.toString());
    assertThat(refused.code()).isEqualTo(Main.NO);
    assertThat(refused.out())
        .contains("line 4: The line has 2 fields, the header 4.", "Nothing was taken.")
        .doesNotContain("hush");
    JsonNode taken =
        run("mouse", "import", log.toString(), "-f", file.toString(), "--good-lines", "--json")
            .json();
    assertThat(taken.get("newEvents").asInt()).isEqualTo(2);
    assertThat(taken.get("characters").asInt()).isEqualTo(4);
    Files.writeString(log, good);
    Ran again = run("mouse", "import", log.toString(), "-f", file.toString());
    assertThat(again.code()).isEqualTo(Main.DONE);
    assertThat(again.out()).contains("2 events taken (0 of them new)");
    JsonNode rows = run("mouse", "remaining", "-f", file.toString(), "--json").json();
    assertThat(rows.findValuesAsText("action")).containsExactly("?save");
    assertThat(run("mouse", "import", "none.csv", "-f", folder + "/new.polydex").code())
        .isEqualTo(Main.FILE);
    assertThat(folder.resolve("new.polydex")).doesNotExist();
  }

  @Test
  void theSchemaOfAMouseLogTakesWhatTheProgramTakes() throws Exception {
    JsonSchema rules =
        JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
            .getSchema(Files.readString(Path.of("../docs/schemas/mouse-log.schema.json")));
    List<String> lines =
        List.of(
            "{\"time\":\"2031-03-14T09:00:00Z\",\"device\":\"mouse\",\"path\":[\"File\",\"Save\"]}",
            "{\"time\":\"2031-03-14T09:00\",\"device\":\"keyboard\",\"input\":\"typed 3\"}",
            "{\"time\":\"2031-03-14T09:00:02Z\",\"device\":\"wand\"}",
            "{\"time\":\"2031-03-14T09:00:03Z\"}",
            "{\"time\":\"2031-03-14T09:00:04Z\",\"device\":\"pen\",\"duration\":-1}",
            "{\"time\":\"yesterday\",\"device\":\"pen\"}");
    Path log = folder.resolve("day.jsonl");
    for (String line : lines) {
      Files.writeString(log, line + "\n");
      boolean valid = rules.validate(new ObjectMapper().readTree(line)).isEmpty();
      int code = run("mouse", "import", log.toString(), "--demo").code();
      assertThat(valid).as(line).isEqualTo(code == Main.DONE);
    }
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

  /** A setup that can't be traced is named with what is wrong, and the others are answered for. */
  @Test
  void aSetupWithAMistakeIsToldAndTheOthersAreAnsweredFor() throws Exception {
    Path world = folder.resolve("world.json");
    String setup =
        """
        {"id": "%s", "title": "Desk %s", "board": "full-ansi",
         "machine": {"title": "Machine %s", "platform": "desk", "version": "1", "layout": "%s",
           "focus": {"type": "%s"}}}
        """;
    Files.writeString(
        world,
        """
        {"format": "polydex-world/1",
         "actions": [{"id": "save", "title": "Save", "group": "file"}],
         "keymaps": [
           {"format": "polydex-keymap/1",
            "environment": {"id": "desk", "title": "Desk", "version": "1",
              "contexts": [{"id": "anywhere", "title": "anywhere"}], "whenBroken": "SWALLOW",
              "kind": {"type": "platform", "primary": "CTRL"}},
            "bindings": [{"action": "save", "gesture": "Ctrl+S"}]}],
         "setups": [%s, %s]}
        """
            .formatted(
                setup.formatted("bad", "bad", "bad", "nosuch", "desktop"),
                setup.formatted("good", "good", "good", "us", "desktop")));
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
}
