package polydex.recall;

import java.util.Optional;

/**
 * After how many days an item is best asked again, by its difficulty and stability, where a second
 * of the person's time has a price.
 *
 * <p>Problem: an item is worth its chance of recall on every day to come, less what its askings
 * cost; when to ask it next is chosen after each answer, knowing that it will be right with the
 * chance of recall and what it leaves either way. Method: value iteration over a grid of states (R.
 * Bellman, "A Markovian Decision Process", 1957), days to come counting less and less; between
 * points of the grid values are interpolated. Choosing by the next gain alone is worse than a plain
 * threshold, since an asking pays mostly by what it lets the later ones be. O(states · waits ·
 * rounds), a few milliseconds.
 */
final class AskingTable {
  /** Days to come count less by e^(−1/this) each. */
  static final double HORIZON_DAYS = 180;

  private static final int DIFFICULTIES = 10;
  private static final double LEAST_S = 0.1;
  private static final double GREATEST_S = 3_650;
  private static final int STABILITIES = 36;
  private static final double STEP = Math.log(GREATEST_S / LEAST_S) / (STABILITIES - 1);
  private static final int MOST_ROUNDS = 200;

  /** Values that differ by less, in days of knowing, are the same. */
  private static final double SAME = 1e-3;

  /** The waits that are looked at, in days. */
  private static final double[] WAITS = {
    1, 2, 3, 4, 5, 6, 8, 10, 12, 15, 18, 22, 27, 33, 40, 50, 62, 77, 96, 120, 150, 190, 240, 300,
    400
  };

  /**
   * Where it is best not asked at all: a wait that nobody lives to see, of which there is a log.
   */
  private static final double NEVER = 4_000;

  /**
   * What follows each state and wait, whatever the price: of one person's memory, worked out once.
   */
  static final class Transitions {
    private final double[][] known = new double[STABILITIES * DIFFICULTIES][WAITS.length];
    private final double[] never = new double[STABILITIES * DIFFICULTIES];
    private final double[][] recall = new double[STABILITIES * DIFFICULTIES][WAITS.length];
    private final Spot[][] right = new Spot[STABILITIES * DIFFICULTIES][WAITS.length];
    private final Spot[][] missed = new Spot[STABILITIES * DIFFICULTIES][WAITS.length];

    Transitions(MemoryParameters parameters) {
      for (int s = 0; s < STABILITIES; s++) {
        for (int d = 0; d < DIFFICULTIES; d++) {
          Memory memory = new Memory(d + 1.0, LEAST_S * Math.exp(s * STEP));
          double sum = 0;
          double at = 0;
          for (int t = 0; t < WAITS.length; t++) {
            sum += knownBetween(memory, at, WAITS[t]);
            at = WAITS[t];
            known[state(s, d)][t] = sum;
            recall[state(s, d)][t] = memory.retrievability(at);
            right[state(s, d)][t] = Spot.of(memory.next(Grade.RIGHT, at, parameters));
            missed[state(s, d)][t] = Spot.of(memory.next(Grade.MISSED, at, parameters));
          }
          never[state(s, d)] = sum + HORIZON_DAYS * counting(at) * memory.retrievability(at);
        }
      }
    }

    /** Days of knowing between two moments, later ones counting less; by Simpson's rule. */
    private static double knownBetween(Memory memory, double from, double to) {
      double middle = (from + to) / 2;
      return (to - from)
          / 6
          * (counting(from) * memory.retrievability(from)
              + 4 * counting(middle) * memory.retrievability(middle)
              + counting(to) * memory.retrievability(to));
    }
  }

  /** A place between four points of the grid, the same in all tables. */
  record Spot(int corner, double s, double d) {
    static Spot of(Memory memory) {
      double s =
          Math.clamp(Math.log(memory.stability() / LEAST_S) / STEP, 0, STABILITIES - 1.000001);
      double d = Math.clamp(memory.difficulty() - 1, 0, DIFFICULTIES - 1.000001);
      return new Spot(state((int) s, (int) d), s - (int) s, d - (int) d);
    }

    double in(double[] values) {
      double low = values[corner] * (1 - d) + values[corner + 1] * d;
      double high = values[corner + DIFFICULTIES] * (1 - d) + values[corner + DIFFICULTIES + 1] * d;
      return low * (1 - s) + high * s;
    }
  }

  private final double[] value = new double[STABILITIES * DIFFICULTIES];
  private final double[] wait = new double[STABILITIES * DIFFICULTIES];

  /**
   * The best waits.
   *
   * @param lower the table of a lower price, from whose values the search sets out; none for the
   *     lowest
   * @param price of a second, in days of knowing one action
   * @param rightSeconds what an answer that is right takes
   * @param missedSeconds what one takes that is not, with what follows from it
   */
  AskingTable(
      Transitions of,
      Optional<AskingTable> lower,
      double price,
      double rightSeconds,
      double missedSeconds) {
    lower.ifPresent(t -> System.arraycopy(t.value, 0, value, 0, value.length));
    for (int round = 0; round < MOST_ROUNDS; round++) {
      double moved = 0;
      for (int state = value.length - 1; state >= 0; state--) {
        double best = of.never[state];
        double when = NEVER;
        for (int t = 0; t < WAITS.length; t++) {
          double r = of.recall[state][t];
          double then =
              of.known[state][t]
                  + counting(WAITS[t])
                      * (r * (of.right[state][t].in(value) - price * rightSeconds)
                          + (1 - r) * (of.missed[state][t].in(value) - price * missedSeconds));
          if (then > best) {
            best = then;
            when = WAITS[t];
          }
        }
        moved = Math.max(moved, Math.abs(best - value[state]));
        value[state] = best;
        wait[state] = Math.log(when);
      }
      if (moved < SAME) {
        break;
      }
    }
  }

  private static int state(int s, int d) {
    return s * DIFFICULTIES + d;
  }

  private static double counting(double day) {
    return Math.exp(-day / HORIZON_DAYS);
  }

  /** The logarithm of the days after an answer until it is best asked again. */
  double logWait(Spot after) {
    return after.in(wait);
  }

  /** What an item is worth after an answer that left this, in days of knowing it, askings paid. */
  double value(Memory memory) {
    return Spot.of(memory).in(value);
  }
}
