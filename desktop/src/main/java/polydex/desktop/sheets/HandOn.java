package polydex.desktop.sheets;

import static polydex.desktop.language.DesktopWords.worded;

import java.nio.charset.StandardCharsets;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import polydex.desktop.desk.Desk;
import polydex.desktop.state.Beside;
import polydex.files.WholeFile;
import polydex.files.json.ModelFiles;
import polydex.workspace.Workspace;

/** Writes what a colleague can use into one file, with nothing personal in it. */
final class HandOn {
  private final Desk desk;
  private final Beside writing = new Beside("handing on");

  HandOn(Desk desk) {
    this.desk = desk;
  }

  /** Asks for a name, and writes. */
  void open() {
    Path file = desk.session().file().get().toAbsolutePath();
    String name = file.getFileName().toString().replaceFirst("\\.polydex$", "");
    desk.dialogs()
        .ask(
            worded("sheets.hand-on-keymaps-boards-layouts-setups"),
            worded("sheets.folder-and-name-of-a-new"),
            file.resolveSibling(worded("sheets.to-hand-on-json", name)).toString(),
            this::write);
  }

  private void write(String said) {
    Path to;
    try {
      to = Path.of(said).toAbsolutePath();
    } catch (InvalidPathException e) {
      desk.session().problem(worded("any.cant-be-the-name-of-a-2", said));
      return;
    }
    Workspace workspace = desk.session().workspace().get();
    desk.session().say(worded("sheets.writing-what-is-handed-on"));
    writing.ask(
        _ -> {
          WholeFile.write(ModelFiles.bundle(workspace).getBytes(StandardCharsets.UTF_8), to, false);
          return to;
        },
        done -> desk.session().say(worded("sheets.has-it-bring-in-reads-it", done)),
        desk.session()::problem);
  }
}
