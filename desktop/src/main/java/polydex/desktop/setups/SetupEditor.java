package polydex.desktop.setups;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.quoted;

import java.util.Optional;
import polydex.desktop.desk.Desk;
import polydex.desktop.desk.OutlineEditor;
import polydex.desktop.desk.OutlineEditor.Written;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.setups.SetupOutline;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** A setup written out, to be changed line by line. */
final class SetupEditor {
  private SetupEditor() {}

  static void open(Desk desk, SetupId id, Runnable afterwards) {
    new OutlineEditor<>(
            desk,
            new Source(id),
            worded("setups.parts-of-the-setup"),
            worded("setups.this-setup-is-gone-esc-closes"),
            Optional.of(new SetupPicture(desk)),
            afterwards)
        .open();
  }

  private record Source(SetupId id) implements OutlineEditor.Source<Setup> {
    @Override
    public Optional<Written<Setup>> written(Workspace workspace) {
      return Optional.ofNullable(workspace.setups().get(id))
          .map(
              s ->
                  new Written<>(
                      worded("setups.setup", s.title()), s, SetupOutline.of(workspace, s)));
    }

    @Override
    public Change.Edit edit(Workspace before, Setup after, String what) {
      return new Change.Edit(quoted(after.title()) + ": " + what, before, before.with(after));
    }
  }
}
