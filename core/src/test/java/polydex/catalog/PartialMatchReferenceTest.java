package polydex.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.lifecycle.AfterContainer;

/**
 * Partial matches by a reference that looks at every action for every word: each phrase of the
 * question counts by its rarity, what means the same somewhat less, unasked words against it.
 */
class PartialMatchReferenceTest {
  private static final List<String> WORDS =
      List.of(
          "lamp",
          "dim",
          "raise",
          "rope",
          "window",
          "tab",
          "close",
          "hide",
          "screen",
          "monitor",
          "delete",
          "remove",
          "curtain",
          "scene",
          "left",
          "next",
          "formatting",
          "style",
          "zoom");
  private static final List<String> UNKNOWN = List.of("volcano", "xyzzy", "lmap", "curt", "sceen");
  private static final AtomicInteger PARTIAL = new AtomicInteger();
  private static final AtomicInteger SAME = new AtomicInteger();
  private static final AtomicInteger MISSPELT = new AtomicInteger();

  private final List<Map<String, Double>> stems = new ArrayList<>();
  private List<Action> actions = List.of();

  private static String words(Random random, int most, boolean unknown) {
    List<String> all = new ArrayList<>();
    for (int i = 0; i < 1 + random.nextInt(most); i++) {
      boolean other = unknown && random.nextInt(4) == 0;
      List<String> of = other ? UNKNOWN : WORDS;
      all.add(of.get(random.nextInt(of.size())));
    }
    return String.join(" ", all);
  }

  @Property(tries = 1500, shrinking = ShrinkingMode.OFF)
  void findsWhatLookingAtEachFinds(@ForAll long seed) {
    Random random = new Random(seed);
    actions = new ArrayList<>();
    stems.clear();
    for (int i = 0; i < 3 + random.nextInt(20); i++) {
      String group = random.nextBoolean() ? "Ropes" : "View";
      actions.add(Action.of(new ActionId("a" + i), words(random, 4, false), group));
    }
    actions.forEach(a -> stems.add(weights(a)));
    String question = words(random, 5, true);
    int limit = 1 + random.nextInt(8);
    ActionFinder.Answer answer = ActionFinder.of(actions, SameWords.SHIPPED).find(question, limit);
    if (!ActionSearch.of(actions).find(question, limit).isEmpty()) {
      assertThat(answer.partial()).isFalse();
      return;
    }
    PARTIAL.incrementAndGet();
    // Two that are equally good may come either way round, as sums of doubles fall.
    Map<Action, Long> value = values(question);
    assertThat(answer.actions().stream().map(value::get).toList())
        .as(question)
        .isEqualTo(expected(value, limit));
    assertThat(answer.actions()).doesNotHaveDuplicates();
  }

  private static List<Long> expected(Map<Action, Long> value, int limit) {
    long best = value.values().stream().mapToLong(Long::longValue).max().orElse(0);
    return value.values().stream()
        .filter(v -> v >= 0.45 * Math.max(0, best) - 1)
        .sorted(Comparator.reverseOrder())
        .limit(limit)
        .toList();
  }

  private static Map<String, Double> weights(Action action) {
    Map<String, Double> own = new LinkedHashMap<>();
    Words.of(action.title()).forEach(w -> own.put(Words.stem(w), 1.0));
    Words.of(action.group()).forEach(w -> own.putIfAbsent(Words.stem(w), 0.35));
    return own;
  }

  /** Of each action that is found, in billionths. */
  private Map<Action, Long> values(String question) {
    List<String> asked = Words.of(question).stream().map(Words::stem).limit(12).toList();
    double[] scores = new double[actions.size()];
    Set<Integer> hit = new LinkedHashSet<>();
    double total = 0;
    for (int from = 0; from < asked.size(); ) {
      int length = Math.min(3, asked.size() - from);
      while (length > 1
          && !SameWords.SHIPPED.knows(String.join(" ", asked.subList(from, from + length)))) {
        length--;
      }
      Map<Integer, Double> found = found(asked.subList(from, from + length));
      from += length;
      double rarity = Math.log(1 + (actions.size() + 1.0) / (found.size() + 1.0));
      total += found.isEmpty() ? 0 : rarity;
      found.forEach((a, quality) -> scores[a] += rarity * quality);
      hit.addAll(found.keySet());
    }
    Map<Action, Long> value = new HashMap<>();
    for (int a : hit) {
      double unasked = 0.12 * Math.max(0, weight(a) - scores[a]);
      value.put(actions.get(a), Math.round((scores[a] - unasked) / total * 1e9));
    }
    return value;
  }

  private double weight(int action) {
    return Words.of(actions.get(action).title()).stream()
        .map(Words::stem)
        .distinct()
        .mapToDouble(
            stem -> {
              long with = stems.stream().filter(s -> s.containsKey(stem)).count();
              return Math.log(1 + (actions.size() + 1.0) / (with + 1.0));
            })
        .sum();
  }

  private Map<Integer, Double> found(List<String> phrase) {
    Map<Integer, Double> found = new HashMap<>();
    for (int a = 0; a < actions.size(); a++) {
      double best = holds(a, phrase);
      for (List<String> other : SameWords.SHIPPED.near(String.join(" ", phrase))) {
        double less = other.size() > 1 || phrase.size() > 1 ? 0.7 : 0.8;
        double same = less * holds(a, other);
        SAME.addAndGet(same > best ? 1 : 0);
        best = Math.max(best, same);
      }
      if (phrase.size() > 1) {
        double parts = 0;
        for (String word : phrase) {
          parts += stems.get(a).containsKey(word) ? 0.5 / phrase.size() : 0;
        }
        best = Math.max(best, parts);
      }
      if (best > 0) {
        found.put(a, best);
      }
    }
    if (found.isEmpty() && phrase.size() == 1) {
      for (int a = 0; a < actions.size(); a++) {
        double best = 0;
        for (Map.Entry<String, Double> own : stems.get(a).entrySet()) {
          boolean begun =
              phrase.getFirst().length() > 2 && own.getKey().startsWith(phrase.getFirst());
          boolean almost =
              phrase.getFirst().length() > 3 && oneOff(phrase.getFirst(), own.getKey());
          best = Math.max(best, begun || almost ? 0.6 * own.getValue() : 0);
        }
        if (best > 0) {
          MISSPELT.incrementAndGet();
          found.put(a, best);
        }
      }
    }
    return found;
  }

  private double holds(int action, List<String> phrase) {
    return phrase.stream().mapToDouble(w -> stems.get(action).getOrDefault(w, 0.0)).min().orElse(0);
  }

  /** Every text that one slip makes of another, made one by one. */
  private static boolean oneOff(String a, String b) {
    Set<String> slips = new LinkedHashSet<>(Set.of(a));
    for (int i = 0; i <= a.length(); i++) {
      for (char c = 'a'; c <= 'z'; c++) {
        slips.add(a.substring(0, i) + c + a.substring(i));
        if (i < a.length()) {
          slips.add(a.substring(0, i) + c + a.substring(i + 1));
        }
      }
      if (i < a.length()) {
        slips.add(a.substring(0, i) + a.substring(i + 1));
      }
      if (i + 1 < a.length()) {
        slips.add(a.substring(0, i) + a.charAt(i + 1) + a.charAt(i) + a.substring(i + 2));
      }
    }
    return slips.contains(b);
  }

  @AfterContainer
  static void everyRuleWasReached() {
    assertThat(PARTIAL.get()).isGreaterThan(150);
    assertThat(SAME.get()).isGreaterThan(100);
    assertThat(MISSPELT.get()).isGreaterThan(20);
  }
}
