package polydex.recall;

import java.time.Instant;
import java.util.Collection;
import polydex.effort.YearlyCost;

/**
 * How many new items a day takes: as many as leave what will be asked over the next two weeks
 * inside the minutes that the person really spends. Counted are askings that gain more than a new
 * item would, and one new item brings its own; so many new ones a day only come where there is time
 * for them, and none comes while a backlog waits. O(items · askings within two weeks).
 */
public final class Intake {
  /** So far ahead it is looked, in days. */
  public static final int DAYS = 14;

  /** A new item is asked about so often on its first day, until it was right twice. */
  public static final int FIRST_ASKINGS = 3;

  /** An asking that gains less than this share of what a new item gains waits for it. */
  private static final double SHARE = 0.5;

  private static final double ASKING = YearlyCost.SECONDS_AN_ANSWER;

  private final AskingPlan plan;
  private final double price;

  /** For a memory. */
  public Intake(AskingPlan plan) {
    this.plan = plan;
    price = SHARE * plan.beginning(FIRST_ASKINGS * ASKING);
  }

  /** What an asking gains at least that comes before new ones, in days of knowing a second. */
  public double price() {
    return price;
  }

  /**
   * How many may be begun today.
   *
   * @param states of all items that are known
   * @param most how many at the most
   * @param seconds that the person spends on a day
   */
  public int room(Collection<ItemState> states, Instant now, int most, double seconds) {
    double[] load = new double[DAYS];
    for (ItemState state : states) {
      add(load, state.memory(), Days.between(state.counted(), now));
    }
    double[] one = new double[DAYS];
    one[0] = FIRST_ASKINGS * ASKING;
    add(one, Memory.first(Grade.MISSED, plan.parameters()), 0);
    return room(load, one, most, seconds);
  }

  /**
   * How many fit.
   *
   * @param load seconds that are taken on each day from today on
   * @param one seconds that one more takes on each day
   */
  public static int room(double[] load, double[] one, int most, double seconds) {
    int room = 0;
    while (room < most && fits(load, one, room + 1, seconds)) {
      room++;
    }
    return room;
  }

  private static boolean fits(double[] load, double[] one, int count, double seconds) {
    double sum = 0;
    for (int day = 0; day < load.length; day++) {
      sum += load[day] + count * one[day];
      if (sum > (day + 1) * seconds && (day == 0 || day == load.length - 1)) {
        return false;
      }
    }
    return true;
  }

  /** What an item takes on the days to come, if it is answered as it is expected to be. */
  private void add(double[] load, Memory first, double elapsed) {
    Memory memory = first;
    double last = -elapsed;
    double next = Math.max(elapsed == 0 ? 1 : 0, last + plan.wait(memory, price));
    while (next < DAYS) {
      double recall = memory.retrievability(next - last);
      load[(int) next] += ASKING * (2 - recall);
      memory = memory.next(Grade.RIGHT, next - last, plan.parameters());
      last = next;
      next = last + Math.max(1, plan.wait(memory, price));
    }
  }
}
