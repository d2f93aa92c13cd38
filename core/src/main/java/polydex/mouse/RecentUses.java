package polydex.mouse;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * How often actions were done with the pointer in the last {@value #DAYS} days, a day on which
 * anything was noted: what still has to be replaced, whatever was common once. O(uses in them).
 */
public final class RecentUses {
  /** How many days back it looks. */
  public static final int DAYS = 28;

  private record Place(String setup, String action) {}

  private final Map<Place, Integer> byPointer = new HashMap<>();
  private final Set<LocalDate> days = new HashSet<>();

  private RecentUses() {}

  /**
   * The uses of the last days.
   *
   * @param uses the oldest first
   * @param zone where the user's days begin and end
   */
  public static RecentUses of(List<Use> uses, Instant now, ZoneId zone) {
    RecentUses recent = new RecentUses();
    Instant since = now.minus(Duration.ofDays(DAYS));
    for (int i = uses.size() - 1; i >= 0 && !uses.get(i).at().isBefore(since); i--) {
      Use use = uses.get(i);
      recent.days.add(use.at().atZone(zone).toLocalDate());
      if (use.device() == Use.Device.POINTER) {
        recent.byPointer.merge(new Place(use.setup(), use.action()), 1, Integer::sum);
      }
    }
    return recent;
  }

  /** The ids of the actions that were done with the pointer in a setup, in no order of theirs. */
  public List<String> byPointer(String setup) {
    return byPointer.keySet().stream()
        .filter(p -> p.setup().equals(setup))
        .map(Place::action)
        .sorted()
        .toList();
  }

  /** Uses by pointer of an action in a setup, a day on which anything was noted. */
  public double byPointerADay(String setup, String action) {
    return byPointer.getOrDefault(new Place(setup, action), 0) / (double) Math.max(1, days.size());
  }
}
