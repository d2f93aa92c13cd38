package polydex.systems;

import static polydex.language.CoreWords.worded;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Successors.Moved;
import polydex.intake.NewSetups;
import polydex.recall.DrillItem;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/**
 * Bindings that belong to another platform or application go there, with their contexts, with what
 * was answered and said about what only they did, and with what remembers where they are from.
 * O(bindings).
 */
public final class KeymapDivision {
  private KeymapDivision() {}

  /**
   * Some bindings go to a platform or application that is there.
   *
   * @param ids of the bindings
   * @param now when; what is answered from now on means what it says
   */
  public static Change.Edit move(
      Workspace before, Environment from, Set<String> ids, Environment into, Instant now) {
    return edit(before, before, from, ids, into, now);
  }

  /**
   * Some bindings become a platform or application of their own, which gets a setup like one that
   * was brought in.
   */
  public static Change.Edit divide(
      Workspace before,
      Environment from,
      Set<String> ids,
      String title,
      boolean platform,
      Instant now) {
    Workspace made = SystemEdits.make(before, title, platform).after();
    Environment into = made.catalog().environments().getLast();
    Change.Edit moved = edit(before, made, from, ids, into, now);
    return new Change.Edit(moved.title(), before, NewSetups.with(moved.after(), List.of(into)));
  }

  private static Change.Edit edit(
      Workspace before,
      Workspace made,
      Environment from,
      Set<String> ids,
      Environment into,
      Instant now) {
    Catalog catalog = made.catalog();
    List<Binding> moving = new ArrayList<>();
    List<Binding> staying = new ArrayList<>();
    Set<ActionId> only = new HashSet<>();
    for (Binding b : catalog.bindings(from.id())) {
      (ids.contains(b.id()) ? moving : staying).add(b);
    }
    moving.forEach(b -> only.add(b.action()));
    staying.forEach(b -> only.remove(b.action()));
    Map<String, String> contexts = new HashMap<>();
    Environment joined =
        SystemEdits.joined(
            from.withContexts(needed(from, moving)).showing(List.of(), List.of(), List.of()),
            into,
            contexts);
    Map<String, String> renamed = new HashMap<>();
    List<Binding> all =
        SystemEdits.together(catalog.bindings(into.id()), moving, contexts, renamed);
    Workspace after =
        made.with(
                catalog
                    .with(List.of(), List.of(joined), Map.of())
                    .withBindings(into.id(), all)
                    .withBindings(from.id(), staying))
            .with(setups(made, from, ids))
            .with(SystemEdits.remembered(made.remembered(), from.id(), into.id(), ids, renamed));
    Said said =
        new Said(
            i ->
                i.environment().equals(from.id()) && only.contains(i.action())
                    ? new DrillItem(into.id(), i.action())
                    : i);
    return new Change.Edit(
        worded(
            "systems.move-of-to",
            moving.size(),
            worded("systems.bindings", moving.size()),
            from.title(),
            into.title()),
        before,
        only.isEmpty()
            ? after
            : SystemEdits.happened(
                after
                    .with(said.learning(made.learning()))
                    .with(said.mouse(made.mouse(), UnaryOperator.identity())),
                new Moved(from.id(), only, into.id(), now)));
  }

  /** What a computer has switched off is no longer there to be switched off. */
  private static Map<SetupId, Setup> setups(Workspace of, Environment from, Set<String> ids) {
    Map<SetupId, Setup> setups = new LinkedHashMap<>(of.setups());
    setups.replaceAll(
        (_, s) ->
            s.on(
                s.machine()
                    .ofPlatform(
                        from.id(),
                        m -> {
                          Set<String> off = new HashSet<>(m.switchedOff());
                          return off.removeAll(ids) ? m.withSwitchedOff(off) : m;
                        })));
    return setups;
  }

  /** The contexts of some bindings, with those around them, in their order. */
  private static List<Context> needed(Environment of, List<Binding> bindings) {
    Set<String> needed = new HashSet<>();
    needed.add(Context.ANYWHERE.id());
    for (Binding b : bindings) {
      needed.addAll(of.outward(b.context()));
      b.heldContext().ifPresent(c -> needed.addAll(of.outward(c)));
    }
    return of.contexts().stream()
        .filter(c -> needed.contains(c.id()))
        .map(
            c -> {
              Set<String> together = new HashSet<>(c.together());
              together.retainAll(needed);
              return new Context(c.id(), c.title(), c.parent(), together);
            })
        .toList();
  }

  /** The environments that bindings of one may go to. */
  public static List<Environment> others(Catalog catalog, EnvironmentId from) {
    return catalog.environments().stream().filter(e -> !e.id().equals(from)).toList();
  }
}
