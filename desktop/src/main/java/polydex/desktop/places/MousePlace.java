package polydex.desktop.places;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import polydex.catalog.Action;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.keys.KeyCommand;
import polydex.mouse.Habit;
import polydex.mouse.Habit.State;
import polydex.recall.DrillItem;
import polydex.route.TracedBinding;

/** What is done with the mouse, ranked by uses, and how far each action has come. */
public final class MousePlace implements Place {

  /** A row: an action and how it is done. */
  private record Row(String action, String title, Habit habit, State state) {}

  private final Desk desk;
  private final VBox root = new VBox();
  private final Label summary = Texts.quiet("");
  private final Label explained = Texts.quiet(" ");
  private final ListView<Row> list;
  private final VBox byUses;
  private final RemainingView remaining;

  /** The place. */
  public MousePlace(Desk desk) {
    this.desk = desk;
    list =
        Lists.of(
            "Actions by uses of the mouse",
            this::row,
            Row::title,
            Texts.quiet(
                "Nothing is noted yet. Whenever your hand went to the mouse, press Ctrl+M and the"
                    + " number of the action."));
    VBox.setVgrow(list, Priority.ALWAYS);
    list.getSelectionModel().selectedItemProperty().addListener((_, _, row) -> explain(row));
    root.getStyleClass().add("place");
    HBox head = new HBox();
    head.getStyleClass().add("table-head");
    desk.narrow()
        .subscribe(
            narrow -> {
              head.getChildren().setAll(headings(narrow));
              list.refresh();
            });
    VBox table = new VBox(head, list);
    VBox.setVgrow(table, Priority.ALWAYS);
    byUses = new VBox(12, summary, table, explained);
    VBox.setVgrow(byUses, Priority.ALWAYS);
    remaining = new RemainingView(desk);
    root.getChildren().addAll(Texts.heading("Mouse"), remaining);
    desk.session().logged().addListener((_, _, _) -> refreshIfShown());
    desk.session().workspace().addListener((_, _, _) -> refreshIfShown());
    desk.analyst().found().addListener((_, _, _) -> refreshIfShown());
  }

  /** Nobody sees it elsewhere, and a drill has no time for it. */
  private void refreshIfShown() {
    if (root.getScene() != null) {
      refresh();
    }
  }

  /** In a narrow window the line below the table still says how often keys were used. */
  private static List<Node> headings(boolean narrow) {
    List<Node> columns = new ArrayList<>();
    columns.add(Lists.growing(Texts.styled("Action", "column-head")));
    columns.add(Lists.rightColumn(Texts.styled("By mouse", "column-head"), 4.6));
    if (!narrow) {
      columns.add(Lists.rightColumn(Texts.styled("By keys", "column-head"), 4.6));
      columns.add(Lists.rightColumn(Texts.styled("Keys, last 20", "column-head"), 6.4));
    }
    columns.add(Lists.column(Texts.styled("State", "column-head"), 7));
    columns.add(Lists.column(Texts.styled("Keys in this setup", "column-head"), narrow ? 11 : 13));
    return columns;
  }

  @Override
  public String title() {
    return "Mouse";
  }

  @Override
  public char letter() {
    return 'M';
  }

  @Override
  public Parent node() {
    return root;
  }

  @Override
  public List<KeyCommand> commands() {
    if (isRemaining()) {
      return List.of(
          KeyCommand.of("Enter", "Its next step", remaining::next),
          KeyCommand.of("F3", "This setup or all", remaining::toggleWhere),
          KeyCommand.of("F7", "How each is done", this::turn));
    }
    return List.of(KeyCommand.of("F7", "What remains", this::turn));
  }

  private boolean isRemaining() {
    return root.getChildren().contains(remaining);
  }

  private void turn() {
    root.getChildren().set(1, isRemaining() ? byUses : remaining);
    desk.keys().changed();
    shown();
  }

  @Override
  public Map<Character, Node> reachable() {
    return Map.of('A', isRemaining() ? remaining.list() : list);
  }

  @Override
  public void shown() {
    refresh();
    (isRemaining() ? remaining.list() : list).requestFocus();
  }

