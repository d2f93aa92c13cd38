package polydex.totals;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.threeten.extra.LocalDateRange;
import polydex.catalog.ActionId;
import polydex.log.Deed;
import polydex.recognition.LearntName;
import polydex.recognition.Place;
import polydex.recognition.Recognised;
import polydex.recognition.Recognised.How;
import polydex.totals.Habit.State;
import polydex.totals.Habit.Turn;

/**
 * What the mouse log came to at a moment; immutable.
 *
 * @param entries what was done where, in no order
 * @param days every working day but the stray ones, the oldest first
 * @param recognised how many events were recognised how
 * @param unknown what nobody knows in programs that are known, the commonest first
 * @param strangers machines and programs that nobody knows, the commonest first
 * @param strays days so far from all others that a clock must have been set wrong
 * @param last when the last event was; 1970 where there is none
 * @param followUps what came after each reminder
 */
public record Standing(
    List<Entry> entries,
    List<Day> days,
    Map<How, Long> recognised,
    List<Unknown> unknown,
    List<Strange> strangers,
    List<LocalDate> strays,
    Instant last,
    List<FollowUp> followUps) {
  /** How many days back "lately" looks. */
  public static final int LATELY_DAYS = 28;

  /** Before anything was noted. */
  public static final Standing NOTHING =
      new Standing(
          List.of(),
          List.of(),
          Map.of(),
          List.of(),
          List.of(),
          List.of(),
          Instant.EPOCH,
          List.of());

  /**
   * A working day.
   *
   * @param date on which it began
   * @param trips of the hand to a pointer
   * @param characters typed
   * @param active time within sessions
   */
  public record Day(
      LocalDate date, int events, int sessions, int trips, long characters, Duration active) {}

  /** Uses on a working day, slips counted among those by pointer. */
  public record DayUses(LocalDate day, int keys, int pointer, int slips) {}

  /**
   * An action in one place.
   *
   * @param byUses its state by its uses alone: open, switching or replaced
   * @param turns when it was replaced and came back
   * @param days its uses by working days, the oldest first
   * @param slipsByHour uses of the pointer although the gesture was known, by the hour of the day
   * @param returned the days of slips after twenty uses by keys in a row
   * @param inVain how often its gesture was pressed and something further out took it
   * @param pointerSeconds the measured time with a pointer, where there is one
   * @param keysSeconds the measured time by keys
   * @param pointingSeconds of pointing alone, by Fitts' law from measured distances
   */
  public record Entry(
      Place place,
      State byUses,
      List<Turn> turns,
      List<DayUses> days,
      List<Integer> slipsByHour,
      List<LocalDate> returned,
      int inVain,
      Optional<Double> pointerSeconds,
      Optional<Double> keysSeconds,
      Optional<Double> pointingSeconds) {

    /** Uses by keys, all told. */
    public int byKeys() {
      return days.stream().mapToInt(DayUses::keys).sum();
    }

    /** Uses by pointer, all told. */
    public int byPointer() {
      return days.stream().mapToInt(DayUses::pointer).sum();
    }

    /** How often it came back. */
    public int relapses() {
      return (int) turns.stream().filter(t -> !t.replaced()).count();
    }

    /** Its uses in some days, under the first of them. */
    public DayUses during(LocalDateRange some) {
      int keys = 0;
      int pointer = 0;
      int slips = 0;
      // The newest are asked for most.
      for (int i = days.size() - 1; i >= 0 && !some.isAfter(days.get(i).day()); i--) {
        DayUses d = days.get(i);
        if (some.contains(d.day())) {
          keys += d.keys();
          pointer += d.pointer();
          slips += d.slips();
        }
      }
      return new DayUses(some.getStart(), keys, pointer, slips);
    }
  }

  /**
   * A machine that no setup has, or a program on a known one that no keymap knows.
   *
   * @param machine as the log has it
   * @param application as the log has it; may be empty
   * @param isMachine whether the machine is unknown, and not only the program
   * @param byPointer uses of it that nobody knows
   * @param byKeys gestures in it that nobody is known to take
   */
  public record Strange(
      String machine, String application, boolean isMachine, long byPointer, long byKeys) {}

  /** A name that nobody knows, one of its deeds, and how often it occurs. */
  public record Unknown(LearntName name, Deed deed, long count) {}

  /** Copies the collections. */
  public Standing {
    entries = List.copyOf(entries);
    days = List.copyOf(days);
    recognised = Map.copyOf(recognised);
    unknown = List.copyOf(unknown);
    strangers = List.copyOf(strangers);
    followUps = List.copyOf(followUps);
    strays = List.copyOf(strays);
  }

  /** How many events there are in all. */
  public long events() {
    return recognised.values().stream().mapToLong(n -> n).sum();
  }

  /** The share of the events that were not typing of which it is known what they were, 0 to 1. */
  public double recognisedShare() {
    return Recognised.share(recognised);
  }

  /** The day from which "lately" counts back, where nobody says what today is. */
  public LocalDate lastDay(ZoneId zone) {
    boolean ahead =
        !days.isEmpty() && !strays.isEmpty() && strays.getLast().isAfter(days.getLast().date());
    return ahead ? days.getLast().date() : last.atZone(zone).toLocalDate();
  }

  /** How many of some days were worked on. */
  public int workingDays(LocalDateRange some) {
    int count = 0;
    for (int i = days.size() - 1; i >= 0 && !some.isAfter(days.get(i).date()); i--) {
      count += some.contains(days.get(i).date()) ? 1 : 0;
    }
    return count;
  }

  /** The {@value #LATELY_DAYS} days up to a day, that one included. */
  public static LocalDateRange latelyUpTo(LocalDate today) {
    return LocalDateRange.ofClosed(today.minusDays(LATELY_DAYS - 1), today);
  }

  /** Uses a working day of each action, by its id, over the whole log. */
  public Map<ActionId, Double> usesADay() {
    Map<ActionId, Double> found = new HashMap<>();
    double all = Math.max(1, days.size());
    for (Entry e : entries) {
      e.place()
          .action()
          .ifPresent(a -> found.merge(a, (e.byKeys() + e.byPointer()) / all, Double::sum));
    }
    return found;
  }

  /** What was done with the pointer in the {@value #LATELY_DAYS} days up to a day. */
  public Lately lately(LocalDate today) {
    return new Lately(this, today);
  }
}
