package polydex.free;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import polydex.boards.Presses.Made;
import polydex.catalog.ActionId;
import polydex.keys.Key;
import polydex.keys.Physical;

/**
 * The best gestures for many actions as a whole.
 *
 * <p>Problem: linear assignment, where families take several gestures that belong together. Method:
 * single actions by {@link CheapestMatching}; families by branch and bound (A. H. Land, A. G. Doig,
 * "An automatic method of solving discrete programming problems", Econometrica 28 (1960)) over the
 * places that each could take, cheapest first. A branch is bounded from below by what its families
 * cost, the cheapest places of the others, and the single actions with the gestures that are left
 * so far; whoever has fewer gestures to choose from can only pay more. O(places of families)
 * matchings at worst, of which few are made; after {@link #MOST_MATCHINGS} the best found so far is
 * given, with nothing proved.
 */
public final class Assigner {
  /** So many matchings are solved at most. */
  static final int MOST_MATCHINGS = 400;

  /** A place that a family can take: a gesture for each of its actions, in their order. */
  private record Place(List<Candidate> gestures, double cost) {}

  /** A family with the places that it can take, the cheapest first. */
  private record Family(List<ActionId> actions, List<Place> places) {}

  private final Scorer scorer;
  private final List<Candidate> candidates;
  private final Map<List<Made>, Candidate> byPresses = new HashMap<>();

  /**
   * Ready to assign.
   *
   * @param candidates the gestures that are free
   */
  public Assigner(Scorer scorer, List<Candidate> candidates) {
    this.scorer = scorer;
    this.candidates = List.copyOf(candidates);
    candidates.forEach(c -> byPresses.put(c.presses(), c));
  }

  /**
   * The best gestures.
   *
   * @param actions the ids of what is to be done by them, each once
   * @param families of them that belong together, as {@link Families} finds them
   * @param locked gestures that some have already, by their ids
   * @param stopped whether nobody waits for it any more; what was found so far is given then
   */
  public Assignment of(
      List<ActionId> actions,
      List<List<ActionId>> families,
      Map<ActionId, Candidate> locked,
      BooleanSupplier stopped) {
    Set<List<Made>> taken = new HashSet<>();
    locked.values().forEach(c -> taken.add(c.presses()));
    List<Candidate> left = candidates.stream().filter(c -> !taken.contains(c.presses())).toList();
    List<Family> together = new ArrayList<>();
    Set<ActionId> inFamilies = new HashSet<>();
    for (List<ActionId> family : families) {
      List<ActionId> open = family.stream().filter(a -> !locked.containsKey(a)).toList();
      List<Place> places = open.size() < 2 ? List.of() : places(open, left);
      if (!places.isEmpty()) {
        together.add(new Family(open, places));
        inFamilies.addAll(open);
      }
    }
    List<ActionId> single =
        actions.stream().filter(a -> !locked.containsKey(a) && !inFamilies.contains(a)).toList();
    Search search = new Search(single, together, left, stopped);
    search.go();
    return search.result(actions, locked, inFamilies);
  }

  /**
   * The places for a family: keys next to each other in a row, or one key without and with Shift.
   */
  private List<Place> places(List<ActionId> family, List<Candidate> left) {
    Set<List<Made>> free = new HashSet<>();
    left.forEach(c -> free.add(c.presses()));
    List<Place> found = new ArrayList<>();
    for (Candidate first : left) {
      if (first.presses().size() != 1
          || !(first.presses().getFirst().what() instanceof Physical.Press p)) {
        continue;
      }
      for (List<Key> row : Rows.ALL) {
        int at = row.indexOf(p.key());
        if (at >= 0 && at + family.size() <= row.size()) {
          List<Made> presses =
              row.subList(at, at + family.size()).stream()
                  .map(k -> Made.afresh(new Physical.Press(p.held(), k)))
                  .toList();
          place(family, presses, free).ifPresent(found::add);
        }
      }
      if (family.size() == 2) {
        Rows.shifted(first.presses().getFirst())
            .flatMap(s -> place(family, List.of(first.presses().getFirst(), s), free))
            .ifPresent(found::add);
      }
    }
    found.sort(
        Comparator.comparingDouble(Place::cost)
            .thenComparing(pl -> pl.gestures().getFirst().gesture().toString()));
    return found;
  }

  private Optional<Place> place(List<ActionId> family, List<Made> presses, Set<List<Made>> free) {
    List<Candidate> gestures = new ArrayList<>();
    double cost = 0;
    for (int i = 0; i < family.size(); i++) {
      List<Made> one = List.of(presses.get(i));
      if (!free.contains(one)) {
        return Optional.empty();
      }
      gestures.add(byPresses.get(one));
      cost += scorer.points(family.get(i), gestures.get(i));
    }
    // Each gesture after the first completes the family.
    return Optional.of(new Place(gestures, cost - (family.size() - 1) * scorer.partnerWeight()));
  }

  /** One assignment while it is looked for. */
  private final class Search {
    private final List<ActionId> single;
    private final List<Family> families;
    private final List<Candidate> left;
    private final BooleanSupplier stopped;
    private final double[][] costs;
    private final Map<List<Made>, Integer> column = new HashMap<>();
    private final List<Place> chosen = new ArrayList<>();
    private List<Place> best = List.of();
    private int[] bestSingles = new int[0];
    private double bestCost = Double.POSITIVE_INFINITY;
    private int matchings;
    private boolean exact = true;

