package polydex.route;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.boards.Board;
import polydex.keys.Key;

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

  boolean has(Key key) {
    return keys.contains(key);
  }

  /** What a key gives while Fn is held, where that is another. */
  Optional<Key> givenWithFn(Key pressed) {
    return Optional.ofNullable(given.get(pressed));
  }

  /** The key to press with Fn for one that the board gives only so. */
  Optional<Key> withFn(Key wanted) {
    return Optional.ofNullable(withFn.get(wanted));
  }
}
