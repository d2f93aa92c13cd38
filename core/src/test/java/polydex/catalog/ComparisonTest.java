package polydex.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.boards.Keyboards;
import polydex.catalog.Action.Harm;
import polydex.catalog.Comparison.Likeness;
import polydex.catalog.Environment.Application;
import polydex.catalog.Environment.Platform;
import polydex.catalog.Environment.WhenBroken;
import polydex.keys.Gesture;
import polydex.keys.GestureReader;
import polydex.keys.Modifier;

/** What one environment has to do with another, and what a gesture can be remembered by. */
class ComparisonTest {
  private static final Catalog CATALOG = catalog();

  private static Environment platform(String id, Modifier primary) {
    return new Environment(
        new EnvironmentId(id),
        id,
        new Version("1"),
        List.of(Context.ANYWHERE),
        WhenBroken.SWALLOW,
        new Platform(Map.of(), List.of(), false, Set.of(), primary, Optional.empty(), Set.of()));
  }

  private static Environment app(String id, String platform) {
    return new Environment(
        new EnvironmentId(id),
        id,
        new Version("1"),
        List.of(Context.ANYWHERE),
        WhenBroken.SWALLOW,
        new Application(List.of(new EnvironmentId(platform)), false));
  }

  private static Action action(String id, String title, String opposite, boolean toggles) {
    return new Action(
        new ActionId(id),
        title,
        "Group",
        List.of(),
        Harm.VISIBLE,
        Optional.of(opposite).filter(o -> !o.isEmpty()).map(ActionId::new),
        toggles);
  }

  private static List<Binding> bindings(String... pairs) {
    return Stream.of(pairs)
        .map(p -> p.split(" = "))
        .map(p -> Binding.of(p[0] + p[1], new ActionId(p[1]), Gesture.parse(p[0])))
        .toList();
  }

  private static Catalog catalog() {
    return Catalog.of(
        List.of(
            action("save", "Save", "", false),
            action("find", "Find", "", false),
            action("next", "Find the next", "previous", false),
            action("previous", "Find the previous", "next", false),
            action("tab", "Go to a tab", "", false),
            action("full", "Full screen", "", true),
            action("close", "Close", "", false)),
        List.of(
            platform("Left", Modifier.CTRL),
            platform("Right", Modifier.META),
            app("here", "Left"),
            app("there", "Right")),
        Map.of(
            new EnvironmentId("here"),
                bindings(
                    "Ctrl+S = save",
                    "Ctrl+F = find",
                    "F3 = next",
                    "Shift+F3 = previous",
                    "Alt+{1..3} = tab",
                    "F11 = full",
                    "Ctrl+K Ctrl+S = close"),
            new EnvironmentId("there"),
                bindings(
                    "Meta+S = save",
                    "Ctrl+Alt+F = find",
                    "Meta+G = next",
                    "Alt+2 = tab",
                    "F11 = full",
                    "F12 = close",
                    "Ctrl+F = close")));
  }

  @Test
  void anEnvironmentBesideAnotherWithCounts() {
    Comparison comparison =
        Comparison.of(CATALOG, new EnvironmentId("here"), new EnvironmentId("there"));
    assertThat(comparison.lines())
        .extracting(l -> l.action() + " " + l.likeness())
        .containsExactly(
            "save ONE_MODIFIER_AWAY",
            "find ONE_MODIFIER_AWAY",
            "next DIFFERENT",
            "previous MISSING",
            "tab SAME",
            "full SAME",
            "close DIFFERENT");
    assertThat(comparison.counts().values()).containsExactly(2, 2, 2, 1, 0);
    Comparison back = Comparison.of(CATALOG, new EnvironmentId("there"), new EnvironmentId("here"));
    assertThat(back.counts().get(Likeness.NEW)).isEqualTo(1);
    assertThat(back.counts().get(Likeness.SAME)).isEqualTo(2);
  }

  @ParameterizedTest
  @CsvSource({
    "Ctrl+S, Meta+S, true",
    "Ctrl+S, Ctrl+Shift+S, true",
    "Ctrl+S, Alt+Shift+S, false",
    "Ctrl+S, Ctrl+D, false",
    "Ctrl+K Ctrl+S, Meta+K Meta+S, true",
    "Ctrl+S, Ctrl+S, false",
    "Ctrl+S, S, true",
    "Shift*2, Ctrl*2, false",
  })
  void oneModifierAway(String a, String b, boolean is) {
    assertThat(Comparison.isOneModifierAway(Gesture.parse(a), Gesture.parse(b))).isEqualTo(is);
    assertThat(Comparison.isOneModifierAway(Gesture.parse(b), Gesture.parse(a))).isEqualTo(is);
  }

  private static List<String> hooks(String environment, String gesture) {
    Hooks hooks = new Hooks(CATALOG, Set.of(new EnvironmentId("here"), new EnvironmentId("there")));
    return CATALOG.bindings(new EnvironmentId(environment)).stream()
        .filter(b -> b.gesture().equals(Gesture.parse(gesture)))
        .findFirst()
        .map(b -> hooks.of(new EnvironmentId(environment), b))
        .orElseThrow()
        .stream()
        .map(h -> h.kind() + ": " + h.text())
        .toList();
  }

