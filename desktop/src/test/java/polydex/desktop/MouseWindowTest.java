package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.application.Platform;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.catalog.EnvironmentId;
import polydex.desktop.state.Stored;
import polydex.files.store.Store;
import polydex.log.LogEvent;
import polydex.mouse.Slips;
import polydex.recognition.Place;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.totals.FollowUp;
import polydex.totals.Habit;
import polydex.totals.Reminder;
import polydex.totals.Standing;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** Today and the mouse, by keys alone. */
@ExtendWith(ApplicationExtension.class)
class MouseWindowTest extends InWindow {
  @Start
  void start(Stage shown) throws Exception {
    open(shown);
  }

  @Override
  char first() {
    return 'T';
  }

  private int pointerUses(String action) {
    return session.standing().entries().stream()
        .filter(e -> e.place().doing().written().equals(action))
        .mapToInt(Standing.Entry::byPointer)
        .sum();
  }

  private List<LogEvent> stored() {
    List<LogEvent> all = new ArrayList<>();
    Stored.in(
        session,
        s -> {
          s.events(all::add);
          return all;
        });
    return all;
  }

  /** Waits until the explanation below the list says something. */
  private void explained(String words) {
    while (person.shown().stream().noneMatch(t -> t.contains(words))) {
      person.keys("Down");
    }
  }

  @Test
  void todaySaysWhatToDoAndEachActsWithOneKey() {
    person.untilShown("questions, about");
    person.untilShown("Costs most with the mouse");
    person.untilShown("Hours a year");
    person.until("the first thing to do has the focus", () -> person.focus() != null);
    // What pays most is marked by one key, the others by another and their digit.
    person.until("what costs most", () -> numbered("3").isPresent());
    person.keys("1");
    person.untilShown("Marked for drills: ");
    person.keys("Ctrl+Z");
    person.untilShown("Taken back: Marked");
    person.keys("2");
    person.untilShown("Mark for the next drill");
    person.keys("1");
    person.untilShown("Marked for drills: ");
    person.keys("Ctrl+Z");
    person.untilShown("Taken back: Marked");
    // What stands in the way is followed.
    person.until("conflicts", () -> numbered("5").isPresent());
    person.keys("5");
    person.untilShown("conflicts in this setup");
    person.keys("Alt+T");
    person.untilShown("questions, about");
    person.keys("F8");
    person.untilShown("The week from 8 March to 14 March");
    person.untilShown("For the next week");
    person.keys("Esc");
    person.keys("F7");
    person.untilShown("Other pictures");
    person.keys("Alt+T");
    person.untilShown("questions, about");
    person.until(
        "the drill has the focus", () -> person.focusIs(n -> "by-TODAY_BEGIN".equals(n.getId())));
    person.keys("Enter");
    person.untilShown("Every key counts now.");
    person.holdEscUntil(
        "keys are commands again", () -> !person.shown().contains("Every key counts now."));
  }

  @Test
  void theFocusStaysWhereItIsWhenThePageIsMadeAnew() {
    person.untilShown("Costs most with the mouse");
    person.until("what to learn", () -> numbered("1").isPresent());
    person.until(
        "the focus is on the page", () -> person.focusIs(n -> "by-TODAY_BEGIN".equals(n.getId())));
    person.keys("Tab");
    person.until("on the first line", () -> person.focusIs(n -> "by-1".equals(n.getId())));
    Node before = person.focus();
    // Marking changes what is to be learned, so every line is made again.
    person.keys("1");
    person.untilShown("Marked for drills: ");
    person.until("made again", () -> before.getScene() == null);
    person.until("where it was", () -> person.focusIs(n -> "by-1".equals(n.getId())));
  }

