package polydex.catalog;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.PriorityQueue;
import polydex.catalog.TitlePostings.Posting;

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
  private static final double UNASKED = 0.12;
  private static final double LEAST_OF_BEST = 0.45;
  private static final int MOST_TERMS = 12;

  private final List<Action> actions;
  private final ActionSearch exact;
  private final SameWords same;
  private final TitlePostings postings;
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
    postings = new TitlePostings(actions);
    weights = new double[actions.size()];
    for (int i = 0; i < weights.length; i++) {
      weights[i] =
          SameWords.stems(actions.get(i).title()).stream()
              .distinct()
              .filter(s -> !SmallWords.OF_QUESTIONS.contains(s))
              .mapToDouble(s -> rarity(postings.of(s).size()))
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
    List<String> asked = words.stream().limit(MOST_TERMS).map(Words::stem).toList();
    Likelihoods scores = new Likelihoods(actions.size());
    Likelihoods term = new Likelihoods(actions.size());
    int[] hits = new int[actions.size()];
    int terms = 0;
    double found = 0;
    for (int i = 0; i < asked.size(); ) {
      int length = phrase(asked, i);
      term.clear();
      term(asked.subList(i, i + length), term);
      i += length;
      terms++;
      if (term.size() > 0) {
        double rarity = rarity(term.size());
        found += rarity;
        for (int n = 0; n < term.size(); n++) {
          int action = term.touched(n);
          scores.merge(action, rarity * term.of(action), Double::sum);
          hits[action]++;
        }
      }
    }
    return found == 0 ? new Answer(List.of(), true) : ranked(scores, found, hits, terms, limit);
  }

  private Answer ranked(Likelihoods scores, double total, int[] hits, int terms, int limit) {
    double[] value = new double[scores.size()];
    double best = 0;
    boolean whole = false;
    for (int n = 0; n < value.length; n++) {
      int a = scores.touched(n);
      double asked = scores.of(a);
      value[n] = asked / total - UNASKED * Math.max(0, weights[a] - asked) / total;
      best = Math.max(best, value[n]);
      whole |= hits[a] == terms;
    }
    double least = LEAST_OF_BEST * best;
    Comparator<Integer> worstFirst =
        Comparator.<Integer>comparingDouble(n -> value[n])
            .thenComparing(Comparator.comparingInt(scores::touched).reversed());
    PriorityQueue<Integer> kept = new PriorityQueue<>(worstFirst);
    for (int n = 0; n < value.length; n++) {
      boolean room = kept.size() < limit;
      if (value[n] >= least && (room || worstFirst.compare(n, kept.element()) > 0)) {
        if (!room) {
          kept.remove();
        }
        kept.add(n);
      }
    }
    List<Action> ranked =
        kept.stream()
            .sorted(worstFirst.reversed())
            .map(n -> actions.get(scores.touched(n)))
            .toList();
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
  private void term(List<String> phrase, Likelihoods found) {
    add(phrase, 1, found);
    for (List<String> other : same.near(String.join(" ", phrase))) {
      add(other, other.size() > 1 || phrase.size() > 1 ? SAME_PHRASE : SAME, found);
    }
    if (phrase.size() > 1) {
      // Its words by themselves, where an action has only some of them.
      double share = 0.5 / phrase.size();
      for (String word : phrase) {
        Posting posting = postings.of(word);
        for (int n = 0; n < posting.size(); n++) {
          found.merge(
              posting.action(n), share, (x, y) -> Math.max(x, Math.min(1, x < 0.5 ? x + y : x)));
        }
      }
    }
    if (found.size() == 0 && phrase.size() == 1) {
      likely(phrase.getFirst(), found);
    }
  }

  private void add(List<String> phrase, double quality, Likelihoods found) {
    List<Posting> words = phrase.stream().map(postings::of).toList();
    for (int n = 0; n < words.getFirst().size(); n++) {
      int a = words.getFirst().action(n);
      double least = quality;
      for (Posting word : words) {
        least = Math.min(least, quality * word.weight(a));
      }
      if (least > 0) {
        found.merge(a, least, Math::max);
      }
    }
  }

  /** What begins so, or differs by one letter: only for a word that nothing else finds. */
  private void likely(String stem, Likelihoods found) {
    postings.forEach(
        (known, posting) -> {
          double quality =
              stem.length() > 2 && known.startsWith(stem)
                  ? BEGUN
                  : stem.length() > 3 && isAlmost(stem, known) ? MISSPELT : 0;
          if (quality > 0) {
            for (int n = 0; n < posting.size(); n++) {
              found.merge(posting.action(n), quality * posting.weightAt(n), Math::max);
            }
          }
        });
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
