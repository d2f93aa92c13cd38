package polydex.desktop.sheets;

import static polydex.desktop.language.DesktopWords.worded;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import polydex.boards.Layout;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.sheets.IntakeLines.Line;
import polydex.desktop.state.Beside;
import polydex.files.FileProblem;
import polydex.files.json.ModelFiles;
import polydex.files.json.ModelJson;
import polydex.files.lists.ForeignList;
import polydex.files.lists.Intake;
import polydex.files.lists.ListReader;
import polydex.files.xkb.XkbLayouts;
import polydex.intake.BindingIntake;
import polydex.intake.IntakePlan;
import polydex.intake.IntakeRequest;
import polydex.own.OwnKey;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** Bringing lists of bindings in: first what would happen, line by line, then one change. */
final class IntakeView extends VBox {

  private static final String EXAMPLE =
      worded("sheets.application-context-action-gesture-cue-editor");

  private static final List<String> LISTS = List.of("<table", "<dl", "<li", "<kbd");

  /** What was read: a list, or a file in one of our own formats. */
  private sealed interface Material {}

  private record Listed(ForeignList list) implements Material {}

  private record Own(String name, String text) implements Material {}

  /** What would be done. */
  private record Preview(
      Material material, Optional<Planned> planned, Change.Edit edit, String words) {}

  /** A list, how it was put together, and what it would do. */
  private record Planned(ForeignList list, Intake intake, IntakePlan plan) {}

  private final Desk desk;
  private final TextField path = new TextField();
  private final TextField target = new TextField();
  private final TextField columns = new TextField();
  private final Button choose = new Button(worded("sheets.choose-a-file"));
  private final Button paste = new Button(worded("sheets.clipboard"));
  private final Button read = new Button(worded("sheets.preview"));
  private final Button take = new Button(worded("any.bring-in"));
  private final Label summary = Texts.words("");
  private final ListView<Line> lines;
  private final Beside reading = new Beside("list");
  private Optional<Material> material = Optional.empty();
  private Optional<Preview> preview = Optional.empty();
  private final IntakeWishes wishes = new IntakeWishes();

  IntakeView(Desk desk) {
    this.desk = desk;
    field(path, worded("sheets.path-of-a-list-or-keymap"));
    field(target, worded("sheets.name-of-the-application-or-desktop"));
    field(columns, worded("sheets.columns-action-gesture"));
    path.setOnAction(_ -> read());
    target.setOnAction(_ -> readOrAgain());
    columns.setOnAction(_ -> readOrAgain());
    choose.setOnAction(_ -> choose());
    paste.setOnAction(_ -> paste());
    read.setOnAction(_ -> read());
    take.setOnAction(_ -> bringIn());
    take.setDisable(true);
    take.setMinWidth(Region.USE_PREF_SIZE);
    lines =
        Lists.of(
            worded("sheets.lines-of-the-list"),
            (box, line) -> IntakeLines.row(box, line, desk.narrow().get()),
            Line::text,
            Texts.quiet(EXAMPLE));
    lines.addEventHandler(KeyEvent.KEY_PRESSED, this::onLine);
    ((Label) lines.getPlaceholder()).setMaxWidth(600);
    lines.getPlaceholder().getStyleClass().add("example");
    VBox.setVgrow(lines, Priority.ALWAYS);
    HBox ask = new HBox(12, path, choose, paste);
    ask.setAlignment(Pos.CENTER_LEFT);
    HBox how = new HBox(12, target, columns, read);
    how.setAlignment(Pos.CENTER_LEFT);
    HBox.setHgrow(summary, Priority.ALWAYS);
    summary.setMaxWidth(Double.MAX_VALUE);
    HBox act = new HBox(12, summary, take);
    act.setAlignment(Pos.CENTER_LEFT);
    setSpacing(12);
    getChildren()
        .addAll(Texts.part(worded("sheets.bring-in-a-list-of-bindings")), ask, how, act, lines);
    // A preview is of a workspace; when that has changed it has to be made anew.
    desk.session().workspace().addListener((_, _, _) -> again());
  }

  private static void field(TextField field, String name) {
    field.setPromptText(name);
    field.setAccessibleText(name);
    HBox.setHgrow(field, Priority.ALWAYS);
  }

  /** Keys that bring something in, once this is shown. */
  List<KeyCommand> waysIn(Runnable show) {
    return List.of(
        KeyCommand.quiet(OwnKey.INTAKE_FILE, () -> shownFirst(show, this::choose)),
        KeyCommand.quiet(OwnKey.INTAKE_FOLDER, () -> shownFirst(show, this::chooseFolder)),
        KeyCommand.quiet(OwnKey.INTAKE_CLIPBOARD, () -> shownFirst(show, this::paste)));
  }

