package polydex.free;

import static polydex.language.CoreWords.worded;
import static polydex.language.Language.decimals;

import java.util.List;
import java.util.Optional;
import polydex.catalog.ActionId;
import polydex.keys.Gesture;
import polydex.route.SetupId;

/**
 * How well a gesture suits an action, in points: the fewer the better.
 *
 * @param effort of the gesture
 * @param initial the word of the action's title that begins with the gesture's letter
 * @param sameIn where the same gesture does the action already, by title
 * @param partner the gesture with which it makes a pair with and without Shift, or a row
 * @param near gestures one modifier or one key away that lose work
 * @param total the points
 */
public record Score(
    double effort,
    Optional<String> initial,
    List<String> sameIn,
    Optional<Gesture> partner,
    List<Near> near,
    double total) {

  /**
   * What a slip of a finger would do.
   *
   * @param gesture what is pressed instead
   * @param action the id of what it does
   * @param setup the id of where it does that
   */
  public record Near(Gesture gesture, ActionId action, SetupId setup) {}

  /**
   * What each part counts, in points; our own, all adjustable.
   *
   * @param initial the letter is an initial of the title
   * @param same the same gesture does it in another environment that the user knows
   * @param partner it completes a row or a Shift pair
   * @param near for each gesture near to it that loses work
   */
  public record Weights(double initial, double same, double partner, double near) {
    /** Where nothing else was said. */
    public static final Weights USUAL = new Weights(1.5, 1.0, 0.8, 1.2);

    /** The largest that may be said. */
    public static final double MOST = 100;

    /**
     * Checks the ranges.
     *
     * @throws IllegalArgumentException for a weight that is no number from 0 to {@link #MOST}
     */
    public Weights {
      for (double w : new double[] {initial, same, partner, near}) {
        if (!(w >= 0 && w <= MOST)) {
          throw new IllegalArgumentException(
              worded("free.a-weight-is-a-number-from", decimals(0, MOST)));
        }
      }
    }
  }

  /** Copies the lists. */
  public Score {
    sameIn = List.copyOf(sameIn);
    near = List.copyOf(near);
  }
}
