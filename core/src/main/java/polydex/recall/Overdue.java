package polydex.recall;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * How many items are due on a day, kept up as answers come in: O(1) an answer, so that a long log
 * of many items is not gone through once for each of its days. Due is what has fallen to a chance
 * of recall of 0.9, which is after its stability; whole days are counted. Not thread-safe.
 */
final class Overdue {
  /** How many items come due on each of the days to come. */
  private final Map<Long, Integer> ahead = new HashMap<>();

  private long day = Long.MIN_VALUE;
  private int due;

  /** An item's state has changed. */
  void moved(@Nullable ItemState before, ItemState after) {
    if (before != null) {
      if (day(before) <= day) {
        due--;
      } else {
        ahead.merge(day(before), -1, Integer::sum);
      }
    }
    if (day(after) <= day) {
      due++;
    } else {
      ahead.merge(day(after), 1, Integer::sum);
    }
  }

  private static long day(ItemState state) {
    return state.day() + Math.max(1, (long) state.memory().stability());
  }

  /**
   * How many are due on a day.
   *
   * @param today not before the last that was asked about
   */
  int on(long today) {
    if (today - day < ahead.size() && day != Long.MIN_VALUE) {
      while (day < today) {
        come(++day);
      }
    } else {
      day = today;
      List<Long> past = new ArrayList<>(ahead.keySet());
      past.removeIf(d -> d > today);
      past.forEach(this::come);
    }
    return due;
  }

  private void come(long past) {
    Integer count = ahead.remove(past);
    due += count == null ? 0 : count;
  }
}
