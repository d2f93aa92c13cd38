package polydex.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static polydex.cli.SaidInGerman.said;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.FieldSource;

/** The commands in German, in a program of its own, since a language is chosen once. */
class LanguageTest {
  /** What another program reads. */
  static final List<String> FORMS =
      List.of(
          "notation Ctrl+Shift+A ⌘⇧S --json",
          "layout de --json",
          "keymap alder --demo",
          "compare alder corvid --demo --json",
          "find window --demo --json",
          "drill --due --demo --json",
          "mouse remaining --demo --json",
          "remap --try CapsLock->Ctrl --on Laptop --demo --as xkb");

  private static final List<String> WORDS =
      List.of(
          "mouse report --demo",
          "notation Ctrl+Foo",
          "conflicts --demo",
          "find --help",
          "find --file nowhere.polydex x",
          "sheet environment alder --demo");

  @TempDir private static Path folder;

  private static final Map<String, String> GERMAN = new HashMap<>();

  private static String file() {
    return folder.resolve("mine.polydex").toString();
  }

  private static List<String> withAFile(String zip) {
    return List.of(
        "conflicts --json --file " + file(),
        "archive --file " + file() + " --to " + folder.resolve(zip));
  }

  @BeforeAll
  static void saidInGerman() throws Exception {
    List<String> lines =
        Stream.of(FORMS, WORDS, List.of("write --demo --to " + file()), withAFile("de.zip"))
            .flatMap(List::stream)
            .toList();
    List<String> command =
        new ArrayList<>(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "--enable-native-access=ALL-UNNAMED",
                "--sun-misc-unsafe-memory-access=allow",
                "-Duser.language=de",
                "-cp",
                System.getProperty(
                    "surefire.test.class.path", System.getProperty("java.class.path")),
                SaidInGerman.class.getName()));
    command.addAll(lines);
    Path out = folder.resolve("out");
    Path wrong = folder.resolve("wrong");
    ProcessBuilder program =
        new ProcessBuilder(command).redirectOutput(out.toFile()).redirectError(wrong.toFile());
    program.environment().put("XDG_STATE_HOME", folder.resolve("state").toString());
    assertThat(program.start().waitFor(280, TimeUnit.SECONDS)).isTrue();
    List<String> said =
        Arrays.asList(Files.readString(out, StandardCharsets.UTF_8).split(SaidInGerman.END));
    assertThat(said).as(Files.readString(wrong)).hasSameSizeAs(lines);
    for (int i = 0; i < lines.size(); i++) {
      GERMAN.put(lines.get(i), said.get(i));
    }
  }

  private static String german(String line) {
    return GERMAN.getOrDefault(line, "");
  }

  @Test
  void numbersPluralsAndHelpAreGerman() {
    assertThat(german("mouse report --demo"))
        .contains("20.629 Ereignisse an 30 Arbeitstagen", "Was bleibt, kostet 38,6 h im Jahr");
    assertThat(german("notation Ctrl+Foo"))
        .contains("Spalte 6 von „Ctrl+Foo“: erwartet wird eine Taste; „Foo“ ist keine.");
    assertThat(german("conflicts --demo")).contains("19 Konflikte", "Sie wollen „");
    assertThat(german("find --help")).contains("Die mitgelieferte Vorführung.");
    assertThat(german("find --file nowhere.polydex x"))
        .contains("Es gibt keine Datei nowhere.polydex");
    // A sheet is for people: its keys are the same, its words are not.
    assertThat(german("sheet environment alder --demo"))
        .isNotEqualTo(said("sheet environment alder --demo"))
        .contains("`Ctrl+", "Zuordnungen");
  }

  @ParameterizedTest
  @FieldSource("FORMS")
  void formsAreTheSameByteForByte(String line) {
    assertThat(german(line)).hasSizeGreaterThan(100).isEqualTo(said(line));
  }

  /** A file that was made in German is read in English as what it was. */
  @Test
  void aFileGoesFromOneLanguageToTheOther() throws IOException {
    List<String> lines = withAFile("en.zip");
    List<String> english = kept(said(lines.getFirst()));
    assertThat(english).hasSizeGreaterThan(40);
    assertThat(kept(german(lines.getFirst()))).isEqualTo(english);
    assertThat(said(lines.getLast())).contains("All of ", " is in ");
    assertThat(german(withAFile("de.zip").getLast())).contains("Alles aus ", " steht in ");
    assertThat(members("de.zip")).isEqualTo(members("en.zip"));
  }

  /** What a conflict is known by. */
  private static List<String> kept(String json) {
    return json.lines()
        .map(String::strip)
        .filter(l -> l.matches("\"(kind|severity|gesture|action|setup)\".*"))
        .toList();
  }

  private static List<String> members(String zip) throws IOException {
    try (ZipFile file = new ZipFile(folder.resolve(zip).toFile())) {
      return file.stream()
          .filter(e -> !e.getName().equals("manifest.json")) // says when it was written
          .map(e -> e.getName() + " " + e.getCrc())
          .sorted()
          .toList();
    }
  }
}
