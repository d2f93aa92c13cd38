package polydex.keys;

import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.MissingResourceException;
import java.util.Objects;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * The names that the X Window System and the desktops after it have for what keys give. The table
 * of characters is the resource {@code keysyms.properties}, made from libxkbcommon's header.
 */
public final class Keysyms {
  private static final ResourceBundle TABLE =
      ResourceBundle.getBundle("polydex.keys.keysyms", Locale.ROOT);

  /** Where several names are for one key, the usual one comes first. */
  private static final Map<String, Key> KEYS = keys();

  private static final Map<Key, String> NAMES = new EnumMap<>(Key.class);

  static {
    KEYS.forEach((name, key) -> NAMES.putIfAbsent(key, name));
  }

  private static final Pattern NUMBERED =
      Pattern.compile("U([0-9A-Fa-f]{2,7})|U0([0-9A-Fa-f]{7})|0x0?1([0-9A-Fa-f]{6})");

  private Keysyms() {}

  /**
   * What a keysym types.
   *
   * @param codePoint a Unicode code point
   * @param dead whether it waits for the next letter to sit on
   */
  public record Sign(int codePoint, boolean dead) {}

  /** The character of a keysym; none for one that types nothing. */
  public static Optional<Sign> sign(String name) {
    Optional<Integer> direct = unicode(name);
    if (direct.isPresent()) {
      return direct.map(c -> new Sign(c, false));
    }
    return value(name)
        .filter(v -> v.contains("U+"))
        .map(
            v ->
                new Sign(
                    Integer.parseInt(v.substring(v.indexOf("U+") + 2), 16), v.startsWith("dead")));
  }

  /** The key that a keysym names, where it names one rather than a character. */
  public static Optional<Key> key(String name) {
    return Optional.ofNullable(KEYS.get(name));
  }

  /** The first name of a key that a keysym names; none for one that the layout decides. */
  public static Optional<String> name(Key key) {
    return Optional.ofNullable(NAMES.get(key));
  }

  /** {@code U20AC} and {@code 0x10020ac} name a character by its number. */
  private static Optional<Integer> unicode(String name) {
    Matcher matcher = NUMBERED.matcher(name);
    if (!matcher.matches()) {
      return Optional.empty();
    }
    String digits =
        Stream.of(1, 2, 3).map(matcher::group).filter(Objects::nonNull).findFirst().orElseThrow();
    return Optional.of(Integer.parseInt(digits, 16)).filter(Character::isValidCodePoint);
  }

  private static Optional<String> value(String name) {
    try {
      return Optional.of(TABLE.getString(name));
    } catch (MissingResourceException _) {
      return Optional.empty();
    }
  }

  private static Map<String, Key> keys() {
    Map<String, Key> keys = new LinkedHashMap<>();
    for (int i = 1; i <= 24; i++) {
      keys.put("F" + i, Key.valueOf("F" + i));
    }
    for (int i = 0; i <= 9; i++) {
      keys.put("KP_" + i, Key.valueOf("Numpad" + i));
    }
    String names =
        """
        Return Enter;Tab Tab;ISO_Left_Tab Tab;BackSpace Backspace;Escape Escape;Delete Delete;Insert Insert
        Home Home;End End;Page_Up PageUp;Page_Down PageDown;Prior PageUp;Next PageDown;Left ArrowLeft
        Right ArrowRight;Up ArrowUp;Down ArrowDown;Print PrintScreen;Sys_Req PrintScreen;Scroll_Lock ScrollLock
        Pause Pause;Break Pause;Caps_Lock CapsLock;Menu ContextMenu;Find Find;Help Help;Undo Undo;space Space
        Num_Lock NumLock;KP_Enter NumpadEnter;KP_Add NumpadAdd;KP_Subtract NumpadSubtract
        KP_Multiply NumpadMultiply;KP_Divide NumpadDivide;KP_Decimal NumpadDecimal;KP_Equal NumpadEqual
        KP_Separator NumpadComma;KP_Home Numpad7;KP_Up Numpad8;KP_Page_Up Numpad9;KP_Prior Numpad9
        KP_Left Numpad4;KP_Begin Numpad5;KP_Right Numpad6;KP_End Numpad1;KP_Down Numpad2
        KP_Page_Down Numpad3;KP_Next Numpad3;KP_Insert Numpad0;KP_Delete NumpadDecimal
        XF86AudioMute AudioVolumeMute;XF86AudioLowerVolume AudioVolumeDown;XF86AudioRaiseVolume AudioVolumeUp
        XF86AudioPlay MediaPlayPause;XF86AudioStop MediaStop;XF86AudioNext MediaTrackNext
        XF86AudioPrev MediaTrackPrevious;XF86AudioMedia MediaSelect;XF86Back BrowserBack
        XF86Forward BrowserForward;XF86Reload BrowserRefresh;XF86Refresh BrowserRefresh;XF86Stop BrowserStop
        XF86HomePage BrowserHome;XF86Search BrowserSearch;XF86Favorites BrowserFavorites
        XF86MyComputer LaunchApp1;XF86Explorer LaunchApp1;XF86Calculator LaunchApp2;XF86Mail LaunchMail
        XF86Eject Eject;XF86PowerOff Power;XF86Sleep Sleep;XF86WakeUp WakeUp;XF86Copy Copy;XF86Cut Cut
        XF86Paste Paste;Henkan Convert;Muhenkan NonConvert;Hiragana_Katakana KanaMode
        """;
    for (String pair : names.strip().split("[;\n]+")) {
      String[] parts = pair.strip().split(" ");
      keys.put(parts[0], Key.valueOf(parts[1]));
    }
    return keys;
  }
}