    Search(
        List<ActionId> single,
        List<Family> families,
        List<Candidate> left,
        BooleanSupplier stopped) {
      this.single = single;
      this.families = families;
      this.left = left;
      this.stopped = stopped;
      costs = new double[single.size()][left.size()];
      for (int c = 0; c < left.size(); c++) {
        column.put(left.get(c).presses(), c);
        for (int r = 0; r < single.size(); r++) {
          costs[r][c] = scorer.points(single.get(r), left.get(c));
        }
      }
    }

    void go() {
      branch(Set.of(), 0);
    }

    private void branch(Set<Integer> used, double soFar) {
      if ((matchings >= MOST_MATCHINGS || stopped.getAsBoolean())
          && bestCost < Double.POSITIVE_INFINITY) {
        exact = false;
        return;
      }
      CheapestMatching singles = matching(used);
      double bound = soFar + cost(singles);
      for (Family open : families.subList(chosen.size(), families.size())) {
        bound += open.places().getFirst().cost();
      }
      if (bound >= bestCost - 1e-9) {
        return;
      }
      if (chosen.size() == families.size()) {
        bestCost = bound;
        best = List.copyOf(chosen);
        bestSingles = singles.columns();
        exact &= singles.proved();
        return;
      }
      for (Place place : families.get(chosen.size()).places()) {
        Set<Integer> more = new HashSet<>(used);
        boolean clash = false;
        for (Candidate c : place.gestures()) {
          clash |= !more.add(column.get(c.presses()));
        }
        double cheapest = families.get(chosen.size()).places().getFirst().cost();
        if (bound - cheapest + place.cost() >= bestCost - 1e-9) {
          break; // places are sorted, so that no later one is better
        }
        if (!clash) {
          chosen.add(place);
          branch(more, soFar + place.cost());
          chosen.removeLast();
        }
      }
    }

    /** An action that gets nothing costs more than any gesture. */
    private double cost(CheapestMatching singles) {
      double missing = 0;
      for (int c : singles.columns()) {
        missing += c < 0 ? 1e6 : 0;
      }
      return singles.cost() + missing;
    }

    private CheapestMatching matching(Set<Integer> used) {
      matchings++;
      if (used.isEmpty()) {
        return CheapestMatching.of(costs);
      }
      double[][] open = new double[costs.length][];
      for (int r = 0; r < costs.length; r++) {
        open[r] = costs[r].clone();
        for (int c : used) {
          open[r][c] = Double.POSITIVE_INFINITY;
        }
      }
      return CheapestMatching.of(open);
    }

    Assignment result(
        List<ActionId> actions, Map<ActionId, Candidate> locked, Set<ActionId> inFamilies) {
      Map<ActionId, Candidate> by = new LinkedHashMap<>(locked);
      for (int f = 0; f < best.size(); f++) {
        for (int i = 0; i < families.get(f).actions().size(); i++) {
          by.put(families.get(f).actions().get(i), best.get(f).gestures().get(i));
        }
      }
      for (int r = 0; r < bestSingles.length; r++) {
        if (bestSingles[r] >= 0) {
          by.put(single.get(r), left.get(bestSingles[r]));
        }
      }
      List<Assignment.Given> given = new ArrayList<>();
      List<ActionId> without = new ArrayList<>();
      double total = 0;
      for (ActionId action : actions) {
        Candidate c = by.get(action);
        if (c == null) {
          without.add(action);
          continue;
        }
        total += scorer.points(action, c);
        given.add(
            new Assignment.Given(
                action,
                c,
                scorer.of(action, c),
                locked.containsKey(action),
                inFamilies.contains(action)));
      }
      total -=
          families.stream().mapToInt(f -> f.actions().size() - 1).sum() * scorer.partnerWeight();
      return new Assignment(given, without, total, inTurn(actions, locked), exact);
    }

    /** What comes of it if each action in turn takes what is best of the rest. */
    private Optional<Double> inTurn(List<ActionId> actions, Map<ActionId, Candidate> locked) {
      boolean[] used = new boolean[left.size()];
      Set<ActionId> done = new HashSet<>();
      double total = 0;
      for (ActionId action : actions) {
        if (locked.containsKey(action)) {
          total += scorer.points(action, locked.get(action));
          continue;
        }
        Optional<Family> family =
            families.stream().filter(f -> f.actions().contains(action)).findFirst();
        if (family.isPresent()) {
          if (done.add(family.get().actions().getFirst())) {
            Optional<Place> place =
                family.get().places().stream()
                    .filter(
                        p -> p.gestures().stream().noneMatch(c -> used[column.get(c.presses())]))
                    .findFirst();
            if (place.isEmpty()) {
              return Optional.empty();
            }
            place.get().gestures().forEach(c -> used[column.get(c.presses())] = true);
            total += place.get().cost();
          }
          continue;
        }
        double[] row = costs[single.indexOf(action)];
        int least = -1;
        for (int c = 0; c < row.length; c++) {
          least = !used[c] && (least < 0 || row[c] < row[least]) ? c : least;
        }
        if (least < 0) {
          return Optional.empty();
        }
        used[least] = true;
        total += row[least];
      }
      return Optional.of(total);
    }
  }
}
