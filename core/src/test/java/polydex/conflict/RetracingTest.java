package polydex.conflict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.statistics.Statistics;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.EnvironmentId;
import polydex.route.LargeSetups;
import polydex.route.RandomSetups;
import polydex.route.Retracing;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;
import polydex.route.World;

/** Whatever is edited, what is made from before is what is found by starting over. */
class RetracingTest {
  private static final Person PERSON = new Person(_ -> 5, 300);

  @Property(seed = "20310314", tries = 40, edgeCases = EdgeCasesMode.NONE)
  void anEditGoneOnWithIsAnEditStartedOver(@ForAll long seed) {
    isStartedOver(RandomSetups.make(seed), new Random(seed));
  }

  /** The same of hundreds of bindings, of which nearly all are left alone. */
  @Property(seed = "20310314", tries = 30, edgeCases = EdgeCasesMode.NONE)
  void soItIsAmongManyBindings(@ForAll long seed) {
    isStartedOver(LargeSetups.make(seed, 150), new Random(seed));
  }

  private static void isStartedOver(RandomSetups.Case c, Random random) {
    World world = c.world();
    SetupTraces traces = SetupTraces.of(c.setup(), world);
    List<Conflict> conflicts = ConflictFinder.find(traces, PERSON);
    for (int i = 0; i < 4; i++) {
      world =
          new World(
              edited(world.catalog(), c.setup().environments(), random),
              world.boards(),
              world.layouts());
      SetupTraces over = SetupTraces.of(c.setup(), world);
      List<Conflict> found = ConflictFinder.find(over, PERSON);
      Optional<Retracing> again = Retracing.of(traces, world);
      Statistics.label("gone on with")
          .collect(again.isPresent())
          .coverage(it -> it.check(true).percentage(p -> p > 40));
      if (again.isPresent()) {
        assertThat(lines(again.get().traces().all())).isEqualTo(lines(over.all()));
        assertThat(lines(again.get().traces().absent())).isEqualTo(lines(over.absent()));
        assertThat(ConflictUpdate.of(conflicts, again.get(), PERSON)).isEqualTo(found);
        traces = again.get().traces();
      } else {
        traces = over;
      }
      conflicts = found;
    }
  }

  private static List<String> lines(List<TracedBinding> traced) {
    return traced.stream()
        .map(
            t ->
                "%s %s %s %s %s %s %s"
                    .formatted(
                        t.layer(),
                        t.binding(),
                        t.own(),
                        t.gesture(),
                        t.outcome(),
                        t.alone(),
                        t.active()))
        .toList();
  }

  /** A keymap with a binding that has another gesture or action, or is gone or new. */
  private static Catalog edited(Catalog catalog, List<EnvironmentId> environments, Random random) {
    String environment = environments.get(random.nextInt(environments.size())).value();
    List<Binding> list = new ArrayList<>(catalog.bindings(new EnvironmentId(environment)));
    List<Binding> others = catalog.bindings(environments.get(random.nextInt(environments.size())));
    if (list.isEmpty() || others.isEmpty()) {
      return catalog;
    }
    int at = random.nextInt(list.size());
    Binding was = list.get(at);
    Binding like = others.get(random.nextInt(others.size()));
    switch (random.nextInt(4)) {
      case 0 -> list.set(at, was.with(was.id(), like.gesture()));
      case 1 ->
          list.set(
              at,
              new Binding(
                  was.id(),
                  like.action(),
                  was.gesture(),
                  was.context(),
                  was.when(),
                  was.heldContext(),
                  was.remarks()));
      case 2 -> list.remove(at);
      default ->
          list.add(
              new Binding(
                  "new" + random.nextInt(1_000_000),
                  like.action(),
                  like.gesture(),
                  was.context(),
                  was.when(),
                  Optional.empty(),
                  was.remarks()));
    }
    return catalog.withBindings(new EnvironmentId(environment), list);
  }
}
