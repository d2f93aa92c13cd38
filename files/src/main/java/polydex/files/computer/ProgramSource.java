package polydex.files.computer;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import polydex.computer.Finding;
import polydex.computer.Finding.Running;
import polydex.computer.Program;
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
    String session =
        here.variable("DBUS_SESSION_BUS_ADDRESS")
            .or(() -> here.variable("XDG_RUNTIME_DIR").map(d -> "unix:path=" + d + "/bus"))
            .orElseThrow(
                () ->
                    new FileProblem(
                        "This session has no message bus, over which programs could be read."));
    Set<String> titles = new HashSet<>();
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
      for (AccessibilityBus.Running program : programs) {
        if (!to.stopped()) {
          to.at(program.title());
          read(bus, program, titles, to);
        }
      }
    }
  }

  private static void read(
      AccessibilityBus bus, AccessibilityBus.Running running, Set<String> titles, Listener to)
      throws FileProblem {
    AccessibilityBus.Shown shown = bus.read(running, to::stopped);
    Program program = shown.program();
    boolean nothing =
        program.menus().isEmpty() && program.pressed().isEmpty() && program.tabOrder().isEmpty();
    if (nothing) {
      to.remark(
          shown.left().isEmpty()
              ? running.title() + " shows no menus" + hint(running.toolkit())
              : running.title() + ": " + shown.left());
      return;
    }
    String title = running.title();
    for (int i = 2; !titles.add(title.toLowerCase(Locale.ROOT)); i++) {
      title = running.title() + " " + i;
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
            !program.menus().isEmpty()));
  }

  /** Toolkits that make menus only when they are opened call themselves in capitals. */
  private static String hint(String toolkit) {
    return toolkit.equals("GTK")
        ? ": its toolkit shows them only while they are open. Open one, and read again; what was"
            + " read before stays."
        : " and no buttons.";
  }

  private static List<String> remarks(AccessibilityBus.Shown shown, String toolkit) {
    List<String> remarks = new ArrayList<>();
    if (!shown.left().isEmpty()) {
      remarks.add(shown.left());
    }
    Program program = shown.program();
    if (program.menus().isEmpty()) {
      remarks.add("It shows no menus" + hint(toolkit));
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
