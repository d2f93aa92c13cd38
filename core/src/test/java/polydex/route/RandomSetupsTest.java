package polydex.route;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.lifecycle.AfterContainer;
import net.jqwik.api.statistics.Statistics;

/** The engine against the plain reference, on setups in which everything collides. */
class RandomSetupsTest {
  private static final int OFTEN = 5;
  private static final List<String> RULES =
      List.of(
          "AltGr that is Ctrl+Alt keeps a hold open",
          "Fn gives another key",
          "a held key is missing",
          "a hold is let go",
          "a key keeps a hold open",
          "a press in a hold",
          "a press that broke something off begins again at 5",
          "a press that broke something off begins again at 7",
          "a press that broke something off begins again at 8",
          "a replayed press opens a hold",
          "a sequence in a hold",
          "a sequence in a hold is broken off",
          "both sides at once",
          "replayed from 0",
          "replayed from 7",
          "replayed from 8",
          "the desktop is asked at 8",
          "two of a tap become keys");
  private static final Map<String, Integer> REACHED = new TreeMap<>();

  @Property(seed = "20310314", tries = 20_000, edgeCases = EdgeCasesMode.NONE)
  void theEngineAgreesWithThePlainReference(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    String engine = Worlds.outcomesAtDepth(Tracer.of(c.setup(), c.world()).trace(c.pressed()));
    ReferenceTracer plain = new ReferenceTracer(c.world(), c.setup());
    String reference = plain.outcomes(c.pressed());
    plain.reached().forEach(rule -> REACHED.merge(rule, 1, Integer::sum));
    assertThat(engine).as("%s in %s", c.pressed(), c.setup()).isEqualTo(reference);
    Statistics.label("kinds of outcome")
        .collect(engine.contains("."), engine.contains("types"), engine.contains("nothing"))
        .coverage(
            outcomes -> {
              outcomes.checkQuery(q -> (boolean) q.get(0)).percentage(p -> p > 25);
              outcomes.checkQuery(q -> (boolean) q.get(1)).percentage(p -> p > 10);
            });
  }

  /** A rule of the page that no random setup comes to is not tested by them. */
  @AfterContainer
  static void everyRuleWasReachedOften() {
    assertThat(REACHED.keySet()).containsExactlyInAnyOrderElementsOf(RULES);
    assertThat(REACHED).allSatisfy((_, times) -> assertThat(times).isGreaterThanOrEqualTo(OFTEN));
  }

  @Property(seed = "20310314", tries = 500)
  void anEmptyRemapChangesNothing(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Machine m = c.setup().machine();
    List<Remap> more = new ArrayList<>(m.remaps());
    more.addFirst(new Remap("nothing", Optional.empty(), List.of(), List.of()));
    assertSameOutcome(c, more);
  }

  @Property(seed = "20310314", tries = 500)
  void aSwapDoneTwiceChangesNothing(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Remap swap = Worlds.keys("Ctrl -> Meta", "Meta -> Ctrl", "KeyA -> KeyB", "KeyB -> KeyA");
    List<Remap> more = new ArrayList<>(c.setup().machine().remaps());
    more.addFirst(swap);
    more.addFirst(swap);
    // A swap forgets which side a modifier was on, so sides must not matter here.
    if (!c.pressed().toString().contains("RightCtrl")) {
      assertSameOutcome(c, more);
    }
  }

  private static void assertSameOutcome(RandomSetups.Case c, List<Remap> remaps) {
    Machine m = c.setup().machine();
    Machine changed = m.withRemaps(remaps);
    Setup with = new Setup(new SetupId("s"), "s", c.setup().board(), changed);
    assertThat(Worlds.outcomes(Tracer.of(with, c.world()).trace(c.pressed())))
        .isEqualTo(Worlds.outcomes(Tracer.of(c.setup(), c.world()).trace(c.pressed())));
  }

  @Property(seed = "20310314", tries = 300)
  void whatReachesAnActionEndsInIt(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    SetupTraces traces = SetupTraces.of(c.setup(), c.world());
    traces
        .reach()
        .forEach(
            (action, ways) ->
                assertThat(ways)
                    .isNotEmpty()
                    .allMatch(
                        w -> traces.trace(w).does(action) && w.binding().action().equals(action)));
    long working = traces.all().stream().filter(TracedBinding::works).count();
    assertThat(traces.reach().values().stream().mapToInt(List::size).sum()).isEqualTo(working);
  }
}
