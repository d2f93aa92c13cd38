package polydex.catalog;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.IntStream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.From;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.boards.Keyboards;
import polydex.boards.Presses;
import polydex.catalog.Action.Harm;
import polydex.catalog.Binding.Condition;
import polydex.catalog.Environment.Application;
import polydex.catalog.Environment.WhenBroken;
import polydex.keys.Gesture;

class CatalogTest {
  private static final Environment APP = app("app", Context.ANYWHERE);

  private static Environment app(String id, Context... contexts) {
    return new Environment(
        new EnvironmentId(id),
        id,
        new Version("1"),
        List.of(contexts),
        WhenBroken.SWALLOW,
        new Application(List.of(), false));
  }

  private static Action action(String id, String title, String... words) {
    return new Action(new ActionId(id), title, "Group", List.of(words), Harm.VISIBLE);
  }

  private static Binding binding(String id, String action, String gesture) {
    return Binding.of(id, new ActionId(action), Gesture.parse(gesture));
  }

  @ParameterizedTest
  @CsvSource({"3, 3.0, 0", "3.1, 3, 1", "2.9, 2.10, -1", "2, 10, -1", "1.0.1, 1, 1"})
  void versionsAreComparedNumberByNumber(String one, String other, int sign) {
    Version a = new Version(one);
    Version b = new Version(other);
    assertThat(Integer.signum(a.compareTo(b))).isEqualTo(sign);
    assertThat(a.equals(b)).isEqualTo(sign == 0);
    assertThat(a.hashCode() == b.hashCode()).isEqualTo(sign == 0);
  }

