package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Region;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import polydex.catalog.Action;
import polydex.desktop.state.Stored;
import polydex.keys.Gesture;

/** The demo in a real window, by keys alone. */
@ExtendWith(ApplicationExtension.class)
class WindowTest extends InWindow {
  @Start
  void start(Stage shown) throws Exception {
    open(shown);
  }

  @Test
  void wordsFindActionsWithTheirGesturesEverywhere() {
    person.keys("Ctrl+F");
    person.type("dupl line");
    person.until("one result", () -> person.<Action>list("Actions found").getItems().size() == 1);
    person.untilShown("Cue editor for Corvid");
    assertThat(person.caps("environment-line")).containsExactly("Ctrl", "Shift", "D");
    assertThat(person.shown()).contains("Wing", "taken by Alder in this setup");
    person.keys("Enter");
    assertThat(person.focusIs(n -> n == person.list("Actions found"))).isTrue();
    person.keys("Ctrl+F");
    person.keys("Esc");
    person.until(
        "all again",
        () -> person.<Action>list("Actions found").getItems().size() == catalog().actions().size());
  }

  @Test
  void pressedKeysAreLookedUpInEveryLayerAndElsewhere() {
    person.keys("Ctrl+L");
    person.untilShown("Press any keys.");
    person.keys("Ctrl+Shift+D");
    person.untilShown("Alder: “Type the show stamp”, one of your own bindings");
    person.untilShown("layers never see it");
    person.untilShown("layers let it pass");
    assertThat(person.shown()).contains("Who else has it", "Duplicate the line");
    // Tab and Esc belong to what is looked up, too.
    person.keys("Alt+Tab");
    person.untilShown("Alder: “Switch to the next window”");
    person.keys("Esc");
    person.untilShown("Nothing happens.");
    person.keys("Ctrl+K");
    person.keys("Ctrl+O");
    person.untilShown("Cue editor: “Show the scenes”");
    person.holdEscUntil("words again", () -> !person.shown().contains("Who else has it"));
  }

  @Test
  void aGestureIsFollowedAndConflictsAreListed() {
    person.keys("Alt+R");
    person.untilShown("conflicts in this setup");
    person.keys("Ctrl+G");
    person.keys("Ctrl+A");
    person.type("Ctrl+Alt+Down");
    person.keys("Enter");
    person.untilShown("Alder: “Go to the next workspace”");
    person.keys("Ctrl+A");
    person.type("Ctrl+Foo");
    person.keys("Enter");
    person.untilShown("Column 6");
    person.keys("Ctrl+K");
    assertThat(person.list("Conflicts of this setup").getItems()).hasSizeGreaterThan(2);
    TextField typed = (TextField) stage.getScene().getRoot().lookup(".gesture-field");
    String worst = typed.getText();
    assertThat(worst).isNotEqualTo("Ctrl+Foo");
    person.keys("Down");
    person.until("the next one is followed", () -> !typed.getText().equals(worst));
    assertThat(Gesture.parse(typed.getText())).isNotEqualTo(Gesture.parse(worst));
    person.keys("Ctrl+L");
    person.keys("Ctrl+S");
    person.untilShown("Cue editor: “Save”");
    person.holdEscUntil(
        "keys are commands again", () -> !person.shown().contains("Every key counts now."));
  }

  @Test
  void aConflictIsLivedWithOrFixedAndBothAreUndone() {
    person.keys("Alt+R");
    person.untilShown("conflicts in this setup");
    String before = headOfConflicts();
    person.keys("Ctrl+K");
    person.keys("F2");
    person.untilShown("It is out of the list");
    person.type("rare");
    person.keys("Enter");
    person.untilShown("1 lived with");
    person.keys("Ctrl+Z");
    person.until("it is back", () -> headOfConflicts().equals(before));
    person.keys("Ctrl+K");
    person.keys("Home");
    person.keys("Enter");
    person.untilShown("makes none");
    person.keys("Enter");
    person.until(
        "it is gone",
        () -> headOfConflicts().contains("conflicts in") && !headOfConflicts().equals(before));
    person.keys("Ctrl+Z");
    person.until("it is back", () -> headOfConflicts().equals(before));
    person.keys("Ctrl+E");
    person.type("habits");
    person.keys("Enter");
    person.untilShown("between environments: habits, the worst first");
  }

