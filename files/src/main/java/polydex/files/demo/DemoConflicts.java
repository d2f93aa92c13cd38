package polydex.files.demo;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import polydex.conflict.ConflictFinder;
import polydex.conflict.ConflictHistory;
import polydex.conflict.ConflictSentence;
import polydex.conflict.Person;
import polydex.conflict.Severity;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.workspace.Workspace;

/**
 * The demo's history of conflicts: its setups are looked into as they stood in earlier weeks, when
 * some of what the show producer has set up since was not there yet.
 */
final class DemoConflicts {
  /**
   * How the setups stood.
   *
   * @param weeksAgo since when
   * @param remaps whether keys were remapped and translated yet
   * @param own whether there were own bindings yet
   */
  private record Stage(int weeksAgo, boolean remaps, boolean own) {}

  private static final List<Stage> STAGES =
      List.of(new Stage(6, false, false), new Stage(4, true, false), new Stage(2, true, true));

  private DemoConflicts() {}

  static ConflictHistory of(Workspace demo) {
    LocalDate now = DemoHistory.NOW.atZone(DemoHistory.ZONE).toLocalDate();
    Person person = Person.of(_ -> Severity.UNKNOWN_USES_PER_DAY);
    ConflictHistory history = ConflictHistory.NOTHING;
    for (Stage stage : STAGES) {
      for (Setup setup : demo.setups().values()) {
        Setup then = setup;
        for (int depth = 0; depth < setup.machines().size(); depth++) {
          then = then.with(depth, as(stage, then.machines().get(depth)));
        }
        history =
            history.seen(
                setup.id(),
                ConflictFinder.withoutWays(SetupTraces.of(then, demo.world()), person),
                now.minusWeeks(stage.weeksAgo()),
                c -> ConflictSentence.withoutWayOut(c, demo.catalog()));
      }
    }
    return history;
  }

  private static Machine as(Stage stage, Machine machine) {
    Machine then = stage.own() ? machine : machine.withOwn(List.of());
    if (stage.remaps()) {
      return then;
    }
    Machine plain = then.withRemaps(List.of());
    return plain.focus() instanceof Machine.SessionWindow s
        ? plain.with(s.translating(Optional.empty()))
        : plain;
  }
}
