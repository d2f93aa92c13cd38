package polydex.route;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.boards.Board;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Physical;

/** Which keys a board has, and what to press with Fn for others, ready to be asked often. */
final class BoardKeys {
  private final Set<Key> keys = EnumSet.noneOf(Key.class);
  private final Map<Key, Key> withFn = new EnumMap<>(Key.class);
  private final Map<Key, Key> given = new EnumMap<>(Key.class);

  BoardKeys(Board board) {
    board.places().forEach(p -> keys.add(p.key()));
    board
        .fn()
        .forEach(
            (pressed, gives) -> {
              if (keys.contains(pressed)) {
                withFn.putIfAbsent(gives, pressed);
                given.put(pressed, gives);
              }
            });
  }

  /**
   * What a board gives for a press.
   *
   * @param press what goes on from it; Fn is used up where it has made another key of one
   * @param withFn the key that was pressed with Fn for it, where that was so
   */
  record Given(Physical press, Optional<Key> withFn) {}

  /** What comes of a press; none where the board has no such key. */
  Optional<Given> given(Physical press) {
    Held held = press.held();
    if (press instanceof Physical.Press p
        && held.keys().isEmpty()
        && !held.modifiers().has(Modifier.FN)
        && keys.contains(p.key())) {
      return Optional.of(new Given(press, Optional.empty())); // what nearly all are
    }
    if (!held.keys().isEmpty() && !keys.containsAll(held.keys())) {
      return Optional.empty();
    }
    Optional<Key> key = press.pressedKey();
    boolean fn = held.modifiers().has(Modifier.FN);
    boolean there = key.filter(k -> !keys.contains(k)).isEmpty();
    Optional<Key> other = key.filter(_ -> fn).map(given::get);
    if (there && other.isEmpty()) {
      return Optional.of(new Given(press, Optional.empty()));
    }
    Optional<Key> pressed = there ? key : key.map(withFn::get);
    return pressed.map(
        p ->
            new Given(
                new Physical.Press(
                    held.with(held.modifiers().without(Modifier.FN)),
                    there ? other.orElseThrow() : key.orElseThrow()),
                pressed));
  }
}
