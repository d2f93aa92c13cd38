package polydex.free;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.boards.Board;
import polydex.boards.Presses;
import polydex.catalog.Action.Harm;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Context;
import polydex.keys.Gesture;
import polydex.keys.Physical;
import polydex.route.Layer;
import polydex.route.Machine;
import polydex.route.Passage;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.Situation;
import polydex.route.Situation.Computer;
import polydex.route.Trace;
import polydex.route.Trace.Acted;
import polydex.route.Trace.Nothing;
import polydex.route.Trace.Outcome;
import polydex.route.Trace.Typed;
import polydex.route.TracedBinding;
import polydex.route.Tracer;

/**
 * Says of gestures whether they are free for a binding of the user's own, in several setups at
 * once.
 *
 * <p>Problem: a gesture is free where it comes to the desktop that would have the binding, and all
 * that works today still works. Method: the binding is put in, at the cost of the own bindings
 * alone; the gesture is followed; and of all bindings of the setup only those are followed again
 * that press what can come to that desktop as the gesture's first press, since all others meet the
 * same layers as before. Last, whatever comes there as that press does, written down or not, has to
 * do nothing today, and to begin nothing. O(own bindings + concerned bindings · layers) a gesture
 * and setup, and one look at a word for each binding. A setup must have been traced before:
 * O(bindings · layers), once.
 */
public final class FreeGestures {
  private static final ActionId PROBE = new ActionId("polydex.probe");

  private final Map<SetupId, SetupTraces> setups;
  private final Set<Computer> computers;

  /**
   * Ready to look.
   *
   * @param setups where the gesture is to be free; those without one of the computers don't count
   * @param computers those whose desktops are to have the binding
   */
  public FreeGestures(List<SetupTraces> setups, Set<Computer> computers) {
    this.computers = Set.copyOf(computers);
    this.setups = new LinkedHashMap<>();
    for (SetupTraces traces : setups) {
      if (!depths(traces).isEmpty()) {
        this.setups.put(traces.setup().id(), traces);
      }
    }
  }

  /** For one computer, in every setup of a situation in which it stands. */
  public static FreeGestures on(Situation situation, Computer computer) {
    List<SetupTraces> setups =
        situation.setups().values().stream()
            .filter(s -> s.machines().stream().anyMatch(computer::is))
            .filter(s -> situation.world().problem(s).isEmpty())
            .map(s -> SetupTraces.of(s, situation.world()))
            .toList();
    return new FreeGestures(setups, Set.of(computer));
  }

  /** The setups that count, as they are traced. */
  public List<SetupTraces> setups() {
    return List.copyOf(setups.values());
  }

  /** The computers whose desktops are to have the binding. */
  public Set<Computer> computers() {
    return computers;
  }

  private List<Integer> depths(SetupTraces traces) {
    List<Integer> found = new ArrayList<>();
    List<Machine> machines = traces.setup().machines();
    for (int depth = 0; depth < machines.size(); depth++) {
      if (computers.contains(Computer.of(machines.get(depth)))) {
        found.add(depth);
      }
    }
    return found;
  }

  /** Whether a gesture is free in every setup. */
  public boolean isFree(Gesture gesture) {
    return !setups.isEmpty()
        && setups.values().stream().allMatch(t -> in(t, gesture) instanceof Verdict.Free);
  }

  /** What would come of binding a gesture in each setup, by its id. */
  public Map<SetupId, Verdict> of(Gesture gesture) {
    Map<SetupId, Verdict> found = new LinkedHashMap<>();
    setups.forEach((id, traces) -> found.put(id, in(traces, gesture)));
    return found;
  }

  /** What would come of binding a gesture in one setup. */
  public Verdict in(SetupTraces traces, Gesture gesture) {
    Tracer before = traces.tracer();
    Presses presses = Presses.of(gesture, before.layout());
    if (presses instanceof Presses.Untypable(String reason)) {
      return new Verdict.Untypable(reason);
    }
    Optional<Verdict> unreachable = lacks(traces, ((Presses.Typable) presses).physical());
    if (unreachable.isPresent()) {
      return unreachable.get();
    }
    Tracer with = before;
    for (int depth : depths(traces)) {
      with = with.withOwn(depth, Binding.of("polydex.probe", PROBE, gesture));
    }
    Tracer after = with;
    List<Outcome> results = after.results(gesture);
    if (!(results.getLast() instanceof Acted a)
        || !a.action().equals(PROBE)
        || results.size() > 1) {
      return wayOf(traces, after.trace(gesture), gesture);
    }
    Set<TracedBinding> concerned = new LinkedHashSet<>();
    Set<Physical> alike = new LinkedHashSet<>();
    for (int depth : depths(traces)) {
      Optional<List<Physical>> there = Presses.physical(gesture, traces.layout(depth));
      if (there.isPresent()) {
        Physical first = there.get().getFirst();
        concerned.addAll(traces.concernedBy(depth, List.of(first)));
        alike.addAll(after.sources(depth, first));
      }
    }
    // Many bindings share few contexts, and a tracer for one is dearer than a trace.
    Map<String, Tracer> inContext = new HashMap<>();
    List<TracedBinding> lost = new ArrayList<>();
    for (TracedBinding t : concerned) {
      Tracer there =
          t.active()
              .map(c -> inContext.computeIfAbsent(c, x -> after.withContexts(List.of(x))))
              .orElse(after);
      if (t.works() && !works(t, there)) {
        lost.add(t);
      }
    }
    return lost.isEmpty() ? presses(traces, after, alike) : taken(traces, lost);
  }

