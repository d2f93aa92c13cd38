package polydex.effort;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.keys.Gesture;
import polydex.keys.GestureArbitraries;

class KeystrokeLevelTest {
  @ParameterizedTest
  @CsvSource({
    "'', 0",
    "K, 0.28",
    // Get ready, reach, point, press and let go, reach back.
    "M H P BB H, 3.45",
    "MHPBBPBBH, 4.75",
    "D, 1.30",
    "W W W, 0.45",
  })
  void rowsOfOperatorsAddUp(String operators, double seconds) {
    assertThat(KeystrokeLevel.USUAL.seconds(operators)).isCloseTo(seconds, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({
    "Ctrl+S, 1.91",
    "F5, 1.63",
    "Ctrl+K Ctrl+S, 2.47",
    // A hold presses its modifier once.
    "Alt(Tab Tab), 2.19",
    "Shift*2, 1.91",
    "'\"note\"', 2.47",
  })
  void gesturesCostGettingReadyAndTheirKeys(String gesture, double seconds) {
    assertThat(KeystrokeLevel.USUAL.seconds(Gesture.parse(gesture)))
        .isCloseTo(seconds, within(1e-9));
  }

  @Property
  void aFasterHandIsNeverSlowerAndEveryGestureCostsMoreThanGettingReady(
      @ForAll("gestures") Gesture gesture,
      @ForAll @DoubleRange(min = 0.05, max = 2) double key,
      @ForAll @DoubleRange(min = 0, max = 1) double slower) {
    double fast = new KeystrokeLevel(key).seconds(gesture);
    assertThat(fast).isGreaterThan(KeystrokeLevel.MENTAL);
    assertThat(new KeystrokeLevel(key + slower).seconds(gesture)).isGreaterThanOrEqualTo(fast);
  }

  @Provide
  Arbitrary<Gesture> gestures() {
    return GestureArbitraries.gestures(false);
  }

  @Property
  void pointingTakesLongerTheFartherAndTheSmaller(
      @ForAll @DoubleRange(min = 0, max = 3000) double distance,
      @ForAll @DoubleRange(min = 0, max = 500) double more,
      @ForAll @DoubleRange(min = 1, max = 400) double width) {
    double near = KeystrokeLevel.fitts(distance, width);
    assertThat(KeystrokeLevel.fitts(distance + more, width)).isGreaterThanOrEqualTo(near);
    assertThat(KeystrokeLevel.fitts(distance, width / 2)).isGreaterThanOrEqualTo(near);
    // The unit does not matter, as long as it is the same for both.
    assertThat(KeystrokeLevel.fitts(10 * distance, 10 * width)).isCloseTo(near, within(1e-9));
    assertThat(KeystrokeLevel.fitts(0, width)).isCloseTo(0.10, within(1e-12));
    assertThat(KeystrokeLevel.fitts(3 * width, width)).isCloseTo(0.10 + 0.15 * 2, within(1e-12));
  }

  @Test
  void anUnknownOperatorIsRefusedByItsLetter() {
    assertThatThrownBy(() -> KeystrokeLevel.USUAL.seconds("M X"))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("X");
  }
}
