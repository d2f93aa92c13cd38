package polydex.catalog;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
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

  private static final int MOST_TERMS = 20;
  private static final int LARGEST_ALPHABET = 64;
  private static final int LEAST_MISSPELT = 4;

  /** A whole word of a title. */
  private static final int MOST_A_WORD = 2 * TITLE + 1;

  private final List<Action> actions;
  private final String[] words;
  private final int[] from;
  private final int[] posted;
  private final byte[] weights;
  private final Map<String, int[]> byMeaning = new HashMap<>();
  private final char[] alphabet;

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
    alphabet = alphabet(words);
    meanings.forEach(
        (meaning, list) ->
            byMeaning.put(meaning, list.stream().mapToInt(Integer::intValue).distinct().toArray()));
  }

  /** The letters that words have, without those that hardly any has, so that it stays small. */
  private static char[] alphabet(String[] words) {
    Map<Character, Integer> counts = new HashMap<>();
    for (String word : words) {
      for (int i = 0; i < word.length(); i++) {
        counts.merge(word.charAt(i), 1, Integer::sum);
      }
    }
    List<Character> letters =
        counts.entrySet().stream()
            .sorted(Map.Entry.<Character, Integer>comparingByValue().reversed())
            .limit(LARGEST_ALPHABET)
            .map(Map.Entry::getKey)
            .toList();
    char[] all = new char[letters.size()];
    for (int i = 0; i < all.length; i++) {
      all[i] = letters.get(i);
    }
    return all;
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
    List<String> terms = Words.of(query).stream().limit(MOST_TERMS).toList();
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

  /**
   * Every prefix that is one edit away from the term is looked for by itself (Mor and Fraenkel, "A
   * hash code method for detecting and correcting spelling errors", 1982): O(length · alphabet ·
   * log n), however many words there are.
   */
  private void misspelt(String term, Scores scores) {
    if (term.length() < LEAST_MISSPELT) {
      return;
    }
    for (int i = 0; i < term.length(); i++) {
      String before = term.substring(0, i);
      String after = term.substring(i + 1);
      almost(before + after, scores);
      if (i + 1 < term.length()) {
        almost(before + term.charAt(i + 1) + term.charAt(i) + term.substring(i + 2), scores);
      }
      for (char c : alphabet) {
        if (c != term.charAt(i)) {
          almost(before + c + after, scores);
          almost(before + c + term.charAt(i) + after, scores);
        }
      }
    }
  }

  private void almost(String prefix, Scores scores) {
    int word = Arrays.binarySearch(words, prefix);
    for (int w = word < 0 ? -word - 1 : word;
        w < words.length && words[w].startsWith(prefix);
        w++) {
      for (int p = from[w]; p < from[w + 1]; p++) {
        scores.hit(posted[p], BY_MEANING);
      }
    }
  }

  /**
   * Scores are small, so how many actions have each is counted, and the lowest score that still has
   * room is known before any action is taken: O(n), and equal scores keep the given order.
   */
  private List<Action> best(Scores scores, int limit) {
    int highest = scores.term * MOST_A_WORD;
    int[] counts = new int[highest + 1];
    for (int i = 0; i < scores.seen.length; i++) {
      if (scores.seen[i] == scores.term) {
        counts[scores.total[i]]++;
      }
    }
    int[] start = new int[highest + 1];
    int taken = 0;
    int lowest = highest;
    for (int score = highest; score >= 0 && taken < limit; score--) {
      start[score] = taken;
      taken += counts[score];
      lowest = score;
    }
    Action[] found = new Action[Math.min(taken, limit)];
    for (int i = 0; i < scores.seen.length; i++) {
      if (scores.seen[i] == scores.term && scores.total[i] >= lowest) {
        int at = start[scores.total[i]]++;
        if (at < found.length) {
          found[at] = actions.get(i);
        }
      }
    }
    return List.of(found);
  }
}
