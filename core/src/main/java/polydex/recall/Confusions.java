package polydex.recall;

import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Which items are mistaken for each other: every wrong answer whose keys belong to another item is
 * counted for the pair of the two, whichever was asked. A pair counted {@value #SIDE_BY_SIDE} times
 * is asked side by side until both sides were right {@value #IN_A_ROW} times in a row; it then
 * begins at nothing again. O(open pairs of the item) an answer. Not thread-safe.
 */
public final class Confusions {
  /** From how many on a pair is asked side by side. */
  public static final int SIDE_BY_SIDE = 2;

  /** So many right answers in a row on either side settle it. */
  public static final int IN_A_ROW = 3;

  /** Two items in the order of their names, so that a pair is the same whichever was asked. */
  public record Pair(DrillItem one, DrillItem other) {
    @Override
    public int hashCode() {
      return one.hashCode() * 0x85EBCA6B + other.hashCode();
    }

    /** Brings the two in order. */
    public Pair {
      if (one.compareTo(other) > 0) {
        DrillItem first = one;
        one = other;
        other = first;
      }
    }
  }

  /**
   * How a pair stands.
   *
   * @param pair the two
   * @param times how often since it was last settled
   * @param ever how often in all
   * @param rightOne right answers in a row to the first
   * @param rightOther right answers in a row to the other
   */
  public record Count(Pair pair, int times, int ever, int rightOne, int rightOther) {
    /** Whether the two are to be asked side by side. */
    public boolean isOpen() {
      return times >= SIDE_BY_SIDE;
    }

    private Count mistaken() {
      return new Count(pair, times + 1, ever + 1, 0, 0);
    }

    private Count answered(DrillItem item, boolean right) {
      boolean first = item.equals(pair.one);
      int one = first ? (right ? rightOne + 1 : 0) : rightOne;
      int another = first ? rightOther : (right ? rightOther + 1 : 0);
      boolean settled = one >= IN_A_ROW && another >= IN_A_ROW;
      return settled
          ? new Count(pair, 0, ever, 0, 0)
          : new Count(pair, times, ever, Math.min(one, IN_A_ROW), Math.min(another, IN_A_ROW));
    }
  }

  private final Map<Pair, Count> counts = new HashMap<>();

  /** Only open pairs wait for right answers, so that the many that happened once cost nothing. */
  private final Map<DrillItem, Set<Pair>> open = new HashMap<>();

  void add(Answer answer) {
    DrillItem item = answer.item();
    boolean right = answer.verdict().isRight();
    Set<Pair> waiting = open.isEmpty() ? null : open.get(item);
    for (Pair pair : waiting == null ? List.<Pair>of() : List.copyOf(waiting)) {
      Count count = counts.computeIfPresent(pair, (_, c) -> c.answered(item, right));
      if (count != null && !count.isOpen()) {
        close(pair);
      }
    }
    if (answer.verdict() == Answer.Verdict.WRONG && answer.mistakenFor().isPresent()) {
      DrillItem instead = answer.mistakenFor().get();
      if (!instead.equals(item)) {
        mistaken(new Pair(item, instead));
      }
    }
  }

  private void mistaken(Pair pair) {
    Count count =
        counts.compute(pair, (p, c) -> (c == null ? new Count(p, 0, 0, 0, 0) : c).mistaken());
    if (count.isOpen()) {
      open.computeIfAbsent(pair.one(), _ -> new LinkedHashSet<>()).add(pair);
      open.computeIfAbsent(pair.other(), _ -> new LinkedHashSet<>()).add(pair);
    }
  }

  private void close(Pair pair) {
    open.computeIfPresent(pair.one(), (_, pairs) -> without(pairs, pair));
    open.computeIfPresent(pair.other(), (_, pairs) -> without(pairs, pair));
  }

  private static @Nullable Set<Pair> without(Set<Pair> pairs, Pair pair) {
    pairs.remove(pair);
    return pairs.isEmpty() ? null : pairs;
  }

  /** Every pair that was ever mistaken, those mistaken most since they were settled first. */
  public List<Count> all() {
    return sorted(counts.values().stream());
  }

  private static List<Count> sorted(Stream<Count> some) {
    return some.sorted(
            Comparator.comparingInt((Count c) -> -c.times())
                .thenComparingInt(c -> -c.ever())
                .thenComparing(c -> c.pair().one())
                .thenComparing(c -> c.pair().other()))
        .toList();
  }

  /** The pairs that are to be asked side by side, the most mistaken first. */
  public List<Count> open() {
    return sorted(
        open.values().stream()
            .flatMap(Set::stream)
            .distinct()
            .map(counts::get)
            .filter(Count::isOpen));
  }
}
