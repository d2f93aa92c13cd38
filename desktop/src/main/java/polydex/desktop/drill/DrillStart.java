package polydex.desktop.drill;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.effort.SpokenTime;
import polydex.recall.DrillItem;
import polydex.recall.DrillSettings;
import polydex.recall.NextToLearn.Proposal;
import polydex.recall.SessionPlan;

/** What is due, how long it takes, what to learn next and why; a drill begins here. */
final class DrillStart extends VBox {
  private static final int PROPOSED = 8;

  /** What can be done from here. */
  interface Choices {
    void begin();

    void goOn();

    void sprint();

    void progress();
  }

  private final Desk desk;
  private final Choices choices;
  private final Button begin = new Button("Begin");
  private final Button goOn = new Button();
  private final Button sprint = new Button("Sprint");
  private final Label due = Texts.heading("");
  private final Label about = Texts.words("");
  private final ListView<Proposal> next;
  private final ComboBox<Integer> minutes =
      Lists.choices("Minutes a day", m -> m + " minutes a day");
  private final ComboBox<Integer> newOnes =
      Lists.choices("New ones a day", n -> n == 1 ? "1 new one a day" : n + " new ones a day");
  private final ComboBox<Double> retention =
      Lists.choices(
          "Ask again when the chance of recall is",
          r -> "ask at %.0f %% recall".formatted(100 * r));
  private int waiting;

  DrillStart(Desk desk, Choices choices) {
    this.desk = desk;
    this.choices = choices;
    due.setWrapText(true);
    next =
        Lists.of(
            "What to learn next",
            this::row,
            p -> desk.titles().action(p.item().action()),
            Texts.quiet(
                "Nothing new can be learnt in this setup: all its gestures were drilled. Bring in"
                    + " bindings under Sheets, or choose another setup with Ctrl+U."));
    begin.setDefaultButton(true);
    begin.setOnAction(_ -> choices.begin());
    goOn.setOnAction(_ -> choices.goOn());
    sprint.setOnAction(_ -> choices.sprint());
    fillSettings();
    FlowPane buttons = new FlowPane(12, 12, goOn, begin, sprint);
    FlowPane wishes = new FlowPane(12, 8, minutes, newOnes, retention);
    VBox card = new VBox(due, about, buttons, wishes);
    card.getStyleClass().add("card");
    VBox.setVgrow(next, Priority.ALWAYS);
    getStyleClass().add("drill-start");
    setSpacing(12);
    getChildren()
        .addAll(
            Texts.heading("Drill"),
            card,
            Texts.part("What to learn next"),
            next,
            Texts.quiet(
                "In a drill every key is an answer, Tab and Enter too. Hold Space for a hint, Esc"
                    + " to leave; nothing is lost by leaving."));
  }

  private void fillSettings() {
    minutes.getItems().setAll(2, 3, 5, 10, 15, 20);
    newOnes.getItems().setAll(0, 1, 2, 3, 4, 5, 10);
    retention.getItems().setAll(0.80, 0.85, 0.90, 0.95, 0.97);
    DrillSettings now = desk.drills().settings();
    minutes.setValue(now.minutesADay());
    newOnes.setValue(now.newADay());
    retention.setValue(now.retention());
    minutes.setOnAction(_ -> wish());
    newOnes.setOnAction(_ -> wish());
    retention.setOnAction(_ -> wish());
  }

  private void wish() {
    desk.drills()
        .settings(new DrillSettings(retention.getValue(), newOnes.getValue(), minutes.getValue()));
    refresh(waiting);
  }

  List<KeyCommand> commands() {
    return List.of(
        KeyCommand.of("Enter", waiting > 0 ? "Go on" : "Begin", this::enter),
        KeyCommand.of("F6", "Sprint", choices::sprint),
        KeyCommand.of("F7", "How it goes", choices::progress),
        KeyCommand.of("F2", "Take this one", this::take),
        KeyCommand.of("F3", "Put it off", this::putOff),
        KeyCommand.of("Delete", "Drop it", this::drop));
  }

  Map<Character, Node> reachable() {
    return Map.of(
        'B', begin, 'G', goOn, 'S', sprint, 'N', next, 'I', minutes, 'O', newOnes, 'A', retention);
  }

  private void enter() {
    if (waiting > 0) {
      choices.goOn();
    } else {
      choices.begin();
    }
  }

