package polydex.recall;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

/**
 * In which order due items are asked when not all can be. The one least forgotten comes first: its
 * recall still likely succeeds, which makes it last, while one that is long forgotten loses little
 * by a day more. Chosen by simulation against three other orders; the figures are in {@code
 * docs/benchmarks.md}. O(n log n).
 */
public final class Backlog {
  private Backlog() {}

  /** An item with its state, in the order in which they are asked. */
  static List<DrillItem> ordered(List<Map.Entry<DrillItem, ItemState>> due, Instant now) {
    record Placed(DrillItem item, double recall) {}
    return due.stream()
        .map(e -> new Placed(e.getKey(), e.getValue().retrievability(now)))
        .sorted(Comparator.comparingDouble((Placed p) -> -p.recall()).thenComparing(Placed::item))
        .map(Placed::item)
        .toList();
  }
}
