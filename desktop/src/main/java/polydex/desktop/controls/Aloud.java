package polydex.desktop.controls;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Labeled;

/** What a screen reader is to say of some nodes that come into view without taking the focus. */
public final class Aloud {
  private Aloud() {}

  /** Their words in the order in which they stand: the name of a node, or what is in it. */
  public static String of(List<? extends Node> nodes) {
    List<String> said = new ArrayList<>();
    nodes.forEach(n -> gather(n, said));
    return String.join(". ", said).replace("?.", "?").replace("..", ".");
  }

  private static void gather(Node node, List<String> to) {
    if (!node.isVisible()) {
      return;
    }
    String name = node.getAccessibleText();
    if (name != null && !name.isBlank()) {
      to.add(name);
    } else if (node instanceof Labeled labeled) {
      if (!labeled.getText().isBlank()) {
        to.add(labeled.getText());
      }
    } else if (node instanceof Parent parent) {
      parent.getChildrenUnmodifiable().forEach(n -> gather(n, to));
    }
  }
}
