package polydex.fit;

import java.util.List;
import java.util.Optional;
import polydex.catalog.ActionId;
import polydex.keys.Gesture;
import polydex.recall.DrillItem;
import polydex.route.SetupId;

/**
 * What remaps change, found by looking at everything before and after.
 *
 * @param gains what can be reached only then
 * @param loses what can no longer be reached
 * @param moves what is reached by other keys
 * @param habits gestures that the user knows and that would mean something else
 * @param effortBefore points a working day for what is used and can be reached before and after
 * @param effortAfter the same then
 */
public record RemapChanges(
    List<Reached> gains,
    List<Reached> loses,
    List<Reached> moves,
    List<Habit> habits,
    double effortBefore,
    double effortAfter) {

  /**
   * How an action is reached at its easiest.
   *
   * @param setup the id of where
   * @param place what does it there
   * @param before what is pressed for it now
   * @param after what is pressed for it then
   * @param usesPerDay uses a working day
   */
  public record Reached(
      SetupId setup,
      DrillItem place,
      Optional<Gesture> before,
      Optional<Gesture> after,
      double usesPerDay) {
    /** The id of the action. */
    public ActionId action() {
      return place.action();
    }
  }

  /**
   * A gesture that would mean something else.
   *
   * @param setup the id of where
   * @param item what the user has learnt
   * @param gesture by which gesture
   * @param instead what would happen, in words
   * @param losesWork whether that loses work
   */
  public record Habit(
      SetupId setup, DrillItem item, Gesture gesture, String instead, boolean losesWork) {}

  /** Copies the lists. */
  public RemapChanges {
    gains = List.copyOf(gains);
    loses = List.copyOf(loses);
    moves = List.copyOf(moves);
    habits = List.copyOf(habits);
  }

  /** Uses a working day that would be made by other keys, or no longer. */
  public double usesMoved() {
    return moves.stream().mapToDouble(Reached::usesPerDay).sum()
        + loses.stream().mapToDouble(Reached::usesPerDay).sum();
  }
}
