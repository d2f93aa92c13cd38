package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.UnaryOperator;
import javafx.application.Platform;
import javafx.scene.control.TextField;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;
import polydex.desktop.state.Session;
import polydex.files.demo.DemoFile;
import polydex.files.demo.DemoHistory;
import polydex.files.store.DailyCopies;
import polydex.route.Setup;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** A file with nothing in it shows how to begin. */
@ExtendWith(ApplicationExtension.class)
class NewFileWindowTest {
  private final AtomicInteger demos = new AtomicInteger();
  private Shell shell;
  private Stage stage;

  @Start
  void start(Stage shown) throws Exception {
    Look.loadFonts();
    Path file = Files.createTempDirectory("polydex-test").resolve("new.polydex");
    Session session =
        new Session(
            DemoFile.openOrStart(file, DemoHistory.NOW), new Driver.TestClock(DemoHistory.NOW));
    shell =
        new Shell(session, Opening.ownKeys(), new Random(1), demos::incrementAndGet, shown::close);
    stage = shown;
    shown.setScene(shell.scene(1024, 700));
    shown.show();
  }

  @AfterEach
  void leave() {
    Platform.runLater(shell::end);
    Driver.settle();
  }

  @Test
  void eachWayToBeginIsOneKeyAndTheFirstUseEndsTheBeginning(FxRobot robot) {
    Driver person = new Driver(robot, stage);
    person.until("the window has the focus", stage::isFocused);
    person.untilShown("These steps lead in");
    person.keys("5");
    person.untilShown("From the board under your fingers");
    person.keys("Esc");
    person.keys("7");
    person.until("the demo was asked for", () -> demos.get() == 1);
    person.keys("2");
    person.untilShown("Bring in a list of bindings");
    person.keys("Alt+T");
    person.keys("6");
    person.untilShown("Nothing was done with the mouse here");
    person.keys("F7");
    person.untilShown("Nothing is logged yet. Ctrl+M notes");
    assertThat(person.shown()).noneMatch(t -> t.contains("was recognised"));
    person.keys("F7");
    person.keys("Alt+T");
    person.untilShown("These steps lead in");
    person.keys("Ctrl+M");
    person.until("the field", () -> person.focus() instanceof TextField);
    person.keys("Down");
    person.keys("Enter");
    person.untilShown("Noted: ");
    person.untilShown("Costs most with the mouse");
    assertThat(person.shown()).noneMatch(t -> t.contains("These steps lead in"));
  }

  /** The way in, on the computer that ships: four keys from a new file to its conflicts. */
  @Test
  void theWayInLeadsFromAnEmptyFileToTheFirstConflictsAndTheFirstDrill(FxRobot robot) {
    Driver person = new Driver(robot, stage);
    person.until("the window has the focus", stage::isFocused);
    person.untilShown("Needs the two steps above.");
    person.keys("1");
    person.untilShown("This computer: ");
    person.keys("F7");
    person.untilShown("A made-up computer: borrowed laptop");
    person.untilShown("77 bindings are new.");
    // What only the person knows is asked in one list.
    person.keys("F3");
    person.untilShown("The same, or not?");
    assertThat(person.shown()).doesNotContain("is the same as");
    person.keys("Space");
    person.untilShown("is the same as");
    person.keys("Space");
    person.until("it is apart again", () -> !person.shown().contains("is the same as"));
    person.keys("Esc");
    person.untilShown("77 bindings are new.");
    person.keys("Ctrl+Enter");
    person.untilShown("Rowan 2 is known, with 26 bindings");
    person.untilShown("Dome Notes, Line keys, Seat Planner");
    person.untilShown("The worst: You want");
    // Each step gave something, and it is one change.
    person.keys("Ctrl+Z");
    person.untilShown("Needs the two steps above.");
    person.keys("Ctrl+Shift+Z");
    person.untilShown("The worst: You want");
    person.keys("3");
    person.untilShown("conflicts in this setup");
    assertThat(shell.session().workspace().get().setup().orElseThrow().title())
        .isEqualTo("To try Seat Planner");
    person.keys("Alt+T");
    // A second reading finds nothing new, and says so.
    person.keys("1");
    person.untilShown("This computer: ");
    person.keys("F7");
    person.untilShown("Nothing is new.");
    // What is unticked is left, and what is ticked is taken.
    person.keys("Down");
    person.keys("Down");
    person.keys("Space");
    person.untilShown("Keys of another desktop, Sorrel");
    person.keys("Esc");
    person.keys("4");
    person.untilShown("1 of 15, new");
    person.holdEscUntil(
        "the drill was left",
        () -> person.shown().stream().noneMatch(t -> t.contains("1 of 15, new")));
    person.keys("Alt+T");
    person.keys("F9");
    person.until(
        "the way in was left",
        () -> person.shown().stream().noneMatch(t -> t.contains("These steps lead in")));
  }

