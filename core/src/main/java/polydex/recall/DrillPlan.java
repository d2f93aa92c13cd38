package polydex.recall;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Random;

/**
 * Chooses what to ask: what is due first, the most forgotten before the others; then a few new
 * ones; then what was learned and comes nearest to being due. Mixed at the end, so that the
 * environment has to be read each time. O(n log n).
 */
public final class DrillPlan {
  /** How many new items a session brings at most. */
  public static final int NEW_AT_MOST = 3;

  private DrillPlan() {}

  /**
   * The prompts of a session.
   *
   * @param candidates what can be asked, what to learn first at the front
   * @param size how many prompts; fewer come only where there are no candidates at all
   */
  public static List<Prompt> choose(
      List<Prompt> candidates, Progress progress, Instant now, int size, Random random) {
    if (candidates.isEmpty()) {
      return List.of();
    }
    List<Prompt> known =
        candidates.stream()
            .filter(p -> progress.state(p.item()).isPresent())
            .sorted(
                Comparator.comparingDouble(
                    p -> progress.state(p.item()).orElseThrow().retrievability(now)))
            .toList();
    List<Prompt> due =
        known.stream()
            .filter(p -> progress.state(p.item()).orElseThrow().isDue(now))
            .limit(size)
            .toList();
    List<Prompt> fresh =
        candidates.stream()
            .filter(p -> progress.state(p.item()).isEmpty())
            .limit(NEW_AT_MOST)
            .toList();
    List<Prompt> chosen = new ArrayList<>(due);
    fresh.stream().limit(size - chosen.size()).forEach(chosen::add);
    known.stream().skip(due.size()).limit(size - chosen.size()).forEach(chosen::add);
    // Too little to ask: the same ones again, which trains speed.
    List<Prompt> once = List.copyOf(chosen);
    for (int i = 0; chosen.size() < size; i++) {
      chosen.add(once.get(i % once.size()));
    }
    Collections.shuffle(chosen, random);
    return apart(chosen);
  }

  /**
   * The same prompts with none following itself, where that can be: each time the first that
   * differs from the last one, but a prompt that makes up more than half of what is left at once.
   */
  private static List<Prompt> apart(List<Prompt> mixed) {
    List<Prompt> left = new ArrayList<>(mixed);
    List<Prompt> ordered = new ArrayList<>();
    while (!left.isEmpty()) {
      List<Prompt> others =
          left.stream().filter(p -> ordered.isEmpty() || !p.equals(ordered.getLast())).toList();
      Prompt next =
          others.stream()
              .filter(p -> 2 * Collections.frequency(left, p) > left.size())
              .findFirst()
              .or(() -> others.stream().findFirst())
              .orElseGet(left::getFirst);
      left.remove(next);
      ordered.add(next);
    }
    return List.copyOf(ordered);
  }
}
