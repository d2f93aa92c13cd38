package polydex.desktop.sheets;

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
            "Hand on keymaps, boards, layouts, setups and actions",
            "Folder and name of a new file. Nothing that you answered, did, wished or planned is in it",
            file.resolveSibling(name + " to hand on.json").toString(),
            this::write);
  }

  private void write(String said) {
    Path to;
    try {
      to = Path.of(said).toAbsolutePath();
    } catch (InvalidPathException e) {
      desk.session().problem("“%s” can’t be the name of a file.".formatted(said));
      return;
    }
    Workspace workspace = desk.session().workspace().get();
    desk.session().say("Writing what is handed on …");
    writing.ask(
        _ -> {
          WholeFile.write(ModelFiles.bundle(workspace).getBytes(StandardCharsets.UTF_8), to, false);
          return to;
        },
        done ->
            desk.session()
                .say(
                    "%s has it. “Bring in” reads it elsewhere, and shows first what it would do."
                        .formatted(done)),
        desk.session()::problem);
  }
}
