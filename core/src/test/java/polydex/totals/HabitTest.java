package polydex.totals;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import polydex.totals.Habit.State;

class HabitTest {
  private static final Instant START = Instant.parse("2031-01-06T09:00:00Z");

  private static void use(Habit habit, Instant at, boolean keys) {
    habit.add(at, at.atZone(ZoneOffset.UTC).toLocalDate(), keys);
  }

  /** So many uses a day, the device of each from a digit: below the threshold the pointer. */
  private static Habit habit(List<Integer> digits, int perDay, int threshold) {
    Habit habit = new Habit();
    for (int i = 0; i < digits.size(); i++) {
      use(
          habit,
          START.plus(Duration.ofDays(i / perDay)).plusSeconds(i % perDay),
          digits.get(i) >= threshold);
    }
    return habit;
  }

  /** The rule read again from the whole list at every use. */
  private static boolean plainlyReplaced(List<Integer> digits, int perDay, int threshold) {
    boolean replaced = false;
    int since = 0;
    int goodFrom = -1;
    for (int end = 1; end <= digits.size(); end++) {
      int from = Math.max(0, end - 20);
      long keys = digits.subList(from, end).stream().filter(d -> d >= threshold).count();
      if (replaced) {
        since++;
        if (since >= 20 && keys < 16) {
          replaced = false;
          goodFrom = -1;
        }
      } else if (end >= 20 && keys >= 19) {
        goodFrom = goodFrom < 0 ? from : goodFrom;
        Set<LocalDate> days = new HashSet<>();
        for (int i = goodFrom; i < end; i++) {
          days.add(LocalDate.EPOCH.plusDays(i / perDay));
        }
        if (days.size() >= 5) {
          replaced = true;
          since = 0;
          goodFrom = -1;
        }
      } else {
        goodFrom = -1;
      }
    }
    return replaced;
  }

  @Property(tries = 2000)
  void theRunningTotalSaysWhatTheWholeListSays(
      @ForAll @Size(max = 150) List<@IntRange(min = 0, max = 99) Integer> digits,
      @ForAll @IntRange(min = 1, max = 30) int perDay,
      @ForAll @IntRange(min = 0, max = 40) int threshold) {
    Habit habit = habit(digits, perDay, threshold);
    assertThat(habit.state(false) == State.REPLACED)
        .isEqualTo(plainlyReplaced(digits, perDay, threshold));
    boolean neverByKeys = digits.stream().allMatch(d -> d < threshold);
    assertThat(habit.state(false) == State.OPEN).isEqualTo(neverByKeys);
    assertThat(habit.state(true) == State.LEARNING).isEqualTo(neverByKeys);
  }

  private static void add(Habit habit, int from, int count, boolean keys) {
    for (int i = 0; i < count; i++) {
      // Four a day.
      use(habit, START.plus(Duration.ofHours(6L * (from + i))), keys);
    }
  }

  @Test
  void anActionGoesFromOpenToReplacedAndBackOnARelapse() {
    Habit habit = new Habit();
    add(habit, 0, 10, false);
    assertThat(habit.state(false)).isEqualTo(State.OPEN);
    assertThat(habit.state(true)).isEqualTo(State.LEARNING);
    add(habit, 10, 18, true);
    assertThat(habit.state(true)).isEqualTo(State.SWITCHING);
    add(habit, 28, 1, true);
    assertThat(habit.state(true)).isEqualTo(State.REPLACED);
    assertThat(habit.replacedSince()).contains(START.plus(Duration.ofDays(7)));
    // Within the next twenty uses nothing is judged; then four or fewer by pointer are no relapse.
    add(habit, 29, 16, true);
    add(habit, 45, 4, false);
    assertThat(habit.state(true)).isEqualTo(State.REPLACED);
    add(habit, 49, 1, false);
    assertThat(habit.state(true)).isEqualTo(State.SWITCHING);
    assertThat(habit.relapses()).isEqualTo(1);
  }

  @Test
  void twentyUsesOnOneDayAreNotEnough() {
    Habit habit = new Habit();
    for (int i = 0; i < 100; i++) {
      use(habit, START.plusSeconds(i), true);
    }
    assertThat(habit.state(true)).isEqualTo(State.SWITCHING);
    for (int day = 1; day < 5; day++) {
      use(habit, START.plus(Duration.ofDays(day)), true);
    }
    assertThat(habit.state(true)).isEqualTo(State.REPLACED);
  }
}