  void focus() {
    (waiting > 0 ? goOn : begin).requestFocus();
  }

  /**
   * Shows what is true now.
   *
   * @param left how many prompts of a drill that was left wait to be asked
   */
  void refresh(int left) {
    waiting = left;
    goOn.setVisible(left > 0);
    goOn.setManaged(left > 0);
    goOn.setText("Go on: %d left".formatted(left));
    begin.setText(left > 0 ? "Begin anew" : "Begin");
    begin.setDefaultButton(left == 0);
    goOn.setDefaultButton(left > 0);
    Optional<SessionPlan> plan = desk.drills().plan(new Random());
    begin.setDisable(plan.isEmpty());
    sprint.setDisable(plan.isEmpty());
    if (plan.isEmpty()) {
      due.setText(desk.analyst().inItsPlace());
      about.setText("");
      Lists.waiting(next, desk.analyst().inItsPlace());
      return;
    }
    int count = plan.get().due().size();
    Duration takes = DrillSettings.timeOf(count);
    due.setText(
        switch (count) {
          case 0 -> "Nothing is due";
          case 1 -> "1 is due";
          default -> "%,d are due, about %s".formatted(count, minutes(takes));
        });
    List<Proposal> proposals = desk.drills().next(PROPOSED);
    int room = desk.drills().settings().roomForNew(count, plan.get().begunToday());
    about.setText(about(count, Math.min(room, proposals.size()), plan.get().begunToday()));
    DrillItem chosen =
        Optional.ofNullable(next.getSelectionModel().getSelectedItem())
            .map(Proposal::item)
            .orElse(null);
    int at = Math.max(0, next.getSelectionModel().getSelectedIndex());
    Lists.found(next, proposals);
    List<DrillItem> items = proposals.stream().map(Proposal::item).toList();
    if (!items.isEmpty()) {
      int same = chosen == null ? -1 : items.indexOf(chosen);
      next.getSelectionModel().clearAndSelect(same >= 0 ? same : Math.min(at, items.size() - 1));
    }
  }

  private static String minutes(Duration time) {
    return time.toSeconds() < 60
        ? "%d seconds".formatted(time.toSeconds())
        : "%d min".formatted(Math.round(time.toSeconds() / 60.0));
  }

  private String about(int count, int room, int begun) {
    DrillSettings wanted = desk.drills().settings();
    String new_ =
        room > 0
            ? room == 1 ? "One new one is added." : "%d new ones are added.".formatted(room)
            : begun >= wanted.newADay()
                ? "Today's new ones have been given."
                : "No new ones: what is due would fill more than %.0f %% of your minutes."
                    .formatted(100 * DrillSettings.DUE_SHARE_FOR_NEW);
    String rest =
        count == 0
            ? "What is known but slow is asked for the rest of the time."
            : "With time left, what is slowest is asked.";
    return new_ + " " + rest;
  }

  private Optional<DrillItem> chosen() {
    Optional<DrillItem> item =
        Optional.ofNullable(next.getSelectionModel().getSelectedItem()).map(Proposal::item);
    if (item.isEmpty()) {
      desk.session().say("There is nothing to choose from in what to learn next.");
    }
    return item;
  }

  private void take() {
    chosen().ifPresent(i -> desk.drills().mark(List.of(i)));
  }

  private void putOff() {
    chosen().ifPresent(desk.drills()::putOff);
  }

  private void drop() {
    chosen().ifPresent(desk.drills()::drop);
  }

  private void row(HBox box, Proposal p) {
    HBox caps = new HBox(new GestureView(p.gesture(), desk.titles().words(p.item().environment())));
    caps.getStyleClass().add(desk.titles().caps(p.item().environment()));
    Label why =
        Texts.quiet(
            desk.titles().place(p.item().environment()) + ". " + String.join(" ", p.reasons()));
    why.getStyleClass().add("small");
    VBox words = new VBox(2, Texts.title(desk.titles().action(p.item().action())), why);
    HBox.setHgrow(words, Priority.ALWAYS);
    words.setMinWidth(0);
    box.getChildren()
        .addAll(
            Lists.column(caps, desk.narrow().get() ? 8.5 : 12),
            words,
            Lists.rightColumn(
                Texts.styled(
                    p.hoursAYear() > 0
                        ? SpokenTime.hours(p.hoursAYear()) + " a year"
                        : p.marked() ? "marked" : "",
                    "row-title"),
                6.5));
  }
}
