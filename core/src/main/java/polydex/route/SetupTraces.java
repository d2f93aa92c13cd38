package polydex.route;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import polydex.boards.Presses;
import polydex.catalog.Binding;
import polydex.catalog.Environment;
import polydex.catalog.MenuKeys;
import polydex.catalog.Version;
import polydex.keys.Gesture;
import polydex.keys.Held;
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

  SetupTraces(World world, Tracer tracer, List<TracedBinding> all, List<TracedBinding> absent) {
    this.world = world;
    this.setup = tracer.setup();
    this.tracer = tracer;
    this.all = all;
    this.absent = absent;
  }

  private SetupTraces(Setup setup, World world) {
    this.all = new ArrayList<>();
    this.absent = new ArrayList<>();
    this.setup = setup;
    this.world = world;
    this.tracer = Tracer.of(setup, world);
    List<Machine> machines = setup.machines();
    for (int depth = 0; depth < machines.size(); depth++) {
      Machine machine = machines.get(depth);
      Layer desktop = layer(depth, Layer.Kind.DESKTOP);
      for (Binding binding : machine.own()) {
        add(all, tracer, desktop, machine.platform(), binding, true);
      }
      List<Binding> on =
          world.catalog().bindings(machine.platform()).stream()
              .filter(b -> !machine.switchedOff().contains(b.id()))
              .toList();
      addKeymap(_ -> tracer, desktop, machine.platform(), on, machine.version(), machine.options());
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
  public Map<String, List<TracedBinding>> reach() {
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
        Map<String, Tracer> tracers = new HashMap<>();
        Layer layer = layer(depth, Layer.Kind.APPLICATION);
        addKeymap(
            context -> tracers.computeIfAbsent(context, c -> tracer.withContexts(List.of(c))),
            layer,
            r.application(),
            world.catalog().bindings(r.application()),
            r.version(),
            r.options());
        Environment application = world.catalog().environment(r.application()).orElseThrow();
        for (Binding key : MenuKeys.of(application, tracer.stations().get(depth).platform)) {
          add(all, tracer, layer, r.application(), key, false);
        }
      }
      case Machine.Session s ->
          addKeymap(
              _ -> tracer,
              layer(depth, Layer.Kind.SESSION),
              s.application(),
              world.catalog().bindings(s.application()),
              s.version(),
              Set.of());
    }
  }

  private void addKeymap(
      Function<String, Tracer> tracers,
      Layer layer,
      String environmentId,
      List<Binding> bindings,
      Version version,
      Set<String> options) {
    Environment environment = world.catalog().environment(environmentId).orElseThrow();
    Map<String, Binding> openers = new LinkedHashMap<>();
    for (Binding binding : bindings) {
      if (binding.heldContext().isPresent() && binding.when().holds(version, options)) {
        openers.putIfAbsent(binding.heldContext().get(), binding);
      }
    }
    for (Binding binding : bindings) {
      List<TracedBinding> into = binding.when().holds(version, options) ? all : absent;
      Binding opener = openers.get(binding.context());
      if (opener == null) {
        add(into, tracers.apply(binding.context()), layer, environmentId, binding, false);
      } else if (environment.context(opener.context()).isPresent()) {
        addInner(into, tracers.apply(opener.context()), layer, environmentId, opener, binding);
      }
    }
  }

  private static void add(
      List<TracedBinding> into,
      Tracer with,
      Layer layer,
      String environment,
      Binding binding,
      boolean own) {
    for (Gesture member : binding.gesture().expand()) {
      into.add(traced(with, layer, environment, binding, own, member, 0));
    }
  }

  private static void addInner(
      List<TracedBinding> into,
      Tracer with,
      Layer layer,
      String environment,
      Binding opener,
      Binding binding) {
    for (Gesture member : binding.gesture().expand()) {
      inside(opener.gesture().expand().getFirst(), member)
          .ifPresent(whole -> into.add(traced(with, layer, environment, binding, false, whole, 1)));
    }
  }

  static TracedBinding traced(
      Tracer with,
      Layer layer,
      String environment,
      Binding binding,
      boolean own,
      Gesture gesture,
      int opening) {
    Presses presses = Presses.of(gesture, with.layout());
    List<Outcome> results = with.results(presses);
    return new TracedBinding(
        layer,
        environment,
        binding,
        own,
        gesture,
        opening,
        with,
        results.getLast(),
        results.size() == 1 + opening,
        Touched.bits(presses, gesture, with.layout(), with.stations().get(layer.depth()).layout));
  }

  /** The hold that makes inner steps after the stroke that opens it. */
  static Optional<Gesture> inside(Gesture opener, Gesture inner) {
    if (opener.steps().size() != 1
        || !(opener.steps().getFirst() instanceof Step.Stroke first)
        || first.held().isNothing()) {
      return Optional.empty();
    }
    List<Step> steps = new ArrayList<>();
    steps.add(new Step.Stroke(Held.NOTHING, first.key()));
    steps.addAll(inner.steps());
    return Optional.of(Gesture.of(new Step.Hold(first.held(), steps)));
  }

  private Layer layer(int depth, Layer.Kind kind) {
    return tracer.layers().stream()
        .filter(l -> l.depth() == depth && l.kind() == kind)
        .findFirst()
        .orElseThrow();
  }
}
