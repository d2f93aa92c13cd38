package polydex.person;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.catalog.EnvironmentId;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.setups.SetupList;
import polydex.totals.Standing.Strange;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/**
 * The setups that a log needs to be understood: one for each machine that it names and no setup
 * has, on the platform of that name, or else on the one that runs most of what was used there. A
 * machine of which nothing is known gets none. O(machines · environments).
 */
public final class SetupsForLog {
  private final Workspace workspace;

  private SetupsForLog(Workspace workspace) {
    this.workspace = workspace;
  }

  /**
   * They, in the order of how much was done on them.
   *
   * @param strangers what nobody knows, the commonest first
   */
  public static List<Setup> of(Workspace workspace, List<Strange> strangers) {
    return new SetupsForLog(workspace).all(strangers);
  }

  /** The workspace with them, as one change; none where the log needs none that can be made. */
  public static Optional<Change.Edit> edit(Workspace workspace, List<Strange> strangers) {
    List<Setup> made = of(workspace, strangers);
    if (made.isEmpty()) {
      return Optional.empty();
    }
    Workspace after = workspace;
    for (Setup setup : made) {
      after = after.with(setup);
    }
    if (after.setup().isEmpty()) {
      after = after.using(Optional.of(made.getFirst().id()));
    }
    String title = worded("person.make-setups-for-the-log", made.size(), made.getFirst().title());
    return Optional.of(new Change.Edit(title, workspace, after));
  }

  private List<Setup> all(List<Strange> strangers) {
    Map<String, List<Strange>> machines = new LinkedHashMap<>();
    for (Strange s : strangers) {
      if (s.isMachine()) {
        machines
            .computeIfAbsent(s.machine().toLowerCase(Locale.ROOT), _ -> new ArrayList<>())
            .add(s);
      }
    }
    List<Setup> made = new ArrayList<>();
    Workspace sofar = workspace;
    List<List<Strange>> byUse =
        machines.values().stream()
            .sorted(
                Comparator.comparingLong(
                    (List<Strange> uses) ->
                        -uses.stream().mapToLong(s -> s.byPointer() + s.byKeys()).sum()))
            .toList();
    for (List<Strange> uses : byUse) {
      Optional<Setup> setup = setup(sofar, uses);
      if (setup.isPresent()) {
        made.add(setup.get());
        sofar = sofar.with(setup.get());
      }
    }
    return made;
  }

  private Optional<Setup> setup(Workspace sofar, List<Strange> uses) {
    Optional<String> board =
        workspace
            .setup()
            .map(Setup::board)
            .or(() -> workspace.world().boards().keySet().stream().findFirst());
    Optional<String> layout =
        workspace
            .setup()
            .map(s -> s.machine().layout())
            .or(() -> workspace.world().layouts().keySet().stream().findFirst());
    Optional<Environment> platform = platform(uses);
    if (board.isEmpty() || layout.isEmpty() || platform.isEmpty()) {
      return Optional.empty();
    }
    String name = uses.getFirst().machine();
    String title = name.isEmpty() ? platform.get().title() : name;
    Machine bare = SetupList.bare(platform.get(), layout.get()).titled(title);
    Machine machine =
        uses.stream()
            .flatMap(s -> applications(s.application()))
            .filter(a -> runs(a, platform.get().id()))
            .findFirst()
            .map(
                a ->
                    bare.with(
                        new Machine.Running(
                            a.id(),
                            a.version(),
                            Set.of(),
                            a.contexts().stream().map(Context::id).limit(1).toList())))
            .orElse(bare);
    return Optional.of(
        new Setup(
            SetupList.freeId(
                sofar,
                "setup-" + title.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-")),
            title,
            board.get(),
            machine));
  }

  private Optional<Environment> platform(List<Strange> uses) {
    String name = uses.getFirst().machine();
    List<Environment> platforms =
        workspace.catalog().environments().stream().filter(e -> e.platform().isPresent()).toList();
    return platforms.stream()
        .filter(p -> isNamed(p, name))
        .findFirst()
        .or(
            () ->
                platforms.stream()
                    .filter(p -> count(uses, p.id()) > 0)
                    .max(Comparator.comparingLong(p -> count(uses, p.id()))));
  }

  /** How many uses were of applications that run there. */
  private long count(List<Strange> uses, EnvironmentId platform) {
    return uses.stream()
        .filter(s -> applications(s.application()).anyMatch(a -> runs(a, platform)))
        .mapToLong(s -> s.byPointer() + s.byKeys())
        .sum();
  }

  private Stream<Environment> applications(String name) {
    return workspace.catalog().environments().stream()
        .filter(e -> e.kind() instanceof Application)
        .filter(e -> isNamed(e, name));
  }

  private static boolean runs(Environment application, EnvironmentId platform) {
    return application.kind() instanceof Application a && a.platforms().contains(platform);
  }

  private static boolean isNamed(Environment environment, String name) {
    return environment.id().value().equalsIgnoreCase(name)
        || environment.title().equalsIgnoreCase(name);
  }
}
