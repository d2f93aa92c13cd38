package polydex.recall;

import java.time.Instant;
import java.util.function.ToDoubleFunction;

/**
 * What asking an item gains a person a second: by what they remember of it, and by how often they
 * have a use for it.
 *
 * @param plan of the person's memory
 * @param worth what knowing an item is worth against others, 1 for one that is done once a day
 */
public record Gains(AskingPlan plan, ToDoubleFunction<DrillItem> worth) {
  /** For whoever it is not known of what they do. */
  public static Gains of(AskingPlan plan) {
    return new Gains(plan, _ -> 1);
  }

  /** What asking it at a moment gains, in days of knowing a second. */
  public double of(DrillItem item, ItemState state, Instant now) {
    return worth.applyAsDouble(item)
        * plan.index(state.memory(), Days.between(state.counted(), now));
  }

  /**
   * The least that an asking has to gain while there are minutes left: half-way from the wanted
   * chance of recall to certainty, since minutes that are left over teach nobody anything.
   *
   * @param wantedRetention 0.80 to 0.97
   */
  public double least(double wantedRetention) {
    return plan.least((1 + wantedRetention) / 2);
  }
}
