package polydex.files.computer;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import polydex.computer.Finding;
import polydex.computer.Finding.Running;
import polydex.computer.Program;
import polydex.computer.Program.Sort;
import polydex.files.FileProblem;
import polydex.files.bus.AccessibilityBus;

/** The programs that run, with their menus, as they show them over the accessibility bus. */
final class ProgramSource implements ComputerSource {
  private static final int MOST_EXAMPLES = 5;

  private final Surroundings here;

  ProgramSource(Surroundings here) {
    this.here = here;
  }

  @Override
  public String title() {
    return worded("computer.programs-that-run");
  }

  @Override
  public void read(Listener to) throws FileProblem {
    String session = here.messageBus();
    try (AccessibilityBus bus = AccessibilityBus.connect(session)) {
      List<AccessibilityBus.Running> programs =
          bus.programs().stream()
              .filter(p -> p.process() != ProcessHandle.current().pid())
              .toList();
      if (programs.isEmpty()) {
        throw new FileProblem(
            AccessibilitySwitch.isOn(here.tools())
                ? worded("computer.no-program-that-runs-shows-itself")
                : worded("computer.programs-dont-show-themselves-since-accessibility"));
      }
      for (Map.Entry<String, AccessibilityBus.Running> program : byTitle(programs).entrySet()) {
        if (!to.stopped()) {
          to.at(program.getKey());
          read(bus, program.getKey(), program.getValue(), to);
        }
      }
    }
  }

  /** Programs by titles that tell them apart. */
  static Map<String, AccessibilityBus.Running> byTitle(List<AccessibilityBus.Running> programs) {
    Set<String> titles = new HashSet<>();
    Map<String, AccessibilityBus.Running> all = new LinkedHashMap<>();
    for (AccessibilityBus.Running running : programs) {
      String title = running.title();
      for (int i = 2; !titles.add(title.toLowerCase(Locale.ROOT)); i++) {
        title = running.title() + " " + i;
      }
      all.put(title, running);
    }
    return all;
  }

  private static void read(
      AccessibilityBus bus, String title, AccessibilityBus.Running running, Listener to)
      throws FileProblem {
    AccessibilityBus.Shown shown = bus.read(running, to::stopped);
    Program program = shown.program();
    boolean nothing =
        program.menus().isEmpty() && program.pressed().isEmpty() && program.tabOrder().isEmpty();
    if (nothing && !makesMenusLate(running.toolkit())) {
      to.remark(
          shown.left().isEmpty()
              ? worded("computer.shows-no-menus-and-no-buttons", title)
              : title + ": " + shown.left());
      return;
    }
    to.found(
        new Finding(
            "program:" + title.toLowerCase(Locale.ROOT),
            title,
            running.toolkit().isEmpty()
                ? worded("computer.a-program-that-runs-now")
                : worded("computer.a-program-that-runs-now-with", running.toolkit()),
            new Running(program.titled(title)),
            remarks(shown, running.toolkit()),
            !program.entries(e -> e.items().isEmpty() && e.sort() != Sort.MENU).isEmpty()));
  }

  /** Toolkits that make menus only when they are opened call themselves in capitals. */
  private static boolean makesMenusLate(String toolkit) {
    return toolkit.equals("GTK");
  }

  private static String hint(String toolkit) {
    return makesMenusLate(toolkit) ? worded("computer.its-toolkit-makes-them-only-when") : ".";
  }

  private static List<String> remarks(AccessibilityBus.Shown shown, String toolkit) {
    List<String> remarks = new ArrayList<>();
    if (!shown.left().isEmpty()) {
      remarks.add(shown.left());
    }
    Program program = shown.program();
    if (program.entries(e -> e.sort() == Sort.MENU && e.items().isEmpty()).size() > 0
        || program.menus().isEmpty()) {
      remarks.add(
          (program.menus().isEmpty()
                  ? worded("computer.it-shows-no-menus")
                  : worded("computer.some-menus-are-empty"))
              + hint(toolkit));
    }
    List<String> documents = program.documents().stream().map(Program.Entry::title).toList();
    if (!documents.isEmpty()) {
      remarks.add(
          worded(
              "computer.entries-look-like-documents-or-windows",
              documents.size(),
              examples(documents)));
    }
    List<String> guessed =
        program.entries(Program.Entry::guessed).stream().map(Program.Entry::title).toList();
    if (!guessed.isEmpty()) {
      remarks.add(
          worded("computer.of-entries-the-toolkit-tells-one", guessed.size(), examples(guessed)));
    }
    return remarks;
  }

  private static String examples(List<String> titles) {
    String some = titles.stream().limit(MOST_EXAMPLES).collect(Collectors.joining(", "));
    return titles.size() > MOST_EXAMPLES ? some + " \u2026" : some;
  }
}
