package polydex.recall;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.effort.YearlyCost;

/**
 * How much asking an item gains a second. An item's index is the highest price of a second at which
 * it would still be asked now: asking what has the highest index, until the minutes are used up, is
 * the best that can be done with them as far as items do not help each other (P. Whittle, "Restless
 * Bandits: Activity Allocation in a Changing World", Journal of Applied Probability 25, 1988). So
 * the price steers itself: with much to ask and little time only what gains much is asked, and what
 * gains little waits.
 *
 * <p>One {@link AskingTable} for each of some prices, between which indices are interpolated. O(log
 * prices) an item.
 */
public final class AskingPlan {
  /** The lowest price, at which nearly anything is asked; in days of knowing an action a second. */
  private static final double LOWEST = 0.01;

  private static final double ROUNDING = 1e-9;

  private static final double FACTOR = 1.6;
  private static final int PRICES = 18;

  /** The state whose recall at the lowest price that is paid is the one that is wanted. */
  private static final Memory TYPICAL = new Memory(5, 20);

  private final MemoryParameters parameters;
  private final List<AskingTable> tables = new ArrayList<>();

  /** For a memory. */
  public AskingPlan(MemoryParameters parameters) {
    this.parameters = parameters;
    AskingTable.Transitions transitions = new AskingTable.Transitions(parameters);
    for (int i = 0; i < PRICES; i++) {
      tables.add(
          new AskingTable(
              transitions,
              tables.isEmpty() ? Optional.empty() : Optional.of(tables.getLast()),
              price(i),
              YearlyCost.SECONDS_AN_ANSWER,
              2 * YearlyCost.SECONDS_AN_ANSWER));
    }
  }

  private static double price(double i) {
    return LOWEST * Math.pow(FACTOR, i);
  }

  /** For whose memory it is. */
  public MemoryParameters parameters() {
    return parameters;
  }

  /**
   * The highest price at which an item would be asked now.
   *
   * @param days since it was answered
   * @return days of knowing it a second; 0 where it would not be asked at any
   */
  public double index(Memory memory, double days) {
    AskingTable.Spot after = AskingTable.Spot.of(memory);
    // Several prices may ask on one day: the highest of them counts, whatever is lost in rounding.
    double now = Math.log(days) + ROUNDING;
    int low = -1;
    int high = PRICES;
    while (high - low > 1) {
      int middle = (low + high) / 2;
      if (tables.get(middle).logWait(after) <= now) {
        low = middle;
      } else {
        high = middle;
      }
    }
    if (low < 0) {
      return LOWEST * Math.exp(now - tables.getFirst().logWait(after));
    }
    if (high == PRICES) {
      return price(PRICES - 1.0);
    }
    double from = tables.get(low).logWait(after);
    double to = tables.get(high).logWait(after);
    return price(low + Math.clamp((now - from) / (to - from), 0, 1));
  }

  /**
   * What beginning an item gains a second: the highest price at which it would be worth it.
   *
   * @param seconds what beginning it takes
   */
  public double beginning(double seconds) {
    Memory begun = Memory.first(Grade.MISSED, parameters);
    double last = 0;
    for (int i = 0; i < PRICES; i++) {
      if (tables.get(i).value(begun) < price(i) * seconds) {
        break;
      }
      last = price(i);
    }
    return last;
  }

  /**
   * Days after an answer until an item is worth asking again.
   *
   * @param price the least that an asking has to gain, in days of knowing a second
   */
  public double wait(Memory memory, double price) {
    double i = Math.clamp(Math.log(price / LOWEST) / Math.log(FACTOR), 0, PRICES - 1.0);
    int low = Math.min(PRICES - 2, (int) i);
    AskingTable.Spot after = AskingTable.Spot.of(memory);
    double from = tables.get(low).logWait(after);
    double to = tables.get(low + 1).logWait(after);
    return Math.exp(from + (i - low) * (to - from));
  }

  /**
   * The least that an asking has to gain where there is time for all: that at which a typical item
   * is asked when its chance of recall has fallen to the wanted one.
   */
  public double least(double wantedRetention) {
    return index(TYPICAL, TYPICAL.daysUntil(wantedRetention));
  }
}
