package polydex.desktop.route;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.catalog.Catalog;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictSentence;
import polydex.conflict.Fix;
import polydex.conflict.Person;
import polydex.conflict.Plan;
import polydex.conflict.Planner;
import polydex.conflict.Trial;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.keys.Gesture;
import polydex.language.Language;
import polydex.route.Situation;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** The cheapest set of changes that ends the worst conflicts that are shown. */
final class PlanView {
  /** A step or what stays, with the gestures in it. */
  private record PlanRow(String text, List<Gesture> gestures) {}

  private static final int SECONDS = 20;
  private static final List<String> COSTS =
      List.of(
          worded("route.changed-habit"),
          worded("route.lost-built-in"),
          worded("route.remap"),
          worded("route.window-setting"));

  private static final double ROW_WIDTH = 815;

  private final Desk desk;
  private final List<Conflict> chosen;

  /** What changes are tried on, and the one thing that they are made to. */
  private final Workspace workspace;

  private final List<TextField> weights = new ArrayList<>();
  private final ListView<PlanRow> list;
  private final Label state = Texts.words("");
  private Plan plan = new Plan(List.of(), 0, 0, true, List.of());

  PlanView(Desk desk, List<Conflict> chosen) {
    this.desk = desk;
    this.chosen = chosen;
    workspace = desk.session().workspace().get();
    list =
        Lists.of(
            worded("route.steps-of-the-plan"),
            PlanView::row,
            PlanRow::text,
            Texts.quiet(worded("route.no-step-is-needed-or-none")));
    list.getStyleClass().add("nine-rows");
    state.setMinHeight(Region.USE_PREF_SIZE);
  }

  void open() {
    FlowPane costs = new FlowPane(16, 8);
    double[] usual = {
      Fix.Weights.USUAL.changedHabit(),
      Fix.Weights.USUAL.lostBuiltIn(),
      Fix.Weights.USUAL.remap(),
      Fix.Weights.USUAL.session()
    };
    for (int i = 0; i < COSTS.size(); i++) {
      TextField field = new TextField(String.valueOf((int) usual[i]));
      field.setPrefColumnCount(3);
      field.setAccessibleText(worded("route.points-for-a", COSTS.get(i)));
      field.setOnAction(_ -> look());
      weights.add(field);
      HBox pair = new HBox(6, Texts.quiet(COSTS.get(i)), field);
      pair.setAlignment(Pos.CENTER_LEFT);
      costs.getChildren().add(pair);
    }
    VBox box =
        OverlayBox.wide(
            Texts.heading(worded("route.plan-for-conflicts", chosen.size())),
            Texts.quiet(worded("route.what-changes-cost-in-points-enter")),
            costs,
            state,
            list,
            Texts.quiet(worded("route.enter-on-a-step-make-them")));
    list.addEventHandler(
        KeyEvent.KEY_PRESSED,
        event -> {
          if (event.getCode() == KeyCode.ENTER) {
            event.consume();
            make();
          }
        });
    desk.analyst().stopLookingWithout(box, "plan");
    desk.keys().open(box, list);
    look();
  }

  private static double number(TextField field) {
    List<Double> all = Language.numbers(field.getText());
    if (all.size() != 1) {
      throw new NumberFormatException(field.getText());
    }
    return all.getFirst();
  }

  private void look() {
    Fix.Weights costs;
    try {
      costs =
          new Fix.Weights(
              number(weights.get(0)),
              number(weights.get(1)),
              number(weights.get(2)),
              number(weights.get(3)));
    } catch (IllegalArgumentException e) {
      state.setText(worded("route.a-cost-is-a-number-from"));
      return;
    }
    state.setText(worded("route.trying-changes-on-a-copy-esc"));
    Lists.waiting(list, worded("route.the-steps-come-when-all-is"));
    Person person = desk.analyst().person();
    desk.analyst()
        .look(
            "plan",
            course ->
                new Planner(
                        new Trial(workspace.situation(), person), costs, SECONDS, System::nanoTime)
                    .plan(
                        chosen,
                        () -> !course.isWanted(),
                        n -> course.tell(() -> state.setText(looked(n)))),
            this::show,
            why -> {
              state.setText("");
              Lists.failed(list, why);
            });
  }

  private String looked(int conflicts) {
    return worded("route.trying-changes-on-a-copy-of", conflicts, chosen.size());
  }

  private void show(Plan found) {
    plan = found;
    Catalog catalog = workspace.catalog();
    String proof =
        found.optimal()
            ? worded("route.no-cheaper-set-does-it")
            : worded("route.not-proved-to-be-the-least", decimals(1, found.bound()));
    String stays = found.left().isEmpty() ? "" : worded("route.stay-below", found.left().size());
    state.setText(
        found.steps().isEmpty()
            ? found.left().isEmpty()
                ? worded("route.there-is-nothing-to-do")
                : worded("route.nothing-that-was-looked-at-ends")
            : worded(
                "route.for-points",
                changes(found.steps().size()),
                decimals(0, found.cost()),
                proof,
                stays));
    List<PlanRow> rows = new ArrayList<>();
    for (Trial.Outcome step : found.steps()) {
      String text =
          worded(
              "route.ends",
              rows.size() + 1,
              step.fix().title(catalog),
              step.ends().size(),
              step.robs().stream()
                  .map(a -> worded("route.leaves-without-a-gesture", catalog.title(a)))
                  .collect(Collectors.joining()));
      rows.add(new PlanRow(text, step.fix().gestures()));
    }
    for (Plan.Left left : found.left()) {
      String text =
          worded(
              "route.stays",
              left.conflict().loser().gesture(),
              ConflictSentence.withoutWayOut(left.conflict(), catalog),
              left.why());
      rows.add(new PlanRow(text, List.of(left.conflict().loser().gesture())));
    }
    for (Conflict worse : found.worse()) {
      rows.add(
          new PlanRow(
              worded("route.gets-worse", ConflictSentence.of(worse, catalog)),
              List.of(worse.loser().gesture())));
    }
    Lists.found(list, rows);
    list.getSelectionModel().selectFirst();
    list.requestFocus();
  }

  private static String changes(int number) {
    return worded("route.changes", number);
  }

  private static void row(HBox box, PlanRow row) {
    Region text = GestureView.within(row.text(), row.gestures(), ROW_WIDTH);
    HBox.setHgrow(text, Priority.ALWAYS);
    box.getChildren().add(text);
  }

  private void make() {
    if (plan.steps().isEmpty()) {
      return;
    }
    desk.keys().close();
    Situation after = workspace.situation();
    for (Trial.Outcome step : plan.steps()) {
      after = step.fix().applyTo(after);
    }
    desk.session()
        .apply(
            new Change.Edit(
                worded("route.make-a-plan-of", changes(plan.steps().size())),
                workspace,
                workspace.with(after)));
  }
}
