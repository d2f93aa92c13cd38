package polydex.conflict;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import polydex.boards.Layout;
import polydex.catalog.Environment.Platform;
import polydex.route.Machine;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;

/**
 * Bindings of the user's own that will not hold: they cover what the whole trade uses, break a rule
 * of their platform, or use fewer than two modifiers. Of several faults the first of these counts.
 * O(own bindings).
 */
final class ThinBindings {
  private final SetupTraces traces;

  ThinBindings(SetupTraces traces) {
    this.traces = traces;
  }

  /** Each that has a fault, with it. */
  void forEach(BiConsumer<TracedBinding, OwnFault> each) {
    Map<String, Integer> gestures = new HashMap<>();
    for (TracedBinding own : traces.own()) {
      int so =
          gestures.merge(own.layer().depth() + own.binding().action().value(), 1, Integer::sum);
      fault(own, so).ifPresent(f -> each.accept(own, f));
    }
  }

  /**
   * What is wrong with one of the user's own.
   *
   * @param so the how manieth gesture of its action it is
   */
  private Optional<OwnFault> fault(TracedBinding own, int so) {
    Machine machine = traces.setup().machines().get(own.layer().depth());
    Platform platform =
        traces
            .world()
            .catalog()
            .environment(machine.platform())
            .flatMap(e -> e.platform())
            .orElseThrow();
    Layout layout = traces.world().layouts().get(machine.layout());
    return OwnFault.of(own.gesture(), layout, platform, so);
  }
}
