package polydex.desktop.drill;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.boards.Board;
import polydex.boards.KeyLegends;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.desktop.controls.KeyboardView;
import polydex.desktop.controls.KeyboardView.Cap;
import polydex.desktop.state.Analysis;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;

/** Where the keys lie that were wanted: the board under the hands, with those keys on it marked. */
final class WantedKeys {
  private static final double HEIGHT = 170;

  private WantedKeys() {}

  /** The board; none where the gesture can't be pressed on it by keys alone. */
  static Optional<KeyboardView> of(Gesture wanted, Map<Modifier, String> names, Analysis found) {
    Board board = found.workspace().world().boards().get(found.traces().setup().board());
    Layout layout = found.material().layout();
    Set<Key> keys = wanted(Presses.physical(wanted, layout).orElse(List.of()), board);
    if (keys.isEmpty()) {
      return Optional.empty();
    }
    Map<Key, Cap> caps = new EnumMap<>(Key.class);
    for (Board.KeyPlace place : board.places()) {
      boolean marked = keys.contains(place.key());
      caps.put(
          place.key(),
          new Cap(
              marked ? KeyLegends.of(place.key(), layout, names) : "",
              marked ? " " : "",
              marked ? "board-key-wanted" : ""));
    }
    KeyboardView view = new KeyboardView();
    view.setFocusTraversable(false);
    view.setMouseTransparent(true);
    view.showPlain(board, caps);
    view.setMaxHeight(HEIGHT);
    view.setPrefHeight(HEIGHT);
    view.setMaxWidth(
        HEIGHT
            * board.places().stream().mapToDouble(p -> p.x() + p.width()).max().orElse(1)
            / board.places().stream().mapToDouble(p -> p.y() + p.height()).max().orElse(1));
    view.setAccessibleText("The keys that were wanted: " + wanted);
    return Optional.of(view);
  }

  private static Set<Key> wanted(List<Physical> presses, Board board) {
    Set<Key> keys = EnumSet.noneOf(Key.class);
    for (Physical press : presses) {
      Physical onBoard = board.press(press).orElse(press);
      if (onBoard instanceof Physical.PointerPress) {
        return Set.of();
      }
      onBoard.pressedKey().ifPresent(keys::add);
      keys.addAll(onBoard.held().keys());
      Modifiers held = onBoard.held().modifiers();
      for (Modifier m : Modifier.values()) {
        if (held.has(m)) {
          keys.addAll(on(board, m));
        }
      }
    }
    return keys;
  }

  /** The keys of a modifier that the board has, on either side. */
  private static Set<Key> on(Board board, Modifier modifier) {
    List<Key> all =
        switch (modifier) {
          case CTRL -> List.of(Key.ControlLeft, Key.ControlRight);
          case SHIFT -> List.of(Key.ShiftLeft, Key.ShiftRight);
          case ALT -> List.of(Key.AltLeft);
          case ALTGR -> List.of(Key.AltRight);
          case META -> List.of(Key.MetaLeft, Key.MetaRight);
          case FN -> List.of(Key.Fn);
          case HYPER -> List.of();
        };
    Set<Key> found = EnumSet.noneOf(Key.class);
    all.stream().filter(board::has).forEach(found::add);
    return found;
  }
}
