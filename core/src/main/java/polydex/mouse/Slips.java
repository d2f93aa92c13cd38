package polydex.mouse;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.threeten.extra.LocalDateRange;
import polydex.catalog.EnvironmentId;
import polydex.recognition.Place;
import polydex.totals.Standing;

/**
 * Uses of the pointer for actions whose gesture the person knows or is learning. O(entries + their
 * days).
 *
 * @param byHour of the day, 24 of them, over the whole log
 * @param byEnvironment lately, by the id of the application or platform
 * @param places lately, the commonest first
 */
public record Slips(
    List<Integer> byHour, Map<EnvironmentId, Integer> byEnvironment, List<OfPlace> places) {

  /**
   * The slips of one action.
   *
   * @param lately how many
   * @param days on how many days
   * @param returned how often lately there was one after twenty uses by keys in a row
   */
  public record OfPlace(Place place, int lately, int days, int returned) {}

  /** Copies the collections. */
  public Slips {
    byHour = List.copyOf(byHour);
    byEnvironment = Map.copyOf(byEnvironment);
    places = List.copyOf(places);
  }

  /** The slips of a log, lately being the {@value Standing#LATELY_DAYS} days up to a day. */
  public static Slips of(Standing standing, LocalDate today) {
    return of(standing, _ -> true, today);
  }

  /** The slips in some places only. */
  public static Slips of(Standing standing, Predicate<Place> places, LocalDate today) {
    LocalDateRange days = Standing.latelyUpTo(today);
    int[] hours = new int[24];
    Map<EnvironmentId, Integer> environments = new HashMap<>();
    List<OfPlace> found = new ArrayList<>();
    for (Standing.Entry e : standing.entries()) {
      if (!places.test(e.place())) {
        continue;
      }
      for (int h = 0; h < hours.length; h++) {
        hours[h] += e.slipsByHour().get(h);
      }
      int lately = e.during(days).slips();
      if (lately > 0) {
        environments.merge(e.place().environment(), lately, Integer::sum);
        int on =
            (int) e.days().stream().filter(d -> d.slips() > 0 && days.contains(d.day())).count();
        int returned = (int) e.returned().stream().filter(days::contains).count();
        found.add(new OfPlace(e.place(), lately, on, returned));
      }
    }
    found.sort(
        Comparator.comparingInt((OfPlace p) -> -p.lately())
            .thenComparing(p -> p.place().doing())
            .thenComparing(p -> p.place().setup()));
    List<Integer> byHour = new ArrayList<>();
    for (int h : hours) {
      byHour.add(h);
    }
    return new Slips(byHour, environments, found);
  }
}
