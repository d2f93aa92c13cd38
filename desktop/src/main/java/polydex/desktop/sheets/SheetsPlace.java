package polydex.desktop.sheets;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Parent;
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
import polydex.catalog.ActionId;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.desk.Place;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.sheets.IntakeLines.Fate;
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
import polydex.intake.IntakeRequest.Ways;
import polydex.intake.ListSubject;
import polydex.intake.ReadingChoice;
import polydex.intake.SubjectGuess;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** Bringing lists of bindings in: first what would happen, line by line, then one change. */
public final class SheetsPlace implements Place {

  private static final String EXAMPLE =
      """
      application,context,action,gesture
      Cue editor,text,Duplicate the line,Ctrl+Shift+D

      Lists as they are found are read too: tables and lists of saved pages, documents and manuals, \
      Markdown, wikis, JSON, YAML, settings of many kinds, lines of text, the clipboard, a whole folder \
      or archive; and keymaps, boards and layouts in this program's own formats. Nothing is taken \
      before you have seen what it would be.\
      """;

  private static final int MOST_TOLD = 3;
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
  private final Keeping keeping;
  private final VBox root = new VBox();
  private final TextField path = new TextField();
  private final TextField target = new TextField();
  private final TextField columns = new TextField();
  private final Button choose = new Button("Choose a file...");
  private final Button paste = new Button("Clipboard");
  private final Button read = new Button("Preview");
  private final Button take = new Button("Bring in");
  private final Label summary = Texts.words("");
  private final ListView<Line> lines;
  private final Beside reading = new Beside("list");
  private final Map<String, ActionId> meant = new HashMap<>();
  private Optional<Material> material = Optional.empty();
  private Optional<Preview> preview = Optional.empty();
  private final Map<ReadingChoice, String> choices = new EnumMap<>(ReadingChoice.class);
  private final Set<String> systems = new HashSet<>();
  private final Set<String> apart = new HashSet<>();
  private final Set<Integer> taken = new HashSet<>();
  private final Set<Integer> leave = new HashSet<>();
  private boolean dropGone;
  private Optional<ListSubject> subject = Optional.empty();

  /** The place. */
  public SheetsPlace(Desk desk) {
    this.desk = desk;
    keeping = new Keeping(desk);
    field(path, "Path of a list or keymap, or xkb: and a layout");
    field(target, "Name of the application or desktop");
    field(columns, "Columns: action=1, gesture=2");
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
            "Lines of the list",
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
    root.getStyleClass().add("place");
    root.getChildren()
        .addAll(
            Texts.heading("Sheets"),
            Texts.part("Bring in a list of bindings"),
            ask,
            how,
            act,
            lines);
    // A preview is of a workspace; when that has changed it has to be made anew.
    desk.session().workspace().addListener((_, _, _) -> again());
  }

  private static void field(TextField field, String name) {
    field.setPromptText(name);
    field.setAccessibleText(name);
    HBox.setHgrow(field, Priority.ALWAYS);
  }

  @Override
  public String title() {
    return "Sheets";
  }

  @Override
  public char letter() {
    return 'S';
  }

  @Override
  public Parent node() {
    return root;
  }

  @Override
  public List<KeyCommand> commands() {
    return List.of(
        KeyCommand.of("Ctrl+O", "Choose a file", this::choose),
        KeyCommand.quiet("Ctrl+Shift+O", "Choose a folder", this::chooseFolder),
        KeyCommand.of("Ctrl+Shift+V", "From the clipboard", this::paste),
        KeyCommand.of("Ctrl+Enter", "Bring in", this::bringIn),
        KeyCommand.of("F7", "What it is about", this::otherSubject),
        KeyCommand.of("Ctrl+G", "Drop what is gone", this::toggleGone),
        KeyCommand.of("F6", "Copies", keeping::copies),
        KeyCommand.of("F8", "Everything out", keeping::archive),
        KeyCommand.quiet("Esc", "Stop reading", this::stop));
  }

