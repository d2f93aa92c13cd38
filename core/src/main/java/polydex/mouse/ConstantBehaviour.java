package polydex.mouse;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import polydex.effort.TheilSen;

/**
 * Somebody who does every day what they did on average in the weeks of a trend, week after week:
 * how often would their log be said to rise or to fall? Uses are independent of each other (counts
 * of Poisson, as rare things have them), and weeks have the working days that they had. The same
 * weeks give the same answer. O(runs · uses).
 */
final class ConstantBehaviour {
  /** How many such logs are made. */
  static final int RUNS = 200;

  /** A trend is said only where at most this share of them would have one. */
  static final double ACCEPTED = 0.05;

  private static final long SEED = 20_310_314;

  /** From here on a normal deviate is near enough. */
  private static final double LARGE = 30;

  /** A week as it was: its place on the axis, and its working days. */
  record Span(double at, int workingDays) {}

  /** What is done of an action on a working day, by keys and with the pointer. */
  record Rate(double keys, double pointer) {}

  private ConstantBehaviour() {}

  /** The share of runs of which a trend of open actions would be said, 0 to 1. */
  static double falseAlarms(List<Span> weeks, List<Rate> rates) {
    Random random = new Random(SEED);
    int alarms = 0;
    for (int run = 0; run < RUNS; run++) {
      List<List<Integer>> counts = new ArrayList<>();
      int[] all = new int[weeks.size()];
      for (int w = 0; w < weeks.size(); w++) {
        List<Integer> pointer = new ArrayList<>();
        for (Rate rate : rates) {
          int byPointer = poisson(rate.pointer() * weeks.get(w).workingDays(), random);
          int byKeys = poisson(rate.keys() * weeks.get(w).workingDays(), random);
          all[w] += byPointer + byKeys;
          pointer.add(byPointer);
        }
        counts.add(pointer);
      }
      Optional<TheilSen> trend = trend(weeks, counts, all);
      alarms += trend.filter(t -> !t.mayBeNone()).isPresent() ? 1 : 0;
    }
    return alarms / (double) RUNS;
  }

  private static Optional<TheilSen> trend(List<Span> weeks, List<List<Integer>> counts, int[] all) {
    int drawn = Weeks.exposure(all);
    List<Weeks.Point> points = new ArrayList<>();
    for (int w = 0; w < all.length; w++) {
      if (all[w] >= drawn && drawn > 0) {
        Rarefaction open = Rarefaction.of(counts.get(w), all[w], drawn);
        points.add(new Weeks.Point(weeks.get(w).at(), open.expected(), open.deviation()));
      }
    }
    return Weeks.trend(points);
  }

  private static int poisson(double mean, Random random) {
    if (mean >= LARGE) {
      return (int) Math.max(0, Math.round(mean + Math.sqrt(mean) * random.nextGaussian()));
    }
    double limit = Math.exp(-mean);
    int count = -1;
    double product = 1;
    do {
      product *= random.nextDouble();
      count++;
    } while (product > limit);
    return count;
  }
}
