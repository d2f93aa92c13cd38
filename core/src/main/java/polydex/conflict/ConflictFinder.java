package polydex.conflict;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.Predicate;
import java.util.stream.Stream;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.MenuKeys;
import polydex.conflict.Conflict.Kind;
import polydex.conflict.Conflict.Party;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.Physical;
import polydex.keys.Step;
import polydex.route.Layer;
import polydex.route.Machine;
import polydex.route.Reach;
import polydex.route.SetupTraces;
import polydex.route.Trace.Acted;
import polydex.route.Trace.Nothing;
import polydex.route.Trace.Outcome;
import polydex.route.TracedBinding;
import polydex.route.Tracer;
import polydex.route.World;

/**
 * Finds the conflicts of a setup by tracing every binding that it can show.
 *
 * <p>Method: what keeps a binding from its action is the first cause in its trace; what is wrong
 * although it works (Fn, a delayed tap, text) is asked of its presses; two bindings on the same
 * presses are found by a hash of them. O(bindings · layers). The kinds are defined in {@code
 * docs/route.md}.
 */
public final class ConflictFinder {

  private record PressPlace(Layer layer, boolean own, String context, List<Physical> presses) {}

  /** What happens instead of what needs Fn. */
  static final Nothing WITH_FN = new Nothing(worded("conflict.fn-must-be-held-as-well"));

  private final World world;
  private final Catalog catalog;
  private final SetupTraces traces;
  private final Person person;
  private final Reach reach;
  private final Set<Key> onlyWithFn = EnumSet.noneOf(Key.class);
  private final List<TracedBinding> all;
  private final List<TracedBinding> absent;
  private final List<Conflict> found = new ArrayList<>();

  private final boolean withWays;

  private final Predicate<Kind> kinds;

  private ConflictFinder(
      SetupTraces traces, Person person, boolean withWays, Predicate<Kind> kinds) {
    this(traces, person, withWays, kinds, traces.all(), traces.absent(), new Reach(traces));
  }

  /** Finds those of some bindings only. */
  ConflictFinder(
      SetupTraces traces,
      Person person,
      boolean withWays,
      Predicate<Kind> kinds,
      List<TracedBinding> all,
      List<TracedBinding> absent,
      Reach reach) {
    this.kinds = kinds;
    this.withWays = withWays;
    this.world = traces.world();
    this.catalog = world.catalog();
    this.traces = traces;
    this.all = all;
    this.absent = absent;
    this.person = person;
    this.reach = reach;
    Board board = world.boards().get(traces.setup().board());
    Set<Key> keys = EnumSet.noneOf(Key.class);
    board.places().forEach(p -> keys.add(p.key()));
    board
        .fn()
        .forEach(
            (pressed, given) -> {
              if (keys.contains(pressed) && !keys.contains(given)) {
                onlyWithFn.add(given);
              }
            });
  }

  /** The conflicts, the worst first; each is made when it is looked at. */
  public static List<Conflict> find(SetupTraces traces, Person person) {
    return find(traces, person, true, _ -> true);
  }

  /** Only those of some kinds, where not all are of interest; at less cost. */
  public static List<Conflict> find(SetupTraces traces, Person person, Predicate<Kind> kinds) {
    return find(traces, person, true, kinds);
  }

  private static List<Conflict> find(
      SetupTraces traces, Person person, boolean withWays, Predicate<Kind> kinds) {
    return traces.rows().isPresent()
        ? CompiledFinder.find(traces, person, withWays, kinds)
        : new ConflictFinder(traces, person, withWays, kinds).find();
  }

  /** One for what is rare, found binding by binding. */
  static ConflictFinder of(
      SetupTraces traces, Person person, boolean withWays, Predicate<Kind> kinds) {
    return new ConflictFinder(
        traces, person, withWays, kinds, List.of(), List.of(), new Reach(traces));
  }