  private void refresh() {
    if (isRemaining()) {
      remaining.refresh();
      return;
    }
    Catalog catalog = desk.session().workspace().get().catalog();
    Set<String> drilled = drilled(catalog);
    List<Row> rows = new ArrayList<>();
    long byMouse = 0;
    long all = 0;
    for (String action : desk.session().habits().byPointerUses()) {
      Habit habit = desk.session().habits().habit(action).orElseThrow();
      rows.add(
          new Row(action, catalog.title(action), habit, habit.state(drilled.contains(action))));
      byMouse += habit.byPointer();
      all += habit.byPointer() + habit.byKeys();
    }
    long replaced = rows.stream().filter(r -> r.state() == State.REPLACED).count();
    summary.setText(
        rows.isEmpty()
            ? ""
            : "%,d of %,d noted uses were by mouse. %d of %d actions are replaced."
                .formatted(byMouse, all, replaced, rows.size()));
    int selected = list.getSelectionModel().getSelectedIndex();
    Optional<String> action =
        Optional.ofNullable(list.getSelectionModel().getSelectedItem()).map(Row::action);
    list.getItems().setAll(rows);
    // The selection stays on the action, wherever its rank has moved.
    int moved =
        action
            .map(a -> rows.stream().map(Row::action).toList().indexOf(a))
            .filter(i -> i >= 0)
            .orElse(Math.max(0, Math.min(selected, rows.size() - 1)));
    if (!rows.isEmpty()) {
      list.getSelectionModel().select(moved);
    }
  }

  private Set<String> drilled(Catalog catalog) {
    return catalog.actions().stream()
        .map(Action::id)
        .filter(
            a ->
                catalog.environments().stream()
                    .map(Environment::id)
                    .anyMatch(
                        e -> desk.session().progress().state(new DrillItem(e, a)).isPresent()))
        .collect(Collectors.toSet());
  }

  private void row(HBox box, Row row) {
    Region dot = new Region();
    dot.getStyleClass().addAll("dot", "dot-" + word(row.state()));
    HBox state = new HBox(6, dot, Texts.styled(word(row.state()), "row-title"));
    state.setAlignment(Pos.CENTER_LEFT);
    boolean narrow = desk.narrow().get();
    box.getChildren()
        .addAll(
            Lists.growing(Texts.styled(row.title(), "row-title")),
            Lists.number("%,d".formatted(row.habit().byPointer()), 4.6));
    if (!narrow) {
      box.getChildren()
          .addAll(
              Lists.number("%,d".formatted(row.habit().byKeys()), 4.6),
              Lists.number(
                  "%d of %d".formatted(row.habit().recentByKeys(), row.habit().recent()), 6.4));
    }
    box.getChildren().addAll(Lists.column(state, 7), Lists.column(gesture(row), narrow ? 11 : 13));
  }

  private Region gesture(Row row) {
    return desk.analyst()
        .found()
        .get()
        .flatMap(
            a ->
                a.reach().getOrDefault(row.action(), List.<TracedBinding>of()).stream().findFirst())
        .<Region>map(t -> new GestureView(t.gesture(), desk.words(t.environment())))
        .orElseGet(() -> Texts.styled("not in this setup", "quiet"));
  }

  private static String word(State state) {
    return switch (state) {
      case OPEN -> "open";
      case LEARNING -> "learning";
      case SWITCHING -> "switching";
      case REPLACED -> "replaced";
    };
  }

  private void explain(@Nullable Row row) {
    if (row == null) {
      explained.setText(" ");
      return;
    }
    int need = (int) Math.ceil(Habit.REPLACED_SHARE * Habit.WINDOW);
    String back =
        switch (row.habit().relapses()) {
          case 0 -> "";
          case 1 -> " It came back once.";
          default -> " It came back %d times.".formatted(row.habit().relapses());
        };
    explained.setText(
        row.title()
            + ": "
            + switch (row.state()) {
              case OPEN -> "always done by mouse so far.";
              case LEARNING -> "drilled, but still done by mouse.";
              case SWITCHING ->
                  "%d of the last %d uses were by keys. It is replaced at %d of %d over %d days."
                      .formatted(
                          row.habit().recentByKeys(),
                          row.habit().recent(),
                          need,
                          Habit.WINDOW,
                          Habit.DAYS);
              case REPLACED ->
                  "replaced: %d of the last %d uses were by keys."
                      .formatted(row.habit().recentByKeys(), row.habit().recent());
            }
            + back);
  }
}
