package polydex.mouse;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Environment;
import polydex.catalog.Environment.OwnBindingRules;
import polydex.catalog.Environment.OwnTarget;
import polydex.catalog.Environment.PointerRoute;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Version;
import polydex.effort.KeystrokeLevel;
import polydex.effort.YearlyCost;
import polydex.keys.Gesture;
import polydex.recognition.Place;
import polydex.recognition.Whereabouts;
import polydex.route.Layer;
import polydex.route.Machine;
import polydex.route.Reach;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;
import polydex.route.World;
import polydex.totals.Habit.State;
import polydex.totals.Lately;
import polydex.totals.Standing;

/**
 * What is still done with the pointer in the setups of a person: for each action its class, what it
 * costs, and what would take its place.
 *
 * <p>Cost: uses a working day · working days · (seconds by pointer − seconds by keys), never below
 * 0. A time is the median of at least five that were measured, or else an estimate of the
 * Keystroke-Level Model, with pointing by Fitts' law where distances were measured; see {@link
 * KeystrokeLevel}. O(bindings of each setup + actions).
 */
public final class Remaining {
  /** Presses of a binding that is yet to be made: two modifiers and a key. */
  public static final int PRESSES_OF_AN_OWN = 3;

  /** A measured time counts as at most so many times its estimate. */
  public static final int MOST_TIMES = 10;

  /** What can be done about an action. */
  public enum Kind {
    /** A gesture reaches it. */
    LEARN,
    /** It has a gesture that a conflict stops. */
    FREE_THE_WAY,
    /** It has none, and one can be made. */
    BIND,
    /** It has none and none can be made, but menus or Tab lead there. */
    WALK,
    /** It is about a place on the screen. */
    POINTER_BY_NATURE,
    /** Nothing is known of it in this setup. */
    UNKNOWN
  }

  /** What keeps a gesture that a keymap has from doing its action. */
  public enum Hindrance {
    /** Another layer, or what the keys come to. */
    CONFLICT,
    /** The person has switched the binding off. */
    SWITCHED_OFF,
    /** An option stands as the binding does not want it. */
    OPTION,
    /** The version that runs does not have it. */
    VERSION
  }

  /**
   * An action that is or was done with the pointer.
   *
   * @param place the action and where
   * @param state how far it has come
   * @param usesADay with the pointer lately, a working day
   * @param pointerSeconds what one use takes
   * @param pointerMeasured whether that was measured rather than estimated
   * @param keysSeconds what it takes by keys, or would; none where there is no way
   * @param keysMeasured whether that was measured
   * @param pointerCut whether a measured time was longer than {@value #MOST_TIMES} times the
   *     estimate, and counts as that
   * @param hoursAYear what is lost
   * @param rests on which days and uses that rests
   * @param paybackDays working days until the learning is saved; none where nothing is to learn or
   *     nothing is saved
   * @param gesture what would do it, or should
   * @param environment the id of the platform or application whose gesture that is
   * @param hindrance what keeps a gesture of it from doing it, where one is kept
   * @param inVain how often its gesture was pressed and something further out took it
   * @param walk the way through menus or by Tab, for one that has no better
   * @param kept why it stays with the pointer, where the person wants it so
   */
  public record RemainingRow(
      Place place,
      Kind kind,
      State state,
      double usesADay,
      double pointerSeconds,
      boolean pointerMeasured,
      Optional<Double> keysSeconds,
      boolean keysMeasured,
      boolean pointerCut,
      double hoursAYear,
      DaysOfUse rests,
      Optional<Double> paybackDays,
      Optional<Gesture> gesture,
      Optional<EnvironmentId> environment,
      Optional<Hindrance> hindrance,
      int inVain,
      Optional<Walk> walk,
      Optional<String> kept) {

    /** Seconds saved by one use by keys, 0 or more. */
    public double savedSeconds() {
      return keysSeconds.map(k -> Math.max(0, pointerSeconds - k)).orElse(0.0);
    }
  }

  /** What there would be instead of the pointer. */
  private record Instead(
      Kind kind,
      Optional<Gesture> gesture,
      Optional<EnvironmentId> environment,
      Optional<Hindrance> hindrance,
      Optional<Walk> walk) {
    static Instead learn(Gesture gesture, EnvironmentId environment) {
      return new Instead(
          Kind.LEARN,
          Optional.of(gesture),
          Optional.of(environment),
          Optional.empty(),
          Optional.empty());
    }

    static Instead stopped(Gesture gesture, EnvironmentId environment, Hindrance by) {
      return new Instead(
          Kind.FREE_THE_WAY,
          Optional.of(gesture),
          Optional.of(environment),
          Optional.of(by),
          Optional.empty());
    }

    static Instead none(Kind kind, Optional<Walk> walk) {
      return new Instead(kind, Optional.empty(), Optional.empty(), Optional.empty(), walk);
    }
  }

