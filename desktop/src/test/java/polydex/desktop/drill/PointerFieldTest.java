package polydex.desktop.drill;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import javafx.geometry.VerticalDirection;
import javafx.scene.Scene;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;
import polydex.keys.PointerAct;

/** The real pointer in the field of a drill. */
@ExtendWith(ApplicationExtension.class)
class PointerFieldTest {
  private final List<PointerAct> acts = new CopyOnWriteArrayList<>();
  private PointerField field;

  @Start
  void start(Stage stage) {
    field = new PointerField(acts::add, false);
    stage.setScene(new Scene(field, 400, 200));
    stage.show();
  }

  private List<PointerAct> after(Runnable work) {
    acts.clear();
    work.run();
    WaitForAsyncUtils.waitForFxEvents();
    return List.copyOf(acts);
  }

  @Test
  void everyStepOfThePointerIsToldFromTheOthers(FxRobot robot) {
    assertThat(after(() -> robot.clickOn(field))).containsExactly(PointerAct.CLICK);
    assertThat(after(() -> robot.rightClickOn(field))).containsExactly(PointerAct.RIGHT_CLICK);
    assertThat(after(() -> robot.clickOn(field, MouseButton.MIDDLE)))
        .containsExactly(PointerAct.MIDDLE_CLICK);
    assertThat(after(() -> robot.drag(field).moveBy(60, 20).drop()))
        .containsExactly(PointerAct.DRAG);
    assertThat(after(() -> robot.moveTo(field).scroll(2, VerticalDirection.DOWN)))
        .containsExactly(PointerAct.WHEEL);
    assertThat(after(() -> robot.doubleClickOn(field))).endsWith(PointerAct.DOUBLE_CLICK);
  }
}
