package polydex.desktop.places;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.effort.KeystrokeLevel;
import polydex.mouse.MenuWalk;
import polydex.mouse.RecentUses;
import polydex.mouse.Remaining;
import polydex.mouse.Remaining.Kind;
import polydex.recall.DrillItem;
import polydex.route.Setup;
import polydex.workspace.Workspace;

/** What is still done with the mouse, by what it costs, and what to do about each. */
final class RemainingView extends VBox {
  /** The share of the hours that "most of them" means. */
  private static final double MOST = 0.8;

  private static final int HOURS_BELOW = 10;

  /** A line: what remains, and the share of the hours up to it. */
  private record Line(Remaining.Row row, double share) {}

  private final Desk desk;
  private final Label summary = Texts.quiet("");
  private final Label explained = Texts.quiet(" ");
  private final HBox head = new HBox();
  private final ListView<Line> list;
  private boolean everywhere = true;

  RemainingView(Desk desk) {
    this.desk = desk;
    list =
        Lists.of(
            "What remains, by its cost",
            this::row,
            l -> desk.action(l.row().action()),
            Texts.quiet(
                "Nothing was noted with the mouse in the last four weeks. Whenever your hand went to"
                    + " it, press Ctrl+M and the number of the action."));
    VBox.setVgrow(list, Priority.ALWAYS);
    list.getSelectionModel().selectedItemProperty().addListener((_, _, l) -> explain(l));
    head.getStyleClass().add("table-head");
    desk.narrow()
        .subscribe(
            _ -> {
              head.getChildren().setAll(headings());
              list.refresh();
            });
    VBox table = new VBox(head, list);
    VBox.setVgrow(table, Priority.ALWAYS);
    VBox.setVgrow(this, Priority.ALWAYS);
    setSpacing(12);
    getChildren().addAll(summary, table, explained);
  }

  ListView<?> list() {
    return list;
  }

  /** Of the setup in use only, or of all. */
  void toggleWhere() {
    everywhere = !everywhere;
    refresh();
  }

  void refresh() {
    Workspace workspace = desk.session().workspace().get();
    RecentUses uses = desk.session().recentUses();
    double key = desk.session().progress().history().pace().press();
    List<Setup> setups =
        everywhere ? List.copyOf(workspace.setups().values()) : workspace.setup().stream().toList();
    if (list.getItems().isEmpty()) {
      summary.setText("Looking at what each action costs …");
    }
    desk.analyst()
        .look(
            _ -> new Remaining(workspace.world(), uses, new KeystrokeLevel(key)).of(setups),
            this::show);
  }

  private void show(List<Remaining.Row> rows) {
    double all = rows.stream().mapToDouble(Remaining.Row::hoursAYear).sum();
    List<Line> lines = new ArrayList<>();
    double so = 0;
    int most = 0;
    for (Remaining.Row row : rows) {
      most += so < MOST * all ? 1 : 0;
      so += row.hoursAYear();
      lines.add(new Line(row, all == 0 ? 0 : so / all));
    }
    summary.setText(
        rows.isEmpty()
            ? ""
            : "%s, by the last four weeks and estimated times: about %s are lost. %d of %d actions are %d %% of it."
                .formatted(
                    everywhere ? "In all setups" : "In this setup",
                    hours(all) + " a year",
                    most,
                    rows.size(),
                    Math.round(MOST * 100)));
    Optional<Line> before = Optional.ofNullable(list.getSelectionModel().getSelectedItem());
    list.getItems().setAll(lines);
    int at = before.map(b -> index(lines, b.row())).filter(i -> i >= 0).orElse(0);
    if (!lines.isEmpty()) {
      list.getSelectionModel().select(at);
    }
  }

  private static int index(List<Line> lines, Remaining.Row like) {
    for (int i = 0; i < lines.size(); i++) {
      Remaining.Row row = lines.get(i).row();
      if (row.action().equals(like.action()) && row.setup().equals(like.setup())) {
        return i;
      }
    }
    return -1;
  }

  /** Time as people say it. */
  static String hours(double hours) {
    if (hours < 1) {
      return "%d min".formatted(Math.round(hours * 60));
    }
    return hours < HOURS_BELOW
        ? String.format(Locale.ROOT, "%.1f h", hours)
        : "%d h".formatted(Math.round(hours));
  }

  private List<Node> headings() {
    List<Node> columns = new ArrayList<>();
    columns.add(Lists.growing(Texts.styled("Action", "column-head")));
    if (!desk.narrow().get()) {
      columns.add(Lists.column(Texts.styled("Setup", "column-head"), 11));
    }
    columns.add(Lists.rightColumn(Texts.styled("A day", "column-head"), 4));
    columns.add(Lists.rightColumn(Texts.styled("A year", "column-head"), 4.5));
    columns.add(Lists.rightColumn(Texts.styled("So far", "column-head"), 4.5));
    columns.add(Lists.column(gap(Texts.styled("To do", "column-head")), 8.5));
    columns.add(Lists.column(Texts.styled("By keys", "column-head"), 12));
    return columns;
  }

