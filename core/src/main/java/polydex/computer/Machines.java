package polydex.computer;

import static polydex.language.CoreWords.worded;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.Version;
import polydex.intake.SubjectGuess;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.Situation.Computer;
import polydex.setups.SetupList;
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
    boolean read =
        before.remembered().lists().keySet().stream()
            .anyMatch(l -> l.startsWith(machine.title() + ": "));
    if (!elsewhere && !read && SubjectGuess.isStandIn(before, machine.platform())) {
      return before.with(
          before.situation().withMachine(Computer.of(machine), m -> m.titled(title)));
    }
    Workspace with = withStandIn(before);
    Setup made = bare(with, current.get(), title);
    return with.with(made).using(Optional.of(made.id()));
  }

  /** With the platform that stands in for a desktop of which nothing is known yet. */
  private static Workspace withStandIn(Workspace before) {
    return before.catalog().environment(SubjectGuess.STAND_IN).isPresent()
        ? before
        : before.with(
            before
                .catalog()
                .with(
                    List.of(),
                    List.of(
                        new Environment(
                            SubjectGuess.STAND_IN,
                            "Plain desktop",
                            new Version("1"),
                            List.of(Context.ANYWHERE),
                            Environment.WhenBroken.SWALLOW,
                            Environment.Platform.PLAIN)),
                    Map.of()));
  }

  /** Without it, where nothing stands on it after all and it was not there before. */
  static Workspace withoutStandIn(Workspace after, Workspace before) {
    boolean made = before.catalog().environment(SubjectGuess.STAND_IN).isEmpty();
    return made && after.setupsWith(SubjectGuess.STAND_IN).isEmpty()
        ? after.with(after.catalog().without(SubjectGuess.STAND_IN))
        : after;
  }

  private static Setup bare(Workspace before, Setup like, String title) {
    Environment standIn = before.catalog().environment(SubjectGuess.STAND_IN).orElseThrow();
    return new Setup(
        SetupList.freeId(before, idOf(title)),
        title,
        like.board(),
        new Machine(
            title,
            standIn.id(),
            standIn.version(),
            like.machine().layout(),
            List.of(),
            List.of(),
            Set.of(),
            Set.of(),
            new Machine.Bare()));
  }

  /** The environment of a title; as in lists, the case of letters tells nothing apart. */
  static Optional<Environment> environment(Workspace workspace, String title) {
    return workspace.catalog().environments().stream()
        .filter(e -> e.title().equalsIgnoreCase(title))
        .findFirst();
  }

  /** The workspace with a setup in which an application runs on the computer under the hands. */
  static Workspace running(Workspace before, String application) {
    Optional<Setup> under = before.setup();
    Optional<Environment> of = environment(before, application).filter(e -> e.platform().isEmpty());
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
    String title = worded("any.on", e.title(), machine.title());
    return before.with(
        new Setup(
            SetupList.freeId(before, idOf(title)),
            title,
            under.get().board(),
            machine.with(running)));
  }

  private static String idOf(String title) {
    return "setup-" + title.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-");
  }
}
