package polydex.route;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import polydex.boards.Layout;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;

/** What random setups don't reach: many rows alike, and how ids of actions begin. */
class CompiledLimitsTest {
  /** Of hundreds that share two presses the compiled engine hands over to the one that hashes. */
  @Test
  void manyThatShareTwoPressesEndAsTheJourneySays() {
    List<String> longer = new ArrayList<>();
    for (char third = 'A'; third <= 'Z'; third++) {
      for (String held : List.of("", "Ctrl+", "Alt+", "Ctrl+Alt+", "Shift+Alt+")) {
        longer.add("Ctrl+K Ctrl+L " + held + third);
      }
    }
    longer.add("Ctrl+K Ctrl+L Ctrl+A B");
    String[] lines =
        IntStream.range(0, longer.size())
            .mapToObj(i -> longer.get(i) + " = does " + i)
            .toArray(String[]::new);
    World world = new Worlds().platform("desk", Worlds.plain()).app("app", lines).build();
    Setup setup = Worlds.setup(Worlds.machine("desk", Worlds.in("app")));
    SetupTraces compiled = SetupTraces.of(setup, world);
    assertThat(compiled.all()).isEqualTo(SetupTraces.plain(setup, world).all());
    CompiledRows rows = compiled.rows().orElseThrow();
    assertThat(IntStream.range(0, rows.size()).filter(i -> !rows.walked(i)).count())
        .isGreaterThan(50);
    assertThat(compiled.all().stream().filter(TracedBinding::works).count())
        .isEqualTo(longer.size() - 1L);
  }

  @Test
  void howIdsBeginPutsThemInOrder() {
    List<String> ids =
        new ArrayList<>(
            List.of(
                "",
                "a",
                "a0",
                "a00",
                "ab",
                "abcdefghi",
                "abcdefghij",
                "abcdefghz",
                "aé",
                "aéb",
                "a\u007f",
                "az",
                "b",
                "é",
                "日本",
                "a日",
                "zzzzzzzzz",
                "zzzzzzzzzz"));
    Collections.sort(ids);
    long[] beginnings =
        ids.stream().mapToLong(id -> CompiledKeymap.beginning(new ActionId(id))).toArray();
    assertThat(beginnings).isSorted();
    assertThat(LongStream.of(beginnings)).allMatch(b -> b >= 0);
    assertThat(LongStream.of(beginnings).distinct().count()).isGreaterThan(ids.size() - 6L);
  }

  @Test
  void numbersOfActionsAreThoseOfAMap() {
    ActionNumbers numbers = new ActionNumbers(2_000);
    List<ActionId> ids =
        IntStream.range(0, 2_000).mapToObj(i -> new ActionId("a" + i % 700)).toList();
    for (ActionId id : ids) {
      assertThat(numbers.id(numbers.number(id))).isEqualTo(id);
    }
    assertThat(numbers.size()).isEqualTo(700);
    assertThat(numbers.of(new ActionId("a699"))).isEqualTo(699);
    assertThat(numbers.of(new ActionId("a700"))).isEqualTo(-1);
  }

  /** A keymap is compiled once for a layout, and again only when it changes. */
  @Test
  void itIsKeptWhileKeymapAndLayoutStay() {
    World world =
        new Worlds()
            .platform("desk", Worlds.plain(), "Meta+D = show desk")
            .app("app", "Ctrl+A = all")
            .build();
    EnvironmentId app = new EnvironmentId("app");
    EnvironmentId desk = new EnvironmentId("desk");
    Layout layout = world.layouts().values().iterator().next();
    CompiledKeymap ofApp = CompiledKeymap.of(world.catalog(), app, layout);
    CompiledKeymap ofDesk = CompiledKeymap.of(world.catalog(), desk, layout);
    Binding moved = world.catalog().bindings(app).getFirst().with("b", Gesture.parse("Ctrl+B"));
    Catalog changed = world.catalog().withBindings(app, List.of(moved));
    assertThat(CompiledKeymap.of(changed, desk, layout)).isSameAs(ofDesk);
    assertThat(CompiledKeymap.of(world.catalog(), app, layout)).isSameAs(ofApp);
    CompiledKeymap again = CompiledKeymap.of(changed, app, layout);
    assertThat(again).isNotSameAs(ofApp);
    assertThat(again.gesture(0)).isEqualTo(Gesture.parse("Ctrl+B"));
  }
}
