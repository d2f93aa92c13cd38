package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;
import static polydex.language.Language.signed;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import polydex.catalog.EnvironmentId;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Plot;
import polydex.desktop.controls.Plot.Point;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.mouse.Slips;
import polydex.mouse.WeeklyReview;
import polydex.mouse.Weeks;
import polydex.mouse.Weeks.Week;
import polydex.own.OwnKey;
import polydex.person.Findings;
import polydex.totals.Standing;

/** How it went, week by week, with its trends; and the slips of the last weeks. */
public final class WeeksView extends VBox {
  /** Under which the weeks of some places only are added up, beside the window. */
  private static final String SOME = worded("mouse.weeks-of-some");

  /** What some places come to. */
  private record Chosen(Weeks weeks, Slips slips) {}

  private static final int COLUMNS = 3;
  private static final int MIDDAY = 13;
  private static final int HALF_A_DAY = 5;
  private static final int HOURS = 24;
  private static final int MOST_NAMED = 3;
  private static final double HEADLINE_HEIGHT = 270;
  private static final double CHART_HEIGHT = 140;
  private static final double LEAST_HEIGHT = 90;
  private static final double LIST_HEIGHT = 150;

  private final Desk desk;
  private final GridPane charts = new GridPane(16, 10);
  private final Label headline = Texts.heading("");
  private final Label trend = Texts.words("");
  private final Label drills = Texts.quiet("");
  private final Label slipsHead = Texts.words("");
  private final Label noSlips = Texts.quiet("");
  private final ListView<Slips.OfPlace> slips;
  private Optional<Findings> found = Optional.empty();

  /** Whether the pictures of all else are shown in place of the one that says most. */
  private boolean others;

  private PlaceFilter only = PlaceFilter.EVERYWHERE;

  /** An empty view. */
  public WeeksView(Desk desk) {
    this.desk = desk;
    slips =
        Lists.of(worded("mouse.slips"), this::row, s -> desk.titles().action(s.place()), noSlips);
    slipsHead.getStyleClass().add("part");
    slips.setMinHeight(70);
    // The charts come first; the list takes what they leave.
    slips.setPrefHeight(LIST_HEIGHT);
    VBox.setVgrow(slips, Priority.ALWAYS);
    VBox.setVgrow(this, Priority.ALWAYS);
    setSpacing(8);
    setMinWidth(0);
    getChildren().addAll(headline, charts, trend, drills, slipsHead, slips);
  }

  /** What gets the focus. */
  public ListView<?> list() {
    return slips;
  }

  /** The keys of this view. */
  public List<KeyCommand> commands() {
    return List.of(
        KeyCommand.of(
            OwnKey.WEEKS_PICTURES,
            others ? worded("mouse.hours-a-year") : worded("mouse.other-pictures"),
            this::turn),
        KeyCommand.of(OwnKey.SHOW_ONLY, worded("mouse.show-only"), this::chooseWhich),
        KeyCommand.of(OwnKey.WEEKS_NEXT, worded("any.its-next-step"), this::next));
  }

  private void turn() {
    others = !others;
    found.ifPresent(this::show);
    desk.keys().changed();
  }

  private void next() {
    Optional.ofNullable(slips.getSelectionModel().getSelectedItem())
        .flatMap(
            s ->
                found.stream()
                    .flatMap(f -> f.rows().stream())
                    .filter(r -> r.place().equals(s.place()))
                    .findFirst())
        .ifPresent(r -> NextStep.take(desk, r));
  }

  private void chooseWhich() {
    desk.dialogs()
        .choose(
            worded("mouse.show-only-2"),
            PlaceFilter.choices(desk, found.map(Findings::rows).orElse(List.of())),
            PlaceFilter::title,
            chosen -> {
              only = chosen;
              found.ifPresent(this::show);
            });
  }

  /** It is being found out, or can't be. */
  public void waiting(String words) {
    found = Optional.empty();
    charts.getChildren().clear();
    headline.setText("");
    trend.setText("");
    drills.setText("");
    slipsHead.setText("");
    Lists.waiting(slips, words);
  }

