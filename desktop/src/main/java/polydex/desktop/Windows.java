package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import java.io.File;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.stage.Screen;
import javafx.stage.Stage;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.desktop.state.Opened;
import polydex.files.FileProblem;
import polydex.files.Unexpected;
import polydex.files.demo.DemoFile;
import polydex.files.store.DailyCopies;
import polydex.files.store.DamagedFile;
import polydex.files.store.OpenElsewhere;

/** The windows of the program: {@code --demo}, or {@code --file FILE}. */
public final class Windows extends Application {
  private static final Logger LOG = LoggerFactory.getLogger(Windows.class);
  private static final int REFUSED = 3;
  private static final int ENDING_SECONDS = 3;
  private static final double WIDTH = 1280;
  private static final double HEIGHT = 800;
  private static final double LEAST_WIDTH = 900;
  private static final double LEAST_HEIGHT = 600;

  private static final List<Shell> SHELLS = new CopyOnWriteArrayList<>();

  /**
   * Closes what is open when the system ends the program, as at the end of a day's work: files are
   * safe anyhow, and open sooner the next time. Not for longer than a system waits.
   */
  static void endAll() {
    if (SHELLS.isEmpty()) {
      return;
    }
    CountDownLatch done = new CountDownLatch(1);
    Platform.runLater(
        () -> {
          List.copyOf(SHELLS).forEach(Shell::end);
          SHELLS.clear();
          done.countDown();
        });
    try {
      if (!done.await(ENDING_SECONDS, TimeUnit.SECONDS)) {
        LOG.warn("The program was ended before its files were closed");
      }
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt();
    }
  }

  /** The windows that are open. */
  static List<Shell> shells() {
    return List.copyOf(SHELLS);
  }

  /** What nobody caught is noted, and said in every window. */
  static void noted(Thread thread, Throwable mistake) {
    LOG.error("Uncaught in {}", thread.getName(), mistake);
    String said = Unexpected.said(mistake);
    Platform.runLater(() -> SHELLS.forEach(s -> s.session().problem(said)));
  }

  /**
   * What was begun to be read before there was a toolkit, so that nobody waits for both in turn.
   */
  private static Optional<CompletableFuture<Opened>> begun = Optional.empty();

  /**
   * Begins to read what is asked for, before the toolkit is there. Not a file that is to be made:
   * without a display there would be one that nobody has seen.
   */
  static void begin(String... said) {
    List<String> args = wanted(List.of(said));
    if (args.size() == 2 && !new File(args.getLast()).isFile()) {
      return;
    }
    begun = Optional.of(Opening.beside(() -> read(args)));
    Thread.ofPlatform().name("own keys").daemon().start(Opening::ownKeys);
  }

  /** What was said, or else the file that was open last, or else a first one of one's own. */
  private static List<String> wanted(List<String> args) {
    return args.isEmpty() ? List.of("--file", ownFile().toString()) : args;
  }

  private static Path ownFile() {
    return LastTime.files().stream().findFirst().orElseGet(FirstFile::path);
  }

  private static Opened read(List<String> args) throws FileProblem {
    if (args.size() == 2 && args.getFirst().equals("--file")) {
      return Opening.file(Path.of(args.get(1)));
    }
    if (!args.equals(List.of("--demo"))) {
      throw new FileProblem(worded("window.say-demo-or-file-and-the"));
    }
    return Opening.demo();
  }

  @Override
  public void start(Stage stage) {
    List<String> args = wanted(getParameters().getRaw());
    CompletableFuture<Opened> coming = begun.orElseGet(() -> Opening.beside(() -> read(args)));
    File file = new File(args.getLast());
    String name = args.size() == 2 ? file.getName() : worded("window.the-demo");
    arriving(
        stage,
        name,
        coming,
        opened -> show(stage, Opening.shell(opened, stage, Windows::openDemo)),
        failure -> refused(stage, file, failure));
  }

  /** Has what it needs. */
  private interface Arrival {
    void with(Opened opened) throws FileProblem;
  }

