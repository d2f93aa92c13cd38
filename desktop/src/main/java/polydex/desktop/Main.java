package polydex.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.stage.Stage;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.boards.Layout;
import polydex.desktop.state.Session;
import polydex.desktop.state.Unexpected;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.files.demo.DemoFile;
import polydex.files.demo.DemoHistory;
import polydex.files.store.Store;

/**
 * Opens the window: {@code --demo}, {@code --file FILE}, or for ourselves {@code --shots FOLDER}
 * and {@code --latency}.
 */
public final class Main extends Application {
  private static final int REFUSED = 3;
  private static final double WIDTH = 1280;
  private static final double HEIGHT = 800;
  private static final double LEAST_WIDTH = 900;
  private static final double LEAST_HEIGHT = 600;

  private static final List<Shell> SHELLS = new ArrayList<>();

  /** Starts the program. */
  public static void main(String[] args) {
    Thread.setDefaultUncaughtExceptionHandler(Main::noted);
    Application.launch(Main.class, args);
  }

  @Override
  public void start(Stage stage) {
    List<String> args = getParameters().getRaw();
    Look.loadFonts();
    try {
      Store store = open(args);
      Shell made = shell(store, stage);
      stage.setTitle("Polydex: " + store.file().getFileName());
      if (args.getFirst().equals("--shots")) {
        new Shots(stage, made, Path.of(args.get(1)), args.subList(2, args.size())).take();
        return;
      }
      if (args.getFirst().equals("--latency")) {
        new Latency(stage, made).measure();
        return;
      }
      show(stage, made.scene(WIDTH, HEIGHT));
    } catch (FileProblem e) {
      System.err.println(e.getMessage());
      RefusalWindow.show(stage, e.getMessage(), () -> System.exit(REFUSED));
    }
  }

  private static final Logger LOG = LoggerFactory.getLogger(Main.class);

  /** What nobody caught is noted, and said in every window. */
  private static void noted(Thread thread, Throwable mistake) {
    LOG.error("Uncaught in {}", thread.getName(), mistake);
    String said = Unexpected.said(mistake);
    Platform.runLater(() -> SHELLS.forEach(s -> s.session().problem(said)));
  }

  private Shell shell(Store store, Stage stage) throws FileProblem {
    Shell made =
        new Shell(
            new Session(store, clock(store)),
            ownKeys(),
            random(store),
            this::openDemo,
            stage::close);
    SHELLS.add(made);
    return made;
  }

  /** The demo beside what is open already. */
  private void openDemo() {
    Stage stage = new Stage();
    try {
      Shell made = shell(demoCopy(), stage);
      stage.setTitle("Polydex: the demo");
      show(stage, made.scene(WIDTH, HEIGHT));
    } catch (FileProblem e) {
      RefusalWindow.show(stage, e.getMessage(), stage::close);
    }
  }

  private static void show(Stage stage, Scene scene) {
    stage.setScene(scene);
    stage.setMinWidth(LEAST_WIDTH);
    stage.setMinHeight(LEAST_HEIGHT);
    Runnable said =
        new Runnable() {
          @Override
          public void run() {
            scene.removePostLayoutPulseListener(this);
            System.out.println("window shown");
          }
        };
    scene.addPostLayoutPulseListener(said);
    stage.show();
  }

  private static Store open(List<String> args) throws FileProblem {
    if (args.size() == 2 && args.getFirst().equals("--file")) {
      return DemoFile.openOrStart(Path.of(args.get(1)), Instant.now());
    }
    boolean self = !args.isEmpty() && List.of("--shots", "--latency").contains(args.getFirst());
    if (!self && !args.equals(List.of("--demo"))) {
      throw new FileProblem("Say --demo, or --file and the path of a file.");
    }
    return demoCopy();
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

  /** The same drills at every start of the demo. */
  private static Random random(Store store) throws FileProblem {
    return store.setting(DemoFile.NOW).isPresent() ? new Random(1) : new Random();
  }

  /** The program's own keys are named as on a US board, whatever the setup says. */
  static Layout ownKeys() {
    return Shipped.start().world().layouts().get("us");
  }

  @Override
  public void stop() {
    SHELLS.forEach(Shell::end);
    Platform.exit();
  }
}
