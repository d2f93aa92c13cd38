package polydex.desktop.drill;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import polydex.boards.Board;
import polydex.boards.Presses;
import polydex.desktop.controls.Texts;
import polydex.desktop.state.Analysis;
import polydex.keys.Gesture;
import polydex.keys.Modifier;
import polydex.keys.Physical;

/** The wanted gesture on the board, step by step, with the fingers that take it. */
final class RepeatView extends VBox {
  /** Of nothing; for the time before anything was answered. */
  static final RepeatView NOTHING = new RepeatView();

  private final Label words = Texts.words("");
  private List<Physical> steps = List.of();
  private Optional<WantedKeys> keys = Optional.empty();
  private boolean pressed;

  private RepeatView() {}

  /**
   * The first step.
   *
   * @param pressed whether it is to be pressed now, and not just seen
   */
  RepeatView(Gesture wanted, Map<Modifier, String> names, Analysis found, boolean pressed) {
    super(8);
    setAlignment(Pos.TOP_CENTER);
    setMinHeight(0);
    this.pressed = pressed;
    Board board = found.workspace().world().boards().get(found.traces().setup().board());
    steps = Presses.physical(wanted, found.material().layout()).orElse(List.of());
    keys = Optional.of(new WantedKeys(board, found.material().layout(), names));
    say(worded("drill.press-it-right-once-that-counts"));
    show(0);
  }

  void say(String text) {
    words.setText(text);
  }

  /**
   * Another step.
   *
   * @param step counted from 0
   */
  void show(int step) {
    getChildren().clear();
    if (step >= steps.size()) {
      return;
    }
    if (pressed) {
      getChildren().add(words);
    }
    keys.ifPresent(
        k -> {
          String fingers = k.fingers(steps.get(step));
          String which = steps.size() > 1 ? worded("drill.step-of", step + 1, steps.size()) : "";
          if (!fingers.isEmpty()) {
            getChildren().add(Texts.quiet(which + fingers));
          }
          k.of(steps.get(step)).ifPresent(getChildren()::add);
        });
  }
}
