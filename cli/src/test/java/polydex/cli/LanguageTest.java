package polydex.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * The commands in both languages, each in a program of its own, since a language is chosen once.
 */
class LanguageTest {
  @TempDir private Path folder;

  private String said(String language, String... args) throws Exception {
    List<String> command =
        new ArrayList<>(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "--enable-native-access=ALL-UNNAMED",
                "--sun-misc-unsafe-memory-access=allow",
                "-Duser.language=" + language,
                "-cp",
                System.getProperty(
                    "surefire.test.class.path", System.getProperty("java.class.path")),
                Main.class.getName()));
    command.addAll(List.of(args));
    Path out = folder.resolve("out");
    ProcessBuilder program =
        new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(out.toFile());
    program.environment().put("XDG_STATE_HOME", folder.resolve("state").toString());
    Process ran = program.start();
    assertThat(ran.waitFor(120, TimeUnit.SECONDS)).isTrue();
    return Files.readString(out, StandardCharsets.UTF_8);
  }

  @Test
  void numbersPluralsAndHelpAreGerman() throws Exception {
    assertThat(said("de", "mouse", "report", "--demo"))
        .contains("20.629 Ereignisse an 30 Arbeitstagen", "Was bleibt, kostet 38,6 h im Jahr");
    assertThat(said("de", "notation", "Ctrl+Foo"))
        .contains("Spalte 6 von „Ctrl+Foo“: erwartet wird eine Taste; „Foo“ ist keine.");
    assertThat(said("de", "conflicts", "--demo")).contains("19 Konflikte", "Sie wollen „");
    assertThat(said("de", "find", "--help")).contains("Die mitgelieferte Vorführung.");
    assertThat(said("de", "find", "--file", "nirgends.polydex", "x"))
        .contains("Es gibt keine Datei nirgends.polydex");
  }

  /** What another program reads is the same, byte for byte. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "notation Ctrl+Shift+A ⌘⇧S --json",
        "layout de --json",
        "keymap alder --demo",
        "compare alder corvid --demo --json",
        "find window --demo --json",
        "drill --due --demo --json",
        "mouse remaining --demo --json",
        "remap --try CapsLock->Ctrl --on Laptop --demo --as xkb",
        "sheet environment alder --demo"
      })
  void formsAreTheSameInBoth(String line) throws Exception {
    String[] args = line.split(" ");
    String english = said("en", args);
    String german = said("de", args);
    assertThat(english).hasSizeGreaterThan(100);
    if (line.startsWith("sheet")) {
      // A sheet is for people: its keys are the same, its words are not.
      assertThat(german).isNotEqualTo(english).contains("`Ctrl+");
    } else {
      assertThat(german).isEqualTo(english);
    }
  }

  /**
   * A file made in one language is read in the other as what it was; what was chosen there holds.
   */
  @Test
  void aFileGoesFromOneLanguageToTheOther() throws Exception {
    Path file = folder.resolve("mine.polydex");
    said("de", "write", "--to", file.toString(), "--demo");
    String english = said("en", "conflicts", "--file", file.toString(), "--json");
    String german = said("de", "conflicts", "--file", file.toString(), "--json");
    assertThat(ids(german)).isNotEmpty().isEqualTo(ids(english));
    assertThat(
            said(
                "en",
                "archive",
                "--file",
                file.toString(),
                "--to",
                folder.resolve("a.zip").toString()))
        .contains("is in");
    assertThat(
            said(
                "de",
                "archive",
                "--file",
                file.toString(),
                "--to",
                folder.resolve("b.zip").toString()))
        .contains("steht in");
    assertThat(names(folder.resolve("a.zip"))).isEqualTo(names(folder.resolve("b.zip")));
  }

  private static List<String> ids(String json) {
    return json.lines()
        .map(String::strip)
        .filter(l -> l.matches("\"(id|kind|severity|gesture)\".*"))
        .toList();
  }

  private static List<String> names(Path zip) throws IOException {
    try (var file = new java.util.zip.ZipFile(zip.toFile())) {
      return file.stream().map(e -> e.getName() + " " + e.getSize()).sorted().toList();
    }
  }

  @Test
  void whatIsAskedForInAnUnknownLanguageIsSaidInEnglish() throws Exception {
    assertThat(said("fi", "find", "--demo", "nothing-has-this"))
        .isEqualTo(String.format(Locale.ROOT, "Nothing found for “nothing-has-this”.%n"));
  }
}
