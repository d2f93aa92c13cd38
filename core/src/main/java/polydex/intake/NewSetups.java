package polydex.intake;

import static polydex.language.CoreWords.worded;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Platform;
import polydex.catalog.EnvironmentId;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.Situation.Computer;
import polydex.setups.SetupList;
import polydex.workspace.Workspace;

/** Setups for environments that were just made, so that what came in can be traced at once. */
public final class NewSetups {
  private NewSetups() {}

  /**
   * The workspace with them. The first desktop that comes in takes the place of the invented one
   * that stood in for it, wherever the computer under the hands stands; another platform gets a
   * setup of its own, and so does each application, on the machine under the hands.
   */
  public static Workspace with(Workspace after, List<Environment> made) {
    Workspace settled = after;
    for (Environment one : made) {
      if (one.kind() instanceof Platform) {
        Optional<EnvironmentId> standIn =
            settled
                .setup()
                .map(s -> s.machine().platform())
                .filter(p -> SubjectGuess.isStandIn(after, p));
        settled =
            standIn.isPresent() ? inPlaceOf(settled, one) : adding(settled, bare(settled, one));
      }
    }
    for (Environment one : made) {
      if (!(one.kind() instanceof Platform)) {
        settled = adding(settled, running(settled, one));
      }
    }
    return settled;
  }

  /** On the computer under the hands, wherever that stands; another may have no desktop yet. */
  private static Workspace inPlaceOf(Workspace all, Environment desktop) {
    Computer computer = Computer.of(all.setup().orElseThrow().machine());
    return all.with(
        all.situation().withMachine(computer, m -> m.on(desktop.id(), desktop.version())));
  }

  private static Workspace adding(Workspace all, Optional<Setup> more) {
    Map<SetupId, Setup> setups = new LinkedHashMap<>(all.setups());
    more.ifPresent(s -> setups.put(s.id(), s));
    return all.with(setups);
  }

  private static Optional<Setup> bare(Workspace workspace, Environment made) {
    Optional<Setup> like = workspace.setup();
    Optional<String> board =
        like.map(Setup::board).or(workspace.world().boards().keySet().stream()::findFirst);
    Optional<String> layout =
        like.map(s -> s.machine().layout())
            .or(workspace.world().layouts().keySet().stream()::findFirst);
    return board.flatMap(
        b -> layout.map(l -> new Setup(id(made), title(made), b, SetupList.bare(made, l))));
  }

  private static Optional<Setup> running(Workspace workspace, Environment made) {
    return workspace
        .setup()
        .map(
            s ->
                new Setup(
                    id(made),
                    title(made),
                    s.board(),
                    s.machine()
                        .with(
                            new Machine.Running(
                                made.id(),
                                made.version(),
                                Set.of(),
                                List.of(Context.ANYWHERE.id())))));
  }

  private static SetupId id(Environment made) {
    return new SetupId("setup-" + made.id());
  }

  private static String title(Environment made) {
    return worded("intake.to-try", made.title());
  }
}
