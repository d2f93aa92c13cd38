package polydex.bench.window;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Labeled;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.scene.input.Clipboard;
import javafx.scene.input.DataFormat;
import javafx.stage.Stage;
import javafx.util.Duration;
import javax.imageio.ImageIO;
import polydex.desktop.Shell;

/**
 * Takes the pictures of the documentation: goes through the places with real key presses, and
 * writes what the window shows then. Options after the folder: {@code --size WxH}, {@code --keys}
 * with names of keys to press first, such as {@code CONTROL+T}.
 */
final class Shots {
  private static final Duration SETTLED = Duration.millis(500);

  /** What lies on the clipboard when the picture of a list is taken. */
  private static final String LIST =
      """
      | Application | Action              | Keys                            |
      | ---         | ---                 | ---                             |
      | Star table  | Fill downwards      | Ctrl+D                          |
      | Star table  | Freeze the head row | Ctrl+Alt+F or Ctrl+F9 (since 2) |
      | Star table  | Show a star         | ⌘⇧G                             |
      | Star table  | Dim the dome        | Ctrl+Nowhere                    |
      | Prop list   | Count the props     | C-x =                           |
      """;

  private record Step(String picture, List<String> keys) {}

  private final Stage stage;
  private final Shell shell;
  private final Path folder;
  private final Deque<Step> steps = new ArrayDeque<>();
  private final double width;
  private final double height;
  private final Fingers fingers = new Fingers();

  Shots(Stage stage, Shell shell, Path folder, List<String> options) {
    this.stage = stage;
    this.shell = shell;
    this.folder = folder;
    String size = option(options, "--size", "1280x800");
    width = Double.parseDouble(size.substring(0, size.indexOf('x')));
    height = Double.parseDouble(size.substring(size.indexOf('x') + 1));
    String first = option(options, "--keys", "");
    steps.add(new Step("", first.isEmpty() ? List.of() : List.of(first.split(","))));
    steps.add(new Step("today", List.of("WAIT", "WAIT")));
    steps.add(
        new Step("look-up", List.of("CONTROL+F", "D", "U", "P", "L", "SPACE", "L", "I", "N")));
    steps.add(new Step("", List.of("ALT+L", "CONTROL+L", "CONTROL+SHIFT+D")));
    steps.add(new Step("", List.of("HOLD ESCAPE")));
    steps.add(new Step("", List.of("ALT+W", "F2")));
    steps.add(
        new Step(
            "keyboard",
            List.of(
                "ESCAPE",
                "CONTROL+B",
                "SHIFT+TAB",
                "SHIFT+TAB",
                "SHIFT+TAB",
                "SHIFT+TAB",
                "SHIFT+TAB",
                "SPACE",
                "TAB",
                "TAB",
                "TAB",
                "TAB",
                "TAB",
                "S",
                "F3")));
    steps.add(
        new Step("compare", List.of("ESCAPE", "CONTROL+E", "TAB", "TAB", "TAB", "DOWN", "DOWN")));
    steps.add(new Step("", List.of("ESCAPE")));
    steps.add(new Step("route", List.of("ALT+R", "CONTROL+K", "DOWN")));
    steps.add(new Step("ways-out", List.of("ENTER", "WAIT")));
    steps.add(
        new Step(
            "", List.of("ESCAPE", "CONTROL+P", "WAIT", "WAIT", "WAIT", "WAIT", "WAIT", "WAIT")));
    steps.add(new Step("", List.of("ESCAPE")));
    steps.add(new Step("fit", List.of("ALT+F", "WAIT", "DOWN", "DOWN", "DOWN")));
    steps.add(new Step("change-sheet", List.of("F6", "DIGIT1", "WAIT")));
    steps.add(new Step("remaps", List.of("ESCAPE", "F8", "WAIT", "WAIT", "DOWN")));
    steps.add(
        new Step(
            "free-keys",
            List.of(
                "F7",
                "WAIT",
                "WAIT",
                "SHIFT+TAB",
                "SHIFT+TAB",
                "SHIFT+TAB",
                "SHIFT+TAB",
                "SPACE",
                "SHIFT+TAB",
                "SHIFT+TAB",
                "SPACE",
                "TAB",
                "TAB",
                "TAB",
                "TAB",
                "TAB",
                "TAB",
                "N")));
    steps.add(new Step("mouse", List.of("ALT+M", "WAIT", "DOWN", "DOWN", "DOWN")));
    steps.add(new Step("weeks", List.of("F7", "WAIT")));
    steps.add(new Step("", List.of("CONTROL+M")));
    steps.add(new Step("setup", List.of("ESCAPE", "CONTROL+U", "DOWN", "DOWN", "F2")));
    steps.add(new Step("drill", List.of("ESCAPE", "ESCAPE", "ALT+D", "WAIT", "ALT+N", "DOWN")));
    steps.add(new Step("drill-progress", List.of("F7", "WAIT")));
    steps.add(new Step("", List.of("ESCAPE", "ALT+B", "HOLD SPACE")));
    steps.add(new Step("drill-answer", List.of("CONTROL+D")));
    steps.add(new Step("", List.of("HOLD SPACE", "WAIT", "F9", "WAIT", "HOLD ESCAPE")));
    steps.add(new Step("sheets", List.of("ALT+S", "WAIT", "WAIT", "WAIT", "WAIT")));
    steps.add(new Step("bring-in", List.of("COPIED LIST", "CONTROL+SHIFT+V", "WAIT")));
    steps.add(
        new Step(
            "computer",
            List.of("F9", "WAIT", "WAIT", "WAIT", "WAIT", "WAIT", "DOWN", "DOWN", "DOWN")));
  }