  /** Shows the frame until what is read has come. */
  private static void arriving(
      Stage stage,
      String name,
      CompletableFuture<Opened> coming,
      Arrival opened,
      Consumer<Throwable> failed) {
    boolean waits = !coming.isDone();
    if (waits) {
      WaitingFrame.show(stage, name);
    }
    var _ =
        coming.whenComplete(
            (found, failure) ->
                Platform.runLater(
                    () -> {
                      try {
                        if (failure == null && waits && !stage.isShowing()) {
                          found.store().close(); // nobody waits for it any more
                          return;
                        }
                        if (failure == null) {
                          opened.with(found);
                          return;
                        }
                      } catch (FileProblem | RuntimeException | Error e) {
                        failed.accept(e);
                        return;
                      }
                      failed.accept(failure);
                    }));
  }

  private static void refused(Stage stage, File file, Throwable failure) {
    switch (failure) {
      case OpenElsewhere e -> {
        if (OneWindow.front(file.toPath())) {
          System.out.println(worded("window.it-is-open-already-its-window"));
          Platform.exit();
          return;
        }
        refuse(stage, e.getMessage());
      }
      case DamagedFile e -> {
        System.err.println(e.getMessage());
        refuse(stage, e.getMessage(), file.toPath());
      }
      case FileProblem e -> refuse(stage, e.getMessage());
      case InvalidPathException e ->
          refuse(stage, worded("any.cant-be-the-name-of-a", e.getInput()));
      default -> {
        LOG.error("Opening", failure);
        refuse(stage, Unexpected.said(failure));
      }
    }
  }

  private static void refuse(Stage stage, String reason) {
    System.err.println(reason);
    RefusalWindow.show(stage, reason, () -> System.exit(REFUSED));
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
    arriving(
        stage,
        String.valueOf(file.getFileName()),
        Opening.beside(() -> Opening.file(file)),
        opened -> {
          Shell shell = Opening.shell(opened, stage, Windows::openDemo);
          show(stage, shell);
          shell.session().say(said);
        },
        failure -> refuse(stage, said(failure)));
  }

  private static String said(Throwable failure) {
    return failure instanceof FileProblem ? failure.getMessage() : Unexpected.said(failure);
  }

  /** Another file beside what is open already; one that is open comes to the front. */
  private static void openBeside(Path file) {
    Stage stage = new Stage();
    arriving(
        stage,
        String.valueOf(file.getFileName()),
        Opening.beside(() -> Opening.file(file)),
        opened -> show(stage, Opening.shell(opened, stage, Windows::openDemo)),
        failure -> {
          if (failure instanceof OpenElsewhere && OneWindow.front(file)) {
            stage.close();
          } else {
            RefusalWindow.show(stage, said(failure), stage::close);
          }
        });
  }

  /** The demo beside what is open already. */
  private static void openDemo() {
    Stage stage = new Stage();
    arriving(
        stage,
        worded("window.the-demo"),
        Opening.beside(Opening::demo),
        opened -> show(stage, Opening.shell(opened, stage, Windows::openDemo)),
        failure -> RefusalWindow.show(stage, said(failure), stage::close));
  }

  private static void show(Stage stage, Shell shell) {
    SHELLS.add(shell);
    stage.setOnCloseRequest(
        event -> {
          event.consume();
          shell.quit();
        });
    stage.setOnHiding(_ -> LastTime.keep(bounds(stage), shell.theme()));
    Optional<OneWindow> one =
        OneWindow.of(
            shell.session().file().get(), () -> Platform.runLater(() -> bringToFront(stage)));
    shell.onTakeBack(copy -> takeBack(stage, shell, copy));
    shell.onOpen(Windows::openBeside);
    if (shell.session().setting(DemoFile.NOW).isEmpty()) {
      LastTime.opened(shell.session().file().get());
    }
    stage.setOnHidden(
        _ -> {
          one.ifPresent(OneWindow::close);
          SHELLS.remove(shell);
          shell.end();
        });
    Scene scene = shell.scene(width(stage), height(stage));
    put(scene, stage);
    stage.setMinWidth(LEAST_WIDTH);
    stage.setMinHeight(LEAST_HEIGHT);
    atNextPicture(
        scene,
        () -> {
          System.out.println("window shown");
          shell.session().shown();
        });
    shell.whenLookedInto(() -> atNextPicture(scene, () -> System.out.println("first look shown")));
    stage.show();
  }

