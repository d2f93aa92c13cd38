package polydex.files.recorder;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.abort;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import polydex.log.Deed;

/** Real hands on a real display: what the program says was done is what the recorder saw. */
@Timeout(240)
class SessionRecorderTest {
  private static Desk desk;
  private Process recorder;
  private Desk.Spoken heard;

  /** A line of the recorder. */
  private record Line(
      String application, String device, String input, String target, List<String> numbers) {
    static Line of(String said) {
      String[] f = said.split("\t", -1);
      return new Line(
          f[2], f[3], f[4], f[6].isEmpty() ? f[5] : f[6] + " > " + f[5], List.of(f[7], f[8], f[9]));
    }

    boolean isCommand() {
      return device.equals("mouse") && !target.equals(Deed.PLACE);
    }
  }

  @BeforeAll
  static void open() throws Exception {
    Desk.missing()
        .ifPresent(
            why -> {
              System.out.println(why);
              abort(why);
            });
    desk = Desk.open();
  }

  @AfterAll
  static void close() {
    if (desk != null) {
      desk.close();
    }
  }

  @BeforeEach
  void listen() throws Exception {
    listen(new String[0]);
  }

  private void listen(String... leftOut) throws Exception {
    List<String> command =
        new ArrayList<>(
            List.of(
                ProcessHandle.current().info().command().orElseThrow(),
                "--enable-native-access=ALL-UNNAMED",
                "-XX:+UseSerialGC",
                "-XX:TieredStopAtLevel=1",
                "-cp",
                System.getProperty("java.class.path"),
                Listening.class.getName()));
    command.addAll(Arrays.asList(leftOut));
    ProcessBuilder builder =
        new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.INHERIT);
    builder.environment().put("DISPLAY", desk.number);
    builder.environment().put("DBUS_SESSION_BUS_ADDRESS", desk.bus);
    builder.environment().remove("WAYLAND_DISPLAY");
    builder.environment().remove("XDG_SESSION_TYPE");
    recorder = builder.start();
    heard = new Desk.Spoken(recorder);
    assertThat(heard.next()).isEqualTo("listening");
    // The first of everything loads classes and takes a moment; it is not counted.
    click("text");
    desk.hands("key", "Escape");
    Thread.sleep(1500);
    heard.all();
    desk.did();
  }

  @AfterEach
  void end() {
    recorder.destroyForcibly();
  }

  /** What was told until now, once all is told. */
  private List<Line> lines() throws Exception {
    Thread.sleep(1300);
    return heard.all().stream().filter(l -> l.startsWith("line\t")).map(Line::of).toList();
  }

  private void click(String name) throws Exception {
    int[] at = desk.where(name).orElseThrow();
    desk.hands("mousemove", "" + at[0], "" + at[1], "click", "1");
  }

  /** Moves to something once it is shown, and clicks it there. */
  private void choose(String name, boolean slowly) throws Exception {
    for (int i = 0; i < 100 && desk.where(name).isEmpty(); i++) {
      Thread.sleep(10);
    }
    int[] at = desk.where(name).orElseThrow();
    if (slowly) {
      desk.hands("mousemove", "" + at[0], "" + at[1], "sleep", "0.2", "click", "1");
      Thread.sleep(150);
    } else {
      desk.hands("mousemove", "" + at[0], "" + at[1], "click", "1");
    }
  }

  @Test
  void clicksAreKnownByNameAndPath() throws Exception {
    Random random = new Random(22);
    List<String> expected = new ArrayList<>();
    for (int i = 0; i < 100; i++) {
      boolean slowly = random.nextInt(5) == 0;
      switch (random.nextInt(10)) {
        case 0, 1 ->
            menu(List.of("Show"), List.of("New cue", "Open…", "Save"), random, slowly, expected);
        case 2 -> menu(List.of("Edit"), List.of("Undo", "Redo", "Copy"), random, slowly, expected);
        case 3 ->
            menu(
                List.of("Edit", "Align"),
                List.of("Left", "Right", "Middle"),
                random,
                slowly,
                expected);
        case 4 -> menu(List.of("Dome"), List.of("Fade lights", "Stars"), random, slowly, expected);
        case 5 -> one(List.of("Play cue", "Stop", "Rewind"), random, slowly, expected);
        case 6 -> one(List.of("Check times", "Send", "Loop"), random, slowly, expected);
        case 7 -> tab(List.of("Timing", "Script"), slowly, expected);
        case 8 -> context(random, slowly, expected);
        default -> leave(random);
      }
    }
    // What was expected is what the program says was done, but for tabs, of which it says less.
    assertThat(desk.did())
        .isEqualTo(
            expected.stream().map(e -> e.matches("Timing|Script") ? "tabs" : last(e)).toList());
    List<String> seen = lines().stream().filter(Line::isCommand).map(Line::target).toList();
    int common = common(expected, seen);
    System.out.printf(
        "Recorder: %d deeds, %d told, %d of them right%n", expected.size(), seen.size(), common);
    assertThat(seen.size() - common).as("false: %s instead of %s", seen, expected).isZero();
    assertThat(common).isGreaterThanOrEqualTo((int) Math.ceil(0.95 * expected.size()));
  }

  private static String last(String path) {
    return path.substring(path.lastIndexOf("> ") + (path.contains("> ") ? 2 : 1));
  }

  private void menu(
      List<String> way, List<String> entries, Random random, boolean slowly, List<String> to)
      throws Exception {
    for (String step : way) {
      choose(step, slowly);
    }
    String entry = entries.get(random.nextInt(entries.size()));
    choose(entry, slowly);
    to.add(String.join(" > ", way) + " > " + entry);
  }

  private void one(List<String> names, Random random, boolean slowly, List<String> to)
      throws Exception {
    String name = names.get(random.nextInt(names.size()));
    choose(name, slowly);
    to.add(name);
  }

  private void tab(List<String> names, boolean slowly, List<String> to) throws Exception {
    for (String name : names) {
      choose(name, slowly);
      to.add(name);
    }
  }

  private void context(Random random, boolean slowly, List<String> to) throws Exception {
    int[] at = desk.where("text").orElseThrow();
    desk.hands("mousemove", "" + at[0], "" + at[1], "click", "3");
    String entry = random.nextBoolean() ? "Insert here" : "Delete there";
    choose(entry, slowly);
    to.add(entry);
  }

  /** Opens a menu, looks around and leaves it, one way or another. */
  private void leave(Random random) throws Exception {
    choose("Show", false);
    int[] entry = desk.where("Save").orElseThrow();
    desk.hands("mousemove", "" + entry[0], "" + entry[1]);
    if (random.nextBoolean()) {
      desk.hands("key", "Escape");
    } else {
      int[] at = desk.where("Send").orElseThrow();
      desk.hands("mousemove", "" + at[0], "" + at[1], "click", "1");
    }
    Thread.sleep(120);
  }

  /** The length of the longest sequence that both have in common, in that order. */
  private static int common(List<String> a, List<String> b) {
    int[][] length = new int[a.size() + 1][b.size() + 1];
    for (int i = 1; i <= a.size(); i++) {
      for (int j = 1; j <= b.size(); j++) {
        length[i][j] =
            a.get(i - 1).equals(b.get(j - 1))
                ? length[i - 1][j - 1] + 1
                : Math.max(length[i - 1][j], length[i][j - 1]);
      }
    }
    return length[a.size()][b.size()];
  }

  @Test
  void walksByKeysAreNoClicks() throws Exception {
    desk.hands("key", "alt+s", "sleep", "0.2", "key", "Down", "key", "Return");
    Thread.sleep(300);
    desk.hands(
        "key", "F10", "sleep", "0.2", "key", "Right", "key", "Down", "key", "Down", "Return");
    List<Line> lines = lines();
    assertThat(desk.did()).hasSize(2);
    assertThat(lines).noneMatch(l -> l.device().equals("mouse"));
    assertThat(lines.stream().map(Line::input)).containsExactly("Alt+S", "F10");
  }

  @Test
  void whatIsTypedIsCountedAndNothingOfItIsAnywhere(@TempDir Path folder) throws Exception {
    click("text");
    int before = desk.characters();
    desk.hands("type", "--delay", "25", "Orion nebula 47 qxz");
    assertThat(desk.characters() - before).isEqualTo(19);
    desk.hands("key", "ctrl+shift+F5");
    Thread.sleep(500); // what comes just before a secret is taken for a part of it
    click("secret");
    Thread.sleep(200);
    desk.hands("type", "--delay", "25", "Betelgeuse");
    desk.hands("key", "ctrl+a");
    Path dump = folder.resolve("heap.hprof");
    Process asked =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "jcmd").toString(),
                "" + recorder.pid(),
                "GC.heap_dump",
                "-all",
                dump.toString())
            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
            .start();
    assertThat(asked.waitFor()).isZero();
    click("name");
    Thread.sleep(400);
    desk.hands("type", "--delay", "25", "Vega");
    desk.hands("key", "ctrl+F5");
    List<Line> lines = lines();
    assertThat(lines.stream().filter(l -> l.device().equals("keyboard")).map(Line::input))
        .containsExactly("typed 19", "Ctrl+Shift+F5", "typed 4", "Ctrl+F5");
    String memory = Files.readString(dump, StandardCharsets.ISO_8859_1);
    for (String word : List.of("Orion", "nebula", "qxz", "Betelgeuse", "ORION", "orion")) {
      String wide = word.chars().mapToObj(c -> (char) c + "\0").collect(Collectors.joining());
      assertThat(memory.contains(word)).as(word).isFalse();
      assertThat(memory.contains(wide)).as(word + " in two bytes").isFalse();
    }
    assertThat(memory).contains("Cue desk"); // or the search would find nothing anyway
  }

  @Test
  void noKeysAreNotedWhereAProgramDoesNotTellWhatAFieldIs() throws Exception {
    Process vault = desk.start("secret_four.py");
    try {
      Desk.Spoken says = new Desk.Spoken(vault);
      assertThat(says.next()).isEqualTo("ready");
      desk.hands("type", "--delay", "30", "Antares");
      desk.hands("key", "ctrl+a");
      String last = says.next();
      while (!last.equals("has 7")) {
        last = says.next();
      }
      Thread.sleep(300);
      desk.hands("key", "Tab");
      Thread.sleep(500);
      desk.hands("key", "ctrl+F6");
      assertThat(lines().stream().map(Line::input)).containsExactly("Ctrl+F6");
    } finally {
      vault.destroy();
    }
  }

  @Test
  void tripsAreThoseOfTheHand() throws Exception {
    int[] send = desk.where("Send").orElseThrow();
    desk.hands(
        Stream.of(
                "mousemove %d %d sleep 1.5 key ctrl+F5 sleep 0.3 mousemove_relative 30 0 sleep 0.2"
                    .formatted(send[0] - 330, send[1] - 400)
                    .split(" "),
                "mousemove %d %d sleep 0.25 click 1 sleep 0.4 key ctrl+F6"
                    .formatted(send[0], send[1])
                    .split(" "))
            .flatMap(Arrays::stream)
            .toArray(String[]::new));
    Line click = lines().stream().filter(l -> l.target().equals("Send")).findFirst().orElseThrow();
    assertThat(Double.parseDouble(click.numbers().get(0))).isBetween(517.0, 520.0);
    assertThat(Double.parseDouble(click.numbers().get(1))).isBetween(20.0, 300.0);
    // From the key to the click 0.75 s, from the click to the key 0.4 s, and what xdotool takes.
    assertThat(Double.parseDouble(click.numbers().get(2))).isBetween(1.14, 1.6);
  }

  @Test
  void nothingIsHeardWhilePausedNorOfWhatIsLeftOut() throws Exception {
    desk.hands("key", "F9");
    assertThat(heard.next()).isEqualTo("paused");
    click("Send");
    desk.hands("key", "ctrl+F5");
    Thread.sleep(1000);
    desk.hands("key", "F9");
    assertThat(heard.next()).isEqualTo("goes on");
    click("Stop");
    assertThat(lines().stream().map(Line::target)).containsExactly("Stop");
    recorder.getOutputStream().write('e');
    recorder.getOutputStream().flush();
    assertThat(heard.next()).isEqualTo("ended");
    listen("cue DESK");
    click("Send");
    desk.hands("key", "ctrl+F5");
    assertThat(lines()).isEmpty();
    assertThat(desk.did()).containsExactly("Send");
  }
}
