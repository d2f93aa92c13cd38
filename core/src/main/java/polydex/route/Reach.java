package polydex.route;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.boards.Presses.Made;
import polydex.catalog.ActionId;
import polydex.effort.StrokeEffort;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.route.Trace.Acted;
import polydex.route.Trace.Outcome;

/**
 * The gestures that, pressed on the board, do cause an action in a setup.
 *
 * <p>Problem: the inverse of a trace. Method: for each binding of the action the presses that its
 * layer waits for go backwards through translations and remaps to the fingers, where a press may
 * have no source or several; each candidate is kept if its trace ends in that action at that layer.
 * O(bindings of the action · candidates · layers).
 *
 * <p>A gesture counts with as many presses as the binding has; nothing is held that could as well
 * be let go, and a side of a modifier is named only where the other side does something else.
 */
public final class Reach {

  /**
   * A way to cause an action.
   *
   * @param binding what causes it in the end
   * @param gesture what is pressed
   * @param effort in points, see {@link StrokeEffort}
   */
  public record Way(TracedBinding binding, Gesture gesture, double effort) {
    /** Whether it is not what the keymap says, but what comes out as that. */
    public boolean isRoundabout() {
      return !gesture.equals(binding.gesture());
    }
  }

  private static final int MOST_CANDIDATES = 1024;

  private final SetupTraces traces;
  private final Predicate<ActionId> wanted;
  private final StrokeEffort effort;
  private final Map<ActionId, List<TracedBinding>> byAction = new HashMap<>();
  private final IdentityHashMap<TracedBinding, List<Way>> known = new IdentityHashMap<>();

  /** Hundreds of bindings share a few dozen presses, which are led back to the fingers once. */
  private final Map<Arriving, List<Source>> arriving = new HashMap<>();

  /** The reach in a setup that has been traced. */
  public Reach(SetupTraces traces) {
    this(traces, _ -> true, traces.rows().isPresent() ? List.of() : traces.all());
  }

  /** The reach of some actions only, at less cost. */
  public Reach(SetupTraces traces, Set<ActionId> actions) {
    this(traces, actions::contains, traces.rows().isPresent() ? List.of() : traces.of(actions));
  }

  private Reach(SetupTraces traces, Predicate<ActionId> wanted, List<TracedBinding> bindings) {
    this.traces = traces;
    this.wanted = wanted;
    this.effort = new StrokeEffort(traces.world().boards().get(traces.setup().board()));
    for (TracedBinding t : bindings) {
      byAction.computeIfAbsent(t.binding().action(), _ -> new ArrayList<>()).add(t);
    }
  }

  /** The bindings of an action that this setup has, whether they work or not. */
  public List<TracedBinding> bindings(ActionId action) {
    Optional<CompiledRows> rows = traces.rows().filter(_ -> wanted.test(action));
    return rows.map(r -> byAction.computeIfAbsent(action, r::of))
        .orElseGet(() -> List.copyOf(byAction.getOrDefault(action, List.of())));
  }

  /** The effort of a gesture under the fingers, in points; none where it can't be pressed. */
  public Optional<Double> effort(Gesture gesture) {
    return Presses.of(gesture, traces.tracer().layout()) instanceof Presses.Typable(var made)
        ? Optional.of(effort.of(made))
        : Optional.empty();
  }

  /** All ways to cause an action, the easiest first. */
  public List<Way> of(ActionId action) {
    List<Way> found = new ArrayList<>();
    for (TracedBinding binding : bindings(action)) {
      found.addAll(of(binding));
    }
    return List.copyOf(
        found.stream()
            .collect(
                Collectors.toMap(
                    w -> List.of(w.gesture(), w.binding().layer(), w.binding().binding().context()),
                    w -> w,
                    (a, _) -> a,
                    LinkedHashMap::new))
            .values()
            .stream()
            .sorted(
                Comparator.comparingDouble(Way::effort).thenComparing(w -> w.gesture().toString()))
            .toList());
  }

  /** The ways that end in one binding, the easiest first. */
  public List<Way> of(TracedBinding binding) {
    return known.computeIfAbsent(binding, this::find);
  }

  /** A press under the fingers, and its effort by itself. */
  private record Source(Made made, double effort) {}

  /** A press that arrives at a machine. */
  private record Arriving(int depth, Physical press) {}