  private final World world;
  private final Map<Setup, OfSetup> ready = new HashMap<>();
  private final KeystrokeLevel times;
  private final double learningSeconds;
  private final Predicate<Place> drilled;
  private final Map<Place, String> kept;

  /**
   * Ready to look.
   *
   * @param times of this person
   * @param answersUntilFluent how many answers a new gesture takes this person
   * @param drilled whether an action was ever answered in a drill
   * @param kept what stays with the pointer, and why
   */
  public Remaining(
      World world,
      KeystrokeLevel times,
      double answersUntilFluent,
      Predicate<Place> drilled,
      Map<Place, String> kept) {
    this.world = world;
    this.times = times;
    this.learningSeconds = YearlyCost.learningSeconds(answersUntilFluent);
    this.drilled = drilled;
    this.kept = kept;
  }

  /**
   * Everything that was ever done with the pointer or is kept for it, the dearest first; what was
   * not lately costs nothing.
   *
   * @param setups to look into; one that can't be traced is passed over
   * @param today the last of the days that count
   */
  public List<RemainingRow> of(Collection<Setup> setups, Standing standing, LocalDate today) {
    Lately lately = standing.lately(today);
    Map<SetupId, Setup> byId = new HashMap<>();
    setups.forEach(s -> byId.put(s.id(), s));
    List<RemainingRow> rows = new ArrayList<>();
    for (Standing.Entry entry : standing.entries()) {
      Setup setup = byId.get(entry.place().setup());
      boolean counts = entry.byPointer() > 0 || kept.containsKey(entry.place());
      if (setup != null && counts && world.problem(setup).isEmpty()) {
        Setup focused = Whereabouts.focusing(setup, entry.place().environment(), world.catalog());
        rows.add(
            ready
                .computeIfAbsent(focused, OfSetup::new)
                .row(entry, lately.pointerADay(entry.place()), lately.pointerByDay(entry.place())));
      }
    }
    rows.sort(
        Comparator.comparingDouble((RemainingRow r) -> -r.hoursAYear())
            .thenComparingDouble(r -> r.paybackDays().orElse(Double.MAX_VALUE))
            .thenComparingDouble(r -> -r.usesADay())
            .thenComparing(r -> r.place().doing())
            .thenComparing(r -> r.place().setup()));
    return List.copyOf(rows);
  }

  private final class OfSetup {
    private final Setup setup;
    private final Reach reach;
    private final Map<ActionId, String> operators = new HashMap<>();
    private final List<Environment> environments;
    private final Map<ActionId, Instead> known = new HashMap<>();

    OfSetup(Setup setup) {
      this.setup = setup;
      this.reach = new Reach(SetupTraces.of(setup, world));
      this.environments = Whereabouts.outward(setup, world.catalog());
      for (Environment e : environments) {
        for (PointerRoute r : e.pointerRoutes()) {
          if (!r.operators().isBlank()) {
            operators.putIfAbsent(r.action(), r.operators());
          }
        }
      }
    }

    private Instead instead(ActionId action) {
      return known.computeIfAbsent(action, this::find);
    }

    private Instead find(ActionId action) {
      Optional<Reach.Way> way =
          reach.of(action).stream().filter(w -> !w.gesture().usesPointer()).findFirst();
      if (way.isPresent()) {
        return Instead.learn(way.get().gesture(), way.get().binding().environment());
      }
      List<TracedBinding> bindings = reach.bindings(action);
      Optional<TracedBinding> stopped =
          bindings.stream().filter(t -> !t.gesture().usesPointer()).findFirst();
      if (stopped.isPresent()) {
        return Instead.stopped(
            stopped.get().gesture(), stopped.get().environment(), Hindrance.CONFLICT);
      }
      Optional<Instead> missing = missing(action);
      if (missing.filter(m -> m.hindrance().get() != Hindrance.VERSION).isPresent()) {
        return missing.get();
      }
      Optional<Walk> walk =
          environments.stream().flatMap(e -> Walk.to(action, e).stream()).findFirst();
      if (canBeBound(walk)) {
        return Instead.none(Kind.BIND, walk);
      }
      if (walk.isPresent()) {
        return Instead.none(Kind.WALK, walk);
      }
      if (missing.isPresent()) {
        return missing.get();
      }
      boolean known = operators.containsKey(action) || !bindings.isEmpty() || isPointedAt(action);
      return Instead.none(known ? Kind.POINTER_BY_NATURE : Kind.UNKNOWN, Optional.empty());
    }

