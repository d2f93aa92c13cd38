package polydex.conflict;

import java.util.List;

/**
 * A set of fixes that ends conflicts at the least cost and makes nothing worse.
 *
 * @param steps what to do, in order; empty where there is nothing to do
 * @param cost the sum of what the steps cost, in points
 * @param bound no set of the fixes that were looked at costs less than this, in points
 * @param optimal whether it is proved that none costs less than these
 * @param left conflicts that it can't end, each with the reason
 * @param worse conflicts that there were and that are worse once all is done, as they are then:
 *     another way to their action is gone
 */
public record Plan(
    List<Trial.Outcome> steps,
    double cost,
    double bound,
    boolean optimal,
    List<Left> left,
    List<Conflict> worse) {
  /** One that makes nothing worse. */
  public Plan(
      List<Trial.Outcome> steps, double cost, double bound, boolean optimal, List<Left> left) {
    this(steps, cost, bound, optimal, left, List.of());
  }

  /**
   * A conflict that stays.
   *
   * @param conflict which
   * @param why a sentence
   */
  public record Left(Conflict conflict, String why) {}

  /** Copies the lists. */
  public Plan {
    steps = List.copyOf(steps);
    left = List.copyOf(left);
    worse = List.copyOf(worse);
  }
}
