package polydex.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.fit.RemapJudge;
import polydex.fit.RemapSearch;
import polydex.free.Assigner;
import polydex.free.Candidate;
import polydex.free.Candidates;
import polydex.free.FreeGestures;
import polydex.free.Score;
import polydex.free.Scorer;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.Situation;
import polydex.route.Situation.Computer;
import polydex.route.World;

/** Free gestures, assignments, and permutations of modifiers over six setups of 5,000 bindings. */
final class FitBench {
  private static final int SETUPS = 6;
  private static final int BINDINGS = 5_000;

  /** Of the orders of the modifiers each so manieth is judged, since all take long. */
  private static final int EACH = 60;

  private FitBench() {}

  static void all() throws Exception {
    World world = Large.usual(BINDINGS);
    List<Setup> setups = Large.alike(SETUPS);
    Map<SetupId, Setup> byId = new LinkedHashMap<>();
    setups.forEach(s -> byId.put(s.id(), s));
    Situation situation = new Situation(world, byId);
    List<SetupTraces> traces = setups.stream().map(s -> SetupTraces.of(s, world)).toList();
    Computer computer = Computer.of(setups.getFirst().innermost());
    FreeGestures free = new FreeGestures(traces, Set.of(computer));
    String size = "%d setups of %,d".formatted(traces.size(), traces.getFirst().all().size());
    Candidates make = Candidates.of(traces);
    List<Candidate> held = make.with(Modifiers.of(Modifier.CTRL, Modifier.ALT));
    Main.row(
        "free keys for what is held (%d keys) / tracing one setup".formatted(held.size()),
        size,
        () -> count(free, held),
        () -> SetupTraces.of(setups.getFirst(), world).all().size(),
        1);
    List<Candidate> strokes = make.strokes(1);
    Main.row(
        "free strokes, all %,d / tracing the setups".formatted(strokes.size()),
        size,
        () -> count(free, strokes),
        () -> setups.stream().mapToInt(s -> SetupTraces.of(s, world).all().size()).sum(),
        1);
    assignment(traces, situation);
    permutations(situation, computer, size);
  }

  private static int count(FreeGestures free, List<Candidate> candidates) {
    int found = 1;
    for (Candidate c : candidates) {
      found += free.isFree(c.gesture()) ? 1 : 0;
    }
    return found;
  }

  /** 300 actions and 3,000 gestures, strokes and sequences, as if all of them were free. */
  private static void assignment(List<SetupTraces> traces, Situation situation) throws Exception {
    Random random = new Random(3);
    List<Action> wanted = new ArrayList<>();
    for (int i = 0; i < 300; i++) {
      StringBuilder title = new StringBuilder();
      for (int w = 0; w < 2; w++) {
        title.append((char) ('a' + random.nextInt(26))).append("ord ");
      }
      wanted.add(Action.of(new ActionId("wanted." + i), title.toString().strip(), "bench"));
    }
    Catalog catalog = situation.world().catalog().with(wanted, List.of(), Map.of());
    Situation with =
        new Situation(
            new World(catalog, situation.world().boards(), situation.world().layouts()),
            situation.setups());
    Candidates make = Candidates.of(traces);
    List<Candidate> candidates = new ArrayList<>(make.strokes(1));
    for (Candidate stroke : make.strokes(2)) {
      if (candidates.size() >= 3_000) {
        break;
      }
      candidates.addAll(make.after(stroke));
    }
    List<Candidate> some = candidates.subList(0, 3_000);
    List<ActionId> ids = wanted.stream().map(Action::id).toList();
    Scorer scorer = new Scorer(with, List.of(traces.getFirst()), Score.Weights.USUAL);
    Main.row(
        "assignment, proved / scoring every pair",
        "300 actions, %,d gestures".formatted(some.size()),
        () -> {
          var found = new Assigner(scorer, some).of(ids, List.of(), Map.of(), () -> false);
          if (!found.proved() || found.given().size() != ids.size()) {
            throw new IllegalStateException("Not proved, or not complete");
          }
          return found.given().size();
        },
        () -> {
          int seen = 0;
          for (ActionId a : ids) {
            for (Candidate c : some) {
              seen += scorer.of(a, c).near().size() + 1;
            }
          }
          return seen;
        },
        1);
  }

  private static void permutations(Situation situation, Computer computer, String size)
      throws Exception {
    RemapJudge judge = new RemapJudge(situation, (_, _) -> 1, Set.of());
    RemapSearch search = new RemapSearch(judge, List.of(computer), List.of());
    List<List<Modifier>> all = RemapSearch.permutations();
    List<List<Modifier>> some = new ArrayList<>();
    for (int i = EACH - 1; i < all.size(); i += EACH) {
      some.add(all.get(i));
    }
    Main.row(
        "%d of the %d orders of five modifiers judged / tracing the setups as often"
            .formatted(some.size(), all.size()),
        size,
        () -> {
          int seen = 0;
          for (List<Modifier> order : some) {
            seen += search.judged(computer, order).moves().size();
          }
          return seen;
        },
        () -> {
          int seen = 0;
          for (int i = 0; i < some.size(); i++) {
            for (Setup s : situation.setups().values()) {
              seen += SetupTraces.of(s, situation.world()).all().size();
            }
          }
          return seen;
        },
        1);
  }
}
