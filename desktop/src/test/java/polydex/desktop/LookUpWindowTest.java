package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.Clipboard;
import javafx.scene.input.DataFormat;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import polydex.desktop.controls.KeyboardView;
import polydex.desktop.state.Stored;
import polydex.files.xkb.XkbLayouts;
import polydex.keys.Key;

/** Looking keys up, changing keymaps and bringing lists in, by keys alone. */
@ExtendWith(ApplicationExtension.class)
class LookUpWindowTest extends InWindow {
  @Start
  void start(Stage shown) throws Exception {
    open(shown);
  }

  private int found() {
    return person.list("Actions found").getItems().size();
  }

  @Test
  void theFieldForgivesAWrongLetterAndReadsGesturesThatAreOnlyBegun() {
    person.keys("Ctrl+F");
    person.type("duplciate line");
    person.until("one result", () -> found() == 1);
    person.untilShown("D as in “duplicate”.");
    person.keys("Ctrl+A");
    person.type("ctrl+k");
    person.untilShown("Unfold the scene");
    person.until("only sequences", () -> found() > 1 && found() < 20);
  }

  @Test
  void resultsAreNarrowedByWhereAndHowFarTheyAreLearnt() {
    person.keys("Alt+E");
    ComboBox<?> where = (ComboBox<?>) person.focus();
    int all = found();
    person.keys("Down");
    person.until("an environment", () -> where.getSelectionModel().getSelectedIndex() == 1);
    person.until("fewer", () -> found() > 0 && found() < all);
    person.keys("Tab");
    person.keys("Tab");
    person.keys("Down");
    person.keys("Down");
    person.keys("Down");
    person.keys("Down");
    person.untilShown("fluent");
    int fluent = found();
    person.keys("Down");
    person.until("nothing was changed lately", () -> found() == 0);
    assertThat(fluent).isLessThan(all);
  }

  @Test
  void aGestureIsAddedChangedSwitchedOffAndRemovedAndAllIsTakenBack() {
    int before = catalog().size();
    person.keys("Ctrl+F");
    person.type("duplicate the line");
    person.until("one result", () -> found() == 1);
    person.keys("Ctrl+N");
    person.untilShown("A gesture for “Duplicate the line”");
    person.type("C-c d");
    person.keys("Enter");
    person.untilShown(
        "Added Ctrl+C D for “Duplicate the line” in Cue editor. Ctrl+Z takes it back.");
    assertThat(catalog().size()).isEqualTo(before + 1);
    person.keys("Alt+W");
    person.keys("Down");
    person.keys("F2");
    person.untilShown("Change the gesture");
    person.type("Ctrl+Nowhere");
    person.untilShown("expected a key");
    person.keys("Ctrl+A");
    person.type("ctrl + shift + y");
    person.keys("Enter");
    person.untilShown("Changed Ctrl+Shift+Y for “Duplicate the line”");
    person.keys("Alt+W");
    person.keys("Delete");
    person.untilShown("Removed ");
    assertThat(catalog().size()).isEqualTo(before);
    person.keys("Ctrl+Z");
    person.keys("Ctrl+Z");
    person.keys("Ctrl+Z");
    person.untilShown("Taken back: Add Ctrl+C D");
    assertThat(catalog().size()).isEqualTo(before);
    person.keys("Ctrl+F");
    person.keys("Ctrl+A");
    person.type("lock screen");
    person.untilShown("Lock the screen");
    person.keys("Alt+W");
    person.keys("F8");
    person.untilShown("Switched off “Lock the screen”");
    person.untilShown("switched off in this setup");
    person.keys("Ctrl+Z");
    person.untilShown("Taken back: Switch off");
  }

  @Test
  void theKeyboardIsWalkedByArrowsAndARealKeyGoesToItself() {
    person.keys("Ctrl+B");
    person.untilShown("All together: ");
    KeyboardView view = (KeyboardView) person.focus();
    person.keys("S");
    person.until("the key S", () -> view.chosen().get().orElseThrow() == Key.KeyS);
    person.keys("Right");
    person.keys("Up");
    person.until(
        "one on and up",
        () ->
            view.chosen().get().orElseThrow() == Key.KeyE
                || view.chosen().get().orElseThrow() == Key.KeyR);
    for (int i = 0; i < 5; i++) {
      person.keys("Shift+Tab");
    }
    person.keys("Space");
    person.untilShown("Save");
    for (int i = 0; i < 5; i++) {
      person.keys("Tab");
    }
    person.keys("S");
    person.untilShown("Save, by Cue editor.");
    for (Map.Entry<String, String> asked :
        Map.of(
                "F3", "% fluent, ",
                "F4", " actions used.",
                "F5", "left little ",
                "F6", " conflicts.")
            .entrySet()) {
      person.keys(asked.getKey());
      person.untilShown(asked.getValue());
    }
    // What can be held is a list beside; a row of it holds its modifiers.
    person.keys("Alt+E");
    person.keys("Home");
    person.until("nothing held", () -> !held("Ctrl"));
    person.keys("C");
    person.until("Ctrl held", () -> held("Ctrl"));
    person.keys("Esc");
    person.until("words again", () -> person.focusIs(n -> n == person.list("Actions found")));
  }

