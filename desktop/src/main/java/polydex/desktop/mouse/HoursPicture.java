package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import polydex.desktop.controls.Plot;
import polydex.desktop.controls.Plot.Point;
import polydex.effort.SpokenTime;
import polydex.language.Language;
import polydex.mouse.WeekBand;
import polydex.mouse.Weeks;
import polydex.mouse.Weeks.Week;

/** How many hours a year the mouse takes, week by week: the picture that says most. */
public final class HoursPicture {
  private static final DateTimeFormatter DAY = Language.dates(worded("any.d-mmm"));
  private static final double HARDLY = 0.05;

  private HoursPicture() {}

  /** The number, and what it was when the weeks began; empty before there are two weeks. */
  public static Optional<String> headline(Weeks weeks) {
    List<Week> worked = weeks.weeks().stream().filter(w -> w.workingDays() > 0).toList();
    if (worked.size() < 2) {
      return Optional.empty();
    }
    double now = worked.getLast().hoursAYear();
    double then = worked.getFirst().hoursAYear();
    String how =
        Math.abs(now - then) <= HARDLY * Math.max(now, then)
            ? worded("mouse.about-the-same-as")
            : now < then ? worded("mouse.down-from") : worded("mouse.up-from");
    return Optional.of(
        worded(
            "mouse.a-year-by-mouse-in-the",
            SpokenTime.hours(now),
            how,
            SpokenTime.hours(then),
            DAY.format(worked.getFirst().monday())));
  }

  /** The weeks with their trend and the band about it. */
  public static Plot plot(Weeks weeks) {
    Plot plot = chart(weeks, worded("mouse.hours-a-year-by-mouse"));
    WeekBand.of(weeks)
        .ifPresent(
            b ->
                plot.band(
                        "plot-band",
                        List.of(
                            new Point(b.first(), b.at(b.first()) + b.half()),
                            new Point(b.last(), b.at(b.last()) + b.half()),
                            new Point(b.last(), b.at(b.last()) - b.half()),
                            new Point(b.first(), b.at(b.first()) - b.half())))
                    .line(
                        "",
                        "plot-trend",
                        List.of(
                            new Point(b.first(), Math.max(0, b.at(b.first()))),
                            new Point(b.last(), Math.max(0, b.at(b.last()))))));
    return plot.line("", "plot-pointer", points(weeks, w -> Optional.of(w.hoursAYear())));
  }

  /** A chart whose lower axis counts weeks and names their Mondays. */
  static Plot chart(Weeks weeks, String title) {
    LocalDate first = weeks.weeks().isEmpty() ? LocalDate.EPOCH : weeks.weeks().getFirst().monday();
    return new Plot(title, "").xTicks(n -> DAY.format(first.plusWeeks(Math.round(n)))).whole();
  }

  /** What each week in which anything was noted comes to. */
  static List<Point> points(Weeks weeks, Function<Week, Optional<Double>> of) {
    List<Point> points = new ArrayList<>();
    for (int i = 0; i < weeks.weeks().size(); i++) {
      Week week = weeks.weeks().get(i);
      int at = i;
      if (week.workingDays() > 0) {
        of.apply(week).ifPresent(y -> points.add(new Point(at, y)));
      }
    }
    return points;
  }
}
