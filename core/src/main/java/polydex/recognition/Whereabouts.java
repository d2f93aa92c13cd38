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
 * Finds the setup that was in use from the names that a log gives machines and applications: one of
 * that name, or else one whose innermost machine or platform has it; of several the one whose
 * focused application is meant, and otherwise one whose platform has that application, which then
 * has the focus. O(setups) for each new pair of names.
 */
public final class Whereabouts {
  private record Names(String machine, String application) {}

  /**
   * Where something was done.
   *
   * @param setup with the application in focus; none where no setup fits
   * @param application the id of it, the log's name where no keymap has it, empty for the desktop
   */
  public record Where(Optional<Setup> setup, EnvironmentId application) {
    /** The id of the setup, or nothing. */
    SetupId setupId() {
      return setup.map(Setup::id).orElse(SetupId.NONE);
    }
  }

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

  /** Where a deed was done. */
  public Where of(Deed deed) {
    return known.computeIfAbsent(new Names(deed.machine(), deed.application()), this::find);
  }

  private Where find(Names names) {
    Setup best = null;
    int most = 0;
    for (Setup setup : setups) {
      int machine = likeness(setup, names.machine());
      int fit = machine == 0 ? 0 : 10 * machine + likenessOfFocus(setup, names.application());
      if (fit > most) {
        best = setup;
        most = fit;
      }
    }
    if (best == null) {
      return new Where(Optional.empty(), new EnvironmentId(names.application()));
    }
    Setup found = best;
    return applications(found, names.application())
        .findFirst()
        .map(a -> new Where(Optional.of(focusing(found, a)), a.id()))
        .orElseGet(
            () ->
                new Where(
                    Optional.of(found),
                    names.application().isEmpty()
                        ? found.innermost().application().orElse(EnvironmentId.NONE)
                        : new EnvironmentId(names.application())));
  }

  private int likeness(Setup setup, String machine) {
    if (machine.isEmpty()) {
      return 1;
    }
    if (isNamed(machine, setup.id().value(), setup.title())) {
      return 3;
    }
    Machine inner = setup.innermost();
    return isNamed(machine, inner.title(), inner.platform().value())
            || world
                .catalog()
                .environment(inner.platform())
                .filter(p -> isNamed(machine, p))
                .isPresent()
        ? 2
        : 0;
  }

  private int likenessOfFocus(Setup setup, String application) {
    if (application.isEmpty()) {
      return 1;
    }
    boolean focused =
        applications(setup, application)
            .anyMatch(a -> setup.innermost().application().filter(a.id()::equals).isPresent());
    return focused ? 3 : applications(setup, application).findAny().isPresent() ? 2 : 0;
  }

  /** The applications of the innermost platform that have this name. */
  private Stream<Environment> applications(Setup setup, String name) {
    Machine inner = setup.innermost();
    return world.catalog().environments().stream()
        .filter(e -> e.kind() instanceof Application)
        .filter(e -> isNamed(name, e))
        .filter(
            e ->
                inner.application().filter(e.id()::equals).isPresent()
                    || ((Application) e.kind()).platforms().contains(inner.platform()));
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

  /** The setup with an application in focus, as it is when it was just opened. */
  public static Setup focusing(Setup setup, Environment application) {
    Machine inner = setup.innermost();
    if (inner.application().filter(application.id()::equals).isPresent()) {
      return setup;
    }
    List<String> contexts = application.contexts().stream().map(Context::id).limit(1).toList();
    return setup.with(
        setup.machines().size() - 1,
        inner.with(
            new Machine.Running(application.id(), application.version(), Set.of(), contexts)));
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
