package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import polydex.files.fit.ShellLink;
import polydex.fit.OwnBinding;
import polydex.fit.OwnBinding.State;
import polydex.keys.Gesture;

/** Own bindings and remaps, by keys alone. */
@ExtendWith(ApplicationExtension.class)
class FitWindowTest extends InWindow {
  @TempDir private Path folder;

  @Start
  void start(Stage shown) throws Exception {
    open(shown);
  }

  @Override
  char first() {
    return 'F';
  }

  private List<OwnBinding> own() {
    return session.workspace().get().bench().own(session.today());
  }

  private Optional<OwnBinding> own(String action, String computer) {
    return own().stream()
        .filter(o -> o.action().value().equals(action) && o.computer().title().equals(computer))
        .findFirst();
  }

  /** Goes down the list until the line below it says something. */
  private void downTo(String words) {
    while (person.shown().stream().noneMatch(t -> t.contains(words))) {
      person.keys("Down");
    }
  }

  @Test
  void aBindingIsVerifiedAndAskedAboutAgainWhenItsWayHasChanged() {
    person.untilShown("1 to be pressed again");
    downTo("has changed since");
    person.keys("Enter");
    person.untilShown("Yes, it did it");
    person.keys("1");
    person.untilShown("0 to be pressed again");
    assertThat(own("own.timer", "Laptop").orElseThrow().state()).isEqualTo(State.VERIFIED);
    person.keys("Ctrl+Z");
    person.untilShown("1 to be pressed again");
  }

  @Test
  void aChangeSheetIsTakenUpWhereItWasLeft() {
    person.untilShown("2 planned");
    person.keys("F6");
    person.untilShown("The change sheet of which computer?");
    person.keys("1");
    person.untilShown("2 of 4 steps done");
    // The first step that is not done is chosen; with the last the binding is on the computer.
    person.keys("Space");
    person.untilShown("3 of 4 steps done");
    person.keys("Space");
    person.untilShown("0 of 0 steps done");
    assertThat(own("own.preview", "Laptop").orElseThrow().state()).isEqualTo(State.APPLIED);
    assertThat(session.workspace().get().setup().orElseThrow().machine().own())
        .anyMatch(b -> b.gesture().equals(Gesture.parse("Ctrl+Alt+O")));
    person.keys("Esc");
    person.untilShown("1 planned");
    // The last tick and what it brought about are one change.
    person.keys("Ctrl+Z");
    person.untilShown("2 planned");
    person.keys("F6");
    person.untilShown("Laptop: 3 of 4 steps done");
  }

  @Test
  void aBindingIsPlannedOnKeysThatAreFree() {
    person.untilShown("2 planned");
    person.keys("F5");
    person.untilShown("Plan a binding: what should it do?");
    person.type("dome log");
    person.untilShown("Start the dome log");
    person.keys("Enter");
    person.untilShown("On which computer?");
    person.keys("1");
    person.untilShown("What does it start?");
    person.keys("1");
    // What can be started here is offered, and something else can be typed.
    person.untilShown("Dome Notes");
    person.type("Dome log");
    person.untilGone("Dome Notes");
    person.keys("Enter");
    person.untilShown("The best that are free wherever Laptop stands.");
    // A gesture of one's own is judged: what stands against it is said.
    person.keys("F2");
    person.type("Ctrl+Alt+N");
    person.keys("Enter");
    person.untilShown("What Ctrl+Alt+N would bring about.");
    person.untilShown("Laptop: cue editor: \u201cOpen the cue folder\u201d, by Alder.");
    person.keys("F2");
    person.keys("Esc");
    person.untilGone("What Ctrl+Alt+N would bring about.");
    assertThat(own("own.dome-log", "Laptop")).isEmpty();
    person.keys("F7");
    person.untilShown("Fit: free keys");
    person.until("free keys are listed", () -> person.shown().contains("The easiest"));
    person.keys("F7");
    person.untilShown("Fit: bindings of your own");
  }

  @Test
  void wishesArePlannedAsAWhole() {
    person.untilShown("3 wished for");
    person.keys("F3");
    person.untilShown("no other way has fewer");
    person.keys("F5");
    person.untilShown("5 planned");
    person.untilShown("None wished for");
    person.keys("Ctrl+Z");
    person.untilShown("3 wished for");
  }

  @Test
  void remapsStandSideBySideAndOneIsMade() {
    person.keys("F8");
    person.untilShown("Ctrl under the thumb");
    person.until(
        "both were tried", () -> person.shown().stream().noneMatch(t -> t.startsWith("trying it")));
    person.keys("Enter");
    person.untilShown("Esc closes.");
    person.keys("Esc");
    person.keys("Space");
    person.untilShown("Its steps are on the change sheet (F6).");
    person.keys("F5");
    person.untilShown("On which computer?");
    person.keys("2");
    person.untilShown("A remap for Studio computer");
    person.keys("1");
    person.untilShown("Who remaps?");
    person.keys("1");
    person.until(
        "there is a third draft", () -> session.workspace().get().fitting().drafts().size() == 3);
    person.keys("Ctrl+Z");
    person.until(
        "it is gone again", () -> session.workspace().get().fitting().drafts().size() == 2);
  }

  @Test
  void aListOfOwnBindingsIsReadBesideThePlan() throws Exception {
    Path file =
        Files.writeString(
            folder.resolve("own.csv"),
            "Action,Keys\nOpen the dome preview,Ctrl+Alt+O\nBoil the tea,Ctrl+Alt+9\nOdd,what is this\n");
    person.untilShown("2 planned");
    person.keys("Ctrl+O");
    person.untilShown("On which computer?");
    person.keys("1");
    person.untilShown("Launcher files of Laptop");
    person.type(file.toString());
    person.keys("Enter");
    person.untilShown("2 bindings read; 1 lines refused.");
    person.untilShown("Boil the tea");
    person.untilShown("not in the plan");
    person.keys("F5");
    person.untilShown("Took over 1 bindings found on Laptop");
  }

  @Test
  void whatAComputerHasIsReadBesideThePlan() throws Exception {
    Files.write(
        folder.resolve("Open the dome preview.lnk"),
        new ShellLink("", "D:\\preview", "", "", Optional.of(Gesture.parse("Ctrl+Alt+O"))).write());
    Files.writeString(folder.resolve("broken.lnk"), "nothing");
    person.untilShown("2 planned");
    person.keys("Ctrl+O");
    person.untilShown("On which computer?");
    person.keys("1");
    person.untilShown("Launcher files of Laptop");
    person.type(folder.toString());
    person.keys("Enter");
    person.untilShown("1 launchers read, 1 with keys; 1 refused");
    person.untilShown("as planned");
    person.keys("F5");
    person.untilShown("Took over 1 bindings found on Laptop");
    assertThat(own("own.preview", "Laptop").orElseThrow().state()).isEqualTo(State.APPLIED);
  }
}
