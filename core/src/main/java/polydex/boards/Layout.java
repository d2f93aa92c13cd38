package polydex.boards;

import java.text.Normalizer;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;

/** What each key types at each level: plain, Shift, AltGr, Shift+AltGr. */
public final class Layout {

  /**
   * What a key types at one level.
   *
   * @param codePoint a Unicode code point
   * @param dead whether it waits for the next letter to sit on
   */
  public record Symbol(int codePoint, boolean dead) {}

  /**
   * How a character is typed.
   *
   * @param key the key
   * @param level the modifiers that its level costs
   */
  public record Typing(Key key, Modifiers level) {}

  /** Keys that the boards of some countries have besides the common ones. */
  private static final Set<Key> NOT_EVERYWHERE =
      EnumSet.of(Key.IntlBackslash, Key.IntlRo, Key.IntlYen);

  private static final List<Modifiers> LEVELS =
      List.of(
          Modifiers.NONE,
          Modifiers.of(Modifier.SHIFT),
          Modifiers.of(Modifier.ALTGR),
          Modifiers.of(Modifier.ALTGR, Modifier.SHIFT));

  /** The sign that a dead key shows for a combining mark. */
  private static final Map<Integer, Integer> SIGNS =
      Map.ofEntries(
          Map.entry(0x300, (int) '`'),
          Map.entry(0x301, 0xb4),
          Map.entry(0x302, (int) '^'),
          Map.entry(0x303, (int) '~'),
          Map.entry(0x304, 0xaf),
          Map.entry(0x306, 0x2d8),
          Map.entry(0x307, 0x2d9),
          Map.entry(0x308, 0xa8),
          Map.entry(0x30a, 0x2da),
          Map.entry(0x30b, 0x2dd),
          Map.entry(0x30c, 0x2c7),
          Map.entry(0x327, 0xb8),
          Map.entry(0x328, 0x2db),
          Map.entry(0x345, 0x37a));

  private final String id;
  private final String title;
  private final Map<Key, List<Optional<Symbol>>> symbols;
  private final Map<Integer, Typing> typings = new HashMap<>();

  /**
   * A layout.
   *
   * @param symbols for each key what it types at up to four levels
   */
  public Layout(String id, String title, Map<Key, List<Optional<Symbol>>> symbols) {
    this.id = id;
    this.title = title;
    this.symbols = symbols.isEmpty() ? Map.of() : new EnumMap<>(symbols);
    // Of several ways to a character the plainest counts: without AltGr before with it, keys that
    // every board has before those that only some have, lower levels first, then keys by place.
    for (int levels = 0; levels < LEVELS.size(); levels += 2) {
      for (boolean everywhere : new boolean[] {true, false}) {
        for (int level = levels; level < levels + 2; level++) {
          for (Key key : this.symbols.keySet()) {
            if (everywhere != NOT_EVERYWHERE.contains(key)) {
              addTyping(key, level);
            }
          }
        }
      }
    }
  }

  private void addTyping(Key key, int level) {
    at(key, level)
        .filter(s -> !s.dead())
        .ifPresent(s -> typings.putIfAbsent(s.codePoint(), new Typing(key, LEVELS.get(level))));
  }

  /** Short and stable. */
  public String id() {
    return id;
  }

  /** As people call it. */
  public String title() {
    return title;
  }

  /** What each key types, plain level first. */
  public Map<Key, List<Optional<Symbol>>> symbols() {
    return symbols;
  }

  /** What the key types with exactly these modifiers held; none where they make no level. */
  public Optional<Symbol> typed(Key key, Modifiers held) {
    int level = LEVELS.indexOf(held.eitherSide());
    return level < 0 ? Optional.empty() : at(key, level);
  }

  /** The plainest way to type the character, if there is one without a dead key. */
  public Optional<Typing> typing(int codePoint) {
    return Optional.ofNullable(typings.get(codePoint));
  }

  /**
   * How a character is typed with a dead key: the dead key, then the letter that it sits on. Found
   * through the canonical decomposition of the character (Unicode Standard Annex 15).
   */
  public Optional<List<Typing>> composing(int codePoint) {
    String parts = Normalizer.normalize(Character.toString(codePoint), Normalizer.Form.NFD);
    if (parts.codePointCount(0, parts.length()) != 2) {
      return Optional.empty();
    }
    int base = parts.codePointAt(0);
    int mark = parts.codePointBefore(parts.length());
    return typing(base).flatMap(letter -> dead(mark).map(accent -> List.of(accent, letter)));
  }

  private Optional<Typing> dead(int mark) {
    Integer sign = SIGNS.getOrDefault(mark, mark);
    for (int level = 0; level < LEVELS.size(); level++) {
      for (Key key : symbols.keySet()) {
        if (at(key, level).filter(s -> s.dead() && s.codePoint() == sign).isPresent()) {
          return Optional.of(new Typing(key, LEVELS.get(level)));
        }
      }
    }
    return Optional.empty();
  }

  /** Whether the character stands on the layout only as a dead key. */
  public boolean onlyDead(int codePoint) {
    return !typings.containsKey(codePoint)
        && symbols.values().stream()
            .flatMap(List::stream)
            .flatMap(Optional::stream)
            .anyMatch(s -> s.dead() && s.codePoint() == codePoint);
  }

  private Optional<Symbol> at(Key key, int level) {
    List<Optional<Symbol>> levels = symbols.getOrDefault(key, List.of());
    return level < levels.size() ? levels.get(level) : Optional.empty();
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Layout l
        && l.id.equals(id)
        && l.title.equals(title)
        && l.symbols.equals(symbols);
  }

  @Override
  public int hashCode() {
    return id.hashCode();
  }

  @Override
  public String toString() {
    return title;
  }
}
