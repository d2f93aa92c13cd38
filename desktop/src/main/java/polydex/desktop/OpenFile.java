package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Scene;
import javafx.scene.input.DragEvent;
import javafx.scene.input.TransferMode;
import polydex.desktop.desk.Dialogs;

/** Which file is opened in a window of its own: one of those open lately, by a path, or dropped. */
final class OpenFile {
  private static final List<String> OURS = List.of(".polydex", ".zip");

  private OpenFile() {}

  /** Lets one be chosen by its digit, or its path be typed. */
  static void choose(Dialogs dialogs, Path now, Consumer<Path> open) {
    List<Optional<Path>> choices = new ArrayList<>();
    LastTime.files().stream()
        .filter(f -> !f.equals(now.toAbsolutePath().normalize()))
        .forEach(f -> choices.add(Optional.of(f)));
    choices.add(Optional.empty());
    if (choices.size() == 1) {
      askPath(dialogs, now, worded("window.open-a-file"), open);
      return;
    }
    dialogs.choose(
        worded("window.open-a-file"),
        choices,
        choice -> choice.map(OpenFile::named).orElse(worded("window.another-by-its-path")),
        choice ->
            choice.ifPresentOrElse(
                open, () -> askPath(dialogs, now, worded("window.open-a-file"), open)));
  }

  private static String named(Path file) {
    return worded("window.in", file.getFileName(), file.getParent());
  }

  private static void askPath(Dialogs dialogs, Path now, String heading, Consumer<Path> open) {
    dialogs.ask(
        heading,
        worded("window.folder-and-name-a-new-name"),
        now.toAbsolutePath().getParent() + now.getFileSystem().getSeparator(),
        said -> {
          try {
            open.accept(Path.of(said.strip()));
          } catch (InvalidPathException e) {
            askPath(dialogs, now, worded("window.cant-be-the-name-of-a", said), open);
          }
        });
  }

  /**
   * Takes files that are dropped on a window.
   *
   * @param open opens one of ours
   * @param bringIn brings any other in
   */
  static void dropped(Scene scene, Consumer<Path> open, Consumer<Path> bringIn) {
    scene.setOnDragOver(
        event -> {
          if (event.getDragboard().hasFiles()) {
            event.acceptTransferModes(TransferMode.COPY);
          }
          event.consume();
        });
    scene.setOnDragDropped(
        (DragEvent event) -> {
          List<Path> files = event.getDragboard().getFiles().stream().map(f -> f.toPath()).toList();
          files.stream().filter(OpenFile::isOurs).forEach(open);
          files.stream().filter(f -> !isOurs(f)).findFirst().ifPresent(bringIn);
          event.setDropCompleted(!files.isEmpty());
          event.consume();
        });
  }

  private static boolean isOurs(Path file) {
    String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
    return OURS.stream().anyMatch(name::endsWith);
  }
}
