package polydex.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static polydex.cli.Ran.run;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import polydex.files.demo.DemoHistory;
import polydex.recall.MemoryParameters;

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
    // The worked example of docs/recall.md: 3.7145 days after a first right answer.
    JsonNode save = items.get(1);
    assertThat(save.get("action").asText()).isEqualTo("save");
    assertThat(save.get("difficulty").asDouble()).isCloseTo(5.1618, within(1e-4));
    assertThat(save.get("stability").asDouble()).isCloseTo(14.10, within(0.02));
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
        "at,environment,action,gesture,verdict,seconds\n2031-01-01T08:00:00Z,app,a,Foo+X,right,1\n | \u201cFoo\u201d is none. Nothing",
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
    String w = MemoryParameters.USUAL.toString();
    assertThat(run("drill", "--replay", list(csv), "--json", "--now", now).json())
        .isEqualTo(run("drill", "--demo", "--json", "--parameters", w).json());
    assertThat(run("drill", "--demo", "--due").out()).contains("now");
    assertThat(run("drill", "--demo", "--retention", "0.5").code()).isEqualTo(Main.USAGE);
    assertThat(run("drill", "--demo", "--forecast", "0").code()).isEqualTo(Main.USAGE);
    assertThat(run("drill").code()).isEqualTo(Main.USAGE);
    assertThat(run("drill", "--demo", "--parameters", "1 2").code()).isEqualTo(Main.USAGE);
  }

  /**
   * Thirty right answers by a pace that the test knows, one pair mistaken, one item with a curve.
   */
  @Test
  void paceConfusionsAndCurvesCanBeCheckedFromOutside() throws Exception {
    StringBuilder text =
        new StringBuilder(
            "at,environment,action,gesture,verdict,seconds,first_key,mistaken_environment,"
                + "mistaken_action\n");
    String[] gestures = {"F2", "Ctrl+S", "Ctrl+Shift+S", "Ctrl+K Ctrl+S"};
    for (int i = 0; i < 40; i++) {
      String gesture = gestures[i % 4];
      int keys = i % 4 == 3 ? 2 : 1;
      int modifiers = i % 4 == 3 ? 2 : i % 4;
      text.append(
          String.format(
              Locale.ROOT,
              "2031-01-%02dT08:00:%02dZ,app,a%d,%s,right,%.3f,0.7,,%n",
              1 + i / 4,
              i % 4,
              i % 4,
              gesture,
              0.7 + 0.25 * keys + 0.15 * modifiers));
    }
    text.append("2031-02-01T08:00:00Z,app,a0,F2,wrong,1,,app,a1\n");
    text.append("2031-02-01T08:00:09Z,app,a0,F2,wrong,1,,app,a1\n");
    String answers = list(text.toString());
    JsonNode pace = run("drill", "--replay", answers, "--pace", "--json").json();
    assertThat(pace.get("start").asDouble()).isCloseTo(0.7, within(1e-3));
    assertThat(pace.get("press").asDouble()).isCloseTo(0.25, within(1e-3));
    assertThat(pace.get("modifier").asDouble()).isCloseTo(0.15, within(1e-3));
    JsonNode pairs = run("drill", "--replay", answers, "--confusions", "--json").json();
    assertThat(pairs).hasSize(1);
    assertThat(pairs.get(0).get("times").asInt()).isEqualTo(2);
    assertThat(pairs.get(0).get("open").asBoolean()).isTrue();
    assertThat(run("drill", "--replay", answers, "--confusions").out())
        .contains("app a0 / app a1, asked side by side");
    JsonNode curves = run("drill", "--replay", answers, "--curves", "--json").json();
    assertThat(curves).hasSize(4).allMatch(c -> c.get("rightAnswers").asInt() == 10);
    assertThat(curves.get(0).get("firstKey").asDouble()).isEqualTo(0.7);
    assertThat(curves.get(0).at("/curve/rate").asDouble()).isBetween(0.1, 1.0);
    Ran few = run("drill", "--replay", answers, "--fit");
    assertThat(few.code()).isEqualTo(Main.NO);
    assertThat(few.out()).contains("wants 200 first answers of a day; there are 41.");
  }

  @Test
  void aFitIsToldWithWhatItForetells() throws Exception {
    JsonNode fit = run("drill", "--demo", "--fit", "--json").json();
    assertThat(fit.get("used").asBoolean())
        .isEqualTo(fit.get("lossAfter").asDouble() < fit.get("lossBefore").asDouble());
    assertThat(MemoryParameters.parse(fit.get("parameters").asText()).w(4)).isEqualTo(5.1618);
    assertThat(fit.get("heldOut").asInt()).isGreaterThan(40);
  }
}
