package polydex.mouse;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import polydex.effort.KeystrokeLevel;
import polydex.mouse.Standing.DayUses;
import polydex.mouse.Standing.Entry;

/** What the uses of an action in one place add up to; O(1) a use. Not thread-safe. */
final class PlaceTotals {
  private static final int HOURS = 24;

  private final Place place;
  private final Habit habit = new Habit();
  private final List<DayUses> days = new ArrayList<>();
  private LocalDate today = LocalDate.MIN;
  private int keys;
  private int pointer;
  private int slips;
  private final int[] slipsByHour = new int[HOURS];
  private final List<LocalDate> returned = new ArrayList<>();
  private int keysInARow;
  private final LatestTimes byPointer = new LatestTimes();
  private final LatestTimes byKeys = new LatestTimes();
  private double pointing;
  private int pointed;
  private @Nullable Entry entry;

  PlaceTotals(Place place) {
    this.place = place;
  }

  Place place() {
    return place;
  }

  /** Whether the hand has had it by keys, whatever the drills say. */
  boolean isReplaced() {
    return habit.replacedSince().isPresent();
  }

  /**
   * Takes in a use.
   *
   * @param day the working day
   * @param hour of that day, 0 to 23
   * @param learnt whether the gesture was known or being learned by then
   */
  void add(LogEvent event, LocalDate day, int hour, boolean learnt) {
    entry = null;
    if (!day.equals(today)) {
      days.addAll(running());
      today = day;
      keys = 0;
      pointer = 0;
      slips = 0;
    }
    boolean isKeys = !event.deed().device().isPointer();
    if (isKeys) {
      keys++;
      keysInARow++;
      byKeys.add(event.seconds());
    } else {
      pointer++;
      byPointer.add(event.seconds());
      if (event.width() > 0 && event.distance() >= 0) {
        pointing += KeystrokeLevel.fitts(event.distance(), event.width());
        pointed++;
      }
      if (learnt) {
        slips++;
        slipsByHour[hour]++;
        if (keysInARow >= Habit.WINDOW) {
          returned.add(day);
        }
      }
      keysInARow = 0;
    }
    habit.add(event.at(), day, isKeys);
  }

  private List<DayUses> running() {
    return keys + pointer == 0 ? List.of() : List.of(new DayUses(today, keys, pointer, slips));
  }

  /** As it stands now; made again only when something was added. */
  Entry entry() {
    if (entry == null) {
      List<DayUses> all = new ArrayList<>(days);
      all.addAll(running());
      entry =
          new Entry(
              place,
              habit.state(false),
              habit.turns(),
              List.copyOf(all),
              IntStream.of(Arrays.copyOf(slipsByHour, HOURS)).boxed().toList(),
              List.copyOf(returned),
              optional(byPointer.median()),
              optional(byKeys.median()),
              pointed < LatestTimes.ENOUGH ? Optional.empty() : Optional.of(pointing / pointed));
    }
    return entry;
  }

  private static Optional<Double> optional(OptionalDouble value) {
    return value.isPresent() ? Optional.of(value.getAsDouble()) : Optional.empty();
  }
}
