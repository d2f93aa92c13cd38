package polydex.hands;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;

/**
 * Finds out which entry of an open menu a click chose, of what the menus tell meanwhile. To ask
 * what lies at the place of the click does not do: by then the menu is gone, and what answers lay
 * under it. Keeps the events of the last {@value #KEPT_MILLIS} ms, at most {@value #MOST}; O(kept)
 * for a click. Not thread-safe.
 */
public final class MenuTrail<T> {
  /** A menu tells what happened so much later than the click, at most. */
  public static final long LATE_MILLIS = 250;

  /** A menu tells that it is gone so much later than the click that closed it. */
  public static final long GONE_MILLIS = 500;

  /** An entry that only came alive so shortly before a click was chosen by it. */
  public static final long EARLY_MILLIS = 10;

  /** What came to an end so shortly before a click came to an end by it. */
  public static final long SAME_MILLIS = 5;

  private static final int NOWHERE = -100_000;

  static final long KEPT_MILLIS = 60_000;
  static final int MOST = 4000;

  /** Where something is on the screen, in pixels. */
  public record Area(int x, int y, int width, int height) {
    /** Whether it is anywhere: what is not shown has no extent, or is told to be far outside. */
    public boolean isKnown() {
      return width > 1 && height > 1 && x > NOWHERE && y > NOWHERE;
    }

    /** Whether a spot is in it. */
    public boolean contains(Done.Spot spot) {
      return spot.x() >= x && spot.x() < x + width && spot.y() >= y && spot.y() < y + height;
    }
  }

  /** What a menu tells. */
  public sealed interface Event<T> {
    /** When, on the clock of the clicks. */
    long millis();
  }

  /**
   * An entry came alive, under the pointer or by a key, or is so no longer.
   *
   * @param item which
   * @param above the menus around it
   * @param opens whether it only opens a menu
   * @param area where it is
   */
  public record Alive<T>(
      long millis, T item, List<T> above, boolean opens, Area area, boolean alive)
      implements Event<T> {
    /** Copies the list. */
    public Alive {
      above = List.copyOf(above);
    }
  }

  /** A menu has closed, or an entry of it is not shown any more. */
  public record Gone<T>(long millis, T what) implements Event<T> {}

  /** A window has come to the front, so that no menu is open. */
  public record Front<T>(long millis) implements Event<T> {}

  /** A button went down, wherever. */
  public record Press<T>(long millis) implements Event<T> {}

  /** What a click did to menus. */
  public sealed interface Answer<T> {}

  /** It was on an entry. */
  public record Chose<T>(T item, Area area, boolean opens) implements Answer<T> {}

  /** It was beside a menu, and closed it. */
  public record Closed<T>() implements Answer<T> {}

  private final Deque<Event<T>> events = new ArrayDeque<>();

  /** Takes what a menu tells, as it comes. */
  public void take(Event<T> event) {
    events.addLast(event);
    while (events.size() > MOST || events.getFirst().millis() < event.millis() - KEPT_MILLIS) {
      events.removeFirst();
    }
  }

  /** What a click did, once {@link #GONE_MILLIS} have gone by; none where no menu was open. */
  public Optional<Answer<T>> at(long press, Done.Spot spot) {
    Optional<Alive<T>> meant = newest(press, spot).or(() -> nearest(press));
    if (meant.isPresent()) {
      Alive<T> a = meant.get();
      return Optional.of(new Chose<>(a.item(), a.area(), a.opens()));
    }
    return events.stream().anyMatch(e -> isClosedBy(e, press))
        ? Optional.of(new Closed<>())
        : Optional.empty();
  }

  /** Until when something can have come alive by a click: then came the next one. */
  private long last(long press) {
    return Math.min(
        press + LATE_MILLIS,
        events.stream()
            .filter(e -> e instanceof Press<T> && e.millis() > press)
            .mapToLong(e -> e.millis() - 1)
            .min()
            .orElse(Long.MAX_VALUE));
  }

  /** The entry there that came alive last, if it still was so when the button went down. */
  private Optional<Alive<T>> newest(long press, Done.Spot spot) {
    long last = last(press);
    List<Event<T>> after = new ArrayList<>();
    Iterator<Event<T>> back = events.descendingIterator();
    while (back.hasNext()) {
      Event<T> event = back.next();
      if (event instanceof Alive<T> a
          && a.alive()
          && a.millis() <= last
          && a.area().contains(spot)) {
        return after.stream().anyMatch(e -> e.millis() < press - SAME_MILLIS && ends(e, a))
            ? Optional.empty()
            : Optional.of(a);
      }
      after.add(event);
    }
    return Optional.empty();
  }

  /**
   * The entry that came alive next to when this button went down, rather than to another time, of
   * those that did not know where they are: a menu that was gone before it could be asked, or is
   * only just being shown.
   */
  private Optional<Alive<T>> nearest(long press) {
    Optional<Alive<T>> best = Optional.empty();
    for (Event<T> event : events) {
      if (event instanceof Alive<T> a
          && a.alive()
          && !a.area().isKnown()
          && a.millis() >= press - EARLY_MILLIS
          && a.millis() <= press + LATE_MILLIS
          && best.filter(b -> away(b, press) <= away(a, press)).isEmpty()
          && events.stream()
              .noneMatch(e -> e instanceof Press<T> p && away(p, a.millis()) < away(a, press))) {
        best = Optional.of(a);
      }
    }
    return best;
  }

  private static long away(Event<?> event, long press) {
    return Math.abs(event.millis() - press);
  }

  /** A menu that goes after the next click goes by that one. */
  private boolean isClosedBy(Event<T> event, long press) {
    return event instanceof Gone<T>
        && event.millis() >= press - SAME_MILLIS
        && event.millis() <= press + GONE_MILLIS
        && events.stream()
            .noneMatch(
                e ->
                    e instanceof Press<T>
                        && e.millis() > press
                        && e.millis() - SAME_MILLIS <= event.millis());
  }

  private static <T> boolean ends(Event<T> event, Alive<T> entry) {
    return switch (event) {
      case Alive<T> a -> !a.alive() && a.item().equals(entry.item());
      case Gone<T> g -> g.what().equals(entry.item()) || entry.above().contains(g.what());
      case Front<T> _ -> true;
      case Press<T> _ -> false;
    };
  }
}
