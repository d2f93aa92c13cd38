package polydex.desktop.mouse;

import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import polydex.desktop.controls.Texts;
import polydex.mouse.Remaining.Kind;
import polydex.totals.Habit.State;

/** States and classes as they are shown: a mark that differs in shape, and the word. */
public final class Marks {
  private Marks() {}

  /** A state with its mark. */
  static HBox state(State state) {
    Region dot = new Region();
    String word = state.name().toLowerCase(Locale.ROOT);
    dot.getStyleClass().addAll("dot", "dot-" + word);
    HBox box = new HBox(6, dot, Texts.styled(Spoken.state(state), "row-title"));
    box.setAlignment(Pos.CENTER_LEFT);
    return box;
  }

  /** A class with its mark. */
  public static HBox kind(Kind kind) {
    Region mark = new Region();
    switch (kind) {
      case LEARN -> mark.getStyleClass().addAll("dot", "dot-learning");
      case FREE_THE_WAY -> mark.getStyleClass().add("notch");
      case BIND, WALK -> mark.getStyleClass().addAll("dot", "dot-switching");
      case POINTER_BY_NATURE, UNKNOWN -> mark.getStyleClass().addAll("dot", "dot-open");
    }
    HBox box = new HBox(6, mark, Texts.styled(Spoken.kind(kind), "row-title"));
    box.setAlignment(Pos.CENTER_LEFT);
    return box;
  }
}
