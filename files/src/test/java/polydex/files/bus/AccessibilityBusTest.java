package polydex.files.bus;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.abort;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.apache.commons.io.FileUtils;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import polydex.computer.ComputerIntake;
import polydex.computer.ComputerPlan;
import polydex.computer.Finding;
import polydex.computer.FoundComputer;
import polydex.computer.Program;
import polydex.computer.Program.Entry;
import polydex.computer.Program.Sort;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictFinder;
import polydex.conflict.Person;
import polydex.files.Shipped;
import polydex.files.bus.AccessibilityBus.Running;
import polydex.files.bus.AccessibilityBus.Shown;
import polydex.files.computer.ComputerReading;
import polydex.files.computer.MenuWatch;
import polydex.files.computer.Surroundings;
import polydex.files.computer.ThisComputer;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.intake.ListSubject;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.workspace.Workspace;

/** A real session bus, a real program of a toolkit, and programs that mean no good. */
@Timeout(180)
class AccessibilityBusTest {
  private static final List<String> HOSTILE =
      List.of("endless", "deep", "cycle", "wide", "huge", "silent");

  private static Optional<Process> session = Optional.empty();
  private static Optional<Path> folder = Optional.empty();
  private static String address = "";

  /** Starts the session; where its parts are missing the tests say so and are skipped. */
  @BeforeAll
  static void start() throws Exception {
    boolean there =
        System.getenv("DISPLAY") != null
            && Files.isExecutable(Path.of("/usr/bin/dbus-run-session"))
            && Files.isExecutable(Path.of("/usr/libexec/at-spi-bus-launcher"))
            && runs(
                "import dbus, gi; gi.require_version('Gtk', '3.0'); from gi.repository import Gtk")
            && runs("import gi; gi.require_version('Gtk', '4.0')");
    if (!there) {
      String why =
          "Skipped: the accessibility bus needs a display, dbus, at-spi2-core, python3-dbus,"
              + " python3-gi, gir1.2-gtk-3.0 and gir1.2-gtk-4.0.";
      System.out.println(why);
      abort(why);
    }
    Path run =
        Files.createTempDirectory(
            "polydex-bus",
            PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rwx------")));
    folder = Optional.of(run);
    List<String> command = new ArrayList<>();
    command.add("dbus-run-session");
    command.add("--");
    command.add("sh");
    command.add(script("session.sh").toString());
    command.add(run.toString());
    command.add("cue_editor.py:");
    command.add("late_menus.py:");
    HOSTILE.forEach(h -> command.add("hostile.py:" + h));
    session =
        Optional.of(
            new ProcessBuilder(command)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start());
    Path where = run.resolve("address");
    await(() -> Files.exists(where) ? "" : "The session has not started.");
    address = Files.readString(where).strip();
    // All programs have to be there, and the window of the real one.
    await(
        () -> {
          try (AccessibilityBus bus = AccessibilityBus.connect(address)) {
            List<Running> all = bus.programs();
            boolean shown =
                all.size() == HOSTILE.size() + 2
                    && !program(bus, "Cue editor").program().menus().isEmpty();
            return shown ? "" : all + Files.readString(run.resolve("programs.log"));
          } catch (Exception e) {
            return e.toString();
          }
        });
  }

  /** Asked without a display: with one, the toolkit would start a bus that outlives the tests. */
  private static boolean runs(String python) throws Exception {
    ProcessBuilder asked =
        new ProcessBuilder("/usr/bin/python3", "-c", python)
            .redirectErrorStream(true)
            .redirectOutput(ProcessBuilder.Redirect.DISCARD);
    asked.environment().remove("DISPLAY");
    return asked.start().waitFor() == 0;
  }

  private static Path script(String name) throws Exception {
    return Path.of(AccessibilityBusTest.class.getResource(name).toURI());
  }

  /** Waits until nothing is missing; what is, is what the test then says. */
  private static void await(Supplier<String> missing) throws InterruptedException {
    long end = System.nanoTime() + 120_000_000_000L;
    String now = missing.get();
    while (!now.isEmpty() && System.nanoTime() < end) {
      Thread.sleep(100);
      now = missing.get();
    }
    assertThat(now).isEmpty();
  }

  @AfterAll
  static void end() {
    session.ifPresent(
        s -> {
          s.descendants().forEach(ProcessHandle::destroy);
          s.destroy();
        });
    // What ends takes its own files away meanwhile.
    folder.ifPresent(f -> FileUtils.deleteQuietly(f.toFile()));
  }

  private static Shown program(AccessibilityBus bus, String title) throws Exception {
    Running running =
        bus.programs().stream().filter(p -> p.title().equals(title)).findFirst().orElseThrow();
    return bus.read(running, () -> false);
  }

  private static List<String> lines(List<Entry> entries, String above) {
    List<String> all = new ArrayList<>();
    for (Entry e : entries) {
      all.add(
          "%s%s | %s | %s%s"
              .formatted(
                  above,
                  e.title(),
                  e.accessKey().orElse(""),
                  e.accelerator().orElse(""),
                  e.sort() == Sort.MENU || e.sort() == Sort.COMMAND ? "" : " | " + e.sort()));
      all.addAll(lines(e.items(), above + e.title() + " > "));
    }
    return all;
  }

  /** Every entry as the program's own source has it. */
  @Test
  void theMenusOfARealProgramAreReadWholeAndNoneWrong() throws Exception {
    try (AccessibilityBus bus = AccessibilityBus.connect(address)) {
      Shown shown = program(bus, "Cue editor");
      assertThat(shown.left()).isEmpty();
      Program program = shown.program();
      assertThat(lines(program.menus(), ""))
          .containsExactly(
              "Show | s | ",
              "Show > New Cue | n | <Primary>n",
              "Show > Open | o | <Primary>o",
              "Show > Save | s | <Primary>s",
              "Show > Recent |  | ",
              "Show > Recent > 1. spring-sky.cue |  |  | DOCUMENT",
              "Show > Recent > 2. comet.cue |  |  | DOCUMENT",
              "Show > Quit | q | <Primary>q",
              "Edit | e | ",
              "Edit > Undo | u | <Primary>z",
              "Edit > Redo | r | <Primary><Shift>z",
              "Edit > Copy | c | <Primary>c",
              "Edit > Paste | p | <Primary>v",
              "Edit > Align | a | ",
              "Edit > Align > Left | l | <Alt>1",
              "Edit > Align > Right | r | <Alt>2",
              "Dome | d | ",
              "Dome > Fade Lights | f | F7 | SWITCH",
              "Dome > North up | n | F8 | SWITCH",
              "Dome > South up | s |  | SWITCH",
              "Dome > Park Projector | p | <Primary><Alt>p");
      assertThat(program.pressed())
          .containsExactly(
              List.of("Tool bar", "Play Cue"),
              List.of("Tool bar", "Stop"),
              List.of("Tabs", "Script"),
              List.of("Tabs", "Timing"));
      assertThat(program.tabOrder()).contains("Check Times", "Loop");
      assertThat(program.byAlt()).isTrue();
    }
  }

  /** A toolkit that makes menus only when they are opened, watched while they are. */
  @Test
  void menusThatExistOnlyWhileTheyAreOpenAreSeenByWatching() throws Exception {
    Surroundings here =
        new Surroundings(
            Map.of("DBUS_SESSION_BUS_ADDRESS", address),
            folder.orElseThrow(),
            folder.orElseThrow(),
            _ -> Optional.empty());
    Finding closed =
        new Finding(
            "program:star tools",
            "Star tools",
            "here",
            new Finding.Running(
                new Program("Star tools", List.of(), List.of(), List.of(), false, true)),
            List.of(),
            false);
    List<Program> seen = new ArrayList<>();
    long end = System.nanoTime() + 60_000_000_000L;
    MenuWatch.watch(
        here,
        closed,
        better -> seen.add(((Finding.Running) better.what()).program()),
        () -> System.nanoTime() > end || (!seen.isEmpty() && size(seen.getLast().menus()) == 7));
    assertThat(lines(seen.getLast().menus(), ""))
        .containsExactlyInAnyOrder(
            "Sky |  | ",
            "Sky > Find a star |  | Ctrl+F",
            "Sky > Zoom in |  | Ctrl++",
            "Sky > Turn |  | ",
            "Lamps |  | ",
            "Lamps > Dim |  | F7",
            "Lamps > All off |  | Ctrl+Alt+O");
    assertThatThrownBy(
            () ->
                MenuWatch.watch(
                    here,
                    new Finding(
                        "program:x",
                        "x",
                        "",
                        new Finding.Running(closedProgram()),
                        List.of(),
                        false),
                    _ -> {},
                    () -> false))
        .hasMessageContaining("has ended");
  }

  private static Program closedProgram() {
    return new Program("Nobody", List.of(), List.of(), List.of(), false, true);
  }

  private static int size(List<Entry> entries) {
    return entries.stream().mapToInt(e -> 1 + size(e.items())).sum();
  }

  @Test
  void programsThatMeanNoGoodAreCutOffAndTheOthersAreReadAllTheSame() throws Exception {
    try (AccessibilityBus bus = AccessibilityBus.connect(address)) {
      for (String hostile : HOSTILE) {
        Running running =
            bus.programs().stream()
                .filter(p -> p.title().toLowerCase(java.util.Locale.ROOT).startsWith(hostile))
                .findFirst()
                .orElseThrow();
        long begun = System.nanoTime();
        Shown shown = bus.read(running, () -> false);
        long seconds = (System.nanoTime() - begun) / 1_000_000_000L;
        assertThat(seconds).as(hostile).isLessThan(20);
        assertThat(size(shown.program().menus())).as(hostile).isLessThan(ProgramWalk.MOST + 1);
        assertThat(shown.program().entries(_ -> true))
            .allSatisfy(e -> assertThat(e.title().length()).isLessThanOrEqualTo(200));
        if (!hostile.equals("cycle")) {
          assertThat(shown.left()).as(hostile).isNotEmpty();
          assertThat(shown.program().complete()).isFalse();
        }
        assertThat(program(bus, "Cue editor").program().menus()).as("after " + hostile).hasSize(3);
      }
    }
  }

  /** The way that a new user goes: this computer, its desktop, its program, the conflict. */
  @Test
  void betweenADesktopAndARunningProgramTheConflictsAreFoundAndASecondReadingChangesNothing()
      throws Exception {
    Workspace first = Shipped.start();
    ComputerPlan plan = ComputerIntake.plan(first, found(), ComputerIntake.Wishes.HERE);
    Workspace now = plan.change().after();
    Setup setup =
        now.setups().values().stream()
            .filter(s -> s.machine().application().isPresent())
            .findFirst()
            .orElseThrow();
    SetupTraces traces = SetupTraces.of(setup, now.world());
    List<Conflict> conflicts =
        ConflictFinder.find(traces, Person.of(_ -> 1)).stream()
            .filter(c -> c.kind() == Conflict.Kind.INTERCEPTED)
            .toList();
    assertThat(conflicts)
        .extracting(c -> c.loser().gesture().toString())
        .containsExactlyInAnyOrder("F7", "Ctrl+Alt+P");
    for (Conflict c : conflicts) {
      assertThat(traces.tracer().trace(c.loser().gesture()).outcome().toString())
          .contains(setup.machine().platform().value());
    }
    assertThat(ComputerIntake.plan(now, found(), ComputerIntake.Wishes.HERE).changesSomething())
        .isFalse();
  }

  private static FoundComputer found() throws Exception {
    Surroundings real = Surroundings.here();
    Map<String, String> variables = new java.util.HashMap<>(real.variables());
    variables.put("DBUS_SESSION_BUS_ADDRESS", address);
    Surroundings here =
        new Surroundings(variables, folder.orElseThrow(), folder.orElseThrow(), real.tools());
    ComputerReading reading =
        ComputerReading.start("dome laptop", ThisComputer.sources(here), _ -> {});
    reading.await();
    List<RequestedRow> rows =
        List.of(
            new RequestedRow(1, "Rowan", true, "", "Move the window", "F7"),
            new RequestedRow(2, "Rowan", true, "", "Show all windows", "<Primary><Alt>p"));
    List<Finding> all = new ArrayList<>();
    all.add(
        new Finding(
            "settings:rowan",
            "Rowan",
            "",
            new Finding.Keys(ListSubject.DESKTOP, "Rowan", rows, List.of()),
            List.of(),
            true));
    reading.found().findings().stream()
        .filter(f -> f.id().equals("program:cue editor"))
        .forEach(all::add);
    assertThat(all).hasSize(2);
    return new FoundComputer("dome laptop", all);
  }
}
