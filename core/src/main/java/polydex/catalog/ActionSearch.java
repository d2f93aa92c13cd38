package polydex.catalog;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.TreeMap;

/**
 * Finds actions by words in any order, each of which may be only begun, misspelt by one letter, or
 * said with another word that means the same.
 *
 * <p>The words of all actions stand sorted in one array, the postings of each behind one another in
 * two more, so that a prefix is one run through memory (an inverted index with a sorted dictionary;
 * Zobel and Moffat, "Inverted files for text search engines", 2006). A query costs O(postings of
 * its prefixes), whose sum over one typed letter is a few per cent of the texts, and O(n log limit)
 * for the best. Only a word that begins nothing is compared with the whole dictionary for one
 * wrong, missing, extra or swapped letter. Building costs O(n log n). Safe for use by several
 * threads.
 */
public final class ActionSearch {
  private static final int TITLE = 4;
  private static final int OTHER_WORD = 2;
  private static final int GROUP = 1;

  /** What a hit by meaning or with a wrong letter counts; the least prefix counts twice that. */
  private static final int BY_MEANING = 1;

  private static final int LEAST_MISSPELT = 4;

  private final List<Action> actions;
  private final String[] words;
  private final int[] from;
  private final int[] posted;
  private final byte[] weights;
  private final Map<String, int[]> byMeaning = new HashMap<>();

  private ActionSearch(List<Action> actions) {
    this.actions = actions;
    TreeMap<String, List<long[]>> sorted = new TreeMap<>();
    for (int i = 0; i < actions.size(); i++) {
      Action action = actions.get(i);
      add(sorted, i, action.title(), TITLE);
      for (String word : action.words()) {
        add(sorted, i, word, OTHER_WORD);
      }
      add(sorted, i, action.group(), GROUP);
    }
    words = sorted.keySet().toArray(String[]::new);
    from = new int[words.length + 1];
    int total = sorted.values().stream().mapToInt(List::size).sum();
    posted = new int[total];
    weights = new byte[total];
    int at = 0;
    int word = 0;
    Map<String, List<Integer>> meanings = new HashMap<>();
    for (Map.Entry<String, List<long[]>> entry : sorted.entrySet()) {
      from[word++] = at;
      List<Integer> meant =
          meanings.computeIfAbsent(Words.meaning(entry.getKey()), _ -> new ArrayList<>());
      for (long[] posting : entry.getValue()) {
        posted[at] = (int) posting[0];
        weights[at++] = (byte) posting[1];
        meant.add((int) posting[0]);
      }
    }
    from[words.length] = at;
    meanings.forEach(
        (meaning, list) ->
            byMeaning.put(meaning, list.stream().mapToInt(Integer::intValue).distinct().toArray()));
  }

  private static void add(Map<String, List<long[]>> sorted, int action, String text, int weight) {
    for (String word : Words.of(text)) {
      List<long[]> list = sorted.computeIfAbsent(word, _ -> new ArrayList<>(2));
      if (list.isEmpty() || list.getLast()[0] != action) {
        list.add(new long[] {action, weight});
      }
    }
  }

  /** An index of these actions. */
  public static ActionSearch of(List<Action> actions) {
    return new ActionSearch(List.copyOf(actions));
  }

  /**
   * The actions that have every word of the query, or a word that begins so or means the same; the
   * best first: words of the title before other words, whole words before begun ones, those before
   * what only means the same.
   */
  public List<Action> find(String query) {
    return find(query, actions.size());
  }

  /**
   * The best of them.
   *
   * @param limit how many at most
   */
  public List<Action> find(String query, int limit) {
    List<String> terms = Words.of(query);
    if (terms.isEmpty() || limit == 0) {
      return List.of();
    }
    Scores scores = new Scores(actions.size());
    for (String term : terms) {
      scores.next();
      boolean begun = prefix(term, scores);
      boolean meant = meaning(term, scores);
      if (!begun && !meant) {
        misspelt(term, scores);
      }
    }
    return best(scores, limit);
  }

  /** Which actions every word so far has hit, and what the best hits of each word come to. */
  private static final class Scores {
    final int[] total;
    final int[] last;
    final byte[] seen;
    int term;

    Scores(int size) {
      total = new int[size];
      last = new int[size];
      seen = new byte[size];
    }

    void next() {
      term++;
    }

    void hit(int action, int score) {
      if (seen[action] == term) {
        if (score > last[action]) {
          total[action] += score - last[action];
          last[action] = score;
        }
      } else if (seen[action] == term - 1) {
        seen[action] = (byte) term;
        last[action] = score;
        total[action] += score;
      }
    }
  }

  private boolean prefix(String term, Scores scores) {
    int word = Arrays.binarySearch(words, term);
    boolean any = false;
    for (int w = word < 0 ? -word - 1 : word; w < words.length && words[w].startsWith(term); w++) {
      int exact = words[w].length() == term.length() ? 1 : 0;
      for (int p = from[w]; p < from[w + 1]; p++) {
        scores.hit(posted[p], 2 * weights[p] + exact);
      }
      any = true;
    }
    return any;
  }

  private boolean meaning(String term, Scores scores) {
    int[] meant = byMeaning.get(Words.meaning(term));
    if (meant == null) {
      return false;
    }
    for (int action : meant) {
      scores.hit(action, BY_MEANING);
    }
    return true;
  }

  private void misspelt(String term, Scores scores) {
    if (term.length() < LEAST_MISSPELT) {
      return;
    }
    for (int w = 0; w < words.length; w++) {
      if (beginsAlmost(words[w], term)) {
        for (int p = from[w]; p < from[w + 1]; p++) {
          scores.hit(posted[p], BY_MEANING);
        }
      }
    }
  }

  /**
   * Whether a word begins with a term in which one letter is wrong, missing, too many or swapped.
   */
  static boolean beginsAlmost(String word, String term) {
    int i = 0;
    while (i < term.length() && i < word.length() && word.charAt(i) == term.charAt(i)) {
      i++;
    }
    return word.startsWith(term.substring(Math.min(i + 1, term.length())), i + 1)
        || word.startsWith(term.substring(Math.min(i + 1, term.length())), i)
        || word.startsWith(term.substring(i), i + 1)
        || (i + 1 < term.length()
            && i + 1 < word.length()
            && word.charAt(i) == term.charAt(i + 1)
            && word.charAt(i + 1) == term.charAt(i)
            && word.startsWith(term.substring(i + 2), i + 2));
  }

  /** A heap of the best so far, whose worst is thrown out; equal scores keep the given order. */
  private List<Action> best(Scores scores, int limit) {
    PriorityQueue<Long> heap = new PriorityQueue<>();
    for (int i = 0; i < scores.seen.length; i++) {
      if (scores.seen[i] == scores.term) {
        long rank = (long) scores.total[i] << 32 | (Integer.MAX_VALUE - i);
        if (heap.size() < limit) {
          heap.add(rank);
        } else if (heap.element() < rank) {
          heap.remove();
          heap.add(rank);
        }
      }
    }
    Action[] found = new Action[heap.size()];
    for (int i = found.length - 1; i >= 0; i--) {
      found[i] = actions.get(Integer.MAX_VALUE - (int) (long) heap.remove());
    }
    return List.of(found);
  }
}