  /** What is wrong with one binding by itself. */
  List<Conflict> of(TracedBinding traced) {
    return taking(
        () -> {
          FirstCause.of(traces, traced).ifPresent(c -> add(traced, c));
          Presses.physical(traced.gesture(), traces.tracer().layout())
              .ifPresent(presses -> beside(traced, presses));
        });
  }

  /** Whether one starts with a tap that is kept too long. */
  List<Conflict> delayed(TracedBinding traced, int presses) {
    return taking(() -> delayedTap(traced, presses));
  }

  /** That one does not exist here, and does not do what it says. */
  List<Conflict> missing(TracedBinding traced) {
    return taking(() -> version(traced));
  }

  /** The user's own that will not hold. */
  List<Conflict> thin() {
    return taking(
        () -> {
          if (kinds.test(Kind.THIN)) {
            new ThinBindings(traces).forEach(this::thin);
          }
        });
  }

  private List<Conflict> taking(Runnable finding) {
    found.clear();
    finding.run();
    return List.copyOf(found);
  }

  /**
   * The same conflicts, of which nobody has asked what else still works, so that all count as if
   * nothing did: for whoever only compares what there is with what there was.
   */
  public static List<Conflict> withoutWays(SetupTraces traces, Person person) {
    return find(traces, person, false, _ -> true);
  }

  /** The same conflict of a binding, of which it is asked again what else still works. */
  Conflict again(Conflict c, TracedBinding loser) {
    List<Gesture> ways = stillWorks(loser, c.kind());
    return new Conflict(
        c.kind(),
        c.setup(),
        c.loser(),
        c.winner(),
        c.at(),
        c.instead(),
        c.cause(),
        ways,
        severity(c.instead(), ways, c.loser().action()),
        Rank.of(c.kind(), loser.works(), Severity.harm(c.instead(), catalog), !ways.isEmpty()),
        c.character());
  }

  private int severity(Outcome instead, List<Gesture> ways, ActionId action) {
    return Severity.of(
        Severity.harm(instead, catalog),
        !ways.isEmpty(),
        person.usesPerDay().applyAsDouble(action));
  }

  List<Conflict> find() {
    Map<PressPlace, TracedBinding> first = new HashMap<>();
    for (TracedBinding traced : all) {
      FirstCause.of(traces, traced).ifPresent(c -> add(traced, c));
      Optional<List<Physical>> fingers =
          Presses.physical(traced.gesture(), traces.tracer().layout());
      place(traced, fingers)
          .ifPresent(
              p -> {
                TracedBinding before = first.putIfAbsent(p, traced);
                if (before != null && differ(before, traced)) {
                  add(Kind.DUPLICATE, traced, before);
                }
              });
      fingers.ifPresent(presses -> beside(traced, presses));
    }
    if (kinds.test(Kind.AMBIGUOUS)) {
      ambiguous(first);
    }
    if (kinds.test(Kind.VERSION)) {
      absent.stream().filter(t -> !t.works()).forEach(this::version);
    }
    if (kinds.test(Kind.THIN)) {
      new ThinBindings(traces).forEach(this::thin);
    }
    Map<String, Conflict> byId = new LinkedHashMap<>();
    found.forEach(c -> byId.putIfAbsent(c.id(), c));
    return byId.values().stream().sorted(Conflict.WORST_FIRST).toList();
  }

  private static boolean differ(TracedBinding a, TracedBinding b) {
    return !a.binding().action().equals(b.binding().action());
  }

  /** What is wrong with a gesture although it ends where it should. */
  private void beside(TracedBinding traced, List<Physical> presses) {
    boolean needsFn = false;
    for (Physical press : presses) {
      needsFn |= needsFn(press);
    }
    if (needsFn) {
      Layer at = traces.tracer().layers().getFirst();
      add(Kind.NEEDS_FN, traced, Optional.empty(), at, WITH_FN);
    }
    if (traced.works() && presses.getFirst() instanceof Physical.ModifierTap) {
      delayedTap(traced, presses.size());
    }
    if (traced.works()) {
      TypedStrokes.at(
              traces,
              traced,
              presses.subList(Math.min(traced.opening(), presses.size()), presses.size()))
          .ifPresent(
              symbol ->
                  add(
                      Kind.TYPES_TEXT,
                      traced,
                      Optional.of(party(traced)),
                      traced.layer(),
                      traced.outcome(),
                      Character.toString(symbol.codePoint())));
    }
  }

