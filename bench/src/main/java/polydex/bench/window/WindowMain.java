package polydex.bench.window;

import java.nio.file.Path;
import java.util.List;
import javafx.application.Application;
import javafx.stage.Stage;
import polydex.desktop.Opening;
import polydex.desktop.Shell;
import polydex.files.FileProblem;

/**
 * Opens the demo for ourselves: {@code --shots FOLDER}, which takes the pictures of the
 * documentation; {@code --latency}, which measures; or {@code --soak}, a year in one sitting.
 */
public final class WindowMain extends Application {
  private static final String USAGE = "Say --shots and a folder, --latency, or --soak.";

  /** Starts it. */
  public static void main(String[] args) {
    Application.launch(WindowMain.class, args);
  }

  @Override
  public void start(Stage stage) throws FileProblem {
    List<String> args = getParameters().getRaw();
    if (args.equals(List.of("--soak"))) {
      new Soak(stage).run();
      return;
    }
    Shell demo = Opening.demo(stage, () -> {});
    switch (args.isEmpty() ? "" : args.getFirst()) {
      case "--shots" ->
          new Shots(stage, demo, Path.of(args.get(1)), args.subList(2, args.size())).take();
      case "--latency" -> new Latency(stage, demo).measure();
      default -> throw new FileProblem(USAGE);
    }
  }
}
