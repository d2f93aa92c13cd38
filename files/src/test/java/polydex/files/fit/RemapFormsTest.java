package polydex.files.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.files.FileProblem;
import polydex.files.json.ModelJson;
import polydex.fit.CommonRemaps;
import polydex.fit.KeyByKey;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers.Side;
import polydex.route.Remap;
import polydex.route.Remap.KeyPart;
import polydex.route.Remap.KeyRule;
import polydex.route.Remap.ModifierPart;
import polydex.route.Remap.Part;

/** Remaps in open forms: what is written means the same when it is read, and to the tools. */
class RemapFormsTest {

  @Provide
  Arbitrary<Remap> remaps() {
    Arbitrary<Part> keys =
        Arbitraries.of(
                Key.CapsLock, Key.Escape, Key.Tab, Key.ScrollLock, Key.F13, Key.Home, Key.Find)
            .map(KeyPart::new);
    Arbitrary<Part> modifiers =
        Combinators.combine(
                Arbitraries.of(
                    Modifier.CTRL, Modifier.SHIFT, Modifier.ALT, Modifier.META, Modifier.ALTGR),
                Arbitraries.of(Side.values()))
            .as(ModifierPart::new);
    Arbitrary<Part> parts = Arbitraries.oneOf(keys, modifiers);
    return Combinators.combine(parts, parts.optional())
        .as(KeyRule::new)
        .list()
        .ofMinSize(1)
        .ofMaxSize(4)
        .map(rules -> new Remap("Invented", Optional.empty(), List.of(), rules))
        .filter(r -> !KeyByKey.of(r).keys().isEmpty());
  }

  @Property(tries = 500)
  void whatIsWrittenIsReadAsTheSameKeys(@ForAll("remaps") Remap remap) throws FileProblem {
    KeyByKey keys = KeyByKey.of(remap);
    assertThat(KeyByKey.of(keys.remap("x"))).isEqualTo(keys);
    assertThat(KeyByKey.of(HwdbRemap.read("x", HwdbRemap.write(remap)))).isEqualTo(keys);
    Remap symbols = XkbRemap.read("x", XkbRemap.write(remap, "x"));
    assertThat(KeyByKey.of(symbols)).isEqualTo(keys);
    assertThat(symbols.title()).isEqualTo("Invented");
    assertThat(ModelJson.read("x", ModelJson.write(remap), Remap.class)).isEqualTo(remap);
  }

  @Test
  void aSwapIsReadBackAsTheRulesThatItWas() throws FileProblem {
    Remap swap = CommonRemaps.swapped(Modifier.CTRL, Modifier.META);
    assertThat(HwdbRemap.read("x", HwdbRemap.write(swap)).keyRules())
        .containsExactlyInAnyOrderElementsOf(swap.keyRules());
    assertThat(XkbRemap.read("x", XkbRemap.write(swap, "swap")).keyRules())
        .containsExactlyInAnyOrderElementsOf(swap.keyRules());
  }

  @Test
  void whatAFormCantSayIsRefusedWithTheReason() {
    List<String> hindered = new ArrayList<>();
    for (Remap r : CommonRemaps.all()) {
      KeyByKey.hindrance(r)
          .ifPresent(
              why -> {
                hindered.add(r.title());
                assertThatThrownBy(() -> HwdbRemap.write(r)).hasMessageContaining(why);
                assertThatThrownBy(() -> XkbRemap.write(r, "x")).hasMessageContaining(why);
              });
    }
    assertThat(hindered)
        .containsExactly("Caps Lock as Esc when tapped, Ctrl when held", "Number row shifted");
    Remap letter =
        new Remap(
            "Caps Lock as B",
            Optional.empty(),
            List.of(),
            List.of(new KeyRule(new KeyPart(Key.CapsLock), Optional.of(new KeyPart(Key.KeyB)))));
    assertThatThrownBy(() -> XkbRemap.write(letter, "x"))
        .hasMessageContaining("what KeyB gives is decided by the layout");
    assertThat(assertDoesWrite(letter)).contains("KEYBOARD_KEY_3a=b", "KEYBOARD_KEY_70039=b");
  }

  private static String assertDoesWrite(Remap remap) {
    try {
      return HwdbRemap.write(remap);
    } catch (FileProblem e) {
      throw new AssertionError(e);
    }
  }

