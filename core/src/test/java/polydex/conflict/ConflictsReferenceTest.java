package polydex.conflict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.lifecycle.AfterContainer;
import net.jqwik.api.statistics.Statistics;
import polydex.keys.Gesture;
import polydex.route.RandomSetups;
import polydex.route.ReferenceTracer;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;

/** The conflicts of random setups against the plain definition, every kind of them. */
class ConflictsReferenceTest {
  private static final Set<String> SEEN = new TreeSet<>();

  @Property(seed = "20310314", tries = 8_000, edgeCases = EdgeCasesMode.NONE)
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

  /**
   * What is said to work still does, where the loser holds, by the plain reference; what is said to
   * need no Fn needs none; and the list stands by what conflicts come to.
   */
  @Property(
      seed = "20310314",
      tries = 200,
      edgeCases = EdgeCasesMode.NONE,
      shrinking = ShrinkingMode.OFF)
  void whatIsSaidToWorkStillDoes(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    SetupTraces traces = SetupTraces.of(c.setup(), c.world());
    List<Conflict> found = ConflictFinder.find(traces, new Person(_ -> 5, 300));
    assertThat(found).isSortedAccordingTo(Comparator.comparing(Conflict::rank));
    int ways = 0;
    for (Conflict f : found) {
      String wanted = "." + f.loser().action() + "@" + f.loser().depth();
      Setup where =
          Stream.concat(traces.all().stream(), traces.absent().stream())
              .filter(t -> ConflictFinder.party(t).equals(f.loser()))
              .flatMap(t -> t.active().stream())
              .findFirst()
              .map(context -> c.setup().withContexts(List.of(context)))
              .orElse(c.setup());
      for (Gesture way : f.stillWorks()) {
        ways++;
        assertThat(new ReferenceTracer(c.world(), where).outcomes(way))
            .as("%s still works beside %s", way, f)
            .endsWith(wanted);
        if (f.kind() == Conflict.Kind.NEEDS_FN) {
          assertThat(way.toString()).doesNotContain("Home");
        }
      }
      // And nothing that works was forgotten, but for members of the losing family and Fn.
      for (TracedBinding t : traces.all()) {
        boolean other =
            t.binding().action().equals(f.loser().action())
                && t.layer().depth() == f.loser().depth()
                && !t.binding().gesture().isFamily()
                && !t.gesture().equals(f.loser().gesture())
                && !ConflictFinder.party(t).binding().equals(f.loser().binding());
        if (other
            && f.kind() != Conflict.Kind.NEEDS_FN
            && new ReferenceTracer(c.world(), where).outcomes(t.gesture()).endsWith(wanted)
            && new ReferenceTracer(c.world(), c.setup()).outcomes(t.gesture()).endsWith(wanted)) {
          assertThat(f.stillWorks()).as("%s beside %s", t, f).contains(t.gesture());
        }
      }
      if (f.rank() == Rank.WORKS && f.kind() != Conflict.Kind.THIN) {
        assertThat(new ReferenceTracer(c.world(), where).outcomes(f.loser().gesture()))
            .endsWith(wanted);
      }
    }
    Statistics.label("with ways")
        .collect(ways > 0)
        .coverage(some -> some.check(true).percentage(p -> p > 15));
  }

  @AfterContainer
  static void everyKindOfOneSetupOccurred() {
    assertThat(SEEN).hasSize(Conflict.Kind.values().length - 2);
  }
}
