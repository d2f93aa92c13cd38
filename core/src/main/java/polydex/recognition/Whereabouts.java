package polydex.recognition;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.catalog.EnvironmentId;
import polydex.log.Deed;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.World;

/**
 * Finds the setup that was in use from the names that a log gives machines and applications. A
 * machine is meant by the name of a setup, by its own or by its platform's; an application by the
 * machine of that name, or one inside it, that runs it, which then has the focus. An application
 * that no such machine runs is a stranger there, whoever else has one of that name, and so is a
 * machine that no setup has. An empty application is the desktop itself. Of several setups the one
 * in which it has the focus already counts, and of those the first. O(setups · machines) for each
 * new pair of names.
 */
public final class Whereabouts {
  private record Names(String machine, String application, boolean noted) {}

  /**
   * A name that no setup or keymap knows.
   *
   * @param isMachine whether the machine is unknown, rather than the application on it
   * @param name as the log has it
   */
  public record Stranger(boolean isMachine, String name) {}

  /**
   * Where something was done.
   *
   * @param setup with what had the focus; none where no setup fits
   * @param application the id of it, the log's name where it is a stranger, empty for the desktop
   * @param stranger what nobody knows of it
   */
  public record Where(
      Optional<Setup> setup, EnvironmentId application, Optional<Stranger> stranger) {
    /** The id of the setup, or nothing. */
    SetupId setupId() {
      return setup.map(Setup::id).orElse(SetupId.NONE);
    }
  }

  /** A place that names may mean, and how well they do. */
  private record Candidate(Where where, int fit) {}

  private final World world;
  private final List<Setup> setups;
  private final Map<Names, Where> known = new HashMap<>();

  /**
   * Among these setups.
   *
   * @param setups those that are likelier first
   */
  public Whereabouts(World world, Collection<Setup> setups) {
    this.world = world;
    this.setups = setups.stream().filter(s -> world.problem(s).isEmpty()).toList();
  }

  /** Where a deed was done. What a person noted was done in the setup that it names. */
  public Where of(Deed deed) {
    return known.computeIfAbsent(
        new Names(deed.machine(), deed.application(), deed.isNoted()), this::find);
  }

  private Where find(Names names) {
    if (names.noted()) {
      return noted(names);
    }
    Candidate best = null;
    for (Setup setup : setups) {
      for (int depth = 0; depth < setup.machines().size(); depth++) {
        Optional<Candidate> found = candidate(setup, depth, names);
        if (found.isPresent() && (best == null || found.get().fit() > best.fit())) {
          best = found.get();
        }
      }
    }
    if (best != null) {
      return best.where();
    }
    return new Where(
        Optional.empty(),
        new EnvironmentId(names.application()),
        Optional.of(new Stranger(true, names.machine())));
  }

  private Where noted(Names names) {
    return setups.stream()
        .filter(s -> names.machine().isEmpty() || s.id().value().equals(names.machine()))
        .findFirst()
        .map(
            s ->
                new Where(
                    Optional.of(s),
                    s.innermost().application().orElse(EnvironmentId.NONE),
                    Optional.empty()))
        .orElseGet(() -> find(new Names(names.machine(), names.application(), false)));
  }

  /** What names mean in a setup, if they mean the machine at that depth. */
  private Optional<Candidate> candidate(Setup setup, int depth, Names names) {
    int last = setup.machines().size() - 1;
    boolean whole = names.machine().isEmpty() || isSetup(setup, names.machine());
    int machine =
        names.machine().isEmpty()
            ? 1
            : whole ? 3 : isMachine(setup.machines().get(depth), names.machine()) ? 2 : 0;
    // The name of a setup means what stands innermost in it first.
    if (machine == 0 || (whole && depth < last)) {
      return Optional.empty();
    }
    int from = whole ? 0 : depth;
    if (names.application().isEmpty()) {
      return Optional.of(
          new Candidate(
              new Where(
                  Optional.of(focused(setup, depth, new Machine.Bare())),
                  EnvironmentId.NONE,
                  Optional.empty()),
              1000 + 100 * machine + (depth == last ? 1 : 0)));
    }
    Optional<Candidate> running = Optional.empty();
    for (int at = last; at >= from; at--) {
      boolean nearest = whole ? at == last : at == depth;
      int runner = at;
      Optional<Candidate> here =
          application(setup.machines().get(at), names.application())
              .map(
                  app -> {
                    boolean has = app.id().equals(focus(setup.machines().get(runner)));
                    return new Candidate(
                        new Where(
                            Optional.of(focusing(setup, runner, app)), app.id(), Optional.empty()),
                        1000
                            + 100 * machine
                            + (has ? 30 : 20)
                            + (nearest ? 2 : 0)
                            + (runner == last ? 1 : 0));
                  });
      if (here.isPresent() && running.filter(r -> r.fit() >= here.get().fit()).isEmpty()) {
        running = here;
      }
    }
    return running.or(
        () ->
            Optional.of(
                new Candidate(
                    new Where(
                        Optional.of(focused(setup, depth, new Machine.Bare())),
                        new EnvironmentId(names.application()),
                        Optional.of(new Stranger(false, names.application()))),
                    100 * machine + (depth == last ? 1 : 0))));
  }

