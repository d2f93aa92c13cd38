package polydex.desktop.desk;

import java.util.List;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.Parent;
import polydex.desktop.keys.KeyCommand;

/** One of the places that the window shows. */
public interface Place {
  /** What it shows; always the same node. */
  Parent node();

  /** The keys that work in it now. */
  List<KeyCommand> commands();

  /** The controls that Alt and a letter reach in it. */
  Map<Character, Node> reachable();

  /** It has come to the front: shows what is true now, and takes the focus. */
  void shown();

  /** Another place has come to the front. */
  default void hidden() {}
}
