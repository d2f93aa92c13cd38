package polydex.catalog;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.AlphaChars;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;

class WordsTest {
  @Test
  void whatMeansTheSameAsTheSameMeansTheSame() {
    for (List<String> same :
        List.of(
            List.of("launch", "begin", "start", "beginning", "started"),
            List.of("remove", "deleting", "erase"),
            List.of("documents", "file", "files", "doc"),
            List.of("previous", "backwards", "prev"))) {
      assertThat(same.stream().map(Words::meaning)).containsOnly(Words.meaning(same.getFirst()));
    }
    assertThat(Words.meaning("open")).isNotEqualTo(Words.meaning("close"));
    assertThat(Words.meaning("left")).isNotEqualTo(Words.meaning("right"));
  }

  /** Likeness is Dice's coefficient of weighted meanings, reckoned here from its definition. */
  @Property(tries = 200)
  void aTitleIsLikeAnotherByTheWeightOfWhatTheyShare(@ForAll long seed) {
    Random random = new Random(seed);
    List<String> words = List.of("dome", "cue", "lamp", "star", "dust", "rail", "prop", "glow");
    List<Action> actions = new ArrayList<>();
    for (int i = 0; i < 1 + random.nextInt(12); i++) {
      actions.add(Action.of(new ActionId("a" + i), title(words, random), "g"));
    }
    String asked = title(words, random);
    Map<Action, Double> wanted = new HashMap<>();
    for (Action a : actions) {
      Set<String> one = Set.copyOf(Words.of(asked));
      Set<String> other = Set.copyOf(Words.of(a.title()));
      double shared =
          one.stream().filter(other::contains).mapToDouble(w -> weight(w, actions)).sum();
      double all =
          one.stream().mapToDouble(w -> weight(w, actions)).sum()
              + other.stream().mapToDouble(w -> weight(w, actions)).sum();
      if (Math.abs(2 * shared / all - 0.5) < 1e-9) {
        return; // just on the border, where rounding decides
      }
      if (2 * shared / all > 0.5) {
        wanted.put(a, 2 * shared / all);
      }
    }
    List<TitleMatcher.Match> found = new TitleMatcher(actions).match(asked);
    assertThat(found).hasSize(Math.min(3, wanted.size()));
    List<Double> best =
        wanted.values().stream().sorted(Comparator.reverseOrder()).limit(3).toList();
    for (int i = 0; i < found.size(); i++) {
      assertThat(found.get(i).score()).isCloseTo(best.get(i), within(1e-9));
      assertThat(found.get(i).score()).isCloseTo(wanted.get(found.get(i).action()), within(1e-9));
    }
  }

  private static String title(List<String> words, Random random) {
    List<String> mixed = new ArrayList<>(words);
    Collections.shuffle(mixed, random);
    return String.join(" ", mixed.subList(0, 1 + random.nextInt(3)));
  }

  private static double weight(String word, List<Action> actions) {
    long with = actions.stream().filter(a -> Words.of(a.title()).contains(word)).count();
    return Math.log(1 + (actions.size() + 1.0) / (with + 1.0));
  }

  /** A meaning stands for itself, so that it does not matter how often it is asked. */
  @Property
  void aMeaningMeansItself(@ForAll @AlphaChars @StringLength(min = 1, max = 9) String word) {
    for (String w : List.of(word.toLowerCase(Locale.ROOT), "launch", "prefs", "win")) {
      String meaning = Words.meaning(w);
      boolean stands = Words.meaning(meaning).equals(meaning) || meaning.equals(Words.stem(w));
      assertThat(stands).as(w).isTrue();
    }
  }
}