  /** Words that follow a column of numbers stand a little apart from it. */
  private static HBox gap(Region content) {
    HBox box = new HBox(content);
    box.setAlignment(Pos.CENTER_LEFT);
    box.setStyle("-fx-padding: 0 0 0 0.8em;");
    return box;
  }

  private void row(HBox box, Line line) {
    Remaining.Row row = line.row();
    box.getChildren().add(Lists.growing(Texts.styled(desk.action(row.action()), "row-title")));
    if (!desk.narrow().get()) {
      box.getChildren().add(Lists.column(Texts.styled(setup(row), "quiet"), 11));
    }
    box.getChildren()
        .addAll(
            Lists.number(String.format(Locale.ROOT, "%.1f", row.usesADay()), 4),
            Lists.number(hours(row.hoursAYear()), 4.5),
            Lists.number("%d %%".formatted(Math.round(100 * line.share())), 4.5),
            Lists.column(gap(marked(row.kind())), 8.5),
            Lists.column(byKeys(row), 12));
  }

  private static HBox marked(Kind kind) {
    Region mark = new Region();
    switch (kind) {
      case LEARN -> mark.getStyleClass().addAll("dot", "dot-learning");
      case FREE_THE_WAY -> mark.getStyleClass().add("notch");
      case BIND, WALK -> mark.getStyleClass().addAll("dot", "dot-switching");
      case POINTER_BY_NATURE, UNKNOWN -> mark.getStyleClass().addAll("dot", "dot-open");
    }
    HBox box = new HBox(6, mark, Texts.styled(words(kind), "row-title"));
    box.setAlignment(Pos.CENTER_LEFT);
    return box;
  }

  private static String words(Kind kind) {
    return switch (kind) {
      case LEARN -> "learn";
      case FREE_THE_WAY -> "free the way";
      case BIND -> "bind";
      case WALK -> "walk";
      case POINTER_BY_NATURE -> "pointer";
      case UNKNOWN -> "unknown";
    };
  }

  private Region byKeys(Remaining.Row row) {
    if (row.gesture().isPresent()) {
      return new GestureView(
          row.gesture().get(), desk.words(row.environment().orElse(row.setup())));
    }
    return Texts.styled(
        row.walk().map(w -> w.presses() + " presses by menus").orElse("no way by keys"), "quiet");
  }

  private String setup(Remaining.Row row) {
    return Optional.ofNullable(desk.session().workspace().get().setups().get(row.setup()))
        .map(Setup::title)
        .orElse(row.setup());
  }

  private void explain(@Nullable Line line) {
    if (line == null) {
      explained.setText(" ");
      return;
    }
    Remaining.Row row = line.row();
    String times =
        String.format(
            Locale.ROOT,
            "%s takes about %.1f s with the mouse%s. ",
            desk.action(row.action()),
            row.pointerSeconds(),
            row.keysSeconds()
                .map(k -> String.format(Locale.ROOT, " and %.1f s by keys", k))
                .orElse(""));
    explained.setText(
        times
            + switch (row.kind()) {
              case LEARN -> "Enter marks it for the next drill.";
              case FREE_THE_WAY -> "A conflict stops its gesture; Enter shows where.";
              case BIND -> "Its menu entry can be given a gesture. " + path(row);
              case WALK -> path(row);
              case POINTER_BY_NATURE -> "It is about a place on the screen.";
              case UNKNOWN -> "No keymap of this setup knows it.";
            });
  }

  private static String path(Remaining.Row row) {
    return row.walk()
        .map(MenuWalk::path)
        .map(p -> "By menus and arrows: " + String.join(" › ", p) + ", then Enter.")
        .orElse("");
  }

  /** Does what is to be done next about the chosen one. */
  void next() {
    Line line = list.getSelectionModel().getSelectedItem();
    if (line == null) {
      return;
    }
    Remaining.Row row = line.row();
    switch (row.kind()) {
      case LEARN ->
          desk.drills().mark(Set.of(new DrillItem(row.environment().orElseThrow(), row.action())));
      case FREE_THE_WAY -> {
        if (!desk.session().workspace().get().current().equals(Optional.of(row.setup()))) {
          desk.session().choose(row.setup());
        }
        desk.keys().follow(row.gesture().orElseThrow());
      }
      case BIND, WALK -> desk.session().say(path(row));
      case POINTER_BY_NATURE, UNKNOWN ->
          desk.session().say("There is no way by keys for it in this setup.");
    }
  }
}
