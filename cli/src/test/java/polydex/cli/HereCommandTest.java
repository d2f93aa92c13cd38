package polydex.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static polydex.cli.Ran.run;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** On the computer that ships; reading a real one is tried where the sources are. */
class HereCommandTest {
  private static final ObjectMapper JSON = new ObjectMapper();

  @TempDir Path folder;

  private JsonNode here(String... more) throws Exception {
    String[] arguments = new String[5 + more.length];
    System.arraycopy(
        new String[] {
          "here", "--simulated", "--json", "--file", folder.resolve("new.polydex").toString()
        },
        0,
        arguments,
        0,
        5);
    System.arraycopy(more, 0, arguments, 5, more.length);
    Ran ran = run(arguments);
    assertThat(ran.code()).as(ran.err()).isEqualTo(Main.DONE);
    return JSON.readTree(ran.out());
  }

  private static JsonNode finding(JsonNode answer, String id) {
    for (JsonNode f : answer.get("findings")) {
      if (f.get("id").asText().equals(id)) {
        return f;
      }
    }
    throw new AssertionError("no finding " + id);
  }

  @Test
  void aNewFileIsMadeOfWhatIsFoundAndASecondReadingChangesNothing() throws Exception {
    JsonNode planned = here("--dry-run");
    assertThat(Files.exists(folder.resolve("new.polydex"))).isFalse();
    assertThat(planned.get("written").asBoolean()).isFalse();
    JsonNode first = here();
    assertThat(first.get("written").asBoolean()).isTrue();
    assertThat(first.get("sums")).isEqualTo(planned.get("sums"));
    assertThat(first.get("sums").get("taken").asInt()).isEqualTo(77);
    assertThat(finding(first, "settings:house.sorrel").get("wanted").asBoolean()).isFalse();
    assertThat(finding(first, "program:dome notes").get("remarks").toString())
        .contains("look like documents");
    Ran conflicts = run("conflicts", "--file", folder.resolve("new.polydex").toString());
    assertThat(conflicts.out())
        .contains("You want “Next Act” in Dome Notes, but Rowan 2 takes it")
        .contains("Your own binding for “House lights to half”");
    JsonNode second = here();
    assertThat(second.get("sums").get("taken").asInt()).isZero();
    // What was left can be taken, and what is taken can be left.
    JsonNode other =
        here("--take", "settings:house.sorrel", "--leave", "file:line-keys", "--dry-run");
    assertThat(finding(other, "settings:house.sorrel").get("taken").asInt()).isPositive();
    assertThat(finding(other, "file:line-keys").get("wanted").asBoolean()).isFalse();
  }

  @Test
  void whatIsAskedIsAnsweredByItsName() throws Exception {
    String asked = finding(here("--dry-run"), "program:seat planner").get("asked").get(0).asText();
    JsonNode said = here("--same", asked, "--dry-run");
    assertThat(finding(said, "program:seat planner").toString())
        .doesNotContain("\"asked\" : [ \"" + asked);
    assertThat(said.get("sums")).isEqualTo(here("--dry-run").get("sums"));
    Ran not =
        run(
            "here",
            "--simulated",
            "--file",
            folder.resolve("new.polydex").toString(),
            "--same",
            "Nobody asked");
    assertThat(not.code()).isEqualTo(Main.USAGE);
    assertThat(not.err()).contains("“Nobody asked” was not asked about");
  }

  /** What is said wrongly is refused before anything is written. */
  @Test
  void whatIsNotFoundOrIsNoSwitchIsRefused() {
    String file = folder.resolve("new.polydex").toString();
    Ran unknown = run("here", "--simulated", "--file", file, "--leave", "program:none");
    assertThat(unknown.code()).isEqualTo(Main.USAGE);
    assertThat(unknown.err()).contains("“program:none” was not found", "settings:own");
    Ran neither = run("here", "--simulated", "--file", file, "--accessibility", "perhaps");
    assertThat(neither.code()).isEqualTo(Main.USAGE);
    assertThat(neither.err()).contains("neither on nor off");
    assertThat(run("gather", "--simulated", "--take", "x", file).code()).isEqualTo(Main.USAGE);
    assertThat(Files.exists(folder.resolve("new.polydex"))).isFalse();
  }

  @Test
  void aGatheredComputerIsCarriedToAnotherFileAsAMachineOfItsOwn() throws Exception {
    Path gathered = folder.resolve("laptop.json");
    assertThat(run("gather", "--simulated", gathered.toString()).code()).isEqualTo(Main.DONE);
    // Once more over itself, but not over anything else.
    assertThat(run("gather", "--simulated", gathered.toString()).code()).isEqualTo(Main.DONE);
    Path notes = Files.writeString(folder.resolve("notes.txt"), "mine");
    assertThat(run("gather", "--simulated", notes.toString()).code()).isEqualTo(Main.FILE);
    assertThat(notes).hasContent("mine");
    try (var files = Files.list(folder)) {
      assertThat(files.filter(f -> f.getFileName().toString().startsWith("."))).isEmpty();
    }

    String file = folder.resolve("desk.polydex").toString();
    Ran brought = run("import", gathered.toString(), "--file", file);
    assertThat(brought.out()).contains("The computer “borrowed laptop”");
    assertThat(run("conflicts", "--file", file).out())
        .contains("This computer: no conflicts.")
        .contains("borrowed laptop:");
  }
}