  /** From an empty file to the conflicts of a desktop with a program, by keys alone. */
  @Test
  void theDesktopOfThisComputerAndAProgramAreBroughtIn(FxRobot robot, @TempDir Path folder)
      throws Exception {
    Path desktop =
        Files.writeString(
            folder.resolve("net.oak.wm.gschema.xml"),
            """
            <schemalist><schema id="net.oak.wm">
            <key name="a" type="as"><default>['&lt;Super&gt;Tab']</default><summary>Switch windows</summary></key>
            <key name="b" type="as"><default>['&lt;Super&gt;h']</default><summary>Minimize window</summary></key>
            <key name="c" type="as"><default>['&lt;Super&gt;l']</default><summary>Lock the screen</summary></key>
            </schema></schemalist>
            """);
    Path program =
        Files.writeString(
            folder.resolve("cue-room.csv"),
            "Action,Shortcut\nExit,Ctrl+Q\nHide the ruler,Meta+H\nNext cue,F8\n");
    Driver person = new Driver(robot, stage);
    person.until("the window has the focus", stage::isFocused);
    person.untilShown("These steps lead in");
    person.keys("2");
    person.untilShown("Bring in a list of bindings");
    person.type(desktop.toString());
    person.keys("Enter");
    person.untilShown("3 bindings to take");
    person.untilShown(
        "About the desktop, “This computer's desktop”. 3 of 3 actions are of windows");
    person.keys("Ctrl+Enter");
    person.untilShown("Ctrl+Z takes it back");
    // Bringing in is what was there last, and is there again.
    person.keys("Alt+S");
    person.keys("Ctrl+A");
    person.type(program.toString());
    person.keys("Enter");
    person.untilShown("About the application “Cue room”");
    person.untilShown("Cue room. It is “Quit”; Enter says no.");
    // It can be about the user's own bindings, too, and about the desktop, and again a program.
    person.keys("F7");
    person.untilShown("Your own bindings on this computer. As you said.");
    person.keys("F7");
    person.untilShown("About the desktop, “This computer's desktop”. As you said.");
    person.keys("F7");
    person.untilShown("About the application “Cue room”. As you said.");
    person.keys("Ctrl+Enter");
    person.untilShown("Brought in 3 bindings");
    person.keys("Ctrl+U");
    person.untilShown("To try Cue room");
    person.keys("Down");
    person.keys("Enter");
    person.keys("Alt+R");
    person.untilShown("1 conflict in this setup");
    person.untilShown(
        "You want “Hide the ruler” in Cue room, but This computer's desktop takes it");
  }

  /** The copy of today is there, and everything can be had in one archive. */
  @Test
  void copiesAreShownAndTakenAndEverythingGoesOut(FxRobot robot) {
    Driver person = new Driver(robot, stage);
    person.until("the window has the focus", stage::isFocused);
    List<DailyCopies.Copy> taken = new ArrayList<>();
    shell.onTakeBack(taken::add);
    person.keys("Alt+S");
    person.keys("F6");
    person.untilShown("Copies of new.polydex");
    person.untilShown("Friday, 14 March 2031");
    person.keys("1");
    person.until("it was chosen", () -> taken.size() == 1);
    assertThat(DailyCopies.isSound(taken.getFirst())).isTrue();
    person.keys("F8");
    person.until("the field", () -> person.focus() instanceof TextField);
    person.untilShown("Write everything out");
    person.keys("Enter");
    Path zip = shell.session().file().get().resolveSibling("new-2031-03-14.zip");
    person.until("the archive is there", () -> Files.exists(zip));
    person.untilShown("Everything is in");
    person.keys("F8");
    person.keys("Enter");
    person.untilShown("already. Choose another name.");
  }

  /** Where keys can't be followed it says why and what to do, and does not look for ever. */
  @Test
  void withoutASetupThatCanBeFollowedItSaysSo(FxRobot robot) {
    Driver person = new Driver(robot, stage);
    person.until("the window has the focus", stage::isFocused);
    person.keys("Ctrl+M");
    person.until("the field", () -> person.focus() instanceof TextField);
    person.keys("Down");
    person.keys("Enter");
    person.untilShown("Costs most with the mouse");
    change(before -> before.with(Map.of()).using(Optional.empty()));
    for (String place : List.of("Alt+D", "Alt+T")) {
      person.keys(place);
      person.untilShown("There is no setup yet. Ctrl+U makes one.");
    }
    person.untilShown("No setup yet");
    assertThat(person.shown()).noneMatch(t -> t.startsWith("No conflict in this setup"));
    person.keys("Enter");
    person.until(
        "it is said again, where what was done is said",
        () -> shell.session().status().get().isProblem());
    person.keys("Ctrl+Z");
    person.keys("Alt+T");
    person.untilGone("There is no setup yet");
    change(
        before -> {
          Setup setup = before.setup().orElseThrow();
          Setup boardless = new Setup(setup.id(), setup.title(), "none", setup.machine());
          return before.with(boardless);
        });
    person.untilShown("There is no board “none”. Ctrl+U mends it.");
  }

  private void change(UnaryOperator<Workspace> how) {
    WaitForAsyncUtils.waitForAsyncFx(
        9000,
        () -> {
          Workspace before = shell.session().workspace().get();
          shell.session().apply(new Change.Edit("Changed", before, how.apply(before)));
        });
  }
}
