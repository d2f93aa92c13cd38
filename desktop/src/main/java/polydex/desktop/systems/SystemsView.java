package polydex.desktop.systems;

import static polydex.desktop.language.DesktopWords.worded;

import java.nio.charset.StandardCharsets;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.desk.OutlineEditor;
import polydex.desktop.desk.OutlineEditor.Written;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.state.Beside;
import polydex.files.FileProblem;
import polydex.files.WholeFile;
import polydex.files.json.ModelFiles;
import polydex.own.OwnKey;
import polydex.systems.ActionEdits;
import polydex.systems.ActionOutline;
import polydex.systems.EnvironmentOutline;
import polydex.systems.SystemEdits;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/**
 * The platforms and applications of the file: made, changed, joined, taken away and written out,
 * each at once and undoably.
 */
public final class SystemsView {
  private final Desk desk;
  private final ListView<Environment> list;
  private final Beside writing = new Beside("keymap");

  /** For an open file. */
  public SystemsView(Desk desk) {
    this.desk = desk;
    list =
        Lists.of(
            worded("systems.platforms-and-applications"),
            this::row,
            Environment::title,
            desk.keyed(Texts.quiet(worded("systems.there-is-no-platform-and-no"))));
    list.getStyleClass().add("here-rows");
  }

  /** Shows it over the place. */
  public void open() {
    fill(Optional.empty());
    VBox box =
        OverlayBox.wide(
            Texts.heading(worded("systems.your-systems")),
            Texts.quiet(worded("systems.desktops-first-then-what-runs-on")),
            list);
    OverlayBox.whenClosed(box, writing::close);
    desk.keys()
        .open(
            box,
            list,
            List.of(
                KeyCommand.of(OwnKey.SYSTEMS_CHANGE, worded("any.change"), this::change),
                KeyCommand.of(OwnKey.SYSTEMS_NEW_APPLICATION, () -> make(false)),
                KeyCommand.of(OwnKey.SYSTEMS_BINDINGS, this::bindings),
                KeyCommand.of(OwnKey.SYSTEMS_ACTION, this::action),
                KeyCommand.of(OwnKey.SYSTEMS_JOIN, this::join),
                KeyCommand.of(OwnKey.SYSTEMS_REMOVE, worded("systems.take-away"), this::remove),
                KeyCommand.of(OwnKey.SYSTEMS_NEW_PLATFORM, () -> make(true)),
                KeyCommand.of(OwnKey.SYSTEMS_WRITE, this::write),
                KeyCommand.of(OwnKey.UNDO, this::undo)));
  }

  private Workspace workspace() {
    return desk.session().workspace().get();
  }

  private void fill(Optional<EnvironmentId> select) {
    int at = Math.max(0, list.getSelectionModel().getSelectedIndex());
    List<Environment> all =
        workspace().catalog().environments().stream()
            .sorted(
                Comparator.comparing((Environment e) -> e.platform().isEmpty())
                    .thenComparing(Environment::title))
            .toList();
    Lists.found(list, all);
    for (int i = 0; i < all.size(); i++) {
      if (select.filter(all.get(i).id()::equals).isPresent()) {
        at = i;
      }
    }
    list.getSelectionModel().clearAndSelect(Math.min(at, all.size() - 1));
    list.scrollTo(Math.max(0, at - 4));
  }

  private Optional<Environment> selected() {
    return Optional.ofNullable(list.getSelectionModel().getSelectedItem());
  }

  private void change() {
    selected().ifPresent(e -> writeOut(new Source(e.id()), worded("systems.parts-of-it")));
  }

  private void bindings() {
    selected()
        .ifPresent(e -> new BindingsView(desk, e.id(), () -> fill(Optional.of(e.id()))).open());
  }

  private <R> void writeOut(OutlineEditor.Source<R> source, String name) {
    new OutlineEditor<>(
            desk,
            source,
            name,
            worded("systems.it-is-gone-esc-closes"),
            () -> fill(selected().map(Environment::id)))
        .open();
  }

  private record Source(EnvironmentId id) implements OutlineEditor.Source<Environment> {
    @Override
    public Optional<Written<Environment>> written(Workspace workspace) {
      Catalog catalog = workspace.catalog();
      return catalog
          .environment(id)
          .map(
              e ->
                  new Written<>(
                      e.platform().isPresent()
                          ? worded("systems.platform", e.title())
                          : worded("systems.application", e.title()),
                      e,
                      EnvironmentOutline.of(catalog, e)));
    }

