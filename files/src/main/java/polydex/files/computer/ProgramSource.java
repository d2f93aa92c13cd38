package polydex.files.computer;

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
    return "Programs that run";
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
                ? "No program that runs shows itself on the accessibility bus. Start the ones that"
                    + " you use, and read again."
                : "Programs don't show themselves, since accessibility is switched off. Switch it"
                    + " on, start the programs again, and read again.");
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
              ? title + " shows no menus and no buttons."
              : title + ": " + shown.left());
      return;
    }
    to.found(
        new Finding(
            "program:" + title.toLowerCase(Locale.ROOT),
            title,
            running.toolkit().isEmpty()
                ? "a program that runs now"
                : "a program that runs now, with " + running.toolkit(),
            new Running(program.titled(title)),
            remarks(shown, running.toolkit()),
            !program.entries(e -> e.items().isEmpty() && e.sort() != Sort.MENU).isEmpty()));
  }

  /** Toolkits that make menus only when they are opened call themselves in capitals. */
  private static boolean makesMenusLate(String toolkit) {
    return toolkit.equals("GTK");
  }

  private static String hint(String toolkit) {
    return makesMenusLate(toolkit)
        ? ": its toolkit makes them only when they are opened. Watch it, and open each once."
        : ".";
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
          (program.menus().isEmpty() ? "It shows no menus" : "Some menus are empty")
              + hint(toolkit));
    }
    List<String> documents = program.documents().stream().map(Program.Entry::title).toList();
    if (!documents.isEmpty()) {
      remarks.add(
          "%,d entries look like documents or windows, and are left unless you take them: %s."
              .formatted(documents.size(), examples(documents)));
    }
    List<String> guessed =
        program.entries(Program.Entry::guessed).stream().map(Program.Entry::title).toList();
    if (!guessed.isEmpty()) {
      remarks.add(
          "Of %,d entries the toolkit tells one key that could be either; it is taken for the access key: %s."
              .formatted(guessed.size(), examples(guessed)));
    }
    return remarks;
  }

  private static String examples(List<String> titles) {
    String some = titles.stream().limit(MOST_EXAMPLES).collect(Collectors.joining(", "));
    return titles.size() > MOST_EXAMPLES ? some + " \u2026" : some;
  }
}
