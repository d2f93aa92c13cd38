package polydex.desktop.keys;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import org.jspecify.annotations.Nullable;
import polydex.boards.Layout;
import polydex.keys.Key;
import polydex.keys.Modifier;

/**
 * What JavaFX calls keys. It gives no places: a writing key comes as the character that it types
 * plainly, and a layout is needed to know where that is.
 */
public final class FxKeys {
  private static final Map<KeyCode, Modifier> MODIFIERS = new EnumMap<>(KeyCode.class);
  private static final Map<KeyCode, Key> NAMED = new EnumMap<>(KeyCode.class);
  private static final Map<KeyCode, Character> SIGNS = new EnumMap<>(KeyCode.class);
  private static final Map<Character, Key> US_PLACES =
      Map.ofEntries(
          Map.entry('`', Key.Backquote),
          Map.entry('-', Key.Minus),
          Map.entry('=', Key.Equal),
          Map.entry('[', Key.BracketLeft),
          Map.entry(']', Key.BracketRight),
          Map.entry('\\', Key.Backslash),
          Map.entry(';', Key.Semicolon),
          Map.entry('\'', Key.Quote),
          Map.entry(',', Key.Comma),
          Map.entry('.', Key.Period),
          Map.entry('/', Key.Slash));

  static {
    MODIFIERS.put(KeyCode.CONTROL, Modifier.CTRL);
    MODIFIERS.put(KeyCode.SHIFT, Modifier.SHIFT);
    MODIFIERS.put(KeyCode.ALT, Modifier.ALT);
    MODIFIERS.put(KeyCode.ALT_GRAPH, Modifier.ALTGR);
    MODIFIERS.put(KeyCode.WINDOWS, Modifier.META);
    MODIFIERS.put(KeyCode.COMMAND, Modifier.META);
    MODIFIERS.put(KeyCode.META, Modifier.META);

    NAMED.put(KeyCode.SPACE, Key.Space);
    NAMED.put(KeyCode.ENTER, Key.Enter);
    NAMED.put(KeyCode.TAB, Key.Tab);
    NAMED.put(KeyCode.BACK_SPACE, Key.Backspace);
    NAMED.put(KeyCode.ESCAPE, Key.Escape);
    NAMED.put(KeyCode.CAPS, Key.CapsLock);
    NAMED.put(KeyCode.CONTEXT_MENU, Key.ContextMenu);
    NAMED.put(KeyCode.INSERT, Key.Insert);
    NAMED.put(KeyCode.DELETE, Key.Delete);
    NAMED.put(KeyCode.HOME, Key.Home);
    NAMED.put(KeyCode.END, Key.End);
    NAMED.put(KeyCode.PAGE_UP, Key.PageUp);
    NAMED.put(KeyCode.PAGE_DOWN, Key.PageDown);
    NAMED.put(KeyCode.LEFT, Key.ArrowLeft);
    NAMED.put(KeyCode.RIGHT, Key.ArrowRight);
    NAMED.put(KeyCode.UP, Key.ArrowUp);
    NAMED.put(KeyCode.DOWN, Key.ArrowDown);
    NAMED.put(KeyCode.PRINTSCREEN, Key.PrintScreen);
    NAMED.put(KeyCode.SCROLL_LOCK, Key.ScrollLock);
    NAMED.put(KeyCode.PAUSE, Key.Pause);
    NAMED.put(KeyCode.NUM_LOCK, Key.NumLock);
    NAMED.put(KeyCode.ADD, Key.NumpadAdd);
    NAMED.put(KeyCode.SUBTRACT, Key.NumpadSubtract);
    NAMED.put(KeyCode.MULTIPLY, Key.NumpadMultiply);
    NAMED.put(KeyCode.DIVIDE, Key.NumpadDivide);
    NAMED.put(KeyCode.DECIMAL, Key.NumpadDecimal);
    NAMED.put(KeyCode.MUTE, Key.AudioVolumeMute);
    NAMED.put(KeyCode.VOLUME_DOWN, Key.AudioVolumeDown);
    NAMED.put(KeyCode.VOLUME_UP, Key.AudioVolumeUp);
    NAMED.put(KeyCode.FIND, Key.Find);
    NAMED.put(KeyCode.HELP, Key.Help);
    for (int i = 1; i <= 24; i++) {
      NAMED.put(KeyCode.valueOf("F" + i), Key.valueOf("F" + i));
    }
    for (int i = 0; i <= 9; i++) {
      NAMED.put(KeyCode.valueOf("NUMPAD" + i), Key.valueOf("Numpad" + i));
      SIGNS.put(KeyCode.valueOf("DIGIT" + i), (char) ('0' + i));
    }
    for (char c = 'A'; c <= 'Z'; c++) {
      SIGNS.put(KeyCode.valueOf(String.valueOf(c)), Character.toLowerCase(c));
    }
    SIGNS.put(KeyCode.BACK_QUOTE, '`');
    SIGNS.put(KeyCode.MINUS, '-');
    SIGNS.put(KeyCode.EQUALS, '=');
    SIGNS.put(KeyCode.PLUS, '+');
    SIGNS.put(KeyCode.OPEN_BRACKET, '[');
    SIGNS.put(KeyCode.CLOSE_BRACKET, ']');
    SIGNS.put(KeyCode.BACK_SLASH, '\\');
    SIGNS.put(KeyCode.SEMICOLON, ';');
    SIGNS.put(KeyCode.QUOTE, '\'');
    SIGNS.put(KeyCode.COMMA, ',');
    SIGNS.put(KeyCode.PERIOD, '.');
    SIGNS.put(KeyCode.SLASH, '/');
    SIGNS.put(KeyCode.NUMBER_SIGN, '#');
    SIGNS.put(KeyCode.LESS, '<');
  }

  private FxKeys() {}

  /** The modifier, if it is one. */
  public static Optional<Modifier> modifier(KeyCode code) {
    return Optional.ofNullable(MODIFIERS.get(code));
  }

  /** The place of any other key, if it is known. */
  public static Optional<Key> key(KeyCode code, Layout layout) {
    Key named = NAMED.get(code);
    if (named != null) {
      return Optional.of(named);
    }
    Character sign = SIGNS.get(code);
    if (sign == null) {
      return Optional.empty();
    }
    // A character that the layout has only with modifiers was not what the key typed plainly: the
    // computer's layout is another than the setup says, and the place on a US board is the best.
    return layout
        .typing(sign)
        .filter(t -> t.level().isEmpty())
        .map(Layout.Typing::key)
        .or(() -> Optional.ofNullable(usPlace(sign)));
  }

  @Nullable
  private static Key usPlace(char sign) {
    if (sign >= 'a' && sign <= 'z') {
      return Key.valueOf("Key" + Character.toUpperCase(sign));
    }
    return sign >= '0' && sign <= '9' ? Key.valueOf("Digit" + sign) : US_PLACES.get(sign);
  }
}
