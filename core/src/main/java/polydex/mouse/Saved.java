package polydex.mouse;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What keys have saved so far: for every action that was ever done with the pointer, its uses by
 * keys times the seconds that one saves; against that, the time spent in drills.
 *
 * @param usesByKeys how many uses that are
 * @param hours saved by them
 * @param drillHours spent in drills
 */
public record Saved(int usesByKeys, double hours, double drillHours) {

  /**
   * The sum over a log. O(entries + their days).
   *
   * @param rows what each action costs
   * @param drillSeconds spent in drills
   */
  public static Saved of(Standing standing, List<Remaining.Row> rows, double drillSeconds) {
    Map<Place, Double> seconds = new HashMap<>();
    rows.forEach(r -> seconds.put(r.place(), r.savedSeconds()));
    int uses = 0;
    double saved = 0;
    for (Standing.Entry e : standing.entries()) {
      Double each = seconds.get(e.place());
      if (each != null) {
        uses += e.byKeys();
        saved += e.byKeys() * each;
      }
    }
    return new Saved(uses, saved / 3600, drillSeconds / 3600);
  }
}
