package polydex.route;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import polydex.catalog.ActionId;

/** The arrays beside traced bindings against what the bindings themselves say. */
class SignsTest {

  @Property(seed = "20310314", tries = 300, edgeCases = EdgeCasesMode.NONE)
  void afterAnyReplacingTheyAreAsIfMadeAnew(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Random random = new Random(seed);
    List<TracedBinding> all = SetupTraces.of(c.setup(), c.world()).all();
    Map<Integer, List<TracedBinding>> instead = new TreeMap<>();
    List<TracedBinding> expected = new ArrayList<>();
    for (int i = 0; i < all.size(); i++) {
      if (random.nextInt(3) == 0) {
        List<TracedBinding> some = new ArrayList<>();
        for (int n = random.nextInt(3); n > 0; n--) {
          some.add(all.get(random.nextInt(all.size())));
        }
        instead.put(i, some);
        expected.addAll(some);
      } else {
        expected.add(all.get(i));
      }
    }
    Signs signs = Signs.of(all).replacing(instead);
    long bits = random.nextLong() & 0x1111_1111_1111_1111L;
    List<Integer> places = new ArrayList<>();
    signs.touching(bits, places::add);
    Set<ActionId> wanted = new HashSet<>();
    for (int i = 0; i < expected.size(); i++) {
      TracedBinding t = expected.get(i);
      assertThat(places.contains(i)).isEqualTo((t.touches() & bits) != 0 || t.touches() == 0);
      assertThat(signs.own(i)).isEqualTo(t.own());
      if (random.nextBoolean()) {
        wanted.add(t.binding().action());
      }
    }
    for (int i = 0; i < expected.size(); i++) {
      if (wanted.contains(expected.get(i).binding().action())) {
        assertThat(signs.mayBeFor(wanted).test(i)).isTrue();
      }
    }
  }

  /** What is asked of some actions only is what is asked of all. */
  @Property(seed = "20310314", tries = 100, edgeCases = EdgeCasesMode.NONE)
  void theReachOfSomeActionsIsThatOfAllOfThem(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Random random = new Random(seed);
    SetupTraces traces = SetupTraces.of(c.setup(), c.world());
    Set<ActionId> some = new HashSet<>();
    traces.all().stream()
        .filter(_ -> random.nextBoolean())
        .forEach(t -> some.add(t.binding().action()));
    Reach all = new Reach(traces);
    Reach few = new Reach(traces, some);
    for (TracedBinding t : traces.all()) {
      ActionId action = t.binding().action();
      if (some.contains(action)) {
        assertThat(few.of(action)).isEqualTo(all.of(action));
        assertThat(few.bindings(action)).isEqualTo(all.bindings(action));
      } else {
        assertThat(few.of(action)).isEmpty();
      }
    }
    assertThat(traces.own()).isEqualTo(traces.all().stream().filter(TracedBinding::own).toList());
  }
}
