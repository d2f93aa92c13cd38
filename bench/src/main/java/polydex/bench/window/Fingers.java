package polydex.bench.window;

import java.util.List;
import javafx.animation.PauseTransition;
import javafx.scene.input.KeyCode;
import javafx.scene.robot.Robot;
import javafx.util.Duration;

/** Presses keys in the program's own window as a person would, a while each. */
final class Fingers {
  private static final Duration SHORT = Duration.millis(60);
  private static final Duration LONG = Duration.millis(1100);

  private final Robot robot = new Robot();

  /**
   * Presses keys together and lets them go.
   *
   * @param keys names of key codes with a plus between; after {@code HOLD} they stay down for a
   *     while
   * @param then when they are up again
   */
  void press(String keys, Runnable then) {
    boolean hold = keys.startsWith("HOLD ");
    List<KeyCode> codes =
        List.of(keys.replace("HOLD ", "").split("\\+")).stream().map(KeyCode::valueOf).toList();
    codes.forEach(robot::keyPress);
    after(
        hold ? LONG : SHORT,
        () -> {
          codes.reversed().forEach(robot::keyRelease);
          after(SHORT, then);
        });
  }

  /** Does something after a while. */
  static void after(Duration time, Runnable work) {
    PauseTransition pause = new PauseTransition(time);
    pause.setOnFinished(_ -> work.run());
    pause.play();
  }
}
