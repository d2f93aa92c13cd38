package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.awt.Frame;
import java.io.BufferedReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.files.Shipped;
import polydex.files.store.Store;
import polydex.recall.Answer;
import polydex.recall.DrillItem;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** The program under a window manager that takes the keys which a drill asks for. */
class ForRealWindowTest {
  private static final DrillItem SWITCH =
      new DrillItem(new EnvironmentId("alder"), new ActionId("desktop.switch-window"));

  @TempDir Path folder;
  private final List<Process> running = new ArrayList<>();
  private String display = "";

  /** Another window, which the window manager's keys go to. */
  static final class Other {
    private Other() {}

    public static void main(String[] args) {
      Frame frame = new Frame("Other");
      frame.setBounds(700, 80, 300, 200);
      frame.setVisible(true);
      System.out.println("shown");
    }
  }

  private BufferedReader start(String... command) throws Exception {
    ProcessBuilder builder =
        new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD);
    if (!display.isEmpty()) {
      builder.environment().put("DISPLAY", display);
    }
    builder.environment().remove("WAYLAND_DISPLAY");
    builder.environment().put("XDG_STATE_HOME", folder.resolve("state").toString());
    Process started = builder.start();
    running.add(started);
    return started.inputReader(StandardCharsets.UTF_8);
  }

  private BufferedReader java(String main, String... arguments) throws Exception {
    List<String> command =
        new ArrayList<>(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "--enable-native-access=ALL-UNNAMED",
                "--sun-misc-unsafe-memory-access=allow",
                "-cp",
                System.getProperty(
                    "surefire.test.class.path", System.getProperty("java.class.path")),
                main));
    command.addAll(List.of(arguments));
    return start(command.toArray(new String[0]));
  }

  private void hands(String... words) throws Exception {
    List<String> command = new ArrayList<>(List.of("xdotool"));
    command.addAll(List.of(words));
    ProcessBuilder builder = new ProcessBuilder(command).inheritIO();
    builder.environment().put("DISPLAY", display);
    assertThat(builder.start().waitFor()).isZero();
  }

  private String inFront() throws Exception {
    ProcessBuilder builder = new ProcessBuilder("xdotool", "getactivewindow", "getwindowname");
    builder.environment().put("DISPLAY", display);
    return new String(builder.start().getInputStream().readAllBytes(), StandardCharsets.UTF_8);
  }

  private void untilInFront(String name) throws Exception {
    for (int i = 0; i < 100 && !inFront().contains(name); i++) {
      Thread.sleep(100);
    }
    assertThat(inFront()).contains(name);
  }

  /** A file in which one action of the desktop is the one new thing to learn. */
  private Path prepared() throws Exception {
    Path file = folder.resolve("mine.polydex");
    try (Store store = Store.open(file)) {
      Workspace demo = Shipped.demo();
      Workspace marked = demo.with(demo.learning().marking(Set.of(SWITCH)));
      store.save(new Change.Edit("The demo", Workspace.EMPTY, marked), Instant.now());
      store.setting("drill.for-real", "yes");
      store.setting("drill.new-a-day", "1");
    }
    return file;
  }

  private static List<Answer> answers(Path file) throws Exception {
    List<Answer> all = new ArrayList<>();
    try (Store store = Store.open(file)) {
      store.answers(all::add);
    }
    return all;
  }

  @Test
  @Timeout(180)
  void keysOfTheDesktopAreAnAnswerAndTheWindowComesBack() throws Exception {
    assumeTrue(Files.exists(Path.of("/usr/bin/openbox")), "Skipped: it needs openbox.");
    Path file = prepared();
    try {
      display =
          ":"
              + start("Xvfb", "-displayfd", "1", "-screen", "0", "1280x800x24", "-r")
                  .readLine()
                  .strip();
      start("openbox");
      Thread.sleep(1000);
      assertThat(java(Other.class.getName()).readLine()).isEqualTo("shown");
      BufferedReader said = java(Main.class.getName(), "--file", file.toString());
      for (String line = said.readLine();
          !"first look shown".equals(line);
          line = said.readLine()) {
        assertThat(line).as("it ended").isNotNull();
      }
      untilInFront("Polydex");
      hands("key", "alt+d", "sleep", "2.5", "key", "Return", "sleep", "2.5");
      hands("keydown", "alt", "sleep", "0.1", "key", "Tab", "sleep", "0.3", "keyup", "alt");
      Thread.sleep(2500);
      untilInFront("Polydex");
    } finally {
      running.reversed().forEach(Process::destroy);
      for (Process p : running.reversed()) {
        p.waitFor();
      }
    }
    List<Answer> made = answers(file);
    assertThat(made).hasSize(1);
    assertThat(made.getFirst().item()).isEqualTo(SWITCH);
    assertThat(made.getFirst().verdict()).isEqualTo(Answer.Verdict.RIGHT);
    assertThat(made.getFirst().pressed()).isEqualTo("Alt+Tab");
  }
}
