package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;
import polydex.catalog.Environment;
import polydex.desktop.controls.OnceShown;
import polydex.keys.Gesture;
import polydex.recall.Answer;
import polydex.recall.Answer.Verdict;
import polydex.recall.DrillItem;
import polydex.recall.NextToLearn.Proposal;

/** Drills with real keys in a real window. */
@ExtendWith(ApplicationExtension.class)
class DrillWindowTest extends InWindow {
  @Start
  void start(Stage shown) throws Exception {
    open(shown);
  }

  private void begin() {
    person.keys("Alt+D");
    person.untilShown("questions, about");
    person.keys("Enter");
  }

  /** Waits until the n-th prompt can have been read, so that keys are meant for it. */
  private void prompt(int n) {
    person.until(
        "prompt " + n,
        () -> person.shown().stream().anyMatch(t -> t.startsWith(n + " of ")) && isAsking());
    // The drill counts from the picture, and passes over what comes before anybody can have read.
    CountDownLatch painted = new CountDownLatch(1);
    Platform.runLater(() -> new OnceShown(() -> new OnceShown(painted::countDown).start()).start());
    person.until("a picture of it", () -> painted.getCount() == 0);
    pause(250);
  }

  private boolean isAsking() {
    return person.text("right").isEmpty() && person.text("wrong").isEmpty();
  }

  private static void pause(int millis) {
    WaitForAsyncUtils.sleep(millis, TimeUnit.MILLISECONDS);
  }

  /** The item that the prompt on the screen asks for, by what it says. */
  private DrillItem asked() {
    String title = person.text("prompt").orElseThrow().replaceAll(": .*", "");
    String place = person.text("prompt-place").orElseThrow().substring("in ".length());
    Environment environment =
        catalog().environments().stream()
            .filter(e -> place.equals(e.title()) || place.startsWith(e.title() + " on "))
            .findFirst()
            .orElseThrow();
    return catalog().bindings(environment.id()).stream()
        .filter(b -> catalog().title(b.action()).equals(title))
        .map(b -> new DrillItem(environment.id(), b.action()))
        .findFirst()
        .orElseThrow();
  }

  /** A gesture that the robot can press for an item. */
  private Optional<Gesture> gesture(DrillItem item) {
    return catalog().bindings(item.environment(), item.action()).stream()
        .map(b -> b.gesture())
        .filter(g -> !g.isFamily() && Driver.codes(g).isPresent())
        .findFirst();
  }

  @Test
  void aDrillTakesRealKeysTellsMistakesApartAndStoresEveryAnswer(FxRobot robot) {
    int before = answers().size();
    begin();
    int right = 0;
    for (int i = 1; i <= 8; i++) {
      prompt(i);
      DrillItem item = asked();
      Optional<Gesture> gesture = gesture(item);
      if (gesture.isPresent()) {
        person.keys(gesture.get().toString());
        // What is right goes on by itself, sooner than a busy machine may look.
        int so = before + i - 1;
        person.until("an answer", () -> answers().size() > so);
        assertThat(answers().get(so).verdict()).as(item + " " + gesture).isEqualTo(Verdict.RIGHT);
        right++;
      } else {
        person.keys("Ctrl+F9");
        person.untilShown("Press it right once");
        hold(robot, KeyCode.SPACE);
      }
    }
    int asked = right;
    person.until("stored", () -> answers().size() >= before + 8);
    List<Answer> mine = answers().subList(before, before + 8);
    assertThat(mine).filteredOn(a -> a.verdict() == Verdict.RIGHT).hasSize(asked);
    assertThat(right).isPositive();
    assertThat(mine).allMatch(a -> a.timing().seconds() > 0 && a.timing().seconds() < 60);
  }

  @Test
  void aWrongGestureSaysWhoseItIsHintsCountAsMissedAndNothingIsLostByLeaving(FxRobot robot) {
    int before = answers().size();
    begin();
    prompt(1);
    person.keys("Shift+F9");
    person.untilShown("Shift+F9 is bound nowhere.");
    // The hand does it right once, where the robot can; else it is passed over.
    pause(300);
    gesture(asked())
        .ifPresentOrElse(g -> person.keys(g.toString()), () -> hold(robot, KeyCode.SPACE));
    prompt(2);
    hold(robot, KeyCode.SPACE);
    person.untilShown("Hold Space again to see the keys.");
    hold(robot, KeyCode.SPACE);
    person.untilShown("The keys:");
    Optional<Gesture> gesture = gesture(asked());
    person.keys(gesture.map(Gesture::toString).orElse("Shift+F9"));
    person.untilShown(gesture.isPresent() ? "With a hint" : "Not this one");
    person.holdEscUntil("the end", () -> person.shown().contains("0 of 2 right"));
    person.until("two stored", () -> answers().size() == before + 2);
    assertThat(answers().getLast().verdict()).isNotEqualTo(Verdict.RIGHT);
    // What was left waits, and is gone on with.
    person.keys("Esc");
    person.untilShown("Go on:");
    person.keys("Enter");
    prompt(3);
    person.holdEscUntil("the end", () -> person.shown().contains("0 of 2 right"));
  }

