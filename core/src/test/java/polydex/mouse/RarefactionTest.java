package polydex.mouse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import polydex.effort.TheilSen;

/** Draws of uses without putting them back, against every draw that there is. */
class RarefactionTest {
  private static final int NONE_OF_THEM = -1;

  /** The uses one by one, each with the action that it was; those by keys are of none. */
  private static List<Integer> uses(List<Integer> counts, int others) {
    List<Integer> uses = new ArrayList<>();
    for (int action = 0; action < counts.size(); action++) {
      for (int i = 0; i < counts.get(action); i++) {
        uses.add(action);
      }
    }
    for (int i = 0; i < others; i++) {
      uses.add(NONE_OF_THEM);
    }
    return uses;
  }

  /** The mean number of different actions over all draws of so many. */
  private static double overAllDraws(List<Integer> uses, int drawn) {
    long draws = 0;
    long met = 0;
    for (int set = 0; set < 1 << uses.size(); set++) {
      if (Integer.bitCount(set) == drawn) {
        Set<Integer> different = new HashSet<>();
        for (int i = 0; i < uses.size(); i++) {
          if ((set >> i & 1) == 1) {
            different.add(uses.get(i));
          }
        }
        different.remove(NONE_OF_THEM);
        draws++;
        met += different.size();
      }
    }
    return met / (double) draws;
  }

  @Property(tries = 200)
  void theExpectationIsTheMeanOverAllDraws(@ForAll long seed) {
    Random random = new Random(seed);
    List<Integer> counts = new ArrayList<>();
    for (int i = 0; i < 1 + random.nextInt(4); i++) {
      counts.add(random.nextInt(4));
    }
    List<Integer> uses = uses(counts, random.nextInt(4));
    if (uses.isEmpty()) {
      return;
    }
    int drawn = 1 + random.nextInt(uses.size());
    Rarefaction found = Rarefaction.of(counts, uses.size(), drawn);
    assertThat(found.expected()).isCloseTo(overAllDraws(uses, drawn), within(1e-9));
    // Whoever draws all of them meets all of them, and nothing is left to chance.
    Rarefaction all = Rarefaction.of(counts, uses.size(), uses.size());
    assertThat(all.expected())
        .isCloseTo((double) counts.stream().filter(n -> n > 0).count(), within(1e-9));
    assertThat(all.deviation()).isCloseTo(0, within(1e-6));
  }

  @Property(tries = 300)
  void anIntervalIsNeverNarrowerThanChanceMakesIt(@ForAll long seed) {
    Random random = new Random(seed);
    List<Weeks.Point> line = new ArrayList<>();
    List<Weeks.Point> sure = new ArrayList<>();
    double noise = 0.1 + random.nextDouble();
    int weeks = 6 + random.nextInt(6);
    for (int i = 0; i < weeks; i++) {
      line.add(new Weeks.Point(i, 10 - 0.5 * i, noise));
      sure.add(new Weeks.Point(i, 10 - 0.5 * i, 0));
    }
    TheilSen chance = Weeks.trend(line).orElseThrow();
    TheilSen none = Weeks.trend(sure).orElseThrow();
    assertThat(none.low()).isCloseTo(-0.5, within(1e-9));
    assertThat(none.high()).isCloseTo(-0.5, within(1e-9));
    // By least squares through points that scatter alike: sd = noise / sqrt(sum of squares of x).
    double squares = weeks * (weeks * (double) weeks - 1) / 12;
    double reach = 1.96 * noise / Math.sqrt(squares);
    assertThat(chance.low()).isCloseTo(-0.5 - reach, within(1e-9));
    assertThat(chance.high()).isCloseTo(-0.5 + reach, within(1e-9));
    assertThat(chance.slope()).isCloseTo(-0.5, within(1e-9));
  }
}
