package polydex.cli;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Optional;
import polydex.files.FileProblem;
import polydex.files.store.Store;
import polydex.log.LogEvent;
import polydex.person.Knowledge;
import polydex.recall.Answer;
import polydex.recall.DrillItem;
import polydex.recall.ItemState;
import polydex.recall.MemoryParameters;
import polydex.recall.Progress;
import polydex.totals.Audit;
import polydex.totals.Standing;
import polydex.workspace.Workspace;

/** The two logs of a file on their way in: the answers first, then the events. */
final class Logged {
  private final Workspace workspace;
  private final ZoneId zone;
  private final Progress progress;
  private final Audit audit;

  Logged(Workspace workspace, ZoneId zone, MemoryParameters parameters) {
    this.workspace = workspace;
    this.zone = zone;
    progress = new Progress(zone, parameters);
    audit =
        Knowledge.audit(
            workspace, zone, item -> Optional.ofNullable(progress.fluentSince().get(item)));
  }

  /** All of a file, in the order in which it has to be read. */
  static Logged of(Store store, Workspace workspace, ZoneId zone) throws FileProblem {
    Logged read = new Logged(workspace, zone, store.fits().parameters());
    store.answers(read::add);
    store.reminders().forEach(read.audit::follow);
    store.events(read::add);
    return read;
  }

  private Optional<Instant> since(DrillItem item) {
    return progress.state(item).map(ItemState::begun);
  }

  void add(Answer answer) {
    progress.add(answer);
  }

  void add(LogEvent event) {
    audit.add(event);
  }

  /** What was answered, item by item. */
  Progress progress() {
    return progress;
  }

  /** All that is known; what is asked for "lately" counts back from the day of the last event. */
  Knowledge known() {
    Standing standing = audit.standing();
    return new Knowledge(
        workspace,
        standing,
        Knowledge.Practice.of(progress.history()),
        this::since,
        zone,
        standing.lastDay(zone));
  }
}