  /** Shows what was found out. */
  public void show(Findings findings) {
    found = Optional.of(findings);
    Standing standing = findings.standing();
    if (standing.days().isEmpty()) {
      charts.getChildren().clear();
      headline.setText("");
      trend.setText(desk.named(worded("mouse.nothing-is-logged-yet-used-mouse")));
      drills.setText("");
      slipsHead.setText(worded("mouse.slips"));
      noSlips.setText(worded("mouse.none-yet"));
      Lists.found(slips, List.of());
      return;
    }
    noSlips.setText(worded("mouse.no-slips-where-the-gesture-is"));
    if (only.equals(PlaceFilter.EVERYWHERE)) {
      desk.analyst().stopLooking(SOME);
      show(findings, findings.weeks(), findings.slips(), "");
      return;
    }
    PlaceFilter some = only;
    LocalDate today = desk.session().today();
    desk.analyst()
        .<Chosen>look(
            SOME,
            _ ->
                new Chosen(
                    Weeks.of(standing, findings.rows(), some.places(), today),
                    Slips.of(standing, some.places(), today)),
            c -> show(findings, c.weeks(), c.slips(), worded("mouse.shown-2", some.title())),
            why -> trend.setText(worded("mouse.the-weeks-of-could-not-be", some.title(), why)));
  }

  private void show(Findings findings, Weeks weeks, Slips made, String shown) {
    Standing standing = findings.standing();
    charts(weeks, made);
    trend.setText(shown + words(weeks));
    drills.setText(
        drills(findings)
            + worded(
                "mouse.of-what-was-logged-was-recognised-2",
                Spoken.percent(standing.recognisedShare())));
    slipsHead.setText(
        worded(
            "mouse.slips-of-the-last-four-weeks",
            made.places().stream().mapToInt(Slips.OfPlace::lately).sum(),
            made.places().size(),
            where(made)));
    int at = Math.max(0, slips.getSelectionModel().getSelectedIndex());
    Lists.found(slips, made.places());
    slips.getSelectionModel().select(Math.min(at, made.places().size() - 1));
  }

  /** The applications in which most slips were made, where there are several. */
  private String where(Slips made) {
    return made.byEnvironment().size() < 2
        ? ""
        : made.byEnvironment().entrySet().stream()
            .sorted(Map.Entry.<EnvironmentId, Integer>comparingByValue().reversed())
            .limit(MOST_NAMED)
            .map(e -> "%s %,d".formatted(desk.titles().title(e.getKey()), e.getValue()))
            .collect(Collectors.joining(", ", worded("mouse.most-in"), ""));
  }

  private void charts(Weeks weeks, Slips made) {
    charts.getChildren().clear();
    headline.setText(HoursPicture.headline(weeks).orElse(""));
    if (!others) {
      columns(1);
      Plot hours = HoursPicture.plot(weeks);
      relapses(weeks, hours, true);
      hours.setPrefHeight(HEADLINE_HEIGHT);
      hours.setMinHeight(LEAST_HEIGHT);
      charts.add(hours, 0, 0);
      return;
    }
    boolean narrow = desk.narrow().get();
    int across = narrow ? 2 : COLUMNS;
    columns(across);
    List<Plot> all = others(weeks, made);
    for (int i = 0; i < all.size(); i++) {
      all.get(i).setPrefHeight(CHART_HEIGHT);
      all.get(i).setMinHeight(LEAST_HEIGHT);
      charts.add(all.get(i), i % across, i / across);
    }
  }

  private static List<Plot> others(Weeks weeks, Slips made) {
    Plot open =
        HoursPicture.chart(weeks, worded("mouse.open-actions-in-uses", weeks.exposure()))
            .line("", "plot-own", HoursPicture.points(weeks, Week::open));
    relapses(weeks, open, false);
    return List.of(
        HoursPicture.chart(weeks, worded("mouse.by-keys-of-uses-and-of"))
            .upTo(100)
            .line(
                worded("mouse.uses-3"),
                "plot-own",
                HoursPicture.points(weeks, w -> w.coverage().map(c -> 100 * c)))
            .line(
                worded("mouse.time"),
                "plot-own-dashed",
                HoursPicture.points(weeks, w -> w.coverageByTime().map(c -> 100 * c))),
        open,
        HoursPicture.chart(weeks, worded("mouse.trips-of-the-hand-an-hour"))
            .line(
                "",
                "plot-pointer",
                HoursPicture.points(
                    weeks,
                    w ->
                        w.activeHours() < WeeklyReview.LEAST_HOURS
                            ? Optional.empty()
                            : Optional.of(w.trips() / w.activeHours()))),
        HoursPicture.chart(weeks, worded("mouse.slips-a-week"))
            .bars(
                "",
                "plot-due-bar",
                HoursPicture.points(weeks, w -> Optional.of((double) w.slips()))),
        byHour(made));
  }

