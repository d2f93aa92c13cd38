package polydex.desktop.drill;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedSet;
import java.util.Set;
import polydex.boards.Board;
import polydex.boards.KeyLegends;
import polydex.boards.Layout;
import polydex.desktop.controls.KeyboardView;
import polydex.desktop.controls.KeyboardView.Cap;
import polydex.effort.Finger;
import polydex.effort.StrokeEffort;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;

/**
 * Where the keys of a step lie and which fingers take them: the board under the hands, with those
 * keys on it marked. Of a modifier that is there on both sides the hand takes that which the other
 * key leaves free, as the effort of strokes is reckoned.
 */
final class WantedKeys {
  private static final double HEIGHT = 220;
  private static final double LEAST_HEIGHT = 110;

  private final Board board;
  private final Layout layout;
  private final Map<Modifier, String> names;
  private final StrokeEffort effort;

  WantedKeys(Board board, Layout layout, Map<Modifier, String> names) {
    this.board = board;
    this.layout = layout;
    this.names = names;
    this.effort = new StrokeEffort(board);
  }

  /** The board; none where the step can't be pressed on it by keys alone. */
  Optional<KeyboardView> of(Physical step) {
    Set<Key> keys = wanted(step);
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
    double wide =
        board.places().stream().mapToDouble(p -> p.x() + p.width()).max().orElse(1)
            / board.places().stream().mapToDouble(p -> p.y() + p.height()).max().orElse(1);
    // With large text or in a low window it gets what is left, and goes before it can't be read.
    view.setMinHeight(0);
    view.setMaxWidth(HEIGHT * wide);
    view.heightProperty()
        .subscribe(
            height -> {
              view.setVisible(height.doubleValue() >= LEAST_HEIGHT);
              view.setMaxWidth(Math.max(1, height.doubleValue() * wide));
            });
    view.setAccessibleText(worded("drill.the-keys-that-are-wanted", fingers(step)));
    return Optional.of(view);
  }

  /**
   * Which finger takes which key, in the order in which they go down. No finger takes two: the next
   * one of the hand does.
   */
  String fingers(Physical step) {
    List<String> said = new ArrayList<>();
    Set<Finger> taken = EnumSet.noneOf(Finger.class);
    for (Key key : wanted(step)) {
      effort
          .finger(key)
          .map(f -> free(f, taken))
          .ifPresent(
              f ->
                  said.add(
                      worded(
                          "drill.with-the",
                          KeyLegends.of(key, layout, names),
                          f.title(),
                          f == Finger.THUMB ? "" : worded("drill.finger"))));
    }
    return said.isEmpty() ? "" : String.join(", ", said) + ".";
  }

  private static Finger free(Finger wanted, Set<Finger> taken) {
    List<Finger> hand =
        wanted.isRight()
            ? List.of(Finger.RIGHT_LITTLE, Finger.RIGHT_RING, Finger.RIGHT_MIDDLE)
            : List.of(Finger.LEFT_LITTLE, Finger.LEFT_RING, Finger.LEFT_MIDDLE);
    Finger found = wanted;
    for (int i = 0; taken.contains(found) && i < hand.size(); i++) {
      found = hand.get(i);
    }
    taken.add(found);
    return found;
  }

  private SequencedSet<Key> wanted(Physical step) {
    SequencedSet<Key> keys = new LinkedHashSet<>();
    Physical press = board.press(step).orElse(step);
    if (press instanceof Physical.PointerPress) {
      return keys;
    }
    Optional<Key> pressed = press.pressedKey();
    boolean isRight = pressed.flatMap(effort::finger).map(Finger::isRight).orElse(false);
    Modifiers held = press.held().modifiers();
    for (Modifier m : Modifier.values()) {
      if (held.has(m)) {
        Set<Key> all = on(m);
        all.stream()
            .filter(k -> effort.finger(k).map(Finger::isRight).orElse(isRight) != isRight)
            .findFirst()
            .or(() -> all.stream().findFirst())
            .ifPresent(keys::add);
      }
    }
    keys.addAll(press.held().keys());
    pressed.ifPresent(keys::add);
    return keys;
  }

  /** The keys of a modifier that the board has, on either side. */
  private Set<Key> on(Modifier modifier) {
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
