package polydex.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static polydex.cli.Ran.run;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.files.store.Store;

class ImportCommandTest {
  @TempDir Path folder;

  private String list(String text) throws Exception {
    return Files.writeString(folder.resolve("list.csv"), text).toString();
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
    String more = list("application,action,gesture\nCue editor,Zorch the lights,F11\n");
    run("import", more, "--dry-run", "--file", file.toString());
    assertThat(run("find", "zorch", "--file", file.toString()).code()).isEqualTo(Main.NO);
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
    Ran unknown = run("import", json.toString(), "--file", file, "--dry-run");
    assertThat(unknown.code()).isEqualTo(Main.NO);
    assertThat(unknown.out()).contains("about an application, “Keys”", "1 refused");
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

  /**
   * A page that hides, asks, leaves and has several systems: everything is said, and can be said
   * otherwise.
   */
  @Test
  void aPageIsAccountedForAndReadOtherwiseWhereThatIsSaid() throws Exception {
    Path page =
        Files.writeString(
            folder.resolve("lamps.html"),
            """
            <html><head><title>Lamp room</title></head><body><h1>Lamp room</h1>
            <table><tr><th>Shortcut keys</th><th>Effect</th></tr>
            <tr><td><span hidden>Command</span><span>Ctrl</span>+F2</td><td>Next lamp</td></tr>
            <tr><td>Ctrl/Cmd+L</td><td>Lamp list</td></tr>
            <tr><td>Ctrl+K, Ctrl+S</td><td>Lamp settings</td></tr>
            <tr><td>F9 or the panel</td><td>Dim</td></tr><tr><td>none</td><td>Reset</td></tr></table>
            <table><tr><th>Option</th><th>Default</th></tr><tr><td>Lamps</td><td>2</td></tr></table>
            <p>Press <kbd>F1</kbd>.</p></body></html>
            """);
    Ran plain = run("import", page.toString(), "--demo");
    assertThat(plain.code()).isEqualTo(Main.NO);
    assertThat(plain.out())
        .contains(
            "3 would be taken",
            "1 to be asked",
            "in 1 of 2 tables",
            "about an application, “Lamp room”",
            "such as “Ctrl/Cmd+L”: Ctrl+L, Meta+L",
            "systems: Ctrl (1, taken), Meta (1)",
            "left: table 2",
            "--take 2 takes it",
            "Say --read commas=sequence or commas=either",
            "no gesture in “the panel”",
            "lines without a gesture: 1",
            "not looked at: 1 keys in running text");
    JsonNode said =
        run(
                "import",
                page.toString(),
                "--demo",
                "--json",
                "--system",
                "Meta",
                "--read",
                "commas=sequence",
                "--leave",
                "2")
            .json();
    assertThat(said.get("taken").findValuesAsText("text"))
        .containsExactly(
            "Next lamp: Ctrl+F2", "Lamp list: Meta+L", "Lamp settings: Ctrl+K Ctrl+S", "Dim: F9");
    assertThat(said.get("asked")).isEmpty();
    assertThat(said.get("tables").get(1).get("taken").asBoolean()).isFalse();
    assertThat(said.get("choices").get("commas").asText()).isEqualTo("sequence");
    assertThat(said.get("partly").get(0).get("unread").get(0).asText()).isEqualTo("the panel");
    assertThat(run("import", page.toString(), "--demo", "--read", "commas=perhaps").err())
        .contains("is none of: commas=sequence|either");
  }

  @Test
  void wordsThatMeanTheSameAreKeptInTheFile() throws Exception {
    String file = folder.resolve("my.polydex").toString();
    run("import", list("application,action,gesture\nEditor,Lower the portal,F2\n"), "-f", file);
    assertThat(run("find", "volcano", "-f", file).code()).isEqualTo(Main.NO);
    assertThat(run("words", "volcano", "portal", "-f", file).out()).contains("volcano, portal");
    assertThat(run("find", "the", "volcano", "-f", file).out()).contains("Lower the portal");
    assertThat(run("words", "-f", file, "--json").json().get("own").get("volcano").asText())
        .isEqualTo("volcano, portal");
    assertThat(run("words", "--remove", "volcano", "-f", file).code()).isEqualTo(Main.DONE);
    assertThat(run("words", "--remove", "volcano", "-f", file).code()).isEqualTo(Main.NO);
    assertThat(run("find", "volcano", "-f", file).code()).isEqualTo(Main.NO);
    assertThat(run("words", "alone", "-f", file).code()).isEqualTo(2);
  }

  /** What a list is about is guessed, said otherwise, remembered, and moved to where it belongs. */
  @Test
  void whatAListIsAboutIsGuessedAndSaid() throws Exception {
    String file = folder.resolve("about.polydex").toString();
    String desktop =
        Files.writeString(
                folder.resolve("settings.txt"),
                """
                net.oak.wm switch-windows ['<Super>Tab']
                net.oak.wm minimize-window ['<Super>h']
                net.oak.wm lock-screen ['<Super>l']
                net.ash.text-editor exit ['<Control>q']
                net.ash.text-editor join-lines ['<Control>j']
                """)
            .toString();
    Ran guessed = run("import", desktop, "--file", file, "--json");
    assertThat(guessed.code()).isEqualTo(Main.DONE);
    JsonNode about = guessed.json().get("about");
    assertThat(about.get(0).get("subject").asText()).isEqualTo("desktop");
    assertThat(about.get(0).get("why").asText()).startsWith("3 of 3 actions");
    assertThat(about.get(1).get("environment").asText()).isEqualTo("Text editor");
    assertThat(guessed.json().get("recognised").get(0).get("actionTitle").asText())
        .isEqualTo("Quit");
    assertThat(run("find", "exit", "--file", file).out()).contains("Quit", "Text editor");
    String cues =
        Files.writeString(
                folder.resolve("cues.csv"), "Action,Keys\nNext cue,Ctrl+Meta+N\nExit,Ctrl+Meta+Q\n")
            .toString();
    assertThat(run("import", cues, "--file", file, "--about", "lamps").code())
        .isEqualTo(Main.USAGE);
    Ran own = run("import", cues, "--file", file, "--about", "own", "--apart", "Exit", "--json");
    assertThat(own.json().get("about").get(0).get("why").asText()).isEqualTo("As you said.");
    assertThat(own.json().get("recognised")).isEmpty();
    // What went to one's own goes there again, and says so.
    JsonNode ownAgain = run("import", cues, "--file", file, "--dry-run", "--json").json();
    assertThat(ownAgain.get("about").get(0).get("subject").asText()).isEqualTo("own");
    assertThat(ownAgain.get("about").get(0).get("why").asText()).isEqualTo("It went there before.");
    assertThat(ownAgain.get("known")).hasSize(2);
    assertThat(run("trace", "Ctrl+Meta+N", "--file", file).out()).contains("Next cue");
    Ran program = run("import", cues, "--file", file, "--application", "Cue room");
    assertThat(program.out()).contains("about an application, “Cue room”. As you said.");
    Ran again = run("import", cues, "--file", file, "--dry-run");
    assertThat(again.out()).contains("“Cue room”. It went there before.", "2 known already");
  }
}