  @Test
  void aPlanIsMadeAtOnesOwnCostsAndUndoneAsOne() {
    person.keys("Ctrl+U");
    person.untilShown("From the board under your fingers");
    person.keys("Down");
    person.keys("Enter");
    person.untilShown("Timeline");
    person.keys("Alt+R");
    person.untilShown("conflicts in this setup");
    String before = headOfConflicts();
    person.keys("Ctrl+P");
    person.untilShown("no cheaper set does it");
    person.keys("Shift+Tab");
    person.keys("Ctrl+A");
    person.type("x");
    person.keys("Enter");
    person.untilShown("A cost is a number");
    person.keys("Ctrl+A");
    person.type("7");
    person.keys("Enter");
    person.untilShown("no cheaper set does it");
    person.keys("Enter");
    person.until(
        "it is made",
        () -> headOfConflicts().contains("in this setup") && !headOfConflicts().equals(before));
    person.keys("Ctrl+Z");
    person.until("as before", () -> headOfConflicts().equals(before));
    person.keys("Ctrl+E");
    person.type("all");
    person.keys("Enter");
    person.untilShown("conflicts in all setups");
    person.keys("End");
    person.untilShown("Ctrl+U puts that setup in use");
  }

  private String headOfConflicts() {
    return person.shown().stream()
        .filter(l -> l.toLowerCase(Locale.ROOT).contains("conflict") && l.contains(" in "))
        .findFirst()
        .orElse("");
  }

  @Test
  void fullScreenAndWhereOneIsAreSwitchedWhileLooking() {
    person.keys("Ctrl+U");
    person.untilShown("From the board under your fingers");
    person.keys("Down");
    person.keys("Down");
    person.keys("Enter");
    person.untilShown("Dome timeline");
    person.keys("Alt+R");
    person.untilShown("conflicts in this setup");
    String before = headOfConflicts();
    person.keys("F4");
    person.until(
        "the window captures",
        () -> headOfConflicts().contains("conflicts in") && !headOfConflicts().equals(before));
    person.keys("Ctrl+Z");
    person.until("as before", () -> headOfConflicts().equals(before));
    person.keys("F6");
    person.untilShown("a clip");
    person.keys("1");
    person.untilShown("Be at “anywhere”");
  }

  @Test
  void anotherSetupIsChosenByKeysAndKept() {
    person.keys("Ctrl+U");
    person.untilShown("From the board under your fingers");
    person.type("bor");
    person.keys("Enter");
    person.untilShown("Slate Lite  ›  Laptop (Alder 6)  ›  Star table");
    person.keys("Alt+R");
    person.untilShown("German layout");
    person.untilShown("has it twice");
    person.until(
        "kept",
        () -> Stored.in(session, s -> s.setting("setup")).equals(Optional.of("slate-stars")));
    person.keys("Ctrl+U");
    person.keys("Esc");
    person.untilGone("From the board under your fingers");
  }

