package polydex.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static polydex.cli.Ran.run;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchema;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class MouseCommandTest {
  @TempDir Path folder;

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
    assertThat(run("mouse", "report", "--demo", "--json", "--setup", "Studio: timeline").json())
        .as("by title as by id")
        .isEqualTo(run("mouse", "report", "--demo", "--json", "--setup", "studio-timeline").json());
    assertThat(run("mouse", "report", "--demo").out()).contains("came back: ", "Saved so far: ");
    assertThat(run("mouse", "review", "--demo").out())
        .startsWith("The week from 2031-03-08 to 2031-03-14")
        .contains("For the next week:");
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
    JsonSchema rules = Ran.schema("mouse-log");
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
}
