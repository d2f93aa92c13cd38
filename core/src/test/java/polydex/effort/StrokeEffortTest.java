package polydex.effort;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.boards.Board;
import polydex.boards.Keyboards;
import polydex.boards.Presses;
import polydex.keys.Gesture;
import polydex.keys.Key;

class StrokeEffortTest {
  private static final StrokeEffort EFFORT =
      new StrokeEffort(
          new Board(
              "grid",
              "Grid",
              List.of(
                  at(Key.KeyA, 0, 0),
                  at(Key.KeyS, 1, 0),
                  at(Key.KeyD, 2, 0),
                  at(Key.KeyF, 3, 0),
                  at(Key.KeyG, 4, 0),
                  at(Key.KeyH, 5, 0),
                  at(Key.KeyJ, 6, 0),
                  at(Key.KeyK, 7, 0),
                  at(Key.KeyL, 8, 0),
                  at(Key.Semicolon, 9, 0),
                  at(Key.Enter, 11, 0),
                  at(Key.KeyR, 3, -1.1),
                  at(Key.Digit4, 3, -2),
                  at(Key.F4, 3, -3),
                  at(Key.Numpad6, 16, 0),
                  at(Key.ControlLeft, 0, 2),
                  at(Key.ControlRight, 9, 2),
                  at(Key.ShiftLeft, 0, 1),
                  at(Key.ShiftRight, 9, 1),
                  at(Key.AltRight, 7, 2),
                  at(Key.Space, 4, 2)),
              Map.of()));

  private static Board.KeyPlace at(Key key, double x, double y) {
    double w = StrokeEffort.KEY_WIDTH;
    return new Board.KeyPlace(key, x * w, y * w, w, w);
  }

  private static double of(String gesture) {
    return Presses.of(Gesture.parse(gesture), Keyboards.US) instanceof Presses.Typable(var made)
        ? EFFORT.of(made)
        : Double.NaN;
  }

  @ParameterizedTest
  @CsvSource({
    // home keys cost nothing but what is held; the sides are free where both hands have the
    // modifier
    "F, 0",
    "J, 0",
    "Ctrl+F, 1.0",
    "Ctrl+Shift+F, 2.1",
    "Ctrl, 1.0",
    "Space, 0",
    // one key width beside the home key of an index finger
    "G, 1.0",
    "H, 1.0",
    // only the right hand has AltGr: the left one is free for F, but J is under the same hand
    "AltGr+F, 1.2",
    "AltGr+J, 2.0",
    // a second step 0.5, and 0.3 where what is held changes
    "F J, 0.5",
    "Ctrl+F J, 1.8",
    "Ctrl+F Ctrl+J, 2.5",
    // a hold pays for what is held once
    "Ctrl(F J), 1.5",
    "Ctrl+Click, 5.0",
  })
  void pointsCanBeAddedUpByHand(String gesture, double points) {
    assertThat(of(gesture)).isEqualTo(points, within(0.01));
  }

  @Test
  void leavingTheHomePositionCostsMore() {
    List<String> easier = List.of("F", "R", "4", "F4", "Numpad6");
    for (int i = 1; i < easier.size(); i++) {
      assertThat(of(easier.get(i))).as(easier.get(i)).isGreaterThan(of(easier.get(i - 1)));
    }
  }
}
