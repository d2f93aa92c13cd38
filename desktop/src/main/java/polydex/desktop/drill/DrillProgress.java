package polydex.desktop.drill;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;
import static polydex.language.Language.quoted;

import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.function.Consumer;
import java.util.function.ToDoubleFunction;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.catalog.EnvironmentId;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Plot;
import polydex.desktop.controls.Plot.Point;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.language.Language;
import polydex.own.OwnKey;
import polydex.recall.Confusions.Count;
import polydex.recall.DrillHistory;
import polydex.recall.DrillItem;
import polydex.recall.Forecast;
import polydex.recall.ItemState;
import polydex.recall.Pace;
import polydex.recall.Progress;

/** How learning goes: by day, by environment, what is due soon, and every item that is known. */
final class DrillProgress extends VBox {
  private static final DateTimeFormatter DAY = Language.dates(worded("any.d-mmm"));
  private static final int DAYS_AHEAD = 14;
  private static final int DAYS_BACK = 42;
  private static final int ENVIRONMENTS = 4;
  private static final int PAIRS = 3;
  private static final int COLUMNS = 3;

  private final Desk desk;
  private final Runnable back;
  private final Consumer<DrillItem> open;
  private final GridPane charts = new GridPane(12, 8);
  private final Label summary = Texts.words("");
  private final ListView<Map.Entry<DrillItem, ItemState>> items;

  DrillProgress(Desk desk, Runnable back, Consumer<DrillItem> open) {
    this.desk = desk;
    this.back = back;
    this.open = open;
    items =
        Lists.of(
            worded("drill.every-item-that-was-drilled"),
            this::row,
            e -> desk.titles().action(e.getKey().action()),
            Texts.quiet(worded("drill.nothing-was-drilled-yet-esc-goes")));
    items.setMinHeight(120);
    HBox head = new HBox();
    head.getStyleClass().add("table-head");
    desk.narrow()
        .subscribe(
            () -> {
              head.getChildren().setAll(headings());
              items.refresh();
            });
    head.getChildren().setAll(headings());
    VBox table = new VBox(head, items);
    for (int i = 0; i < COLUMNS; i++) {
      ColumnConstraints third = new ColumnConstraints();
      third.setPercentWidth(100.0 / COLUMNS);
      charts.getColumnConstraints().add(third);
    }
    setMinWidth(0);
    VBox.setVgrow(items, Priority.ALWAYS);
    VBox.setVgrow(table, Priority.ALWAYS);
    setSpacing(10);
    getChildren().addAll(Texts.heading(worded("drill.how-it-goes")), summary, charts, table);
  }

  List<KeyCommand> commands() {
    return List.of(
        KeyCommand.of(OwnKey.PROGRESS_LOOK, worded("drill.look-at-it"), this::look),
        KeyCommand.of(OwnKey.PROGRESS_MARK, this::mark),
        KeyCommand.of(OwnKey.DRILL_BACK, worded("drill.back"), back));
  }

  private void look() {
    Map.Entry<DrillItem, ItemState> chosen = items.getSelectionModel().getSelectedItem();
    if (chosen != null) {
      open.accept(chosen.getKey());
    }
  }

  private void mark() {
    Map.Entry<DrillItem, ItemState> chosen = items.getSelectionModel().getSelectedItem();
    if (chosen != null) {
      desk.drills().mark(List.of(chosen.getKey()));
    }
  }

  void focus() {
    items.requestFocus();
  }

  void refresh() {
    Progress progress = desk.session().progress();
    DrillHistory history = progress.history();
    long today = progress.days().of(desk.session().now());
    SortedMap<Long, DrillHistory.Day> days = history.byDay().tailMap(today - DAYS_BACK);
    charts.getChildren().clear();
    if (!desk.narrow().get()) {
      charts.add(byDay(worded("drill.minutes-a-day"), days, d -> d.seconds() / 60), 0, 0);
      charts.add(byDay(worded("drill.answers-a-day"), days, DrillHistory.Day::answers), 1, 0);
      charts.add(
          byDay(worded("drill.right-answers"), days, d -> 100.0 * d.right() / d.answers())
              .upTo(100),
          2,
          0);
    }
    charts.add(fluent(history, today).xTicks(DrillProgress::day), 0, 1, 2, 1);
    charts.add(ahead(progress), 2, 1);
    summary.setText(summary(progress));
    items
        .getItems()
        .setAll(
            progress.states().entrySet().stream()
                .sorted(
                    Comparator.comparing(
                            (Map.Entry<DrillItem, ItemState> e) ->
                                e.getValue().due(desk.drills().settings().retention()))
                        .thenComparing(Map.Entry.comparingByKey()))
                .map(e -> Map.entry(e.getKey(), e.getValue()))
                .toList());
    items.getSelectionModel().selectFirst();
  }

  private static String day(double number) {
    return DAY.format(LocalDate.ofEpochDay(Math.round(number)));
  }

  private static Plot byDay(
      String title, SortedMap<Long, DrillHistory.Day> days, ToDoubleFunction<DrillHistory.Day> of) {
    List<Point> points = new ArrayList<>();
    days.forEach((day, d) -> points.add(new Point(day, of.applyAsDouble(d))));
    return new Plot(title, "").whole().xTicks(DrillProgress::day).bars("", "plot-own", points);
  }

