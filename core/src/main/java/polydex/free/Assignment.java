package polydex.free;

import java.util.List;
import java.util.Optional;
import polydex.catalog.ActionId;

/**
 * Gestures for many actions at once, each used once.
 *
 * @param given in the order in which they were asked for
 * @param without the ids of the actions for which no gesture was left
 * @param total the sum of the points
 * @param inTurn what it would be if each action in turn took what is best of the rest; none where
 *     that leaves an action without that has one here
 * @param proved whether it is proved that no other assignment has fewer points
 */
public record Assignment(
    List<Given> given,
    List<ActionId> without,
    double total,
    Optional<Double> inTurn,
    boolean proved) {

  /**
   * What an action gets.
   *
   * @param candidate its gesture
   * @param score how well that suits
   * @param locked whether it was given beforehand
   * @param family whether it belongs with its neighbours in the list
   */
  public record Given(
      ActionId action, Candidate candidate, Score score, boolean locked, boolean family) {}

  /** Copies the lists. */
  public Assignment {
    given = List.copyOf(given);
    without = List.copyOf(without);
  }
}
