package polydex.files.fit;

import static polydex.files.language.FilesWords.worded;

import java.util.EnumMap;
import java.util.HashMap;
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
 * A remap as a section of X keyboard symbols, with the rule that makes it an option. The section
 * says what a key gives, so that keys whose sign the layout decides can't be what another becomes;
 * modifier maps follow, by the keysyms that the keys give.
 */
public final class XkbRemap {
  /** The largest text that is read, in characters. */
  public static final int LARGEST = 1 << 20;

  /** What a key gives that is switched off; no symbol at all would leave it as it was. */
  private static final String NOTHING = "VoidSymbol";

  private static final int LONGEST_LINE = 1_000;

  private static final Pattern KEY =
      Pattern.compile(
          "\\s*replace\\s+key\\s*<([A-Za-z0-9_+-]{1,8})>\\s*\\{\\s*\\[\\s*(\\w+)\\s*(?:,\\s*\\2\\s*)?\\]\\s*\\}\\s*;\\s*");
  private static final Pattern HEAD =
      Pattern.compile(
          "\\s*(?:(?:default|partial|modifier_keys)\\s+)*xkb_symbols\\s+\"[^\"\\n]{1,80}\"\\s*\\{\\s*");
  private static final Pattern MODIFIER_MAP =
      Pattern.compile("\\s*modifier_map\\s+\\w+\\s*\\{[^}\\n]*\\}\\s*;\\s*");

  /** The real modifiers that keysyms stand for, as the standard descriptions map them. */
  private static final Map<String, String> REAL = real();

  private XkbRemap() {}

  private static Map<String, String> real() {
    Map<String, String> real = new HashMap<>();
    for (String side : new String[] {"_L", "_R"}) {
      real.put("Control" + side, "Control");
      real.put("Shift" + side, "Shift");
      real.put("Alt" + side, "Mod1");
      real.put("Super" + side, "Mod4");
    }
    real.put("ISO_Level3_Shift", "Mod5");
    real.put("Caps_Lock", "Lock");
    return Map.copyOf(real);
  }

  /**
   * The symbols of a remap.
   *
   * @param section the name of the section, a word
   * @throws FileProblem where this form can't say it
   */
  public static String write(Remap remap, String section) throws FileProblem {
    Optional<String> hindrance = KeyByKey.hindrance(remap);
    if (hindrance.isPresent()) {
      throw problem(remap, hindrance.get());
    }
    StringBuilder text =
        new StringBuilder(
            "// %s\npartial modifier_keys\nxkb_symbols \"%s\" {\n"
                .formatted(Visible.of(remap.title()).replaceAll("\\s+", " "), section));
    StringBuilder maps = new StringBuilder();
    for (Map.Entry<Key, Optional<Key>> rule : KeyByKey.of(remap).keys().entrySet()) {
      KeyCodes.Names from =
          KeyCodes.of(rule.getKey())
              .orElseThrow(
                  () ->
                      problem(remap, worded("fit.has-no-name-in-this-form", rule.getKey().name())));
      String keysym = NOTHING;
      if (rule.getValue().isPresent()) {
        Key to = rule.getValue().get();
        keysym = KeyCodes.of(to).map(KeyCodes.Names::keysym).orElse("");
        if (keysym.isEmpty()) {
          throw problem(remap, worded("fit.what-gives-is-decided-by-the", to.name()));
        }
      }
      // Both levels, since what is left open stays as it was: a key with Shift would be the old
      // one.
      text.append("    replace key <%1$s> { [ %2$s, %2$s ] };\n".formatted(from.xkb(), keysym));
      if (REAL.containsKey(keysym)) {
        maps.append("    modifier_map %s { <%s> };\n".formatted(REAL.get(keysym), from.xkb()));
      }
    }
    return text.append(maps).append("};\n").toString();
  }

  private static FileProblem problem(Remap remap, String why) {
    return new FileProblem(worded("fit.cant-be-x-keyboard-symbols", remap.title(), why));
  }

  /** The lines for a rules file that make the section an option. */
  public static String option(String file, String section) {
    return "! option = symbols\n  %1$s:%2$s = +%1$s(%2$s)\n".formatted(file, section);
  }

  /**
   * The remap of a section as {@link #write} writes it. O(text).
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
    String title =
        lines[0].startsWith("// ") && lines[0].length() > 3 ? lines[0].substring(3).strip() : name;
    boolean inside = false;
    boolean ended = false;
    for (int i = 0; i < lines.length; i++) {
      if (lines[i].length() > LONGEST_LINE) {
        throw new FileProblem(
            worded("fit.line-is-longer-than-characters-nothing", name, i + 1, LONGEST_LINE));
      }
      String line = lines[i].replaceFirst("\\s*(//|#).*", "");
      if (line.isBlank() || line.strip().matches("(default|partial|modifier_keys| )+")) {
        continue;
      }
      if (!inside && !ended && HEAD.matcher(line).matches()) {
        inside = true;
        continue;
      }
      if (inside && line.strip().equals("};")) {
        inside = false;
        ended = true;
        continue;
      }
      if (inside && MODIFIER_MAP.matcher(line).matches()) {
        continue;
      }
      Matcher key = KEY.matcher(line);
      if (!inside || !key.matches()) {
        throw new FileProblem(
            worded(
                "fit.line-expected-nothing-was-taken",
                name,
                i + 1,
                inside
                    ? "replace key <CAPS> { [ Control_L, Control_L ] }; or };"
                    : worded("fit.xkb-symbols-with-a-name-and")));
      }
      rule(name, i, key, keys);
    }
    if (!ended) {
      throw new FileProblem(worded("fit.expected-at-the-end-nothing-was", name));
    }
    if (keys.isEmpty()) {
      throw new FileProblem(worded("fit.changes-no-key-nothing-was-taken", name));
    }
    return new KeyByKey(keys).remap(title);
  }

  private static void rule(String name, int line, Matcher key, Map<Key, Optional<Key>> keys)
      throws FileProblem {
    Optional<Key> from = KeyCodes.byXkb(key.group(1));
    Optional<Key> to = KeyCodes.byKeysym(key.group(2));
    if (from.isEmpty() || (to.isEmpty() && !key.group(2).equals(NOTHING))) {
      throw new FileProblem(
          worded(
              "fit.line-is-no-key-that-is",
              name,
              line + 1,
              from.isEmpty() ? key.group(1) : key.group(2)));
    }
    if (keys.put(from.get(), to) != null) {
      throw new FileProblem(
          worded("fit.line-was-made-something-else-before", name, line + 1, from.get().name()));
    }
  }
}
