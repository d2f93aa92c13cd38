package polydex.desktop.controls;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.control.OverrunStyle;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.boards.Board;
import polydex.boards.Board.KeyPlace;
import polydex.keys.Key;

/**
 * A keyboard drawn to scale from the geometry of a board. Each key has its legend and a line of
 * what it does; arrows walk from key to key by where they stand.
 */
public final class KeyboardView extends Region {
  private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
  private static final PseudoClass TIGHT = PseudoClass.getPseudoClass("tight");
  private static final double GAP = 2;

  /** Left and right of what stands on a key. */
  private static final double SIDES = 8;

  /** What a mark takes beside the legend. */
  private static final double MARK = 13;

  /** The width of a letter of the font of legends, in times its size. */
  private static final double LETTER = 0.62;

  /**
   * What stands on a key.
   *
   * @param legend what is printed on it
   * @param does what it does; empty where it is free
   * @param style the role of that, a style class; empty for none
   * @param mark the mark beside its legend, style classes; empty for none
   */
  public record Cap(String legend, String does, String style, String mark) {
    /** Without a mark. */
    public Cap(String legend, String does, String style) {
      this(legend, does, style, "");
    }
  }

  /** A rectangle of a key; a key that is none has several, of which the first is its main one. */
  private record Drawn(
      KeyPlace place, boolean isMain, VBox node, Label legend, Region mark, Label does) {}

  private final List<Drawn> keys = new ArrayList<>();
  private final Map<Key, Drawn> byKey = new HashMap<>();
  private final ReadOnlyObjectWrapper<Optional<Key>> chosen =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private Optional<Board> board = Optional.empty();
  private double boardWidth = 1;
  private double boardHeight = 1;

  /** An empty one. */
  public KeyboardView() {
    getStyleClass().add("keyboard");
    setFocusTraversable(true);
    setAccessibleRole(AccessibleRole.LIST_VIEW);
    setAccessibleText(worded("any.keyboard"));
    addEventHandler(KeyEvent.KEY_PRESSED, this::walk);
    setOnMousePressed(_ -> requestFocus());
    setMinHeight(120);
  }

  /** The key that is chosen; none before one is. */
  public ReadOnlyObjectProperty<Optional<Key>> chosen() {
    return chosen.getReadOnlyProperty();
  }

  /** Chooses a key, if the board has it. */
  public void choose(Key key) {
    if (byKey.containsKey(key)) {
      chosen.get().map(byKey::get).ifPresent(d -> mark(d.place().key(), false));
      chosen.set(Optional.of(key));
      mark(key, true);
      Drawn drawn = byKey.get(key);
      setAccessibleText(drawn.legend().getText() + ": " + drawn.does().getText());
    }
  }

  private void mark(Key key, boolean on) {
    keys.stream()
        .filter(d -> d.place().key() == key)
        .forEach(d -> d.node().pseudoClassStateChanged(CHOSEN, on));
  }

  /** Draws a board with what stands on its keys. */
  public void show(Board shown, Map<Key, Cap> caps) {
    if (!board.equals(Optional.of(shown))) {
      build(shown);
    }
    for (Drawn drawn : keys) {
      Cap cap = caps.getOrDefault(drawn.place().key(), new Cap("", "", ""));
      drawn.legend().setText(drawn.isMain() ? cap.legend() : "");
      drawn.does().setText(drawn.isMain() ? cap.does() : "");
      drawn.mark().getStyleClass().setAll(cap.mark().split(" "));
      drawn.mark().setVisible(drawn.isMain() && !cap.mark().isEmpty());
      drawn.mark().setManaged(drawn.mark().isVisible());
      drawn.node().getStyleClass().setAll("board-key");
      drawn.node().getStyleClass().add(cap.does().isEmpty() ? "board-key-free" : "board-key-taken");
      if (!cap.style().isEmpty()) {
        drawn.node().getStyleClass().add(cap.style());
      }
    }
    Key was = chosen.get().filter(byKey::containsKey).orElse(keys.getFirst().place().key());
    choose(was);
  }

  /** The same with no key chosen, for one that is only looked at. */
  public void showPlain(Board shown, Map<Key, Cap> caps) {
    show(shown, caps);
    chosen.get().ifPresent(key -> mark(key, false));
  }