  /**
   * What comes today of all that would come to the desktop as the first press does. Behind remaps
   * and windows that may be something that no keymap writes down so.
   */
  private static Verdict presses(SetupTraces traces, Tracer after, Set<Physical> alike) {
    Optional<Verdict> found = presses(traces, traces.tracer(), after, alike);
    List<Machine> machines = traces.setup().machines();
    boolean plain = machines.size() == 1 && machines.getFirst().remaps().isEmpty();
    if (!plain && traces.setup().innermost().focus() instanceof Machine.Running r) {
      for (Context c :
          traces.world().catalog().environment(r.application()).orElseThrow().contexts()) {
        if (found.filter(Verdict.Taken.class::isInstance).isPresent()) {
          break;
        }
        List<String> only = List.of(c.id());
        Optional<Verdict> there =
            presses(traces, traces.tracer().withContexts(only), after.withContexts(only), alike);
        found = there.isPresent() ? there : found;
      }
    }
    return found.orElse(new Verdict.Free());
  }

  private static Optional<Verdict> presses(
      SetupTraces traces, Tracer before, Tracer after, Set<Physical> alike) {
    Optional<Verdict> types = Optional.empty();
    for (Physical press : alike) {
      if (!press.held().keys().isEmpty()) {
        continue; // nobody presses it with another key held that does nothing
      }
      Gesture alone = Presses.gesture(List.of(Presses.Made.afresh(press)), before.layout());
      List<Outcome> was = before.results(alone);
      if (isSame(was, after.results(alone))) {
        continue;
      }
      for (Outcome outcome : was) {
        if (outcome instanceof Acted a) {
          return Optional.of(
              new Verdict.Taken(
                  a.layer(), Optional.of(a.action()), harm(traces, a.action()), List.of()));
        }
        if (outcome instanceof Typed t) {
          types = Optional.of(new Verdict.Types(t.text()));
        }
      }
      Optional<Verdict> longer =
          before.trace(alone).passages().stream()
              .filter(p -> p.verb() == Passage.Verb.HOLDS)
              .findFirst()
              .map(p -> new Verdict.Taken(p.layer(), Optional.empty(), Harm.VISIBLE, List.of()));
      if (longer.isPresent()) {
        return longer;
      }
    }
    return types;
  }

  private static Optional<Verdict> lacks(SetupTraces traces, List<Physical> presses) {
    Board board = traces.world().boards().get(traces.setup().board());
    return presses.stream()
        .flatMap(p -> p.pressedKey().stream())
        .filter(k -> !board.has(k) && board.withFn(k).isEmpty())
        .findFirst()
        .map(
            k ->
                new Verdict.Untypable(worded("any.the-board-has-no-key", board.title(), k.name())));
  }

  private static boolean works(TracedBinding t, Tracer there) {
    return there.results(t.gesture()).getLast() instanceof Acted a
        && a.action().equals(t.binding().action())
        && a.layer().depth() == t.layer().depth();
  }

  /** Where the gesture is taken, or goes another way, although it was bound. */
  private Verdict wayOf(SetupTraces traces, Trace trace, Gesture gesture) {
    for (Passage p : trace.passages()) {
      switch (p.verb()) {
        case TAKES -> {
          Acted acted = (Acted) p.came().orElseThrow();
          if (acted.action().equals(PROBE)) {
            continue; // something else came of it before
          }
          if (p.layer().kind() == Layer.Kind.RESERVED) {
            return new Verdict.Reserved(p.layer(), acted.action());
          }
          return new Verdict.Taken(
              p.layer(), Optional.of(acted.action()), harm(traces, acted.action()), List.of());
        }
        case HOLDS -> {
          if (isHome(p.layer(), traces)) {
            continue; // the binding itself waits for its next step
          }
          return new Verdict.Taken(p.layer(), Optional.empty(), Harm.VISIBLE, List.of());
        }
        case DROPS -> {
          return new Verdict.Astray(p.layer(), p.why());
        }
        case TYPES -> {
          return p.came().orElseThrow() instanceof Typed t && gesture.presses() == 1
              ? new Verdict.Types(t.text())
              : new Verdict.Astray(p.layer(), p.why());
        }
        case CHANGES, PASSES -> {}
      }
    }
    Layer last = trace.passages().getLast().layer();
    return new Verdict.Astray(last, worded("free.it-does-not-come-to-the"));
  }

  private boolean isHome(Layer layer, SetupTraces traces) {
    return layer.kind() == Layer.Kind.DESKTOP && depths(traces).contains(layer.depth());
  }

  private static Verdict taken(SetupTraces traces, List<TracedBinding> lost) {
    List<TracedBinding> worstFirst =
        lost.stream()
            .sorted(
                Comparator.comparing(
                    (TracedBinding t) -> harm(traces, t.binding().action()) != Harm.LOSES_WORK))
            .toList();
    TracedBinding worst = worstFirst.getFirst();
    return new Verdict.Taken(
        worst.layer(),
        Optional.of(worst.binding().action()),
        harm(traces, worst.binding().action()),
        worstFirst);
  }

  private static Harm harm(SetupTraces traces, ActionId action) {
    return traces.world().catalog().action(action).map(a -> a.harm()).orElse(Harm.VISIBLE);
  }

  /** Whether the same came of it; why nothing did makes no difference. */
  private static boolean isSame(List<Outcome> some, List<Outcome> others) {
    boolean same = some.size() == others.size();
    for (int i = 0; same && i < some.size(); i++) {
      same =
          some.get(i).equals(others.get(i))
              || (some.get(i) instanceof Nothing && others.get(i) instanceof Nothing);
    }
    return same;
  }
}
