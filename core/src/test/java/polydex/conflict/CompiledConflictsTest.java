package polydex.conflict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.lifecycle.AfterContainer;
import polydex.conflict.Conflict.Kind;
import polydex.route.PlainTraces;
import polydex.route.RandomSetups;
import polydex.route.SetupTraces;

/** The conflicts of compiled setups against those that are found binding by binding. */
class CompiledConflictsTest {
  private static final Map<Kind, Integer> SEEN = new EnumMap<>(Kind.class);

  @Property(
      seed = "20310314",
      tries = 8_000,
      edgeCases = EdgeCasesMode.NONE,
      shrinking = ShrinkingMode.OFF)
  void theyAreTheSameInTheSameOrder(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    // Some are used much more than others, so that severities differ.
    Person person = new Person(a -> Math.floorMod(a.hashCode(), 7), 300);
    SetupTraces plain = PlainTraces.of(c.setup(), c.world());
    List<Conflict> expected = ConflictFinder.withoutWays(plain, person);
    List<Conflict> found = ConflictFinder.withoutWays(SetupTraces.of(c.setup(), c.world()), person);
    assertThat(found).as("%s", c.setup()).isEqualTo(expected);
    found.forEach(f -> SEEN.merge(f.kind(), 1, Integer::sum));
  }

  @Property(
      seed = "20310314",
      tries = 150,
      edgeCases = EdgeCasesMode.NONE,
      shrinking = ShrinkingMode.OFF)
  void soAreWaysOutAndSeverities(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Person person = new Person(a -> 1 + Math.floorMod(a.hashCode(), 7), 300);
    assertThat(ConflictFinder.find(SetupTraces.of(c.setup(), c.world()), person))
        .as("%s", c.setup())
        .isEqualTo(ConflictFinder.find(PlainTraces.of(c.setup(), c.world()), person));
  }

  @AfterContainer
  static void everyKindOfOneSetupOccurred() {
    assertThat(SEEN).hasSize(Kind.values().length - 2);
  }
}
