package polydex.boards;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Physical;

/**
 * A physical keyboard.
 *
 * @param id short and stable
 * @param title as people call it
 * @param places where its keys are
 * @param fn what a key gives while Fn is held: from the key that is pressed to the one it gives
 */
public record Board(String id, String title, List<KeyPlace> places, Map<Key, Key> fn) {

  /**
   * A key and the rectangle that it covers, in millimetres from the top left corner of the board.
   *
   * @param key which
   * @param x left edge
   * @param y upper edge
   * @param width of the cap with its share of the gaps
   * @param height of the cap with its share of the gaps
   */
  public record KeyPlace(Key key, double x, double y, double width, double height) {}

  /** Copies both collections. */
  public Board {
    places = List.copyOf(places);
    fn = fn.isEmpty() ? Map.of() : new EnumMap<>(fn);
  }

  /** Whether it has a key of this name. */
  public boolean has(Key key) {
    return places.stream().anyMatch(p -> p.key() == key);
  }

  /** The keys that it has, by name. */
  public Map<Key, KeyPlace> byKey() {
    return places.stream().collect(Collectors.toMap(KeyPlace::key, p -> p, (a, _) -> a));
  }

  /**
   * What the hands do on this board for a press; none where it has no key for it, not even with Fn.
   */
  public Optional<Physical> press(Physical wanted) {
    if (!(wanted instanceof Physical.Press(Held held, Key key)) || has(key)) {
      return Optional.of(wanted);
    }
    return withFn(key)
        .map(k -> new Physical.Press(held.with(held.modifiers().and(Modifier.FN)), k));
  }

  /** The key to press with Fn for one that the board gives only so. */
  public Optional<Key> withFn(Key wanted) {
    return fn.entrySet().stream()
        .filter(e -> e.getValue() == wanted && has(e.getKey()))
        .map(Map.Entry::getKey)
        .findFirst();
  }
}
