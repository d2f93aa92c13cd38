package polydex.recall;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hipparchus.exception.MathIllegalStateException;
import org.hipparchus.optim.InitialGuess;
import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.PointValuePair;
import org.hipparchus.optim.SimpleBounds;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.nonlinear.scalar.ObjectiveFunction;
import org.hipparchus.optim.nonlinear.scalar.noderiv.BOBYQAOptimizer;

/**
 * Fits the memory model to a person: those of its parameters that answers say something about are
 * moved so that the answers become likelier, held back by how far they are from the usual ones.
 *
 * <p>Problem: penalised maximum likelihood; the penalty is that of a normal prior on the logarithm
 * of each parameter. Method: M. J. D. Powell, "The BOBYQA algorithm for bound constrained
 * optimization without derivatives", 2009, by Hipparchus; it takes no chances, so that the same
 * answers give the same fit. O(evaluations · answers), some 100 ms for 2,500 answers.
 */
public final class MemoryFitter {
  /** Fewer first answers than this say too little. */
  public static final int LEAST_ANSWERS = 200;

  /** Only so many of the newest are looked at. */
  public static final int MOST_ANSWERS = 2_500;

  /** The newest of so many parts are held out, to see whether the fit foretells better. */
  private static final int PARTS = 5;

  /** Which are moved: first stabilities, how difficulty moves, growth, and what a miss leaves. */
  private static final int[] MOVED = {0, 1, 2, 6, 8, 9, 10, 11, 13, 14, 15};

  /** How far a parameter of one person is from the usual one, in natural logarithms. */
  private static final double[] SPREAD = {1.0, 0.7, 1.0, 0.5, 0.4, 0.7, 0.7, 0.7, 0.4, 0.4, 0.5};

  /** No parameter goes farther than so many spreads. */
  private static final double FARTHEST = 3;

  private static final int MOST_EVALUATIONS = 1_500;
  private static final double LEAST_CHANCE = 1e-4;

  private MemoryFitter() {}

  /**
   * A fit from the latest answers that moved memory.
   *
   * @param latest in the order in which they were given
   * @param inUse what has foretold them until now
   * @param at when it is made
   * @return none for fewer than {@value #LEAST_ANSWERS}
   */
  public static Optional<MemoryFit> fit(
      List<FirstAnswer> latest, MemoryParameters inUse, Instant at) {
    if (latest.size() < LEAST_ANSWERS) {
      return Optional.empty();
    }
    List<FirstAnswer> some =
        latest.subList(Math.max(0, latest.size() - MOST_ANSWERS), latest.size());
    int seen = some.size() - some.size() / PARTS;
    MemoryParameters fitted = fitted(runs(some.subList(0, seen)), seen);
    List<List<FirstAnswer>> all = runs(some);
    List<List<FirstAnswer>> old = runs(some.subList(0, seen));
    return Optional.of(
        new MemoryFit(
            at,
            fitted,
            seen,
            some.size() - seen,
            heldOut(all, old, inUse),
            heldOut(all, old, fitted)));
  }

  /** The mean loss of those of all that are not among the old. */
  private static double heldOut(
      List<List<FirstAnswer>> all, List<List<FirstAnswer>> old, MemoryParameters w) {
    Loss whole = over(all, w);
    Loss part = over(old, w);
    return (whole.sum() - part.sum()) / Math.max(1, whole.count() - part.count());
  }

  /** How badly answers are foretold, and how many were foretold at all. */
  private record Loss(double sum, int count) {}

  /**
   * How badly parameters foretell answers, each from those before it: the mean of −ln of the chance
   * that was given to what happened. The first answers ever are not foretold.
   */
  public static double loss(List<FirstAnswer> answers, MemoryParameters w) {
    Loss loss = over(runs(answers), w);
    return loss.sum() / Math.max(1, loss.count());
  }

  /** The answers to each item, which follow each other. */
  private static List<List<FirstAnswer>> runs(List<FirstAnswer> answers) {
    Map<DrillItem, List<FirstAnswer>> byItem = new HashMap<>();
    answers.forEach(a -> byItem.computeIfAbsent(a.item(), _ -> new ArrayList<>()).add(a));
    // In an order of their own, so that sums are rounded alike from run to run.
    return byItem.entrySet().stream()
        .sorted(Map.Entry.comparingByKey(Comparator.naturalOrder()))
        .map(Map.Entry::getValue)
        .toList();
  }

  private static Loss over(List<List<FirstAnswer>> runs, MemoryParameters w) {
    double sum = 0;
    int count = 0;
    for (List<FirstAnswer> run : runs) {
      Memory memory = run.getFirst().before().orElse(null);
      for (FirstAnswer answer : run) {
        Grade grade = answer.grade();
        if (memory == null) {
          memory = Memory.first(grade, w);
        } else {
          double recall =
              Math.clamp(memory.retrievability(answer.days()), LEAST_CHANCE, 1 - LEAST_CHANCE);
          sum -= Math.log(grade == Grade.MISSED ? 1 - recall : recall);
          count++;
          memory = memory.next(grade, answer.days(), w);
        }
      }
    }
    return new Loss(sum, count);
  }

  private static MemoryParameters moved(double[] by) {
    MemoryParameters w = MemoryParameters.USUAL;
    for (int i = 0; i < MOVED.length; i++) {
      w = w.with(MOVED[i], MemoryParameters.USUAL.w(MOVED[i]) * Math.exp(by[i] * SPREAD[i]));
    }
    return w;
  }

  private static MemoryParameters fitted(List<List<FirstAnswer>> runs, int answers) {
    double[] best = new double[MOVED.length];
    double[] least = {Double.POSITIVE_INFINITY};
    double[] bound = new double[MOVED.length];
    Arrays.fill(bound, FARTHEST);
    double[] lower = Arrays.stream(bound).map(b -> -b).toArray();
    try {
      PointValuePair found =
          new BOBYQAOptimizer(2 * MOVED.length + 1, 0.5, 0.01)
              .optimize(
                  new MaxEval(MOST_EVALUATIONS),
                  GoalType.MINIMIZE,
                  new ObjectiveFunction(
                      by -> {
                        double penalty = Arrays.stream(by).map(x -> x * x / 2).sum();
                        double value = (over(runs, moved(by)).sum() + penalty) / answers;
                        if (value < least[0]) {
                          least[0] = value;
                          System.arraycopy(by, 0, best, 0, by.length);
                        }
                        return value;
                      }),
                  new InitialGuess(new double[MOVED.length]),
                  new SimpleBounds(lower, bound));
      return moved(found.getPoint());
    } catch (MathIllegalStateException e) {
      // It ran out of evaluations or of digits: the best that it came by is a fit as well.
      return moved(best);
    }
  }
}
