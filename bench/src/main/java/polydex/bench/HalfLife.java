package polydex.bench;

import java.util.Random;

/**
 * Memory that is lost at a rate which each recall lowers and each miss raises: B. Tabibian and
 * others, "Enhancing human learning via spaced repetition optimization", PNAS 116 (2019), with
 * exponential forgetting. Here a recall lowers the rate the more the later it comes (the spacing
 * effect), and items differ in how fast they are lost at first and in how well they settle. Speed
 * follows a power of practice, slower where recall is unsure.
 */
final class HalfLife implements Learner {
  private static final double FIRST_RATE = 0.1;
  private static final double FIRST_SPREAD = 0.6;
  private static final double LEAST_GAIN = 0.5;
  private static final double GREATEST_GAIN = 0.9;
  private static final double FULL_GAIN_AT = 0.15;
  private static final double AFTER_MISS = 1.8;

  private final double[] first;
  private final double[] rate;
  private final double[] gain;
  private final double[] last;
  private final int[] practised;
  private final Random random;

  /** A person who knows none of so many items. */
  HalfLife(int items, Random random) {
    this.random = random;
    first = new double[items];
    rate = new double[items];
    gain = new double[items];
    last = new double[items];
    practised = new int[items];
    for (int i = 0; i < items; i++) {
      first[i] = FIRST_RATE * Math.exp(FIRST_SPREAD * random.nextGaussian());
      rate[i] = first[i];
      gain[i] = LEAST_GAIN + (GREATEST_GAIN - LEAST_GAIN) * random.nextDouble();
    }
  }

  @Override
  public double recall(int item, int day) {
    return recall(item, (double) day);
  }

  private double recall(int item, double at) {
    return practised[item] == 0 ? 0 : Math.exp(-rate[item] * (at - last[item]));
  }

  @Override
  public Said answer(int item, int day, double second) {
    double at = day + second / 86_400;
    double chance = recall(item, at);
    boolean right = random.nextDouble() < chance;
    if (right) {
      rate[item] *= 1 - gain[item] * Math.min(1, (1 - chance) / FULL_GAIN_AT);
    } else if (practised[item] > 0) {
      rate[item] = Math.min(first[item], rate[item] * AFTER_MISS);
    }
    last[item] = at;
    practised[item]++;
    double pace = 0.9 + 1.4 * Math.pow(practised[item], -0.5) + 0.8 * (1 - chance);
    return new Said(right, pace * Math.exp(0.2 * random.nextGaussian()));
  }
}
