package polydex.catalog;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Answers questions as people ask them. Actions that have every word come first, as {@link
 * ActionSearch} finds them; where none has, small words are passed over, and then the best partial
 * matches come: each word of the question counts by how rare what it finds is (inverse document
 * frequency; K. Spärck Jones, "A statistical interpretation of term specificity", 1972), words that
 * mean the same count somewhat less ({@link SameWords}), and words of a title that nobody asked for
 * count against it. O(postings of the words) for a question, O(words) for the index. Safe for use
 * by several threads.
 */
public final class ActionFinder {
  private static final double SAME = 0.8;
  private static final double SAME_PHRASE = 0.7;
  private static final double BEGUN = 0.6;
  private static final double MISSPELT = 0.6;
  private static final double OTHER_WORD = 0.7;
  private static final double UNASKED = 0.12;
  private static final double LEAST_OF_BEST = 0.45;
  private static final int MOST_TERMS = 12;

  private final List<Action> actions;
  private final ActionSearch exact;
  private final SameWords same;
  private final List<Map<String, Double>> stems = new ArrayList<>();
  private final Map<String, int[]> postings = new HashMap<>();
  private final double[] weights;

  /**
   * What a question found.
   *
   * @param actions the best first
   * @param partial whether no action has all that was asked for
   */
  public record Answer(List<Action> actions, boolean partial) {}

  private ActionFinder(List<Action> actions, SameWords same) {
    this.actions = actions;
    this.same = same;
    exact = ActionSearch.of(actions);
    Map<String, List<Integer>> lists = new HashMap<>();
    for (int i = 0; i < actions.size(); i++) {
      Map<String, Double> own = new LinkedHashMap<>();
      SameWords.stems(actions.get(i).title()).forEach(s -> own.put(s, 1.0));
      actions
          .get(i)
          .words()
          .forEach(w -> SameWords.stems(w).forEach(s -> own.putIfAbsent(s, OTHER_WORD)));
      SameWords.stems(actions.get(i).group()).forEach(s -> own.putIfAbsent(s, OTHER_WORD / 2));
      stems.add(own);
      int at = i;
      own.keySet().forEach(s -> lists.computeIfAbsent(s, _ -> new ArrayList<>()).add(at));
    }
    lists.forEach((s, l) -> postings.put(s, l.stream().mapToInt(Integer::intValue).toArray()));
    weights = new double[actions.size()];
    for (int i = 0; i < weights.length; i++) {
      weights[i] =
          SameWords.stems(actions.get(i).title()).stream()
              .distinct()
              .filter(s -> !SmallWords.OF_QUESTIONS.contains(s))
              .mapToDouble(s -> rarity(postings.get(s).length))
              .sum();
    }
  }

  /** A finder over these actions. */
  public static ActionFinder of(List<Action> actions, SameWords same) {
    return new ActionFinder(List.copyOf(actions), same);
  }

  /** The actions that have every word, and nothing else. */
  public ActionSearch exact() {
    return exact;
  }

  /**
   * The best answers.
   *
   * @param limit how many at most
   */
  public Answer find(String question, int limit) {
    List<Action> all = exact.find(question, limit);
    if (!all.isEmpty() || limit == 0) {
      return new Answer(all, false);
    }
    List<String> words =
        Words.of(question).stream().filter(w -> !SmallWords.OF_QUESTIONS.contains(w)).toList();
    if (words.isEmpty()) {
      return new Answer(List.of(), false);
    }
    double[] scores = new double[actions.size()];
    int terms = 0;
    double found = 0;
    List<String> asked = words.stream().limit(MOST_TERMS).map(Words::stem).toList();
    Map<Integer, Integer> hits = new HashMap<>();
    for (int i = 0; i < asked.size(); ) {
      int length = phrase(asked, i);
      Map<Integer, Double> term = term(asked.subList(i, i + length));
      i += length;
      terms++;
      if (!term.isEmpty()) {
        double rarity = rarity(term.size());
        found += rarity;
        term.forEach(
            (action, quality) -> {
              scores[action] += rarity * quality;
              hits.merge(action, 1, Integer::sum);
            });
      }
    }
    if (found == 0) {
      return new Answer(List.of(), true);
    }
    double total = found;
    double[] value = new double[actions.size()];
    for (int a : hits.keySet()) {
      value[a] = scores[a] / total - UNASKED * Math.max(0, weights[a] - scores[a]) / total;
    }
    double best = hits.keySet().stream().mapToDouble(a -> value[a]).max().orElse(0);
    int wanted = terms;
    List<Action> ranked =
        hits.keySet().stream()
            .filter(a -> value[a] >= LEAST_OF_BEST * best)
            .sorted(
                Comparator.<Integer>comparingDouble(a -> -value[a])
                    .thenComparing(Comparator.naturalOrder()))
            .limit(limit)
            .map(actions::get)
            .toList();
    boolean whole = hits.values().stream().anyMatch(n -> n == wanted);
    return new Answer(ranked, !whole);
  }

