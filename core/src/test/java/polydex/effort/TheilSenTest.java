package polydex.effort;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class TheilSenTest {
  private static final double[] SIX = {0, 1, 2, 3, 4, 5};

  @Test
  void theIntervalLeavesOutAsManySlopesAsTheTableOfKendallSays() {
    // Six points have 15 slopes; M. Hollander and D. A. Wolfe's table: P(S >= 13) = 0.0083,
    // P(S >= 11) = 0.028, so at 95 % one slope and no more is left out at each end.
    double[] y = {10, 7, 9, 4, 3, 1};
    double[] slopes = TheilSen.slopes(SIX, y);
    Arrays.sort(slopes);
    TheilSen trend = TheilSen.of(SIX, y).orElseThrow();
    assertThat(trend.low()).isEqualTo(slopes[1]);
    assertThat(trend.high()).isEqualTo(slopes[13]);
    assertThat(trend.slope()).isEqualTo(slopes[7]);
    assertThat(trend.mayBeNone()).isFalse();
  }

  @Test
  void fourPointsAreTooFewForAnIntervalAndOneForATrend() {
    TheilSen four = TheilSen.of(new double[] {0, 1, 2, 3}, new double[] {1, 2, 3, 4}).orElseThrow();
    assertThat(four.low()).isEqualTo(Double.NEGATIVE_INFINITY);
    assertThat(four.mayBeNone()).isTrue();
    assertThat(TheilSen.of(new double[] {1}, new double[] {1})).isEmpty();
  }

  @Property(tries = 200)
  void aLineIsFoundWhateverAThirdOfItsPointsSay(
      @ForAll @IntRange(min = 10, max = 30) int n,
      @ForAll @IntRange(min = -9, max = 9) int slope,
      @ForAll long seed) {
    Random random = new Random(seed);
    double[] x = IntStream.range(0, n).mapToDouble(i -> i).toArray();
    double[] y = IntStream.range(0, n).mapToDouble(i -> 3 + slope * i).toArray();
    // Where few enough points are off, more than half of the pairs still lie on the line.
    for (int i = 0; i < n / 4; i++) {
      y[random.nextInt(n)] = random.nextInt(2000) - 1000;
    }
    TheilSen trend = TheilSen.of(x, y).orElseThrow();
    assertThat(trend.slope()).isCloseTo(slope, within(1e-9));
    assertThat(trend.low()).isLessThanOrEqualTo(slope);
    assertThat(trend.high()).isGreaterThanOrEqualTo(slope);
  }

  @Property(tries = 20)
  void theIntervalHoldsTheTrueSlopeAboutAsOftenAsItSays(@ForAll long seed) {
    Random random = new Random(seed);
    int held = 0;
    int all = 600;
    for (int i = 0; i < all; i++) {
      double[] y = SIX.clone();
      for (int k = 0; k < y.length; k++) {
        y[k] = 2 * k + random.nextGaussian();
      }
      TheilSen trend = TheilSen.of(SIX, y).orElseThrow();
      held += trend.low() <= 2 && trend.high() >= 2 ? 1 : 0;
    }
    // 98.3 % by the table; four standard deviations of 600 trials aside.
    assertThat(held / (double) all).isBetween(0.96, 1.0);
  }
}
