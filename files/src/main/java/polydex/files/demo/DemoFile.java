package polydex.files.demo;

import java.nio.file.Path;
import java.time.Instant;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.files.store.Store;
import polydex.recall.MemoryFit;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** Writes files as a person would have them: the demo with its history, or a new start. */
public final class DemoFile {
  /** The setting that fixes what a file takes for now; only the demo has it. */
  public static final String NOW = "now";

  private DemoFile() {}

  /** Opens a new file that holds the demo. */
  public static Store demo(Path file) throws FileProblem {
    Workspace demo = Shipped.demo();
    Store store = Store.open(file);
    store.save(new Change.Edit("The demo", Workspace.EMPTY, demo), DemoHistory.NOW);
    DemoHistory history = DemoHistory.of(demo);
    store.addAll(history.answers(), history.events());
    for (MemoryFit fit : history.fits().list()) {
      store.add(fit);
    }
    store.save(DemoConflicts.of(demo));
    store.setting(NOW, DemoHistory.NOW.toString());
    return store;
  }

  /** Opens a file; one that is new is given boards, layouts and a plain computer to start with. */
  public static Store openOrStart(Path file, Instant now) throws FileProblem {
    Store store = Store.open(file);
    if (store.workspace().world().boards().isEmpty()) {
      store.save(new Change.Edit("A new file", Workspace.EMPTY, Shipped.start()), now);
    }
    return store;
  }
}
