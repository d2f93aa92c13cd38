package polydex.bench;

import java.util.Random;

/**
 * Memory that fades by a power of time, with much that disturbs it: items differ in how hard they
 * are; similar gestures come in threes, of which practising one makes the others a little less
 * sure; now and then what is known is missed nevertheless; and a recall that comes late makes an
 * item last the longer. The curve is that of J. T. Wixted and E. B. Ebbesen, "On the Form of
 * Forgetting", Psychological Science 2 (1991); for interference see M. C. Anderson, "Rethinking
 * interference theory", Journal of Memory and Language 49 (2003).
 */
final class Mixed implements Learner {
  private static final double FIRST_STRENGTH = 1.2;
  private static final double FIRST_SPREAD = 0.7;
  private static final double POWER = 0.35;
  private static final double LAPSE = 0.03;
  private static final double GAIN = 2.2;
  private static final double EASE_SPREAD = 0.35;
  private static final double AFTER_MISS = 0.5;
  private static final double INTERFERENCE = 0.04;
  private static final double SAME_DAY = 0.15;
  private static final int ALIKE = 3;

  private final double[] strength;
  private final double[] first;
  private final double[] ease;
  private final double[] last;
  private final int[] practised;
  private final Random random;

  /** A person who knows none of so many items. */
  Mixed(int items, Random random) {
    this.random = random;
    strength = new double[items];
    first = new double[items];
    ease = new double[items];
    last = new double[items];
    practised = new int[items];
    for (int i = 0; i < items; i++) {
      first[i] = FIRST_STRENGTH * Math.exp(FIRST_SPREAD * random.nextGaussian());
      ease[i] = Math.exp(EASE_SPREAD * random.nextGaussian());
    }
  }

  @Override
  public double recall(int item, int day) {
    return recall(item, (double) day);
  }

  private double recall(int item, double at) {
    return practised[item] == 0
        ? 0
        : (1 - LAPSE) * Math.pow(1 + Math.max(0, at - last[item]) / strength[item], -POWER);
  }

  @Override
  public Said answer(int item, int day, double second) {
    double at = day + second / 86_400;
    double chance = recall(item, at);
    boolean right = random.nextDouble() < chance;
    if (practised[item] == 0) {
      strength[item] = first[item];
    } else {
      double late = 1 - chance / (1 - LAPSE);
      double gain = ease[item] * GAIN * (at - last[item] < 0.5 ? SAME_DAY * late : late);
      strength[item] *= right ? 1 + 4 * gain * Math.pow(strength[item], -0.1) : AFTER_MISS + gain;
      strength[item] = Math.max(first[item] / 2, strength[item]);
    }
    int group = item / ALIKE * ALIKE;
    for (int other = group; other < Math.min(group + ALIKE, strength.length); other++) {
      if (other != item) {
        strength[other] *= 1 - INTERFERENCE;
      }
    }
    last[item] = at;
    practised[item]++;
    double pace = 0.9 + 1.1 * Math.pow(practised[item], -0.4) + 0.9 * (1 - chance);
    return new Said(right, pace * Math.exp(0.25 * random.nextGaussian()));
  }
}