  private boolean held(String modifier) {
    return person.focus().getScene().getRoot().lookupAll(".toggle-button").stream()
        .anyMatch(
            n -> n instanceof ToggleButton b && b.isSelected() && modifier.equals(b.getText()));
  }

  @Test
  void environmentsAreComparedWithCounts() {
    person.keys("Ctrl+E");
    person.untilShown("one modifier away, ");
    person.keys("Tab");
    ComboBox<?> to = (ComboBox<?>) person.focus();
    person.keys("Down");
    person.until("another", () -> to.getSelectionModel().getSelectedIndex() == 2);
    int all = person.list("Actions of both").getItems().size();
    person.keys("Tab");
    person.keys("Down");
    person.until("only the same", () -> person.list("Actions of both").getItems().size() < all);
  }

  @Test
  void theClipboardIsReadTitlesAreConfirmedAndANewerListIsCompared() throws Exception {
    Platform.runLater(
        () ->
            Clipboard.getSystemClipboard()
                .setContent(
                    Map.of(
                        DataFormat.HTML,
                        "<table><tr><th>Action</th><th>Star table</th></tr>"
                            + "<tr><td>Show a star</td><td><kbd>Ctrl</kbd> <kbd>F9</kbd></td></tr></table>")));
    person.keys("Alt+S");
    person.keys("Ctrl+Shift+V");
    person.untilShown("New, or “Show the star on the dome”?");
    int actions = catalog().actions().size();
    person.keys("Alt+I");
    person.keys("Home");
    person.keys("Enter");
    person.untilGone("New, or “Show the star on the dome”?");
    person.keys("Ctrl+Enter");
    person.untilShown("Brought in 1 binding. Ctrl+Z takes it back.");
    assertThat(catalog().actions()).hasSize(actions);
    person.until(
        "remembered",
        () ->
            Stored.in(session, s -> s.workspace())
                .remembered()
                .titles()
                .containsKey("show a star"));

    Path list = Files.createTempFile("polydex", ".csv");
    Files.writeString(list, "application,action,gesture\nProps,Count,F6\nProps,Light,F7\n");
    person.keys("Alt+P");
    person.keys("Ctrl+A");
    person.type(list.toString());
    person.keys("Enter");
    person.untilShown("2 bindings to take. Understood: 100 % of 2 lines.");
    person.keys("Ctrl+Enter");
    person.untilShown("Brought in 2 bindings");
    Files.writeString(
        list, "application,action,gesture\nProps,Count,Shift+F6\n", StandardCharsets.UTF_8);
    person.keys("Alt+V");
    person.untilShown("0 bindings to take, 1 changed, 1 gone from the list");
    person.keys("Ctrl+G");
    person.untilShown("Goes from here too.");
    person.keys("Ctrl+Enter");
    person.untilShown("Brought in 0 new, 1 changed, 1 gone");
    List<String> gestures =
        catalog().environments().stream()
            .filter(e -> e.title().equals("Props"))
            .flatMap(e -> catalog().bindings(e.id()).stream())
            .map(b -> b.gesture().toString())
            .toList();
    assertThat(gestures).containsExactly("Shift+F6");
    Files.delete(list);
  }

  /** At 150 % in the smallest window that must do, no button loses its words. */
  @Test
  void largeTextInASmallWindowCutsNoButton() {
    Platform.runLater(
        () -> {
          stage.setWidth(1024);
          stage.setHeight(700);
        });
    for (int i = 0; i < 5; i++) {
      person.keys("Ctrl+=");
    }
    person.untilShown("Text at 150 %.");
    for (String way : List.of("Alt+L", "Ctrl+B", "Esc", "Ctrl+E", "Esc", "Alt+S", "F4")) {
      person.keys(way);
      person.until(
          "no button is cut after " + way,
          () ->
              stage.getScene().getRoot().lookupAll(".button").stream()
                  .filter(n -> n.isVisible() && n instanceof Button b && !b.getText().isEmpty())
                  .noneMatch(n -> ((Button) n).isTextTruncated()));
    }
  }

  @Test
  void aLayoutOfThisComputerIsBroughtIn() {
    assumeTrue(Files.isDirectory(XkbLayouts.USUAL), "xkb-data is installed");
    person.keys("Alt+S");
    person.keys("F4");
    person.type("xkb:nowhere");
    person.keys("Enter");
    person.untilShown("There is no layout “nowhere”.");
    person.keys("Ctrl+A");
    person.type("xkb:us(dvorak)");
    person.keys("Enter");
    person.untilShown("The layout “English (Dvorak)”");
    person.keys("Ctrl+Enter");
    person.untilShown("Brought in the layout English (Dvorak)");
    assertThat(session.workspace().get().world().layouts()).containsKey("xkb:us(dvorak)");
    person.keys("Ctrl+Z");
    assertThat(session.workspace().get().world().layouts()).doesNotContainKey("xkb:us(dvorak)");
  }
}
