package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import polydex.conflict.ConflictHistory;
import polydex.desktop.controls.KeyboardView;
import polydex.desktop.state.Stored;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.setups.OutlineLine;

/** Setups made, changed, compared and looked at, by keys alone. */
@ExtendWith(ApplicationExtension.class)
class SetupsWindowTest extends InWindow {
  @Start
  void start(Stage shown) throws Exception {
    open(shown);
  }

  private List<SetupId> ids() {
    return List.copyOf(session.workspace().get().setups().keySet());
  }

  private Setup setup(SetupId id) {
    return session.workspace().get().setups().get(id);
  }

  private void setups() {
    person.keys("Ctrl+U");
    person.untilShown("From the board under your fingers");
  }

  @Test
  void aSetupIsMadeLineByLineWithItsMistakesToldAndAllOfItUndone() {
    List<SetupId> before = ids();
    setups();
    person.keys("Ctrl+N");
    person.untilShown("Setup “New setup”");
    SetupId made = ids().getLast();
    person.keys("Enter");
    person.until("a field", () -> person.focusIs(TextField.class::isInstance));
    person.keys("Ctrl+A");
    person.type("Spare desk");
    person.keys("Enter");
    person.untilShown("Setup “Spare desk”");
    // A window is put into focus, which asks for the machine that it holds.
    person.type("in focus");
    person.keys("Enter");
    person.untilShown("the desktop itself");
    person.type("remote");
    person.keys("1");
    person.untilShown("holding Domehand");
    person.type("domehand");
    person.keys("1");
    person.until("two machines", () -> setup(made).machines().size() == 2);
    person.untilShown("Captures strokes");
    // What can't be is refused where it is typed, and what is idle is told at its line.
    person.keys("Home");
    person.type("remaps");
    person.keys("Ctrl+N");
    person.untilShown("What becomes what");
    person.type("CapsLock to Ctrl");
    person.keys("Enter");
    person.untilShown("A rule says what becomes what");
    person.keys("Ctrl+A");
    person.type("CapsLock -> CapsLock");
    person.keys("Enter");
    person.untilShown("One line has a mistake.");
    person.untilShown("It makes the key into itself.");
    person.keys("Ctrl+Z");
    person.until("no remap", () -> setup(made).machine().remaps().isEmpty());
    person.keys("Esc");
    person.untilShown("Spare desk");
    assertThat(setup(made).machine().focus())
        .isInstanceOfSatisfying(
            Machine.SessionWindow.class,
            s -> assertThat(s.inner().platform()).hasToString("domehand"));
    // Earlier in the list, copied, removed: each can be undone, and the file has it all.
    person.keys("Alt+Up");
    person.until("earlier", () -> ids().indexOf(made) == before.size() - 1);
    person.keys("Ctrl+D");
    person.until("a copy", () -> ids().size() == before.size() + 2);
    person.keys("Delete");
    person.until("one less", () -> ids().size() == before.size() + 1);
    person.until(
        "kept in the file in this order",
        () -> List.copyOf(Stored.in(session, s -> s.workspace()).setups().keySet()).equals(ids()));
    for (int i = 0; i < 12 && !ids().equals(before); i++) {
      person.keys("Ctrl+Z");
    }
    assertThat(ids()).isEqualTo(before);
  }

  @Test
  void twoSetupsAreComparedAndAGestureIsFollowedInBoth() {
    setups();
    person.keys("Down");
    person.keys("Down");
    person.keys("F3");
    person.untilShown("bindings that both have work in only one of them");
    person.untilShown("In focus");
    person.keys("Esc");
    person.keys("Esc");
    person.keys("Alt+R");
    person.untilShown("conflicts in this setup");
    person.keys("F3");
    person.untilShown("Which setup beside this one");
    person.type("remote");
    person.keys("1");
    person.untilShown("Laptop: cue editor");
    person.untilShown("Laptop: dome timeline, remote");
    person.untilShown("application on Laptop");
    person.untilShown("application on Dome console");
    person.keys("F3");
    person.untilGone("application on Dome console");
  }

