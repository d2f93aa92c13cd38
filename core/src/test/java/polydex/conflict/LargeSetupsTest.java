package polydex.conflict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.statistics.Statistics;
import org.junit.jupiter.api.Test;
import polydex.route.CompiledRows;
import polydex.route.LargeSetups;
import polydex.route.PlainTraces;
import polydex.route.RandomSetups;
import polydex.route.SetupTraces;
import polydex.route.Situation;

/** Setups of hundreds of bindings in a tree of contexts, compiled and followed one by one. */
class LargeSetupsTest {
  private static final Person PERSON = new Person(a -> Math.floorMod(a.hashCode(), 5), 300);

  @Property(
      seed = "20310314",
      tries = 250,
      edgeCases = EdgeCasesMode.NONE,
      shrinking = ShrinkingMode.OFF)
  void conflictsAreTheSameInTheSameOrder(@ForAll long seed) {
    RandomSetups.Case c = LargeSetups.make(seed, 250);
    SetupTraces compiled = SetupTraces.of(c.setup(), c.world());
    SetupTraces plain = PlainTraces.of(c.setup(), c.world());
    assertThat(compiled.all()).as("%s", c.setup()).isEqualTo(plain.all());
    assertThat(compiled.absent()).isEqualTo(plain.absent());
    List<Conflict> found = ConflictFinder.withoutWays(compiled, PERSON);
    assertThat(found).isEqualTo(ConflictFinder.withoutWays(plain, PERSON));
    CompiledRows rows = compiled.rows().orElseThrow();
    long walked = IntStream.range(0, rows.size()).filter(rows::walked).count();
    Statistics.label("walk")
        .collect(walked > rows.size() * 0.6)
        .coverage(some -> some.check(true).percentage(p -> p > 50));
  }

  @Property(
      seed = "20310314",
      tries = 40,
      edgeCases = EdgeCasesMode.NONE,
      shrinking = ShrinkingMode.OFF)
  void soAreWaysOut(@ForAll long seed) {
    RandomSetups.Case c = LargeSetups.make(seed, 60);
    List<Conflict> found = ConflictFinder.find(SetupTraces.of(c.setup(), c.world()), PERSON);
    assertThat(found)
        .as("%s", c.setup())
        .isEqualTo(ConflictFinder.find(PlainTraces.of(c.setup(), c.world()), PERSON));
    Statistics.label("a way out")
        .collect(found.stream().anyMatch(f -> !f.stillWorks().isEmpty()))
        .coverage(some -> some.check(true).percentage(p -> p > 50));
  }

  /** Whoever looks at conflicts, on whatever thread, sees the same ones. */
  @Test
  void manyMayLookAtOnce() throws Exception {
    RandomSetups.Case c = LargeSetups.make(5, 250);
    List<Conflict> expected = ConflictFinder.find(PlainTraces.of(c.setup(), c.world()), PERSON);
    SetupTraces traces = SetupTraces.of(c.setup(), c.world());
    List<Conflict> found = ConflictFinder.find(traces, PERSON);
    Callable<Boolean> forwards = () -> found.stream().toList().equals(expected);
    Callable<Boolean> backwards = () -> found.reversed().equals(expected.reversed());
    Callable<Boolean> anew = () -> ConflictFinder.find(traces, PERSON).equals(expected);
    Callable<Boolean> bindings = () -> traces.all().stream().allMatch(t -> t.outcome() != null);
    try (ExecutorService many = Executors.newFixedThreadPool(4)) {
      for (Future<Boolean> same :
          many.invokeAll(List.of(forwards, backwards, anew, bindings, anew, forwards))) {
        assertThat(same.get()).isTrue();
      }
    }
    for (int i = 0; i < found.size(); i++) {
      assertThat(found.get(i)).isSameAs(found.get(i));
    }
  }

  @Test
  void onlyTheKindsThatAreAskedForAreFound() {
    RandomSetups.Case c = LargeSetups.make(7, 250);
    SetupTraces traces = SetupTraces.of(c.setup(), c.world());
    List<Conflict> all = ConflictFinder.find(traces, PERSON);
    for (Conflict.Kind kind : Conflict.Kind.values()) {
      assertThat(ConflictFinder.find(traces, PERSON, kind::equals))
          .isEqualTo(all.stream().filter(f -> f.kind() == kind).toList());
    }
  }

  /** What was tried is remembered, and is what a trial that knows nothing finds. */
  @Test
  void aTrialRemembersWhatItTried() {
    RandomSetups.Case c = LargeSetups.make(11, 120);
    Situation situation = new Situation(c.world(), Map.of(c.setup().id(), c.setup()));
    Trial trial = new Trial(situation, PERSON);
    FixFinder finder = new FixFinder(trial);
    List<Conflict> found = ConflictFinder.find(SetupTraces.of(c.setup(), c.world()), PERSON);
    int compared = 0;
    for (Conflict conflict : found.subList(0, Math.min(12, found.size()))) {
      for (Trial.Outcome o : finder.offered(conflict, Fix.Weights.USUAL, 1, () -> false)) {
        assertThat(trial.of(o.fix())).isSameAs(trial.of(o.fix()));
        assertThat(new Trial(situation, PERSON).of(o.fix())).isEqualTo(o);
        compared++;
      }
    }
    assertThat(compared).isPositive();
  }
}