  @Test
  void aListIsPreviewedBroughtInAndTakenBack() throws Exception {
    Path list = Files.createTempFile("polydex", ".csv");
    Files.writeString(
        list,
        "Application;Context;Action;Gesture\nCue editor;;Dim the lights;Ctrl+Shift+F12\n"
            + "Cue editor;;Save;Ctrl+S\nCue editor;;Broken;Ctrl+\nProp list;;Count;F6\n",
        StandardCharsets.UTF_8);
    int before = catalog().size();
    person.keys("Alt+S");
    person.keys("F4");
    person.type(list.toString());
    person.keys("Enter");
    person.untilShown("2 bindings to take, 1 known already, 1 refused");
    person.untilShown("expected a key");
    assertThat(catalog().size()).isEqualTo(before);
    person.keys("Ctrl+Enter");
    person.untilShown("Brought in 2 bindings. Ctrl+Z takes it back.");
    assertThat(catalog().size()).isEqualTo(before + 2);
    person.untilShown("0 bindings to take, 3 known already, 1 refused");
    assertThat(session.workspace().get().setups()).hasSize(6);
    person.keys("Ctrl+Z");
    person.untilShown("Taken back: Bring in 2 bindings");
    assertThat(catalog().size()).isEqualTo(before);
    person.keys("Ctrl+Shift+Z");
    person.until(
        "stored", () -> Stored.in(session, s -> s.workspace()).catalog().size() == before + 2);
    person.keys("Ctrl+A");
    person.keys("Alt+P");
    person.keys("Ctrl+A");
    person.type("/nowhere/at-all.csv");
    person.keys("Enter");
    person.untilShown("There is no file /nowhere/at-all.csv.");
    Files.delete(list);
  }

  @ParameterizedTest
  @ValueSource(strings = {"Alt+T", "Alt+L", "Alt+D", "Alt+R", "Alt+M", "Alt+S"})
  void tabGoesRoundWithoutADeadEnd(String place) {
    person.keys(place);
    Set<Node> met = new HashSet<>();
    Node first = person.focus();
    assertThat(first).isNotNull();
    for (int i = 0; i < 30; i++) {
      met.add(person.focus());
      person.keys("Tab");
      assertThat(person.focusIs(n -> n.isVisible() && !n.isDisabled())).isTrue();
      if (person.focus() == first) {
        break;
      }
    }
    assertThat(person.focus()).as("Tab comes back to where it began").isEqualTo(first);
    assertThat(met).hasSizeGreaterThan(3);
  }

  @Test
  void theRailShowsTheKeysThatWork() {
    person.keys("Alt+R");
    person.untilShown("Type a gesture");
    person.keys("Alt+S");
    person.keys("F4");
    person.untilShown("Choose a file");
    person.untilGone("Type a gesture");
    person.keys("Alt+D");
    person.keys("Enter");
    person.untilShown("Every key counts now.");
    person.holdEscUntil(
        "keys are commands again", () -> !person.shown().contains("Every key counts now."));
  }

  /** One line at the same place, whichever place and however wide; how to see all is never cut. */
  @Test
  void theRailIsOneLineWhereverOneIs() {
    Region rail = (Region) stage.getScene().getRoot().lookup(".key-rail");
    Set<Double> heights = new HashSet<>();
    for (double width : new double[] {1280, 1100, 1024}) {
      Platform.runLater(() -> stage.setWidth(width));
      for (String place : List.of("Alt+T", "Alt+L", "Alt+D", "Alt+R", "Alt+F", "Alt+M", "Alt+S")) {
        person.keys(place);
        person.until(
            "all keys at its end",
            () ->
                rail.getWidth() <= width
                    && rail.lookupAll(".rail-words").stream()
                        .filter(Driver::isShown)
                        .anyMatch(
                            n ->
                                ((Label) n).getText().equals("All keys")
                                    && n.localToScene(n.getBoundsInLocal()).getMaxX() <= width));
        heights.add(rail.getHeight());
        // What is shown is shown whole, and nothing lies over something else.
        double end = 0;
        for (Node entry : rail.getChildrenUnmodifiable()) {
          if (entry.isVisible()) {
            assertThat(entry.getLayoutX()).as(place).isGreaterThanOrEqualTo(end);
            end = entry.getBoundsInParent().getMaxX();
          }
        }
      }
    }
    assertThat(heights).hasSize(1);
  }

