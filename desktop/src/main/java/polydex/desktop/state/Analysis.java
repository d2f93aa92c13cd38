package polydex.desktop.state;

import java.util.List;
import java.util.Map;
import polydex.catalog.GestureIndex;
import polydex.conflict.Conflict;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;
import polydex.workspace.Workspace;

/**
 * What was found out about a setup.
 *
 * @param workspace what it was found out from
 * @param traces every binding traced
 * @param conflicts the worst first
 * @param reach for each action that can be caused here what causes it, the easiest first
 * @param owners whose a gesture is, in any environment, on the layout under the fingers
 */
public record Analysis(
    Workspace workspace,
    SetupTraces traces,
    List<Conflict> conflicts,
    Map<String, List<TracedBinding>> reach,
    GestureIndex owners) {}