  /**
   * The first of the ways that end in one binding: as {@link #of(TracedBinding)} has it, but looked
   * for from the least effort on, so that the rest need not be followed. One press, or two with
   * nothing held between them, takes more effort where it holds more than it needs, so that what is
   * needless never comes first; of longer gestures all ways are looked at.
   */
  public Optional<Way> easiest(TracedBinding binding) {
    List<Way> all = known.get(binding);
    Layout own = traces.layout(binding.layer().depth());
    if (all != null
        || !(Presses.of(binding.gesture(), own) instanceof Presses.Typable(List<Made> wanted))
        || wanted.size() > 2
        || wanted.getLast().stillHeld()) {
      return of(binding).stream().findFirst();
    }
    Layout fingers = traces.tracer().layout();
    Optional<List<Made>> documented =
        Presses.of(binding.gesture(), fingers) instanceof Presses.Typable t
            ? Optional.of(t.list())
            : Optional.empty();
    List<Source> first = sources(binding, wanted.getFirst());
    List<Source> second = wanted.size() == 1 ? List.of() : sources(binding, wanted.getLast());
    if ((long) first.size() * Math.max(1, second.size()) > MOST_CANDIDATES) {
      return of(binding).stream().findFirst(); // of very many only some are looked at
    }
    Easiest best = new Easiest(binding, fingers, documented);
    documented.filter(_ -> binding.works()).ifPresent(best::look);
    for (Source a : first) {
      if (second.isEmpty() && wanted.size() == 1 && !best.look(List.of(a.made()), a.effort())) {
        break;
      }
      if (second.isEmpty() || a.effort() > best.least) {
        continue;
      }
      // After a press that nobody waits on, what comes next is as good as the first.
      boolean waited = best.isWaitedFor(a);
      for (Source b : second) {
        if (!waited && !best.endsIn(List.of(b.made()))) {
          continue;
        }
        // Each source of the second press takes at least as much as the one before it.
        if (!best.look(List.of(a.made(), b.made()), a.effort() + b.effort())) {
          break;
        }
      }
    }
    return best.way();
  }

  private List<Source> sources(TracedBinding binding, Made wanted) {
    return arriving.computeIfAbsent(
        new Arriving(binding.layer().depth(), wanted.what()),
        a -> {
          List<Source> found = new ArrayList<>();
          for (Physical p :
              InverseRemaps.toFingers(traces.tracer().stations(), a.depth(), a.press())) {
            Made made = Made.afresh(p);
            found.add(new Source(made, effort.of(List.of(made))));
          }
          found.sort(Comparator.comparingDouble(Source::effort));
          return found;
        });
  }

  /** The easiest way so far, with all that are as easy. */
  private final class Easiest {
    private final TracedBinding binding;
    private final Layout fingers;
    private final Optional<List<Made>> documented;

    /** Of the binding in the compiled setup. */
    private final int code;

    private final List<Way> best = new ArrayList<>();
    private final List<List<Physical>> kept = new ArrayList<>();
    private double least = Double.POSITIVE_INFINITY;

    Easiest(TracedBinding binding, Layout fingers, Optional<List<Made>> documented) {
      this.binding = binding;
      this.fingers = fingers;
      this.documented = documented;
      this.code = traces.compiled().map(c -> c.codeOf(binding)).orElse(-1);
    }

    void look(List<Made> presses) {
      look(presses, 0);
    }

    /**
     * Follows presses, unless they can't be easier.
     *
     * @param atLeast so much effort they take at least
     * @return whether that is little enough
     */
    boolean look(List<Made> presses, double atLeast) {
      if (atLeast > least) {
        return false;
      }
      double points = effort.of(presses);
      boolean isDocumented = documented.filter(presses::equals).isPresent();
      if (points <= least
          && !kept.contains(physical(presses))
          && (isDocumented ? Reach.endsIn(binding, List.of(binding.outcome())) : endsIn(presses))) {
        Gesture gesture = written(binding, presses, fingers);
        if (Presses.of(gesture, fingers) instanceof Presses.Typable(List<Made> made)
            && made.equals(presses)) {
          if (points < least) {
            best.clear();
            kept.clear();
          }
          least = points;
          best.add(new Way(binding, gesture, points));
          kept.add(physical(presses));
        }
      }
      return true;
    }

    boolean endsIn(List<Made> presses) {
      return traces
          .compiled()
          .flatMap(c -> c.ending(code, presses))
          .map(CompiledSetup.Ending::there)
          .orElseGet(() -> Reach.endsIn(binding, traces.tracer(binding).results(presses)));
    }

    /**
     * Whether something may wait for what comes after a press: one that did something, or typed,
     * goes on with nothing.
     */
    boolean isWaitedFor(Source first) {
      List<Made> presses = List.of(first.made());
      return traces
          .compiled()
          .flatMap(c -> c.ending(code, presses))
          .map(CompiledSetup.Ending::waited)
          .orElseGet(
              () ->
                  traces.tracer(binding).results(presses).stream()
                      .allMatch(Trace.Nothing.class::isInstance));
    }

    Optional<Way> way() {
      return best.stream()
          .filter(
              w -> {
                List<Physical> mine = Presses.physical(w.gesture(), fingers).orElseThrow();
                return kept.stream().noneMatch(k -> isLess(k, mine));
              })
          .min(Comparator.comparing(w -> w.gesture().toString()));
    }
  }

