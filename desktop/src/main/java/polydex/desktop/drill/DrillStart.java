package polydex.desktop.drill;

import java.util.ArrayList;
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
import polydex.desktop.state.Drills;
import polydex.effort.SpokenTime;
import polydex.files.demo.DemoFile;
import polydex.own.OwnKey;
import polydex.recall.DrillItem;
import polydex.recall.DrillSettings;
import polydex.recall.NextToLearn.Proposal;

/** What is due, how long it takes, what to learn next and why; a drill begins here. */
final class DrillStart extends VBox {
  private static final int PROPOSED = 8;

  /** The setting that says that a drill was begun since speed is no part of the grades. */
  static final String TOLD_OF_GRADES = "drill.told-of-grades";

  /** What can be done from here. */
  interface Choices {
    void begin();

    void goOn();

    void sprint();

    void slow();

    void progress();
  }

  private final Desk desk;
  private final Choices choices;
  private final Button begin = new Button("Begin");
  private final Button goOn = new Button();
  private final Button sprint = new Button("Sprint");
  private final Label due = Texts.heading("");
  private final Label about = Texts.words("");
  private final Label told =
      Texts.quiet(
          "New: how fast you answer no longer says how well you remember, only whether it was right"
              + " does. Your answers were gone through again by that, so that some actions are asked"
              + " sooner than before.");
  private final ListView<Proposal> next;
  private final ComboBox<Integer> minutes =
      Lists.choices("Minutes a day", m -> m + " minutes a day");
  private final ComboBox<Integer> newOnes =
      Lists.choices(
          "New ones a day",
          n -> n == 1 ? "at most 1 new a day" : "at most %d new a day".formatted(n));
  private final ComboBox<Double> retention =
      Lists.choices(
          "Ask again when the chance of recall is",
          r -> "ask at %.0f %% recall".formatted(100 * r));
  private final ComboBox<Boolean> forReal =
      Lists.choices(
          "Keys that the desktop takes",
          real -> real ? "press the desktop’s keys for real" : "spell the desktop’s keys");
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
            desk.keyed(
                Texts.quiet(
                    "Nothing new would pay back its learning within half a year. {DRILL_THIS} in Look up marks an"
                        + " action nevertheless. A binding for what has none (Mouse), another setup"
                        + " ({SETUPS_OPEN}) or another application (Sheets) may pay.")));
    begin.setDefaultButton(true);
    begin.setOnAction(_ -> choices.begin());
    goOn.setOnAction(_ -> choices.goOn());
    sprint.setOnAction(_ -> choices.sprint());
    fillSettings();
    FlowPane buttons = new FlowPane(12, 12, goOn, begin, sprint);
    FlowPane wishes = new FlowPane(12, 8, minutes, newOnes, retention, forReal);
    VBox card = new VBox(due, about, told, buttons, wishes);
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
    newOnes.getItems().setAll(0, 1, 2, 3, 4, 5, 6, 10, 15, 20);
    retention.getItems().setAll(0.80, 0.85, 0.90, 0.95, 0.97);
    DrillSettings now = desk.drills().settings();
    minutes.setValue(now.minutesADay());
    newOnes.setValue(now.newADay());
    retention.setValue(now.retention());
    minutes.setOnAction(_ -> wish());
    newOnes.setOnAction(_ -> wish());
    retention.setOnAction(_ -> wish());
    forReal.getItems().setAll(false, true);
    forReal.setValue(ForRealKeys.isWanted(desk));
    forReal.setOnAction(_ -> ForRealKeys.want(desk, forReal.getValue()));
  }

  private void wish() {
    desk.drills()
        .settings(new DrillSettings(retention.getValue(), newOnes.getValue(), minutes.getValue()));
    refresh(waiting);
  }

  List<KeyCommand> commands() {
    return List.of(
        KeyCommand.of(OwnKey.DRILL_BEGIN, waiting > 0 ? "Go on" : "Begin", this::enter),
        KeyCommand.of(OwnKey.DRILL_SLOW, choices::slow),
        KeyCommand.of(OwnKey.DRILL_SPRINT, choices::sprint),
        KeyCommand.of(OwnKey.DRILL_PROGRESS_OPEN, choices::progress),
        KeyCommand.of(OwnKey.DRILL_TAKE, "Take this one", this::take),
        KeyCommand.of(OwnKey.DRILL_PUT_OFF, this::putOff),
        KeyCommand.of(OwnKey.DRILL_DROP, "Drop it", this::drop));
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
    Optional<Drills.Drill> drill = desk.drills().drill(new Random(0));
    boolean old = !desk.session().progress().states().isEmpty();
    boolean isDemo = desk.session().setting(DemoFile.NOW).isPresent();
    told.setVisible(old && !isDemo && desk.session().setting(TOLD_OF_GRADES).isEmpty());
    told.setManaged(told.isVisible());
    begin.setDisable(drill.isEmpty());
    sprint.setDisable(drill.isEmpty());
    if (drill.isEmpty()) {
      due.setText(desk.analyst().inItsPlace());
      about.setText("");
      Lists.waiting(next, desk.analyst().inItsPlace());
      return;
    }
    due.setText(drill.get().says(desk.session().now(), desk.session().zone()));
    about.setText(about(drill.get()));
    List<Proposal> proposals = desk.drills().next(PROPOSED);
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

  private String about(Drills.Drill drill) {
    List<String> words = new ArrayList<>();
    if (drill.known() > 0) {
      words.add(
          drill.known() == 1
              ? "One that you have begun is worth asking now."
              : "%,d that you have begun are worth asking now.".formatted(drill.known()));
    }
    if (drill.fresh() > 0) {
      words.add(
          drill.fresh() == 1
              ? "One new one is added, asked until it was right twice."
              : "%d new ones are added, each asked until it was right twice."
                  .formatted(drill.fresh()));
    } else if (drill.plan().begunToday() >= desk.drills().settings().newADay()) {
      words.add("Today's new ones have been given.");
    } else if (drill.plan().roomForNew() == 0) {
      words.add("No new ones: what is to be asked in the next two weeks fills your minutes.");
    } else {
      words.add("No new ones: none would pay.");
    }
    return String.join(" ", words);
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
