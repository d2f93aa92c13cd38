package polydex.mouse;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.Environment.OwnBindingRules;
import polydex.catalog.Environment.OwnTarget;
import polydex.catalog.Environment.PointerRoute;
import polydex.effort.KeystrokeLevel;
import polydex.keys.Gesture;
import polydex.route.Machine;
import polydex.route.Reach;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;
import polydex.route.World;

/**
 * What is still done with the pointer in the setups of a person: for each action its class, what it
 * costs, and what would take its place.
 *
 * <p>Cost: uses a working day · working days · (seconds by pointer − seconds by keys), never below
 * 0. Times are estimates of the Keystroke-Level Model; see {@link KeystrokeLevel}. O(bindings of
 * each setup + actions).
 */
public final class Remaining {
  /** Working days a year. */
  public static final int WORKING_DAYS = 220;

  /** Presses of a binding that is yet to be made: two modifiers and a key. */
  public static final int PRESSES_OF_AN_OWN = 3;

  /** What can be done about an action. */
  public enum Kind {
    /** A gesture reaches it. */
    LEARN,
    /** It has a gesture that a conflict stops. */
    FREE_THE_WAY,
    /** It has none, and one can be made. */
    BIND,
    /** It has none and none can be made, but menus lead there. */
    WALK,
    /** It is about a place on the screen. */
    POINTER_BY_NATURE,
    /** Nothing is known of it in this setup. */
    UNKNOWN
  }

  /**
   * An action that was done with the pointer.
   *
   * @param setup the id of the setup
   * @param action its id
   * @param usesADay with the pointer, a day on which anything was noted
   * @param pointerSeconds what one use takes
   * @param keysSeconds what it would take by keys; none where there is no way
   * @param hoursAYear what is lost
   * @param gesture what would do it, or should
   * @param environment the id of the platform or application whose gesture that is
   * @param walk the way through the menus, for one that has no better
   */
  public record Row(
      String setup,
      String action,
      Kind kind,
      double usesADay,
      double pointerSeconds,
      Optional<Double> keysSeconds,
      double hoursAYear,
      Optional<Gesture> gesture,
      Optional<String> environment,
      Optional<MenuWalk> walk) {}

  private final World world;
  private final RecentUses uses;
  private final KeystrokeLevel times;

  /**
   * Ready to look.
   *
   * @param uses of the last weeks
   * @param times of this person
   */
  public Remaining(World world, RecentUses uses, KeystrokeLevel times) {
    this.world = world;
    this.uses = uses;
    this.times = times;
  }

  /**
   * What remains, the dearest first.
   *
   * @param setups to look into; one that can't be traced is passed over
   */
  public List<Row> of(Collection<Setup> setups) {
    List<Row> rows = new ArrayList<>();
    for (Setup setup : setups) {
      if (world.problem(setup).isEmpty()) {
        List<String> actions = uses.byPointer(setup.id());
        if (!actions.isEmpty()) {
          rows.addAll(new OfSetup(setup).rows(actions));
        }
      }
    }
    rows.sort(
        Comparator.comparingDouble((Row r) -> -r.hoursAYear())
            .thenComparing(Row::action)
            .thenComparing(Row::setup));
    return List.copyOf(rows);
  }

  private final class OfSetup {
    private final Setup setup;
    private final SetupTraces traces;
    private final Reach reach;
    private final Map<String, String> operators = new HashMap<>();
    private final List<Environment> environments;

    OfSetup(Setup setup) {
      this.setup = setup;
      this.traces = SetupTraces.of(setup, world);
      this.reach = new Reach(traces);
      Catalog catalog = world.catalog();
      // The focused application's way counts before those of what lies around it.
      this.environments =
          setup.environments().reversed().stream()
              .flatMap(e -> catalog.environment(e).stream())
              .toList();
      for (Environment e : environments) {
        for (PointerRoute r : e.pointerRoutes()) {
          if (!r.operators().isBlank()) {
            operators.putIfAbsent(r.action(), r.operators());
          }
        }
      }
    }

    List<Row> rows(List<String> actions) {
      return actions.stream().map(this::row).toList();
    }

    private Row row(String action) {
      double byPointer = times.seconds(operators.getOrDefault(action, KeystrokeLevel.ONE_CLICK));
      List<Reach.Way> ways = reach.of(action);
      List<TracedBinding> bindings = reach.bindings(action);
      Optional<Reach.Way> way = ways.stream().filter(w -> !w.gesture().usesPointer()).findFirst();
      if (way.isPresent()) {
        String environment = way.get().binding().environment();
        return row(
            action,
            Kind.LEARN,
            byPointer,
            way.map(Reach.Way::gesture),
            Optional.of(environment),
            Optional.empty());
      }
      Optional<TracedBinding> stopped =
          bindings.stream().filter(t -> !t.gesture().usesPointer()).findFirst();
      if (stopped.isPresent()) {
        return row(
            action,
            Kind.FREE_THE_WAY,
            byPointer,
            stopped.map(TracedBinding::gesture),
            stopped.map(TracedBinding::environment),
            Optional.empty());
      }
      Optional<MenuWalk> walk =
          environments.stream().flatMap(e -> MenuWalk.to(action, e).stream()).findFirst();
      if (canBeBound(walk.isPresent())) {
        return row(action, Kind.BIND, byPointer, Optional.empty(), Optional.empty(), walk);
      }
      if (walk.isPresent()) {
        return row(action, Kind.WALK, byPointer, Optional.empty(), Optional.empty(), walk);
      }
      boolean known = operators.containsKey(action) || !bindings.isEmpty();
      return row(
          action,
          known ? Kind.POINTER_BY_NATURE : Kind.UNKNOWN,
          byPointer,
          Optional.empty(),
          Optional.empty(),
          Optional.empty());
    }

    /** Whether the machine of the focused application lets its menu entries be bound. */
    private boolean canBeBound(boolean isMenuEntry) {
      Machine machine = setup.innermost();
      return isMenuEntry
          && world
              .catalog()
              .environment(machine.platform())
              .flatMap(Environment::platform)
              .flatMap(Environment.Platform::ownBindings)
              .map(OwnBindingRules::targets)
              .filter(t -> t.contains(OwnTarget.MENU_ENTRY))
              .isPresent();
    }

    private Row row(
        String action,
        Kind kind,
        double byPointer,
        Optional<Gesture> gesture,
        Optional<String> environment,
        Optional<MenuWalk> walk) {
      Optional<Double> byKeys =
          switch (kind) {
            case LEARN, FREE_THE_WAY -> gesture.map(times::seconds);
            case BIND -> Optional.of(KeystrokeLevel.MENTAL + PRESSES_OF_AN_OWN * times.key());
            case WALK -> walk.map(w -> KeystrokeLevel.MENTAL + w.presses() * times.key());
            case POINTER_BY_NATURE, UNKNOWN -> Optional.empty();
          };
      double usesADay = uses.byPointerADay(setup.id(), action);
      double saved = byKeys.map(k -> Math.max(0, byPointer - k)).orElse(0.0);
      return new Row(
          setup.id(),
          action,
          kind,
          usesADay,
          byPointer,
          byKeys,
          usesADay * WORKING_DAYS * saved / 3600,
          gesture,
          environment,
          walk);
    }
  }
}
