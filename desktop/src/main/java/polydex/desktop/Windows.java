package polydex.desktop;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.stage.Stage;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.files.FileProblem;
import polydex.files.Unexpected;

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
    } catch (FileProblem e) {
      System.err.println(e.getMessage());
      RefusalWindow.show(stage, e.getMessage(), () -> System.exit(REFUSED));
    } catch (RuntimeException | Error e) {
      LOG.error("Opening", e);
      RefusalWindow.show(stage, Unexpected.said(e), () -> System.exit(REFUSED));
    }
  }

  private Shell open(Stage stage) throws FileProblem {
    List<String> args = getParameters().getRaw();
    if (args.size() == 2 && args.getFirst().equals("--file")) {
      return Opening.file(Path.of(args.get(1)), stage, Windows::openDemo);
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
    stage.setOnHidden(
        _ -> {
          SHELLS.remove(shell);
          shell.end();
        });
    Scene scene = shell.scene(WIDTH, HEIGHT);
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

  @Override
  public void stop() {
    List.copyOf(SHELLS).forEach(Shell::end);
    Platform.exit();
  }
}