  @Test
  void withLargeLettersTheReviewIsScrolledAndNothingOfItIsCutOff() {
    person.untilShown("Costs most with the mouse");
    for (int i = 0; i < 5; i++) {
      person.keys("Ctrl+=");
    }
    person.untilShown("Text at 150 %.");
    person.keys("F8");
    person.untilShown("The week from 8 March to 14 March");
    Node shown = stage.getScene().getRoot().lookup(".wide-overlay");
    ScrollPane words = (ScrollPane) shown.lookup(".scroll-pane");
    Bounds place = shown.localToScene(shown.getLayoutBounds());
    assertThat(place.getMinY()).isGreaterThanOrEqualTo(0);
    assertThat(place.getMaxY()).isLessThanOrEqualTo(stage.getScene().getHeight());
    person.keys("PageDown");
    person.until("read on", () -> words.getVvalue() > 0);
    person.keys("PageUp");
    person.until("read back", () -> words.getVvalue() == 0);
  }

  private Optional<String> numbered(String digit) {
    return stage.getScene().getRoot().lookupAll(".today-line").stream()
        .filter(
            n ->
                n.lookupAll(".keycap").stream()
                    .anyMatch(c -> c instanceof Label l && l.getText().equals(digit)))
        .map(n -> n.getAccessibleText())
        .findFirst();
  }

  @ParameterizedTest
  @ValueSource(strings = {"Alt+T", "Alt+L", "Alt+R", "Alt+M", "Alt+S", "Alt+D"})
  void theMouseIsNotedInTwoKeystrokesFromAnywhere(String place) {
    person.keys(place);
    String first = session.lastByPointer().getFirst().value();
    int before = pointerUses(first);
    person.keys("Ctrl+M");
    person.keys("1");
    person.untilShown("Noted: “" + catalog().title(new ActionId(first)) + "” with the mouse");
    assertThat(pointerUses(first)).isEqualTo(before + 1);
    assertThat(person.focus() instanceof TextField field ? field.getText() : "")
        .doesNotContain("1");
    if (!place.equals("Alt+S")) {
      person.keys("Ctrl+Z");
      person.until("taken back", () -> pointerUses(first) == before);
      person.keys("Ctrl+Shift+Z");
      person.until("done again", () -> pointerUses(first) == before + 1);
    }
  }

  @Test
  void twoLettersNoteAnyActionAndItIsSeenToBecomeReplaced() {
    String action = "desktop.lock";
    Place lock = Place.read(new SetupId("laptop-cues"), new EnvironmentId("alder"), action);
    for (int day = 0; day < 5; day++) {
      clock.pass(Duration.ofDays(1));
      for (int i = 0; i < 4; i++) {
        clock.pass(Duration.ofSeconds(7));
        person.keys("Ctrl+M");
        person.until("the field", () -> person.focus() instanceof TextField);
        String letters = letters("Lock the screen");
        person.keys(letters.substring(0, 1));
        person.keys("Shift+" + letters.charAt(1));
        person.untilShown("Noted: “Lock the screen” by keys");
      }
    }
    assertThat(entry(lock).byUses()).isEqualTo(Habit.State.REPLACED);
    assertThat(entry(lock).turns()).hasSize(1);
    person.until(
        "stored",
        () ->
            stored().stream()
                    .filter(e -> e.deed().action().equals(Optional.of(new ActionId(action))))
                    .count()
                == 20);
    // Whatever has no letters that one knows is found by its words, after a space.
    person.keys("Ctrl+M");
    person.until("the field", () -> person.focus() instanceof TextField);
    person.type(" magnit");
    person.untilShown("Convert the magnitude");
    person.keys("Enter");
    person.untilShown("Noted: “Convert the magnitude” with the mouse");
  }

  private Standing.Entry entry(Place place) {
    return session.standing().entries().stream()
        .filter(e -> e.place().equals(place))
        .findFirst()
        .orElseThrow();
  }