  /** How lists and pages say that they are not done. */
  private static final Pattern WAITING =
      Pattern.compile("(?:Looking|Making|Trying|Comparing|Following|Reading|Writing)\\b.*…");

  /** So often it is looked again before a picture is taken nevertheless. */
  private static final int LOOKS = 150;

  private static String option(List<String> options, String name, String otherwise) {
    int at = options.indexOf(name);
    return at < 0 ? otherwise : options.get(at + 1);
  }

  void take() {
    Scene scene = shell.scene(width, height);
    stage.setScene(scene);
    stage.setX(0);
    stage.setY(0);
    stage.show();
    Fingers.after(Duration.seconds(2), this::next);
  }

  private void next() {
    if (steps.isEmpty()) {
      stage.close();
      Platform.exit();
      return;
    }
    Step step = steps.poll();
    press(
        new ArrayDeque<>(step.keys()),
        () ->
            Fingers.after(
                SETTLED,
                () ->
                    onceKnown(
                        step.picture().isEmpty() ? 0 : LOOKS,
                        () -> {
                          if (!step.picture().isEmpty()) {
                            write(step.picture());
                          }
                          next();
                        })));
  }

  /** Waits until nothing in view says that it is still being found out. */
  private void onceKnown(int looks, Runnable then) {
    boolean waits =
        stage.getScene().getRoot().lookupAll(".label").stream()
            .anyMatch(
                n ->
                    n instanceof Labeled l
                        && n.isVisible()
                        && n.getScene() != null
                        && WAITING.matcher(String.valueOf(l.getText())).matches());
    if (looks > 0 && waits) {
      Fingers.after(SETTLED, () -> onceKnown(looks - 1, then));
    } else {
      then.run();
    }
  }

  private void press(Deque<String> keys, Runnable then) {
    if (keys.isEmpty()) {
      then.run();
      return;
    }
    String key = keys.poll();
    if (key.equals("COPIED LIST")) {
      Clipboard.getSystemClipboard().setContent(Map.of(DataFormat.PLAIN_TEXT, LIST));
      press(keys, then);
      return;
    }
    if (key.equals("WAIT")) {
      Fingers.after(Duration.seconds(1), () -> press(keys, then));
      return;
    }
    fingers.press(key, () -> press(keys, then));
  }

  private void write(String name) {
    WritableImage shown = stage.getScene().snapshot(null);
    PixelReader pixels = shown.getPixelReader();
    BufferedImage image =
        new BufferedImage(
            (int) shown.getWidth(), (int) shown.getHeight(), BufferedImage.TYPE_INT_RGB);
    for (int y = 0; y < image.getHeight(); y++) {
      for (int x = 0; x < image.getWidth(); x++) {
        image.setRGB(x, y, pixels.getArgb(x, y));
      }
    }
    try {
      Files.createDirectories(folder);
      ImageIO.write(image, "png", folder.resolve(name + ".png").toFile());
      System.out.println(folder.resolve(name + ".png"));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
