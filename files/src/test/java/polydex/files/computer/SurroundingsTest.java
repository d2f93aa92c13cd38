package polydex.files.computer;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.DisabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.api.io.TempDir;

/** Where things are on a computer, what it is called, and what its tools say. */
class SurroundingsTest {
  @TempDir Path root;

  private Surroundings with(Map<String, String> variables) {
    return new Surroundings(variables, root.resolve("home"), root, _ -> Optional.empty());
  }

  @Test
  void foldersAreThoseOfTheEnvironmentAndOtherwiseTheUsualOnes() {
    Surroundings plain = with(Map.of("XDG_CONFIG_DIRS", ""));
    assertThat(plain.configHome()).isEqualTo(root.resolve("home/.config"));
    assertThat(plain.configDirs()).containsExactly(root.resolve("etc/xdg"));
    assertThat(plain.dataDirs())
        .containsExactly(
            root.resolve("home/.local/share"),
            root.resolve("usr/local/share"),
            root.resolve("usr/share"));
    // What is no absolute path is passed over, as the specification has it.
    Surroundings said =
        with(
            Map.of(
                "XDG_CONFIG_HOME",
                root.resolve("elsewhere").toString(),
                "XDG_DATA_DIRS",
                "/opt/share:relative:/usr/share"));
    assertThat(said.configHome()).isEqualTo(root.resolve("elsewhere"));
    assertThat(said.dataDirs().subList(1, 3))
        .containsExactly(root.resolve("opt/share"), root.resolve("usr/share"));
  }

  @Test
  void languagesAndTheDesktopAreReadFromTheEnvironment() {
    assertThat(with(Map.of("LANG", "de_CH.UTF-8")).languages()).containsExactly("de_CH", "de");
    assertThat(with(Map.of("LANG", "de_CH.UTF-8", "LC_ALL", "fr@euro")).languages())
        .containsExactly("fr");
    assertThat(with(Map.of("LANG", "C.UTF-8")).languages()).isEmpty();
    assertThat(with(Map.of()).languages()).isEmpty();
    assertThat(with(Map.of("XDG_CURRENT_DESKTOP", "house:Rowan")).desktop()).contains("Rowan");
    assertThat(with(Map.of("XDG_CURRENT_DESKTOP", " ")).desktop()).isEmpty();
  }

  @Test
  void aComputerIsCalledAsItsUserNamedItOrElseAsOnTheNetwork() throws IOException {
    Surroundings here = with(Map.of());
    Files.createDirectories(root.resolve("etc"));
    Files.writeString(root.resolve("etc/hostname"), "# comment\ndome-laptop\n");
    assertThat(ThisComputer.title(here)).isEqualTo("dome-laptop");
    Files.writeString(
        root.resolve("etc/machine-info"),
        "CHASSIS=laptop\nPRETTY_HOSTNAME=\"The dome's laptop\"\n");
    assertThat(ThisComputer.title(here)).isEqualTo("The dome's laptop");
    assertThat(ThisComputer.sources(here)).hasSize(5);
  }

  @Test
  @DisabledOnOs(OS.WINDOWS)
  void toolsAreRunWithoutAShellAndNoneOfThemCanHoldUpOrFloodTheProgram() {
    Tools tools = Tools.INSTALLED;
    assertThat(tools.run(List.of("echo", "a; echo b $HOME"))).contains("a; echo b $HOME\n");
    assertThat(tools.run(List.of("no-such-tool-anywhere"))).isEmpty();
    assertThat(tools.run(List.of("false"))).isEmpty();
    // Where there is no message bus none is started: the session's, or nothing.
    assertThat(tools.run(List.of("printenv", "DBUS_SESSION_BUS_ADDRESS")).map(String::strip))
        .contains(
            Optional.ofNullable(System.getenv("DBUS_SESSION_BUS_ADDRESS")).orElse("disabled:"));
    // Nothing waits for input, and what has no end is cut off.
    assertThat(tools.run(List.of("cat"))).contains("");
    Instant begun = Instant.now();
    assertThat(tools.run(List.of("yes")).map(String::length).orElse(0))
        .isLessThanOrEqualTo(Tools.MOST);
    assertThat(Duration.between(begun, Instant.now()).toSeconds()).isLessThan(3L * Tools.LONGEST);
  }

  @Test
  void theSwitchOfAccessibilitySaysWhetherItWasDone() {
    List<String> said = new ArrayList<>();
    boolean[] on = {false};
    Tools tools =
        command -> {
          said.add(String.join(" ", command));
          if (command.contains("set")) {
            on[0] = command.getLast().equals("true");
            return Optional.of("");
          }
          return Optional.of(on[0] + "\n");
        };
    assertThat(AccessibilitySwitch.isOn(tools)).isFalse();
    assertThat(AccessibilitySwitch.set(tools, true)).isTrue();
    assertThat(AccessibilitySwitch.isOn(tools)).isTrue();
    assertThat(AccessibilitySwitch.set(tools, false)).isTrue();
    assertThat(said).allMatch(s -> s.startsWith("gsettings "));
    // Without the tool nothing was done, and nobody claims that it is off.
    assertThat(AccessibilitySwitch.set(_ -> Optional.empty(), true)).isFalse();
    assertThat(AccessibilitySwitch.isOn(_ -> Optional.empty())).isTrue();
  }
}
