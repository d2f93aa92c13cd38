package polydex.boards;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.boards.Presses.Made;
import polydex.boards.Presses.Typable;
import polydex.boards.Presses.Untypable;
import polydex.keys.Gesture;
import polydex.keys.GestureArbitraries;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.keys.Physical.ModifierTap;
import polydex.keys.Physical.Press;

class PressesTest {

  @Provide
  Arbitrary<Gesture> gestures() {
    return GestureArbitraries.gestures(false);
  }

  private static List<Made> made(String gesture, Layout layout) {
    return ((Typable) Presses.of(Gesture.parse(gesture), layout)).list();
  }

  @ParameterizedTest
  @CsvSource(
      quoteCharacter = '`',
      value = {
        "Ctrl+?, Ctrl+Shift+/, us, true",
        "Ctrl+?, Ctrl+Shift+/, central, false",
        "Ctrl+/, Ctrl+Shift+7, central, true",
        "Ctrl+[, Ctrl+AltGr+8, central, true",
        "Ctrl+[, Ctrl+<BracketLeft>, us, true",
        "Ctrl+Z, Ctrl+<KeyY>, central, true",
        "Ctrl+Z, Ctrl+<KeyZ>, us, true",
      })
  void charactersAreFoundOnTheLayout(String one, String other, String layout, boolean same) {
    Layout on = layout.equals("us") ? Keyboards.US : Keyboards.CENTRAL;
    assertThat(made(one, on).equals(made(other, on))).isEqualTo(same);
  }

  @Test
  void whatTheLayoutLacksIsSaid() {
    assertThat(Presses.of(Gesture.parse("Ctrl+^"), Keyboards.CENTRAL))
        .isEqualTo(new Untypable("“^” is a dead key on the Central layout."));
    assertThat(Presses.of(Gesture.parse("\"naïve\""), Keyboards.US))
        .isEqualTo(new Untypable("The US layout has no “ï”."));
    assertThat(Presses.physical(Gesture.parse("Ctrl+é"), Keyboards.US)).isEmpty();
  }

  @Test
  void tapsTextAndHoldsAreTakenApart() {
    assertThat(made("Shift*2 \"aB\"", Keyboards.US))
        .extracting(Made::what)
        .containsExactly(
            new ModifierTap(Modifiers.of(Modifier.SHIFT)),
            new ModifierTap(Modifiers.of(Modifier.SHIFT)),
            Press.of(Key.KeyA),
            Press.of(Key.KeyB, Modifier.SHIFT));
    assertThat(made("Alt(Tab Shift+Tab) X", Keyboards.US))
        .containsExactly(
            Made.afresh(Press.of(Key.Tab, Modifier.ALT)),
            new Made(Press.of(Key.Tab, Modifier.ALT, Modifier.SHIFT), Held.of(Modifier.ALT)),
            Made.afresh(Press.of(Key.KeyX)));
  }

  @Test
  void aFamilyIsNoSinglePress() {
    assertThatThrownBy(() -> Presses.of(Gesture.parse("Ctrl+{1..3}"), Keyboards.US))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Property(tries = 2000)
  void theGestureOfThePressesHasThosePresses(@ForAll("gestures") Gesture gesture) {
    if (Presses.of(gesture, Keyboards.US) instanceof Typable typable) {
      Gesture again = Presses.gesture(typable.list(), Keyboards.US);
      assertThat(Presses.physical(again, Keyboards.US)).contains(typable.physical());
    }
  }

  @Test
  void whatIsHeldThroughoutStandsBeforeTheBracketAndTheRestInside() {
    for (String written :
        List.of("Alt(Tab Ctrl+A)", "Ctrl(A Meta)", "AltGr(A AltGr+Q)", "Shift(A RightCtrl+A B)")) {
      List<Made> made = made(written, Keyboards.US);
      Gesture again = Presses.gesture(made, Keyboards.US);
      assertThat(Presses.of(again, Keyboards.US)).as(written).isEqualTo(new Typable(made));
      assertThat(again.toString()).isEqualTo(written.replace("AltGr+Q", "Q"));
    }
  }

  @Test
  void recordedPressesWithModifiersKeptDownMakeAHold() {
    PressRecorder recorder = new PressRecorder();
    recorder.down(Modifier.CTRL);
    Made k = recorder.down(Key.KeyK).orElseThrow();
    recorder.up(Key.KeyK);
    Made s = recorder.down(Key.KeyS).orElseThrow();
    assertThat(Presses.gesture(List.of(k, s), Keyboards.US)).hasToString("Ctrl(K S)");
    recorder.up(Key.KeyS);
    recorder.up(Modifier.CTRL);
    recorder.down(Modifier.CTRL);
    Made again = recorder.down(Key.KeyS).orElseThrow();
    assertThat(Presses.gesture(List.of(k, again), Keyboards.US)).hasToString("Ctrl+K Ctrl+S");
  }

  @Test
  void aTapIsModifiersLetGoWithNothingBetween() {
    PressRecorder recorder = new PressRecorder();
    recorder.down(Modifier.CTRL);
    recorder.down(Modifier.SHIFT);
    assertThat(recorder.up(Modifier.CTRL)).isEmpty();
    assertThat(recorder.up(Modifier.SHIFT))
        .map(Made::what)
        .contains(new ModifierTap(Modifiers.of(Modifier.CTRL, Modifier.SHIFT)));
    recorder.down(Modifier.ALT);
    recorder.down(Key.Tab);
    recorder.up(Key.Tab);
    assertThat(recorder.up(Modifier.ALT)).isEmpty();
  }

  @Test
  void aKeyThatRepeatsCountsOnceAndResetForgetsWhatIsDown() {
    PressRecorder recorder = new PressRecorder();
    assertThat(recorder.down(Key.KeyA)).isPresent();
    assertThat(recorder.down(Key.KeyA)).isEmpty();
    recorder.down(Modifier.META);
    recorder.reset();
    assertThat(recorder.held()).isEqualTo(Modifiers.NONE);
    assertThat(recorder.up(Modifier.META)).isEmpty();
    assertThat(recorder.down(Key.KeyA)).map(Made::what).contains((Physical) Press.of(Key.KeyA));
  }

  @Test
  void aBoardGivesSomeKeysOnlyWithFn() {
    assertThat(Keyboards.SMALL.has(Key.Home)).isFalse();
    assertThat(Keyboards.SMALL.withFn(Key.Home)).contains(Key.ArrowLeft);
    assertThat(Keyboards.SMALL.withFn(Key.End)).isEqualTo(Optional.empty());
    assertThat(Keyboards.SMALL.byKey()).containsKey(Key.ArrowLeft).doesNotContainKey(Key.F1);
  }

  @Test
  void aLayoutTypesByLevel() {
    assertThat(Keyboards.CENTRAL.typed(Key.KeyQ, Modifiers.of(Modifier.ALTGR)))
        .contains(new Layout.Symbol('@', false));
    assertThat(Keyboards.CENTRAL.typed(Key.Backquote, Modifiers.NONE))
        .contains(new Layout.Symbol('^', true));
    assertThat(Keyboards.CENTRAL.typed(Key.KeyQ, Modifiers.of(Modifier.CTRL))).isEmpty();
    assertThat(Keyboards.CENTRAL.typing('('))
        .contains(new Layout.Typing(Key.Digit8, Modifiers.of(Modifier.SHIFT)));
  }
}
