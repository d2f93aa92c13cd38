package polydex.recall;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.boards.Keyboards;
import polydex.boards.PressRecorder;
import polydex.boards.Presses.Made;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Modifiers.Side;

class ForRealTest {
  @ParameterizedTest
  @CsvSource({
    "desktop.next, Switch to the next window, true",
    "desktop.bare, Show the bare desktop, true",
    "desktop.launcher, Open the launcher, true",
    "desktop.clock, Show the clock, true",
    "desktop.blocks, Blocks beside each other, true",
    "desktop.lock, Lock the screen, false",
    "desktop.screenLock, Away from the desk, false",
    "desktop.screensaver, Away from the desk, false",
    "session.leave, Leave, false",
    "desktop.out, Log out, false",
    "desktop.out, Log-out, false",
    "desktop.close, Close the window, false",
    "desktop.end, End a program that hangs, false",
    "desktop.off, Power off, false",
    "desktop.user, Another user: switch user, false",
    "desktop.sperre, Bildschirm sperren, false",
    "desktop.zu, Fenster schließen, false",
    "desktop.aus, Herunterfahren, false"
  })
  void whatLosesClosesOrLocksIsNotAskedForReal(String id, String title, boolean may) {
    Action visible = new Action(new ActionId(id), title, "Windows", List.of(), Action.Harm.VISIBLE);
    assertThat(ForReal.may(visible)).isEqualTo(may);
    Action harmful =
        new Action(new ActionId(id), title, "Windows", List.of(), Action.Harm.LOSES_WORK);
    assertThat(ForReal.may(harmful)).isFalse();
  }

  /** A side counts where it is told and asked for; where either is silent, it does not. */
  @Property
  void sidesAreComparedWhereTheyAreTold(
      @ForAll Side wanted, @ForAll Side pressed, @ForAll boolean twoModifiers) {
    String side = wanted == Side.EITHER ? "" : wanted == Side.LEFT ? "Left" : "Right";
    Gesture asked = Gesture.parse(side + "Alt+" + (twoModifiers ? "Shift+" : "") + "Tab");
    AnswerCheck check = new AnswerCheck(List.of(asked), Keyboards.US, _ -> false);
    PressRecorder keys = new PressRecorder();
    if (twoModifiers) {
      keys.down(Modifier.SHIFT);
    }
    keys.down(Modifiers.of(Modifier.ALT, pressed));
    Made made = keys.down(Key.Tab).orElseThrow();
    boolean right = wanted == Side.EITHER || pressed == Side.EITHER || wanted == pressed;
    assertThat(check.add(made, 1))
        .isEqualTo(right ? AnswerCheck.State.RIGHT : AnswerCheck.State.WRONG);
    if (wanted == Side.EITHER) {
      assertThat(check.gesture()).isEqualTo(asked); // no side that nobody asked for
    }
  }

  @Test
  void bothKeysOfAModifierAreHeldUntilBothAreUp() {
    PressRecorder keys = new PressRecorder();
    Modifiers left = Modifiers.of(Modifier.SHIFT, Side.LEFT);
    Modifiers right = Modifiers.of(Modifier.SHIFT, Side.RIGHT);
    keys.down(left);
    keys.down(right);
    assertThat(keys.held()).isEqualTo(left.and(right));
    assertThat(keys.up(left)).isEmpty();
    assertThat(keys.held()).isEqualTo(right);
    assertThat(keys.up(right)).isPresent();
    assertThat(keys.held()).isEqualTo(Modifiers.NONE);
  }
}