  @Override
  public Map<Character, Node> reachable() {
    return Map.of(
        'P', path, 'C', choose, 'E', paste, 'A', target, 'O', columns, 'V', read, 'B', take, 'I',
        lines);
  }

  @Override
  public void shown() {
    path.requestFocus();
  }

  private void choose() {
    FileChooser chooser = new FileChooser();
    chooser.setTitle("A list of bindings");
    chooser
        .getExtensionFilters()
        .addAll(
            new FileChooser.ExtensionFilter(
                "Lists",
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
            new FileChooser.ExtensionFilter("All files", "*"));
    Optional.ofNullable(chooser.showOpenDialog(root.getScene().getWindow()))
        .ifPresent(
            file -> {
              path.setText(file.toString());
              read();
            });
  }

  private void chooseFolder() {
    DirectoryChooser chooser = new DirectoryChooser();
    chooser.setTitle("A folder of lists");
    Optional.ofNullable(chooser.showDialog(root.getScene().getWindow()))
        .ifPresent(
            folder -> {
              path.setText(folder.toString());
              read();
            });
  }

  private interface Reading {
    Material read() throws FileProblem;
  }

  private void read() {
    String text = path.getText().strip();
    if (text.isEmpty()) {
      refuse("Give the path of a file, or choose one with Ctrl+O.");
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
      refuse("The clipboard holds no text. Copy a table or a list first.");
      return;
    }
    read(
        "the clipboard",
        () ->
            ModelFiles.isOurs(text)
                ? new Own("clipboard", text)
                : new Listed(ListReader.read("clipboard", text)));
  }

  private static Path path(String text) throws FileProblem {
    try {
      return Path.of(text);
    } catch (InvalidPathException e) {
      throw new FileProblem("No file can have this name: %s.".formatted(e.getReason()), e);
    }
  }

  /** Reads beside the window; the newest request wins. */
  private void read(String what, Reading reading) {
    meant.clear();
    subject = Optional.empty();
    apart.clear();
    choices.clear();
    systems.clear();
    taken.clear();
    leave.clear();
    material = Optional.empty();
    summary.setText("Reading " + what + " ... Esc stops it.");
    Lists.waiting(lines, "Reading …");
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
      refuse("Stopped; nothing was taken.");
    }
  }

