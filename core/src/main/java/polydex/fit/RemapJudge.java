package polydex.fit;

import static polydex.language.CoreWords.worded;
import static polydex.language.Language.quoted;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleBiFunction;
import polydex.catalog.Action.Harm;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.keys.Gesture;
import polydex.recall.DrillItem;
import polydex.route.Reach;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.Situation;
import polydex.route.Trace.Acted;
import polydex.route.Trace.Nothing;
import polydex.route.Trace.Outcome;
import polydex.route.Trace.Typed;
import polydex.route.TracedBinding;

/**
 * Says what remaps would change: the difference of two full analyses of every setup that they
 * touch, nested ones included. O(setups · bindings · candidates of reach) for each judgement; what
 * was before is found once.
 */
public final class RemapJudge {
  private final Situation before;
  private final ToDoubleBiFunction<SetupId, ActionId> usesPerDay;
  private final Set<DrillItem> known;
  private final Map<SetupId, Looked> looked = new HashMap<>();

  /** The easiest way to an action, and what it costs. */
  record Best(Gesture gesture, double effort) {}

  /** A setup, looked at whole. */
  private record Looked(SetupTraces traces, Map<DrillItem, Best> ways) {}

  /**
   * Ready to judge.
   *
   * @param before what there is
   * @param usesPerDay how often an action is used in a setup, a working day
   * @param known what the user has learnt
   */
  public RemapJudge(
      Situation before, ToDoubleBiFunction<SetupId, ActionId> usesPerDay, Set<DrillItem> known) {
    this.before = before;
    this.usesPerDay = usesPerDay;
    this.known = Set.copyOf(known);
    for (Setup setup : before.setups().values()) {
      if (before.world().problem(setup).isEmpty()) {
        looked.put(setup.id(), look(SetupTraces.of(setup, before.world())));
      }
    }
  }

  /** Where it starts. */
  public Situation situation() {
    return before;
  }

  /** The easiest way to each action of a setup as it is. */
  Map<DrillItem, Best> ways(SetupId setup) {
    return looked.containsKey(setup) ? looked.get(setup).ways() : Map.of();
  }

  private static Looked look(SetupTraces traces) {
    Reach reach = new Reach(traces);
    Map<DrillItem, Best> ways = new LinkedHashMap<>();
    for (TracedBinding t : traces.all()) {
      DrillItem place = new DrillItem(t.environment(), t.binding().action());
      reach
          .easiest(t)
          .ifPresent(
              way ->
                  ways.merge(
                      place,
                      new Best(way.gesture(), way.effort()),
                      (a, b) -> b.effort() < a.effort() ? b : a));
    }
    return new Looked(traces, ways);
  }

  /** What some remaps would change together; a setup with a mistake is passed over. */
  public RemapChanges of(Collection<RemapDraft> drafts) {
    Situation after = before;
    for (RemapDraft draft : drafts) {
      after = draft.applyTo(after);
    }
    return of(after, new HashMap<>());
  }

  /**
   * What another situation changes.
   *
   * @param ways takes the easiest ways of each setup that was looked at anew
   */
  RemapChanges of(Situation after, Map<SetupId, Map<DrillItem, Best>> ways) {
    List<RemapChanges.Reached> gains = new ArrayList<>();
    List<RemapChanges.Reached> loses = new ArrayList<>();
    List<RemapChanges.Reached> moves = new ArrayList<>();
    List<RemapChanges.Habit> habits = new ArrayList<>();
    double[] effort = new double[2];
    for (Setup setup : after.setups().values()) {
      Looked was = looked.get(setup.id());
      if (was == null || after.world().problem(setup).isPresent()) {
        continue;
      }
      if (setup.equals(was.traces().setup())) {
        ways.put(setup.id(), was.ways());
        weigh(setup.id(), was.ways(), was.ways(), effort);
        continue;
      }
      Looked now = look(SetupTraces.of(setup, after.world()));
      ways.put(setup.id(), now.ways());
      compare(setup.id(), was.ways(), now.ways(), gains, loses, moves);
      weigh(setup.id(), was.ways(), now.ways(), effort);
      habits(setup.id(), was.traces(), now.traces(), habits);
    }
    Comparator<RemapChanges.Reached> mostUsed =
        Comparator.comparingDouble((RemapChanges.Reached r) -> -r.usesPerDay())
            .thenComparing(r -> r.action().value());
    gains.sort(mostUsed);
    loses.sort(mostUsed);
    moves.sort(mostUsed);
    habits.sort(Comparator.comparing((RemapChanges.Habit h) -> !h.losesWork()));
    return new RemapChanges(gains, loses, moves, habits, effort[0], effort[1]);
  }

  private void compare(
      SetupId setup,
      Map<DrillItem, Best> was,
      Map<DrillItem, Best> now,
      List<RemapChanges.Reached> gains,
      List<RemapChanges.Reached> loses,
      List<RemapChanges.Reached> moves) {
    was.forEach(
        (place, best) -> {
          Best then = now.get(place);
          if (then == null) {
            loses.add(reached(setup, place, Optional.of(best), Optional.empty()));
          } else if (!then.gesture().equals(best.gesture())) {
            moves.add(reached(setup, place, Optional.of(best), Optional.of(then)));
          }
        });
    now.forEach(
        (place, then) -> {
          if (!was.containsKey(place)) {
            gains.add(reached(setup, place, Optional.empty(), Optional.of(then)));
          }
        });
  }

  private RemapChanges.Reached reached(
      SetupId setup, DrillItem place, Optional<Best> was, Optional<Best> now) {
    return new RemapChanges.Reached(
        setup,
        place,
        was.map(Best::gesture),
        now.map(Best::gesture),
        usesPerDay.applyAsDouble(setup, place.action()));
  }

  private void weigh(
      SetupId setup, Map<DrillItem, Best> was, Map<DrillItem, Best> now, double[] effort) {
    was.forEach(
        (place, best) -> {
          Best then = now.get(place);
          if (then != null) {
            double uses = usesPerDay.applyAsDouble(setup, place.action());
            effort[0] += uses * best.effort();
            effort[1] += uses * then.effort();
          }
        });
  }

  /** Bindings are the same before and after, in the same order; only remaps differ. */
  private void habits(
      SetupId setup, SetupTraces was, SetupTraces now, List<RemapChanges.Habit> habits) {
    Catalog catalog = was.world().catalog();
    for (int i = 0; i < was.all().size(); i++) {
      TracedBinding before = was.all().get(i);
      DrillItem item = new DrillItem(before.environment(), before.binding().action());
      Outcome then = now.all().get(i).outcome();
      if (before.works()
          && !now.all().get(i).works()
          && !(then instanceof Nothing)
          && known.contains(item)) {
        boolean loses =
            then instanceof Acted a
                && catalog.action(a.action()).filter(x -> x.harm() == Harm.LOSES_WORK).isPresent();
        habits.add(
            new RemapChanges.Habit(setup, item, before.gesture(), said(then, catalog), loses));
      }
    }
  }

  private static String said(Outcome outcome, Catalog catalog) {
    return switch (outcome) {
      case Acted a -> quoted(catalog.title(a.action()));
      case Typed t -> worded("fit.the-character", t.text());
      case Nothing _ -> worded("any.nothing");
    };
  }
}
