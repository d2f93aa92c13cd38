package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.keys.KeyCommand;
import polydex.own.OwnKey;

/**
 * What lies over a place, one over the other: whose keys work, and where the focus goes back to.
 */
@ExtendWith(ApplicationExtension.class)
class OverlaysWindowTest extends InWindow {
  private final List<String> done = new ArrayList<>();

  @Start
  void start(Stage shown) throws Exception {
    open(shown);
  }

  private void overlay(String name, Node focus, KeyCommand... commands) {
    Platform.runLater(() -> shell.open(new VBox(new Label(name), focus), focus, List.of(commands)));
    person.untilShown(name);
    person.until("the focus in it", () -> person.focus() == focus);
  }

  @Test
  void onlyTheKeysOfWhatLiesOnTopWorkAndEscGoesBackOneStep() {
    person.keys("Alt+R");
    person.untilShown("conflicts in this setup");
    Node before = person.focus();
    TextField lower = new TextField();
    overlay("lower", lower, KeyCommand.of(OwnKey.RECORD, "Say lower", () -> done.add("lower")));
    TextField upper = new TextField();
    overlay("upper", upper, KeyCommand.of(OwnKey.RECORD, "Say upper", () -> done.add("upper")));
    person.until("focus on top", () -> person.focus() == upper);
    person.keys("F9");
    // The place's and the window's keys are not those of what lies over them.
    person.keys("F4");
    person.keys("Ctrl+Q");
    person.keys("Alt+L");
    assertThat(done).containsExactly("upper");
    assertThat(stage.isShowing()).isTrue();
    person.untilShown("Say upper");
    person.keys("Esc");
    person.untilGone("upper");
    person.until("focus below", () -> person.focus() == lower);
    person.keys("F9");
    assertThat(done).containsExactly("upper", "lower");
    person.keys("Esc");
    person.untilGone("Say lower");
    person.until("focus as before", () -> person.focus() == before);
    // And the place's own keys are back.
    person.keys("Alt+L");
    person.until(
        "another place", () -> person.shown().contains(catalog().actions().size() + " actions"));
    person.keys("F9");
    assertThat(done).containsExactly("upper", "lower");
  }

  @Test
  void typingAheadGoesOnOverSpacesButNoneBeginsIt() {
    ListView<String> first = rows();
    overlay("list", first);
    person.type("in f");
    person.until(
        "a space counts within",
        () -> "in focus".equals(first.getSelectionModel().getSelectedItem()));
    ListView<String> second = rows();
    overlay("another", second);
    person.type(" kept");
    person.until(
        "none at the beginning", () -> "kept".equals(second.getSelectionModel().getSelectedItem()));
  }

  private static ListView<String> rows() {
    ListView<String> list =
        Lists.of(
            "rows", (box, s) -> box.getChildren().add(new Label(s)), s -> s, Texts.quiet("none"));
    list.getItems().setAll("own", "own binding", "in use", "in focus", "kept");
    return list;
  }
}
