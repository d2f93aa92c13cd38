package polydex.desktop.state;

import java.util.List;
import java.util.Map;
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
 */
public record Analysis(
    Workspace workspace,
    SetupTraces traces,
    List<Conflict> conflicts,
    Map<String, List<TracedBinding>> reach,
    GestureSearch gestures,
    Hooks hooks,
    Material material,
    GestureIndex owners) {

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
