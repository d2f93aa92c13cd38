package polydex.desktop.state;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.catalog.GestureIndex;
import polydex.catalog.GestureSearch;
import polydex.catalog.Hooks;
import polydex.conflict.Conflict;
import polydex.recall.Material;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;
import polydex.route.Tracer;
import polydex.workspace.Workspace;

/**
 * What was found out about a setup.
 *
 * @param workspace what it was found out from
 * @param traces every binding traced
 * @param conflicts the worst first
 * @param reach for each action that can be caused here what causes it, the easiest first
 * @param gestures finds bindings by a gesture that may be only begun
 * @param hooks what bindings can be remembered by
 * @param material what can be drilled
 * @param owners whose a gesture is, in any environment, on the layout under the fingers
 * @param traced every traced binding, by its environment and its id
 */
public record Analysis(
    Workspace workspace,
    SetupTraces traces,
    List<Conflict> conflicts,
    Map<ActionId, List<TracedBinding>> reach,
    GestureSearch gestures,
    Hooks hooks,
    Material material,
    GestureIndex owners,
    Map<EnvironmentId, Map<String, List<TracedBinding>>> traced) {

  /** By environment and id, in the order of the traces. */
  static Map<EnvironmentId, Map<String, List<TracedBinding>>> traced(SetupTraces traces) {
    return traces.all().stream()
        .collect(
            Collectors.groupingBy(
                TracedBinding::environment, Collectors.groupingBy(t -> t.binding().id())));
  }

  /** The ways of a binding through the setup, one for each place in which it can be met. */
  public List<TracedBinding> traced(EnvironmentId environment, Binding binding) {
    return traced.getOrDefault(environment, Map.of()).getOrDefault(binding.id(), List.of()).stream()
        .filter(t -> t.binding().equals(binding))
        .toList();
  }

  /** Follows gestures as they are pressed where a side of a conflict holds. */
  public Tracer tracer(Conflict.Party party) {
    return traces.all().stream()
        .filter(
            t ->
                t.binding().id().equals(party.binding())
                    && t.environment().equals(party.environment())
                    && t.layer().depth() == party.depth())
        .findFirst()
        .map(traces::tracer)
        .orElseGet(traces::tracer);
  }
}