  @Test
  void hooksAreComputed() {
    assertThat(hooks("here", "Ctrl+S"))
        .containsExactly(
            "INITIAL: S as in “save”.", "ONE_CHANGE: As in there, with Ctrl for Meta.");
    assertThat(hooks("there", "Meta+S")).contains("ONE_CHANGE: As in here, with Meta for Ctrl.");
    assertThat(hooks("here", "F3"))
        .containsExactly("REVERSES: With Shift it does the opposite: “Find the previous”.");
    assertThat(hooks("here", "Shift+F3"))
        .containsExactly("REVERSES: Without Shift it does the opposite: “Find the next”.");
    assertThat(hooks("here", "F11"))
        .containsExactly(
            "AGAIN: The same again takes it back.", "SAME_ELSEWHERE: The same as in there.");
    assertThat(hooks("here", "Alt+{1..3}")).containsExactly("FAMILY: One of a family: Alt+{1..3}.");
    assertThat(hooks("there", "Meta+G")).isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '\u0001',
      textBlock =
          """
          ctrl+f        | here find true, there close true
          Ctrl+         | here save false, here find false, here close false, there close false
          ctrl + alt +  | there find false
          C-k           | here close false
          Ctrl+K Ctrl+S | here close true
          f11           | here full true, there full true
          ⌘S            | there save true
          Alt+3         | here tab true
          """)
  void gesturesAreFoundWhenOnlyBegun(String text, String found) {
    assertThat(
            GestureSearch.of(CATALOG, Keyboards.US).find(text, GestureReader.PLAIN).orElseThrow())
        .extracting(
            h -> h.owner().environment() + " " + h.owner().binding().action() + " " + h.isWhole())
        .containsExactly(found.split(", "));
  }

  @ParameterizedTest
  @CsvSource({"s", "find", "delete", "shift", "next tab", "ctrl+foo"})
  void wordsAreNotTakenForGestures(String text) {
    assertThat(GestureSearch.of(CATALOG, Keyboards.US).find(text, GestureReader.PLAIN)).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({
    "Find previous, previous, 0.99",
    "Locate the next one, next, 0.6",
    "Fullscreen mode, full, 0.4",
    "Saving, save, 0.99",
    "savw, , 0",
    "Close window, close, 0.5",
  })
  void titlesAreMatchedByMeaning(String title, String action, double least) {
    List<TitleMatcher.Match> matches = new TitleMatcher(CATALOG.actions()).match(title);
    if (action == null || least < 0.5) {
      assertThat(matches).isEmpty();
    } else {
      assertThat(matches.getFirst().action().id()).hasToString(action);
      assertThat(matches.getFirst().score()).isGreaterThanOrEqualTo(least).isLessThanOrEqualTo(1);
    }
  }

  @Test
  void searchForgivesOneWrongLetterAndKnowsOtherWords() {
    ActionSearch search = ActionSearch.of(CATALOG.actions());
    assertThat(search.find("prevoius")).extracting(a -> a.id().value()).containsExactly("previous");
    assertThat(search.find("scren")).extracting(a -> a.id().value()).containsExactly("full");
    assertThat(search.find("locate")).extracting(a -> a.id().value()).startsWith("find");
    assertThat(search.find("searching next"))
        .extracting(a -> a.id().value())
        .containsExactly("next");
    assertThat(search.find("zzzz")).isEmpty();
    assertThat(search.find("clsoe")).extracting(a -> a.id().value()).containsExactly("close");
  }

  /** Every action of either is told once, and as what one sees by looking at all pairs. */
  @Property(tries = 300)
  void comparingIsLookingAtAllPairs(@ForAll long seed) {
    Random random = new Random(seed);
    String[] gestures = {"Ctrl+A", "Meta+A", "Ctrl+Shift+A", "Alt+B", "B", "Ctrl+{A,B}", "F5"};
    List<ActionId> actions = Stream.of("save", "find", "next", "tab").map(ActionId::new).toList();
    Map<EnvironmentId, List<Binding>> both = new HashMap<>();
    for (String where : List.of("here", "there")) {
      List<Binding> list = new ArrayList<>();
      for (int i = 0; i < random.nextInt(7); i++) {
        list.add(
            Binding.of(
                "b" + i,
                actions.get(random.nextInt(actions.size())),
                Gesture.parse(gestures[random.nextInt(gestures.length)])));
      }
      both.put(new EnvironmentId(where), list);
    }
    Catalog catalog = Catalog.of(CATALOG.actions(), CATALOG.environments(), both);
    Comparison comparison =
        Comparison.of(catalog, new EnvironmentId("here"), new EnvironmentId("there"));
    assertThat(comparison.lines()).extracting(Comparison.Line::action).doesNotHaveDuplicates();
    for (ActionId action : actions) {
      List<Gesture> from = members(both.get(new EnvironmentId("here")), action);
      List<Gesture> to = members(both.get(new EnvironmentId("there")), action);
      Optional<Likeness> found =
          comparison.lines().stream()
              .filter(l -> l.action().equals(action))
              .map(Comparison.Line::likeness)
              .findFirst();
      if (from.isEmpty() && to.isEmpty()) {
        assertThat(found).isEmpty();
      } else if (from.isEmpty() || to.isEmpty()) {
        assertThat(found).contains(from.isEmpty() ? Likeness.NEW : Likeness.MISSING);
      } else {
        assertThat(found.orElseThrow() == Likeness.SAME)
            .isEqualTo(from.stream().anyMatch(to::contains));
      }
    }
    int all = comparison.counts().values().stream().mapToInt(Integer::intValue).sum();
    assertThat(all).isEqualTo(comparison.lines().size());
  }

  private static List<Gesture> members(List<Binding> bindings, ActionId action) {
    return bindings.stream()
        .filter(b -> b.action().equals(action))
        .flatMap(b -> b.gesture().expand().stream())
        .toList();
  }
}
