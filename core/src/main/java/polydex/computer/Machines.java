package polydex.computer;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.intake.SubjectGuess;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.Situation.Computer;
import polydex.workspace.Workspace;

/** Finds the machine of a computer among the setups, or makes one for it. */
final class Machines {
  private Machines() {}

  /**
   * The workspace with a setup in use under whose hands the computer is. It is known by its title.
   * The plain one that a new file begins with becomes the first computer that is read where the
   * program runs; any other that is not known gets a setup of its own.
   */
  static Workspace under(Workspace before, String title, boolean elsewhere) {
    Optional<Setup> current = before.setup();
    if (current.filter(s -> s.machine().title().equals(title)).isPresent()) {
      return before;
    }
    Optional<Setup> known =
        before.setups().values().stream()
            .filter(s -> s.machine().title().equals(title))
            .findFirst();
    if (known.isPresent()) {
      return before.using(known.map(Setup::id));
    }
    if (current.isEmpty()) {
      return before;
    }
    Machine machine = current.get().machine();
    if (!elsewhere && SubjectGuess.isStandIn(before, machine.platform())) {
      return before.with(
          before.situation().withMachine(Computer.of(machine), m -> m.titled(title)));
    }
    Setup made = bare(before, current.get(), title);
    return before.with(made).using(Optional.of(made.id()));
  }

  private static Setup bare(Workspace before, Setup like, String title) {
    Optional<Environment> standIn = before.catalog().environment(SubjectGuess.STAND_IN);
    Machine machine = like.machine();
    EnvironmentId platform = standIn.map(Environment::id).orElse(machine.platform());
    return new Setup(
        unused(before, title),
        title,
        like.board(),
        new Machine(
            title,
            platform,
            standIn.map(Environment::version).orElse(machine.version()),
            machine.layout(),
            List.of(),
            List.of(),
            Set.of(),
            Set.of(),
            new Machine.Bare()));
  }

  /** The workspace with a setup in which an application runs on the computer under the hands. */
  static Workspace running(Workspace before, String application) {
    Optional<Setup> under = before.setup();
    Optional<Environment> of =
        before.catalog().environments().stream()
            .filter(e -> e.platform().isEmpty() && e.title().equals(application))
            .findFirst();
    if (under.isEmpty() || of.isEmpty()) {
      return before;
    }
    Machine machine = under.get().machine();
    Computer computer = Computer.of(machine);
    boolean there =
        before.setups().values().stream()
            .map(Setup::machine)
            .anyMatch(m -> computer.is(m) && m.application().equals(of.map(Environment::id)));
    if (there) {
      return before;
    }
    Environment e = of.get();
    Machine.Running running =
        new Machine.Running(e.id(), e.version(), Set.of(), List.of(Context.ANYWHERE.id()));
    String title = e.title() + " on " + machine.title();
    return before.with(
        new Setup(unused(before, title), title, under.get().board(), machine.with(running)));
  }

  private static SetupId unused(Workspace before, String title) {
    Map<SetupId, Setup> all = new LinkedHashMap<>(before.setups());
    String base =
        "setup-" + title.toLowerCase(java.util.Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-");
    SetupId id = new SetupId(base);
    for (int i = 2; all.containsKey(id); i++) {
      id = new SetupId(base + "-" + i);
    }
    return id;
  }
}