    /** A binding by keys that is not there as the setup stands; what is easiest mended first. */
    private Optional<Instead> missing(ActionId action) {
      return setup.machines().reversed().stream()
          .flatMap(
              m ->
                  Stream.concat(
                      m.application().stream()
                          .flatMap(a -> missing(action, m, Layer.Kind.APPLICATION, a)),
                      missing(action, m, Layer.Kind.DESKTOP, m.platform())))
          .min(Comparator.comparing(i -> i.hindrance().orElseThrow()));
    }

    private Stream<Instead> missing(
        ActionId action, Machine machine, Layer.Kind kind, EnvironmentId environment) {
      return world.catalog().bindings(environment, action).stream()
          .filter(b -> !b.gesture().usesPointer() && !machine.isOn(kind, b))
          .map(
              b ->
                  Instead.stopped(
                      b.gesture().expand().getFirst(), environment, missing(machine, kind, b)));
    }

    private static Hindrance missing(Machine machine, Layer.Kind kind, Binding binding) {
      if (machine.exists(kind, binding)) {
        return Hindrance.SWITCHED_OFF;
      }
      return binding.when().option().isPresent() && withOptions(machine, kind, binding)
          ? Hindrance.OPTION
          : Hindrance.VERSION;
    }

    /** Whether it would exist if the option that it wants were on. */
    private static boolean withOptions(Machine machine, Layer.Kind kind, Binding binding) {
      Version version =
          kind == Layer.Kind.DESKTOP
              ? machine.version()
              : switch (machine.focus()) {
                case Machine.Running r -> r.version();
                case Machine.SessionWindow s -> s.version();
                case Machine.Bare _ -> machine.version();
              };
      return binding.when().holds(version, Set.of(binding.when().option().orElseThrow()));
    }

    private boolean isPointedAt(ActionId action) {
      return environments.stream()
          .flatMap(e -> e.pointerRoutes().stream())
          .anyMatch(r -> r.action().equals(action));
    }

    /** Whether the machine of the focused application lets its menu entries be bound. */
    private boolean canBeBound(Optional<Walk> walk) {
      Machine machine = setup.innermost();
      return walk.filter(w -> w.means() == Walk.Means.MENUS).isPresent()
          && world
              .catalog()
              .environment(machine.platform())
              .flatMap(Environment::platform)
              .flatMap(Environment.Platform::ownBindings)
              .map(OwnBindingRules::targets)
              .filter(t -> t.contains(OwnTarget.MENU_ENTRY))
              .isPresent();
    }

    RemainingRow row(Standing.Entry entry, double usesADay, int[] byDay) {
      Place place = entry.place();
      Instead instead =
          place
              .action()
              .map(this::instead)
              .orElseGet(() -> Instead.none(Kind.UNKNOWN, Optional.empty()));
      double estimate =
          times.seconds(
              place.action().map(operators::get).orElse(KeystrokeLevel.ONE_CLICK),
              entry.pointingSeconds().orElse(KeystrokeLevel.POINTING));
      // Somebody who left the desk with a menu open did not need an hour for it.
      boolean cut = entry.pointerSeconds().filter(m -> m > MOST_TIMES * estimate).isPresent();
      double pointer = cut ? MOST_TIMES * estimate : entry.pointerSeconds().orElse(estimate);
      Optional<Double> keys = entry.keysSeconds().or(() -> estimated(instead));
      double saved = keys.map(k -> Math.max(0, pointer - k)).orElse(0.0);
      boolean toLearn = instead.kind() == Kind.LEARN && saved * usesADay > 0;
      return new RemainingRow(
          place,
          instead.kind(),
          state(entry),
          usesADay,
          pointer,
          entry.pointerSeconds().isPresent(),
          keys,
          entry.keysSeconds().isPresent(),
          cut,
          kept.containsKey(place) ? 0 : YearlyCost.hours(usesADay, saved),
          DaysOfUse.of(byDay, kept.containsKey(place) ? 0 : saved),
          toLearn ? Optional.of(learningSeconds / (saved * usesADay)) : Optional.empty(),
          instead.gesture(),
          instead.environment(),
          instead.hindrance(),
          entry.inVain(),
          instead.walk(),
          Optional.ofNullable(kept.get(place)));
    }

    private State state(Standing.Entry entry) {
      if (kept.containsKey(entry.place())) {
        return State.KEPT;
      }
      return entry.byUses() == State.OPEN && drilled.test(entry.place())
          ? State.LEARNING
          : entry.byUses();
    }

    private Optional<Double> estimated(Instead instead) {
      return switch (instead.kind()) {
        case LEARN, FREE_THE_WAY -> instead.gesture().map(times::seconds);
        case BIND -> Optional.of(KeystrokeLevel.MENTAL + PRESSES_OF_AN_OWN * times.key());
        case WALK -> instead.walk().map(w -> KeystrokeLevel.MENTAL + w.presses() * times.key());
        case POINTER_BY_NATURE, UNKNOWN -> Optional.empty();
      };
    }
  }
}
