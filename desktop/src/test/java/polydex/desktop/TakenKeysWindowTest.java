package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.keys.Gesture;
import polydex.route.Setup;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** What the desktop takes of the program's own keys is said, once, and marked. */
@ExtendWith(ApplicationExtension.class)
class TakenKeysWindowTest extends InWindow {
  @Start
  void start(Stage shown) throws Exception {
    open(shown);
  }

  private void bind(String gesture) {
    WaitForAsyncUtils.waitForAsyncFx(
        9000,
        () -> {
          Workspace now = session.workspace().get();
          Setup setup = now.setup().orElseThrow();
          Binding own =
              Binding.of("own-" + gesture, new ActionId("desktop.mute"), Gesture.parse(gesture));
          session.apply(
              new Change.Edit(
                  "Bound " + gesture, now, now.with(setup.on(setup.machine().adding(own)))));
        });
    Driver.settle();
  }

  @Test
  void aKeyThatTheDesktopTakesIsToldOnceAndMarkedInTheList(FxRobot robot) {
    assertThat(person.shown()).noneMatch(t -> t.contains("before this window sees it"));
    bind("Ctrl+M");
    person.untilShown("Alder takes Ctrl+M before this window sees it.");
    person.keys("F1");
    person.type("taken");
    person.untilShown("taken by Alder: “Mute”");
    assertThat(person.shown()).contains("I used the mouse").doesNotContain("Undo");
    person.keys("Esc");
    bind("F12");
    person.untilShown("Bound F12");
    Driver.settle();
    assertThat(person.shown()).noneMatch(t -> t.contains("before this window sees it"));
    person.keys("F1");
    person.type("taken F12");
    person.untilShown("Pause the recording");
  }
}
