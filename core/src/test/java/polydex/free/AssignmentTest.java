package polydex.free;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.statistics.Statistics;
import polydex.boards.Keyboards;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Physical;
import polydex.route.SetupTraces;
import polydex.route.Situation;
import polydex.route.World;
import polydex.route.Worlds;

/** Assignments against exhaustive search. */
class AssignmentTest {
  private static final List<String> TITLES =
      List.of("Mark 1", "Mark 2", "Mark 3", "Dim left", "Dim right", "Zoom", "Blend", "Fade", "Go");

  private static double exhaustive(double[][] costs, int row, Set<Integer> used) {
    if (row == costs.length) {
      return 0;
    }
    double best = Double.POSITIVE_INFINITY;
    for (int c = 0; c < costs[row].length; c++) {
      if (used.add(c)) {
        best = Math.min(best, costs[row][c] + exhaustive(costs, row + 1, used));
        used.remove(c);
      }
    }
    return best;
  }

  @Property(seed = "20310314", tries = 400, edgeCases = EdgeCasesMode.NONE)
  void theCheapestMatchingIsTheCheapestOfAll(@ForAll long seed) {
    Random random = new Random(seed);
    double[][] costs = new double[1 + random.nextInt(5)][5 + random.nextInt(3)];
    for (double[] row : costs) {
      // Few different costs, so that there are ties, and some below zero.
      Arrays.setAll(row, _ -> random.nextInt(12) / 4.0 - 1);
    }
    CheapestMatching found = CheapestMatching.of(costs);
    assertThat(found.proved()).isTrue();
    assertThat(found.cost()).isEqualTo(exhaustive(costs, 0, new HashSet<>()));
    CheapestMatching library = CheapestMatching.byMatching(costs);
    assertThat(library.proved()).isTrue();
    assertThat(library.cost()).isEqualTo(found.cost());
    assertThat(Arrays.stream(found.columns()).distinct()).hasSameSizeAs(costs);
  }

  /** Edges that were left out at first are put in where they are needed. */
  @Property(seed = "20310314", tries = 10, edgeCases = EdgeCasesMode.NONE)
  void whatWasLeftOutAtFirstIsStillLookedAt(@ForAll long seed) {
    Random random = new Random(seed);
    int rows = 60;
    double[][] costs = new double[rows][rows];
    for (double[] row : costs) {
      // All want the same, so that most have to take what they like least.
      Arrays.setAll(row, c -> c + random.nextInt(100) / 1000.0);
    }
    CheapestMatching found = CheapestMatching.of(costs);
    assertThat(found.proved()).isTrue();
    CheapestMatching library = CheapestMatching.byMatching(costs);
    assertThat(library.cost()).isCloseTo(found.cost(), within(1e-6));
    assertThat(Arrays.stream(library.columns()).distinct()).hasSize(rows).doesNotContain(-1);
    assertThat(Arrays.stream(found.columns()).distinct()).hasSize(rows).doesNotContain(-1);
  }

  @Property(seed = "20310314", tries = 300, edgeCases = EdgeCasesMode.NONE)
  void theWholeIsTheBestOfAllThatKeepFamiliesTogether(@ForAll long seed) {
    Random random = new Random(seed);
    List<Action> actions = new ArrayList<>();
    for (String title : TITLES) {
      if (random.nextInt(3) > 0 && actions.size() < 5) {
        actions.add(Action.of(new ActionId("x." + actions.size()), title, "test"));
      }
    }
    World plain = new Worlds().platform("p", Worlds.plain()).app("app", "A = y").build();
    List<Action> all = new ArrayList<>(plain.catalog().actions());
    all.addAll(actions);
    Catalog catalog = Catalog.of(all, List.copyOf(plain.catalog().environments()), Map.of());
    World world = new World(catalog, plain.boards(), plain.layouts());
    SetupTraces traces =
        SetupTraces.of(Worlds.setup(Worlds.machine("p", Worlds.in("app", "anywhere"))), world);
    Scorer scorer =
        new Scorer(new Situation(world, Map.of()), List.of(traces), Score.Weights.USUAL);
    Candidates make = new Candidates(List.of(Keyboards.FULL), Keyboards.US);
    List<Candidate> candidates = new ArrayList<>();
    for (Key key :
        List.of(Key.Digit1, Key.Digit2, Key.Digit3, Key.Digit4, Key.KeyZ, Key.KeyB, Key.KeyF)) {
      Physical press = Physical.Press.of(key, Modifier.CTRL, Modifier.ALT);
      Candidate one = make.candidate(List.of(polydex.boards.Presses.Made.afresh(press)));
      if (random.nextInt(5) > 0) {
        // Effort is the same for all on a board without places, so that it is made up here.
        candidates.add(new Candidate(one.gesture(), one.presses(), random.nextInt(8) / 2.0));
      }
    }
    List<ActionId> ids = actions.stream().map(Action::id).toList();
    List<List<ActionId>> families =
        Families.of(catalog, ids).stream().filter(f -> f.size() <= 3).toList();

    Assignment found = new Assigner(scorer, candidates).of(ids, families, Map.of(), () -> false);

    double best = best(scorer, ids, families, candidates, new ArrayList<>(), 0);
    Statistics.collect(families.size(), best < 1e6);
    if (best < 1e6) {
      assertThat(found.without()).isEmpty();
      assertThat(found.proved()).isTrue();
      assertThat(found.total()).isCloseTo(best, within(1e-9));
      assertThat(found.inTurn().orElse(Double.POSITIVE_INFINITY))
          .isGreaterThanOrEqualTo(best - 1e-9);
      assertThat(found.given().stream().map(g -> g.candidate().gesture()).distinct())
          .hasSameSizeAs(ids);
    }
  }

  /** Every way to give each action a gesture of its own, families in neighbouring digits. */
  private static double best(
      Scorer scorer,
      List<ActionId> ids,
      List<List<ActionId>> families,
      List<Candidate> candidates,
      List<Candidate> given,
      double soFar) {
    if (given.size() == ids.size()) {
      double bonus = 0;
      for (List<ActionId> family : families) {
        for (int i = 1; i < family.size(); i++) {
          int before = digit(given.get(ids.indexOf(family.get(i - 1))).gesture());
          if (before == 0 || digit(given.get(ids.indexOf(family.get(i))).gesture()) != before + 1) {
            return 1e6;
          }
          bonus += 0.8;
        }
      }
      return soFar - bonus;
    }
    double best = 1e6;
    for (Candidate c : candidates) {
      if (!given.contains(c)) {
        given.add(c);
        best =
            Math.min(
                best,
                best(
                    scorer,
                    ids,
                    families,
                    candidates,
                    given,
                    soFar + scorer.points(ids.get(given.size() - 1), c)));
        given.removeLast();
      }
    }
    return best;
  }

  private static int digit(Gesture gesture) {
    String text = gesture.toString();
    char last = text.charAt(text.length() - 1);
    return Character.isDigit(last) ? last - '0' : 0;
  }
}
