package polydex.files.xkb;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIf;
import org.junit.jupiter.api.io.TempDir;
import polydex.boards.Layout;
import polydex.files.FileProblem;
import polydex.keys.Key;
import polydex.keys.Keysyms;

class XkbLayoutsTest {
  private static final Pattern KEY =
      Pattern.compile("key\\s+<(\\w+)>\\s*\\{(.*?)\\};", Pattern.DOTALL);
  private static final Pattern FIRST_LEVELS = Pattern.compile("\\[((?:\\s|\\w|\\{[^}]*}|,)+)]");

  @TempDir Path dir;

  static boolean installed() {
    return Files.isDirectory(XkbLayouts.USUAL) && Files.isExecutable(Path.of("/usr/bin/xkbcli"));
  }

  /** libxkbcommon's own tool says what each layout really is. */
  @Test
  @EnabledIf("installed")
  void theInstalledLayoutsAreReadAsTheReferenceReadsThem() throws FileProblem {
    XkbLayouts layouts = new XkbLayouts(XkbLayouts.USUAL);
    List<String> refused = new ArrayList<>();
    List<String> different = new ArrayList<>();
    List<String> names = List.copyOf(layouts.titles().keySet());
    names.parallelStream()
        .forEach(
            name -> {
              Optional<Map<String, List<String>>> reference = reference(name);
              if (reference.isEmpty()) {
                return;
              }
              try {
                Map<Key, List<String>> ours;
                synchronized (layouts) {
                  ours = layouts.keysyms(name);
                  layouts.layout(name);
                }
                String difference = difference(reference.get(), ours);
                synchronized (different) {
                  if (!difference.isEmpty()) {
                    different.add(name + ": " + difference);
                  }
                }
              } catch (FileProblem e) {
                synchronized (refused) {
                  refused.add(name + ": " + e.getMessage());
                }
              }
            });
    System.out.println(names.size() + " layouts; refused: " + refused);
    assertThat(names.size()).isGreaterThan(500);
    assertThat(different).isEmpty();
    assertThat(refused.size()).isLessThan(names.size() * 3 / 100);
  }

  private static String difference(Map<String, List<String>> wanted, Map<Key, List<String>> ours) {
    StringBuilder all = new StringBuilder();
    wanted.forEach(
        (xkb, levels) -> {
          Key key = XkbLayouts.keyOf(xkb);
          if (key == null) {
            return;
          }
          List<String> mine = ours.getOrDefault(key, List.of());
          for (int i = 0; i < 4; i++) {
            String theirs = i < levels.size() ? levels.get(i) : "NoSymbol";
            String my = i < mine.size() ? mine.get(i) : "NoSymbol";
            if (!same(theirs, my)) {
              all.append(" %s level %d is %s, read as %s".formatted(xkb, i + 1, theirs, my));
            }
          }
        });
    return all.toString();
  }

  private static boolean same(String a, String b) {
    if (a.equalsIgnoreCase(b)
        || (a.startsWith("0x") && b.startsWith("0x") && Long.decode(a).equals(Long.decode(b)))
        || (a.startsWith("{") && b.startsWith("{"))) {
      return true;
    }
    Optional<Keysyms.Sign> one = Keysyms.sign(a);
    return one.isPresent() && one.equals(Keysyms.sign(b));
  }

