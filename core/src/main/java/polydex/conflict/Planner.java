package polydex.conflict;

import static polydex.language.CoreWords.worded;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import java.util.function.LongSupplier;
import org.jspecify.annotations.Nullable;
import org.ojalgo.optimisation.Expression;
import org.ojalgo.optimisation.ExpressionsBasedModel;
import org.ojalgo.optimisation.Optimisation;
import org.ojalgo.optimisation.Variable;
import org.ojalgo.type.CalendarDateDuration;
import org.ojalgo.type.CalendarDateUnit;
import polydex.catalog.Catalog;

/**
 * Finds the cheapest set of fixes that ends chosen conflicts and makes no new ones.
 *
 * <p>Problem: weighted set cover with side conditions. Method: an integer program with one binary
 * variable for each fix: each conflict is ended by a fix that is taken, or left at a price above
 * all others; a conflict that a taken fix would make is ended by another that is taken; of fixes
 * that change the same thing, or take the same gesture into use, at most one is taken. Fixes can
 * work on each other, which no single trial shows, so the answer is tried as a whole; where it
 * makes something new, a smallest set of its fixes that does so is cut off, and the program is
 * solved again (at most {@value #ROUNDS} times). A larger set might mend what the smallest makes,
 * so after a cut only what costs as little as the first answer is said to be proved. Branch and
 * bound by ojAlgo; worst case exponential in the number of fixes, in practice well under a second
 * for hundreds.
 */
public final class Planner {
  static final int ROUNDS = 25;

  private static final String STOPPED = worded("conflict.it-was-not-looked-at-the");
  private static final String NO_TIME = worded("conflict.it-was-not-looked-at-the-2");

  /** Two sums of costs differ by less only in rounding. */
  private static final double SAME = 1e-6;

  /** So many free gestures are looked at for each, since each is given away once. */
  private static final int FREE = 4;

  static {
    // The library greets on the standard output unless it is told not to.
    System.setProperty("shut.up.ojAlgo", "true");
  }

  private final Trial trial;
  private final FixFinder finder;
  private final Fix.Weights weights;
  private final int seconds;
  private final LongSupplier nanos;

  /**
   * A planner.
   *
   * @param seconds after which the best that was found is taken, 1 or more
   * @param nanos a clock, in nanoseconds since whenever
   */
  public Planner(Trial trial, Fix.Weights weights, int seconds, LongSupplier nanos) {
    this.trial = trial;
    this.finder = new FixFinder(trial);
    this.weights = weights;
    this.seconds = seconds;
    this.nanos = nanos;
  }

  /**
   * The plan for some conflicts.
   *
   * @param stop asked between trials; once it says so there is a plan of what was looked at so far
   */
  public Plan plan(Collection<Conflict> chosen, BooleanSupplier stop) {
    return plan(chosen, stop, _ -> {});
  }

  /**
   * The same, telling how far it is.
   *
   * @param looked gets the number of conflicts that have been looked at
   */
  public Plan plan(Collection<Conflict> chosen, BooleanSupplier stop, IntConsumer looked) {
    Map<Fix, Trial.Outcome> fixes = new LinkedHashMap<>();
    List<Plan.Left> left = new ArrayList<>();
    Set<String> wanted = new HashSet<>();
    long end = nanos.getAsLong() + TimeUnit.SECONDS.toNanos(seconds);
    BooleanSupplier over = () -> stop.getAsBoolean() || nanos.getAsLong() - end > 0;
    for (Conflict conflict : chosen) {
      if (over.getAsBoolean()) {
        left.add(new Plan.Left(conflict, stop.getAsBoolean() ? STOPPED : NO_TIME));
        continue;
      }
      List<Trial.Outcome> offered = finder.offered(conflict, weights, FREE, over);
      offered.forEach(o -> fixes.putIfAbsent(o.fix(), o));
      wanted.add(conflict.id());
      looked.accept(wanted.size());
    }
    boolean all = !over.getAsBoolean();
    Map<Fix, Trial.Outcome> hopeful = new LinkedHashMap<>(fixes);
    dropHopeless(hopeful);
    for (Conflict conflict : chosen) {
      boolean ends = hopeful.values().stream().anyMatch(o -> ends(o, conflict.id()));
      if (wanted.contains(conflict.id()) && !ends) {
        wanted.remove(conflict.id());
        left.add(new Plan.Left(conflict, whyNot(conflict, fixes.values())));
      }
    }
    Plan plan = solve(List.copyOf(hopeful.values()), wanted, chosen, left, over);
    return all ? plan : new Plan(plan.steps(), plan.cost(), 0, false, plan.left(), plan.worse());
  }

