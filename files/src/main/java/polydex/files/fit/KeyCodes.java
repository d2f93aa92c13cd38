package polydex.files.fit;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.keys.Key;

/**
 * What keys are called by X keyboard descriptions, by Linux's input subsystem, and what codes
 * keyboards send for them: set 1 of the AT keyboard with 0x80 for what comes behind an E0, and
 * usages of the HID keyboard page (USB HID Usage Tables 1.4, section 10). The table is the resource
 * {@code remaps/keys.csv}.
 */
public final class KeyCodes {

  /**
   * A key.
   *
   * @param xkb its name in X keyboard descriptions
   * @param keysym what it gives there on every layout; empty for one that the layout decides
   * @param linux its name in the input subsystem, lower case
   * @param at its code on an AT keyboard, hexadecimal; empty where it has none
   * @param usb its HID usage, page and number, hexadecimal
   */
  record Names(String xkb, String keysym, String linux, String at, String usb) {}

  private static final Map<Key, Names> BY_KEY = read();
  private static final Map<String, Key> BY_XKB = new HashMap<>();
  private static final Map<String, Key> BY_KEYSYM = new HashMap<>();
  private static final Map<String, Key> BY_LINUX = new HashMap<>();
  private static final Map<String, Key> BY_CODE = new HashMap<>();

  static {
    BY_KEY.forEach(
        (key, names) -> {
          BY_XKB.put(names.xkb(), key);
          BY_LINUX.put(names.linux(), key);
          put(BY_KEYSYM, names.keysym(), key);
          put(BY_CODE, names.at(), key);
          put(BY_CODE, names.usb(), key);
        });
    BY_KEYSYM.put("Alt_R", Key.AltRight);
    BY_KEYSYM.put("Page_Up", Key.PageUp);
    BY_KEYSYM.put("Page_Down", Key.PageDown);
  }

  private KeyCodes() {}

  private static void put(Map<String, Key> map, String name, Key key) {
    if (!name.isEmpty()) {
      map.put(name, key);
    }
  }

  private static Map<Key, Names> read() {
    Map<Key, Names> found = new EnumMap<>(Key.class);
    try (InputStream in = KeyCodes.class.getResourceAsStream("/polydex/remaps/keys.csv")) {
      List<String> lines =
          new ArrayList<>(new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList());
      lines.removeFirst();
      for (String line : lines) {
        String[] c = line.split(",", -1);
        found.put(Key.valueOf(c[0]), new Names(c[1], c[2], c[3], c[4], c[5]));
      }
      return found;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  static Optional<Names> of(Key key) {
    return Optional.ofNullable(BY_KEY.get(key));
  }

  /** The key of a name in X keyboard descriptions. */
  public static Optional<Key> byXkb(String name) {
    return Optional.ofNullable(BY_XKB.get(name));
  }

  /** The key that gives a keysym on every layout. */
  public static Optional<Key> byKeysym(String name) {
    return Optional.ofNullable(BY_KEYSYM.get(name));
  }

  static Optional<Key> byLinux(String name) {
    return Optional.ofNullable(BY_LINUX.get(name));
  }

  static Optional<Key> byCode(String code) {
    return Optional.ofNullable(BY_CODE.get(code));
  }
}
