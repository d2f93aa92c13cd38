package polydex.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.BufferedReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import polydex.files.recorder.RecordingMark;
import polydex.files.store.Store;
import polydex.log.LogEvent;

/** The command as people start it, on a display of its own, with keys and clicks made there. */
@Timeout(120)
class RecordCommandTest {
  private static Process display;
  private static String number;
  @TempDir Path folder;

  @BeforeAll
  static void open() throws Exception {
    assumeTrue(Files.isExecutable(Path.of("/usr/bin/Xvfb")), "Skipped: recording needs Xvfb.");
    display =
        new ProcessBuilder("Xvfb", "-displayfd", "1", "-screen", "0", "800x600x24", "-r")
            .redirectError(ProcessBuilder.Redirect.DISCARD)
            .start();
    number = ":" + display.inputReader().readLine().strip();
  }

  @AfterAll
  static void close() {
    if (display != null) {
      display.destroy();
    }
  }

  private Process start(String... args) throws Exception {
    List<String> command =
        new ArrayList<>(
            List.of(
                ProcessHandle.current().info().command().orElseThrow(),
                "--enable-native-access=ALL-UNNAMED",
                "-XX:+UseSerialGC",
                "-XX:TieredStopAtLevel=1",
                "-cp",
                System.getProperty("java.class.path"),
                Main.class.getName()));
    command.addAll(List.of(args));
    ProcessBuilder builder = new ProcessBuilder(command);
    builder.environment().put("DISPLAY", number);
    builder.environment().put("XDG_STATE_HOME", folder.resolve("state").toString());
    List.of("DBUS_SESSION_BUS_ADDRESS", "XDG_RUNTIME_DIR", "WAYLAND_DISPLAY", "XDG_SESSION_TYPE")
        .forEach(builder.environment()::remove);
    return builder.start();
  }

  private static String until(BufferedReader in, String beginning) throws Exception {
    String line = in.readLine();
    while (line != null && !line.startsWith(beginning)) {
      line = in.readLine();
    }
    assertThat(line).isNotNull();
    return line;
  }

  private static void hands(String... words) throws Exception {
    ProcessBuilder builder =
        new ProcessBuilder(Stream.concat(Stream.of("xdotool"), Stream.of(words)).toList());
    builder.environment().put("DISPLAY", number);
    assertThat(builder.start().waitFor()).isZero();
  }

  private List<String> events(Path file) throws Exception {
    List<String> found = new ArrayList<>();
    try (Store store = Store.open(file)) {
      store.events(
          (LogEvent e) ->
              found.add(
                  e.deed().isTyping()
                      ? "typed " + e.characters()
                      : e.deed().input() + " " + e.deed().target()));
    }
    return found.stream().map(String::strip).toList();
  }

  @Test
  void whatWasDoneIsThereWhenItIsKilledAndSaysThatItWasCut() throws Exception {
    Path file = folder.resolve("mine.polydex");
    Process recording = start("record", file.toString(), "--without", "Nothing of mine");
    BufferedReader err = recording.errorReader(StandardCharsets.UTF_8);
    until(err, "Recording this computer");
    until(err, "This session has no accessibility bus");

    Process second = start("record", folder.resolve("other.polydex").toString());
    assertThat(second.waitFor(60, TimeUnit.SECONDS)).isTrue();
    assertThat(second.exitValue()).isEqualTo(Main.FILE);
    assertThat(second.errorReader().readLine()).startsWith("Another recorder of yours is at work");

    hands("mousemove", "700", "100", "click", "1");
    hands("key", "ctrl+F7");
    hands("type", "--delay", "20", "Aldebaran rises");
    hands("key", "Pause");
    until(err, "Paused");
    hands("key", "ctrl+F8");
    Thread.sleep(300);
    hands("key", "Pause");
    until(err, "Recording again");
    hands("type", "--delay", "20", "Capella");
    hands("key", "ctrl+F9");
    Thread.sleep(1000); // the last second may be lost
    recording.destroyForcibly().waitFor();

    assertThat(events(file))
        .containsExactly(
            "Click the upper right corner of the window",
            "Ctrl+F7",
            "typed 15",
            "typed 7",
            "Ctrl+F9");
    try (Stream<Path> all = Files.walk(folder)) {
      for (Path one : all.filter(Files::isRegularFile).toList()) {
        String content = Files.readString(one, StandardCharsets.ISO_8859_1);
        assertThat(content).as(one.toString()).doesNotContain("ldebaran", "apella");
      }
    }

    Process again = start("record", file.toString(), "--for", "2s", "--json");
    BufferedReader said = again.errorReader(StandardCharsets.UTF_8);
    assertThat(said.readLine()).contains("was cut", "What came until");
    until(said, "Recording this computer");
    hands("key", "ctrl+F7");
    assertThat(again.waitFor(30, TimeUnit.SECONDS)).isTrue();
    assertThat(again.exitValue()).isEqualTo(Main.DONE);
    assertThat(new String(again.getInputStream().readAllBytes(), StandardCharsets.UTF_8))
        .contains("\"events\" : 1");
    try (Store store = Store.open(file)) {
      assertThat(store.setting(RecordingMark.SETTING)).contains("");
      assertThat(store.setting("recording without")).contains("Nothing of mine");
    }
    assertThat(events(file)).hasSize(6);
  }

  @Test
  void itEndsWellWhenItIsToldTo() throws Exception {
    Path file = folder.resolve("mine.polydex");
    Process recording = start("record", file.toString());
    until(recording.errorReader(StandardCharsets.UTF_8), "Recording this computer");
    hands("key", "ctrl+F7");
    Thread.sleep(300); // it has to be heard
    recording.toHandle().destroy();
    assertThat(recording.waitFor(30, TimeUnit.SECONDS)).isTrue();
    assertThat(recording.inputReader().readLine()).contains("1 events recorded");
    assertThat(events(file)).containsExactly("Ctrl+F7");
    try (Store store = Store.open(file)) {
      assertThat(store.setting(RecordingMark.SETTING)).contains("");
    }
  }

  @Test
  void whatCantBeRecordedIsSaid() throws Exception {
    Path file = folder.resolve("demo.polydex");
    assertThat(Ran.run("write", "--demo", "--to", file.toString()).code()).isZero();
    Ran taken = Ran.run("record", file.toString(), "--pause", "Ctrl+S");
    assertThat(taken.code()).isEqualTo(Main.NO);
    assertThat(taken.err()).contains("Ctrl+S is in use", "Name another with --pause, such as");
    assertThat(Ran.run("record", file.toString(), "--for", "soon").code()).isEqualTo(Main.USAGE);
    assertThat(Ran.run("record", file.toString(), "--setup", "none").code()).isEqualTo(Main.USAGE);
  }
}