  @Test
  void thePictureOfASetupIsWalkedAndOpensItsLines() {
    setups();
    person.keys("Down");
    person.keys("Down");
    person.keys("F2");
    person.untilShown("Setup “Laptop: dome timeline, remote”");
    ListView<OutlineLine<?>> lines = person.list("Parts of the setup");
    person.keys("Shift+Tab");
    person.until("the picture", () -> !person.focusIs(lines::equals));
    person.keys("End");
    person.until(
        "what has the focus within",
        () -> lines.getSelectionModel().getSelectedItem().value().equals("Dome timeline"));
    person.keys("Left");
    person.until(
        "its machine",
        () -> lines.getSelectionModel().getSelectedItem().value().equals("Dome console"));
    person.keys("Down");
    person.until("its lines", () -> person.focusIs(lines::equals));
    person.keys("Home");
    Node board = lines.getScene().getRoot().lookup(".picture-board");
    person.until(
        "the board marked",
        () ->
            board.getPseudoClassStates().stream()
                .anyMatch(p -> p.getPseudoClassName().equals("chosen")));
  }

  @Test
  void waysToAnActionAreFoundAndFollowedAndWhatFailsSaysWhy() {
    person.keys("Alt+R");
    person.untilShown("conflicts in this setup");
    person.keys("Ctrl+R");
    person.untilShown("Ways to do what?");
    person.type("duplicate the line");
    person.keys("1");
    person.untilShown("Nothing does it in this setup. One that should does not.");
    person.untilShown("Type the show stamp");
    person.keys("Esc");
    person.keys("Ctrl+R");
    person.untilShown("Ways to do what?");
    person.type("save");
    person.keys("1");
    person.untilShown("as its keymap says");
    person.keys("Enter");
    person.untilGone("as its keymap says");
    person.untilShown("Cue editor: “Save”");
  }

  @Test
  void anOpenMenuIsAStateOfItsOwn() {
    setups();
    person.keys("Down");
    person.keys("Down");
    person.keys("Enter");
    person.untilShown("Dome timeline");
    person.keys("Alt+R");
    person.untilShown("conflicts in this setup");
    person.keys("F6");
    person.untilShown("Where you are");
    person.type("menu");
    person.untilShown("is open");
    person.keys("1");
    person.untilShown("With the menu");
    // In the open menu a plain letter is an access key; elsewhere it is typed.
    person.keys("Ctrl+G");
    person.keys("Ctrl+A");
    person.type("S");
    person.keys("Enter");
    person.untilShown("With the menu “File” open: Dome timeline: “Save”");
    // Another context, and no menu is open any more.
    person.keys("F6");
    person.untilShown("Where you are");
    person.keys("1");
    person.untilGone("With the menu");
    person.untilGone("Dome timeline: “Save”");
  }

  @Test
  void aKeyOfTheDrawnKeyboardIsFollowedThroughTheSetup() {
    person.keys("Ctrl+B");
    person.untilShown("All together: ");
    person.until("the keys", () -> person.focusIs(KeyboardView.class::isInstance));
    person.keys("S");
    person.keys("Ctrl+R");
    person.untilShown("It types “s”.");
  }

