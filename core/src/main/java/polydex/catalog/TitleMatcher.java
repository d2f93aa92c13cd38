package polydex.catalog;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Finds the known action that a title from outside may mean, whatever the order and the form of its
 * words. Titles are compared as sets of meanings ({@link Words}), each weighted by how rare it is
 * among the known titles; the likeness is the weighted Dice coefficient (L. R. Dice, 1945), 0 to 1.
 * An inverted index finds the candidates, so that a question costs O(postings of its words).
 */
public final class TitleMatcher {
  private static final double LEAST = 0.5;

  private static final int MOST = 3;
  private static final int MOST_CANDIDATES = 1000;

  private final List<Action> actions;
  private final List<Set<String>> meanings = new ArrayList<>();
  private final Map<String, List<Integer>> postings = new HashMap<>();

  /**
   * A known action, and how like the title is to it.
   *
   * @param score 0 to 1
   * @param sure whether both say the same in the same words, in any order, but for articles and a
   *     few words that nobody tells apart
   */
  public record Match(Action action, double score, boolean sure) {}

  /** Over these actions; O(words). */
  public TitleMatcher(List<Action> actions) {
    this.actions = List.copyOf(actions);
    for (int i = 0; i < this.actions.size(); i++) {
      Set<String> found = meanings(this.actions.get(i).title());
      meanings.add(found);
      for (String meaning : found) {
        postings.computeIfAbsent(meaning, _ -> new ArrayList<>()).add(i);
      }
    }
  }

  /** The likeliest actions, the best first; none below a score of one half. */
  public List<Match> match(String title) {
    Set<String> wanted = meanings(title);
    Set<String> words = certain(title);
    Set<Integer> candidates = new HashSet<>();
    // The rarest words say most: common ones would only bring in what shares nothing else.
    wanted.stream()
        .map(m -> postings.getOrDefault(m, List.of()))
        .sorted(Comparator.comparingInt(List::size))
        .forEach(
            list -> {
              if (candidates.isEmpty() || candidates.size() + list.size() <= MOST_CANDIDATES) {
                candidates.addAll(list);
              }
            });
    return candidates.stream()
        .map(
            i ->
                new Match(
                    actions.get(i),
                    likeness(wanted, meanings.get(i)),
                    wanted.size() == meanings.get(i).size()
                        && words.equals(certain(actions.get(i).title()))))
        .filter(m -> m.score() >= LEAST)
        .sorted(
            Comparator.comparing(Match::sure)
                .thenComparingDouble(Match::score)
                .reversed()
                .thenComparing(m -> m.action().title().length())
                .thenComparing(m -> m.action().id()))
        .limit(MOST)
        .toList();
  }

  private double likeness(Set<String> a, Set<String> b) {
    double common = 0;
    double all = 0;
    for (String meaning : a) {
      double weight = weight(meaning);
      all += weight;
      if (b.contains(meaning)) {
        common += 2 * weight;
      }
    }
    for (String meaning : b) {
      all += weight(meaning);
    }
    return all == 0 ? 0 : common / all;
  }

  private double weight(String meaning) {
    int known = postings.getOrDefault(meaning, List.of()).size();
    return Math.log(1 + (actions.size() + 1.0) / (known + 1.0));
  }

  private static Set<String> meanings(String title) {
    return weighty(title).map(Words::meaning).collect(Collectors.toSet());
  }

  /** What two titles have in common that are surely one action. */
  public static Set<String> certain(String title) {
    return SmallWords.certain(Words.of(title));
  }

  private static Stream<String> weighty(String title) {
    List<String> words = Words.of(title);
    return words.stream().filter(w -> words.size() == 1 || !SmallWords.OF_TITLES.contains(w));
  }
}