  /** The letters that stand before a title in the tally. */
  private String letters(String title) {
    ListView<?> list = person.list("What the mouse was used for");
    for (Object row : list.getItems()) {
      if (row.toString().contains("title=" + title + ",")) {
        return row.toString().replaceAll(".*key=(\\w+)]$", "$1").toUpperCase(Locale.ROOT);
      }
    }
    // Not among the first: its first letter shows it.
    person.keys(title.substring(0, 1).toUpperCase(Locale.ROOT));
    String found =
        list.getItems().stream()
            .map(Object::toString)
            .filter(r -> r.contains("title=" + title + ","))
            .map(r -> r.replaceAll(".*key=(\\w+)]$", "$1"))
            .findFirst()
            .orElseThrow();
    person.keys("Backspace");
    return found.toUpperCase(Locale.ROOT);
  }

  @Test
  void whatRemainsIsRankedAndEachRowLeadsToItsNextStep() {
    person.keys("Alt+M");
    person.untilShown("the mouse costs about");
    ListView<?> list = person.list("What remains, by its cost");
    int everywhere = list.getItems().size();
    explained("Enter marks it");
    person.keys("Enter");
    person.untilShown("Marked for drills: ");
    person.keys("Ctrl+Z");
    person.untilShown("Taken back: Marked for drills");
    // One class only, chosen by its words.
    person.keys("F3");
    person.until("the field", () -> person.focus() instanceof TextField);
    person.type("to do: bind");
    person.keys("Enter");
    person.until("fewer", () -> list.getItems().size() < everywhere);
    person.untilShown("Enter wishes for one that is free");
    person.keys("Enter");
    person.untilShown("A gesture to wish for");
    // Keys are drawn, in the words of where they are pressed.
    assertThat(person.shown()).noneMatch(t -> t.contains("Shift+")).contains("Shift");
    // The demo has three wishes, of which this may be one, now on other keys.
    assertThat(session.workspace().get().mouse().wishes()).hasSize(3);
    person.keys("1");
    person.untilShown("Wished for: ");
    int wished = session.workspace().get().mouse().wishes().size();
    assertThat(wished).isBetween(3, 4);
    person.keys("F6");
    person.untilShown("since 2031-03-14");
    for (int left = wished - 1; left >= 0; left--) {
      int fewer = left;
      person.keys("Delete");
      person.until("it is gone", () -> session.workspace().get().mouse().wishes().size() == fewer);
    }
    person.untilShown("Nothing is wished for.");
    person.keys("Esc");
    // Kept with a reason it costs nothing any more, until that is taken back.
    person.keys("F2");
    person.until("the field", () -> person.focus() instanceof TextField);
    person.type("by eye");
    person.keys("Enter");
    person.untilShown("Kept for the mouse: by eye");
    assertThat(session.workspace().get().mouse().kept().values()).contains("by eye");
    person.keys("Ctrl+Z");
    person.until("taken back", () -> session.workspace().get().mouse().kept().size() == 1);
    // A walk is shown key by key.
    person.keys("F3");
    person.until("the field", () -> person.focus() instanceof TextField);
    person.type("to do: walk");
    person.keys("Enter");
    person.untilShown("Enter shows it key by key.");
    person.keys("Enter");
    person.untilShown("by keys: ");
    ListView<?> walk = person.list("The way by keys");
    assertThat(walk.getItems()).hasSizeGreaterThanOrEqualTo(2);
    assertThat(walk.getItems().getFirst().toString()).contains("F10", "the menu bar");
    person.keys("F5");
    person.untilShown("A gesture to wish for: ");
    person.keys("Esc");
    // What a conflict stops is followed to where it is stopped.
    person.keys("F3");
    person.until("the field", () -> person.focus() instanceof TextField);
    person.type("free the way");
    person.keys("Enter");
    person.untilShown("Enter shows where");
    person.keys("Enter");
    person.untilShown("Press it");
  }

