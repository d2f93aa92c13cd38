package polydex.route;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.catalog.MenuKeys;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Physical;
import polydex.keys.Step;
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
  }

  /** What is asked of all bindings one after the other. */
  Signs signs() {
    Signs made = signs;
    if (made == null) {
      made = Signs.of(all);
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

  private SetupTraces(Setup setup, World world) {
    this.all = new ArrayList<>();
    this.absent = new ArrayList<>();
    this.held = new HashSet<>();
    this.setup = setup;
    this.world = world;
    this.tracer = Tracer.of(setup, world);
    List<Machine> machines = setup.machines();
    for (int depth = 0; depth < machines.size(); depth++) {
      Machine machine = machines.get(depth);
      Layer desktop = layer(depth, Layer.Kind.DESKTOP);
      for (Binding binding : machine.own()) {
        add(all, Optional.empty(), desktop, machine.platform(), binding, true);
      }
      List<Binding> on =
          world.catalog().bindings(machine.platform()).stream()
              .filter(b -> !machine.isSwitchedOff(desktop.kind(), b))
              .toList();
      addKeymap(_ -> Optional.empty(), desktop, machine, machine.platform(), on);
      addFocused(depth, machine);
    }
  }

  /**
   * The traces of a setup.
   *
   * @throws IllegalArgumentException where {@link World#problem} finds one
   */
  public static SetupTraces of(Setup setup, World world) {
    return new SetupTraces(setup, world);
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

  private void addFocused(int depth, Machine machine) {
    switch (machine.focus()) {
      case Machine.Bare _ -> {}
      case Machine.Running r -> {
        Layer layer = layer(depth, Layer.Kind.APPLICATION);
        addKeymap(
            Optional::of,
            layer,
            machine,
            r.application(),
            world.catalog().bindings(r.application()));
        Environment application = world.catalog().environment(r.application()).orElseThrow();
        for (Binding key : MenuKeys.of(application, tracer.stations().get(depth).platform)) {
          add(all, Optional.empty(), layer, r.application(), key, false);
        }
      }
      case Machine.SessionWindow s ->
          addKeymap(
              _ -> Optional.empty(),
              layer(depth, Layer.Kind.SESSION),
              machine,
              s.application(),
              world.catalog().bindings(s.application()));
    }
  }

  private void addKeymap(
      Function<String, Optional<String>> active,
      Layer layer,
      Machine machine,
      EnvironmentId environmentId,
      List<Binding> bindings) {
    Environment environment = world.catalog().environment(environmentId).orElseThrow();
    Map<String, Binding> openers = new LinkedHashMap<>();
    for (Binding binding : bindings) {
      if (binding.heldContext().isPresent() && machine.exists(layer.kind(), binding)) {
        openers.putIfAbsent(binding.heldContext().get(), binding);
      }
      if (binding.heldContext().isPresent()) {
        held.add(environmentId + " " + binding.heldContext().get());
      }
    }
    for (Binding binding : bindings) {
      List<TracedBinding> into = machine.exists(layer.kind(), binding) ? all : absent;
      Binding opener = openers.get(binding.context());
      if (opener == null) {
        add(into, active.apply(binding.context()), layer, environmentId, binding, false);
      } else if (environment.context(opener.context()).isPresent()) {
        addInner(into, active.apply(opener.context()), layer, environmentId, opener, binding);
      }
    }
  }

  private void add(
      List<TracedBinding> into,
      Optional<String> active,
      Layer layer,
      EnvironmentId environment,
      Binding binding,
      boolean own) {
    for (Gesture member : binding.gesture().expand()) {
      into.add(traced(active, layer, environment, binding, own, member, 0));
    }
  }

  private void addInner(
      List<TracedBinding> into,
      Optional<String> active,
      Layer layer,
      EnvironmentId environment,
      Binding opener,
      Binding binding) {
    for (Gesture member : binding.gesture().expand()) {
      Gesture first = opener.gesture().expand().getFirst();
      inside(first, member)
          .ifPresent(
              whole ->
                  into.add(
                      traced(active, layer, environment, binding, false, whole, first.presses())));
    }
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

  /** The steps that open a hold, and inner ones in it; none where nothing could be held. */
  static Optional<Gesture> inside(Gesture opener, Gesture inner) {
    Held held;
    List<Step> within = new ArrayList<>();
    switch (opener.steps().getLast()) {
      case Step.Stroke s -> {
        held = s.held();
        within.add(new Step.Stroke(Held.NOTHING, s.key()));
      }
      case Step.Hold h -> {
        held = h.held();
        within.addAll(h.inner());
      }
      case Step.Pointing p -> {
        held = p.held();
        within.add(new Step.Pointing(Held.NOTHING, p.act()));
      }
      case Step.Tap _, Step.Text _ -> held = Held.NOTHING;
    }
    if (held.isNothing()) {
      return Optional.empty();
    }
    within.addAll(inner.steps());
    List<Step> steps = new ArrayList<>(opener.steps().subList(0, opener.steps().size() - 1));
    steps.add(new Step.Hold(held, within));
    return Optional.of(new Gesture(steps));
  }

  private Layer layer(int depth, Layer.Kind kind) {
    return tracer.layers().stream()
        .filter(l -> l.depth() == depth && l.kind() == kind)
        .findFirst()
        .orElseThrow();
  }
}
