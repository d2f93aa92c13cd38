package polydex.files.lists;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.files.FileProblem;
import polydex.keys.Gesture;
import polydex.recall.Answer;
import polydex.recall.Answer.Kind;
import polydex.recall.Answer.Verdict;
import polydex.recall.DrillItem;
import polydex.recall.Pace;

class AnswerListTest {
  private static final String HEADER = "at,environment,action,gesture,verdict,seconds\n";
  private static final String LINE = "2031-01-01T08:00:00Z,app,save,Ctrl+S,right,1.5\n";
  private static final List<String> IDS =
      List.of("app", "=cmd", "+1", "-2", "@x", "it's", "'=x", "a,b", "two\nlines", "\"q\"");
  private static final List<String> GESTURES =
      List.of("=", "-", "'+'", "@", "Ctrl+S", "Alt(Tab Q)", "\"a, b\"", "Shift*2", "\\");

  @TempDir Path folder;

  private List<Answer> read(String text) throws Exception {
    return AnswerList.read(Files.writeString(folder.resolve("answers.csv"), text));
  }

  private static <T> T any(List<T> of, Random random) {
    return of.get(random.nextInt(of.size()));
  }

  private static DrillItem item(Random random) {
    return new DrillItem(new EnvironmentId(any(IDS, random)), new ActionId(any(IDS, random)));
  }

  private static Answer answer(Random random, long at) {
    Gesture asked = Gesture.parse(any(GESTURES, random));
    return new Answer(
        item(random),
        Instant.ofEpochMilli(at),
        any(List.of(Kind.values()), random),
        any(List.of(Verdict.values()), random),
        new Answer.Timing(
            random.nextInt(9_000) / 1000.0,
            random.nextBoolean(),
            random.nextInt(99) / 10.0,
            random.nextBoolean()
                ? OptionalDouble.empty()
                : OptionalDouble.of(random.nextInt(9_000) / 1000.0)),
        asked,
        random.nextBoolean() ? "" : Gesture.parse(any(GESTURES, random)).toString(),
        random.nextBoolean() ? Optional.empty() : Optional.of(item(random)));
  }

  /** No cell can be taken for a formula, whatever the ids and gestures are. */
  @Property(tries = 200)
  void whatIsWrittenIsReadAgainAndNoCellBeginsAFormula(@ForAll long seed) throws Exception {
    Random random = new Random(seed);
    List<Answer> answers = new ArrayList<>();
    for (int i = 0; i < 20; i++) {
      answers.add(answer(random, i * 1000L));
    }
    StringBuilder csv = new StringBuilder();
    AnswerList.write(answers, csv);
    try (CSVParser parser =
        CSVParser.builder()
            .setReader(new StringReader(csv.toString()))
            .setFormat(CSVFormat.RFC4180)
            .get()) {
      parser.forEach(row -> row.forEach(cell -> assertThat(cell).doesNotMatch("(?s)[=+@-].*")));
    }
    Path file = Files.createTempFile("answers", ".csv");
    try {
      List<Answer> back = AnswerList.read(Files.writeString(file, csv));
      assertThat(back).hasSameSizeAs(answers);
      for (int i = 0; i < back.size(); i++) {
        Answer a = answers.get(i);
        Answer b = back.get(i);
        assertThat(b.item()).isEqualTo(a.item());
        assertThat(b.asked()).isEqualTo(a.asked());
        assertThat(b.timing()).isEqualTo(a.timing());
        assertThat(b.mistakenFor()).isEqualTo(a.mistakenFor());
        assertThat(b.verdict()).isEqualTo(a.verdict());
        assertThat(b.kind()).isEqualTo(a.kind());
        if (!a.pressed().isEmpty()) {
          assertThat(Gesture.parse(b.pressed())).isEqualTo(Gesture.parse(a.pressed()));
        }
      }
    } finally {
      Files.delete(file);
    }
  }

  @Test
  void whatIsLeftOutIsAsUsualAndLinesMayStandInAnyOrder() throws Exception {
    List<Answer> answers =
        read(HEADER + "2031-01-02T09:00:00+01:00,app,find,Ctrl+F,TIMED_OUT,2\n\n" + LINE);
    assertThat(answers).hasSize(2);
    assertThat(answers.getFirst().item().action()).hasToString("save");
    assertThat(answers.getFirst().kind()).isEqualTo(Kind.DO);
    assertThat(answers.getFirst().timing().counts()).isTrue();
    assertThat(answers.getFirst().timing().expected())
        .isEqualTo(Pace.UNKNOWN.expected(Gesture.parse("Ctrl+S")));
    assertThat(answers.getLast().at()).isEqualTo("2031-01-02T08:00:00Z");
    assertThat(answers.getLast().verdict()).isEqualTo(Verdict.TIMED_OUT);
    assertThat(read(HEADER)).isEmpty();
    assertThat(read("\uFEFF" + HEADER + LINE)).hasSize(1);
    assertThat(read("note," + HEADER + "hello," + LINE)).hasSize(1);
  }

  @Test
  void whatIsNoListOfAnswersIsRefusedWholeAndTheFileLeftAsItWas() throws Exception {
    Path file = folder.resolve("answers.csv");
    byte[] noise = new byte[5000];
    new Random(3).nextBytes(noise);
    for (byte[] bytes :
        List.of(
            noise,
            new byte[0],
            (HEADER + LINE + "2031-13-01T08:00:00Z,a,b,F2,right,1")
                .getBytes(StandardCharsets.UTF_8),
            (HEADER + LINE + "2031-01-01T08:00:00Z,a,b,F2,right,1e999")
                .getBytes(StandardCharsets.UTF_8),
            (HEADER + LINE.replace("Ctrl+S", "Ctrl+" + "S ".repeat(200)))
                .getBytes(StandardCharsets.UTF_8),
            ("at,at," + HEADER + LINE).getBytes(StandardCharsets.UTF_8))) {
      Files.write(file, bytes);
      assertThatThrownBy(() -> AnswerList.read(file))
          .isInstanceOf(FileProblem.class)
          .hasMessageContaining("answers.csv")
          .hasMessageContaining("Nothing was taken.");
      assertThat(Files.readAllBytes(file)).isEqualTo(bytes);
    }
    assertThatThrownBy(() -> AnswerList.read(folder.resolve("nowhere.csv")))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("nowhere.csv");
  }
}
