package polydex.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static polydex.cli.Ran.run;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import polydex.files.demo.DemoHistory;

class DrillCommandTest {
  @TempDir Path folder;

  private String list(String text) throws Exception {
    return Files.writeString(folder.resolve("list.csv"), text).toString();
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
}
