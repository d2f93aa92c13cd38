package polydex.fit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.statistics.Statistics;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.keys.Physical;
import polydex.recall.DrillItem;
import polydex.route.Machine;
import polydex.route.RandomSetups;
import polydex.route.ReachReferenceTest;
import polydex.route.ReferenceTracer;
import polydex.route.Remap;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.Situation;
import polydex.route.Situation.Computer;
import polydex.route.World;

/** What a remap gains and loses, against pressing everything before and after. */
class RemapReferenceTest {

  @Property(
      seed = "20310314",
      tries = 300,
      edgeCases = EdgeCasesMode.NONE,
      shrinking = ShrinkingMode.OFF)
  void whatIsGainedAndLostIsTheDifferenceOfPressingEverything(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.plain(seed);
    Random random = new Random(seed);
    Setup setup = c.setup().withContexts(List.of("anywhere"));
    List<Machine> machines = setup.machines();
    Remap remap = RandomSetups.remap(random);
    Machine machine = machines.get(random.nextInt(machines.size()));
    Computer computer = Computer.of(machine);
    boolean window =
        machine.focus() instanceof Machine.SessionWindow && remap.strokeRules().isEmpty();
    RemapDraft draft = new RemapDraft("d", computer, window, remap, RemapDraft.Effect.NOW, false);
    Situation before = new Situation(c.world(), Map.of(setup.id(), setup));
    RemapJudge judge = new RemapJudge(before, (_, _) -> 1, Set.of());

    Map<SetupId, Map<DrillItem, RemapJudge.Best>> ways = new HashMap<>();
    RemapChanges found = judge.of(draft.applyTo(before), ways);
    assertThat(judge.of(List.of(draft))).isEqualTo(found);

    Setup after = draft.applyTo(before).setups().get(setup.id());
    Set<DrillItem> was = pressed(c.world(), setup, judge.ways(setup.id()));
    Set<DrillItem> now = pressed(c.world(), after, ways.get(setup.id()));
    // Of what takes one press and holds anywhere, pressing everything finds all.
    Set<DrillItem> simple = simple(c.world(), setup);
    for (DrillItem item : simple) {
      boolean gained = found.gains().stream().anyMatch(g -> g.place().equals(item));
      boolean lost = found.loses().stream().anyMatch(l -> l.place().equals(item));
      assertThat(gained)
          .as("%s gained by %s on %s in %s", item, remap, computer, setup)
          .isEqualTo(!was.contains(item) && now.contains(item));
      assertThat(lost)
          .as("%s lost by %s on %s in %s", item, remap, computer, setup)
          .isEqualTo(was.contains(item) && !now.contains(item));
      Statistics.label("changes").collect(gained ? "gained" : lost ? "lost" : "neither");
    }
    for (RemapChanges.Reached m : found.moves()) {
      assertThat(m.before()).isPresent().isNotEqualTo(m.after());
    }
    Statistics.label("changes")
        .coverage(
            kinds -> {
              kinds.check("gained").count(n -> n > 4);
              kinds.check("lost").count(n -> n > 20);
            });
  }

  /**
   * What some single press ends in, each of everything on a small keyboard; and of what is said to
   * be a way, whatever keys it takes, what it really ends in.
   */
  private static Set<DrillItem> pressed(
      World world, Setup setup, Map<DrillItem, RemapJudge.Best> ways) {
    Set<DrillItem> found = new HashSet<>();
    Layout layout = world.layouts().get(setup.machine().layout());
    List<Gesture> all = new ArrayList<>();
    ReachReferenceTest.EVERYTHING.forEach(p -> all.add(Gesture.of(Presses.describe(p, layout))));
    ways.values().forEach(w -> all.add(w.gesture()));
    for (Gesture gesture : all) {
      String end = new ReferenceTracer(world, setup).outcomes(gesture);
      if (end.contains("@") && !end.contains(", ") && !end.startsWith("types")) {
        String[] parts = end.substring(0, end.indexOf('@')).split("\\.");
        found.add(new DrillItem(new EnvironmentId(parts[0]), new ActionId(parts[1])));
      }
    }
    return found;
  }

  /** Actions whose every binding is one press that holds anywhere. */
  private static Set<DrillItem> simple(World world, Setup setup) {
    Set<DrillItem> all = new HashSet<>();
    Set<DrillItem> others = new HashSet<>();
    SetupTraces.of(setup, world)
        .all()
        .forEach(
            t -> {
              DrillItem item = new DrillItem(t.environment(), t.binding().action());
              Layout own = world.layouts().get(setup.machines().get(t.layer().depth()).layout());
              Optional<List<Physical>> presses =
                  Presses.physical(t.binding().gesture().expand().getFirst(), own);
              boolean single =
                  t.opening() == 0
                      && t.binding().context().equals("anywhere")
                      && t.binding().heldContext().isEmpty()
                      && presses.filter(p -> p.size() == 1).isPresent()
                      && !(presses.get().getFirst() instanceof Physical.PointerPress);
              (single ? all : others).add(item);
            });
    all.removeAll(others);
    return all;
  }
}
