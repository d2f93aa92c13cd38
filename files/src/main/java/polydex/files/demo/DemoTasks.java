package polydex.files.demo;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.catalog.Environment.PointerRoute;
import polydex.keys.Gesture;
import polydex.recognition.Place;
import polydex.recognition.Whereabouts;
import polydex.route.Machine;
import polydex.route.Reach;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.workspace.Workspace;

/**
 * What is done in the setups of a workspace, and how often: the actions of the focused application
 * most, then those of the other applications of its machine, each with its way by pointer and,
 * where one reaches it, its gesture.
 */
final class DemoTasks {
  private static final int FOCUSED = 20;
  private static final int OTHERS = 4;
  private static final double SHARE_OF_OTHERS = 0.15;
  private static final double LEAST_WEIGHT = 0.12;

  /** Groups of actions that nobody does all day. */
  private static final Set<String> RARE =
      Set.of("Program", "System", "Pictures", "Seeing", "Sound", "Typing", "Workspaces");

  private static final double OF_THE_RARE = 0.3;

  /**
   * Something that is done again and again.
   *
   * @param place what and where
   * @param machine as a recorder names it
   * @param application as a recorder names it; empty for the desktop
   * @param path with a pointer
   * @param operators of it
   * @param gesture by keys; none where none reaches it
   * @param weight how often, against the others of the setup
   */
  record Task(
      Place place,
      String machine,
      String application,
      List<String> path,
      String operators,
      Optional<Gesture> gesture,
      double weight) {}

  private DemoTasks() {}

  /** The tasks of each setup, by its id; the commonest first. */
  static Map<SetupId, List<Task>> of(Workspace workspace, Random random) {
    Map<SetupId, List<Task>> found = new LinkedHashMap<>();
    for (Setup setup : workspace.setups().values()) {
      if (workspace.world().problem(setup).isEmpty()) {
        found.put(setup.id(), new OfSetup(workspace, setup, random).tasks());
      }
    }
    return found;
  }

  private static final class OfSetup {
    private final Workspace workspace;
    private final Catalog catalog;
    private final Setup setup;
    private final Random random;
    private final Map<String, Map<ActionId, Gesture>> reached = new HashMap<>();

    OfSetup(Workspace workspace, Setup setup, Random random) {
      this.workspace = workspace;
      this.catalog = workspace.catalog();
      this.setup = setup;
      this.random = random;
    }

    List<Task> tasks() {
      Machine inner = setup.innermost();
      List<Task> all = new ArrayList<>();
      Optional<Environment> focused = inner.application().flatMap(catalog::environment);
      focused.ifPresent(f -> all.addAll(ofEnvironment(f, FOCUSED, 1)));
      List<Environment> others = new ArrayList<>();
      catalog.environment(inner.platform()).ifPresent(others::add);
      catalog.environments().stream()
          .filter(
              e ->
                  e.kind() instanceof Application a
                      && !a.holdsMachine()
                      && a.platforms().contains(inner.platform()))
          .filter(e -> focused.filter(f -> f.id().equals(e.id())).isEmpty())
          .forEach(others::add);
      for (Environment other : others) {
        all.addAll(ofEnvironment(other, OTHERS, SHARE_OF_OTHERS));
      }
      return List.copyOf(all);
    }

    private List<Task> ofEnvironment(Environment e, int most, double share) {
      Map<ActionId, PointerRoute> routes = new LinkedHashMap<>();
      e.pointerRoutes().forEach(r -> routes.putIfAbsent(r.action(), r));
      Set<ActionId> unbound = new LinkedHashSet<>(routes.keySet());
      catalog.bindings(e.id()).forEach(b -> unbound.remove(b.action()));
      List<ActionId> rest = new ArrayList<>(routes.keySet());
      rest.removeAll(unbound);
      Collections.shuffle(rest, random);
      rest.sort(Comparator.comparing(this::isRare)); // stable: the rest stays mixed
      // What has no gesture is always among what is done: it is what people ask about.
      List<ActionId> actions = new ArrayList<>(rest.subList(0, Math.min(most, rest.size())));
      int at = 3;
      for (ActionId action : unbound) {
        actions.add(Math.min(at, actions.size()), action);
        at += 4;
      }
      List<Task> tasks = new ArrayList<>();
      for (ActionId action : actions) {
        PointerRoute route = routes.get(action);
        double common = share * Math.max(LEAST_WEIGHT, 1.0 / (1 + 0.35 * tasks.size()));
        double weight = isRare(action) ? common * OF_THE_RARE : common;
        tasks.add(
            new Task(
                Place.of(setup.id(), e.id(), action),
                setup.innermost().title(),
                e.platform().isPresent() ? "" : e.title(),
                route.path(),
                route.operators(),
                gesture(e, action),
                weight));
      }
      return tasks;
    }

    private boolean isRare(ActionId action) {
      return catalog.action(action).filter(a -> RARE.contains(a.group())).isPresent();
    }

    private Optional<Gesture> gesture(Environment e, ActionId action) {
      return Optional.ofNullable(
          reached
              .computeIfAbsent(
                  e.id().value(),
                  _ -> {
                    Setup focused =
                        e.platform().isPresent() ? setup : Whereabouts.focusing(setup, e);
                    Reach reach = new Reach(SetupTraces.of(focused, workspace.world()));
                    Map<ActionId, Gesture> ways = new HashMap<>();
                    for (Binding b : catalog.bindings(e.id())) {
                      reach.of(b.action()).stream()
                          .map(Reach.Way::gesture)
                          .filter(g -> !g.usesPointer())
                          .findFirst()
                          .ifPresent(g -> ways.putIfAbsent(b.action(), g));
                    }
                    return ways;
                  })
              .get(action));
    }
  }
}
