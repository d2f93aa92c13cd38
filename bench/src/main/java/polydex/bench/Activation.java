package polydex.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/**
 * Memory as activation: P. I. Pavlik and J. R. Anderson, "Practice and Forgetting Effects on
 * Vocabulary Memory: An Activation-Based Model of the Spacing Effect", Cognitive Science 29 (2005),
 * with their parameters. Each practice leaves a trace that fades by a power of time, the faster the
 * more active the item was when it was practised; between sessions time runs slower. It forgets
 * much faster than the scheduler supposes.
 */
final class Activation implements Learner {
  private static final double DECAY_SCALE = 0.217;
  private static final double DECAY_INTERCEPT = 0.177;
  private static final double THRESHOLD = -0.704;
  private static final double NOISE = 0.255;
  private static final double BETWEEN_SESSIONS = 0.025;
  private static final double SECONDS_A_DAY = 86_400;
  private static final double ITEM_SPREAD = 0.45;
  private static final double LATENCY = 0.55;
  private static final double HANDS = 0.75;

  /** What a practice leaves: when it was, on the slowed clock, and how fast it fades. */
  private record Left(double at, double decay) {}

  private final List<List<Left>> traces = new ArrayList<>();
  private final List<Double> ease = new ArrayList<>();
  private final Random random;

  /** A person who knows none of so many items. */
  Activation(int items, Random random) {
    this.random = random;
    for (int i = 0; i < items; i++) {
      traces.add(new ArrayList<>());
      ease.add(ITEM_SPREAD * random.nextGaussian());
    }
  }

  private double activation(int item, double now) {
    double sum = 0;
    for (Left left : traces.get(item)) {
      sum += Math.pow(Math.max(1, now - left.at()), -left.decay());
    }
    return sum == 0 ? Double.NEGATIVE_INFINITY : Math.log(sum) + ease.get(item);
  }

  private static double clock(int day, double second) {
    return day * SECONDS_A_DAY * BETWEEN_SESSIONS + second;
  }

  private static double recall(double active) {
    return 1 / (1 + Math.exp((THRESHOLD - active) / NOISE));
  }

  @Override
  public double recall(int item, int day) {
    return recall(activation(item, clock(day, 0)));
  }

  @Override
  public Said answer(int item, int day, double second) {
    double now = clock(day, second);
    double active = activation(item, now);
    boolean right = random.nextDouble() < recall(active);
    double wait = LATENCY * Math.exp(-Math.max(active, -2)) * Math.exp(0.2 * random.nextGaussian());
    double without = active - ease.get(item);
    traces.get(item).add(new Left(now, DECAY_SCALE * Math.exp(without) + DECAY_INTERCEPT));
    return new Said(right, HANDS + Math.min(wait, 5));
  }
}
