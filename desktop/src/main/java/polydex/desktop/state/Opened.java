package polydex.desktop.state;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import polydex.conflict.ConflictHistory;
import polydex.files.FileProblem;
import polydex.files.store.DamagedFile;
import polydex.files.store.Store;
import polydex.recall.MemoryFits;
import polydex.recall.Progress;
import polydex.totals.Reminder;
import polydex.workspace.Workspace;

/**
 * What a session begins with, read from its file on any thread before there is one. The mouse log
 * is long, and is read when the window is there.
 *
 * @param clock what the session takes for now; its zone says where days begin
 * @param isLogged whether the mouse log has anything in it
 */
public record Opened(
    Store store,
    Clock clock,
    Workspace workspace,
    Map<String, String> settings,
    MemoryFits fits,
    Progress progress,
    ConflictHistory conflicts,
    List<Reminder> reminders,
    boolean isLogged) {

  /** Reads it; the store is closed where it can't be read. */
  public static Opened of(Store store, Clock clock) throws FileProblem {
    try {
      Workspace workspace = store.workspace();
      MemoryFits fits = store.fits();
      Progress progress = new Progress(clock.getZone(), fits.parameters());
      store.answers(progress::add);
      return new Opened(
          store,
          clock,
          workspace,
          store.settings(),
          fits,
          progress,
          store.conflicts(),
          store.reminders(),
          store.isLogged());
    } catch (FileProblem e) {
      store.close();
      throw DamagedFile.orElse(e, store.file());
    } catch (RuntimeException e) {
      store.close();
      throw e;
    }
  }
}