  private void delayedTap(TracedBinding traced, int presses) {
    if (presses < 2) {
      return;
    }
    List<Machine> machines = traces.setup().machines();
    for (int depth = 0; depth < traced.layer().depth(); depth++) {
      if (machines.get(depth).focus() instanceof Machine.SessionWindow s
          && s.tapDelayMillis() > person.pauseMillis()) {
        Layer at = layer(depth, Layer.Kind.SESSION);
        Outcome rest =
            withoutFirst(traced.gesture())
                .map(g -> traces.tracer(traced).results(g).getLast())
                .orElseGet(() -> new Nothing(worded("conflict.the-next-step-comes-before-it")));
        add(Kind.DELAYED_TAP, traced, Optional.empty(), at, rest);
        return;
      }
    }
  }

  /** A gesture without its first press; none where that was all. */
  static Optional<Gesture> withoutFirst(Gesture gesture) {
    List<Step> steps = withoutFirst(gesture.steps());
    return steps.isEmpty() ? Optional.empty() : Optional.of(new Gesture(steps));
  }

  private static List<Step> withoutFirst(List<Step> all) {
    List<Step> steps = new ArrayList<>(all);
    switch (steps.removeFirst()) {
      case Step.Tap t when t.times() > 1 ->
          steps.addFirst(new Step.Tap(t.modifiers(), t.times() - 1));
      case Step.Hold h -> {
        List<Step> inner = withoutFirst(h.inner());
        if (!inner.isEmpty()) {
          steps.addFirst(new Step.Hold(h.held(), inner));
        }
      }
      default -> {}
    }
    return steps;
  }

  /** Contexts on different branches that can be active together. */
  private void ambiguous(Map<PressPlace, TracedBinding> first) {
    Layer layer =
        traces.setup().innermost().focus() instanceof Machine.Running
            ? layer(traces.setup().machines().size() - 1, Layer.Kind.APPLICATION)
            : traces.tracer().layers().getFirst();
    forEachPair((before, after) -> ambiguous(first, layer, before, after));
  }

  /** Each two contexts of the focused application that can be active together. */
  void forEachPair(BiConsumer<String, String> each) {
    Machine machine = traces.setup().innermost();
    if (!(machine.focus() instanceof Machine.Running running)) {
      return;
    }
    Environment environment = catalog.environment(running.application()).orElseThrow();
    Set<String> inOrder = new LinkedHashSet<>(running.contexts());
    environment.contexts().forEach(c -> inOrder.add(c.id()));
    List<String> asked = new ArrayList<>(inOrder);
    // Most contexts are alone, so that only those are paired of which something is said.
    Set<String> social = new HashSet<>(running.contexts());
    for (Context context : environment.contexts()) {
      if (!context.together().isEmpty()) {
        social.add(context.id());
        social.addAll(context.together());
      }
    }
    asked.retainAll(social);
    for (int i = 0; i < asked.size(); i++) {
      for (int j = i + 1; j < asked.size(); j++) {
        if (together(environment, running, asked.get(i), asked.get(j))) {
          each.accept(asked.get(i), asked.get(j));
        }
      }
    }
  }

  private void ambiguous(
      Map<PressPlace, TracedBinding> first, Layer layer, String before, String after) {
    for (TracedBinding loser : all) {
      if (loser.layer().equals(layer) && loser.binding().context().equals(after)) {
        place(loser, Optional.empty())
            .map(p -> first.get(new PressPlace(layer, false, before, p.presses())))
            .filter(winner -> differ(winner, loser))
            .ifPresent(winner -> add(Kind.AMBIGUOUS, loser, winner));
      }
    }
  }

