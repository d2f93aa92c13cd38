package polydex.desktop.drill;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.own.OwnKey;
import polydex.recall.Confusions.Pair;
import polydex.recall.DrillItem;
import polydex.recall.Question;
import polydex.recall.SessionPlan;
import polydex.recall.SessionReport;

/** What a drill moved, each line with one key to act on it. */
final class DrillAfter extends VBox {
  private static final int AGAIN = 3;
  private static final int IN_TURN = 3;

  /** What can happen to an item in a drill. */
  private enum Moved {
    FLUENT(worded("drill.newly-fluent"), "dot-replaced"),
    SLIPPED(worded("drill.slipped"), "notch"),
    MISTAKEN(worded("drill.mistaken"), "notch"),
    SLOW(worded("drill.slow"), "dot-learning");

    private final String words;
    private final String mark;

    Moved(String words, String mark) {
      this.words = words;
      this.mark = mark;
    }
  }

  /**
   * A line.
   *
   * @param what what happened
   * @param items whom it happened to
   * @param note more about it
   * @param act what Enter does about it, in a few words
   * @param questions asks what Enter begins
   */
  private record Line(Moved what, List<DrillItem> items, String note, String act, Ask questions) {}

  private interface Ask {
    List<Question> from(SessionPlan plan);
  }

  private final Desk desk;
  private final Consumer<Ask> begin;
  private final Runnable back;
  private final Runnable more;
  private final Consumer<DrillItem> open;
  private final Label heading = Texts.heading("");
  private final Label act = Texts.quiet("");
  private final Label next = Texts.words("");
  private final ListView<Line> list;

  /**
   * The view.
   *
   * @param begin begins a drill of what the line says
   * @param more begins another drill of what is due
   * @param back goes back to the start
   * @param open shows an item
   */
  DrillAfter(
      Desk desk,
      Consumer<List<Question>> begin,
      Runnable more,
      Runnable back,
      Consumer<DrillItem> open,
      Random random) {
    this.desk = desk;
    this.begin =
        ask -> desk.drills().plan(random).map(ask::from).filter(q -> !q.isEmpty()).ifPresent(begin);
    this.more = more;
    this.back = back;
    this.open = open;
    list =
        Lists.of(
            worded("drill.what-the-drill-moved"),
            this::row,
            l -> desk.titles().action(l.items().getFirst().action()),
            Texts.quiet(worded("drill.nothing-became-fluent-slipped-was-slow")));
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (_, _, line) ->
                act.setText(
                    desk.named(
                        line == null
                            ? ""
                            : worded("drill.enter-after-look-its-curves-and", line.act()))));
    VBox.setVgrow(list, Priority.ALWAYS);
    setSpacing(12);
    getChildren().addAll(heading, next, list, act);
  }

  List<KeyCommand> commands() {
    return List.of(
        KeyCommand.of(OwnKey.AFTER_ACT, this::enter),
        KeyCommand.of(OwnKey.AFTER_LOOK, worded("drill.look-at-it"), this::look),
        KeyCommand.of(OwnKey.AFTER_MORE, worded("drill.more"), more),
        KeyCommand.of(OwnKey.DRILL_BACK, worded("drill.back"), back));
  }

  private Optional<Line> chosen() {
    return Optional.ofNullable(list.getSelectionModel().getSelectedItem());
  }

  private void enter() {
    chosen().ifPresentOrElse(l -> begin.accept(l.questions()), more);
  }

  private void look() {
    chosen().ifPresent(l -> open.accept(l.items().getFirst()));
  }

  void focus() {
    list.requestFocus();
  }

  /**
   * Shows what a drill came to.
   *
   * @param left how many questions were left when the minutes were over, or it was left
   */
  void show(SessionReport report, int left) {
    heading.setText(worded("drill.of-right", report.right(), report.answers()));
    next.setText(
        left > 0
            ? worded(
                "drill.left-esc-then-enter-goes-on",
                worded("drill.questions-are", left),
                worded("drill.them", left))
            : more());
    List<Line> lines = new ArrayList<>();
    report
        .newlyFluent()
        .forEach(
            i ->
                lines.add(
                    new Line(
                        Moved.FLUENT,
                        List.of(i),
                        "",
                        worded("drill.sprint-through-all-that-is-fluent"),
                        p -> p.sprint(Duration.ofMinutes(1)))));
    report
        .slipped()
        .forEach(
            i ->
                lines.add(
                    new Line(
                        Moved.SLIPPED,
                        List.of(i),
                        "",
                        worded("drill.ask-it-three-times-more"),
                        p -> p.only(List.of(i), AGAIN))));
    report
        .mistaken()
        .forEach(
            pair ->
                lines.add(
                    new Line(
                        Moved.MISTAKEN,
                        List.of(pair.one(), pair.other()),
                        other(pair),
                        worded("drill.ask-the-two-in-turn"),
                        p -> p.sideBySide(pair, IN_TURN))));
    report
        .slowest()
        .forEach(
            s ->
                lines.add(
                    new Line(
                        Moved.SLOW,
                        List.of(s.item()),
                        worded(
                            "drill.s-the-goal-is-s",
                            decimals(2, s.seconds()),
                            decimals(2, s.goal()),
                            why(s.why())),
                        worded("drill.ask-it-three-times-more-for"),
                        p -> p.only(List.of(s.item()), AGAIN))));
    list.getItems().setAll(lines);
    list.getSelectionModel().selectFirst();
  }

  /** What there is to do once all was asked. */
  private String more() {
    return desk.drills()
        .drill(new Random(0))
        .map(
            d ->
                d.questions().isEmpty()
                    ? worded("drill.nothing-more-is-worth-asking-now")
                    : worded(
                        "drill.after-more-goes-on",
                        d.says(desk.session().now(), desk.session().zone())))
        .map(desk::named)
        .orElse("");
  }

  private static String why(SessionReport.Why why) {
    return switch (why) {
      case LATE -> worded("drill.known-late-then-pressed-in-time");
      case HANDS -> worded("drill.known-in-time-but-the-fingers");
      case UNKNOWN -> "";
    };
  }

  private String other(Pair pair) {
    return worded(
        "drill.mistaken-for-in",
        desk.titles().action(pair.other().action()),
        desk.titles().place(pair.other().environment()));
  }

  private void row(HBox box, Line line) {
    DrillItem item = line.items().getFirst();
    HBox mark = new HBox(8, Texts.styled("", "dot"), Texts.styled(line.what().words, "part"));
    mark.setAlignment(Pos.CENTER_LEFT);
    mark.getChildren().getFirst().getStyleClass().add(line.what().mark);
    Label note = Texts.styled(desk.titles().place(item.environment()) + line.note(), "quiet");
    VBox words = new VBox(2, Texts.styled(desk.titles().action(item.action()), "row-title"), note);
    words.setMinWidth(0);
    HBox.setHgrow(words, Priority.ALWAYS);
    box.getChildren().addAll(Lists.column(mark, 8.5), words);
  }
}
