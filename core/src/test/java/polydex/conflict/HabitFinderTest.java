package polydex.conflict;

import static org.assertj.core.api.Assertions.assertThat;
import static polydex.route.Worlds.in;
import static polydex.route.Worlds.machine;
import static polydex.route.Worlds.plain;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.route.Machine;
import polydex.route.RandomSetups;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.World;
import polydex.route.Worlds;

/** Habits against every pair of bindings of every pair of environments. */
class HabitFinderTest {

  private static List<Conflict> find(World world, List<Setup> setups) {
    return HabitFinder.find(world.catalog(), setups, Person.of(_ -> 5));
  }

  @Test
  void oneGestureForTwoActionsIsCrossedAndOneActionOnTwoIsSplit() {
    World world =
        new Worlds()
            .platform("desk", plain())
            .app("one", "Ctrl+D = duplicate", "Ctrl+J = join", "Ctrl+S = save")
            .app("two", "Ctrl+D = delete", "Ctrl+S = save", "Alt+J = join")
            .build();
    List<Setup> setups =
        List.of(
            new Setup(new SetupId("a"), "a", "full", machine("desk", in("one"))),
            new Setup(new SetupId("b"), "b", "full", machine("desk", in("two"))));
    assertThat(find(world, setups))
        .extracting(c -> ConflictSentence.of(c, world.catalog()))
        .containsExactlyInAnyOrder(
            "Ctrl+D: “duplicate” in one, but in two “delete” happens.",
            "Ctrl+J: “join” in one; in two the same is Alt+J.");
    assertThat(find(world, setups)).allMatch(c -> c.setup().isEmpty() && c.at().isEmpty());
  }

  @Test
  void whatStandsOnOneMachineIsNoHabit() {
    World world =
        new Worlds().platform("desk", plain(), "Ctrl+D = show").app("app", "Ctrl+D = cut").build();
    Setup here = new Setup(new SetupId("a"), "a", "full", machine("desk", in("app")));
    assertThat(find(world, List.of(here))).isEmpty();
  }

  @Property(tries = 500)
  void thoseOfSomeEnvironmentsAreThoseOfAllThatHaveASideThere(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    List<EnvironmentId> environments = c.setup().environments().stream().sorted().toList();
    Set<EnvironmentId> some = new LinkedHashSet<>();
    for (int i = 0; i < environments.size(); i++) {
      if ((seed >> i & 1) == 0) {
        some.add(environments.get(i));
      }
    }
    assertThat(
            HabitFinder.find(
                c.world().catalog(), List.of(c.setup()), Person.of(_ -> 5), some::contains))
        .isEqualTo(
            find(c.world(), List.of(c.setup())).stream()
                .filter(
                    f ->
                        some.contains(f.loser().environment())
                            || some.contains(f.winner().orElseThrow().environment()))
                .toList());
  }

  @Property(tries = 1_000)
  void everyPairIsFoundAndNoOther(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Set<String> expected = new TreeSet<>();
    List<EnvironmentId> environments = c.setup().environments().stream().sorted().toList();
    for (EnvironmentId one : environments) {
      for (EnvironmentId other : environments) {
        if (one.compareTo(other) < 0 && !onOneMachine(c.setup(), one, other)) {
          pairs(doing(c, one), doing(c, other), expected);
        }
      }
    }
    Set<String> found = new TreeSet<>();
    for (Conflict f : find(c.world(), List.of(c.setup()))) {
      Conflict.Party winner = f.winner().orElseThrow();
      found.add(
          f.kind() == Conflict.Kind.CROSSED_HABIT
              ? "crossed %s %s %s"
                  .formatted(f.loser().gesture(), f.loser().action(), winner.action())
              : "split %s %s %s"
                  .formatted(f.loser().action(), f.loser().gesture(), winner.gesture()));
    }
    assertThat(found).isEqualTo(expected);
  }

  private static boolean onOneMachine(Setup setup, EnvironmentId one, EnvironmentId other) {
    for (Machine m : setup.machines()) {
      List<EnvironmentId> there = new ArrayList<>(List.of(m.platform()));
      m.application().ifPresent(there::add);
      if (there.contains(one) && there.contains(other)) {
        return true;
      }
    }
    return false;
  }

  private record Doing(Gesture gesture, ActionId action) {}

  private static List<Doing> doing(RandomSetups.Case c, EnvironmentId environment) {
    List<Doing> all = new ArrayList<>();
    // Switched off on every machine that has it, a binding is nobody's habit.
    List<Machine> with =
        c.setup().machines().stream().filter(m -> m.platform().equals(environment)).toList();
    boolean isFocused =
        c.setup().machines().stream()
            .anyMatch(m -> m.application().filter(environment::equals).isPresent());
    for (Binding b : c.world().catalog().bindings(environment)) {
      if (b.context().equals("anywhere")
          && b.when().holds(Worlds.ONE, Set.of())
          && (isFocused || with.stream().anyMatch(m -> !m.switchedOff().contains(b.id())))) {
        b.gesture().expand().forEach(g -> all.add(new Doing(g, b.action())));
      }
    }
    return all;
  }

  private static void pairs(List<Doing> here, List<Doing> there, Set<String> into) {
    Set<Gesture> seen = new LinkedHashSet<>();
    for (Doing d : here) {
      if (seen.add(d.gesture())) {
        there.stream()
            .filter(o -> o.gesture().equals(d.gesture()))
            .findFirst()
            .filter(o -> !o.action().equals(d.action()))
            .ifPresent(
                o -> into.add("crossed %s %s %s".formatted(d.gesture(), d.action(), o.action())));
      }
    }
    Set<ActionId> actions = new LinkedHashSet<>();
    here.forEach(d -> actions.add(d.action()));
    for (ActionId action : actions) {
      List<Gesture> a = gestures(here, action);
      List<Gesture> b = gestures(there, action);
      if (!b.isEmpty() && a.stream().noneMatch(b::contains)) {
        into.add("split %s %s %s".formatted(action, a.getFirst(), b.getFirst()));
      }
    }
  }

  private static List<Gesture> gestures(List<Doing> among, ActionId action) {
    return among.stream().filter(d -> d.action().equals(action)).map(Doing::gesture).toList();
  }
}
