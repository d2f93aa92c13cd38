package polydex.mouse;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import polydex.mouse.Remaining.RemainingRow;
import polydex.recognition.Place;
import polydex.totals.Standing;

/**
 * What keys have saved so far: for every action that was ever done with the pointer, its uses by
 * keys times the seconds that one saves; against that, the time spent in drills.
 *
 * @param places those with uses by keys, what saved most first
 * @param drillHours spent in drills
 */
public record Saved(List<OfPlace> places, double drillHours) {

  /** What one action has saved. */
  public record OfPlace(RemainingRow row, int usesByKeys) {
    /** Hours saved by all of its uses. */
    public double hours() {
      return usesByKeys * row.savedSeconds() / 3600;
    }
  }

  /** Copies the list. */
  public Saved {
    places = List.copyOf(places);
  }

  /**
   * The sum over a log. O(entries + their days).
   *
   * @param rows what each action costs
   * @param drillSeconds spent in drills
   */
  public static Saved of(Standing standing, List<RemainingRow> rows, double drillSeconds) {
    Map<Place, RemainingRow> byPlace = new HashMap<>();
    rows.forEach(r -> byPlace.put(r.place(), r));
    List<OfPlace> places = new ArrayList<>();
    for (Standing.Entry e : standing.entries()) {
      RemainingRow row = byPlace.get(e.place());
      if (row != null && e.byKeys() > 0) {
        places.add(new OfPlace(row, e.byKeys()));
      }
    }
    places.sort(
        Comparator.comparingDouble((OfPlace p) -> -p.hours())
            .thenComparing(p -> p.row().place().doing())
            .thenComparing(p -> p.row().place().setup()));
    return new Saved(places, drillSeconds / 3600);
  }

  /** How many uses by keys that are. */
  public int usesByKeys() {
    return places.stream().mapToInt(OfPlace::usesByKeys).sum();
  }

  /** Hours saved by them. */
  public double hours() {
    return places.stream().mapToDouble(OfPlace::hours).sum();
  }
}
