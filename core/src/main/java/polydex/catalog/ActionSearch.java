package polydex.catalog;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;

/**
 * Finds actions by words in any order, each of which may be only begun.
 *
 * <p>A sorted map from word to the actions that have it: a prefix is a range of that map, so that a
 * query costs O(words · (log n + hits)) and never reads a text. Building costs O(n log n).
 */
public final class ActionSearch {
  private static final int TITLE = 4;
  private static final int OTHER_WORD = 2;
  private static final int GROUP = 1;

  private record Posting(int action, int weight) {}

  private final List<Action> actions;
  private final NavigableMap<String, List<Posting>> words = new TreeMap<>();

  private ActionSearch(List<Action> actions) {
    this.actions = actions;
    for (int i = 0; i < actions.size(); i++) {
      Action action = actions.get(i);
      add(i, action.title(), TITLE);
      for (String word : action.words()) {
        add(i, word, OTHER_WORD);
      }
      add(i, action.group(), GROUP);
    }
  }

  /** An index of these actions. */
  public static ActionSearch of(List<Action> actions) {
    return new ActionSearch(List.copyOf(actions));
  }

  /**
   * The actions that have every word of the query, or a word that begins so; the best first: words
   * of the title before synonyms before the group, whole words before begun ones.
   */
  public List<Action> find(String query) {
    Map<Integer, Integer> scores = new HashMap<>();
    boolean first = true;
    for (String word : split(query)) {
      Map<Integer, Integer> hits = hits(word);
      if (first) {
        scores.putAll(hits);
      } else {
        scores.keySet().retainAll(hits.keySet());
        scores.replaceAll((action, score) -> score + hits.get(action));
      }
      first = false;
    }
    List<Integer> found = new ArrayList<>(scores.keySet());
    found.sort(Comparator.<Integer>comparingInt(i -> -scores.get(i)).thenComparing(i -> i));
    return found.stream().map(actions::get).toList();
  }

  /** The words of a text as they are compared: lower case, without accents. */
  static List<String> split(String text) {
    String plain = Normalizer.normalize(text, Normalizer.Form.NFKD).replaceAll("\\p{M}+", "");
    return Arrays.stream(plain.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+"))
        .filter(w -> !w.isEmpty())
        .toList();
  }

  private Map<Integer, Integer> hits(String prefix) {
    Map<Integer, Integer> best = new HashMap<>();
    words
        .subMap(prefix, prefix + Character.MAX_VALUE)
        .forEach(
            (word, postings) -> {
              for (Posting p : postings) {
                int score = 2 * p.weight() + (word.length() == prefix.length() ? 1 : 0);
                best.merge(p.action(), score, Math::max);
              }
            });
    return best;
  }

  private void add(int action, String text, int weight) {
    for (String word : split(text)) {
      words.computeIfAbsent(word, _ -> new ArrayList<>()).add(new Posting(action, weight));
    }
  }
}