  private Plot fluent(DrillHistory history, long today) {
    Plot plot = new Plot(worded("drill.fluent-actions"), "").whole();
    history.environments().stream()
        .sorted(
            Comparator.comparingInt((EnvironmentId e) -> -history.fluent(e, today))
                .thenComparing(e -> e))
        .limit(ENVIRONMENTS)
        .forEach(
            e -> {
              List<Point> points = new ArrayList<>();
              for (long day = today - DAYS_BACK; day <= today; day++) {
                points.add(new Point(day, history.fluent(e, day)));
              }
              plot.line(desk.titles().title(e), "plot-own", points);
            });
    return plot;
  }

  private Plot ahead(Progress progress) {
    List<Point> points = new ArrayList<>();
    Forecast.of(
            progress.states().values(),
            progress.parameters(),
            desk.drills().settings().retention(),
            desk.session().now(),
            progress.days(),
            DAYS_AHEAD)
        .forEach(d -> points.add(new Point(d.date().toEpochDay(), d.due())));
    return new Plot(worded("drill.due-in-the-next-two-weeks"), "")
        .whole()
        .bars("", "plot-due-bar", points)
        .xTicks(DrillProgress::day);
  }

  private String summary(Progress progress) {
    Pace pace = progress.history().pace();
    long fluent = progress.states().values().stream().filter(ItemState::isFluent).count();
    List<String> pairs =
        progress.confusions().open().stream()
            .map(Count::pair)
            .limit(PAIRS)
            .map(
                p ->
                    worded(
                        "drill.in-for",
                        desk.titles().action(p.one().action()),
                        desk.titles().title(p.one().environment()),
                        p.one().action().equals(p.other().action())
                            ? worded("drill.that-in", desk.titles().title(p.other().environment()))
                            : quoted(desk.titles().action(p.other().action()))))
            .toList();
    return worded(
            "drill.of-drilled-actions-are-fluent-your",
            fluent,
            progress.states().size(),
            decimals(2, pace.start()),
            decimals(2, pace.press()),
            decimals(2, pace.modifier()),
            pairs.isEmpty() ? "" : worded("drill.mistaken-now", String.join("; ", pairs)))
        + fit();
  }

  private String fit() {
    return desk.session()
        .fits()
        .inUse()
        .map(
            f ->
                worded(
                    "drill.how-you-forget-was-reckoned-from",
                    f.answers(),
                    DAY.format(f.at().atZone(progressZone())),
                    decimals(2, f.after()),
                    decimals(2, f.before())))
        .orElse("");
  }

  private void row(HBox box, Map.Entry<DrillItem, ItemState> entry) {
    DrillItem item = entry.getKey();
    ItemState state = entry.getValue();
    double wanted = desk.drills().settings().retention();
    boolean due = state.isDue(desk.session().now(), wanted);
    HBox mark =
        new HBox(
            8,
            Texts.styled("", "dot"),
            Texts.styled(
                state.isFluent()
                    ? worded("any.fluent")
                    : due ? worded("any.due") : worded("drill.learning"),
                "row-title"));
    mark.getChildren()
        .getFirst()
        .getStyleClass()
        .add(state.isFluent() ? "dot-replaced" : "dot-learning");
    mark.setAlignment(Pos.CENTER_LEFT);
    String next = due ? worded("drill.now") : DAY.format(state.due(wanted).atZone(progressZone()));
    double stable = state.memory().stability();
    box.getChildren()
        .addAll(
            columns(
                mark,
                Texts.styled(desk.titles().action(item.action()), "row-title"),
                Texts.styled(desk.titles().place(item.environment()), "quiet"),
                Texts.styled(next, "row-title"),
                Texts.styled(
                    worded("any.days", (stable < 10 ? "%.1f" : "%.0f").formatted(stable)),
                    "number"),
                Texts.styled(worded("any.of", state.right(), state.answers()), "number")));
  }

  private List<Node> headings() {
    return columns(
        Texts.styled(worded("any.state"), "column-head"),
        Texts.styled(worded("any.action"), "column-head"),
        Texts.styled(worded("any.where"), "column-head"),
        Texts.styled(worded("drill.asked-next"), "column-head"),
        Texts.styled(worded("drill.keeps-for"), "column-head"),
        Texts.styled(worded("drill.right"), "column-head"));
  }

  /** In a narrow window what F4 and Enter show as well is left out. */
  private List<Node> columns(
      Region state, Region action, Region where, Region next, Region keeps, Region right) {
    List<Node> columns = new ArrayList<>();
    boolean narrow = desk.narrow().get();
    columns.add(Lists.column(state, 6));
    columns.add(Lists.growing(action));
    columns.add(Lists.growing(where));
    columns.add(Lists.rightColumn(next, 6));
    if (!narrow) {
      columns.add(Lists.rightColumn(keeps, 7));
      columns.add(Lists.rightColumn(right, 7));
    }
    return columns;
  }

  private ZoneId progressZone() {
    return desk.session().progress().days().zone();
  }
}