  private static Optional<Map<String, List<String>>> reference(String name) {
    Matcher parts = Pattern.compile("([^(]+)(?:\\((.*)\\))?").matcher(name);
    if (!parts.matches()) {
      throw new IllegalStateException(name);
    }
    List<String> command =
        new ArrayList<>(List.of("xkbcli", "compile-keymap", "--layout", parts.group(1)));
    if (parts.group(2) != null) {
      command.addAll(List.of("--variant", parts.group(2)));
    }
    try {
      Process process =
          new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD).start();
      String out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      return out.contains("xkb_symbols")
          ? Optional.of(keys(out.substring(out.indexOf("xkb_symbols"))))
          : Optional.empty();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static Map<String, List<String>> keys(String symbols) {
    Map<String, List<String>> found = new TreeMap<>();
    Matcher keys = KEY.matcher(symbols);
    while (keys.find()) {
      Matcher levels =
          FIRST_LEVELS.matcher(keys.group(2).replaceAll("(?i)\\[\\s*group\\d\\s*]", ""));
      if (levels.find()) {
        found.put(
            keys.group(1),
            Pattern.compile("\\{[^}]*}|\\w+")
                .matcher(levels.group(1))
                .results()
                .map(r -> r.group())
                .toList());
      }
    }
    return found;
  }

  @Test
  void includesVariantsLevelsAndTypes() throws IOException, FileProblem {
    Files.createDirectories(dir.resolve("symbols"));
    Files.createDirectories(dir.resolve("rules"));
    Files.writeString(
        dir.resolve("symbols/pc"), "xkb_symbols \"pc105\" { key <LSGT> { [ less, greater ] }; };");
    Files.writeString(
        dir.resolve("symbols/own"),
        """
        // a comment
        default partial xkb_symbols "basic" {
          name[Group1] = "Own";
          key <AD01> { [ q, Q, at ], [ Cyrillic_a ] };
          key <AD02> { type[Group1] = "TWO_LEVEL", symbols[Group1] = [ w, W, sterling ] };
          key <AE12> { [ dead_acute, dead_grave ] };
        };
        xkb_symbols "more" {
          include "own(basic)"
          name[Group1] = "Own, more";
          key <AD01> { [ NoSymbol, 1, U20AC ] };
          augment key <AD02> { [ x, y ] };
          replace key <AE12> { [ apostrophe ] };
          include "own(loop)"
        };
        xkb_symbols "loop" { key <AC01> { [ a ] }; };
        xkb_symbols "endless" { include "own(endless)" };
        xkb_symbols "cut" { key <AC01> { [ a };
        """);
    XkbLayouts layouts = new XkbLayouts(dir);
    assertThatThrownBy(() -> layouts.layout("own(more)"))
        .isInstanceOf(FileProblem.class)
        .hasMessage("own, line 18: expected a keysym, found “}”.");
    Files.writeString(
        dir.resolve("symbols/own"),
        Files.readString(dir.resolve("symbols/own")).replaceAll("xkb_symbols \"cut\".*", ""));
    Layout more = layouts.layout("own(more)");
    assertThat(more.title()).isEqualTo("Own, more");
    assertThat(more.symbols().get(Key.KeyQ))
        .extracting(s -> s.map(x -> Character.toString(x.codePoint())).orElse(""))
        .containsExactly("q", "1", "€");
    assertThat(more.symbols().get(Key.KeyW)).hasSize(2);
    assertThat(more.typing('\'').orElseThrow().key()).isEqualTo(Key.Equal);
    assertThat(more.typing('A').orElseThrow().key()).isEqualTo(Key.KeyA);
    assertThat(layouts.layout("own").onlyDead('\u00b4')).isTrue();
    assertThatThrownBy(() -> layouts.layout("own(endless)"))
        .hasMessageContaining("includes itself");
    assertThatThrownBy(() -> layouts.layout("own(none)")).hasMessageContaining("no variant “none”");
    assertThatThrownBy(() -> layouts.layout("../../etc/passwd")).hasMessageContaining("leads out");
    assertThatThrownBy(() -> layouts.layout("none")).hasMessageContaining("no layout “none”");
  }

  /** Whatever stands in a file of layouts, it is read or refused with the line. */
  @Test
  void brokenFilesAreRefusedWithTheLine() throws IOException {
    Files.createDirectories(dir.resolve("symbols"));
    Files.writeString(dir.resolve("symbols/pc"), "xkb_symbols \"pc105\" { };");
    List<String> pieces =
        List.of(
            "xkb_symbols",
            "\"a\"",
            "{",
            "}",
            "key",
            "<AD01>",
            "[",
            "]",
            "q",
            ",",
            ";",
            "include",
            "\"own(a)\"",
            "=",
            "type",
            "(",
            ")",
            "\"",
            "<",
            "//",
            "\n",
            "name",
            "replace",
            "default");
    Random random = new Random(5);
    int refused = 0;
    for (int i = 0; i < 3000; i++) {
      StringBuilder text = new StringBuilder(random.nextBoolean() ? "xkb_symbols \"a\" { " : "");
      for (int n = random.nextInt(14); n >= 0; n--) {
        text.append(pieces.get(random.nextInt(pieces.size()))).append(' ');
      }
      Files.writeString(dir.resolve("symbols/own"), text);
      try {
        new XkbLayouts(dir).layout("own");
      } catch (FileProblem e) {
        assertThat(e.getMessage()).isNotBlank();
        refused++;
      }
    }
    assertThat(refused).isGreaterThan(1000);
  }
}
