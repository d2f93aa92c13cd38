package polydex.mouse;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The habits of a person, kept up as uses come in. Not thread-safe. */
public final class Habits {
  private final ZoneId zone;
  private final Map<String, Habit> habits = new HashMap<>();
  private final Set<LocalDate> days = new HashSet<>();

  /**
   * Nothing noted yet.
   *
   * @param zone where the user's days begin and end
   */
  public Habits(ZoneId zone) {
    this.zone = zone;
  }

  /** Takes in a use that is not older than those before. */
  public void add(Use use) {
    days.add(use.at().atZone(zone).toLocalDate());
    habits.computeIfAbsent(use.action(), _ -> new Habit()).add(use, zone);
  }

  /** How an action is done; none if it was never noted. */
  public Optional<Habit> habit(String action) {
    return Optional.ofNullable(habits.get(action));
  }

  /** The ids of all actions that were noted, those most often done by pointer first. */
  public List<String> byPointerUses() {
    return habits.keySet().stream()
        .sorted(
            Comparator.<String>comparingInt(a -> -habits.get(a).byPointer())
                .thenComparingInt(a -> -habits.get(a).byKeys())
                .thenComparing(a -> a))
        .toList();
  }

  /** Uses of an action on an average day on which anything was noted; none if never noted. */
  public Optional<Double> usesPerDay(String action) {
    return habit(action).map(h -> (h.byKeys() + h.byPointer()) / (double) Math.max(1, days.size()));
  }
}
