package polydex.conflict;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Conflicts that one thing brings about.
 *
 * @param cause what they have in common
 * @param conflicts the worst first, at least one
 */
public record ConflictGroup(String cause, List<Conflict> conflicts) {
  /** Copies the list. */
  public ConflictGroup {
    conflicts = List.copyOf(conflicts);
  }

  /** The worst of them. */
  public Conflict worst() {
    return conflicts.getFirst();
  }

  /** Whether there are several. */
  public boolean isSeveral() {
    return conflicts.size() > 1;
  }

  /** Conflicts by their cause, in the order in which the first of each comes. */
  public static List<ConflictGroup> of(Collection<Conflict> conflicts) {
    Map<String, List<Conflict>> byCause = new LinkedHashMap<>();
    conflicts.forEach(c -> byCause.computeIfAbsent(c.cause(), _ -> new ArrayList<>()).add(c));
    return byCause.entrySet().stream()
        .map(e -> new ConflictGroup(e.getKey(), e.getValue()))
        .toList();
  }
}
