package polydex.route;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.keys.Physical;
import polydex.route.Trace.Outcome;

/**
 * Every binding that a setup can show, traced from the fingers: what conflicts and reach are read
 * from.
 *
 * <p>Bindings of a context of the focused application are traced with that context active; inner
 * steps of a hold are traced behind the stroke that opens it. Only the ends are kept, since of
 * nearly all bindings nobody asks for the way. O(bindings · layers).
 */
public final class SetupTraces {
  private final Tracer tracer;
  private final World world;
  private final Setup setup;
  private final List<TracedBinding> all;
  private final List<TracedBinding> absent;

  /** With one context of the focused application active. */
  private final Map<String, Tracer> tracers = new ConcurrentHashMap<>();

  /** Made when first asked for; whoever makes it makes the same. */
  private volatile @Nullable Signs signs;

  /** The contexts that only holds open, each behind its environment. */
  private final Set<String> held;

  private final Optional<CompiledSetup> compiled;

  SetupTraces(
      World world,
      Tracer tracer,
      List<TracedBinding> all,
      List<TracedBinding> absent,
      Set<String> held,
      Signs signs) {
    this.world = world;
    this.setup = tracer.setup();
    this.tracer = tracer;
    this.all = all;
    this.absent = absent;
    this.held = held;
    this.signs = signs;
    this.compiled = Optional.empty();
  }

  /** What is asked of all bindings one after the other. */
  Signs signs() {
    Signs made = signs;
    if (made == null) {
      made = all instanceof CompiledRows rows ? Signs.of(rows) : Signs.of(all);
      signs = made;
    }
    return made;
  }

  /** The bindings of some actions, in their order. */
  public List<TracedBinding> of(Set<ActionId> actions) {
    IntPredicate may = signs().mayBeFor(actions);
    List<TracedBinding> found = new ArrayList<>();
    for (int i = 0; i < all.size(); i++) {
      if (may.test(i) && actions.contains(all.get(i).binding().action())) {
        found.add(all.get(i));
      }
    }
    return found;
  }

  /** The bindings of the user's own, in their order. */
  public List<TracedBinding> own() {
    if (all instanceof CompiledRows rows) {
      return rows.own();
    }
    List<TracedBinding> found = new ArrayList<>();
    Signs made = signs();
    for (int i = 0; i < all.size(); i++) {
      if (made.own(i)) {
        found.add(all.get(i));
      }
    }
    return found;
  }

  /**
   * The bindings that can be concerned when another one comes to a desktop that begins with one of
   * these presses there: all others are traced alike with and without it.
   *
   * @param depth of the machine, 0 the outermost
   */
  public List<TracedBinding> concernedBy(int depth, List<Physical> firsts) {
    Touched touched = new Touched(tracer.stations(), depth, firsts);
    Layout fingers = tracer.layout();
    List<TracedBinding> found = new ArrayList<>();
    signs()
        .touching(
            touched.bits(),
            i -> {
              TracedBinding t = all.get(i);
              Layout own = tracer.stations().get(t.layer().depth()).layout;
              if (touched.concerns(t, fingers, own)) {
                found.add(t);
              }
            });
    return found;
  }

  /** The layout of a machine. */
  public Layout layout(int depth) {
    return tracer.stations().get(depth).layout;
  }

  /** The contexts of keymaps that only holds open, each behind its environment and a space. */
  Set<String> held() {
    return held;
  }

  private SetupTraces(Tracer tracer, World world, Optional<CompiledSetup> compiled) {
    this.world = world;
    this.setup = tracer.setup();
    this.tracer = tracer;
    this.held = new HashSet<>();
    this.compiled = compiled;
    if (compiled.isPresent()) {
      int expected = compiled.get().places().stream().mapToInt(p -> p.keymap().rows()).sum();
      CompiledRows rows = new CompiledRows(compiled.get(), tracer, expected);
      CompiledRows without = new CompiledRows(compiled.get(), tracer, 0);
      this.all = rows;
      this.absent = without;
      new CompiledGathering(this, compiled.get(), rows, without).go();
    } else {
      this.all = new ArrayList<>();
      this.absent = new ArrayList<>();
      new Gathering(this, all, absent).go();
    }
  }

  /**
   * The traces of a setup.
   *
   * @throws IllegalArgumentException where {@link World#problem} finds one
   */
  public static SetupTraces of(Setup setup, World world) {
    Tracer tracer = Tracer.of(setup, world);
    return new SetupTraces(tracer, world, tracer.compiled(world));
  }

  /**
   * The same, each binding followed by itself: what the compiled ones are compared with, and what
   * is left for keymaps too large for them.
   */
  static SetupTraces plain(Setup setup, World world) {
    return new SetupTraces(Tracer.of(setup, world), world, Optional.empty());
  }

  /** The setup in numbers, where it is compiled and all of its bindings are rows of that. */
  public Optional<CompiledSetup> compiled() {
    return compiled;
  }

  /** Follows gestures as they are pressed where a binding holds: with its context active. */
  public Tracer tracer(TracedBinding traced) {
    return traced.active().map(this::tracerIn).orElse(tracer);
  }

  /** The way that a binding's gesture takes, followed anew. */
  public Trace trace(TracedBinding traced) {
    return tracer(traced).trace(traced.gesture());
  }

  private Tracer tracerIn(String context) {
    return tracers.computeIfAbsent(context, c -> tracer.withContexts(List.of(c)));
  }

  /** The tracer of the setup. */
  public Tracer tracer() {
    return tracer;
  }

  /** The setup. */
  public Setup setup() {
    return setup;
  }

  /** What the setup is made of. */
  public World world() {
    return world;
  }

  /** All bindings as numbers, where the setup is compiled. */
  public Optional<CompiledRows> rows() {
    return all instanceof CompiledRows rows ? Optional.of(rows) : Optional.empty();
  }

  /** The same of those that do not exist here. */
  public Optional<CompiledRows> absentRows() {
    return absent instanceof CompiledRows rows ? Optional.of(rows) : Optional.empty();
  }

  /** Every binding, in the order of the layers and of their keymaps; access keys of menus last. */
  public List<TracedBinding> all() {
    return Collections.unmodifiableList(all);
  }

  /**
   * Bindings of the keymaps that do not exist in the versions or with the options of this setup,
   * with what their gestures do here instead.
   */
  public List<TracedBinding> absent() {
    return Collections.unmodifiableList(absent);
  }

  /** For each action that can be caused here the bindings that cause it, the easiest first. */
  public Map<ActionId, List<TracedBinding>> reach() {
    return all.stream()
        .filter(TracedBinding::works)
        .sorted(Comparator.comparingInt(t -> presses(t.gesture())))
        .collect(Collectors.groupingBy(t -> t.binding().action()));
  }

  private static int presses(Gesture gesture) {
    return gesture.presses() + gesture.modifierPresses();
  }

  /** A binding followed in these traces. */
  TracedBinding traced(
      Optional<String> active,
      Layer layer,
      EnvironmentId environment,
      Binding binding,
      boolean own,
      Gesture gesture,
      int opening) {
    Tracer with = active.map(this::tracerIn).orElse(tracer);
    Presses presses = Presses.of(gesture, with.layout());
    List<Outcome> results = with.results(presses);
    return new TracedBinding(
        layer,
        environment,
        binding,
        own,
        gesture,
        opening,
        active,
        results.getLast(),
        results.size() == (opening > 0 ? 2 : 1),
        Touched.bits(presses, gesture, with.layout(), with.stations().get(layer.depth()).layout));
  }
}