  private static void hold(FxRobot robot, KeyCode key) {
    robot.press(key);
    pause(1000);
    robot.release(key);
  }

  @Test
  void aShortPressOfSpaceIsAnAnswerLikeAnyOther() {
    int before = answers().size();
    begin();
    prompt(1);
    boolean wanted = gesture(asked()).filter(g -> g.toString().equals("Space")).isPresent();
    person.keys("Space");
    person.until("an answer", () -> !isAsking());
    person.until("stored", () -> answers().size() == before + 1);
    assertThat(answers().getLast().pressed()).isEqualTo("Space");
    assertThat(answers().getLast().verdict()).isEqualTo(wanted ? Verdict.RIGHT : Verdict.WRONG);
  }

  @Test
  void proposalsArePutOffDroppedAndMarkedAndAllOfItIsUndone() {
    person.keys("Alt+D");
    person.untilShown("questions, about");
    person.keys("Alt+N");
    ListView<Proposal> next = person.list("What to learn next");
    List<DrillItem> first = items(next);
    assertThat(next.getItems()).allMatch(p -> !p.reasons().isEmpty());
    person.keys("F3");
    person.until("put off", () -> !items(next).contains(first.get(0)));
    person.keys("Delete");
    person.until("dropped", () -> !items(next).contains(first.get(1)));
    person.keys("Ctrl+Z");
    person.keys("Ctrl+Z");
    person.until("as it was", () -> items(next).equals(first));
    person.keys("Down");
    person.keys("Down");
    person.keys("F2");
    person.until("taken", () -> items(next).getFirst().equals(first.get(2)));
    // From Look up: everything that was found.
    person.keys("Ctrl+F");
    person.type("dupl line");
    person.keys("Enter");
    person.keys("Ctrl+D");
    person.untilShown("Marked for drills: \u201cDuplicate the line\u201d");
    assertThat(session.workspace().get().learning().marked())
        .anyMatch(i -> i.action().value().equals("line.duplicate"));
  }

  private List<DrillItem> items(ListView<Proposal> list) {
    return List.copyOf(list.getItems()).stream().map(Proposal::item).toList();
  }

  @Test
  void howItGoesShowsEveryItemWithItsCurves() {
    person.keys("Alt+D");
    person.untilShown("questions, about");
    person.keys("F7");
    person.untilShown("drilled actions are fluent");
    person.untilShown("Due in the next two weeks");
    assertThat(person.list("Every item that was drilled").getItems())
        .hasSize(session.progress().states().size());
    person.keys("Down");
    person.keys("Enter");
    person.untilShown("Seconds of right answers");
    person.untilShown("today, ");
    person.keys("Esc");
    person.keys("Esc");
    person.untilShown("What to learn next");
    // A sprint asks only what is fluent, and goes on by itself.
    person.keys("F6");
    prompt(1);
    assertThat(person.shown()).anyMatch(t -> t.endsWith("sprint"));
    assertThat(session.progress().state(asked()).orElseThrow().isFluent()).isTrue();
  }

  private static boolean isChoice(Node node) {
    return node instanceof ComboBox<?> c && c.getValue() instanceof Boolean;
  }

  /** Nobody manages the windows of the display that tests run on. */
  @Test
  void keysOfTheDesktopAreSpelledWhereTheyCantBeHeardAndThatIsSaid() {
    person.keys("Alt+D");
    person.untilShown("questions, about");
    for (int i = 0; i < 12 && !isChoice(person.focus()); i++) {
      person.keys("Tab");
    }
    person.keys("Down");
    person.untilShown("press the desktop’s keys for real");
    person.keys("Tab");
    person.keys("Enter");
    person.untilShown("Keys of the desktop are spelled, since they can't be heard.");
    prompt(1);
    assertThat(session.setting("drill.for-real")).contains("yes");
  }
}
