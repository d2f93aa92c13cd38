package polydex.desktop.drill;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;
import polydex.boards.Presses;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.desktop.desk.Desk;
import polydex.desktop.desk.Navigation;
import polydex.desktop.keys.KeyCapture;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.state.Analysis;
import polydex.desktop.state.Analyst;
import polydex.desktop.state.Session;
import polydex.desktop.state.Stored;
import polydex.files.demo.DemoFile;
import polydex.files.demo.DemoHistory;
import polydex.files.store.DailyCopies;
import polydex.files.store.Store;
import polydex.keys.Gesture;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.PointerAct;
import polydex.own.OwnKey;
import polydex.recall.Answer;
import polydex.recall.Answer.Kind;
import polydex.recall.Answer.Verdict;
import polydex.recall.DrillItem;
import polydex.recall.ItemState;
import polydex.recall.Prompt;
import polydex.recall.Question;

/** A drill of chosen questions, its presses given to it as the window would. */
@ExtendWith(ApplicationExtension.class)
class DrillRunTest implements Navigation {
  private static final DrillItem SAVE =
      new DrillItem(new EnvironmentId("cue-editor-alder"), new ActionId("file.save"));
  private static final DrillItem COPY =
      new DrillItem(new EnvironmentId("cue-editor-alder"), new ActionId("edit.copy"));

  private Session session;
  private Analyst analyst;
  private DrillRun run;
  private int ended;

  @Start
  void start(Stage stage) throws Exception {
    Path file = Files.createTempDirectory("polydex-run").resolve("demo.polydex");
    Store store = DemoFile.demo(file);
    session = new Session(store, Clock.fixed(DemoHistory.NOW, ZoneOffset.UTC));
    Desk desk = Desk.of(session, this, new ReadOnlyBooleanWrapper(false).getReadOnlyProperty());
    analyst = desk.analyst();
    run = new DrillRun(desk, () -> ended++, () -> {});
    stage.setScene(new Scene(new StackPane(run), 800, 600));
    stage.show();
  }

  @AfterEach
  void end() {
    WaitForAsyncUtils.waitForAsyncFx(
        9000,
        () -> {
          run.pause();
          analyst.close();
          session.close();
        });
  }

  @Override
  public void changed() {}

  @Override
  public void capture(KeyCapture.Listener listener, boolean spelled, String leave) {}

  @Override
  public void pointed(PointerAct act) {}

  @Override
  public void release() {}

  @Override
  public void open(VBox shown, Node focus, List<KeyCommand> commands) {}

  @Override
  public void drillFirst(int actions) {}

  @Override
  public void run(OwnKey key) {}

  @Override
  public void drill() {}

  @Override
  public void bringIn() {}

  @Override
  public void weeks() {}

  @Override
  public void go(char letter) {}

  @Override
  public void takeBack(DailyCopies.Copy copy) {}

  @Override
  public void follow(Gesture gesture) {}

  @Override
  public void close() {}

  private Prompt prompt(DrillItem item) {
    return found().material().prompt(item).orElseThrow();
  }

  private Analysis found() {
    for (int i = 0; i < 600 && analyst.found().get().isEmpty(); i++) {
      WaitForAsyncUtils.sleep(50, TimeUnit.MILLISECONDS);
    }
    return analyst.found().get().orElseThrow();
  }

  private void begin(Question... questions) {
    Analysis analysis = found();
    WaitForAsyncUtils.waitForAsyncFx(
        9000,
        () -> run.begin(new ArrayList<>(List.of(questions)), analysis, Duration.ofMinutes(10)));
    read();
  }

  /** As long as it takes to paint a prompt and read it. */
  private static void read() {
    WaitForAsyncUtils.sleep(400, TimeUnit.MILLISECONDS);
    WaitForAsyncUtils.waitForFxEvents();
  }

  private void press(String gesture) {
    List<Presses.Made> made =
        ((Presses.Typable) Presses.of(Gesture.parse(gesture), found().material().layout())).list();
    WaitForAsyncUtils.waitForAsyncFx(
        9000, () -> made.forEach(m -> run.pressed(m, System.nanoTime())));
  }

  private List<String> shown() {
    return WaitForAsyncUtils.waitForAsyncFx(
        9000,
        () ->
            run.lookupAll(".label").stream()
                .filter(Label.class::isInstance)
                .map(n -> ((Label) n).getText())
                .toList());
  }

