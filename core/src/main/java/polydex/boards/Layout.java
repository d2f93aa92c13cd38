package polydex.boards;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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

  private static final List<Modifiers> LEVELS =
      List.of(
          Modifiers.NONE,
          Modifiers.of(Modifier.SHIFT),
          Modifiers.of(Modifier.ALTGR),
          Modifiers.of(Modifier.ALTGR, Modifier.SHIFT));

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
    // Lower levels first, then keys by place: of several ways to a character the plainest counts.
    for (int level = 0; level < LEVELS.size(); level++) {
      for (Map.Entry<Key, List<Optional<Symbol>>> entry : this.symbols.entrySet()) {
        Modifiers modifiers = LEVELS.get(level);
        at(entry.getKey(), level)
            .filter(s -> !s.dead())
            .ifPresent(
                s -> typings.putIfAbsent(s.codePoint(), new Typing(entry.getKey(), modifiers)));
      }
    }
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