  private void build(Board shown) {
    board = Optional.of(shown);
    keys.clear();
    byKey.clear();
    getChildren().clear();
    boardWidth = shown.places().stream().mapToDouble(p -> p.x() + p.width()).max().orElse(1);
    boardHeight = shown.places().stream().mapToDouble(p -> p.y() + p.height()).max().orElse(1);
    for (KeyPlace place : shown.places()) {
      Label legend = Texts.styled("", "board-legend");
      legend.setTextOverrun(OverrunStyle.CLIP);
      legend.setMinWidth(0);
      Label does = Texts.styled("", "board-does");
      // What is too long for one line goes on in the next, as far as the key has room.
      does.setWrapText(true);
      Region mark = new Region();
      HBox top = new HBox(4, legend, mark);
      top.setAlignment(Pos.CENTER_LEFT);
      VBox node = new VBox(top, does);
      node.setOnMouseClicked(_ -> choose(place.key()));
      Drawn drawn = new Drawn(place, !byKey.containsKey(place.key()), node, legend, mark, does);
      keys.add(drawn);
      byKey.putIfAbsent(place.key(), drawn);
      getChildren().add(node);
    }
  }

  /** The width of a letter of a legend, which all have the same. */
  private double em() {
    return keys.getFirst().legend().getFont().getSize() * LETTER;
  }

  private double scale() {
    return Math.min(getWidth() / boardWidth, getHeight() / boardHeight);
  }

  @Override
  protected void layoutChildren() {
    double scale = scale();
    for (Drawn drawn : keys) {
      KeyPlace p = drawn.place();
      // A key too small for two lines keeps its legend; what it does is said below when it is
      // chosen.
      double room = p.height() * scale - GAP;
      double wide = p.width() * scale - GAP - SIDES - (drawn.mark().isManaged() ? MARK : 0);
      drawn
          .legend()
          .pseudoClassStateChanged(TIGHT, drawn.legend().getText().length() * em() > wide);
      drawn.does().setVisible(room >= drawn.legend().prefHeight(-1) + drawn.does().minHeight(-1));
      drawn
          .node()
          .resizeRelocate(
              p.x() * scale + GAP / 2,
              p.y() * scale + GAP / 2,
              p.width() * scale - GAP,
              p.height() * scale - GAP);
    }
  }

  @Override
  protected double computePrefHeight(double width) {
    return width <= 0 ? 300 : boardHeight * width / boardWidth;
  }

  private void walk(KeyEvent event) {
    if (event.isControlDown() || event.isAltDown() || event.isMetaDown() || keys.isEmpty()) {
      return;
    }
    KeyCode code = event.getCode();
    Optional<Key> next =
        switch (code) {
          case LEFT -> neighbour(-1, 0);
          case RIGHT -> neighbour(1, 0);
          case UP -> neighbour(0, -1);
          case DOWN -> neighbour(0, 1);
          case HOME -> Optional.of(keys.getFirst().place().key());
          case END -> Optional.of(keys.getLast().place().key());
          default -> Optional.empty();
        };
    if (code.isArrowKey() || code == KeyCode.HOME || code == KeyCode.END) {
      event.consume();
      next.ifPresent(this::choose);
    }
  }

  /** The nearest key whose middle lies that way, rather straight ahead than near but aside. */
  private Optional<Key> neighbour(int dx, int dy) {
    KeyPlace from = chosen.get().map(k -> byKey.get(k).place()).orElse(keys.getFirst().place());
    double x = from.x() + from.width() / 2;
    double y = from.y() + from.height() / 2;
    return keys.stream()
        .map(Drawn::place)
        .filter(p -> p.key() != from.key())
        .filter(p -> ahead(p, x, y, dx, dy) > from.height() / 4)
        .min(
            Comparator.comparingDouble(
                p -> ahead(p, x, y, dx, dy) + 3 * Math.abs(aside(p, x, y, dx))))
        .map(KeyPlace::key);
  }

  private static double ahead(KeyPlace p, double x, double y, int dx, int dy) {
    return dx * (p.x() + p.width() / 2 - x) + dy * (p.y() + p.height() / 2 - y);
  }

  private static double aside(KeyPlace p, double x, double y, int dx) {
    return dx == 0 ? p.x() + p.width() / 2 - x : p.y() + p.height() / 2 - y;
  }
}
