package polydex.desktop.drill;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Plot;
import polydex.desktop.controls.Plot.Point;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.language.Language;
import polydex.recall.Answer;
import polydex.recall.Days;
import polydex.recall.DrillItem;
import polydex.recall.ItemState;
import polydex.recall.LearningCurve;

/** One item: how it fades, how it gets faster, and every answer that was given. */
final class ItemView extends VBox {
  private static final DateTimeFormatter WHEN = Language.dates(worded("drill.d-mmm-hh-mm"));
  private static final int STEPS = 60;

  private final Desk desk;
  private final DrillItem item;
  private final ListView<Answer> list;
  private final HBox curves = new HBox(12);

  ItemView(Desk desk, DrillItem item) {
    this.desk = desk;
    this.item = item;
    list =
        Lists.of(
            worded("drill.every-answer-the-latest-first"),
            this::row,
            a -> a.verdict().name(),
            Texts.quiet(worded("drill.it-was-never-answered")));
    list.setPrefHeight(190);
    getStyleClass().addAll("overlay", "item-view");
    setMaxHeight(USE_PREF_SIZE);
    getChildren()
        .addAll(
            Texts.heading(desk.titles().action(item.action())),
            Texts.quiet(worded("any.in", desk.titles().place(item.environment()))),
            curves,
            list,
            Texts.quiet(worded("drill.esc-closes-this")));
    Lists.waiting(list, worded("drill.reading-the-answers"));
    desk.session().answers(item, this::show, why -> Lists.failed(list, why));
  }

  Node focus() {
    return list;
  }

  private void show(List<Answer> answers) {
    Lists.found(list, answers.reversed());
    list.getSelectionModel().selectFirst();
    desk.session()
        .progress()
        .state(item)
        .ifPresent(state -> curves.getChildren().setAll(forgetting(state), learning(answers)));
  }

  /** The chance of recall from the last answer that counted until some time after it is due. */
  private Node forgetting(ItemState state) {
    Instant now = desk.session().now();
    double wanted = desk.drills().settings().retention();
    double due = state.memory().daysUntil(wanted);
    double today = Days.between(state.counted(), now);
    double end = 1.3 * Math.max(due, today) + 0.5;
    List<Point> curve = new ArrayList<>();
    for (int i = 0; i <= STEPS; i++) {
      double t = end * i / STEPS;
      curve.add(new Point(t, 100 * state.memory().retrievability(t)));
    }
    return new Plot(worded("drill.chance-of-recall"), worded("drill.days-since-it-was-last-asked"))
        .upTo(100)
        .line("", "plot-own", curve)
        .level(worded("drill.ask-at", decimals(0, 100 * wanted)), "plot-due", 100 * wanted)
        .upright(
            worded("drill.today", decimals(0, 100 * state.retrievability(now))),
            "plot-today",
            today);
  }

  private Node learning(List<Answer> answers) {
    List<Answer> right =
        answers.stream()
            .filter(a -> a.verdict().isRight() && a.timing().counts() && a.countsForMemory())
            .toList();
    List<Double> seconds = right.stream().map(a -> a.timing().seconds()).toList();
    List<Point> firstKeys = new ArrayList<>();
    for (int i = 0; i < right.size(); i++) {
      double n = i + 1.0;
      right.get(i).timing().firstKey().ifPresent(s -> firstKeys.add(new Point(n, s)));
    }
    List<Point> points = new ArrayList<>();
    for (int i = 0; i < seconds.size(); i++) {
      points.add(new Point(i + 1.0, seconds.get(i)));
    }
    Optional<LearningCurve> fit = LearningCurve.fitted(seconds);
    Plot plot =
        new Plot(worded("drill.seconds-of-right-answers"), right(fit, seconds.size())).whole();
    if (!firstKeys.isEmpty()) {
      plot.line(worded("drill.until-the-first-key"), "plot-today", firstKeys);
    }
    plot.dots("plot-own", points);
    fit.ifPresent(
        curve -> {
          List<Point> line = new ArrayList<>();
          for (int n = 1; n <= seconds.size() + 5; n++) {
            line.add(new Point(n, curve.seconds(n)));
          }
          plot.line(worded("drill.fit"), "plot-own", line);
        });
    if (!answers.isEmpty()) {
      double goal = answers.getLast().timing().goal();
      plot.level(worded("drill.goal-s", decimals(2, goal)), "plot-due", goal);
    }
    return plot;
  }

  private static String right(Optional<LearningCurve> fit, int count) {
    return fit.map(
            c ->
                worded(
                    "drill.right-answers-t-n-s",
                    decimals(2, c.floor()),
                    decimals(2, c.gain()),
                    decimals(2, c.rate())))
        .orElse(
            worded(
                "drill.right-answers-a-curve-is-fitted", LearningCurve.ANSWERS_FOR_A_FIT, count));
  }

  private void row(HBox box, Answer a) {
    ZoneId zone = desk.session().progress().days().zone();
    box.getChildren()
        .addAll(
            Lists.column(Texts.styled(WHEN.format(a.at().atZone(zone)), "number"), 8),
            Lists.column(Texts.styled(word(a.verdict()), "row-title"), 7),
            Lists.rightColumn(
                Texts.styled(
                    a.timing().counts() ? "%.2f s".formatted(a.timing().seconds()) : "\u2014",
                    "number"),
                5),
            Lists.rightColumn(
                Texts.styled(worded("drill.goal-s", decimals(2, a.timing().goal())), "quiet"), 7),
            new GestureView(a.asked(), desk.titles().words(item.environment())),
            Texts.styled(instead(a), "quiet"));
  }

  private static String word(Answer.Verdict verdict) {
    return switch (verdict) {
      case RIGHT -> worded("drill.right-2");
      case CORRECTED -> worded("drill.corrected");
      case WRONG -> worded("drill.not-right");
      case HINTED -> worded("drill.with-a-hint-2");
      case TIMED_OUT -> worded("drill.too-late");
    };
  }

  private String instead(Answer a) {
    return a.mistakenFor()
        .map(
            m ->
                worded(
                    "drill.in",
                    a.pressed(),
                    desk.titles().action(m.action()),
                    desk.titles().title(m.environment())))
        .orElse(a.verdict() == Answer.Verdict.WRONG ? a.pressed() : "");
  }
}
