package polydex.own;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Version;
import polydex.free.Candidate;
import polydex.free.Candidates;
import polydex.free.Score;
import polydex.free.Scorer;
import polydex.keys.Gesture;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.Situation;
import polydex.route.Trace;
import polydex.route.Tracer;
import polydex.route.World;

/**
 * What becomes of the program's own keys on the machine under somebody's hands, with the program in
 * focus: each is traced in each context in which it is to work. One trace a key and context.
 */
public final class OwnTroubles {
  /** The keys by which a place's controls are reached: Alt with a letter, whatever letters are. */
  private static final String REACHES = "Alt\\+[A-Z]";

  /** What fields and lists do by themselves. */
  private static final String FIELDS = "Ctrl\\+[ACHVXY]";

  /** What every keyboard has and comes to every window. */
  private static final String OFFERED =
      "((Ctrl|Alt)\\+)+(Shift\\+)?([A-Z0-9]|F([1-9]|1[0-2]))|Shift\\+F([1-9]|1[0-2])";

  private final Setup setup;
  private final World world;
  private final Tracer tracer;

  /**
   * A key that does not do what it is there for.
   *
   * @param key whose it is
   * @param taker the desktop, or the program itself where another of its own commands has the key
   * @param action what comes of it instead; none where it comes nowhere
   */
  public record Trouble(
      OwnKey key,
      Gesture gesture,
      OwnContext where,
      Optional<EnvironmentId> taker,
      Optional<ActionId> action) {
    /** Whether it never comes to the program. */
    public boolean isTaken() {
      return taker.filter(t -> !t.equals(OwnKeymap.ID)).isPresent();
    }
  }

  private OwnTroubles(Setup setup, World world) {
    this.setup = setup;
    this.world = world;
    this.tracer = Tracer.of(setup, world);
  }

  /**
   * For the outermost machine of a setup, whatever runs inside.
   *
   * @return nothing where it can't be traced
   */
  public static Optional<OwnTroubles> in(Setup setup, World world) {
    World with = new World(OwnKeymap.in(world.catalog()), world.boards(), world.layouts());
    Setup here =
        setup.on(
            setup
                .machine()
                .with(new Machine.Running(OwnKeymap.ID, new Version("1"), Set.of(), List.of())));
    return with.problem(here).isPresent()
        ? Optional.empty()
        : Optional.of(new OwnTroubles(here, with));
  }

  /**
   * Everything that goes wrong in the contexts of each command and in those within, in the order of
   * the commands; what takes a key in several contexts is told once.
   */
  public List<Trouble> all() {
    Map<OwnContext, Tracer> tracers = new EnumMap<>(OwnContext.class);
    List<Trouble> found = new ArrayList<>();
    Map<OwnKey, List<Gesture>> keys = OwnKeymap.gestures(world.catalog());
    for (OwnKey key : OwnKey.values()) {
      List<OwnContext> within = within(key);
      for (Gesture gesture : keys.get(key)) {
        Set<List<Object>> told = new HashSet<>();
        for (OwnContext where : within) {
          Trace trace = tracers.computeIfAbsent(where, this::tracer).trace(gesture);
          trouble(key, gesture, where, trace)
              .filter(t -> told.add(List.of(t.taker(), t.action())))
              .ifPresent(found::add);
        }
      }
    }
    return List.copyOf(found);
  }

  /**
   * What stands against a key for a command, in each of its contexts and in those within: what it
   * does there today.
   */
  public List<Trouble> against(OwnKey key, Gesture gesture) {
    List<Trouble> found = new ArrayList<>();
    for (OwnContext where : within(key)) {
      Trace trace = tracer(where).trace(gesture);
      if (!(trace.outcome() instanceof Trace.Nothing)) {
        trouble(key, gesture, where, trace).ifPresent(found::add);
      }
    }
    return List.copyOf(found);
  }

  /**
   * Keys that nothing has where a command works, best first: by effort and by what helps to
   * remember them.
   *
   * @param most how many at most
   * @param stopped whether nobody waits for them any more
   */
  public List<Gesture> free(OwnKey key, int most, BooleanSupplier stopped) {
    List<SetupTraces> traced = List.of(SetupTraces.of(setup, world));
    Scorer scorer =
        new Scorer(new Situation(world, Map.of(setup.id(), setup)), traced, Score.Weights.USUAL);
    record Scored(Gesture gesture, double points) {}
    List<Scored> all = new ArrayList<>();
    for (Candidate c : Candidates.of(traced).strokes(1)) {
      String written = c.gesture().toString();
      if (written.matches(OFFERED) && !written.matches(REACHES + "|" + FIELDS)) {
        all.add(new Scored(c.gesture(), scorer.of(key.action(), c).total()));
      }
    }
    all.sort(
        java.util.Comparator.comparingDouble(Scored::points)
            .thenComparing(s -> s.gesture().toString()));
    List<Tracer> places = within(key).stream().map(this::tracer).toList();
    List<Gesture> found = new ArrayList<>();
    for (Scored s : all) {
      if (found.size() == most || stopped.getAsBoolean()) {
        break;
      }
      if (places.stream().allMatch(t -> t.trace(s.gesture()).outcome() instanceof Trace.Nothing)) {
        found.add(s.gesture());
      }
    }
    return List.copyOf(found);
  }

  private Tracer tracer(OwnContext where) {
    return tracer.withContexts(List.of(where.id()));
  }

  /** The contexts of a command, and all that lie in them. */
  private static List<OwnContext> within(OwnKey key) {
    return Arrays.stream(OwnContext.values())
        .filter(
            c -> {
              for (Optional<OwnContext> o = Optional.of(c); o.isPresent(); o = o.get().parent()) {
                if (key.contexts().contains(o.get())) {
                  return true;
                }
              }
              return false;
            })
        .toList();
  }

  private Optional<Trouble> trouble(OwnKey key, Gesture gesture, OwnContext where, Trace trace) {
    return switch (trace.outcome()) {
      case Trace.Acted a when a.action().equals(OwnKeymap.id(world.catalog(), key)) ->
          Optional.empty();
      case Trace.Acted a ->
          Optional.of(
              new Trouble(
                  key, gesture, where, Optional.of(a.environment()), Optional.of(a.action())));
      default -> Optional.of(new Trouble(key, gesture, where, Optional.empty(), Optional.empty()));
    };
  }
}
