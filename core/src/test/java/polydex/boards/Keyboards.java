package polydex.boards;

import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import polydex.boards.Layout.Symbol;
import polydex.keys.Key;

/** Two small layouts and two boards that tests stand on. */
public final class Keyboards {
  private static final List<Key> LETTERS =
      "QWERTYUIOPASDFGHJKLZXCVBNM".chars().mapToObj(c -> Key.valueOf("Key" + (char) c)).toList();

  /** Letters, digits, brackets and slash where a US board has them. */
  public static final Layout US = us();

  /** Z and Y swapped, a slash on Shift+7, brackets with AltGr, a dead circumflex. */
  public static final Layout CENTRAL = central();

  /** Every key that there is. */
  public static final Board FULL = board("full", List.of(Key.values()), Map.of());

  /** No function row and no navigation keys; Home and F1 with Fn. */
  public static final Board SMALL =
      board(
          "small",
          List.of(Key.values()).stream()
              .filter(k -> !k.name().matches("F\\d+|Home|End|Page.*|Pause"))
              .toList(),
          Map.of(Key.ArrowLeft, Key.Home, Key.Digit1, Key.F1));

  private Keyboards() {}

  private static Board board(String id, List<Key> keys, Map<Key, Key> fn) {
    return new Board(
        id, id, keys.stream().map(k -> new Board.KeyPlace(k, 0, 0, 19.05, 19.05)).toList(), fn);
  }

  private static Map<Key, List<Optional<Symbol>>> letters() {
    Map<Key, List<Optional<Symbol>>> keys = new EnumMap<>(Key.class);
    for (Key key : LETTERS) {
      put(keys, key, key.name().substring(3).toLowerCase(Locale.ROOT), key.name().substring(3));
    }
    put(keys, Key.Space, " ", " ");
    return keys;
  }

  private static void put(Map<Key, List<Optional<Symbol>>> keys, Key key, String... levels) {
    keys.put(
        key,
        List.of(levels).stream()
            .map(
                s ->
                    s.isEmpty()
                        ? Optional.<Symbol>empty()
                        : Optional.of(
                            new Symbol(s.codePointAt(s.length() - 1), s.startsWith("dead"))))
            .toList());
  }

  private static Layout us() {
    Map<Key, List<Optional<Symbol>>> keys = letters();
    String shifted = "!@#$%^&*()";
    for (int i = 0; i < 10; i++) {
      int digit = (i + 1) % 10;
      put(keys, Key.valueOf("Digit" + digit), "" + digit, "" + shifted.charAt(i));
    }
    put(keys, Key.BracketLeft, "[", "{");
    put(keys, Key.BracketRight, "]", "}");
    put(keys, Key.Slash, "/", "?");
    put(keys, Key.Equal, "=", "+");
    put(keys, Key.Minus, "-", "_");
    return new Layout("us", "US", keys);
  }

  private static Layout central() {
    Map<Key, List<Optional<Symbol>>> keys = new LinkedHashMap<>(letters());
    put(keys, Key.KeyY, "z", "Z");
    put(keys, Key.KeyZ, "y", "Y");
    put(keys, Key.KeyQ, "q", "Q", "@");
    put(keys, Key.Digit7, "7", "/", "{");
    put(keys, Key.Digit8, "8", "(", "[");
    put(keys, Key.Digit9, "9", ")", "]");
    put(keys, Key.Backquote, "dead^", "°");
    put(keys, Key.Minus, "ß", "?");
    return new Layout("central", "Central", keys);
  }
}