  /** How many words from here on are one phrase that means the same as another. */
  private int phrase(List<String> asked, int from) {
    for (int n = Math.min(SameWords.LONGEST, asked.size() - from); n > 1; n--) {
      if (same.knows(String.join(" ", asked.subList(from, from + n)))) {
        return n;
      }
    }
    return 1;
  }

  /** The actions that a word or phrase finds, and how well. */
  private Map<Integer, Double> term(List<String> phrase) {
    Map<Integer, Double> found = new HashMap<>();
    add(phrase, 1, found);
    for (List<String> other : same.near(String.join(" ", phrase))) {
      add(other, other.size() > 1 || phrase.size() > 1 ? SAME_PHRASE : SAME, found);
    }
    if (phrase.size() > 1) {
      // Its words by themselves, where an action has only some of them.
      double share = 0.5 / phrase.size();
      for (String word : phrase) {
        for (int a : postings.getOrDefault(word, new int[0])) {
          found.merge(a, share, (x, y) -> Math.max(x, Math.min(1, x < 0.5 ? x + y : x)));
        }
      }
    }
    if (found.isEmpty() && phrase.size() == 1) {
      likely(phrase.getFirst(), found);
    }
    return found;
  }

  private void add(List<String> phrase, double quality, Map<Integer, Double> found) {
    int[] fewest = postings.getOrDefault(phrase.getFirst(), new int[0]);
    for (int a : fewest) {
      double least = quality;
      for (String word : phrase) {
        least = Math.min(least, quality * stems.get(a).getOrDefault(word, 0.0));
      }
      if (least > 0) {
        found.merge(a, least, Math::max);
      }
    }
  }

  /** What begins so, or differs by one letter: only for a word that nothing else finds. */
  private void likely(String stem, Map<Integer, Double> found) {
    for (Map.Entry<String, int[]> entry : postings.entrySet()) {
      double quality =
          stem.length() > 2 && entry.getKey().startsWith(stem)
              ? BEGUN
              : stem.length() > 3 && isAlmost(stem, entry.getKey()) ? MISSPELT : 0;
      if (quality > 0) {
        for (int a : entry.getValue()) {
          found.merge(a, quality * stems.get(a).get(entry.getKey()), Math::max);
        }
      }
    }
  }

  /** Whether one letter is wrong, missing, extra or swapped with its neighbour. */
  static boolean isAlmost(String a, String b) {
    if (Math.abs(a.length() - b.length()) > 1) {
      return false;
    }
    int same = Arrays.mismatch(a.toCharArray(), b.toCharArray());
    if (same < 0) {
      return true;
    }
    String restA = a.substring(same);
    String restB = b.substring(same);
    return restA.equals(restB.isEmpty() ? "" : restB.substring(1))
        || restB.equals(restA.isEmpty() ? "" : restA.substring(1))
        || (restA.length() == restB.length() && restA.substring(1).equals(restB.substring(1)))
        || (restA.length() > 1
            && restB.length() == restA.length()
            && restA.charAt(0) == restB.charAt(1)
            && restA.charAt(1) == restB.charAt(0)
            && restA.substring(2).equals(restB.substring(2)));
  }

  private double rarity(int known) {
    return Math.log(1 + (actions.size() + 1.0) / (known + 1.0));
  }
}