  /** Says for whoever measures or waits that something is about to be painted. */
  private static void atNextPicture(Scene scene, Runnable what) {
    scene.addPostLayoutPulseListener(
        new Runnable() {
          @Override
          public void run() {
            scene.removePostLayoutPulseListener(this);
            what.run();
          }
        });
    Platform.requestNextPulse();
  }

  private static LastTime.Bounds bounds(Stage stage) {
    return new LastTime.Bounds(
        stage.getX(),
        stage.getY(),
        stage.getScene().getWidth(),
        stage.getScene().getHeight(),
        stage.isMaximized());
  }

  /** As wide as it is; at first, or where something small was shown, as it was the last time. */
  static double width(Stage stage) {
    return stage.isShowing() && stage.getScene().getWidth() >= LEAST_WIDTH
        ? stage.getScene().getWidth()
        : Math.min(
            LastTime.bounds().map(b -> Math.max(LEAST_WIDTH, b.width())).orElse(WIDTH),
            Screen.getPrimary().getVisualBounds().getWidth());
  }

  /** As high as it is; at first, or where something small was shown, as it was the last time. */
  static double height(Stage stage) {
    return stage.isShowing() && stage.getScene().getHeight() >= LEAST_HEIGHT
        ? stage.getScene().getHeight()
        : Math.min(
            LastTime.bounds().map(b -> Math.max(LEAST_HEIGHT, b.height())).orElse(HEIGHT),
            Screen.getPrimary().getVisualBounds().getHeight());
  }

  /** Where the last window was, if there is still a screen, and no other window stands there. */
  private static void place(Stage stage) {
    LastTime.bounds()
        .filter(_ -> SHELLS.isEmpty())
        .filter(b -> !Screen.getScreensForRectangle(b.x(), b.y(), b.width(), b.height()).isEmpty())
        .ifPresent(
            b -> {
              stage.setX(b.x());
              stage.setY(b.y());
              stage.setMaximized(b.full());
            });
  }

  /** In a window that has another size, the middle of the screen is where it goes. */
  static void put(Scene scene, Stage stage) {
    if (!stage.isShowing()) {
      place(stage);
      Icons.on(stage);
    }
    boolean grows = stage.isShowing() && scene.getWidth() != stage.getScene().getWidth();
    stage.setScene(scene);
    if (grows) {
      stage.sizeToScene();
      stage.centerOnScreen();
    }
  }

  private static void bringToFront(Stage stage) {
    stage.setIconified(false);
    stage.toFront();
    stage.requestFocus();
  }

  /** In the same window: its file is closed, exchanged, and opened again. */
  private static void takeBack(Stage stage, Shell shell, DailyCopies.Copy copy) {
    if (shell.session().writing().waiting() > 0) {
      shell.session().problem(worded("window.something-is-not-stored-yet-try"));
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
          worded(
              "window.the-copy-of-is-in-place",
              Damage.day(copy),
              kept.map(k -> worded("window.what-was-there-is-kept-as", k)).orElse(""));
    } catch (FileProblem e) {
      said = e.getMessage();
      wrong = true;
    }
    String told = said;
    boolean isProblem = wrong;
    arriving(
        stage,
        String.valueOf(file.getFileName()),
        Opening.beside(() -> Opening.file(file)),
        opened -> {
          Shell next = Opening.shell(opened, stage, Windows::openDemo);
          show(stage, next);
          if (isProblem) {
            next.session().problem(told);
          } else {
            next.session().say(told);
          }
        },
        failure -> RefusalWindow.show(stage, said(failure), stage::close));
  }

  @Override
  public void stop() {
    List.copyOf(SHELLS).forEach(Shell::end);
    SHELLS.clear(); // or the end of the program would wait to close them once more
    Platform.exit();
  }
}
