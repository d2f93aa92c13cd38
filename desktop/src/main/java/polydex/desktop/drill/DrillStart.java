package polydex.desktop.drill;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;

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
  private final Button begin = new Button(worded("drill.begin"));
  private final Button goOn = new Button();
  private final Button sprint = new Button(worded("drill.sprint"));
  private final Label due = Texts.heading("");
  private final Label about = Texts.words("");
  private final Label told = Texts.quiet(worded("drill.new-how-fast-you-answer-no"));
  private final ListView<Proposal> next;
  private final ComboBox<Integer> minutes =
      Lists.choices(worded("drill.minutes-a-day"), m -> worded("drill.minutes-a-day-2", m));
  private final ComboBox<Integer> newOnes =
      Lists.choices(worded("drill.new-ones-a-day"), n -> worded("drill.at-most-new-a-day", n));
  private final ComboBox<Double> retention =
      Lists.choices(
          worded("drill.ask-again-when-the-chance-of"),
          r -> worded("drill.ask-at-recall", decimals(0, 100 * r)));
  private final ComboBox<Boolean> forReal =
      Lists.choices(
          worded("drill.keys-that-the-desktop-takes"),
          real ->
              real
                  ? worded("drill.press-the-desktops-keys-for-real")
                  : worded("drill.spell-the-desktops-keys"));
  private int waiting;

  DrillStart(Desk desk, Choices choices) {
    this.desk = desk;
    this.choices = choices;
    due.setWrapText(true);
    next =
        Lists.of(
            worded("drill.what-to-learn-next"),
            this::row,
            p -> desk.titles().action(p.item().action()),
            desk.keyed(Texts.quiet(worded("drill.nothing-new-would-pay-back-its"))));
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
            Texts.heading(worded("any.drill")),
            card,
            Texts.part(worded("drill.what-to-learn-next")),
            next,
            Texts.quiet(worded("drill.in-a-drill-every-key-is")));
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
        KeyCommand.of(
            OwnKey.DRILL_BEGIN,
            waiting > 0 ? worded("drill.go-on") : worded("drill.begin"),
            this::enter),
        KeyCommand.of(OwnKey.DRILL_SLOW, choices::slow),
        KeyCommand.of(OwnKey.DRILL_SPRINT, choices::sprint),
        KeyCommand.of(OwnKey.DRILL_PROGRESS_OPEN, choices::progress),
        KeyCommand.of(OwnKey.DRILL_TAKE, worded("drill.take-this-one"), this::take),
        KeyCommand.of(OwnKey.DRILL_PUT_OFF, this::putOff),
        KeyCommand.of(OwnKey.DRILL_DROP, worded("any.drop-it"), this::drop));
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
    goOn.setText(worded("drill.go-on-left", left));
    begin.setText(left > 0 ? worded("drill.begin-anew") : worded("drill.begin"));
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
      words.add(worded("drill.that-you-have-begun-are-worth", drill.known()));
    }
    if (drill.fresh() > 0) {
      words.add(worded("drill.new-ones-are-added-each-asked", drill.fresh()));
    } else if (drill.plan().begunToday() >= desk.drills().settings().newADay()) {
      words.add(worded("drill.todays-new-ones-have-been-given"));
    } else if (drill.plan().roomForNew() == 0) {
      words.add(worded("drill.no-new-ones-what-is-to"));
    } else {
      words.add(worded("drill.no-new-ones-none-would-pay"));
    }
    return String.join(" ", words);
  }

  private Optional<DrillItem> chosen() {
    Optional<DrillItem> item =
        Optional.ofNullable(next.getSelectionModel().getSelectedItem()).map(Proposal::item);
    if (item.isEmpty()) {
      desk.session().say(worded("drill.there-is-nothing-to-choose-from"));
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
                        ? worded("any.a-year", SpokenTime.hours(p.hoursAYear()))
                        : p.marked() ? worded("drill.marked") : "",
                    "row-title"),
                6.5));
  }
}
