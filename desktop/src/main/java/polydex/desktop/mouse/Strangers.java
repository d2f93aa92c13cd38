package polydex.desktop.mouse;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.own.OwnKey;
import polydex.person.SetupsForLog;
import polydex.route.Setup;
import polydex.totals.Standing.Strange;

/** Machines and programs of the log that nobody knows: how they are said, and what helps. */
final class Strangers {
  private static final int SAID = 4;

  private Strangers() {}

  /** Who they are, and what to do about it. */
  static String said(List<Strange> strangers) {
    Set<String> machines = new LinkedHashSet<>();
    List<String> programs = new ArrayList<>();
    for (Strange s : strangers) {
      if (s.isMachine()) {
        machines.add(s.machine().isEmpty() ? "without a name" : "“" + s.machine() + "”");
      } else {
        programs.add(
            "“%s” (%,d by pointer, %,d by keys)"
                .formatted(s.application(), s.byPointer(), s.byKeys()));
      }
    }
    List<String> words = new ArrayList<>();
    if (!machines.isEmpty()) {
      words.add(
          (machines.size() == 1 ? "No setup has the machine " : "No setup has the machines ")
              + first(List.copyOf(machines))
              + ", so what was done there can't be named.");
    }
    if (!programs.isEmpty()) {
      words.add(
          (programs.size() == 1 ? "No keymap knows the program " : "No keymap knows the programs ")
              + first(programs)
              + ". {SHEETS_TURN} in Sheets brings in a list of its keys, {HERE_OPEN} there reads what runs now.");
    }
    return String.join(" ", words);
  }

  private static String first(List<String> names) {
    return names.stream().limit(SAID).collect(Collectors.joining(", "))
        + (names.size() > SAID ? " and %,d others".formatted(names.size() - SAID) : "");
  }

  /** Makes the setups that the log needs, where something is known of them. */
  static Optional<KeyCommand> setups(Desk desk, List<Strange> strangers) {
    List<Setup> made = SetupsForLog.of(desk.session().workspace().get(), strangers);
    if (made.isEmpty()) {
      return Optional.empty();
    }
    String title =
        made.size() == 1
            ? "Make the setup “" + made.getFirst().title() + "”"
            : "Make the %d setups it needs".formatted(made.size());
    return Optional.of(
        KeyCommand.of(
            OwnKey.MAKE_SETUPS,
            title,
            () -> {
              desk.keys().close();
              SetupsForLog.edit(desk.session().workspace().get(), strangers)
                  .ifPresent(desk.session()::apply);
            }));
  }
}