  private static boolean isSetup(Setup setup, String name) {
    return isNamed(name, setup.id().value(), setup.title());
  }

  private boolean isMachine(Machine machine, String name) {
    return isNamed(name, machine.title(), machine.platform().value())
        || world
            .catalog()
            .environment(machine.platform())
            .filter(p -> isNamed(name, p))
            .isPresent();
  }

  private static EnvironmentId focus(Machine machine) {
    return machine.application().orElse(EnvironmentId.NONE);
  }

  /** The application of a name that a machine runs; what has the focus there first. */
  private Optional<Environment> application(Machine machine, String name) {
    List<Environment> named =
        world.catalog().environments().stream()
            .filter(e -> e.kind() instanceof Application)
            .filter(e -> isNamed(name, e))
            .filter(e -> runs(machine, e))
            .toList();
    return named.stream()
        .filter(e -> e.id().equals(focus(machine)))
        .findFirst()
        .or(() -> named.stream().findFirst());
  }

  private static boolean runs(Machine machine, Environment application) {
    return focus(machine).equals(application.id())
        || (application.kind() instanceof Application a
            && a.platforms().contains(machine.platform()));
  }

  /** A name of today counts before one of old. */
  private boolean isNamed(String name, Environment environment) {
    if (isNamed(name, environment.id().value(), environment.title())) {
      return true;
    }
    List<String> older = world.catalog().successors().namesOf(environment.id());
    return isNamed(name, older.toArray(String[]::new))
        && world.catalog().environments().stream()
            .noneMatch(e -> isNamed(name, e.id().value(), e.title()));
  }

  private static boolean isNamed(String name, String... names) {
    return Stream.of(names).anyMatch(name::equalsIgnoreCase);
  }

  /** The setup with something else in focus on a machine; what was in a window of it is gone. */
  private static Setup focused(Setup setup, int depth, Machine.Focus focus) {
    return setup.with(depth, setup.machines().get(depth).with(focus));
  }

  private static Setup focusing(Setup setup, int depth, Environment application) {
    Machine machine = setup.machines().get(depth);
    boolean innermost = depth == setup.machines().size() - 1;
    if (innermost && focus(machine).equals(application.id())) {
      return setup;
    }
    List<String> contexts = application.contexts().stream().map(Context::id).limit(1).toList();
    return focused(
        setup,
        depth,
        new Machine.Running(application.id(), application.version(), Set.of(), contexts));
  }

  /** The setup with an application in focus, as it is when it was just opened. */
  public static Setup focusing(Setup setup, Environment application) {
    for (int depth = setup.machines().size() - 1; depth >= 0; depth--) {
      if (runs(setup.machines().get(depth), application)) {
        return focusing(setup, depth, application);
      }
    }
    return focusing(setup, setup.machines().size() - 1, application);
  }

  /** The same with the application of a place in focus. */
  public static Setup focusing(Setup setup, EnvironmentId environment, Catalog catalog) {
    return catalog
        .environment(environment)
        .filter(e -> e.kind() instanceof Application)
        .filter(e -> !setup.environments().contains(environment))
        .map(e -> focusing(setup, e))
        .orElse(setup);
  }

  /** What is around, the focused application first, then its platform, and so on outward. */
  public static List<Environment> outward(Setup setup, Catalog catalog) {
    List<Environment> found = new ArrayList<>();
    setup.environments().reversed().forEach(e -> catalog.environment(e).ifPresent(found::add));
    return found;
  }
}
