package polydex.desktop;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.geometry.Rectangle2D;
import javafx.scene.Scene;
import javafx.stage.Screen;
import javafx.stage.Stage;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.files.FileProblem;
import polydex.files.Unexpected;
import polydex.files.store.DailyCopies;
import polydex.files.store.DamagedFile;
import polydex.files.store.OpenElsewhere;

/** The windows of the program: {@code --demo}, or {@code --file FILE}. */
public final class Windows extends Application {
  private static final Logger LOG = LoggerFactory.getLogger(Windows.class);
  private static final int REFUSED = 3;
  private static final double WIDTH = 1280;
  private static final double HEIGHT = 800;
  private static final double LEAST_WIDTH = 900;
  private static final double LEAST_HEIGHT = 600;

  private static final List<Shell> SHELLS = new ArrayList<>();

  /** What nobody caught is noted, and said in every window. */
  static void noted(Thread thread, Throwable mistake) {
    LOG.error("Uncaught in {}", thread.getName(), mistake);
    String said = Unexpected.said(mistake);
    Platform.runLater(() -> SHELLS.forEach(s -> s.session().problem(said)));
  }

  @Override
  public void start(Stage stage) {
    try {
      show(stage, open(stage));
    } catch (OpenElsewhere e) {
      if (OneWindow.front(Path.of(getParameters().getRaw().getLast()))) {
        System.out.println("It is open already; its window was brought to the front.");
        Platform.exit();
        return;
      }
      System.err.println(e.getMessage());
      RefusalWindow.show(stage, e.getMessage(), () -> System.exit(REFUSED));
    } catch (DamagedFile e) {
      System.err.println(e.getMessage());
      refuse(stage, e.getMessage(), Path.of(getParameters().getRaw().getLast()));
    } catch (FileProblem e) {
      System.err.println(e.getMessage());
      RefusalWindow.show(stage, e.getMessage(), () -> System.exit(REFUSED));
    } catch (RuntimeException | Error e) {
      LOG.error("Opening", e);
      RefusalWindow.show(stage, Unexpected.said(e), () -> System.exit(REFUSED));
    }
  }

  /** With what can be done about the damage. */
  private static void refuse(Stage stage, String reason, Path file) {
    RefusalWindow.show(
        stage,
        reason,
        Damage.offers(
            file,
            (path, said) -> openInstead(stage, path, said),
            why -> RefusalWindow.show(stage, why, () -> System.exit(REFUSED))),
        () -> System.exit(REFUSED));
  }

  private static void openInstead(Stage stage, Path file, String said) {
    try {
      Shell shell = Opening.file(file, stage, Windows::openDemo);
      show(stage, shell);
      shell.session().say(said);
    } catch (FileProblem e) {
      RefusalWindow.show(stage, e.getMessage(), () -> System.exit(REFUSED));
    }
  }

  private Shell open(Stage stage) throws FileProblem {
    List<String> args = getParameters().getRaw();
    if (args.size() == 2 && args.getFirst().equals("--file")) {
      return Opening.file(Opening.unpacked(Path.of(args.get(1))), stage, Windows::openDemo);
    }
    if (!args.equals(List.of("--demo"))) {
      throw new FileProblem("Say --demo, or --file and the path of a file.");
    }
    return Opening.demo(stage, Windows::openDemo);
  }

  /** The demo beside what is open already. */
  private static void openDemo() {
    Stage stage = new Stage();
    try {
      show(stage, Opening.demo(stage, Windows::openDemo));
    } catch (FileProblem e) {
      RefusalWindow.show(stage, e.getMessage(), stage::close);
    }
  }

  private static void show(Stage stage, Shell shell) {
    SHELLS.add(shell);
    stage.setOnCloseRequest(
        event -> {
          event.consume();
          shell.quit();
        });
    Optional<OneWindow> one =
        OneWindow.of(
            shell.session().file().get(), () -> Platform.runLater(() -> bringToFront(stage)));
    shell.onTakeBack(copy -> takeBack(stage, shell, copy));
    stage.setOnHidden(
        _ -> {
          one.ifPresent(OneWindow::close);
          SHELLS.remove(shell);
          shell.end();
        });
    Rectangle2D screen = Screen.getPrimary().getVisualBounds();
    Scene scene =
        shell.scene(Math.min(WIDTH, screen.getWidth()), Math.min(HEIGHT, screen.getHeight()));
    boolean another = stage.isShowing();
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
    if (another) {
      stage.sizeToScene();
      stage.centerOnScreen();
    }
    stage.show();
  }

  private static void bringToFront(Stage stage) {
    stage.setIconified(false);
    stage.toFront();
    stage.requestFocus();
  }

  /** In the same window: its file is closed, exchanged, and opened again. */
  private static void takeBack(Stage stage, Shell shell, DailyCopies.Copy copy) {
    if (shell.session().writing().waiting() > 0) {
      shell.session().problem("Something is not stored yet. Try it again when it is.");
      return;
    }
    Path file = shell.session().file().get();
    SHELLS.remove(shell);
    shell.end();
    String said;
    boolean wrong = false;
    try {
      Optional<Path> kept = DailyCopies.takeBack(copy, file);
      said =
          "The copy of %s is in place.%s"
              .formatted(
                  Damage.day(copy),
                  kept.map(k -> " What was there is kept as " + k + ".").orElse(""));
    } catch (FileProblem e) {
      said = e.getMessage();
      wrong = true;
    }
    try {
      Shell next = Opening.file(file, stage, Windows::openDemo);
      show(stage, next);
      if (wrong) {
        next.session().problem(said);
      } else {
        next.session().say(said);
      }
    } catch (FileProblem e) {
      RefusalWindow.show(stage, e.getMessage(), stage::close);
    }
  }

  @Override
  public void stop() {
    List.copyOf(SHELLS).forEach(Shell::end);
    Platform.exit();
  }
}