  /** What would get worse by a change that would end it, the mildest. */
  private String whyNot(Conflict conflict, Collection<Trial.Outcome> tried) {
    Catalog catalog = trial.situation().world().catalog();
    return tried.stream()
        .filter(o -> ends(o, conflict.id()) && !o.makes().isEmpty())
        .min(Comparator.comparingInt(o -> o.makes().size()))
        .map(
            o ->
                worded(
                    "conflict.would-end-it-but-then",
                    o.fix().title(catalog),
                    ConflictSentence.of(o.makes().getFirst(), catalog)))
        .orElse(worded("conflict.no-change-that-was-looked-at"));
  }

  private static boolean ends(Trial.Outcome outcome, String id) {
    return outcome.ends().stream().anyMatch(c -> c.id().equals(id));
  }

  /** A fix that makes what no other ends can't be in any plan. */
  private static void dropHopeless(Map<Fix, Trial.Outcome> fixes) {
    boolean changed = true;
    while (changed) {
      Set<String> ended = new HashSet<>();
      fixes.values().forEach(o -> o.ends().forEach(c -> ended.add(c.id())));
      changed =
          fixes.values().removeIf(o -> o.makes().stream().anyMatch(c -> !ended.contains(c.id())));
    }
  }

  private Plan solve(
      List<Trial.Outcome> fixes,
      Set<String> wanted,
      Collection<Conflict> chosen,
      List<Plan.Left> left,
      BooleanSupplier over) {
    if (wanted.isEmpty()) {
      return new Plan(List.of(), 0, 0, true, left);
    }
    ExpressionsBasedModel model = model(fixes, wanted);
    Bound bound = null;
    for (int round = 0; round < ROUNDS && (round == 0 || !over.getAsBoolean()); round++) {
      Optimisation.Result result = model.minimise();
      if (!result.getState().isFeasible()) {
        break;
      }
      bound = bound == null ? bound(fixes, model, result) : bound;
      List<Trial.Outcome> taken = new ArrayList<>();
      for (int i = 0; i < fixes.size(); i++) {
        if (result.doubleValue(i) > 0.5) {
          taken.add(fixes.get(i));
        }
      }
      Set<String> gone = gone(taken);
      Set<String> promised = new HashSet<>();
      taken.forEach(o -> o.ends().forEach(c -> promised.add(c.id())));
      promised.retainAll(wanted);
      if (gone != null && gone.containsAll(promised)) {
        return planned(taken, promised, wanted, chosen, left, bound, result);
      }
      List<Trial.Outcome> clash = gone == null ? fewestThatClash(taken) : taken;
      Expression cut = model.newExpression("cut " + round).upper(clash.size() - 1);
      clash.forEach(o -> cut.set(model.getVariable(fixes.indexOf(o)), 1));
    }
    return new Plan(
        List.of(),
        0,
        0,
        false,
        all(left, chosen, wanted, worded("conflict.no-set-of-the-changes-that")));
  }

  private Plan planned(
      List<Trial.Outcome> taken,
      Set<String> ended,
      Set<String> wanted,
      Collection<Conflict> chosen,
      List<Plan.Left> left,
      Bound bound,
      Optimisation.Result result) {
    double cost = taken.stream().mapToDouble(this::paid).sum();
    boolean optimal = bound.proved() && result.getValue() <= bound.value() + SAME;
    Set<String> rest = new HashSet<>(wanted);
    rest.removeAll(ended);
    return new Plan(
        taken,
        cost,
        optimal ? cost : Math.min(cost, bound.cost()),
        optimal,
        all(left, chosen, rest, worded("conflict.what-ends-it-stands-in-the")),
        trial.worse(taken.stream().map(Trial.Outcome::fix).toList()));
  }

  private static List<Plan.Left> all(
      List<Plan.Left> left, Collection<Conflict> chosen, Set<String> ids, String why) {
    List<Plan.Left> all = new ArrayList<>(left);
    chosen.stream().filter(c -> ids.contains(c.id())).forEach(c -> all.add(new Plan.Left(c, why)));
    return all;
  }

