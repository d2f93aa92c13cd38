package polydex.free;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.BooleanSupplier;
import polydex.catalog.ActionId;
import polydex.keys.Gesture;
import polydex.route.Situation;

/**
 * The gestures that suit an action best, of those that are free: all are scored, and from the best
 * on they are tried until enough are free. O(candidates · log candidates + tried · setups).
 */
public final class Proposals {

  /**
   * A gesture for an action.
   *
   * @param score how well it suits
   */
  public record Proposal(Gesture gesture, Score score) {}

  /** How many modifiers a gesture of one's own should hold, so that it covers nobody else's. */
  public static final int MODIFIERS = 2;

  private final FreeGestures free;
  private final Scorer scorer;
  private final List<Candidate> candidates;

  /**
   * Ready to propose.
   *
   * @param candidates what is looked at
   */
  public Proposals(FreeGestures free, Scorer scorer, List<Candidate> candidates) {
    this.free = free;
    this.scorer = scorer;
    this.candidates = List.copyOf(candidates);
  }

  /** Proposes strokes for a computer, free in every setup in which it stands. */
  public static Proposals on(Situation situation, Situation.Computer computer) {
    FreeGestures free = FreeGestures.on(situation, computer);
    return new Proposals(
        free,
        new Scorer(situation, free.setups(), Score.Weights.USUAL),
        free.setups().isEmpty() ? List.of() : Candidates.of(free.setups()).strokes(MODIFIERS));
  }

  /** The same as the computer's platform takes them for a binding of one's own. */
  public static Proposals own(Situation situation, Situation.Computer computer) {
    FreeGestures free = FreeGestures.on(situation, computer);
    return new Proposals(
        free,
        new Scorer(situation, free.setups(), Score.Weights.USUAL),
        free.setups().isEmpty()
            ? List.of()
            : Candidates.of(free.setups()).own(situation.world().catalog(), free.computers()));
  }

  /** The best gestures alone, best first. */
  public List<Gesture> best(ActionId action, int most) {
    return of(action, most, () -> false).stream().map(Proposal::gesture).toList();
  }

  /**
   * The best, best first.
   *
   * @param most how many at most
   * @param stopped whether nobody waits for them any more
   */
  public List<Proposal> of(ActionId action, int most, BooleanSupplier stopped) {
    record Scored(Candidate candidate, double points) {}
    List<Scored> all = new ArrayList<>();
    for (Candidate c : candidates) {
      all.add(new Scored(c, scorer.points(action, c)));
    }
    all.sort(
        Comparator.comparingDouble(Scored::points)
            .thenComparing(s -> s.candidate().gesture().toString()));
    List<Proposal> found = new ArrayList<>();
    for (Scored s : all) {
      if (found.size() == most || stopped.getAsBoolean()) {
        break;
      }
      if (free.isFree(s.candidate().gesture())) {
        found.add(new Proposal(s.candidate().gesture(), scorer.of(action, s.candidate())));
      }
    }
    return found;
  }
}
