package polydex.keys;

import static polydex.language.CoreWords.worded;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import polydex.keys.Modifiers.Side;

/**
 * Accelerators as toolkits write them into settings: modifiers in angle brackets, then a keysym.
 * O(n) in the length of the text.
 */
final class AcceleratorForm {
  private static final Map<String, Modifier> MODIFIERS =
      Map.ofEntries(
          Map.entry("shift", Modifier.SHIFT),
          Map.entry("shft", Modifier.SHIFT),
          Map.entry("control", Modifier.CTRL),
          Map.entry("ctrl", Modifier.CTRL),
          Map.entry("ctl", Modifier.CTRL),
          Map.entry("alt", Modifier.ALT),
          Map.entry("mod1", Modifier.ALT),
          Map.entry("super", Modifier.META),
          Map.entry("meta", Modifier.META),
          Map.entry("mod4", Modifier.META),
          Map.entry("hyper", Modifier.HYPER));
  private static final Map<String, Modifiers> MODIFIER_KEYSYMS =
      Map.ofEntries(
          Map.entry("Super_L", Modifiers.of(Modifier.META, Side.LEFT)),
          Map.entry("Super_R", Modifiers.of(Modifier.META, Side.RIGHT)),
          Map.entry("Meta_L", Modifiers.of(Modifier.META, Side.LEFT)),
          Map.entry("Meta_R", Modifiers.of(Modifier.META, Side.RIGHT)),
          Map.entry("Alt_L", Modifiers.of(Modifier.ALT, Side.LEFT)),
          Map.entry("Alt_R", Modifiers.of(Modifier.ALT, Side.RIGHT)),
          Map.entry("Control_L", Modifiers.of(Modifier.CTRL, Side.LEFT)),
          Map.entry("Control_R", Modifiers.of(Modifier.CTRL, Side.RIGHT)),
          Map.entry("Shift_L", Modifiers.of(Modifier.SHIFT, Side.LEFT)),
          Map.entry("Shift_R", Modifiers.of(Modifier.SHIFT, Side.RIGHT)),
          Map.entry("ISO_Level3_Shift", Modifiers.of(Modifier.ALTGR)));

  private final String text;
  private final Modifier primary;

  AcceleratorForm(String text, Modifier primary) {
    this.text = text;
    this.primary = primary;
  }

  /** Whether it looks like this form at all. */
  static boolean looksSo(String text) {
    return text.matches("(?s)(<\\s*\\w+\\s*>\\s*)*\\S+")
        && (text.matches(
                "(?si)<\\s*(primary|release|shift|shft|control|ctrl|ctl|alt|super|meta|hyper|mod\\d)\\s*>.*")
            || isBareKeysym(text));
  }

  /** A keysym by itself is taken where nothing else could be meant by such a word. */
  private static boolean isBareKeysym(String text) {
    return text.matches("\\w{2,}")
        && (text.contains("_") || text.startsWith("XF86") || text.matches("[a-z]+|U[0-9A-F]{4,6}"))
        && (Keysyms.key(text).isPresent()
            || MODIFIER_KEYSYMS.containsKey(text)
            || Keysyms.sign(text).filter(s -> !s.dead()).isPresent());
  }

  Gesture gesture() {
    int at = 0;
    Modifiers held = Modifiers.NONE;
    while (at < text.length() && text.charAt(at) == '<') {
      int end = text.indexOf('>', at);
      if (end < 0) {
        throw new GestureSyntaxException(text, text.length() + 1, "“>”");
      }
      held = held.and(modifier(text.substring(at + 1, end).strip(), at + 2));
      at = end + 1;
      while (at < text.length() && text.charAt(at) == ' ') {
        at++;
      }
    }
    return Gesture.of(step(held, text.substring(at), at + 1));
  }

  private Modifiers modifier(String name, int column) {
    String folded = name.toLowerCase(Locale.ROOT);
    if (folded.equals("primary")) {
      return Modifiers.of(primary);
    }
    Modifier known = MODIFIERS.get(folded);
    if (known == null) {
      throw new GestureSyntaxException(
          text, column, worded("keys.a-modifier-such-as-primary-shift", name));
    }
    return Modifiers.of(known);
  }

  private Step step(Modifiers held, String keysym, int column) {
    if (keysym.isEmpty()) {
      throw new GestureSyntaxException(text, column, worded("keys.the-name-of-a-key"));
    }
    Modifiers tap = MODIFIER_KEYSYMS.get(keysym);
    if (tap != null) {
      return new Step.Tap(held.and(tap), 1);
    }
    if (keysym.equals("ISO_Left_Tab")) {
      return new Step.Stroke(Held.of(held.and(Modifier.SHIFT)), new KeyRef.Placed(Key.Tab));
    }
    return new Step.Stroke(Held.of(held), key(keysym, column));
  }

  private KeyRef key(String keysym, int column) {
    // Settings of desktops name this key by its place; it is no keysym, whatever types there.
    Optional<Key> named =
        keysym.equalsIgnoreCase("Above_Tab")
            ? Optional.of(Key.Backquote)
            : Keysyms.key(keysym).or(() -> Keysyms.key(capitalised(keysym)));
    if (named.isPresent()) {
      return new KeyRef.Placed(named.get());
    }
    if (keysym.codePointCount(0, keysym.length()) == 1
        && !Character.isWhitespace(keysym.codePointAt(0))
        && !Character.isISOControl(keysym.codePointAt(0))) {
      return new KeyRef.Typed(keysym.codePointAt(0));
    }
    Keysyms.Sign sign =
        Keysyms.sign(keysym)
            .filter(s -> !s.dead() && !Character.isWhitespace(s.codePoint()))
            .filter(s -> !Character.isISOControl(s.codePoint()))
            .orElseThrow(
                () ->
                    new GestureSyntaxException(
                        text, column, worded("keys.the-name-of-a-key-is", keysym)));
    return new KeyRef.Typed(sign.codePoint());
  }

  /**
   * Toolkits are lenient about the case of the names of keys: {@code <Alt>f4}, {@code <Alt>left}.
   */
  private static String capitalised(String name) {
    return name.length() < 2
        ? name
        : name.substring(0, 1).toUpperCase(Locale.ROOT) + name.substring(1);
  }
}
