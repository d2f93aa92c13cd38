package polydex.desktop.places;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.keys.KeyCommand;
import polydex.files.FileProblem;
import polydex.files.table.BindingTable;
import polydex.keys.Gesture;
import polydex.workspace.BindingIntake;
import polydex.workspace.BindingIntake.Plan;
import polydex.workspace.Workspace;

/** Bringing lists of bindings in: first what would happen, line by line, then one change. */
public final class SheetsPlace implements Place {

  private static final String EXAMPLE =
      """
      application,context,action,gesture
      Cue editor,text,Duplicate the line,Ctrl+Shift+D

      """;

  private enum Fate {
    REFUSED,
    TAKEN,
    KNOWN
  }

  private record Line(int number, Fate fate, String text, Optional<Gesture> gesture, String why) {}

  private record Preview(BindingTable table, Plan plan) {}

  private final Desk desk;
  private final VBox root = new VBox();
  private final TextField path = new TextField();
  private final Button choose = new Button("Choose a file...");
  private final Button read = new Button("Preview");
  private final Button take = new Button("Bring in");
  private final Label summary = Texts.words("");
  private final ListView<Line> lines;
  private final AtomicLong newest = new AtomicLong();
  private Optional<Preview> preview = Optional.empty();

  /** The place. */
  public SheetsPlace(Desk desk) {
    this.desk = desk;
    path.setPromptText("Path of a CSV file");
    path.setAccessibleText("Path of a CSV file");
    path.setOnAction(_ -> read());
    HBox.setHgrow(path, Priority.ALWAYS);
    choose.setOnAction(_ -> choose());
    read.setOnAction(_ -> read());
    take.setOnAction(_ -> bringIn());
    take.setDisable(true);
    lines =
        Lists.of(
            "Lines of the file",
            SheetsPlace::row,
            Line::text,
            Texts.quiet(
                EXAMPLE
                    + "The first line names the columns: platform or application, context (may be left"
                    + " out), action, gesture. Each line below is one binding. Nothing is taken"
                    + " before you have seen what it would be."));
    ((Label) lines.getPlaceholder()).setMaxWidth(560);
    lines.getPlaceholder().getStyleClass().add("example");
    VBox.setVgrow(lines, Priority.ALWAYS);
    HBox ask = new HBox(12, path, choose, read);
    ask.setAlignment(Pos.CENTER_LEFT);
    HBox.setHgrow(summary, Priority.ALWAYS);
    summary.setMaxWidth(Double.MAX_VALUE);
    HBox act = new HBox(12, summary, take);
    act.setAlignment(Pos.CENTER_LEFT);
    root.getStyleClass().add("place");
    root.getChildren()
        .addAll(
            Texts.heading("Sheets"), Texts.part("Bring in a list of bindings"), ask, act, lines);
    // A preview is of a workspace; when that has changed it has to be made anew.
    desk.session().workspace().addListener((_, _, _) -> again());
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
        KeyCommand.of("Ctrl+Enter", "Bring in", this::bringIn));
  }

  @Override
  public Map<Character, Node> reachable() {
    return Map.of('P', path, 'C', choose, 'V', read, 'B', take, 'I', lines);
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
            new FileChooser.ExtensionFilter("Separated values", "*.csv", "*.tsv", "*.txt"),
            new FileChooser.ExtensionFilter("All files", "*"));
    Optional.ofNullable(chooser.showOpenDialog(root.getScene().getWindow()))
        .ifPresent(
            file -> {
              path.setText(file.toString());
              read();
            });
  }

  /** Reads off the interface thread; the newest request wins. */
  private void read() {
    long request = newest.incrementAndGet();
    Workspace workspace = desk.session().workspace().get();
    String text = path.getText().strip();
    if (text.isEmpty()) {
      refuse("Give the path of a file, or choose one with Ctrl+O.");
      return;
    }
    summary.setText("Reading " + text + " ...");
    Thread.ofVirtual()
        .start(
            () -> {
              try {
                BindingTable table = BindingTable.read(Path.of(text));
                Plan plan = BindingIntake.plan(workspace, table.rows(), table.refused());
                Platform.runLater(() -> show(request, new Preview(table, plan)));
              } catch (FileProblem | InvalidPathException e) {
                Platform.runLater(
                    () -> {
                      if (newest.get() == request) {
                        refuse(e.getMessage());
                      }
                    });
              }
            });
  }

  private void again() {
    preview.ifPresent(
        p -> {
          Plan plan =
              BindingIntake.plan(
                  desk.session().workspace().get(), p.table().rows(), p.table().refused());
          show(newest.get(), new Preview(p.table(), plan));
        });
  }

  private void refuse(String reason) {
    preview = Optional.empty();
    summary.setText(reason);
    lines.getItems().clear();
    take.setDisable(true);
    take.setText("Bring in");
  }

  private void show(long request, Preview made) {
    if (newest.get() != request) {
      return;
    }
    preview = Optional.of(made);
    Plan plan = made.plan();
    summary.setText(
        "%s: %,d to take, %,d known already, %,d refused."
            .formatted(
                made.table().found(),
                plan.taken().size(),
                plan.known().size(),
                plan.refused().size()));
    List<Line> all = new ArrayList<>();
    plan.refused()
        .forEach(
            r -> all.add(new Line(r.line(), Fate.REFUSED, r.text(), Optional.empty(), r.reason())));
    plan.taken()
        .forEach(
            t ->
                all.add(
                    new Line(
                        t.row().line(),
                        Fate.TAKEN,
                        t.row().action(),
                        Optional.of(t.gesture()),
                        t.row().environment())));
    plan.known()
        .forEach(
            r ->
                all.add(
                    new Line(
                        r.line(),
                        Fate.KNOWN,
                        r.action() + ": " + r.gesture(),
                        Optional.empty(),
                        "Is there already.")));
    all.sort(Comparator.comparing(Line::fate).thenComparingInt(Line::number));
    lines.getItems().setAll(all);
    take.setDisable(plan.taken().isEmpty());
    take.setText(
        switch (plan.taken().size()) {
          case 0 -> "Nothing to bring in";
          case 1 -> "Bring in 1 binding";
          default -> "Bring in %,d bindings".formatted(plan.taken().size());
        });
  }

  private static void row(HBox box, Line line) {
    Label why = Texts.styled(line.why(), line.fate() == Fate.REFUSED ? "words" : "quiet");
    why.setWrapText(line.fate() == Fate.REFUSED);
    HBox.setHgrow(why, Priority.ALWAYS);
    Node mark = mark(line.fate());
    box.getChildren()
        .addAll(
            Lists.rightColumn(Texts.styled("line " + line.number(), "number"), 5.5),
            mark,
            Lists.column(Texts.styled(line.text(), "row-title"), 18));
    line.gesture().ifPresent(g -> box.getChildren().add(new GestureView(g, Map.of())));
    box.getChildren().add(why);
  }

  private static Node mark(Fate fate) {
    Region sign = new Region();
    sign.getStyleClass()
        .addAll(
            switch (fate) {
              case REFUSED -> List.of("notch");
              case TAKEN -> List.of("dot", "dot-replaced");
              case KNOWN -> List.of("dot");
            });
    HBox mark =
        new HBox(
            6,
            sign,
            Texts.styled(
                switch (fate) {
                  case REFUSED -> "refused";
                  case TAKEN -> "take";
                  case KNOWN -> "known";
                },
                "row-title"));
    mark.setAlignment(Pos.CENTER_LEFT);
    return Lists.column(mark, 5.5);
  }

  private void bringIn() {
    Optional<Preview> now = preview.filter(p -> !p.plan().taken().isEmpty());
    if (now.isPresent()) {
      desk.session().apply(now.get().plan().change());
      lines.requestFocus();
    } else {
      desk.session().say("There is nothing to bring in. Preview a file first.");
    }
  }
}
