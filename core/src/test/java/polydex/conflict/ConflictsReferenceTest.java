package polydex.conflict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import java.util.TreeSet;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.lifecycle.AfterContainer;
import polydex.route.RandomSetups;
import polydex.route.SetupTraces;

/** The conflicts of random setups against the plain definition, every kind of them. */
class ConflictsReferenceTest {
  private static final Set<String> SEEN = new TreeSet<>();

  @Property(seed = "20310314", tries = 5_000, edgeCases = EdgeCasesMode.NONE)
  void theFinderAgreesWithThePlainDefinition(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Set<String> engine = new TreeSet<>();
    for (Conflict f :
        ConflictFinder.withoutWays(SetupTraces.of(c.setup(), c.world()), new Person(_ -> 5, 300))) {
      SEEN.add(f.kind().written());
      engine.add(ReferenceConflicts.line(f));
    }
    Set<String> plain = new ReferenceConflicts(c.world(), c.setup(), 300).all();
    Set<String> tooMany = new TreeSet<>(engine);
    tooMany.removeAll(plain);
    plain.removeAll(engine);
    assertThat("found: " + tooMany + ", not found: " + plain)
        .as("%s", c.setup())
        .isEqualTo("found: [], not found: []");
  }

  @AfterContainer
  static void everyKindOfOneSetupOccurred() {
    assertThat(SEEN).hasSize(Conflict.Kind.values().length - 2);
  }
}