  private void work(Reading from) {
    Workspace workspace = desk.session().workspace().get();
    Optional<String> said = Optional.of(columns.getText().strip()).filter(t -> !t.isEmpty());
    Optional<String> title = Optional.of(target.getText().strip()).filter(t -> !t.isEmpty());
    Map<String, ActionId> titles = Map.copyOf(meant);
    boolean drop = dropGone;
    Set<String> two = Set.copyOf(apart);
    Intake.Said all =
        new Intake.Said(
            said,
            subject,
            title,
            taken,
            leave,
            new Ways(Map.copyOf(choices), Set.copyOf(systems), true));
    reading.ask(
        _ -> preview(workspace, from.read(), all, r -> r.meaning(titles).apart(two).dropGone(drop)),
        this::show,
        this::refuse);
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
        yield new Preview(listed, Optional.of(planned), edit, words(planned));
      }
    };
  }

  private static String words(Planned planned) {
    IntakePlan plan = planned.plan();
    String form = planned.list().form();
    StringBuilder all =
        new StringBuilder(form.substring(0, 1).toUpperCase(Locale.ROOT)).append(form.substring(1));
    int taken = plan.taken().size();
    all.append(": %,d %s to take".formatted(taken, taken == 1 ? "binding" : "bindings"));
    count(all, plan.changed().size(), "changed");
    count(all, plan.known().size(), "known already");
    count(all, plan.gone().size(), "gone from the list");
    count(all, plan.reading().asked().size(), "that can mean two things");
    count(all, plan.refused().size(), "refused");
    all.append(
        ". Understood: %.0f %% of %,d lines."
            .formatted(Math.floor(plan.reading().share() * 100), plan.reading().lines()));
    planned.intake().about().stream().limit(MOST_TOLD).forEach(a -> all.append(about(a)));
    int more = planned.intake().about().size() - MOST_TOLD;
    if (more > 0) {
      all.append(" About %,d more.".formatted(more));
    }
    if (!planned.intake().about().isEmpty()) {
      all.append(" F7 says that it is about something else.");
    }
    if (planned.list().left() > 0) {
      all.append(" %,d entries without a gesture were left out.".formatted(planned.list().left()));
    }
    if (!plan.proposals().isEmpty()) {
      all.append(" Enter on a title that resembles a known one says that it is the same.");
    }
    return all.toString();
  }

  private static String about(SubjectGuess about) {
    String what =
        switch (about.subject()) {
          case DESKTOP -> " About the desktop, “%s”.".formatted(about.title());
          case APPLICATION -> " About the application “%s”.".formatted(about.title());
          case OWN -> " Your own bindings on this computer.";
        };
    return what + (about.why().isEmpty() ? "" : " " + about.why());
  }

  private static void count(StringBuilder all, int count, String what) {
    if (count > 0) {
      all.append(", %,d %s".formatted(count, what));
    }
  }

  private void refuse(String reason) {
    preview = Optional.empty();
    summary.setText(reason);
    Lists.found(lines, List.of());
    take.setDisable(true);
    take.setText("Bring in");
  }

  private void show(Preview made) {
    material = Optional.of(made.material());
    preview = Optional.of(made);
    summary.setText(made.words());
    int at = lines.getSelectionModel().getSelectedIndex();
    Lists.found(
        lines,
        made.planned()
            .map(p -> IntakeLines.of(p.list(), p.intake(), p.plan(), dropGone))
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
    take.setText(any ? made.edit().title() : "Nothing to bring in");
  }

  /** Enter says that a title means the known action that it resembles; or how a list is read. */
  private void onLine(KeyEvent event) {
    Line line = lines.getSelectionModel().getSelectedItem();
    if (event.getCode() != KeyCode.ENTER || event.isControlDown() || line == null) {
      return;
    }
    if (!(line.act() instanceof IntakeLines.Stay)) {
      event.consume();
      act(line.act());
      again();
    } else if (line.fate() == Fate.RESEMBLES && line.likely().isPresent()) {
      event.consume();
      meant.put(line.text(), line.likely().get().action().id());
      again();
    } else if (meant.containsKey(line.text())) {
      event.consume();
      meant.remove(line.text());
      again();
    }
  }

  private void act(IntakeLines.Act act) {
    switch (act) {
      case IntakeLines.Turn(int table, boolean take) -> {
        (take ? taken : leave).add(table);
        (take ? leave : taken).remove(table);
      }
      case IntakeLines.Choose(ReadingChoice choice, String option) -> choices.put(choice, option);
      case IntakeLines.Want(Set<String> wanted) -> {
        systems.clear();
        systems.addAll(wanted);
      }
      case IntakeLines.Part(String title) -> apart.add(title);
      case IntakeLines.Stay() -> {}
    }
  }

  private void otherSubject() {
    preview
        .flatMap(Preview::planned)
        .flatMap(p -> p.intake().about().stream().findFirst())
        .ifPresentOrElse(
            about -> {
              subject = Optional.of(about.subject().next());
              again();
            },
            () -> desk.session().say("There is no list yet whose lines name no environment."));
  }

  private void toggleGone() {
    dropGone = !dropGone;
    desk.session()
        .say(
            dropGone
                ? "What is gone from the list goes from here too."
                : "What is gone from the list stays here.");
    again();
  }

  private void bringIn() {
    if (preview.isPresent() && !take.isDisabled()) {
      if (desk.session().apply(preview.get().edit())) {
        meant.clear();
      } else {
        again();
      }
      lines.requestFocus();
    } else {
      desk.session().say("There is nothing to bring in. Preview a file first.");
    }
  }
}
