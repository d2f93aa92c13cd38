package polydex.keys;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** The names by which people call keys, modifiers and groups of keys, without regard to case. */
final class KeyNames {
  private static final Map<String, KeyRef> KEYS = keys();
  private static final Map<String, Modifiers> MODIFIERS = modifiers();
  private static final Map<String, List<KeyRef>> GROUPS =
      Map.of(
          "Arrow",
          Stream.of(Key.ArrowLeft, Key.ArrowRight, Key.ArrowUp, Key.ArrowDown)
              .<KeyRef>map(KeyRef.Placed::new)
              .toList(),
          "Function",
          IntStream.rangeClosed(1, 12)
              .<KeyRef>mapToObj(i -> new KeyRef.Placed(Key.valueOf("F" + i)))
              .toList());

  private KeyNames() {}

  static Optional<KeyRef> key(String name) {
    return Optional.ofNullable(KEYS.get(fold(name)));
  }

  static Optional<Modifiers> modifier(String name) {
    return Optional.ofNullable(MODIFIERS.get(fold(name)));
  }

  static Optional<PointerAct> pointerAct(String name) {
    return Stream.of(PointerAct.values())
        .filter(a -> a.written().equalsIgnoreCase(name))
        .findFirst();
  }

  static Optional<String> groupName(String name) {
    return GROUPS.keySet().stream().filter(g -> g.equalsIgnoreCase(name)).findFirst();
  }

  static List<KeyRef> group(String groupName) {
    return GROUPS.get(groupName);
  }

  private static String fold(String name) {
    return name.toLowerCase(Locale.ROOT);
  }

  private static Map<String, KeyRef> keys() {
    Map<String, KeyRef> names = new HashMap<>();
    for (Key key : Key.values()) {
      key.keyName().ifPresent(name -> names.put(fold(name), new KeyRef.Placed(key)));
    }
    Map.of(
            "return", Key.Enter,
            "escape", Key.Escape,
            "del", Key.Delete,
            "ins", Key.Insert,
            "bs", Key.Backspace,
            "pgup", Key.PageUp,
            "pgdn", Key.PageDown,
            "pgdown", Key.PageDown,
            "spacebar", Key.Space)
        .forEach((name, key) -> names.put(name, new KeyRef.Placed(key)));
    for (Key arrow : List.of(Key.ArrowLeft, Key.ArrowRight, Key.ArrowUp, Key.ArrowDown)) {
      names.put(fold(arrow.name()), new KeyRef.Placed(arrow));
    }
    names.put("prtsc", new KeyRef.Placed(Key.PrintScreen));
    Map.of(
            "plus", '+',
            "minus", '-',
            "comma", ',',
            "period", '.',
            "slash", '/',
            "backslash", '\\',
            "semicolon", ';',
            "colon", ':',
            "equals", '=',
            "backtick", '`')
        .forEach((name, c) -> names.put(name, new KeyRef.Typed(c)));
    return names;
  }

  private static Map<String, Modifiers> modifiers() {
    Map<Modifier, List<String>> synonyms =
        Map.of(
            Modifier.CTRL, List.of("ctrl", "control", "ctl"),
            Modifier.META, List.of("meta", "super", "win", "windows", "cmd", "command"),
            Modifier.ALT, List.of("alt", "option", "opt"),
            Modifier.ALTGR, List.of("altgr"),
            Modifier.SHIFT, List.of("shift"),
            Modifier.HYPER, List.of("hyper"),
            Modifier.FN, List.of("fn"));
    Map<String, Modifiers> names = new HashMap<>();
    synonyms.forEach(
        (modifier, words) -> {
          for (String word : words) {
            names.put(word, Modifiers.of(modifier));
            names.put("left" + word, Modifiers.of(modifier, Modifiers.Side.LEFT));
            names.put("right" + word, Modifiers.of(modifier, Modifiers.Side.RIGHT));
          }
        });
    return names;
  }
}
