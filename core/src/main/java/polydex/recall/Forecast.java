package polydex.recall;

import static polydex.language.CoreWords.worded;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import polydex.effort.YearlyCost;

/**
 * What will be due on the days to come, if everything that comes due is asked on its day and
 * answered right, neither quickly nor slowly: a lower bound, since what is missed comes back
 * sooner. O(items · askings within the days).
 */
public final class Forecast {
  /** How many days ahead it may look. */
  public static final int MOST_DAYS = 366;

  private Forecast() {}

  /**
   * A day to come.
   *
   * @param date which
   * @param due how many items come due on it
   */
  public record Day(LocalDate date, int due) {
    /** What that takes, in minutes. */
    public double minutes() {
      return due * YearlyCost.SECONDS_AN_ANSWER / 60;
    }
  }

  /**
   * The days from today on; what is overdue is counted today.
   *
   * @param count how many days, 1 to {@value #MOST_DAYS}
   * @throws IllegalArgumentException for another number of days
   */
  public static List<Day> of(
      Collection<ItemState> states,
      MemoryParameters parameters,
      double retention,
      Instant now,
      Days days,
      int count) {
    if (count < 1 || count > MOST_DAYS) {
      throw new IllegalArgumentException(worded("recall.a-forecast-is-for-1-to", MOST_DAYS));
    }
    long today = days.of(now);
    int[] due = new int[count];
    for (ItemState state : states) {
      Memory memory = state.memory();
      double at = Days.between(Instant.EPOCH, state.counted());
      double next = at + memory.daysUntil(retention);
      double nowAt = Days.between(Instant.EPOCH, now);
      while (next < nowAt + count) {
        // Not before today, and not twice a day.
        double asked = Math.max(next, nowAt);
        long day = days.of(Instant.ofEpochSecond((long) (asked * 86_400)));
        if (day - today >= count) {
          break;
        }
        due[(int) (day - today)]++;
        memory = memory.next(Grade.RIGHT, asked - at, parameters);
        at = asked;
        next = at + Math.max(1, memory.daysUntil(retention));
      }
    }
    List<Day> found = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      found.add(new Day(LocalDate.ofEpochDay(today + i), due[i]));
    }
    return List.copyOf(found);
  }
}
