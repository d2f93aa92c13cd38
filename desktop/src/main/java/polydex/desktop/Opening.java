package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import javafx.stage.Stage;
import polydex.boards.Layout;
import polydex.desktop.state.Opened;
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

  /** Reads what is to be opened, on a thread that has time. */
  interface Reading {
    /** Reads it. */
    Opened read() throws FileProblem;
  }

  /** Reads beside whatever else is done; what goes wrong comes with it. */
  static CompletableFuture<Opened> beside(Reading reading) {
    CompletableFuture<Opened> coming = new CompletableFuture<>();
    Thread.ofPlatform()
        .name("opening")
        .daemon()
        .start(
            () -> {
              try {
                coming.complete(reading.read());
              } catch (Throwable e) {
                coming.completeExceptionally(e);
              }
            });
    return coming;
  }

  /** A copy of the demo, which nobody minds being changed. */
  static Opened demo() throws FileProblem {
    return opened(demoCopy());
  }

  /** A file, made if it is not there; of an archive, the file that is made of it beside it. */
  static Opened file(Path file) throws FileProblem {
    return opened(DemoFile.openOrStart(unpacked(file), Instant.now()));
  }

  private static Opened opened(Store store) throws FileProblem {
    return Opened.of(store, clock(store));
  }

  /**
   * A window on a copy of the demo, read here.
   *
   * @param another opens one more
   */
  public static Shell demo(Stage stage, Beginning another) throws FileProblem {
    Store store = demoCopy();
    return shell(new Session(store, clock(store)), stage, another);
  }

  /**
   * What a window shows of what was read.
   *
   * @param demo opens the demo beside it
   */
  static Shell shell(Opened opened, Stage stage, Beginning demo) throws FileProblem {
    return shell(Session.reading(opened), stage, demo);
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

  private static Shell shell(Session session, Stage stage, Beginning demo) {
    Look.loadFonts();
    // The same drills at every start of the demo.
    Random random = session.setting(DemoFile.NOW).isPresent() ? new Random(1) : new Random();
    stage.titleProperty().bind(session.file().map(f -> f.getFileName() + " \u2013 Polydex"));
    return new Shell(session, ownKeys(), random, demo, stage::close);
  }

  private static Store demoCopy() throws FileProblem {
    try {
      Path copy = Files.createTempDirectory("polydex-demo").resolve("demo.polydex");
      Store store = DemoFile.demo(copy);
      System.out.println(worded("window.the-demo-is-a-copy-of", copy));
      return store;
    } catch (IOException e) {
      throw new FileProblem(worded("window.there-is-no-room-for-a", e.getMessage()), e);
    }
  }

  /** The demo's now is fixed to the end of its history, and goes on from there. */
  static Clock clock(Store store) throws FileProblem {
    Optional<Instant> fixed = store.setting(DemoFile.NOW).map(Instant::parse);
    if (fixed.isEmpty()) {
      return Clock.system(ZoneId.systemDefault());
    }
    Instant now = store.newest().filter(n -> n.isAfter(fixed.get())).orElse(fixed.get());
    ZoneId zone = DemoHistory.ZONE;
    return Clock.offset(Clock.system(zone), Duration.between(Instant.now(), now));
  }

  /** The program's own keys are named as on a US board, whatever the setup says. */
  static Layout ownKeys() {
    return OwnKeys.LAYOUT;
  }

  /** Read once, by whoever asks first. */
  private static final class OwnKeys {
    static final Layout LAYOUT = Shipped.layout("us").orElseThrow();

    private OwnKeys() {}
  }
}
