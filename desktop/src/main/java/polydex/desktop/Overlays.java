package polydex.desktop;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.KeyRail;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.keys.KeyTable;
import polydex.desktop.keys.OwnKeys;
import polydex.own.OwnKey;

/**
 * What lies over the frame, one thing over the other: only the topmost has the focus and the keys,
 * and shows them; closed, it gives the focus back to what had it.
 */
final class Overlays {
  private record Veil(
      StackPane node,
      Node focus,
      Optional<Node> focusBefore,
      List<KeyCommand> commands,
      Runnable showKeys) {}

  private final Node frame;
  private final KeyTable table;
  private final OwnKeys own;
  private final List<KeyCommand> always;
  private final Runnable afterClosing;
  private final StackPane node = new StackPane();
  private final Deque<Veil> veils = new ArrayDeque<>();

  /**
   * With nothing open.
   *
   * @param frame what lies below
   * @param table knows whose keys work
   * @param own which keys the commands have
   * @param always what works in each of them, how to see all keys first
   * @param afterClosing is run when one was closed
   */
  Overlays(
      Node frame, KeyTable table, OwnKeys own, List<KeyCommand> always, Runnable afterClosing) {
    this.frame = frame;
    this.table = table;
    this.own = own;
    this.always = List.copyOf(always);
    this.afterClosing = afterClosing;
    // What was opened below the list of keys shows the new ones, too.
    own.now().addListener((_, _, _) -> veils.forEach(v -> v.showKeys().run()));
    // Where nothing is open, the pointer reaches the frame.
    node.setPickOnBounds(false);
  }

  /** All of them. */
  Node node() {
    return node;
  }

  boolean isOpen() {
    return !veils.isEmpty();
  }

  /**
   * Opens one over what is there.
   *
   * @param focus in it
   * @param commands its own keys; with none it says itself what works
   */
  void open(VBox shown, Node focus, List<KeyCommand> commands) {
    Runnable showKeys = () -> {};
    if (!commands.isEmpty()) {
      KeyRail rail = new KeyRail();
      KeyCommand close = KeyCommand.of(OwnKey.CLOSE, this::close);
      boolean ownHelp = commands.stream().anyMatch(c -> c.is(OwnKey.ALL_KEYS_OPEN));
      List<KeyCommand> ends = ownHelp ? List.of(close) : List.of(always.getFirst(), close);
      showKeys = () -> rail.show(own.by(commands), own.by(ends));
      showKeys.run();
      shown.getChildren().add(rail);
    }
    StackPane veil = new StackPane(shown);
    veil.getStyleClass().add("veil");
    veil.setPadding(new Insets(24));
    Optional<Node> before = Optional.ofNullable(frame.getScene().getFocusOwner());
    under().setDisable(true);
    List<KeyCommand> keys = new ArrayList<>(commands);
    keys.addAll(always);
    veils.push(new Veil(veil, focus, before, keys, showKeys));
    node.getChildren().add(veil);
    table.over(Optional.of(keys));
    focus.requestFocus();
  }

  /**
   * The keys belong to the topmost: where something below it took the focus meanwhile, or nothing
   * has it, it is given back, so that what is typed is not lost.
   */
  void holdFocus() {
    Veil top = veils.peek();
    if (top == null || top.node().getScene() == null) {
      return;
    }
    for (Node n = top.node().getScene().getFocusOwner(); n != null; n = n.getParent()) {
      if (n.equals(top.node())) {
        return;
      }
    }
    top.focus().requestFocus();
  }

  /** Closes the topmost, if one is open. */
  void close() {
    if (veils.isEmpty()) {
      return;
    }
    Veil closed = veils.pop();
    node.getChildren().remove(closed.node());
    under().setDisable(false);
    table.over(Optional.ofNullable(veils.peek()).map(Veil::commands));
    closed.focusBefore().ifPresent(Node::requestFocus);
    afterClosing.run();
  }

  /** What lies on top. */
  private Node under() {
    return veils.isEmpty() ? frame : veils.peek().node();
  }
}
