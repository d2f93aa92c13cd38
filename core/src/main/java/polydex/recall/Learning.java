package polydex.recall;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/**
 * What a person has said about learning; an item is in at most one of the three.
 *
 * @param marked what is wanted
 * @param putOff what is not to be proposed before a day
 * @param dropped what is never to be proposed or asked
 */
public record Learning(
    Set<DrillItem> marked, Map<DrillItem, LocalDate> putOff, Set<DrillItem> dropped) {
  /** Nothing was said. */
  public static final Learning NOTHING = new Learning(Set.of(), Map.of(), Set.of());

  /** For how many days an item is put off. */
  public static final int PUT_OFF_DAYS = 7;

  /** Copies the collections. */
  public Learning {
    marked = Set.copyOf(marked);
    putOff = Map.copyOf(putOff);
    dropped = Set.copyOf(dropped);
  }

  /** The same with these wanted. */
  public Learning marking(Collection<DrillItem> items) {
    Learning without = forgetting(items);
    return new Learning(joined(without.marked, items), without.putOff, without.dropped);
  }

  /** The same with an item left alone until a day. */
  public Learning puttingOff(DrillItem item, LocalDate until) {
    Learning without = forgetting(Set.of(item));
    Map<DrillItem, LocalDate> more = new HashMap<>(without.putOff);
    more.put(item, until);
    return new Learning(without.marked, more, without.dropped);
  }

  /** The same with an item dropped. */
  public Learning dropping(DrillItem item) {
    Learning without = forgetting(Set.of(item));
    return new Learning(without.marked, without.putOff, joined(without.dropped, Set.of(item)));
  }

  /** The same with nothing said about these. */
  public Learning forgetting(Collection<DrillItem> items) {
    Set<DrillItem> some = new HashSet<>(items);
    Set<DrillItem> stillMarked = new HashSet<>(marked);
    stillMarked.removeAll(some);
    Map<DrillItem, LocalDate> stillOff = new HashMap<>(putOff);
    stillOff.keySet().removeAll(some);
    Set<DrillItem> stillDropped = new HashSet<>(dropped);
    stillDropped.removeAll(some);
    return new Learning(stillMarked, stillOff, stillDropped);
  }

  /** Whether an item may be proposed on a day. */
  public boolean mayPropose(DrillItem item, LocalDate day) {
    LocalDate until = putOff.get(item);
    return !dropped.contains(item) && (until == null || !day.isBefore(until));
  }

  private static Set<DrillItem> joined(Set<DrillItem> some, Collection<DrillItem> more) {
    Set<DrillItem> all = new HashSet<>(some);
    all.addAll(more);
    return all;
  }
}
