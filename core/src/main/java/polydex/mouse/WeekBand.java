package polydex.mouse;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.effort.TheilSen;
import polydex.mouse.Weeks.Week;

/**
 * Where the last weeks lie: the line of Theil and Sen through their hours a year (its height the
 * median of what is left of them), and the band in which 95 of 100 weeks would lie if they went on
 * scattering as they did. The band is as wide everywhere: ±1.96 standard deviations, estimated by
 * 1.4826 times the median distance from the line, which single odd weeks do not move (Rousseeuw and
 * Croux 1993). O(weeks²).
 *
 * @param first the number of its first week among all weeks
 * @param last the number of its last
 * @param slope hours a year, a week
 * @param start the height of the line at week 0, in hours a year
 * @param half half the width of the band, in hours a year, 0 or more
 */
public record WeekBand(int first, int last, double slope, double start, double half) {
  /** So few weeks say nothing of how they scatter. */
  public static final int LEAST = 4;

  private static final double OF_A_DEVIATION = 1.4826;
  private static final double COVERS_95 = 1.96;

  /** The band of the last weeks in which anything was noted; none where they are too few. */
  public static Optional<WeekBand> of(Weeks weeks) {
    List<Integer> at = new ArrayList<>();
    for (int i = 0; i < weeks.weeks().size(); i++) {
      if (weeks.weeks().get(i).workingDays() > 0) {
        at.add(i);
      }
    }
    List<Integer> used = at.subList(Math.max(0, at.size() - Weeks.TREND), at.size());
    if (used.size() < LEAST) {
      return Optional.empty();
    }
    double[] x = used.stream().mapToDouble(i -> i).toArray();
    double[] y = used.stream().map(weeks.weeks()::get).mapToDouble(Week::hoursAYear).toArray();
    return TheilSen.of(x, y)
        .map(
            trend -> {
              double[] rest = new double[x.length];
              for (int i = 0; i < x.length; i++) {
                rest[i] = y[i] - trend.slope() * x[i];
              }
              double start = TheilSen.median(rest.clone());
              for (int i = 0; i < rest.length; i++) {
                rest[i] = Math.abs(rest[i] - start);
              }
              double half = COVERS_95 * OF_A_DEVIATION * TheilSen.median(rest);
              return new WeekBand(used.getFirst(), used.getLast(), trend.slope(), start, half);
            });
  }

  /** The height of the line at a week, in hours a year. */
  public double at(double week) {
    return start + slope * week;
  }
}
