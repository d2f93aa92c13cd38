package polydex.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import polydex.boards.Keyboards;
import polydex.boards.Presses;
import polydex.catalog.Environment.Application;
import polydex.catalog.Environment.WhenBroken;
import polydex.catalog.GestureSearch.Hit;
import polydex.keys.Gesture;
import polydex.keys.GestureReader;
import polydex.keys.Physical;

/** What is found through indexes, against looking at everything as plainly as can be. */
class SearchReferenceTest {
  private static final String LETTERS = "abcdo";

  private static String word(Random random, int least) {
    StringBuilder word = new StringBuilder();
    int length = least + random.nextInt(5);
    for (int i = 0; i < length; i++) {
      word.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
    }
    return word.toString();
  }

  /** Every text that one edit makes of a term, with the letters that there are. */
  private static Set<String> edits(String term) {
    Set<String> all = new HashSet<>();
    for (int i = 0; i < term.length(); i++) {
      all.add(term.substring(0, i) + term.substring(i + 1));
      for (int letter = 0; letter < LETTERS.length(); letter++) {
        char c = LETTERS.charAt(letter);
        all.add(term.substring(0, i) + c + term.substring(i + 1));
        all.add(term.substring(0, i) + c + term.substring(i));
      }
      if (i + 1 < term.length()) {
        all.add(term.substring(0, i) + term.charAt(i + 1) + term.charAt(i) + term.substring(i + 2));
      }
    }
    return all;
  }

  private static boolean begins(List<String> words, String prefix) {
    return words.stream().anyMatch(w -> w.startsWith(prefix));
  }

  @Property(tries = 500)
  void aMisspeltWordFindsWhatAScanOfAllWordsFinds(@ForAll long seed) {
    Random random = new Random(seed);
    List<Action> actions = new ArrayList<>();
    for (int i = 0; i < 12; i++) {
      actions.add(Action.of(new ActionId("" + i), word(random, 3) + " " + word(random, 3), ""));
    }
    String term = word(random, 4);
    boolean any = actions.stream().anyMatch(a -> begins(Words.of(a.title()), term));
    boolean meant =
        actions.stream()
            .anyMatch(
                a ->
                    Words.of(a.title()).stream()
                        .anyMatch(w -> Words.meaning(w).equals(Words.meaning(term))));
    if (any || meant) {
      return; // then nothing is taken for misspelt
    }
    List<ActionId> expected =
        actions.stream()
            .filter(a -> edits(term).stream().anyMatch(e -> begins(Words.of(a.title()), e)))
            .map(Action::id)
            .toList();
    assertThat(ActionSearch.of(actions).find(term))
        .as(term)
        .extracting(Action::id)
        .containsExactlyInAnyOrderElementsOf(expected);
  }

  /** The best few are the beginning of all. */
  @Property(tries = 300)
  void aLimitCutsWithoutChangingTheOrder(@ForAll long seed) {
    Random random = new Random(seed);
    List<Action> actions = new ArrayList<>();
    for (int i = 0; i < 40; i++) {
      actions.add(
          Action.of(
              new ActionId("" + i), word(random, 1) + " " + word(random, 1), word(random, 1)));
    }
    ActionSearch search = ActionSearch.of(actions);
    String query = word(random, 1).substring(0, 1) + " " + word(random, 1).substring(0, 1);
    List<Action> all = search.find(query);
    for (int limit = 0; limit <= all.size() + 1; limit++) {
      assertThat(search.find(query, limit)).isEqualTo(all.subList(0, Math.min(limit, all.size())));
    }
  }

  private static Gesture gesture(Random random) {
    String[] held = {"Ctrl+", "Alt+", "Ctrl+Shift+", "Meta+"};
    StringBuilder text = new StringBuilder();
    for (int i = 0; i <= random.nextInt(3); i++) {
      text.append(i == 0 ? "" : " ")
          .append(held[random.nextInt(held.length)])
          .append((char) ('A' + random.nextInt(3)));
    }
    return Gesture.parse(text.toString());
  }

  @Property(tries = 300)
  void aGestureFindsWhatBeginsWithIt(@ForAll long seed) {
    Random random = new Random(seed);
    List<Binding> bindings = new ArrayList<>();
    for (int i = 0; i < 30; i++) {
      bindings.add(Binding.of("b" + i, new ActionId("a"), gesture(random)));
    }
    Environment app =
        new Environment(
            new EnvironmentId("app"),
            "App",
            new Version("1"),
            List.of(Context.ANYWHERE),
            WhenBroken.SWALLOW,
            new Application(List.of(), false));
    Catalog catalog =
        Catalog.of(
            List.of(Action.of(new ActionId("a"), "A", "")),
            List.of(app),
            Map.of(new EnvironmentId("app"), bindings));
    Gesture asked = gesture(random);
    List<Physical> presses = Presses.physical(asked, Keyboards.US).orElseThrow();
    List<String> expected =
        bindings.stream()
            .filter(
                b -> {
                  List<Physical> theirs = Presses.physical(b.gesture(), Keyboards.US).orElseThrow();
                  return theirs.size() >= presses.size()
                      && theirs.subList(0, presses.size()).equals(presses);
                })
            .map(Binding::id)
            .toList();
    List<Hit> found =
        GestureSearch.of(catalog, Keyboards.US)
            .find(asked.toString(), GestureReader.PLAIN)
            .orElseThrow();
    assertThat(found)
        .extracting(h -> h.owner().binding().id())
        .containsExactlyInAnyOrderElementsOf(expected);
    found.forEach(
        h -> assertThat(h.isWhole()).isEqualTo(h.owner().binding().gesture().equals(asked)));
  }

  /**
   * A title is most like itself, likeness is from 0.5 to 1, and order of words is nothing to it.
   */
  @Property(tries = 300)
  void likenessIsReasonable(@ForAll long seed) {
    Random random = new Random(seed);
    List<Action> actions = new ArrayList<>();
    for (int i = 0; i < 20; i++) {
      actions.add(
          Action.of(
              new ActionId("" + i),
              word(random, 4) + " " + word(random, 4) + " " + word(random, 4),
              ""));
    }
    TitleMatcher matcher = new TitleMatcher(actions);
    for (Action action : actions) {
      List<String> words = new ArrayList<>(Words.of(action.title()));
      Collections.shuffle(words, random);
      List<TitleMatcher.Match> matches = matcher.match(String.join(" ", words));
      assertThat(matches.getFirst().score()).isBetween(0.999, 1.0);
      assertThat(matches).allSatisfy(m -> assertThat(m.score()).isBetween(0.5, 1.0));
      assertThat(matches).extracting(m -> m.action().id()).contains(action.id());
    }
    assertThat(matcher.match("zzzz yyyy")).isEmpty();
    assertThat(matcher.match("")).isEmpty();
  }
}
