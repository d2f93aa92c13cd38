package polydex.totals;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import polydex.effort.KeystrokeLevel;
import polydex.log.LogEvent;
import polydex.recognition.Place;
import polydex.totals.Standing.DayUses;
import polydex.totals.Standing.Entry;

/** What the uses of an action in one place add up to; O(1) a use. Not thread-safe. */
final class PlaceTotals {
  private static final int HOURS = 24;

  /** No way of the pointer counts as more than so many usual ones. */
  private static final int LONGEST_TIMES = 10;

  private final Place place;
  private final Habit habit = new Habit();
  private final List<DayUses> days = new ArrayList<>();
  private final int[] slipsByHour = new int[HOURS];
  private final List<LocalDate> returned = new ArrayList<>();
  private int keysInARow;
  private int inVain;
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
   * @param learnt whether the gesture was known by then
   */
  void add(LogEvent event, LocalDate day, int hour, boolean learnt) {
    entry = null;
    boolean isKeys = !event.deed().device().isPointer();
    count(day, isKeys ? 1 : 0, isKeys ? 0 : 1, !isKeys && learnt ? 1 : 0);
    if (isKeys) {
      keysInARow++;
      byKeys.add(event.seconds());
    } else {
      byPointer.add(event.seconds());
      if (event.width() > 0 && event.distance() >= 0) {
        pointing +=
            Math.min(
                LONGEST_TIMES * KeystrokeLevel.POINTING,
                KeystrokeLevel.fitts(event.distance(), event.width()));
        pointed++;
      }
      if (learnt) {
        slipsByHour[hour]++;
        if (keysInARow >= Habit.WINDOW) {
          returned.add(day);
        }
      }
      keysInARow = 0;
    }
    habit.add(event.at(), day, isKeys);
  }

  /** Its gesture was pressed, and something further out took it. */
  void addInVain() {
    entry = null;
    inVain++;
  }

  /** The last day is the one that runs. */
  private void count(LocalDate day, int keys, int pointer, int slips) {
    if (days.isEmpty() || !days.getLast().day().equals(day)) {
      days.add(new DayUses(day, keys, pointer, slips));
      return;
    }
    DayUses sofar = days.getLast();
    days.set(
        days.size() - 1,
        new DayUses(day, sofar.keys() + keys, sofar.pointer() + pointer, sofar.slips() + slips));
  }

  /** As it stands now; made again only when something was added. */
  Entry entry() {
    if (entry == null) {
      entry =
          new Entry(
              place,
              habit.state(false),
              habit.turns(),
              List.copyOf(days),
              IntStream.of(Arrays.copyOf(slipsByHour, HOURS)).boxed().toList(),
              List.copyOf(returned),
              inVain,
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
