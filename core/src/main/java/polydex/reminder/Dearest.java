package polydex.reminder;

import java.util.Collection;
import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import polydex.keys.Gesture;
import polydex.mouse.Remaining;
import polydex.mouse.Remaining.RemainingRow;
import polydex.recall.DrillItem;
import polydex.recognition.Place;

/**
 * What cost most of what was done with the pointer although its keys are free here.
 *
 * @param place what it was
 * @param item what a drill would ask
 * @param gesture the keys that do it here
 * @param uses how often it was done
 * @param seconds that keys would have saved
 */
public record Dearest(Place place, DrillItem item, Gesture gesture, int uses, double seconds) {
  private static final Comparator<Dearest> BY_COST =
      Comparator.comparingDouble(Dearest::seconds)
          .thenComparing(d -> d.place().doing(), Comparator.reverseOrder())
          .thenComparing(d -> d.place().setup(), Comparator.reverseOrder());

  /**
   * The dearest of some uses; none where nothing would have been saved by keys that reach it.
   * O(rows).
   *
   * @param uses of each place
   * @param rows what each place costs and which keys do it
   * @param leftOut what is not to be said
   */
  public static Optional<Dearest> of(
      Map<Place, Integer> uses, Collection<RemainingRow> rows, Predicate<DrillItem> leftOut) {
    return rows.stream()
        .filter(r -> uses.containsKey(r.place()) && r.kept().isEmpty())
        .filter(r -> r.kind() == Remaining.Kind.LEARN && r.savedSeconds() > 0)
        .map(r -> of(r, uses.getOrDefault(r.place(), 0)))
        .filter(d -> !leftOut.test(d.item()))
        .max(BY_COST);
  }

  /** Of a row to learn, which has an action and a gesture. */
  private static Dearest of(RemainingRow row, int uses) {
    return new Dearest(
        row.place(),
        new DrillItem(row.environment().orElseThrow(), row.place().action().orElseThrow()),
        row.gesture().orElseThrow(),
        uses,
        uses * row.savedSeconds());
  }
}
