package polydex.files.demo;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.files.store.Finished;
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
    if (!Finished.DEMO.to(file)) {
      throw new FileProblem(worded("any.there-is-a-file-already-choose", file));
    }
    return Store.open(file);
  }

  /** Something done with an open file. */
  public interface Work<T> {
    /** Does it. */
    T with(Store store) throws FileProblem;
  }

  /** Does something with a copy of the demo that is gone afterwards. */
  public static <T> T withDemo(Work<T> work) throws FileProblem {
    try {
      Path folder = Files.createTempDirectory("polydex-demo");
      Path file = folder.resolve(Finished.DEMO.fileName());
      try (Store store = demo(file)) {
        return work.with(store);
      } finally {
        Files.deleteIfExists(file);
        Files.deleteIfExists(folder);
      }
    } catch (IOException e) {
      throw new FileProblem(worded("demo.there-is-no-room-for-a", e.getMessage()), e);
    }
  }

  /** Makes the demo anew, which the build does once. */
  static Store made(Path file) throws FileProblem {
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

  /** Makes a file as a new one begins, which the build does once. */
  static Store started(Path file) throws FileProblem {
    Store store = Store.open(file);
    store.save(new Change.Edit("A new file", Workspace.EMPTY, Shipped.start()), Instant.EPOCH);
    return store;
  }

  /** Opens a file; one that is new is given boards, layouts and a plain computer to start with. */
  public static Store openOrStart(Path file, Instant now) throws FileProblem {
    if (Files.isDirectory(file.toAbsolutePath().getParent())) {
      Finished.START.to(file);
    }
    Store store = Store.open(file);
    if (store.workspace().world().boards().isEmpty()) {
      store.save(new Change.Edit("A new file", Workspace.EMPTY, Shipped.start()), now);
    }
    return store;
  }
}
