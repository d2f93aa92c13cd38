package polydex.cli;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import polydex.effort.KeystrokeLevel;
import polydex.mouse.Audit;
import polydex.mouse.LogEvent;
import polydex.mouse.Place;
import polydex.mouse.Recogniser;
import polydex.mouse.Remaining;
import polydex.mouse.Standing;
import polydex.recall.Answer;
import polydex.recall.DrillItem;
import polydex.recall.ItemState;
import polydex.recall.Progress;
import polydex.route.Setup;
import polydex.workspace.Workspace;

/**
 * The two logs of a file, read.
 *
 * @param standing what the mouse log comes to
 * @param progress what was learnt
 * @param zone where days begin and end
 */
record Logged(Workspace workspace, Standing standing, Progress progress, ZoneId zone) {

  /**
   * The day of the last event, whenever that was; what is asked for "lately" counts back from it.
   */
  LocalDate today() {
    return standing.last().atZone(zone).toLocalDate();
  }

  /** When the gesture of a place was first drilled. */
  Optional<Instant> drilledSince(Place place) {
    return since(progress, place);
  }

  private static Optional<Instant> since(Progress progress, Place place) {
    return progress.state(new DrillItem(place.environment(), place.action())).map(ItemState::begun);
  }

  /** Everything that was ever done with the pointer in some setups, the dearest first. */
  List<Remaining.Row> rows(Collection<Setup> setups) {
    return new Remaining(
            workspace.world(),
            new KeystrokeLevel(progress.history().pace().press()),
            progress.history().answersUntilFluent(),
            p -> drilledSince(p).isPresent(),
            workspace.mouse().kept())
        .of(setups, standing, today());
  }

  /** Reads the answers first, then the events. */
  static final class Reading {
    private final Workspace workspace;
    private final ZoneId zone;
    private final Progress progress;
    private final Audit audit;

    Reading(Workspace workspace, ZoneId zone) {
      this.workspace = workspace;
      this.zone = zone;
      progress = new Progress(zone);
      audit =
          new Audit(
              new Recogniser(
                  workspace.world(), workspace.setups().values(), workspace.mouse().names()),
              zone,
              p -> since(progress, p));
    }

    void add(Answer answer) {
      progress.add(answer);
    }

    void add(LogEvent event) {
      audit.add(event);
    }

    Logged done() {
      return new Logged(workspace, audit.standing(), progress, zone);
    }
  }
}