  private static void shownFirst(Runnable show, Runnable then) {
    show.run();
    then.run();
  }

  List<KeyCommand> commands() {
    return List.of(
        KeyCommand.of(OwnKey.INTAKE_FILE, worded("any.choose-a-file"), this::choose),
        KeyCommand.quiet(
            OwnKey.INTAKE_FOLDER, worded("sheets.choose-a-folder"), this::chooseFolder),
        KeyCommand.of(OwnKey.INTAKE_CLIPBOARD, worded("sheets.from-the-clipboard"), this::paste),
        KeyCommand.of(OwnKey.INTAKE_BRING_IN, worded("any.bring-in"), this::bringIn),
        KeyCommand.of(OwnKey.INTAKE_SUBJECT, worded("sheets.what-it-is-about"), this::otherSubject),
        KeyCommand.of(OwnKey.INTAKE_GONE, this::toggleGone),
        KeyCommand.quiet(OwnKey.INTAKE_STOP, this::stop));
  }

  Map<Character, Node> reachable() {
    return Map.of(
        'P', path, 'C', choose, 'E', paste, 'A', target, 'O', columns, 'V', read, 'B', take, 'I',
        lines);
  }

  void focusFirst() {
    path.requestFocus();
  }

  private void choose() {
    FileChooser chooser = new FileChooser();
    chooser.setTitle(worded("sheets.a-list-of-bindings"));
    chooser
        .getExtensionFilters()
        .addAll(
            new FileChooser.ExtensionFilter(
                worded("sheets.lists"),
                "*.csv",
                "*.tsv",
                "*.txt",
                "*.html",
                "*.htm",
                "*.md",
                "*.json",
                "*.xml",
                "*.ini",
                "*.conf",
                "*.dconf",
                "*.page",
                "*.docbook",
                "*.yaml",
                "*.yml",
                "*.tex",
                "*.gz",
                "*.zip"),
            new FileChooser.ExtensionFilter(worded("any.all-files"), "*"));
    Optional.ofNullable(chooser.showOpenDialog(getScene().getWindow()))
        .ifPresent(
            file -> {
              path.setText(file.toString());
              read();
            });
  }

  private void chooseFolder() {
    DirectoryChooser chooser = new DirectoryChooser();
    chooser.setTitle(worded("sheets.a-folder-of-lists"));
    Optional.ofNullable(chooser.showDialog(getScene().getWindow()))
        .ifPresent(
            folder -> {
              path.setText(folder.toString());
              read();
            });
  }

  private interface Reading {
    Material read() throws FileProblem;
  }

  /** Reads a file as if its path had been typed. */
  void read(Path file) {
    path.setText(file.toString());
    read();
  }

  private void read() {
    String text = path.getText().strip();
    if (text.isEmpty()) {
      refuse(worded("sheets.give-the-path-of-a-file"));
      return;
    }
    read(
        text,
        () -> {
          if (text.startsWith(XkbLayouts.PREFIX)) {
            return new Own(text, installed(text.substring(XkbLayouts.PREFIX.length())));
          }
          Path file = path(text);
          Optional<String> own = ListReader.ownFormat(file);
          return own.isPresent()
              ? new Own(file.getFileName().toString(), own.get())
              : new Listed(ListReader.read(file));
        });
  }

  /** A layout of the installed xkb-data, as the file that it would be here. */
  private static String installed(String name) throws FileProblem {
    Layout layout = new XkbLayouts(XkbLayouts.USUAL).layout(name);
    return ModelJson.writeFile("polydex-layout/1", layout);
  }

  /** A table that was copied from a page is there as HTML too, which says more. */
  private void paste() {
    Clipboard clipboard = Clipboard.getSystemClipboard();
    String html = clipboard.hasHtml() ? clipboard.getHtml() : "";
    String text =
        LISTS.stream().anyMatch(html::contains)
            ? html
            : Optional.ofNullable(clipboard.getString()).orElse("");
    if (text.isBlank()) {
      refuse(worded("sheets.the-clipboard-holds-no-text-copy"));
      return;
    }
    read(
        worded("sheets.the-clipboard"),
        () ->
            ModelFiles.isOurs(text)
                ? new Own("clipboard", text)
                : new Listed(ListReader.read("clipboard", text)));
  }

  private static Path path(String text) throws FileProblem {
    try {
      return Path.of(text);
    } catch (InvalidPathException e) {
      throw new FileProblem(worded("sheets.no-file-can-have-this-name", e.getReason()), e);
    }
  }