  /** What is written compiles, and the compiled keymap gives what the remap says. */
  @Test
  void theReferenceToolCompilesTheSymbols(@TempDir Path folder)
      throws IOException, InterruptedException, FileProblem {
    Assumptions.assumeTrue(isThere("xkbcli"));
    Files.createDirectories(folder.resolve("symbols"));
    for (Remap remap : CommonRemaps.all()) {
      if (KeyByKey.hindrance(remap).isPresent()) {
        continue;
      }
      Files.writeString(folder.resolve("symbols/polydex"), XkbRemap.write(remap, "draft"));
      String keymap =
          "xkb_keymap { xkb_keycodes { include \"evdev+aliases(qwerty)\" };"
              + " xkb_types { include \"complete\" }; xkb_compatibility { include \"complete\" };"
              + " xkb_symbols { include \"pc+us+inet(evdev)+polydex(draft)\" }; };";
      String compiled =
          run(
              keymap,
              "xkbcli",
              "compile-keymap",
              "--include",
              folder.toString(),
              "--include-defaults",
              "--from-xkb");
      assertThat(compiled).startsWith("xkb_keymap");
      KeyByKey.of(remap)
          .keys()
          .forEach(
              (from, to) -> {
                String key = KeyCodes.of(from).orElseThrow().xkb();
                String gives =
                    to.map(k -> KeyCodes.of(k).orElseThrow().keysym()).orElse("VoidSymbol");
                assertThat(compiled)
                    .as("%s in %s", key, remap.title())
                    .containsPattern(
                        "key <%1$s>\\s*\\{\\s*\\[\\s*%2$s(,\\s*%2$s)?\\s*\\]"
                            .formatted(key, gives));
                assertThat(mapped(compiled, key))
                    .as("%s in %s", key, remap.title())
                    .isEqualTo(real(gives));
              });
    }
  }

  /** The real modifiers that a compiled keymap has a key in. */
  private static List<String> mapped(String compiled, String key) {
    return compiled
        .lines()
        .map(String::strip)
        .filter(l -> l.startsWith("modifier_map") && l.contains("<" + key + ">"))
        .map(l -> l.split(" ")[1])
        .toList();
  }

  private static List<String> real(String keysym) {
    return switch (keysym) {
      case "Control_L", "Control_R" -> List.of("Control");
      case "Alt_L" -> List.of("Mod1");
      case "Super_L", "Super_R" -> List.of("Mod4");
      case "Caps_Lock" -> List.of("Lock");
      default -> List.of();
    };
  }

  @Test
  void theReferenceToolTakesTheBlocks(@TempDir Path root)
      throws IOException, InterruptedException, FileProblem {
    Assumptions.assumeTrue(isThere("systemd-hwdb"));
    Path folder = Files.createDirectories(root.resolve("etc/udev/hwdb.d"));
    Remap swap = CommonRemaps.swapped(Modifier.CTRL, Modifier.META);
    Files.writeString(folder.resolve("90-draft.hwdb"), HwdbRemap.write(swap));
    run("", "systemd-hwdb", "update", "--strict", "--root=" + root);
    assertThat(run("", "systemd-hwdb", "query", "--root=" + root, "evdev:atkbd:dmi:x"))
        .contains("KEYBOARD_KEY_1d=leftmeta", "KEYBOARD_KEY_db=leftctrl");
    assertThat(run("", "systemd-hwdb", "query", "--root=" + root, "evdev:input:b0003v1234"))
        .contains("KEYBOARD_KEY_700e4=rightmeta");
  }

  private static boolean isThere(String tool) {
    return List.of(System.getenv("PATH").split(":")).stream()
        .anyMatch(p -> Files.isExecutable(Path.of(p, tool)));
  }

  /**
   * What a tool says; its exit value is no help, since one version of xkbcli has it upside down.
   */
  private static String run(String in, String... command) throws IOException, InterruptedException {
    Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
    process.getOutputStream().write(in.getBytes(StandardCharsets.UTF_8));
    process.getOutputStream().close();
    String out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
    assertThat(out).doesNotContainIgnoringCase("error").doesNotContainIgnoringCase("fail");
    return out;
  }
}
