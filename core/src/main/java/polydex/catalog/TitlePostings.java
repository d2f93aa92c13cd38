package polydex.catalog;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;

/** In which actions each stem stands, and how much it says of them. */
final class TitlePostings {
  private static final double OTHER_WORD = 0.7;

  /** Where a stem stands. */
  static final class Posting {
    private static final Posting NONE = new Posting(new int[0], new double[0]);

    private final int[] actions;
    private final double[] weights;

    private Posting(int[] actions, double[] weights) {
      this.actions = actions;
      this.weights = weights;
    }

    int size() {
      return actions.length;
    }

    /** The number of the n-th action; ascending. */
    int action(int n) {
      return actions[n];
    }

    /** What the stem says of the n-th action: 1 in a title, less in other words and a group. */
    double weightAt(int n) {
      return weights[n];
    }

    /** What it says of an action; 0 where it does not stand there. */
    double weight(int action) {
      int at = Arrays.binarySearch(actions, action);
      return at < 0 ? 0 : weights[at];
    }
  }

  private final Map<String, Posting> byStem = new HashMap<>();

  TitlePostings(List<Action> actions) {
    Map<String, List<Integer>> numbers = new HashMap<>();
    Map<String, List<Double>> weights = new HashMap<>();
    for (int i = 0; i < actions.size(); i++) {
      int number = i;
      stems(actions.get(i))
          .forEach(
              (stem, weight) -> {
                numbers.computeIfAbsent(stem, _ -> new ArrayList<>()).add(number);
                weights.computeIfAbsent(stem, _ -> new ArrayList<>()).add(weight);
              });
    }
    numbers.forEach(
        (stem, all) ->
            byStem.put(
                stem,
                new Posting(
                    all.stream().mapToInt(Integer::intValue).toArray(),
                    weights.get(stem).stream().mapToDouble(Double::doubleValue).toArray())));
  }

  private static Map<String, Double> stems(Action action) {
    Map<String, Double> own = new LinkedHashMap<>();
    SameWords.stems(action.title()).forEach(s -> own.put(s, 1.0));
    action.words().forEach(w -> SameWords.stems(w).forEach(s -> own.putIfAbsent(s, OTHER_WORD)));
    SameWords.stems(action.group()).forEach(s -> own.putIfAbsent(s, OTHER_WORD / 2));
    return own;
  }

  Posting of(String stem) {
    return byStem.getOrDefault(stem, Posting.NONE);
  }

  void forEach(BiConsumer<String, Posting> each) {
    byStem.forEach(each);
  }
}