  /** Reads beside the window; the newest request wins. */
  private void read(String what, Reading reading) {
    wishes.forget();
    material = Optional.empty();
    summary.setText(worded("sheets.reading-esc-stops-it", what));
    Lists.waiting(lines, worded("sheets.reading"));
    take.setDisable(true);
    work(reading);
  }

  /** What was not read yet is read; what was is kept, with what was chosen of it. */
  private void readOrAgain() {
    if (material.isEmpty() && !path.getText().isBlank()) {
      read();
    } else {
      again();
    }
  }

  private void again() {
    material.ifPresent(m -> work(() -> m));
  }

  private void stop() {
    if (reading.busy().get()) {
      reading.stop();
      refuse(worded("sheets.stopped-nothing-was-taken"));
    }
  }

  private void work(Reading from) {
    Workspace workspace = desk.session().workspace().get();
    Optional<String> said = Optional.of(columns.getText().strip()).filter(t -> !t.isEmpty());
    Optional<String> title = Optional.of(target.getText().strip()).filter(t -> !t.isEmpty());
    Intake.Said all = wishes.said(said, title);
    UnaryOperator<IntakeRequest> wanted = wishes.request();
    reading.ask(_ -> preview(workspace, from.read(), all, wanted), this::show, this::refuse);
  }

  private static Preview preview(
      Workspace workspace, Material material, Intake.Said said, UnaryOperator<IntakeRequest> wanted)
      throws FileProblem {
    return switch (material) {
      case Own own -> {
        ModelFiles.Brought brought = ModelFiles.read(workspace, own.name(), own.text());
        yield new Preview(own, Optional.empty(), brought.edit(), brought.what());
      }
      case Listed listed -> {
        Intake intake = Intake.of(workspace, listed.list(), said);
        IntakePlan plan =
            BindingIntake.plan(workspace.with(intake.remembered()), wanted.apply(intake.request()));
        Change.Edit edit = new Change.Edit(plan.change().title(), workspace, plan.change().after());
        Planned planned = new Planned(listed.list(), intake, plan);
        yield new Preview(
            listed, Optional.of(planned), edit, IntakeSummary.of(listed.list(), intake, plan));
      }
    };
  }

  private void refuse(String reason) {
    preview = Optional.empty();
    summary.setText(desk.named(reason));
    Lists.found(lines, List.of());
    take.setDisable(true);
    take.setText(worded("any.bring-in"));
  }

  private void show(Preview made) {
    material = Optional.of(made.material());
    preview = Optional.of(made);
    summary.setText(desk.named(made.words()));
    int at = lines.getSelectionModel().getSelectedIndex();
    Lists.found(
        lines,
        made.planned()
            .map(
                p ->
                    IntakeLines.of(
                        p.list(),
                        p.intake(),
                        p.plan(),
                        wishes.dropsGone(),
                        desk.named("{INTAKE_GONE}")))
            .orElse(List.of()));
    if (at >= 0 && at < lines.getItems().size()) {
      lines.getSelectionModel().select(at);
    }
    boolean changes = !made.edit().before().catalog().equals(made.edit().after().catalog());
    boolean any =
        made.planned()
            .map(p -> p.plan().changesSomething())
            .orElse(changes || made.planned().isEmpty());
    take.setDisable(!any);
    take.setText(any ? made.edit().title() : worded("sheets.nothing-to-bring-in"));
  }

  /** Enter says that a title means the known action that it resembles; or how a list is read. */
  private void onLine(KeyEvent event) {
    Line line = lines.getSelectionModel().getSelectedItem();
    if (event.getCode() != KeyCode.ENTER || event.isControlDown() || line == null) {
      return;
    }
    if (wishes.chosen(line)) {
      event.consume();
      again();
    }
  }

  private void otherSubject() {
    preview
        .flatMap(Preview::planned)
        .flatMap(p -> p.intake().about().stream().findFirst())
        .ifPresentOrElse(
            about -> {
              wishes.about(about.subject().next());
              again();
            },
            () -> desk.session().say(worded("sheets.there-is-no-list-yet-whose")));
  }

  private void toggleGone() {
    desk.session()
        .say(
            wishes.toggleGone()
                ? worded("sheets.what-is-gone-from-the-list")
                : worded("sheets.what-is-gone-from-the-list-2"));
    again();
  }

  private void bringIn() {
    if (preview.isPresent() && !take.isDisabled()) {
      if (desk.session().apply(preview.get().edit())) {
        wishes.taken();
      } else {
        again();
      }
      lines.requestFocus();
    } else {
      desk.session().say(worded("sheets.there-is-nothing-to-bring-in"));
    }
  }
}