  /**
   * What is gone once all are made; nothing at all where they make something new together, or one
   * takes away what another counts on.
   */
  private @Nullable Set<String> gone(List<Trial.Outcome> taken) {
    Set<String> gone = new HashSet<>();
    if (taken.isEmpty()) {
      return gone;
    }
    List<Fix> fixes = taken.stream().map(Trial.Outcome::fix).toList();
    if (trial.blocked(fixes).isPresent()) {
      return null; // a way around that another step takes away
    }
    Trial.Outcome all = trial.together(fixes);
    all.ends().forEach(c -> gone.add(c.id()));
    taken.stream()
        .filter(o -> o.fix() instanceof Fix.UseOther)
        .forEach(o -> o.ends().forEach(c -> gone.add(c.id())));
    return all.makes().isEmpty() ? gone : null;
  }

  /** A set of them that still makes something new, while it would not without any one of it. */
  private List<Trial.Outcome> fewestThatClash(List<Trial.Outcome> taken) {
    List<Trial.Outcome> clash = new ArrayList<>(taken);
    for (Trial.Outcome one : taken) {
      List<Trial.Outcome> without = new ArrayList<>(clash);
      without.remove(one);
      if (gone(without) == null) {
        clash = without;
      }
    }
    return clash;
  }

  /**
   * What no plan can be below.
   *
   * @param value with the price of what is left
   * @param cost of the fixes alone, in points
   * @param proved whether it is an optimum itself
   */
  private record Bound(double value, double cost, boolean proved) {}

  /** From the program before anything was cut off; where time ran out, without whole numbers. */
  private Bound bound(
      List<Trial.Outcome> fixes, ExpressionsBasedModel model, Optimisation.Result first) {
    if (first.getState().isOptimal()) {
      return new Bound(first.getValue(), costs(fixes, first), true);
    }
    Optimisation.Result relaxed = model.copy(true).minimise();
    return new Bound(relaxed.getValue(), costs(fixes, relaxed), false);
  }

  /** What the fixes of a solution cost, without the price of what is left. */
  private double costs(List<Trial.Outcome> fixes, Optimisation.Result result) {
    double sum = 0;
    for (int i = 0; i < fixes.size(); i++) {
      sum += result.doubleValue(i) * paid(fixes.get(i));
    }
    return sum;
  }

  private ExpressionsBasedModel model(List<Trial.Outcome> fixes, Set<String> wanted) {
    ExpressionsBasedModel model = new ExpressionsBasedModel();
    model.options.time_abort =
        new CalendarDateDuration(seconds, CalendarDateUnit.SECOND).toDurationInMillis();
    Map<String, List<Variable>> enders = new HashMap<>();
    Map<Object, List<Variable>> onlyOne = new HashMap<>();
    List<Variable> variables = new ArrayList<>();
    double all = 1;
    for (int i = 0; i < fixes.size(); i++) {
      Trial.Outcome outcome = fixes.get(i);
      Variable x = model.newVariable("x" + i).binary().weight(BigDecimal.valueOf(cost(outcome)));
      all += cost(outcome);
      variables.add(x);
      outcome.ends().forEach(c -> enders.computeIfAbsent(c.id(), _ -> new ArrayList<>()).add(x));
      for (Object once : outcome.fix().once()) {
        onlyOne.computeIfAbsent(once, _ -> new ArrayList<>()).add(x);
      }
    }
    for (String id : wanted) {
      Variable leave = model.newVariable("leave " + id).binary().weight(BigDecimal.valueOf(all));
      Expression covered = model.newExpression("end " + id).lower(1).set(leave, 1);
      enders.getOrDefault(id, List.of()).forEach(x -> covered.set(x, 1));
    }
    for (int i = 0; i < fixes.size(); i++) {
      for (Conflict made : fixes.get(i).makes()) {
        Expression repaired = model.newExpression("make " + i + " " + made.id()).lower(0);
        enders.getOrDefault(made.id(), List.of()).forEach(x -> repaired.set(x, 1));
        repaired.set(variables.get(i), -1);
      }
    }
    onlyOne.forEach(
        (what, some) -> {
          if (some.size() > 1) {
            Expression once = model.newExpression("once " + what).upper(1);
            some.forEach(x -> once.set(x, 1));
          }
        });
    return model;
  }

  private double cost(Trial.Outcome outcome) {
    // An action without a gesture is a lost one more; of two equally dear the one that changes
    // less.
    return paid(outcome) + outcome.changed() * 1e-4;
  }

  private double paid(Trial.Outcome outcome) {
    return outcome.paid(weights);
  }
}
