package polydex.totals;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.threeten.extra.LocalDateRange;
import polydex.catalog.ActionId;
import polydex.recognition.Place;
import polydex.route.SetupId;

/**
 * How often actions were done with the pointer in the last {@value Standing#LATELY_DAYS} days, a
 * working day: what still has to be replaced, whatever was common once. O(entries + their days).
 */
public final class Lately {
  private record InSetup(SetupId setup, ActionId action) {}

  private final Map<Place, Integer> byPlace = new HashMap<>();
  private final Map<InSetup, Integer> bySetup = new HashMap<>();
  private final double days;
  private final List<LocalDate> worked;
  private final Map<Place, Standing.Entry> entries = new HashMap<>();

  Lately(Standing standing, LocalDate today) {
    LocalDateRange lately = Standing.latelyUpTo(today);
    days = Math.max(1, standing.workingDays(lately));
    worked = standing.days().stream().map(Standing.Day::date).filter(lately::contains).toList();
    for (Standing.Entry e : standing.entries()) {
      int uses = e.during(lately).pointer();
      if (uses > 0) {
        byPlace.put(e.place(), uses);
        entries.put(e.place(), e);
        e.place()
            .action()
            .ifPresent(a -> bySetup.merge(new InSetup(e.place().setup(), a), uses, Integer::sum));
      }
    }
  }

  /** Uses by pointer in a place, a working day. */
  public double pointerADay(Place place) {
    return byPlace.getOrDefault(place, 0) / days;
  }

  /** Uses by pointer in a place on each of the working days, the oldest first. */
  public int[] pointerByDay(Place place) {
    int[] uses = new int[worked.size()];
    Standing.Entry entry = entries.get(place);
    if (entry != null) {
      // Both are in order, and the newest are looked at.
      int at = worked.size() - 1;
      for (int i = entry.days().size() - 1; i >= 0 && at >= 0; i--) {
        Standing.DayUses day = entry.days().get(i);
        while (at >= 0 && worked.get(at).isAfter(day.day())) {
          at--;
        }
        if (at >= 0 && worked.get(at).equals(day.day())) {
          uses[at] = day.pointer();
        }
      }
    }
    return uses;
  }

  /** Uses by pointer of an action in a setup, a working day. */
  public double pointerADay(SetupId setup, ActionId action) {
    return bySetup.getOrDefault(new InSetup(setup, action), 0) / days;
  }
}