  @Test
  void namesAreExplainedOnceManyAtATimeAndTheLogIsReadAnew() {
    long unknown = session.standing().unknown().stream().mapToLong(Standing.Unknown::count).sum();
    assertThat(unknown).isPositive();
    person.keys("Alt+M");
    person.keys("F4");
    person.untilShown("What are these?");
    person.keys("F4");
    person.keys("F4");
    person.untilShown("Decided: 2.");
    person.keys("F2");
    person.until("the field", () -> person.focus() instanceof TextField);
    person.type("duplicate the line");
    person.keys("1");
    person.untilShown("Decided: 3.");
    person.keys("Enter");
    person.untilShown("Explained 3 names. Ctrl+Z takes it back.");
    person.until("all known", () -> session.standing().unknown().isEmpty());
    assertThat(session.standing().recognisedShare()).isEqualTo(1);
    person.keys("Ctrl+Z");
    person.until(
        "as before",
        () ->
            session.standing().unknown().stream().mapToLong(Standing.Unknown::count).sum()
                == unknown);
  }

  @Test
  void weeksHaveTheirTrendsAndWhatWasSavedIsOneKeyAway() {
    person.keys("Alt+M");
    person.keys("F7");
    person.untilShown(" h a year by mouse, down from ");
    person.untilShown("1 came back");
    person.keys("F2");
    person.untilShown("Open actions");
    person.untilShown("All slips by the hour of the day");
    person.keys("F2");
    person.untilGone("All slips by the hour of the day");
    person.untilShown("with 95 % between");
    person.untilShown("drilled actions, uses by keys went from before");
    assertThat(person.list("Slips").getItems()).hasSizeGreaterThan(10);
    person.keys("Ctrl+S");
    person.untilShown("Saved so far: ");
    person.untilShown("The drills took");
    // The dearest of what was saved can be learned, so Enter marks it.
    person.keys("Enter");
    person.untilShown("arked for drills: ");
    person.keys("Ctrl+Z");
    person.untilShown("Taken back: ");
    person.keys("F3");
    person.until("the field", () -> person.focus() instanceof TextField);
    person.type("timeline on corvid");
    person.keys("Enter");
    person.untilShown("Shown: in Timeline on Corvid. ");
    Setup setup = session.workspace().get().setup().orElseThrow();
    person.keys("F3");
    person.until("the field", () -> person.focus() instanceof TextField);
    person.type(setup.title());
    person.keys("Enter");
    person.untilShown("Shown: " + setup.title() + ". ");
    List<?> slips = person.list("Slips").getItems();
    assertThat(slips).isNotEmpty();
    assertThat(slips).allMatch(s -> ((Slips.OfPlace) s).place().setup().equals(setup.id()));
  }

  @Test
  void aLogIsLookedIntoBroughtInAndTakenBack() throws Exception {
    Path log = Files.createTempFile("polydex", ".csv");
    String good =
        """
        time,application,device,input,target,path,machine
        2031-03-14T15:58:00Z,Cue editor,trackpad,Click,Save,File,Laptop
        2031-03-14T15:58:01Z,Cue editor,keyboard,"typed 5",,,Laptop
        """;
    Files.writeString(log, good + "2031-03-14T15:58:02Z,Cue ed", StandardCharsets.UTF_8);
    int before = stored().size();
    int saves = pointerUses("file.save");
    person.keys("Alt+M");
    person.keys("Ctrl+O");
    person.until("the field", () -> person.focus() instanceof TextField);
    person.type(log.toString());
    person.keys("Enter");
    person.untilShown("1 lines can't be used.");
    person.untilShown("The line has 2 fields, the header 7.");
    person.keys("Ctrl+Enter");
    person.untilShown("so nothing was taken");
    assertThat(stored()).hasSize(before);
    person.keys("Ctrl+G");
    person.untilShown("Brought in: 2 events.");
    person.until("counted", () -> pointerUses("file.save") == saves + 1);
    person.keys("Ctrl+Z");
    person.until("taken back", () -> pointerUses("file.save") == saves);
    assertThat(stored()).hasSize(before);
    person.keys("Ctrl+Shift+Z");
    person.until("again", () -> stored().size() == before + 2);
    Files.delete(log);
  }