  private List<Way> find(TracedBinding binding) {
    Layout fingers = traces.tracer().layout();
    List<List<Made>> candidates = candidates(binding);
    Presses documented = Presses.of(binding.gesture(), fingers);
    // Of very many candidates the last are cut off; what works as documented is never among them.
    if (binding.works()
        && documented instanceof Presses.Typable t
        && !candidates.contains(t.list())) {
      candidates.add(t.list());
    }
    if (candidates.size() > 1) {
      candidates.sort(Comparator.comparingInt(Reach::weight));
    }
    List<Way> found = new ArrayList<>();
    List<List<Physical>> kept = new ArrayList<>();
    Easiest each = new Easiest(binding, fingers, Optional.empty());
    for (List<Made> candidate : candidates) {
      List<Physical> presses = physical(candidate);
      boolean needless =
          kept.contains(presses) || kept.stream().anyMatch(less -> isLess(less, presses));
      // What becomes of the documented gesture is known.
      boolean known = documented instanceof Presses.Typable t && t.list().equals(candidate);
      if (!needless
          && (known ? endsIn(binding, List.of(binding.outcome())) : each.endsIn(candidate))) {
        Gesture gesture = written(binding, candidate, fingers);
        if (Presses.of(gesture, fingers) instanceof Presses.Typable(List<Made> made)
            && made.equals(candidate)) {
          kept.add(presses);
          found.add(new Way(binding, gesture, effort.of(made)));
        }
      }
    }
    found.sort(Comparator.comparingDouble(Way::effort).thenComparing(w -> w.gesture().toString()));
    return List.copyOf(found);
  }

  /** What holds less, and names fewer sides, is looked at first, so that it makes more needless. */
  private static int weight(List<Made> candidate) {
    int weight = 0;
    for (Made made : candidate) {
      Modifiers m = made.what().held().modifiers();
      // A second key of a name counts as one more that is held.
      weight += 8 * (made.what().held().count() + m.heldTwice()) + m.sidesTold();
    }
    return weight;
  }

  private static Gesture written(TracedBinding binding, List<Made> candidate, Layout fingers) {
    return Presses.physical(binding.gesture(), fingers)
        .filter(p -> p.equals(physical(candidate)))
        .map(_ -> binding.gesture())
        .orElseGet(() -> Presses.gesture(candidate, fingers));
  }

  private static List<Physical> physical(List<Made> made) {
    return made.stream().map(Made::what).toList();
  }

  private static boolean endsIn(TracedBinding binding, List<Outcome> results) {
    return results.getLast() instanceof Acted a
        && a.action().equals(binding.binding().action())
        && a.layer().equals(binding.layer());
  }

  /** What could be pressed, press by press; the layer's own machine says what it waits for. */
  private List<List<Made>> candidates(TracedBinding binding) {
    List<Station> stations = traces.tracer().stations();
    int depth = binding.layer().depth();
    if (!(Presses.of(binding.gesture(), stations.get(depth).layout)
        instanceof Presses.Typable(List<Made> wanted))) {
      return new ArrayList<>();
    }
    List<List<Physical>> all = new ArrayList<>();
    all.add(List.of());
    for (Made press : wanted) {
      Set<Physical> sources = InverseRemaps.toFingers(stations, depth, press.what());
      List<List<Physical>> more = new ArrayList<>();
      for (List<Physical> done : all) {
        for (Physical source : sources) {
          if (more.size() < MOST_CANDIDATES) {
            List<Physical> next = new ArrayList<>(done);
            next.add(source);
            more.add(next);
          }
        }
      }
      all = more;
    }
    return all.stream()
        .map(presses -> keeping(presses, wanted))
        .collect(Collectors.toCollection(ArrayList::new));
  }

  /**
   * Presses in the place of others: where something stayed down between those, what all of these
   * hold stays down.
   */
  private static List<Made> keeping(List<Physical> presses, List<Made> wanted) {
    List<Made> made = new ArrayList<>();
    int i = 0;
    while (i < presses.size()) {
      int end = i + 1;
      Held common = presses.get(i).held();
      while (end < presses.size() && wanted.get(end).stillHeld()) {
        common = common.common(presses.get(end).held());
        end++;
      }
      made.add(Made.afresh(presses.get(i)));
      for (int k = i + 1; k < end; k++) {
        made.add(new Made(presses.get(k), common));
      }
      i = end;
    }
    return made;
  }

  /** Whether one is the other with less held, or with fewer sides named, and nothing more. */
  static boolean isLess(List<Physical> less, List<Physical> more) {
    return less.size() == more.size()
        && !less.equals(more)
        && IntStream.range(0, less.size()).allMatch(i -> isWithin(less.get(i), more.get(i)));
  }

  private static boolean isWithin(Physical one, Physical other) {
    boolean same =
        switch (one) {
          case Physical.Press p -> other.pressedKey().filter(k -> k == p.key()).isPresent();
          case Physical.ModifierTap _ -> other instanceof Physical.ModifierTap;
          case Physical.PointerPress p ->
              other instanceof Physical.PointerPress o && o.act() == p.act();
        };
    Modifiers a = one.held().modifiers();
    Modifiers b = other.held().modifiers();
    return same
        && (a.bits() & ~b.bits()) == 0
        && other.held().keys().containsAll(one.held().keys());
  }
}
