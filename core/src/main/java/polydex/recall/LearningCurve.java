package polydex.recall;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * How an item gets faster: T(n) = A + B·n^(−α), the power law of practice (A. Newell and P. S.
 * Rosenbloom, "Mechanisms of skill acquisition and the law of practice", 1981).
 *
 * @param floor A, the time that practice does not take away, in seconds, 0 or more
 * @param gain B, what the first answer took beyond it, in seconds, 0 or more
 * @param rate α, 0.1 to 1
 */
public record LearningCurve(double floor, double gain, double rate) {
  /** How many right answers a fit needs. */
  public static final int ANSWERS_FOR_A_FIT = 8;

  /** So far into the future nobody can see. */
  private static final int MOST_ANSWERS = 10_000;

  private static final int FLOORS = 40;
  private static final double LEAST_RATE = 0.1;
  private static final double GREATEST_RATE = 1;

  /**
   * The curve that fits best: for each of 40 floors between 0 and the fastest answer a straight
   * line through log(T − A) over log n by least squares, its slope kept in the range of α; of these
   * the one whose T is nearest by the squares of the logarithms. O(40·n).
   *
   * @param seconds of the right answers, in order
   * @return none for fewer than {@value #ANSWERS_FOR_A_FIT}
   */
  public static Optional<LearningCurve> fitted(List<Double> seconds) {
    if (seconds.size() < ANSWERS_FOR_A_FIT) {
      return Optional.empty();
    }
    double fastest = seconds.stream().mapToDouble(d -> d).min().orElseThrow();
    LearningCurve best = line(seconds, 0);
    double least = best.error(seconds);
    for (int i = 1; i < FLOORS; i++) {
      LearningCurve curve = line(seconds, fastest * i / FLOORS);
      double error = curve.error(seconds);
      if (error < least) {
        best = curve;
        least = error;
      }
    }
    return Optional.of(best);
  }

  private static LearningCurve line(List<Double> seconds, double floor) {
    int n = seconds.size();
    double x = 0;
    double y = 0;
    double xx = 0;
    double xy = 0;
    for (int i = 0; i < n; i++) {
      double logN = Math.log(i + 1.0);
      double logT = Math.log(Math.max(seconds.get(i) - floor, 1e-3));
      x += logN;
      y += logT;
      xx += logN * logN;
      xy += logN * logT;
    }
    double rate = Math.clamp(-(n * xy - x * y) / (n * xx - x * x), LEAST_RATE, GREATEST_RATE);
    return new LearningCurve(floor, Math.exp((y + rate * x) / n), rate);
  }

  private double error(List<Double> seconds) {
    double sum = 0;
    for (int i = 0; i < seconds.size(); i++) {
      double off = Math.log(Math.max(seconds.get(i), 1e-3)) - Math.log(seconds(i + 1));
      sum += off * off;
    }
    return sum;
  }

  /**
   * What the n-th right answer takes, in seconds.
   *
   * @param n from 1
   */
  public double seconds(int n) {
    return floor + gain * Math.pow(n, -rate);
  }

  /** The first answer that is as fast as this; none where practice alone never gets there. */
  public OptionalInt answersUntil(double goalSeconds) {
    if (goalSeconds <= floor) {
      return OptionalInt.empty();
    }
    double n = Math.ceil(Math.pow(gain / (goalSeconds - floor), 1 / rate) - 1e-9);
    return n > MOST_ANSWERS ? OptionalInt.empty() : OptionalInt.of(Math.max(1, (int) n));
  }
}