  /** Both active in the setup, or said to go together; and neither inside the other. */
  private static boolean together(
      Environment environment, Machine.Running running, String one, String other) {
    if (environment.outward(one).contains(other) || environment.outward(other).contains(one)) {
      return false;
    }
    boolean active = running.contexts().contains(one) && running.contexts().contains(other);
    return active || goesWith(environment, one, other) || goesWith(environment, other, one);
  }

  private static boolean goesWith(Environment environment, String one, String other) {
    return environment.context(one).filter(c -> c.together().contains(other)).isPresent();
  }

  private void version(TracedBinding traced) {
    Optional<Party> winner =
        traced.outcome() instanceof Acted a ? Optional.of(party(traced, a)) : Optional.empty();
    add(Kind.VERSION, traced, winner, traced.layer(), traced.outcome());
  }

  private void thin(TracedBinding traced, OwnFault fault) {
    Outcome instead =
        fault == OwnFault.COVERS
            ? new Acted(
                traced.layer(),
                traced.environment(),
                traced.binding().action(),
                Optional.of(traced.binding().id()),
                true)
            : new Nothing(fault.sentence());
    add(Kind.THIN, traced, Optional.empty(), traced.layer(), instead);
  }

  private void add(Kind kind, TracedBinding loser, TracedBinding winner) {
    Acted acted =
        new Acted(
            winner.layer(),
            winner.environment(),
            winner.binding().action(),
            Optional.of(winner.binding().id()),
            winner.own());
    add(kind, loser, Optional.of(party(winner)), winner.layer(), acted);
  }

  private void add(TracedBinding loser, FirstCause.Cause cause) {
    add(cause.kind(), loser, cause.winner(), cause.at(), cause.instead());
  }

  private void add(
      Kind kind, TracedBinding loser, Optional<Party> winner, Layer at, Outcome instead) {
    add(kind, loser, winner, at, instead, "");
  }

  private void add(
      Kind kind,
      TracedBinding loser,
      Optional<Party> winner,
      Layer at,
      Outcome instead,
      String character) {
    if (!kinds.test(kind)) {
      return;
    }
    found.add(conflict(kind, loser, winner, at, instead, character));
  }

  Conflict conflict(
      Kind kind,
      TracedBinding loser,
      Optional<Party> winner,
      Layer at,
      Outcome instead,
      String character) {
    List<Gesture> stillWorks = withWays ? stillWorks(loser, kind) : List.of();
    String by = winner.map(w -> w.environment() + " " + w.binding()).orElse("");
    Kind.Source source = kind.source();
    boolean inKeymap = source == Kind.Source.KEYMAP || by.isEmpty();
    return new Conflict(
        kind,
        Optional.of(traces.setup().id()),
        party(loser),
        winner,
        Optional.of(at),
        instead,
        String.join(
            "|",
            kind.written(),
            at.machine(),
            at.kind().name(),
            at.title(),
            source == Kind.Source.LOSER ? "" : by,
            inKeymap ? loser.environment().value() : ""),
        stillWorks,
        severity(instead, stillWorks, loser.binding().action()),
        Rank.of(kind, loser.works(), Severity.harm(instead, catalog), !stillWorks.isEmpty()),
        character);
  }

  /**
   * Gestures that do it where the loser holds: documented ones that work, what comes out as those
   * that do not, and what the platform keeps for the action.
   */
  List<Gesture> stillWorks(TracedBinding loser, Kind kind) {
    ActionId action = loser.binding().action();
    Stream<Gesture> kept =
        traces.tracer().platform(loser.layer().depth()).reserved().stream()
            .filter(r -> r.action().equals(action))
            .map(Environment.Reserved::gesture)
            .filter(g -> worksFor(g, loser));
    Stream<Gesture> bound =
        reach.bindings(action).stream()
            .filter(other -> isWayOut(other, loser))
            .flatMap(
                other ->
                    (other.works() && !other.equals(loser)
                            ? Stream.of(other.gesture())
                            : reach.of(other).stream().map(Reach.Way::gesture))
                        .filter(g -> other.active().equals(loser.active()) || worksFor(g, loser)));
    return Stream.concat(bound, kept)
        .filter(g -> !g.equals(loser.gesture()))
        .distinct()
        .filter(g -> kind != Kind.NEEDS_FN || !needsFn(g))
        .filter(g -> worksAsItStands(g, loser))
        .sorted(Comparator.comparingDouble(g -> reach.effort(g).orElse(Double.MAX_VALUE)))
        .toList();
  }

