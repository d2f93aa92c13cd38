package polydex.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Optional;
import java.util.Random;
import javafx.stage.Stage;
import polydex.boards.Layout;
import polydex.desktop.state.Session;
import polydex.desktop.today.Beginning;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.files.demo.DemoFile;
import polydex.files.demo.DemoHistory;
import polydex.files.store.Archive;
import polydex.files.store.DailyCopies;
import polydex.files.store.Store;

/** Makes what a window shows of a file, or of a copy of the demo. */
public final class Opening {
  private static final String ARCHIVE = ".zip";

  private Opening() {}

  /**
   * A copy of the demo, which nobody minds being changed.
   *
   * @param another opens one more
   */
  public static Shell demo(Stage stage, Beginning another) throws FileProblem {
    return shell(demoCopy(), stage, another);
  }

  /**
   * A file, made if it is not there.
   *
   * @param demo opens the demo beside it
   */
  public static Shell file(Path file, Stage stage, Beginning demo) throws FileProblem {
    return shell(DemoFile.openOrStart(file, Instant.now()), stage, demo);
  }

  /** The file itself; of an archive, the file that is made of it beside it. */
  static Path unpacked(Path file) throws FileProblem {
    String name = file.getFileName().toString();
    if (!name.endsWith(ARCHIVE)) {
      return file;
    }
    String stem = name.substring(0, name.length() - ARCHIVE.length());
    Path wanted = file.resolveSibling(stem + ".polydex");
    Path made = Files.exists(wanted) ? DailyCopies.beside(wanted) : wanted;
    Archive.read(file, made);
    return made;
  }

  private static Shell shell(Store store, Stage stage, Beginning demo) throws FileProblem {
    Look.loadFonts();
    // The same drills at every start of the demo.
    Random random = store.setting(DemoFile.NOW).isPresent() ? new Random(1) : new Random();
    Session session = new Session(store, clock(store));
    stage.titleProperty().bind(session.file().map(f -> "Polydex: " + f.getFileName()));
    return new Shell(session, ownKeys(), random, demo, stage::close);
  }

  private static Store demoCopy() throws FileProblem {
    try {
      Path copy = Files.createTempDirectory("polydex-demo").resolve("demo.polydex");
      Store store = DemoFile.demo(copy);
      System.out.println("The demo is a copy of its own: " + copy);
      return store;
    } catch (IOException e) {
      throw new FileProblem("There is no room for a copy of the demo: " + e.getMessage(), e);
    }
  }

  /** The demo's now is fixed to the end of its history, and goes on from there. */
  static Clock clock(Store store) throws FileProblem {
    Optional<Instant> fixed = store.setting(DemoFile.NOW).map(Instant::parse);
    if (fixed.isEmpty()) {
      return Clock.system(ZoneId.systemDefault());
    }
    Instant[] newest = {fixed.get()};
    store.answers(a -> newest[0] = a.at().isAfter(newest[0]) ? a.at() : newest[0]);
    store.events(e -> newest[0] = e.at().isAfter(newest[0]) ? e.at() : newest[0]);
    ZoneId zone = DemoHistory.ZONE;
    return Clock.offset(Clock.system(zone), Duration.between(Instant.now(), newest[0]));
  }

  /** The program's own keys are named as on a US board, whatever the setup says. */
  static Layout ownKeys() {
    return Shipped.start().world().layouts().get("us");
  }
}
