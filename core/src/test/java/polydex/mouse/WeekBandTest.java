package polydex.mouse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;

/** The band against its definition, written out with sorted lists. */
class WeekBandTest {
  private static final LocalDate MONDAY = LocalDate.of(2031, 2, 3);
  private static final double SLACK = 1e-9;

  /** Weeks of so many hours a year; below 0 stands for one in which nothing was noted. */
  private static Weeks weeks(double... hours) {
    List<Weeks.Week> all = new ArrayList<>();
    for (int i = 0; i < hours.length; i++) {
      all.add(
          new Weeks.Week(
              MONDAY.plusWeeks(i),
              hours[i] < 0 ? 0 : 5,
              0,
              0,
              Optional.empty(),
              Optional.empty(),
              Optional.empty(),
              0,
              Math.max(0, hours[i]),
              0,
              0,
              0,
              0,
              List.of(),
              List.of()));
    }
    return new Weeks(all, 0, 0);
  }

  private static double median(List<Double> values) {
    List<Double> sorted = values.stream().sorted().toList();
    int n = sorted.size();
    return n % 2 == 1 ? sorted.get(n / 2) : (sorted.get(n / 2 - 1) + sorted.get(n / 2)) / 2;
  }

  @Property(tries = 500)
  void itIsTheLineOfMedianSlopesAndTheMedianDistanceFromIt(
      @ForAll @Size(min = 1, max = 12) List<@DoubleRange(min = 0, max = 200) Double> hours,
      @ForAll @IntRange(min = 0, max = 11) int left) {
    double[] all = hours.stream().mapToDouble(h -> h).toArray();
    if (left < all.length) {
      all[left] = -1;
    }
    List<Integer> used = new ArrayList<>();
    for (int i = 0; i < all.length; i++) {
      if (all[i] >= 0) {
        used.add(i);
      }
    }
    List<Integer> last = used.subList(Math.max(0, used.size() - 6), used.size());
    Optional<WeekBand> found = WeekBand.of(weeks(all));
    if (last.size() < 4) {
      assertThat(found).isEmpty();
      return;
    }
    WeekBand band = found.orElseThrow();
    List<Double> slopes = new ArrayList<>();
    for (int i : last) {
      for (int j : last) {
        if (i < j) {
          slopes.add((all[j] - all[i]) / (j - i));
        }
      }
    }
    double slope = median(slopes);
    double start = median(last.stream().map(i -> all[i] - slope * i).toList());
    double away = median(last.stream().map(i -> Math.abs(all[i] - start - slope * i)).toList());
    assertThat(band.slope()).isCloseTo(slope, within(SLACK));
    assertThat(band.start()).isCloseTo(start, within(1e-6));
    assertThat(band.half()).isCloseTo(1.96 * 1.4826 * away, within(1e-6)).isNotNegative();
    assertThat(band.first()).isEqualTo(last.getFirst());
    assertThat(band.last()).isEqualTo(last.getLast());
    // At least half of the weeks lie in it, whatever they are.
    assertThat(
            last.stream().filter(i -> Math.abs(all[i] - band.at(i)) <= band.half() + 1e-6).count())
        .isGreaterThanOrEqualTo((last.size() + 1) / 2);
  }

  @Example
  void oneOddWeekMovesNothingAndAStraightRunHasNoWidth() {
    WeekBand straight = WeekBand.of(weeks(60, 55, 50, 45, 40, 35)).orElseThrow();
    assertThat(straight.slope()).isCloseTo(-5, within(SLACK));
    assertThat(straight.half()).isCloseTo(0, within(SLACK));
    assertThat(straight.at(5)).isCloseTo(35, within(SLACK));
    WeekBand odd = WeekBand.of(weeks(60, 55, 190, 45, 40, 35)).orElseThrow();
    assertThat(odd.slope()).isCloseTo(-5, within(SLACK));
    assertThat(odd.half()).isCloseTo(0, within(SLACK));
    assertThat(Arrays.asList(straight, odd)).extracting(WeekBand::first).containsOnly(0);
  }
}