  @Test
  void aVersionIsNumbersWithDots() {
    assertThatThrownBy(() -> new Version("3.x")).hasMessageContaining("3.x");
    assertThatThrownBy(() -> new Version("")).isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void conditionsHoldByVersionAndOption() {
    Condition when =
        new Condition(
            Optional.of(new Version("2")),
            Optional.of(new Version("3")),
            Optional.of("fn"),
            Optional.empty());
    assertThat(when.holds(new Version("2.5"), Set.of("fn"))).isTrue();
    assertThat(when.holds(new Version("1.9"), Set.of("fn"))).isFalse();
    assertThat(when.holds(new Version("3"), Set.of("fn"))).isFalse();
    assertThat(when.holds(new Version("2.5"), Set.of())).isFalse();
  }

  @Test
  void aCatalogueRefusesWhatRefersToNothing() {
    List<Action> actions = List.of(action("save", "Save"));
    assertThatThrownBy(
            () ->
                Catalog.of(
                    actions,
                    List.of(APP),
                    Map.of(new EnvironmentId("app"), List.of(binding("b", "gone", "F2")))))
        .hasMessageContaining("gone");
    assertThatThrownBy(
            () ->
                Catalog.of(
                    actions,
                    List.of(APP),
                    Map.of(new EnvironmentId("lost"), List.of(binding("b", "save", "F2")))))
        .hasMessageContaining("lost");
    Binding elsewhere = Binding.of("b", new ActionId("save"), Gesture.parse("F2"), "cell");
    assertThatThrownBy(
            () ->
                Catalog.of(
                    actions, List.of(APP), Map.of(new EnvironmentId("app"), List.of(elsewhere))))
        .hasMessageContaining("cell");
    assertThatThrownBy(
            () ->
                Catalog.of(
                    actions,
                    List.of(APP),
                    Map.of(
                        new EnvironmentId("app"),
                        List.of(binding("b", "save", "F2"), binding("b", "save", "F3")))))
        .hasMessageContaining("Twice");
  }

  @Test
  void whatIsAddedReplacesItsNamesakeInPlace() {
    Catalog catalog =
        Catalog.of(
            List.of(action("a", "A"), action("b", "B")),
            List.of(APP),
            Map.of(
                new EnvironmentId("app"),
                List.of(binding("1", "a", "F1"), binding("2", "b", "F2"))));
    Catalog more =
        catalog.with(
            List.of(action("a", "Another")),
            List.of(app("second", Context.ANYWHERE)),
            Map.of(
                new EnvironmentId("app"),
                List.of(binding("1", "b", "F5"), binding("3", "a", "F3"))));
    assertThat(more.actions()).extracting(Action::title).containsExactly("Another", "B");
    assertThat(more.bindings(new EnvironmentId("app")))
        .extracting(Binding::id)
        .containsExactly("1", "2", "3");
    assertThat(more.bindings(new EnvironmentId("app"), new ActionId("b"))).hasSize(2);
    assertThat(more.size()).isEqualTo(3);
    assertThat(more.environments()).hasSize(2);
    assertThat(catalog.title(new ActionId("a"))).isEqualTo("A");
    assertThat(catalog.title(new ActionId("unknown"))).isEqualTo("unknown");
  }

  @Test
  void contextsAreFollowedOutwardAndALoopEnds() {
    Environment nested =
        app(
            "nested",
            Context.ANYWHERE,
            new Context("list", "list", Optional.of("anywhere")),
            new Context("renaming", "renaming", Optional.of("list")),
            new Context("x", "x", Optional.of("y")),
            new Context("y", "y", Optional.of("x")));
    assertThat(nested.outward("renaming")).containsExactly("renaming", "list", "anywhere");
    assertThat(nested.outward("nowhere")).isEmpty();
    assertThat(nested.outward("x")).hasSize(5);
  }

  @Test
  void wordsAreFoundInAnyOrderAndWhenOnlyBegun() {
    ActionSearch search =
        ActionSearch.of(
            List.of(
                action("1", "Delete the line", "remove"),
                action("2", "Duplicate the line", "copy"),
                action("3", "Copy"),
                action("4", "Café menu")));
    assertThat(search.find("line dupl")).extracting(a -> a.id().value()).containsExactly("2");
    assertThat(search.find("copy")).extracting(a -> a.id().value()).containsExactly("3", "2");
    assertThat(search.find("LINE")).extracting(a -> a.id().value()).containsExactly("1", "2");
    assertThat(search.find("cafe")).extracting(a -> a.id().value()).containsExactly("4");
    assertThat(search.find("line missing")).isEmpty();
    assertThat(search.find(" ,;")).isEmpty();
  }

  @Provide
  Arbitrary<String> words() {
    return Arbitraries.of("a", "ab", "abc", "b", "ba", "é", "line", "lines", "copy")
        .list()
        .ofMinSize(1)
        .ofMaxSize(4)
        .map(w -> String.join(" ", w));
  }

  @Property
  void theIndexFindsWhatAScanOfAllTextsFinds(
      @ForAll List<@From("words") String> titles, @ForAll("words") String query) {
    List<Action> actions =
        IntStream.range(0, titles.size())
            .mapToObj(
                i -> new Action(new ActionId("" + i), titles.get(i), "", List.of(), Harm.VISIBLE))
            .toList();
    List<String> scan =
        actions.stream()
            .filter(
                a ->
                    Words.of(query).stream()
                        .allMatch(q -> Words.of(a.title()).stream().anyMatch(w -> w.startsWith(q))))
            .map(a -> a.id().value())
            .toList();
    List<String> found =
        ActionSearch.of(actions).find(query).stream().map(a -> a.id().value()).toList();
    // What only means the same comes after.
    assertThat(found.subList(0, scan.size())).containsExactlyInAnyOrderElementsOf(scan);
    assertThat(found).doesNotHaveDuplicates();
    assertThat(ActionSearch.of(actions).find(query, 2))
        .extracting(a -> a.id().value())
        .isEqualTo(found.subList(0, Math.min(2, found.size())));
  }

  @Test
  void aGestureIsLookedUpByItsPresses() {
    Catalog catalog =
        Catalog.of(
            List.of(action("a", "A"), action("b", "B")),
            List.of(APP, app("other", Context.ANYWHERE)),
            Map.of(
                new EnvironmentId("app"),
                    List.of(binding("1", "a", "Ctrl+?"), binding("2", "b", "Alt+{1..3}")),
                new EnvironmentId("other"), List.of(binding("1", "b", "Ctrl+Shift+/"))));
    GestureIndex index = GestureIndex.of(catalog, Keyboards.US);
    assertThat(owners(index, "Ctrl+Shift+<Slash>")).containsExactly("app", "other");
    assertThat(owners(index, "Alt+2")).containsExactly("app");
    assertThat(owners(index, "Alt+4")).isEmpty();
  }

  private static List<String> owners(GestureIndex index, String gesture) {
    return index
        .owners(Presses.physical(Gesture.parse(gesture), Keyboards.US).orElseThrow())
        .stream()
        .map(o -> o.environment().value())
        .toList();
  }

  /** What was made of bindings stays while they are the same list, and no longer. */
  @Test
  void whatIsMadeOfBindingsIsKeptWithThem() {
    record Counted(int bindings) {}
    EnvironmentId app = new EnvironmentId("app");
    EnvironmentId other = new EnvironmentId("other");
    Catalog catalog =
        Catalog.of(
            List.of(action("save", "Save")),
            List.of(APP, app("other", Context.ANYWHERE)),
            Map.of(
                app, List.of(binding("b", "save", "Ctrl+S")),
                other, List.of(binding("c", "save", "Ctrl+W"))));
    int[] made = new int[1];
    Function<List<Binding>, Counted> count =
        list -> {
          made[0]++;
          return new Counted(list.size());
        };
    Counted ofApp = catalog.made(app, Counted.class, "", count);
    Counted ofOther = catalog.made(other, Counted.class, "", count);
    assertThat(catalog.made(app, Counted.class, "", count)).isSameAs(ofApp);
    assertThat(catalog.made(app, Counted.class, "with", count)).isNotSameAs(ofApp);
    assertThat(made[0]).isEqualTo(3);
    Catalog changed =
        catalog.withBindings(
            app, List.of(binding("b", "save", "Ctrl+S"), binding("d", "save", "Ctrl+D")));
    assertThat(changed.made(other, Counted.class, "", count)).isSameAs(ofOther);
    assertThat(changed.made(app, Counted.class, "", count)).isEqualTo(new Counted(2));
    assertThat(catalog.made(app, Counted.class, "", count)).isSameAs(ofApp);
    Catalog more = changed.with(List.of(action("quit", "Quit")), List.of(), Map.of());
    assertThat(more.made(other, Counted.class, "", count)).isSameAs(ofOther);
    assertThat(catalog.made(new EnvironmentId("none"), Counted.class, "", count).bindings())
        .isZero();
    assertThat(made[0]).isEqualTo(5);
    assertThat(changed.bindings(app, new ActionId("save"))).hasSize(2);
    assertThat(changed.binding(app, "d")).isPresent();
    assertThat(catalog.binding(app, "d")).isEmpty();
  }

  @Test
  void anActionThatLosesWorkDoesSoUnderItsOldIdToo() {
    Action loses = new Action(new ActionId("quit"), "Quit", "Group", List.of(), Harm.LOSES_WORK);
    Catalog catalog = Catalog.of(List.of(loses, action("save", "Save")), List.of(APP), Map.of());
    assertThat(catalog.losesWork(new ActionId("quit"))).isTrue();
    assertThat(catalog.losesWork(new ActionId("save"))).isFalse();
    assertThat(catalog.losesWork(new ActionId("exit"))).isFalse();
    Action gone = action("exit", "Exit");
    Catalog joined =
        catalog.with(
            new Successors(List.of(new Successors.Joined(gone, new ActionId("quit"), Set.of()))));
    assertThat(joined.losesWork(new ActionId("exit"))).isTrue();
    assertThat(catalog.losesWork(new ActionId("exit"))).isFalse();
  }
}
