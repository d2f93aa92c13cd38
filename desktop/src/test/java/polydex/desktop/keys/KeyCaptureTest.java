package polydex.desktop.keys;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.boards.Presses.Made;
import polydex.files.Shipped;
import polydex.keys.Modifiers;
import polydex.keys.PointerAct;

/** Key events in any order, as hands make them. */
@ExtendWith(ApplicationExtension.class)
class KeyCaptureTest implements KeyCapture.Listener {
  private static final Layout US = Shipped.start().world().layouts().get("us");

  private final KeyCapture capture = new KeyCapture(() -> US);
  private final List<String> heard = new ArrayList<>();
  private boolean helps = true;

  @Start
  void start(Stage stage) {
    stage.show();
  }

  @Override
  public void pressed(Made press, long nanos) {
    heard.add(Presses.describe(press.what(), US) + (press.stillHeld() ? " held" : ""));
  }

  @Override
  public void holding(Modifiers held) {}

  @Override
  public void leave() {
    heard.add("leave");
  }

  @Override
  public boolean hint(boolean ask) {
    if (ask) {
      heard.add("hint");
    }
    return helps;
  }

  /** "+A" presses, "-A" lets go, "." waits long enough for a long press. */
  private List<String> after(boolean spelled, String... events) {
    WaitForAsyncUtils.waitForAsyncFx(
        5000,
        () -> {
          heard.clear();
          capture.start(this, spelled);
        });
    for (String event : events) {
      if (event.equals(".")) {
        WaitForAsyncUtils.sleep(1100, TimeUnit.MILLISECONDS);
        WaitForAsyncUtils.waitForFxEvents();
        continue;
      }
      KeyCode code = KeyCode.valueOf(event.substring(1));
      KeyEvent made =
          new KeyEvent(
              event.startsWith("+") ? KeyEvent.KEY_PRESSED : KeyEvent.KEY_RELEASED,
              "",
              "",
              code,
              false,
              false,
              false,
              false);
      WaitForAsyncUtils.waitForAsyncFx(5000, () -> capture.handle(made));
      assertThat(made.isConsumed()).isTrue();
    }
    return List.copyOf(heard);
  }

  @Test
  void shortPressesCountAndLongOnesAreSomethingElse() {
    assertThat(after(false, "+ESCAPE", "-ESCAPE")).containsExactly("Esc");
    assertThat(after(false, "+SPACE", "-SPACE")).containsExactly("Space");
    assertThat(after(false, "+ESCAPE", ".", "+ESCAPE", "-ESCAPE")).containsExactly("leave");
    assertThat(after(false, "+SPACE", ".", "+SPACE", "-SPACE", "+A", "-A"))
        .containsExactly("hint", "A");
  }

  @Test
  void aKeyThatFollowsShowsThatItWasAShortOneAndTheOrderIsKept() {
    assertThat(after(false, "+SPACE", "+A", "-SPACE", "-A", ".")).containsExactly("Space", "A");
    assertThat(after(false, "+ESCAPE", "+SPACE", "-ESCAPE", "-SPACE"))
        .containsExactly("Esc", "Space");
    assertThat(after(false, "+SPACE", "+CONTROL", "+S", "-S", "-CONTROL", "-SPACE", "."))
        .containsExactly("Space", "Ctrl+S");
  }

  @Test
  void withModifiersAndWithoutAHintSpaceIsAKeyLikeTheOthers() {
    assertThat(after(false, "+CONTROL", "+SPACE", ".", "-SPACE", "-CONTROL"))
        .containsExactly("Ctrl+Space");
    helps = false;
    assertThat(after(false, "+SPACE", ".", "-SPACE")).containsExactly("Space");
    helps = true;
  }

  @Test
  void tapsHoldsAndRepeatsAreTold() {
    assertThat(after(false, "+ALT", "-ALT")).containsExactly("Alt");
    assertThat(after(false, "+ALT", "+TAB", "+TAB", "-TAB", "+Q", "-Q", "-ALT"))
        .containsExactly("Alt+Tab", "Alt+Q held");
    assertThat(after(false, "+CONTROL", "+SHIFT", "-SHIFT", "-CONTROL"))
        .containsExactly("Ctrl+Shift");
  }

  @Test
  void spelledModifiersStayDownUntilTheNextKey() {
    assertThat(after(true, "+ALT", "-ALT", "+SHIFT", "-SHIFT", "+TAB", "-TAB", "+A", "-A"))
        .containsExactly("Alt+Shift+Tab", "A");
    assertThat(after(true, "+ALT", "-ALT", "+ESCAPE", "-ESCAPE")).containsExactly("Alt+Esc");
  }

  @Test
  void thePointerComesWithWhatIsHeldAndEndsAShortPress() {
    after(false, "+CONTROL");
    WaitForAsyncUtils.waitForAsyncFx(5000, () -> capture.pointed(PointerAct.CLICK));
    assertThat(heard).containsExactly("Ctrl+Click");
    after(false, "+SPACE");
    WaitForAsyncUtils.waitForAsyncFx(5000, () -> capture.pointed(PointerAct.WHEEL));
    assertThat(heard).containsExactly("Space", "Wheel");
  }

  @Test
  void whenItIsOffNothingIsHeardOrTaken() {
    after(false, "+SPACE");
    WaitForAsyncUtils.waitForAsyncFx(5000, capture::stop);
    KeyEvent event =
        new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.A, false, false, false, false);
    assertThat(WaitForAsyncUtils.waitForAsyncFx(5000, () -> capture.handle(event))).isFalse();
    assertThat(event.isConsumed()).isFalse();
    assertThat(heard).isEmpty();
  }
}