  @Test
  void conflictsAreNarrowedByLayerAndEnvironmentAndTheirDaysAreTold() {
    person.keys("Alt+R");
    person.untilShown("conflicts in this setup");
    person.keys("Ctrl+E");
    person.untilShown("Which conflicts");
    person.type("at alder");
    person.untilShown("Conflicts in this setup, at Alder (Laptop)");
    person.keys("1");
    person.untilShown("conflicts in this setup, at Alder (Laptop)");
    person.keys("Ctrl+E");
    person.type("of cue");
    person.keys("1");
    person.untilShown("at Alder (Laptop), of Cue editor on Alder");
    // The demo's past has own bindings come two weeks ago; going without them, their days end.
    int before = session.conflicts().events().size();
    person.keys("F5");
    person.untilShown("What came and what went");
    person.untilShown("28 Feb 2031");
    person.keys("Esc");
    setups();
    person.keys("F2");
    person.untilShown("Setup “Laptop: cue editor”");
    person.type("own type");
    person.untilShown("Own bindings");
    person.keys("Delete");
    person.until(
        "one own binding less",
        () -> setup(new SetupId("laptop-cues")).machine().own().size() == 3);
    person.until("its conflict has gone today", () -> session.conflicts().events().size() > before);
    int gone = session.conflicts().events().size();
    person.keys("Ctrl+Z");
    person.until("as if nothing had been", () -> session.conflicts().events().size() == before);
    assertThat(gone).isGreaterThan(before);
    person.until("kept", () -> Stored.in(session, s -> s.conflicts()).events().size() == before);
  }

  @Test
  void aGestureFoundInLookUpIsFollowedThroughTheSetup() {
    person.keys("Ctrl+F");
    person.type("duplicate the line");
    person.keys("Down");
    person.until("found", () -> person.shown().contains("1 action"));
    person.keys("Alt+W");
    person.keys("Ctrl+R");
    person.untilShown("Type a gesture");
    person.untilShown("Alder: “Type the show stamp”, one of your own bindings");
  }

  @Test
  void anEventOfAnotherSetupPutsThatOneInUseAndShowsItsWay() {
    person.keys("Alt+R");
    person.untilShown("conflicts in this setup");
    person.keys("F5");
    person.untilShown("Laptop: cue editor: ");
    int here = person.list("Days of conflicts").getItems().size();
    person.keys("F5");
    person.untilShown("All setups: ");
    ListView<ConflictHistory.Event> list = person.list("Days of conflicts");
    assertThat(list.getItems()).hasSizeGreaterThan(here);
    // The demo's translation of keys came four weeks ago and ended conflicts of the remote window.
    assertThat(list.getItems()).anyMatch(e -> !e.came());
    assertThat(list.getItems())
        .isSortedAccordingTo(Comparator.comparing(ConflictHistory.Event::day).reversed());
    person.keys("End");
    person.until(
        "the oldest",
        () -> list.getSelectionModel().getSelectedIndex() == list.getItems().size() - 1);
    ConflictHistory.Event oldest = list.getSelectionModel().getSelectedItem();
    person.keys("Enter");
    person.untilGone("All setups: ");
    person.until(
        "its setup in use",
        () -> session.workspace().get().current().equals(Optional.of(oldest.sighting().setup())));
    person.until(
        "its gesture",
        () -> person.caps("layer-stack").size() >= oldest.sighting().gesture().presses());
  }

  /** A machine is put into a window, and taken out of it again, with the setup named at length. */
  @Test
  void aMachineIsPutIntoAWindowAndTakenOutAgainUnderALongName() {
    setups();
    person.keys("F2");
    person.untilShown("Setup “Laptop: cue editor”");
    Setup before = setup(new SetupId("laptop-cues"));
    person.keys("Enter");
    person.until("a field", () -> person.focusIs(TextField.class::isInstance));
    person.keys("End");
    String more = ", on the way to the observatory with the borrowed charger and no mouse at all";
    person.type(more);
    person.keys("Enter");
    person.untilShown(more + "”");
    person.type("machine");
    person.keys("Ctrl+N");
    person.untilShown("Put it into a window of");
    person.keys("1");
    person.until("held by another", () -> setup(new SetupId("laptop-cues")).machines().size() == 2);
    assertThat(setup(new SetupId("laptop-cues")).innermost()).isEqualTo(before.machine());
    person.keys("Delete");
    person.until(
        "alone again", () -> setup(new SetupId("laptop-cues")).machine().equals(before.machine()));
    person.keys("Esc");
    person.keys("Esc");
    person.untilGone("From the board under your fingers");
  }
}
