package polydex.intake;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Platform;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.setups.SetupList;
import polydex.workspace.Workspace;

/** A setup for an environment that was just made. */
final class TrialSetup {
  private TrialSetup() {}

  /** A setup in which what was brought in can be traced and drilled at once. */
  static Optional<Setup> of(Workspace workspace, Environment made) {
    Optional<Setup> like = workspace.setup();
    String title = "To try " + made.title();
    if (made.kind() instanceof Platform) {
      Optional<String> board =
          like.map(Setup::board).or(workspace.world().boards().keySet().stream()::findFirst);
      Optional<String> layout =
          like.map(s -> s.machine().layout())
              .or(workspace.world().layouts().keySet().stream()::findFirst);
      return board.flatMap(
          b ->
              layout.map(
                  l ->
                      new Setup(
                          new SetupId("setup-" + made.id()), title, b, SetupList.bare(made, l))));
    }
    return like.map(
        s ->
            new Setup(
                new SetupId("setup-" + made.id()),
                title,
                s.board(),
                s.machine()
                    .with(
                        new Machine.Running(
                            made.id(), made.version(), Set.of(), List.of(Context.ANYWHERE.id())))));
  }
}
