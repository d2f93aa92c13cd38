package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Control;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Whatever can have the focus has a name that a screen reader says. */
@ExtendWith(ApplicationExtension.class)
class SpokenNamesTest extends InWindow {
  @Start
  void start(Stage shown) throws Exception {
    open(shown);
  }

  @Test
  void nothingThatTakesTheFocusIsNameless(FxRobot robot) {
    Set<String> nameless = new TreeSet<>();
    int seen = 0;
    for (PlaceName place : PlaceName.values()) {
      person.keys("Alt+" + place.letter());
      Driver.settle();
      seen += look(place.title(), nameless);
      for (String over : List.of("F1", "F10", "Ctrl+U", "Ctrl+M")) {
        person.keys(over);
        Driver.settle();
        seen += look(place.title() + " " + over, nameless);
        person.keys("Esc");
        Driver.settle();
      }
    }
    assertThat(nameless).isEmpty();
    assertThat(seen).isGreaterThan(300);
  }

  private int look(String where, Set<String> nameless) {
    List<Control> all = new ArrayList<>();
    gather(stage.getScene().getRoot(), all);
    for (Control control : all) {
      if (name(control).isBlank()) {
        nameless.add(where + ": " + control.getClass().getSimpleName() + control.getStyleClass());
      }
    }
    return all.size();
  }

  private static void gather(Parent parent, List<Control> to) {
    for (Node node : parent.getChildrenUnmodifiable()) {
      if (!node.isVisible()) {
        continue;
      }
      if (node instanceof Control control
          && control.isFocusTraversable()
          && !(control instanceof ScrollPane)) {
        to.add(control);
      }
      if (node instanceof Parent below) {
        gather(below, to);
      }
    }
  }

  private static String name(Control control) {
    String said = control.getAccessibleText();
    if (said != null && !said.isBlank()) {
      return said;
    }
    // A label without words has no name; its text may be missing altogether.
    return control instanceof Labeled labeled && labeled.getText() != null ? labeled.getText() : "";
  }
}
