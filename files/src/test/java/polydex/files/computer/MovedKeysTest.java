package polydex.files.computer;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIf;
import polydex.files.FileProblem;
import polydex.files.xkb.XkbLayouts;
import polydex.keys.Keysyms;
import polydex.route.Remap;

class MovedKeysTest {
  private static final Pattern KEY =
      Pattern.compile("key\\s+<(\\w+)>\\s*\\{(.*?)\\};", Pattern.DOTALL);
  private static final Pattern FIRST =
      Pattern.compile("(?:symbols\\[\\w+\\]=|virtualMods=\\s*\\w+,|^)\\s*\\[\\s*(\\w+)[\\s,\\]]");
  private static final Pattern HELD =
      Pattern.compile("actions\\[\\w+\\]=\\s*\\[\\s*SetMods\\(modifiers=(\\w+)");
  private static final Map<String, String> HOLDING =
      Map.of("Control", "Control_L", "LevelThree", "ISO_Level3_Shift", "Mod1", "Alt_L");

  static boolean installed() {
    return Files.isDirectory(XkbLayouts.USUAL) && Files.isExecutable(Path.of("/usr/bin/xkbcli"));
  }

  private static List<String> options() throws IOException {
    List<String> all = new ArrayList<>();
    String part = "";
    for (String line :
        Files.readAllLines(XkbLayouts.USUAL.resolve("rules/evdev.lst"), StandardCharsets.UTF_8)) {
      if (line.startsWith("!")) {
        part = line.substring(1).strip();
      } else if (part.equals("option") && line.strip().split("\\s+")[0].contains(":")) {
        all.add(line.strip().split("\\s+")[0]);
      }
    }
    return all;
  }

  /** What libxkbcommon's own tool says that each key gives by itself. */
  private static Map<String, String> reference(String option) {
    try {
      Process process =
          new ProcessBuilder(
                  "/usr/bin/xkbcli", "compile-keymap", "--layout", "us", "--options", option)
              .redirectErrorStream(false)
              .start();
      String text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      Map<String, String> found = new TreeMap<>();
      for (Matcher key = KEY.matcher(text); key.find(); ) {
        Matcher first = FIRST.matcher(key.group(2));
        Matcher held = HELD.matcher(key.group(2));
        if (held.find() && HOLDING.containsKey(held.group(1))) {
          found.put(key.group(1), HOLDING.get(held.group(1)));
        } else if (first.find()) {
          found.put(key.group(1), first.group(1));
        }
      }
      return found;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Every option that the rules list, beside the reference. */
  @Test
  @EnabledIf("installed")
  void everyOptionDoesToEveryKeyWhatTheReferenceSays() throws Exception {
    XkbLayouts layouts = new XkbLayouts(XkbLayouts.USUAL);
    List<String> wrong = Collections.synchronizedList(new ArrayList<>());
    // Some keys have other names on the keyboards that the reference knows.
    Set<String> named = reference("no:such").keySet();
    assertThat(named).contains("CAPS", "LCTL", "COMP", "ESC", "AD01");
    List<String> moving = Collections.synchronizedList(new ArrayList<>());
    options().parallelStream()
        .forEach(
            option -> {
              Map<String, String> reference = reference(option);
              Map<String, String> ours;
              Map<String, String> plain;
              try {
                synchronized (layouts) {
                  ours = layouts.alone("us", List.of(option));
                  plain = layouts.alone("us", List.of());
                }
              } catch (FileProblem e) {
                wrong.add(option + ": " + e.getMessage());
                return;
              }
              if (!ours.equals(plain)) {
                moving.add(option);
              }
              ours.forEach(
                  (key, keysym) -> {
                    String said = reference.getOrDefault(key, "nothing");
                    boolean none = keysym.equals("VoidSymbol") && said.equals("nothing");
                    if (named.contains(key) && !isSame(said, keysym) && !none) {
                      wrong.add(
                          "%s: %s is %s, and %s in the reference"
                              .formatted(option, key, keysym, said));
                    }
                  });
            });
    assertThat(wrong).isEmpty();
    assertThat(moving).hasSizeGreaterThan(60);
  }

  /** By name, as the character that two numbers mean, or by the old names of F11 to F20. */
  private static boolean isSame(String some, String other) {
    return some.equals(other)
        || (other.matches("L\\d+")
            && some.equals("F" + (Integer.parseInt(other.substring(1)) + 10)))
        || (Keysyms.sign(some).isPresent() && Keysyms.sign(some).equals(Keysyms.sign(other)));
  }

  private static List<String> rules(String... options) throws FileProblem {
    MovedKeys moved = MovedKeys.of(new XkbLayouts(XkbLayouts.USUAL), "us", List.of(options));
    return moved.remap().stream()
        .flatMap(r -> r.keyRules().stream())
        .map(r -> r.from() + " " + r.to().map(Remap.Part::toString).orElse("nothing"))
        .toList();
  }

  @Test
  @EnabledIf("installed")
  void whatPeopleSetBecomesTheRemapThatItIs() throws FileProblem {
    assertThat(rules("ctrl:nocaps")).containsExactly("CapsLock LeftCtrl");
    assertThat(rules("caps:ctrl_modifier")).containsExactly("CapsLock LeftCtrl");
    assertThat(rules("caps:escape")).containsExactly("CapsLock Escape");
    assertThat(rules("caps:swapescape"))
        .containsExactlyInAnyOrder("CapsLock Escape", "Escape CapsLock");
    assertThat(rules("altwin:swap_lalt_lwin"))
        .containsExactlyInAnyOrder("Alt LeftMeta", "LeftMeta Alt");
    assertThat(rules("caps:none")).containsExactly("CapsLock nothing");
    assertThat(rules("lv3:caps_switch")).containsExactly("CapsLock AltGr");
    assertThat(rules("ctrl:nocaps", "altwin:swap_lalt_lwin")).hasSize(3);
    assertThat(rules("grp:alt_shift_toggle", "no:such")).isEmpty();
    // A key that composes is no key of a keyboard, which is said.
    MovedKeys compose =
        MovedKeys.of(new XkbLayouts(XkbLayouts.USUAL), "us", List.of("compose:menu"));
    assertThat(compose.remarks()).singleElement().asString().contains("Multi_key");
  }

  @Test
  @EnabledIf("installed")
  void whatOptionsDoToWhatIsTypedGoesIntoTheLayout() throws FileProblem {
    XkbLayouts layouts = new XkbLayouts(XkbLayouts.USUAL);
    assertThat(layouts.layout("us", List.of("ctrl:nocaps"))).isEqualTo(layouts.layout("us"));
    var euro = layouts.layout("us", List.of("eurosign:e"));
    assertThat(euro.id()).isEqualTo("xkb:us+eurosign:e");
    assertThat(euro.typing(0x20ac)).isNotEmpty();
    assertThat(layouts.layout("us").typing(0x20ac)).isEmpty();
  }
}