  /** The hours about the middle of the working day, and any other in which there was a slip. */
  private static Plot byHour(Slips made) {
    List<Integer> hours =
        IntStream.range(0, HOURS).filter(h -> made.byHour().get(h) > 0).boxed().toList();
    int first = hours.stream().mapToInt(h -> h).min().orElse(MIDDAY);
    int last = hours.stream().mapToInt(h -> h).max().orElse(MIDDAY);
    int middle = (first + last) / 2;
    int reach = Math.max(HALF_A_DAY, Math.max(last - middle, middle - first) + 1);
    List<Point> points = new ArrayList<>();
    for (int h = Math.max(0, middle - reach); h <= Math.min(HOURS - 1, middle + reach); h++) {
      points.add(new Point(h, made.byHour().get(h)));
    }
    return new Plot(worded("mouse.all-slips-by-the-hour-of"), "")
        .whole()
        .xTicks(h -> "%.0f:00".formatted(h))
        .bars("", "plot-due-bar", points);
  }

  private void columns(int count) {
    charts.getColumnConstraints().clear();
    for (int i = 0; i < count; i++) {
      ColumnConstraints part = new ColumnConstraints();
      part.setPercentWidth(100.0 / count);
      charts.getColumnConstraints().add(part);
    }
  }

  /** A mark in each week in which something came back; of marks side by side the first is named. */
  private static void relapses(Weeks weeks, Plot plot, boolean named) {
    int last = -2;
    for (int i = 0; i < weeks.weeks().size(); i++) {
      int count = weeks.weeks().get(i).relapsed().size();
      if (count > 0) {
        String words = worded("mouse.came-back-2", count);
        plot.upright(!named || i - last < 2 ? "" : words, "plot-relapse", i);
        last = i - last < 2 ? last : i;
      }
    }
  }

  private String words(Weeks weeks) {
    return weeks
            .openTrend()
            .map(t -> Spoken.trend(t, worded("mouse.open-actions"), "") + " ")
            .orElse("")
        + weeks.hoursTrend().map(t -> Spoken.trend(t, worded("any.hours-a-year"), " h")).orElse("")
        + weeks
            .weeksToNone()
            .map(
                r -> worded("mouse.if-it-went-on-so-nothing", decimals(0, r[0]), decimals(0, r[1])))
            .orElse("");
  }

  private static String drills(Findings findings) {
    int actions = findings.effect().actions().size();
    return findings
        .effect()
        .mean()
        .map(
            c ->
                worded(
                    "mouse.of-drilled-actions-uses-by-keys",
                    actions,
                    signed(0, 100 * c.difference()),
                    signed(0, 100 * c.low()),
                    signed(0, 100 * c.high())))
        .orElse(worded("mouse.what-drills-change-can-be-told"));
  }

  private void row(HBox box, Slips.OfPlace slip) {
    box.getChildren()
        .add(Lists.growing(Texts.styled(desk.titles().action(slip.place()), "row-title")));
    if (!desk.narrow().get()) {
      box.getChildren()
          .add(
              Lists.column(
                  Texts.styled(desk.titles().place(slip.place().environment()), "quiet"), 14));
    }
    box.getChildren()
        .addAll(
            Lists.number(worded("mouse.slips-2", slip.lately()), 6),
            Lists.number(worded("any.days", slip.days()), 5.5),
            Lists.column(
                Texts.styled(
                    slip.returned() == 0
                        ? ""
                        : worded("mouse.came-back-3", worded("mouse.times-2", slip.returned())),
                    "stops"),
                9));
  }
}
