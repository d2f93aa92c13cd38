package polydex.totals;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import polydex.log.LogEvent;

/**
 * Working days, sessions and trips of the hand, found in the order of events; O(1) an event.
 *
 * <p>A session lasts from its first event to its last and one gap of its own more, since the last
 * event took its time too; one of a single event lasts as long as gaps within sessions do on
 * average, or {@link #USUAL_GAP} before there was one. A session ends with a gap of more than
 * {@link #SESSION_GAP}; a working day with one of more than {@link #NIGHT}, so that work past
 * midnight belongs to the day on which it began. A trip is a run of events of pointers between
 * events of the keyboard; a session's end ends it. What a person noted by hand makes no trip, since
 * what came between is not known. Not thread-safe.
 */
final class Rhythm {
  /** A pause this long ends a session. */
  static final Duration SESSION_GAP = Duration.ofMinutes(15);

  /** A pause this long ends a working day. */
  static final Duration NIGHT = Duration.ofHours(5);

  /** What an event takes of which nothing else is known. */
  static final Duration USUAL_GAP = Duration.ofSeconds(10);

  private static final long LONGEST_DAY_MILLIS = Duration.ofHours(24).toMillis();

  private final ZoneId zone;
  private final List<Standing.Day> days = new ArrayList<>();
  private long last = Long.MIN_VALUE;
  private long dayBegan;
  private LocalDate date = LocalDate.MIN;
  private int events;
  private int sessions;
  private int trips;
  private long characters;
  private long activeMillis;
  private long inSession;
  private long sessionMillis;
  private long gaps;
  private long gapMillis;
  private boolean onATrip;

  Rhythm(ZoneId zone) {
    this.zone = zone;
  }

  /** Takes in an event that is not much older than those before; the working day it belongs to. */
  LocalDate add(LogEvent event) {
    long at = event.at().toEpochMilli();
    boolean first = last == Long.MIN_VALUE;
    long gap = first ? Long.MAX_VALUE : at - last;
    if (gap > SESSION_GAP.toMillis()) {
      activeMillis += first ? 0 : tail();
      inSession = 0;
      sessionMillis = 0;
    }
    if (gap > NIGHT.toMillis() || at - dayBegan > LONGEST_DAY_MILLIS) {
      turnTo(event.at().atZone(zone).toLocalDate(), at);
    }
    if (gap > SESSION_GAP.toMillis()) {
      sessions++;
      onATrip = false;
    } else if (gap >= 0) {
      activeMillis += gap;
      sessionMillis += gap;
      gaps++;
      gapMillis += gap;
    }
    inSession++;
    last = first ? at : Math.max(at, last);
    events++;
    characters += event.characters();
    if (!event.deed().isNoted()) {
      boolean pointer = event.deed().device().isPointer();
      trips += pointer && !onATrip ? 1 : 0;
      onATrip = pointer;
    }
    return date;
  }

  /** What the last event of the session that runs took. */
  private long tail() {
    return inSession > 1
        ? sessionMillis / (inSession - 1)
        : gaps > 0 ? gapMillis / gaps : USUAL_GAP.toMillis();
  }

  private void turnTo(LocalDate next, long at) {
    dayBegan = at;
    if (next.equals(date)) {
      return; // a long pause within one day
    }
    // A session that runs past the longest day ends its tail in the day that it is in then.
    days.addAll(running(0));
    date = next;
    events = 0;
    sessions = 0;
    trips = 0;
    characters = 0;
    activeMillis = 0;
  }

  private List<Standing.Day> running(long tail) {
    return events == 0
        ? List.of()
        : List.of(
            new Standing.Day(
                date, events, sessions, trips, characters, Duration.ofMillis(activeMillis + tail)));
  }

  /** Every working day, the oldest first. */
  List<Standing.Day> days() {
    List<Standing.Day> all = new ArrayList<>(days);
    all.addAll(running(events == 0 ? 0 : tail()));
    return List.copyOf(all);
  }

  /** When the last event was. */
  Instant last() {
    return last == Long.MIN_VALUE ? Instant.EPOCH : Instant.ofEpochMilli(last);
  }
}
