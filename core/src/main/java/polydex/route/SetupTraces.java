package polydex.route;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import polydex.catalog.Binding;
import polydex.catalog.Environment;
import polydex.catalog.Version;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Step;

/**
 * Every binding that a setup can show, traced from the fingers: what conflicts and reach are read
 * from.
 *
 * <p>Bindings of a context of the focused application are traced with that context active; inner
 * steps of a hold are traced behind the stroke that opens it. O(bindings · layers).
 */
public final class SetupTraces {
  private final Tracer tracer;
  private final World world;
  private final Setup setup;
  private final List<TracedBinding> all = new ArrayList<>();

  private SetupTraces(Setup setup, World world) {
    this.setup = setup;
    this.world = world;
    this.tracer = Tracer.of(setup, world);
    List<Machine> machines = setup.machines();
    for (int depth = 0; depth < machines.size(); depth++) {
      Machine machine = machines.get(depth);
      Layer desktop = layer(depth, Layer.Kind.DESKTOP);
      for (Binding binding : machine.own()) {
        add(tracer, desktop, machine.platform(), binding, true);
      }
      addKeymap(
          _ -> tracer,
          desktop,
          machine.platform(),
          b ->
              !machine.switchedOff().contains(b.id())
                  && exists(b, machine.version(), machine.options()));
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

  /** Every binding, in the order of the layers and of their keymaps. */
  public List<TracedBinding> all() {
    return List.copyOf(all);
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

  private static boolean exists(Binding binding, Version version, Set<String> options) {
    return binding.when().holds(version, options);
  }

  private void addFocused(int depth, Machine machine) {
    switch (machine.focus()) {
      case Machine.Bare _ -> {}
      case Machine.Running r -> {
        Map<String, Tracer> tracers = new HashMap<>();
        addKeymap(
            context -> tracers.computeIfAbsent(context, c -> tracer.withContexts(List.of(c))),
            layer(depth, Layer.Kind.APPLICATION),
            r.application(),
            b -> exists(b, r.version(), r.options()));
      }
      case Machine.Session s ->
          addKeymap(
              _ -> tracer,
              layer(depth, Layer.Kind.SESSION),
              s.application(),
              b -> exists(b, s.version(), Set.of()));
    }
  }

  private void addKeymap(
      Function<String, Tracer> tracers,
      Layer layer,
      String environmentId,
      Predicate<Binding> isOn) {
    Environment environment = world.catalog().environment(environmentId).orElseThrow();
    List<Binding> bindings = world.catalog().bindings(environmentId).stream().filter(isOn).toList();
    Map<String, Binding> openers =
        bindings.stream()
            .filter(b -> b.heldContext().isPresent())
            .collect(Collectors.toMap(b -> b.heldContext().orElseThrow(), b -> b, (a, _) -> a));
    for (Binding binding : bindings) {
      Binding opener = openers.get(binding.context());
      if (opener == null) {
        add(tracers.apply(binding.context()), layer, environmentId, binding, false);
      } else if (environment.context(opener.context()).isPresent()) {
        addInner(tracers.apply(opener.context()), layer, environmentId, opener, binding);
      }
    }
  }

  private void add(Tracer with, Layer layer, String environment, Binding binding, boolean own) {
    for (Gesture member : binding.gesture().expand()) {
      all.add(new TracedBinding(layer, environment, binding, own, member, with.trace(member)));
    }
  }

  private void addInner(
      Tracer with, Layer layer, String environment, Binding opener, Binding binding) {
    for (Gesture member : binding.gesture().expand()) {
      inside(opener.gesture().expand().getFirst(), member)
          .ifPresent(
              whole ->
                  all.add(
                      new TracedBinding(
                          layer, environment, binding, false, whole, with.trace(whole))));
    }
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
