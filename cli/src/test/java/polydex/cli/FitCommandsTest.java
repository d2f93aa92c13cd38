package polydex.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static polydex.cli.Ran.run;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.files.fit.ShellLink;
import polydex.keys.Gesture;

/** {@code free}, {@code propose}, {@code assign}, {@code remap} and {@code links}. */
class FitCommandsTest {
  @TempDir private Path folder;

  @ParameterizedTest
  @CsvSource({
    "free, free --demo --json",
    "free, free Ctrl+Alt+N Ctrl+S Shift+A Ctrl+Alt+Backspace --demo --json --on Laptop",
    "propose, propose own.preview --demo --json --on Laptop",
    "assign, assign --demo --json",
    "assign, assign own.timer own.stamp own.dome-log --demo --json --on Laptop",
    "remap, remap --try KeyA->nothing --on Laptop --demo --json"
  })
  void answersAreAsTheirSchemasSay(String schema, String line) throws Exception {
    JsonNode answer = run(line.split(" ")).json();
    assertThat(answer).isNotEmpty();
    assertThat(Ran.schema(schema).validate(answer)).isEmpty();
  }

  @Test
  void aGestureIsJudgedInEverySetupOfTheComputer() throws Exception {
    JsonNode said = run("free", "Ctrl+Alt+N", "--demo", "--json", "--on", "Laptop").json().get(0);
    assertThat(said.get("free").asBoolean()).isFalse();
    assertThat(said.get("setups")).hasSize(3);
    assertThat(said.get("setups").get(0).get("state").asText()).isEqualTo("taken");
    assertThat(said.get("setups").get(0).get("action").asText()).isEqualTo("own.cue-folder");
    assertThat(run("free", "Ctrl+Alt+Backspace", "--demo", "--on", "Laptop").out())
        .contains("reserved by");
    assertThat(run("free", "Ctrl+{A,B}", "--demo").code()).isEqualTo(Main.USAGE);
    assertThat(run("free", "--demo", "--on", "Nowhere").code()).isEqualTo(Main.USAGE);
  }

  /** Proposals keep the rules of their platform, and each can be bound as it stands. */
  @Test
  void whatIsProposedIsFreeAndKeepsTheRules() throws Exception {
    for (JsonNode p : run("propose", "own.preview", "--demo", "--json", "--on", "Laptop").json()) {
      String gesture = p.get("gesture").asText();
      assertThat(gesture).contains("Ctrl+").contains("Alt+");
      assertThat(run("free", gesture, "--demo", "--on", "Laptop").code())
          .as(gesture)
          .isEqualTo(Main.DONE);
    }
  }

  @Test
  void aLockedGestureStaysAndTheRestIsTheBestBesideIt() throws Exception {
    String[] line = "assign own.timer own.stamp --demo --json --on Laptop".split(" ");
    double free = run(line).json().get("total").asDouble();
    JsonNode locked =
        run((String.join(" ", line) + " --lock own.timer=Ctrl+Alt+F11").split(" ")).json();
    assertThat(locked.get("given").get(0).get("gesture").asText()).isEqualTo("Ctrl+Alt+F11");
    assertThat(locked.get("total").asDouble()).isGreaterThan(free);
    assertThat(locked.get("proved").asBoolean()).isTrue();
    assertThat(run("assign", "own.timer", "--demo", "--lock", "own.stamp=F5").code())
        .isEqualTo(Main.USAGE);
    assertThat(run("assign", "own.timer", "--demo", "--weights", "1,2").code())
        .isEqualTo(Main.USAGE);
  }

  @Test
  void aRemapIsTriedAndWritten() throws Exception {
    Ran lost = run("remap", "--try", "KeyS->nothing", "--on", "Studio computer", "--demo");
    assertThat(lost.code()).isEqualTo(Main.NO);
    String xkb =
        run("remap", "--try", "CapsLock->Ctrl", "--on", "Laptop", "--demo", "--as", "xkb").out();
    assertThat(xkb).contains("replace key <CAPS> { [ Control_L, Control_L ] };");
    Path file = Files.writeString(folder.resolve("a.hwdb"), " KEYBOARD_KEY_3a=leftctrl\n");
    String json =
        run("remap", "--try", file.toString(), "--on", "Laptop", "--demo", "--as", "json").out();
    Path again = Files.writeString(folder.resolve("b.json"), json);
    assertThat(
            run("remap", "--try", again.toString(), "--on", "Laptop", "--demo", "--as", "hwdb")
                .out())
        .contains("KEYBOARD_KEY_3a=leftctrl");
    assertThat(
            run(
                    "remap",
                    "--try",
                    "Caps Lock as Esc when tapped, Ctrl when held",
                    "--on",
                    "Laptop",
                    "--demo",
                    "--as",
                    "hwdb")
                .code())
        .isEqualTo(Main.FILE);
    assertThat(run("remap", "--try", "what?", "--on", "Laptop", "--demo").code())
        .isEqualTo(Main.USAGE);
  }

  @Test
  void launchersAreReadAndComparedWithThePlan() throws Exception {
    link("Open the cue folder", "Ctrl+Alt+N");
    link("Start the rehearsal timer", "Ctrl+Alt+Q");
    link("Something else", "Ctrl+Alt+7");
    Files.writeString(folder.resolve("broken.lnk"), "nothing");
    Ran ran = run("links", folder.toString(), "--demo", "--on", "Laptop", "--json");
    assertThat(ran.code()).isEqualTo(Main.NO);
    assertThat(Ran.schema("links").validate(ran.json())).isEmpty();
    assertThat(run("links", folder.toString(), "--demo", "--on", "Laptop").out())
        .contains("as planned       Open the cue folder")
        .contains(
            "on other keys    Start the rehearsal timer, planned Ctrl+Alt+T, found Ctrl+Alt+Q")
        .contains("missing          Open the rehearsal notes")
        .contains("not in the plan  Something else")
        .contains("3 read, 1 refused");
    assertThat(run("links", folder.resolve("none").toString()).code()).isEqualTo(Main.FILE);
  }

  private void link(String name, String gesture) throws Exception {
    Files.write(
        folder.resolve(name + ".lnk"),
        new ShellLink("", "C:\\x", "", "", Optional.of(Gesture.parse(gesture))).write());
  }
}