  /** Whether a gesture does the loser's action where the loser holds: with its context active. */
  private boolean worksFor(Gesture gesture, TracedBinding loser) {
    return does(traces.tracer(loser), gesture, loser);
  }

  /**
   * Whether it does so as the setup stands, if the loser's context is active there: a context in it
   * may take what it leaves.
   */
  private boolean worksAsItStands(Gesture gesture, TracedBinding loser) {
    return loser.active().filter(this::isActiveBesides).isEmpty()
        || does(traces.tracer(), gesture, loser);
  }

  /** Whether a context of the focused application is active in the setup, and not by itself. */
  boolean isActiveBesides(String context) {
    if (!(traces.setup().innermost().focus() instanceof Machine.Running running)
        || running.contexts().equals(List.of(context))) {
      return false;
    }
    Environment environment = catalog.environment(running.application()).orElseThrow();
    return running.contexts().stream().anyMatch(c -> environment.outward(c).contains(context));
  }

  private static boolean does(Tracer tracer, Gesture gesture, TracedBinding loser) {
    return !gesture.isFamily()
        && tracer.results(gesture).getLast() instanceof Acted a
        && a.action().equals(loser.binding().action())
        && a.layer().depth() == loser.layer().depth();
  }

  private boolean needsFn(Gesture gesture) {
    return Presses.physical(gesture, traces.tracer().layout()).stream()
        .flatMap(List::stream)
        .anyMatch(this::needsFn);
  }

  /** Whether the board gives the key of a press with Fn only. */
  boolean needsFn(Physical press) {
    return press.pressedKey().filter(onlyWithFn::contains).isPresent();
  }

  /** On the same machine, and not merely another member of the losing family. */
  private static boolean isWayOut(TracedBinding other, TracedBinding loser) {
    return other.layer().depth() == loser.layer().depth()
        && (!other.binding().equals(loser.binding()) || other.gesture().equals(loser.gesture()));
  }

  private Layer layer(int depth, Layer.Kind kind) {
    return traces.tracer().layers().stream()
        .filter(l -> l.depth() == depth && l.kind() == kind)
        .findFirst()
        .orElseThrow();
  }

  static Party party(TracedBinding t) {
    return new Party(
        t.environment(),
        t.binding().context(),
        t.binding().action(),
        t.binding().gesture(),
        t.gesture(),
        t.binding().id(),
        t.own(),
        t.layer().depth());
  }

  static Party party(TracedBinding pressed, Acted acted) {
    return new Party(
        acted.environment(),
        Context.ANYWHERE.id(),
        acted.action(),
        pressed.gesture(),
        pressed.gesture(),
        acted.binding().orElse(""),
        acted.own(),
        acted.layer().depth());
  }

  /**
   * Where a binding stands, by presses on its own machine's layout; none where untypable there.
   *
   * @param fingers the presses on the layout under the fingers, as far as they are known
   */
  private Optional<PressPlace> place(TracedBinding traced, Optional<List<Physical>> fingers) {
    if (MenuKeys.isOne(traced.binding())) {
      return Optional.empty();
    }
    Machine machine = traces.setup().machines().get(traced.layer().depth());
    Layout layout = world.layouts().get(machine.layout());
    Optional<List<Physical>> there =
        fingers.isPresent() && machine.layout().equals(traces.setup().machine().layout())
            ? fingers
            : Presses.physical(traced.gesture(), layout);
    return there.map(
        presses ->
            new PressPlace(traced.layer(), traced.own(), traced.binding().context(), presses));
  }
}
