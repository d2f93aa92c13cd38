package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Properties;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import polydex.files.Shipped;
import polydex.own.OwnKeymap;
import polydex.workspace.Workspace;

/** The window in German: nothing in it is English, and no title or button is cut off. */
class GermanWindowTest {
  private static final List<String> BUNDLES =
      List.of(
          "../core/src/main/resources/polydex/language/words",
          "../files/src/main/resources/polydex/files/language/words",
          "src/main/resources/polydex/desktop/language/words");

  @TempDir private Path folder;

  private record Line(String where, boolean isCut, String text) {}

  @Test
  @Timeout(300)
  void nothingIsEnglishAndNothingIsCut() throws Exception {
    List<Line> seen = walked();
    Set<String> english = new TreeSet<>();
    List<Pattern> sentences = english();
    Set<String> data = data();
    assertThat(sentences).hasSizeGreaterThan(1500);
    for (Line line : seen) {
      if (!data.contains(line.text())
          && sentences.stream().anyMatch(p -> p.matcher(line.text()).matches())) {
        english.add(line.where() + ": " + line.text());
      }
    }
    assertThat(english).isEmpty();
    assertThat(seen).filteredOn(l -> l.isCut() && !data.contains(l.text())).isEmpty();
    assertThat(seen).extracting(Line::text).contains("Heute", "Finden", "Üben", "Maus");
    assertThat(seen)
        .filteredOn(l -> l.where().equals("Finden"))
        .extracting(Line::text)
        .contains("Widerrufen");
    assertThat(seen).hasSizeGreaterThan(1000);
  }

  private List<Line> walked() throws Exception {
    Path told = folder.resolve("told");
    ProcessBuilder program =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "--enable-native-access=ALL-UNNAMED",
                "--sun-misc-unsafe-memory-access=allow",
                "-Duser.language=de",
                "-cp",
                System.getProperty(
                    "surefire.test.class.path", System.getProperty("java.class.path")),
                GermanWalk.class.getName())
            .redirectOutput(told.toFile());
    program.environment().put("XDG_STATE_HOME", folder.resolve("state").toString());
    Path wrong = folder.resolve("wrong");
    Process walk = program.redirectError(wrong.toFile()).start();
    try {
      assertThat(walk.waitFor(280, TimeUnit.SECONDS)).as("it ends").isTrue();
      assertThat(walk.exitValue()).as(Files.readString(wrong)).isZero();
    } finally {
      walk.destroyForcibly();
    }
    return Files.readString(told, StandardCharsets.UTF_8)
        .lines()
        .map(l -> l.split("\t", 3))
        .filter(l -> l.length == 3)
        .map(l -> new Line(l[0], Boolean.parseBoolean(l[1]), l[2]))
        .toList();
  }

  /** What the demo's people have written, who speak English. */
  private static Set<String> data() {
    Workspace demo = Shipped.demo();
    Set<String> all = new TreeSet<>();
    OwnKeymap.others(demo.catalog()).forEach(a -> all.add(a.title()));
    demo.setups()
        .values()
        .forEach(
            s -> {
              all.add(s.title());
              s.machines().forEach(m -> m.remaps().forEach(r -> all.add(r.title())));
            });
    return all;
  }

  /** What the program says in English and otherwise in German, whatever is filled in. */
  private static List<Pattern> english() {
    List<Pattern> all = new ArrayList<>();
    for (String bundle : BUNDLES) {
      Properties english = read(bundle + ".properties");
      Properties german = read(bundle + "_de.properties");
      for (String key : english.stringPropertyNames()) {
        String words = english.getProperty(key);
        String letters = words.replaceAll("\\{\\d\\}|[^\\p{L}]", "");
        if (!words.equals(german.getProperty(key))
            && !words.contains(",plural,")
            && letters.length() > 3) {
          all.add(pattern(words));
        }
      }
    }
    return all;
  }

  private static Pattern pattern(String words) {
    StringBuilder all = new StringBuilder();
    for (String part : words.strip().split("(?<=\\})|(?=\\{\\d\\}|\\{[A-Z_]+\\})")) {
      all.append(part.matches("\\{\\d\\}|\\{[A-Z_]+\\}") ? ".*" : Pattern.quote(part));
    }
    return Pattern.compile(all.toString());
  }

  private static Properties read(String file) {
    Properties read = new Properties();
    try (Reader text = Files.newBufferedReader(Path.of(file))) {
      read.load(text);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return read;
  }
}
