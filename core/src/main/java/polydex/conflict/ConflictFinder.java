package polydex.conflict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Action.Harm;
import polydex.keys.Gesture;
import polydex.keys.Physical;
import polydex.route.Layer;
import polydex.route.Machine;
import polydex.route.SetupTraces;
import polydex.route.Trace.Acted;
import polydex.route.TracedBinding;
import polydex.route.World;

/**
 * Finds the conflicts of a setup by tracing every binding that it can show.
 *
 * <p>Method: a binding is intercepted when its trace ends at a layer further out than its own, in
 * another action; two bindings are duplicates when they stand in one context of one keymap with the
 * same presses and different actions, which a hash of the presses finds. O(bindings · layers).
 */
public final class ConflictFinder {

  private record Place(Layer layer, boolean own, String context, List<Physical> presses) {}

  private final World world;
  private final SetupTraces traces;
  private final ToDoubleFunction<String> usesPerDay;
  private final Map<String, List<TracedBinding>> reach;
  private final List<Layer> layers;

  private ConflictFinder(World world, SetupTraces traces, ToDoubleFunction<String> usesPerDay) {
    this.world = world;
    this.traces = traces;
    this.usesPerDay = usesPerDay;
    this.reach = traces.reach();
    this.layers = traces.tracer().layers();
  }

  /**
   * The conflicts, the worst first.
   *
   * @param usesPerDay of an action by its id, a working day; see {@link
   *     Severity#UNKNOWN_USES_PER_DAY}
   */
  public static List<Conflict> find(
      World world, SetupTraces traces, ToDoubleFunction<String> usesPerDay) {
    return new ConflictFinder(world, traces, usesPerDay).find();
  }

  private List<Conflict> find() {
    List<Conflict> found = new ArrayList<>();
    Map<Place, TracedBinding> first = new HashMap<>();
    for (TracedBinding traced : traces.all()) {
      intercepted(traced).ifPresent(found::add);
      Optional<TracedBinding> before =
          place(traced).flatMap(p -> Optional.ofNullable(first.putIfAbsent(p, traced)));
      before
          .filter(b -> !b.binding().action().equals(traced.binding().action()))
          .ifPresent(b -> found.add(duplicate(traced, b)));
    }
    found.sort(Comparator.<Conflict>comparingInt(c -> -c.severity()).thenComparing(Conflict::id));
    return found;
  }

  private Optional<Conflict> intercepted(TracedBinding traced) {
    return traced
        .trace()
        .acted()
        .filter(a -> !a.action().equals(traced.binding().action()))
        .filter(a -> layers.indexOf(a.layer()) < layers.indexOf(traced.layer()))
        .map(a -> conflict(Conflict.Kind.INTERCEPTED, traced, a));
  }

  private Conflict duplicate(TracedBinding traced, TracedBinding before) {
    return conflict(
        Conflict.Kind.DUPLICATE,
        traced,
        new Acted(
            before.layer(),
            before.environment(),
            before.binding().action(),
            Optional.of(before.binding().id()),
            before.own()));
  }

  private Conflict conflict(Conflict.Kind kind, TracedBinding loser, Acted winner) {
    String action = loser.binding().action();
    List<Gesture> stillWorks =
        reach.getOrDefault(action, List.of()).stream()
            .filter(other -> isWayOut(other, loser))
            .map(TracedBinding::gesture)
            .distinct()
            .toList();
    Harm harm = world.catalog().action(winner.action()).map(a -> a.harm()).orElse(Harm.VISIBLE);
    return new Conflict(
        kind,
        traces.setup().id(),
        loser,
        winner.layer(),
        winner.environment(),
        winner.action(),
        stillWorks,
        Severity.of(harm, !stillWorks.isEmpty(), usesPerDay.applyAsDouble(action)));
  }

  /** On the same machine, and not merely another member of the losing family. */
  private static boolean isWayOut(TracedBinding other, TracedBinding loser) {
    return other.layer().depth() == loser.layer().depth()
        && !other.binding().equals(loser.binding());
  }

  /** Where a binding stands, by presses on its own machine's layout; none where untypable there. */
  private Optional<Place> place(TracedBinding traced) {
    Machine machine = traces.setup().machines().get(traced.layer().depth());
    Layout layout = world.layouts().get(machine.layout());
    return Presses.physical(traced.gesture(), layout)
        .map(
            presses ->
                new Place(traced.layer(), traced.own(), traced.binding().context(), presses));
  }
}
