package polydex.desktop;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import javafx.application.Platform;
import javafx.stage.Stage;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.testfx.api.FxRobot;
import polydex.catalog.Catalog;
import polydex.desktop.state.Session;
import polydex.desktop.state.Stored;
import polydex.files.demo.DemoFile;
import polydex.files.demo.DemoHistory;
import polydex.files.store.Store;
import polydex.recall.Answer;

/** The demo in a real window, with somebody before it who has keys only. */
abstract class InWindow {
  private static byte @Nullable [] made;

  final Driver.TestClock clock = new Driver.TestClock(DemoHistory.NOW);
  Path file;
  Store store;
  Session session;
  Shell shell;
  Stage stage;
  Driver person;

  void open(Stage shown) throws Exception {
    Look.loadFonts();
    file = Files.createTempDirectory("polydex-test").resolve("demo.polydex");
    Files.write(file, demo());
    store = Store.open(file);
    session = new Session(store, clock);
    shell = new Shell(session, Opening.ownKeys(), new Random(1), () -> {}, shown::close);
    stage = shown;
    shown.setScene(shell.scene(1280, 800));
    shown.show();
    shell.go(first());
  }

  /** The demo as a file; made once, since its six weeks take seconds. */
  private static synchronized byte[] demo() throws Exception {
    if (made == null) {
      Path once = Files.createTempDirectory("polydex-test").resolve("once.polydex");
      DemoFile.demo(once).close();
      made = Files.readAllBytes(once);
      Files.delete(once);
    }
    return made;
  }

  /** The letter of the place that a test begins in; most ask about Look up. */
  char first() {
    return 'L';
  }

  @BeforeEach
  void sitDown(FxRobot robot) {
    person = new Driver(robot, stage);
    person.until("the window has the focus", stage::isFocused);
    person.until("the setup was looked into", () -> !person.shown().isEmpty());
  }

  @AfterEach
  void leave() throws Exception {
    Platform.runLater(shell::end);
    Driver.settle();
    Files.deleteIfExists(file);
  }

  Catalog catalog() {
    return session.workspace().get().catalog();
  }

  List<Answer> answers() {
    List<Answer> all = new ArrayList<>();
    Stored.in(
        session,
        s -> {
          s.answers(all::add);
          return all;
        });
    return all;
  }
}
