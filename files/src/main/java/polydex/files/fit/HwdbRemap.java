package polydex.files.fit;

import static polydex.files.language.FilesWords.worded;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import polydex.files.FileProblem;
import polydex.fit.KeyByKey;
import polydex.keys.Key;
import polydex.keys.Visible;
import polydex.route.Remap;

/**
 * A remap as a block of the hardware database of udev (hwdb(7)), which tells the kernel what a key
 * code means: once for keyboards of the AT kind, as in laptops, and once for those on USB.
 */
public final class HwdbRemap {
  /** The largest text that is read, in characters. */
  public static final int LARGEST = 1 << 20;

  private static final int LONGEST_LINE = 1_000;

  private static final String AT = "evdev:atkbd:*";
  private static final String USB = "evdev:input:b0003*";
  private static final Pattern SETTING =
      Pattern.compile("\\s+KEYBOARD_KEY_([0-9a-fA-F]{1,8})=(!?[a-z0-9_]+)\\s*");

  private HwdbRemap() {}

  /**
   * The block of a remap.
   *
   * @throws FileProblem where this form can't say it
   */
  public static String write(Remap remap) throws FileProblem {
    Optional<String> hindrance = KeyByKey.hindrance(remap);
    if (hindrance.isPresent()) {
      throw new FileProblem(worded("fit.cant-be-a-key-code-block", remap.title(), hindrance.get()));
    }
    StringBuilder at = new StringBuilder();
    StringBuilder usb = new StringBuilder();
    for (Map.Entry<Key, Optional<Key>> rule : KeyByKey.of(remap).keys().entrySet()) {
      KeyCodes.Names from = names(rule.getKey(), remap);
      String to =
          rule.getValue().isEmpty() ? "reserved" : names(rule.getValue().get(), remap).linux();
      if (!from.at().isEmpty()) {
        at.append(" KEYBOARD_KEY_%s=%s\n".formatted(from.at(), to));
      }
      usb.append(" KEYBOARD_KEY_%s=%s\n".formatted(from.usb(), to));
    }
    if (usb.isEmpty()) {
      throw new FileProblem(worded("fit.changes-no-key", remap.title()));
    }
    String title = Visible.of(remap.title()).replaceAll("\\s+", " ");
    return "# %s\n%s%s\n%s".formatted(title, at.isEmpty() ? "" : AT + "\n" + at + "\n", USB, usb);
  }

  private static KeyCodes.Names names(Key key, Remap remap) throws FileProblem {
    return KeyCodes.of(key)
        .orElseThrow(
            () ->
                new FileProblem(
                    worded("fit.cant-be-a-key-code-block-2", remap.title(), key.name())));
  }

  /**
   * The remap of a block. O(text).
   *
   * @param name of the file, for messages, and of the remap
   * @throws FileProblem that says the line and what was expected
   */
  public static Remap read(String name, String text) throws FileProblem {
    if (text.length() > LARGEST) {
      throw new FileProblem(worded("fit.is-larger-than-1-mib-nothing", name));
    }
    Map<Key, Optional<Key>> keys = new EnumMap<>(Key.class);
    String[] lines = text.split("\n", -1);
    String title = name;
    for (int i = 0; i < lines.length; i++) {
      if (lines[i].length() > LONGEST_LINE) {
        throw new FileProblem(
            worded("fit.line-is-longer-than-characters-nothing", name, i + 1, LONGEST_LINE));
      }
      String line = lines[i].replaceFirst("\\s*#.*", "");
      if (i == 0 && lines[i].startsWith("# ")) {
        title = lines[i].substring(2).strip();
      }
      if (line.isBlank() || !Character.isWhitespace(line.charAt(0))) {
        continue; // what the block is for says nothing of keys
      }
      Matcher setting = SETTING.matcher(line);
      if (!setting.matches()) {
        throw new FileProblem(worded("fit.line-expected-keyboard-key-with-a", name, i + 1));
      }
      Key from =
          key(
              name,
              i,
              KeyCodes.byCode(setting.group(1).toLowerCase(Locale.ROOT)),
              setting.group(1));
      Optional<Key> to =
          setting.group(2).equals("reserved")
              ? Optional.empty()
              : Optional.of(
                  key(
                      name,
                      i,
                      KeyCodes.byLinux(setting.group(2).replaceFirst("^!", "")),
                      setting.group(2)));
      Optional<Key> before = keys.put(from, to);
      if (before != null && !before.equals(to)) {
        throw new FileProblem(
            worded("fit.line-was-made-something-else-before", name, i + 1, from.name()));
      }
    }
    if (keys.isEmpty()) {
      throw new FileProblem(worded("fit.has-no-line-keyboard-key-nothing", name));
    }
    return new KeyByKey(keys).remap(title);
  }

  private static Key key(String name, int line, Optional<Key> found, String word)
      throws FileProblem {
    return found.orElseThrow(
        () -> new FileProblem(worded("fit.line-is-no-key-that-is", name, line + 1, word)));
  }
}