  /** After a wrong answer the wanted gesture is pressed, which counts nowhere and goes on. */
  private void repeat(String wanted) {
    read();
    press(wanted);
    read();
    read();
  }

  private List<Answer> answers() {
    List<Answer> all = new ArrayList<>();
    WaitForAsyncUtils.sleep(200, TimeUnit.MILLISECONDS);
    Stored.in(
        session,
        s -> {
          s.answers(all::add);
          return all;
        });
    return all.subList(all.size() - Math.min(8, all.size()), all.size());
  }

  private static Question question(Kind kind, Prompt prompt, int part, int parts) {
    return new Question(kind, prompt, part, parts, false, List.of());
  }

  @Test
  void theOtherWayRoundIsAnsweredByADigitAndMovesNoMemory() {
    var before = session.progress().state(SAVE);
    Prompt save = prompt(SAVE);
    begin(
        new Question(
            Kind.SAY,
            save,
            1,
            1,
            false,
            Stream.of("edit.copy", "file.save", "edit.paste").map(ActionId::new).toList()));
    assertThat(shown()).contains("What does this do?", "1 of 1, the other way round");
    KeyEvent two =
        new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.DIGIT2, false, false, false, false);
    WaitForAsyncUtils.waitForAsyncFx(9000, () -> run.lookup(".text-field").fireEvent(two));
    assertThat(shown()).contains("Right");
    Answer last = answers().getLast();
    assertThat(last.kind()).isEqualTo(Kind.SAY);
    assertThat(last.verdict()).isEqualTo(Verdict.RIGHT);
    assertThat(session.progress().state(SAVE)).isEqualTo(before);
  }

  /** A screen reader says what is asked and how it went, and how far one is only to who looks. */
  @Test
  void whatIsAskedAndHowItWentIsSpoken() {
    begin(question(Kind.DO, prompt(SAVE), 1, 1), question(Kind.DO, prompt(COPY), 1, 1));
    assertThat(spoken()).contains("Save").contains("Cue editor").doesNotContain("1 of 2");
    press("Ctrl+D");
    assertThat(spoken()).startsWith("Not this one").contains("Wanted:").contains("Ctrl+S");
    repeat("Ctrl+S");
    read();
    assertThat(spoken()).contains("Copy").doesNotContain("Wanted");
    press("Ctrl+C");
    assertThat(spoken()).startsWith("Right");
  }

  private String spoken() {
    return WaitForAsyncUtils.waitForAsyncFx(9000, () -> run.getAccessibleText());
  }

  @Test
  void aTaskIsTimedAsAWholeAndGoesOnByItself() {
    begin(question(Kind.CHAIN, prompt(SAVE), 1, 2), question(Kind.CHAIN, prompt(COPY), 2, 2));
    assertThat(shown()).anyMatch(t -> t.startsWith("Then: "));
    press("Ctrl+S");
    WaitForAsyncUtils.sleep(500, TimeUnit.MILLISECONDS);
    read();
    assertThat(shown()).contains("2 of 2, a task of 2: 2", "The last of the task.");
    press("Ctrl+C");
    assertThat(shown()).anyMatch(t -> t.matches("The whole task: .* 2 of 2 right."));
    for (int i = 0; i < 60 && ended == 0; i++) {
      WaitForAsyncUtils.sleep(50, TimeUnit.MILLISECONDS);
    }
    assertThat(ended).isEqualTo(1);
    assertThat(run.report().right()).isEqualTo(2);
  }

  @Test
  void whatIsMissedComesAgainTwiceAndAfterACorrectionItIsRight() {
    begin(question(Kind.DO, prompt(SAVE), 1, 1));
    press("Ctrl+Shift+F9");
    assertThat(shown()).contains("Not this one", "Another key.", "Wanted:");
    repeat("Ctrl+S");
    press("Alt+S");
    assertThat(shown()).contains("With Alt instead.");
    repeat("Ctrl+S");
    assertThat(shown()).contains("3 of 3");
    press("Ctrl+Shift+F9");
    repeat("Ctrl+S");
    assertThat(ended).isEqualTo(1);
    begin(question(Kind.DO, prompt(SAVE), 1, 1));
    press("Ctrl");
    press("Ctrl+S");
    assertThat(shown()).contains("Right, after a correction");
    assertThat(answers().getLast().grade().number()).isEqualTo(2);
  }

  @Test
  void afterAWrongAnswerTheHandDoesItRightOnceWhichCountsNowhere() {
    int before = session.progress().state(SAVE).map(ItemState::answers).orElse(0);
    begin(question(Kind.DO, prompt(SAVE), 1, 1));
    press("Ctrl+Shift+F9");
    assertThat(shown())
        .contains("Press it right once; that counts nowhere:")
        .contains("Ctrl with the right little finger, S with the left ring finger.");
    assertThat(run.lookup(".board-key-wanted")).isNotNull();
    read();
    // Wrong once more: nothing is counted, and it is asked again.
    press("Alt+S");
    assertThat(shown()).contains("Not yet. Once more:", "Not this one");
    press("Ctrl+S");
    read();
    read();
    assertThat(shown()).contains("2 of 2").doesNotContain("Not this one");
    assertThat(session.progress().state(SAVE).orElseThrow().answers()).isEqualTo(before + 1);
    assertThat(answers().getLast().verdict()).isEqualTo(Verdict.WRONG);
    // Who can't press it goes on without, by holding Space.
    press("Ctrl+Shift+F9");
    WaitForAsyncUtils.waitForAsyncFx(9000, () -> run.hint(true));
    read();
    assertThat(shown()).contains("3 of 3");
  }

  @Test
  void aDrillEndsWithItsMinutesAndTheRestWaits() {
    Analysis analysis = found();
    List<Question> two =
        List.of(question(Kind.DO, prompt(SAVE), 1, 1), question(Kind.DO, prompt(COPY), 1, 1));
    WaitForAsyncUtils.waitForAsyncFx(
        9000, () -> run.begin(new ArrayList<>(two), analysis, Duration.ofMillis(200)));
    read();
    press("Ctrl+S");
    for (int i = 0; i < 60 && ended == 0; i++) {
      WaitForAsyncUtils.sleep(50, TimeUnit.MILLISECONDS);
    }
    assertThat(ended).isEqualTo(1);
    assertThat(WaitForAsyncUtils.waitForAsyncFx(9000, run::left)).isEqualTo(1);
    WaitForAsyncUtils.waitForAsyncFx(9000, () -> run.goOn(analysis));
    assertThat(shown()).contains("2 of 2");
    Answer.Timing timing = answers().getLast().timing();
    assertThat(timing.firstKey()).isPresent();
    assertThat(timing.firstKey().getAsDouble()).isLessThanOrEqualTo(timing.seconds());
  }

  @Test
  void aPressThatNobodyCanHaveMeantForThePromptIsPassedOver() {
    Analysis analysis = found();
    Question save = question(Kind.DO, prompt(SAVE), 1, 1);
    Presses.Made f9 =
        ((Presses.Typable) Presses.of(Gesture.parse("F9"), analysis.material().layout()))
            .list()
            .getFirst();
    WaitForAsyncUtils.waitForAsyncFx(
        9000,
        () -> {
          run.begin(new ArrayList<>(List.of(save)), analysis, Duration.ofMinutes(10));
          run.holding(Modifiers.of(Modifier.CTRL));
          run.pressed(f9, System.nanoTime());
        });
    read();
    assertThat(shown()).doesNotContain("Not this one");
    press("Ctrl+S");
    assertThat(shown()).contains("Right");
    // Nor was it the first key of the answer.
    assertThat(answers().getLast().timing().firstKey().orElseThrow()).isGreaterThan(0.2);
  }

  @Test
  void aSprintHasALimitAndNoHints() {
    begin(question(Kind.SPRINT, prompt(SAVE), 1, 1));
    assertThat(WaitForAsyncUtils.waitForAsyncFx(9000, () -> run.hint(false))).isFalse();
    for (int i = 0; i < 200 && !shown().contains("Time is up"); i++) {
      WaitForAsyncUtils.sleep(50, TimeUnit.MILLISECONDS);
    }
    assertThat(shown()).contains("Time is up");
    assertThat(answers().getLast().verdict()).isEqualTo(Verdict.TIMED_OUT);
  }
}