    @Override
    public Change.Edit edit(Workspace before, Environment after, String what) {
      return SystemEdits.change(before, after, what);
    }
  }

  /** What is said of an action holds wherever it is done. */
  private void action() {
    desk.dialogs()
        .chooseAction(
            worded("systems.which-action"),
            a ->
                writeOut(
                    new ActionSource(a.id(), desk.session().clock()),
                    worded("systems.what-is-said-of-it")));
  }

  private record ActionSource(ActionId id, InstantSource clock)
      implements OutlineEditor.Source<Workspace> {
    @Override
    public Optional<Written<Workspace>> written(Workspace workspace) {
      return workspace
          .catalog()
          .action(id)
          .map(
              a ->
                  new Written<>(
                      worded("systems.action", a.title()),
                      workspace,
                      ActionOutline.of(workspace, a, clock)));
    }

    @Override
    public Change.Edit edit(Workspace before, Workspace after, String what) {
      return ActionEdits.edit(before, after, id, what);
    }
  }

  private void make(boolean platform) {
    desk.dialogs()
        .ask(
            platform ? worded("systems.a-new-platform") : worded("systems.a-new-application"),
            worded("systems.its-name"),
            name ->
                apply(
                    () -> SystemEdits.make(workspace(), name, platform),
                    after ->
                        after.catalog().environments().stream()
                            .filter(e -> workspace().catalog().environment(e.id()).isEmpty())
                            .findFirst()
                            .map(Environment::id)));
  }

  private interface Chosen {
    Optional<EnvironmentId> of(Workspace after);
  }

  private void apply(Supplier<Change.Edit> edit, Chosen chosen) {
    try {
      Change.Edit made = edit.get();
      Optional<EnvironmentId> select = chosen.of(made.after());
      if (desk.session().apply(made)) {
        fill(select);
      }
    } catch (IllegalArgumentException e) {
      desk.session().problem(String.valueOf(e.getMessage()));
    }
  }

  private void join() {
    selected()
        .ifPresent(
            gone ->
                desk.dialogs()
                    .choose(
                        worded("systems.join-with", gone.title()),
                        worded("systems.what-it-has-and-the-other"),
                        SystemEdits.partners(workspace().catalog(), gone),
                        Environment::title,
                        into ->
                            apply(
                                () -> SystemEdits.join(workspace(), gone, into),
                                _ -> Optional.of(into.id()))));
  }

  private void remove() {
    selected()
        .ifPresent(e -> apply(() -> SystemEdits.remove(workspace(), e), _ -> Optional.empty()));
  }

  private void undo() {
    desk.session().undo();
    fill(selected().map(Environment::id));
  }

  private void write() {
    selected()
        .ifPresent(
            e ->
                desk.dialogs()
                    .ask(
                        worded("systems.write-the-keymap-of", e.title()),
                        worded("any.folder-and-name-of-a-new"),
                        desk.session()
                            .file()
                            .get()
                            .resolveSibling(e.id().value() + ".json")
                            .toString(),
                        to -> write(e.id(), to)));
  }

  private void write(EnvironmentId id, String to) {
    Workspace now = workspace();
    writing.ask(
        _ -> {
          try {
            Path file = Path.of(to);
            WholeFile.write(
                ModelFiles.write(now, id)
                    .orElseThrow(
                        () -> new FileProblem(worded("systems.it-is-gone-nothing-was-written")))
                    .getBytes(StandardCharsets.UTF_8),
                file,
                false);
            return worded("systems.has-its-keymap", file);
          } catch (InvalidPathException e) {
            throw new FileProblem(worded("any.cant-be-the-name-of-a", to), e);
          }
        },
        desk.session()::say,
        desk.session()::problem);
  }

  private void row(HBox box, Environment e) {
    Workspace now = workspace();
    int bindings = now.catalog().bindings(e.id()).size();
    int setups = now.setupsWith(e.id()).size();
    box.getChildren()
        .addAll(
            Lists.growing(Texts.styled(e.title(), e.platform().isPresent() ? "part" : "row-title")),
            Lists.column(
                Texts.styled(
                    e.platform().isPresent()
                        ? worded("systems.platform-2")
                        : worded("systems.application-2"),
                    "quiet"),
                8),
            Lists.number(worded("systems.bindings-2", bindings), 10),
            Lists.number(
                setups == 0 ? worded("any.no-setup") : worded("systems.setups", setups), 7));
  }
}
