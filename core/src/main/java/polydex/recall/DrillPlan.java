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
    keepApart(chosen);
    return List.copyOf(chosen);
  }

  /** Moves a prompt that follows itself further on, where there is another to put between. */
  private static void keepApart(List<Prompt> prompts) {
    for (int i = 1; i < prompts.size(); i++) {
      if (!prompts.get(i).equals(prompts.get(i - 1))) {
        continue;
      }
      for (int j = 0; j < prompts.size(); j++) {
        if (fits(prompts, i, j)) {
          Collections.swap(prompts, i, j);
          break;
        }
      }
    }
  }

  private static boolean fits(List<Prompt> prompts, int i, int j) {
    Prompt mine = prompts.get(i);
    Prompt other = prompts.get(j);
    return !other.equals(mine) && clear(prompts, i, other, j) && clear(prompts, j, mine, i);
  }

  private static boolean clear(List<Prompt> prompts, int at, Prompt prompt, int ignored) {
    for (int neighbour : new int[] {at - 1, at + 1}) {
      if (neighbour >= 0
          && neighbour < prompts.size()
          && neighbour != ignored
          && prompts.get(neighbour).equals(prompt)) {
        return false;
      }
    }
    return true;
  }
}
