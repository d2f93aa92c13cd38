package polydex.files.json;

import static polydex.files.language.FilesWords.worded;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.boards.Layout;
import polydex.boards.Layout.Symbol;
import polydex.keys.Key;

/**
 * A layout as a file writes it.
 *
 * @param keys for each key what it types plain, with Shift, AltGr, and Shift+AltGr; empty for
 *     nothing, {@code dead:} before the sign of a dead key
 */
@JsonIgnoreProperties("format")
record LayoutForm(String id, String title, Map<Key, List<String>> keys) {
  private static final String DEAD = "dead:";

  static LayoutForm of(Layout layout) {
    Map<Key, List<String>> keys = new LinkedHashMap<>();
    layout
        .symbols()
        .forEach(
            (key, levels) ->
                keys.put(
                    key, levels.stream().map(s -> s.map(LayoutForm::text).orElse("")).toList()));
    return new LayoutForm(layout.id(), layout.title(), keys);
  }

  Layout layout() {
    Map<Key, List<Optional<Symbol>>> symbols = new EnumMap<>(Key.class);
    keys.forEach(
        (key, levels) -> symbols.put(key, levels.stream().map(LayoutForm::symbol).toList()));
    return new Layout(id, title, symbols);
  }

  private static String text(Symbol symbol) {
    return (symbol.dead() ? DEAD : "") + Character.toString(symbol.codePoint());
  }

  private static Optional<Symbol> symbol(String text) {
    if (text.isEmpty()) {
      return Optional.empty();
    }
    boolean dead = text.startsWith(DEAD);
    String sign = dead ? text.substring(DEAD.length()) : text;
    if (sign.codePointCount(0, sign.length()) != 1) {
      throw new IllegalArgumentException(worded("json.not-one-character", text));
    }
    return Optional.of(new Symbol(sign.codePointAt(0), dead));
  }
}
