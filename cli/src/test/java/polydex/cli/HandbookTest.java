package polydex.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assumptions.assumeThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is written of the commands is what they are, and shells take it. */
class HandbookTest {
  @TempDir Path folder;

  private String written(String name) throws Exception {
    Handbook.main(new String[] {folder.toString()});
    return Files.readString(folder.resolve(name));
  }

  @Test
  void everyCommandAndOptionStandsInAllOfThem() throws Exception {
    String page = written("polydex.1").replace("\\-", "-");
    String bash = written("polydex.bash");
    String zsh = written("_polydex");
    String fish = written("polydex.fish");
    int options = 0;
    for (Handbook.Entry entry : Handbook.entries()) {
      if (entry.path().isEmpty()) {
        continue;
      }
      assertThat(page).contains(".SS polydex " + String.join(" ", entry.path()) + "\n");
      assertThat(entry.about()).as(entry.path().toString()).isNotBlank();
      for (var option : entry.options()) {
        options++;
        assertThat(Handbook.about(option)).as(option.longestName()).isNotBlank();
        for (String name : option.names()) {
          assertThat(page).contains(name);
          assertThat(bash).contains(name);
          assertThat(zsh).contains(name + ":");
          assertThat(fish)
              .contains(name.startsWith("--") ? "-l " + name.substring(2) : "-s " + name.charAt(1));
        }
      }
    }
    assertThat(options).isGreaterThan(100);
  }

  /** No line of the page is taken for a macro that is none. */
  @Test
  void thePageHasNoMacrosButThoseOfTheManual() throws Exception {
    assertThat(written("polydex.1").lines().filter(l -> l.startsWith(".") || l.startsWith("'")))
        .allMatch(l -> l.matches("\\.(TH|SH|SS|TP|B|I|br)( .*)?"));
  }

  /** The commands that the help tells of are those that are made one at a time. */
  @Test
  void whatIsMadeAloneIsCalledAsAmongAll() {
    Ran help = Ran.run("--help");
    List<String> told =
        Pattern.compile("(?m)^  ([a-z]+)  ")
            .matcher(help.out())
            .results()
            .map(MatchResult::group)
            .map(String::strip)
            .toList();
    assertThat(told).hasSizeGreaterThan(20).containsAll(Main.all().getSubcommands().keySet());
    for (String command : told) {
      assertThat(Ran.run(command, "--help").out()).contains("polydex " + command);
    }
  }

  @ParameterizedTest
  @CsvSource({
    "polydex mo, mouse",
    "polydex de, demo",
    "polydex mouse rem, remaining",
    "polydex mouse remaining --js, --json",
    "polydex find --de, --demo"
  })
  void bashCompletes(String line, String with) throws Exception {
    written("polydex.bash");
    assumeThat(Files.isExecutable(Path.of("/bin/bash"))).isTrue();
    String[] words = line.split(" ");
    String script =
        "source '%s'; COMP_WORDS=(%s); COMP_CWORD=%d; _polydex; printf '%%s\\n' \"${COMPREPLY[@]}\""
            .formatted(folder.resolve("polydex.bash"), line, words.length - 1);
    Process bash = new ProcessBuilder("/bin/bash", "-c", script).redirectErrorStream(true).start();
    String said = new String(bash.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(said.lines()).as(Arrays.toString(words)).contains(with);
  }
}
