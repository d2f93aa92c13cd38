package polydex.conflict;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.conflict.Conflict.Kind;
import polydex.conflict.Conflict.Party;
import polydex.keys.Gesture;
import polydex.route.Reach;
import polydex.route.Retracing;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;

/**
 * The conflicts after few bindings were changed, made from those before: only what was traced anew
 * is looked into. What an action's other gestures do is asked again wherever one of them was traced
 * anew. O(bindings + conflicts) with a small constant; the same as {@link ConflictFinder#find}.
 */
public final class ConflictUpdate {

  /** What tells the losing side of a conflict from others of its setup. */
  private record Side(
      EnvironmentId environment, int depth, String binding, boolean own, Gesture gesture) {
    static Side of(Party p) {
      return new Side(p.environment(), p.depth(), p.binding(), p.own(), p.gesture());
    }

    static Side of(TracedBinding t) {
      return of(ConflictFinder.party(t));
    }
  }

  private ConflictUpdate() {}

  /**
   * The conflicts now, the worst first.
   *
   * @param before all conflicts before, as {@link ConflictFinder#find} gave them for the person
   */
  public static List<Conflict> of(List<Conflict> before, Retracing again, Person person) {
    Set<ActionId> actions = new HashSet<>();
    Set<Side> stale = new HashSet<>();
    for (List<TracedBinding> some : List.of(again.fresh(), again.freshAbsent(), again.stale())) {
      some.forEach(t -> actions.add(t.binding().action()));
    }
    again.stale().forEach(t -> stale.add(Side.of(t)));
    SetupTraces traces = again.traces();
    Set<ActionId> asked = new HashSet<>(actions);
    traces
        .setup()
        .machines()
        .forEach(m -> m.own().forEach(own -> asked.add(own.action()))); // thin ones are all asked
    Reach reach = new Reach(traces, asked);
    ConflictFinder finder =
        new ConflictFinder(
            traces, person, true, _ -> true, again.fresh(), again.freshAbsent(), reach);
    Map<Side, TracedBinding> losers = new HashMap<>();
    actions.forEach(a -> reach.bindings(a).forEach(t -> losers.put(Side.of(t), t)));
    traces.absent().stream()
        .filter(t -> actions.contains(t.binding().action()))
        .forEach(t -> losers.put(Side.of(t), t));
    List<Conflict> kept = new ArrayList<>(before.size());
    List<Conflict> more = new ArrayList<>(finder.find());
    for (Conflict c : before) {
      if (c.kind() == Kind.THIN) {
        continue; // all of them are found again, since they are few
      }
      if (!actions.contains(c.loser().action())) {
        kept.add(c);
      } else if (!stale.contains(Side.of(c.loser()))) {
        more.add(finder.again(c, losers.get(Side.of(c.loser()))));
      }
    }
    more.sort(Conflict.WORST_FIRST);
    return merged(kept, more);
  }

  /** Two lists, each the worst first, as one. */
  private static List<Conflict> merged(List<Conflict> many, List<Conflict> few) {
    List<Conflict> all = new ArrayList<>(many.size() + few.size());
    int from = 0;
    for (Conflict c : few) {
      int at = Collections.binarySearch(many, c, Conflict.WORST_FIRST);
      int to = at < 0 ? -at - 1 : at;
      all.addAll(many.subList(from, to));
      all.add(c);
      from = to;
    }
    all.addAll(many.subList(from, many.size()));
    return Collections.unmodifiableList(all);
  }
}