  @Test
  void aRecordingIsShownEverywherePausedWithOneKeyAndTakenBackAsOne() {
    int before = stored().size();
    person.keys("Alt+M");
    person.keys("F9");
    person.untilShown("Record what hands do");
    person.keys("4");
    person.untilShown("Play a simulated day");
    person.keys("4");
    person.untilShown("● Recording a simulated day");
    person.until("events", () -> person.list("What was recorded last").getItems().size() > 5);
    person.keys("Alt+L");
    person.untilShown("● Recording a simulated day");
    person.keys("F12");
    person.untilShown("Recording paused. F12 goes on");
    long paused = session.standing().events();
    Driver.settle();
    assertThat(session.standing().events()).isEqualTo(paused);
    person.keys("F12");
    person.until("more", () -> session.standing().events() > paused);
    // One key pauses, whatever lies over the place.
    person.keys("Ctrl+M");
    person.untilShown("I used the mouse for");
    person.keys("F12");
    person.untilShown("Recording paused. F12 goes on");
    person.keys("F12");
    person.untilShown("● Recording a simulated day");
    person.keys("Esc");
    person.keys("Alt+M");
    person.keys("F9");
    person.untilShown("Record a simulated day, ");
    person.until("stored", () -> stored().size() > before + 5);
    assertThat(stored()).allMatch(e -> !e.deed().input().contains("\""));
    person.keys("Ctrl+Z");
    person.until("taken back", () -> stored().size() == before);
    person.until("counted", () -> session.standing().events() == before);
  }

  private Change.Edit renamed() {
    Workspace now = session.workspace().get();
    Action copy = now.catalog().action(new ActionId("edit.copy")).orElseThrow();
    Catalog other = now.catalog().with(List.of(copy.titled("Copy it")), List.of(), Map.of());
    return new Change.Edit("Rename", now, now.with(other));
  }

  @Test
  void aLineAtRestIsChosenByKeysAndWhatItLedToIsInTheReview() {
    person.keys("Alt+M");
    person.keys("F9");
    person.untilShown("A line when your hands rest: off");
    person.keys("7");
    person.untilShown("After a minute without a hand on anything");
    // Keys that answer it must be free on this computer, and the check says what has them.
    person.keys("4");
    person.until("free ones", () -> person.focus() instanceof TextField);
    person.type("Ctrl+S");
    person.keys("Enter");
    person.untilShown("Ctrl+S is in use");
    person.keys("F9");
    person.untilShown("A line when your hands rest: off");
    person.keys("7");
    person.untilShown("After a minute without a hand on anything");
    person.keys("3");
    person.untilShown("A line when your hands rest: as a notice of the desktop");
    person.keys("Esc");
    Place often =
        session.standing().entries().stream()
            .max(Comparator.comparingInt(Standing.Entry::byKeys))
            .orElseThrow()
            .place();
    Reminder told = new Reminder(session.now().minus(Duration.ofDays(20)), often, true);
    Reminder untold = new Reminder(session.now().minus(Duration.ofDays(19)), often, false);
    Platform.runLater(() -> session.add(told));
    Platform.runLater(() -> session.add(untold));
    Driver.settle();
    assertThat(Stored.in(session, Store::reminders)).containsExactly(told, untold);
    // Read again, as at the next start, the uses that followed count.
    Platform.runLater(() -> session.apply(renamed()));
    person.until(
        "followed",
        () -> session.standing().followUps().stream().mapToInt(FollowUp::uses).sum() > 0);
    person.keys("F8");
    person.untilShown("What was said when your hands rested");
    person.untilShown("Said 1 time: ");
    person.untilShown("Left unsaid by lot 1 time: ");
  }
}
