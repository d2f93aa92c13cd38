package polydex.recall;

import static polydex.effort.TheilSen.median;

import java.util.List;
import polydex.effort.TheilSen;
import polydex.keys.Gesture;

/**
 * How long gestures take a person who knows them: {@code start + press · presses + modifier ·
 * modifiers}, in seconds. The form is that of the Keystroke-Level Model (S. K. Card, T. P. Moran,
 * A. Newell, "The Keystroke-Level Model for User Performance Time with Interactive Systems",
 * Communications of the ACM 23, 1980) with the wait before the first key as its constant.
 *
 * @param start from the prompt to the first key, in seconds, 0.2 to 5
 * @param press for each key, in seconds, 0.05 to 2
 * @param modifier for each modifier, in seconds, 0 to 2
 */
public record Pace(double start, double press, double modifier) {
  /** Before there are answers to fit to. */
  public static final Pace UNKNOWN = new Pace(0.9, 0.28, 0.12);

  /** A right answer up to so many times the expected time is fluent. */
  public static final double FLUENT_WITHIN = 1.2;

  /** How many right answers a fit needs. */
  public static final int ANSWERS_FOR_A_FIT = 30;

  /** How many of the latest right answers a fit looks at. */
  public static final int LATEST = 200;

  private static final int ROUNDS = 12;

  /**
   * A right answer as the fit sees it.
   *
   * @param presses keys that went down
   * @param modifiers modifiers that were pressed
   * @param seconds how long it took
   */
  public record Sample(int presses, int modifiers, double seconds) {
    /** The sample of an answer. */
    public static Sample of(Answer answer) {
      return new Sample(
          answer.asked().presses(), answer.asked().modifierPresses(), answer.timing().seconds());
    }
  }

  /** Keeps the parts in their ranges. */
  public Pace {
    start = Math.clamp(start, 0.2, 5);
    press = Math.clamp(press, 0.05, 2);
    modifier = Math.clamp(modifier, 0, 2);
  }

  /** The expected time from the prompt to the end of the gesture, in seconds. */
  public double expected(Gesture gesture) {
    return start + press * gesture.presses() + modifier * gesture.modifierPresses();
  }

  /**
   * The pace that fits right answers best, the latest {@value #LATEST} of them: the slopes by the
   * Theil–Sen estimator, one after the other on what the other leaves until they settle, and the
   * start as the median of the rest, so that a few answers given half asleep change nothing. A
   * slope about which the answers say nothing stays as it was known. O(k²) for k answers.
   *
   * <p>H. Theil, "A rank-invariant method of linear and polynomial regression analysis", 1950; P.
   * K. Sen, "Estimates of the Regression Coefficient Based on Kendall's Tau", 1968.
   *
   * @return {@link #UNKNOWN} for fewer than {@value #ANSWERS_FOR_A_FIT}
   */
  public static Pace fitted(List<Sample> right) {
    if (right.size() < ANSWERS_FOR_A_FIT) {
      return UNKNOWN;
    }
    List<Sample> latest = right.subList(Math.max(0, right.size() - LATEST), right.size());
    double[] presses = latest.stream().mapToDouble(Sample::presses).toArray();
    double[] modifiers = latest.stream().mapToDouble(Sample::modifiers).toArray();
    double[] seconds = latest.stream().mapToDouble(Sample::seconds).toArray();
    double b = UNKNOWN.press;
    double c = UNKNOWN.modifier;
    for (int round = 0; round < ROUNDS; round++) {
      b = Math.clamp(slope(presses, without(seconds, modifiers, c), b), 0.05, 2);
      c = Math.clamp(slope(modifiers, without(seconds, presses, b), c), 0, 2);
    }
    return new Pace(median(without(without(seconds, presses, b), modifiers, c)), b, c);
  }

  private static double[] without(double[] y, double[] x, double slope) {
    double[] rest = new double[y.length];
    for (int i = 0; i < y.length; i++) {
      rest[i] = y[i] - slope * x[i];
    }
    return rest;
  }

  /** The median slope of all pairs whose x differ; what is known where there are none. */
  private static double slope(double[] x, double[] y, double known) {
    double[] slopes = TheilSen.slopes(x, y);
    return slopes.length == 0 ? known : median(slopes);
  }
}