  @Test
  void everyKeyIsFoundAndRunFromOneList() {
    person.keys("Alt+F");
    person.untilShown("Plan one");
    person.keys("F1");
    person.untilShown("All keys");
    person.until("a field", () -> person.focusIs(TextField.class::isInstance));
    assertThat(person.list("Keys").getItems()).hasSizeGreaterThan(20);
    person.type("next theme nobody");
    person.untilShown("No key has these words.");
    person.keys("Ctrl+A");
    person.type("them");
    person.until("it is found", () -> person.list("Keys").getItems().size() == 1);
    person.keys("Enter");
    person.untilShown("Dark theme.");
    // Over what lies over the place it has the keys of that.
    person.keys("Ctrl+U");
    person.untilShown("Setups");
    person.keys("F1");
    person.until("a field", () -> person.focusIs(TextField.class::isInstance));
    person.type("quit");
    person.untilShown("No key has these words.");
    person.keys("F1");
    person.untilShown("Setups");
  }

  @Test
  void theMenuHasPlacesAndCommandsEachWithALetterOfItsOwn() {
    person.keys("F10");
    person.untilShown("Anywhere");
    List<String> letters =
        person.focus().lookupAll(".badge").stream().map(n -> ((Label) n).getText()).toList();
    assertThat(letters).hasSizeGreaterThan(20).doesNotHaveDuplicates().noneMatch(String::isEmpty);
    person.keys("F");
    person.untilShown("Fit: bindings of your own");
    // Letters are the same wherever one is; arrows go there as well.
    person.keys("F10");
    person.untilShown("Anywhere");
    person.keys("Right");
    person.keys("End");
    person.keys("Right");
    person.keys("Home");
    person.keys("Enter");
    person.untilShown("All keys");
    person.keys("Esc");
    person.keys("F10");
    person.untilShown("Anywhere");
    person.keys("F10");
    person.untilGone("Anywhere");
  }

  @Test
  void holdingAltShowsTheLetterOnEveryControl() {
    person.keys("Alt+S");
    person.keys("F4");
    FxRobot robot = new FxRobot();
    robot.press(KeyCode.ALT);
    person.until("letters", () -> stage.getScene().getRoot().lookupAll(".badge").size() >= 10);
    robot.release(KeyCode.ALT);
    person.until("no letters", () -> stage.getScene().getRoot().lookupAll(".badge").isEmpty());
  }

  @Test
  void textGrowsAndThemesChangeAndBothAreKept() {
    for (int i = 0; i < 15; i++) {
      person.keys("Ctrl+=");
    }
    person.untilShown("Text at 200 %.");
    assertThat(stage.getScene().getRoot().getStyleClass()).contains("narrow");
    person.keys("Ctrl+0");
    person.untilShown("Text at 100 %.");
    assertThat(stage.getScene().getRoot().getStyleClass()).doesNotContain("narrow");
    person.keys("Ctrl+-");
    person.keys("Ctrl+T");
    person.untilShown("Dark theme.");
    assertThat(stage.getScene().getRoot().getStyleClass()).contains("dark");
    person.until(
        "kept", () -> Stored.in(session, s -> s.setting("theme")).equals(Optional.of("dark")));
    person.until(
        "kept", () -> Stored.in(session, s -> s.setting("text")).equals(Optional.of("90")));
  }

  @Test
  void listsAnswerTypingAheadAndTheLongWays() {
    person.keys("Alt+M");
    ListView<?> list = person.list("What remains, by its cost");
    person.until("all of it", () -> list.getItems().size() > 20);
    person.keys("End");
    assertThat(list.getSelectionModel().getSelectedIndex()).isEqualTo(list.getItems().size() - 1);
    person.keys("Home");
    assertThat(list.getSelectionModel().getSelectedIndex()).isZero();
    person.keys("PageDown");
    assertThat(list.getSelectionModel().getSelectedIndex()).isGreaterThan(3);
    person.type("line num");
    person.until(
        "it",
        () -> person.shown().stream().anyMatch(t -> t.startsWith("Line numbers on or off, ")));
    person.keys("Ctrl+Z");
    person.untilShown("There is nothing to undo.");
    person.keys("Ctrl+Shift+Z");
    person.untilShown("There is nothing to do again.");
  }
}
