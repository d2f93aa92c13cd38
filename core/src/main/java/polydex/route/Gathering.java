package polydex.route;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.catalog.MenuKeys;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Step;

/**
 * Gathers every binding that a setup can show, each followed by itself: the user's own, those of
 * the desktop and of what has the focus, machine by machine, access keys of menus last.
 */
final class Gathering {
  private final SetupTraces traces;
  private final Catalog catalog;
  private final Tracer tracer;
  private final List<TracedBinding> all;
  private final List<TracedBinding> absent;

  Gathering(SetupTraces traces, List<TracedBinding> all, List<TracedBinding> absent) {
    this.traces = traces;
    this.catalog = traces.world().catalog();
    this.tracer = traces.tracer();
    this.all = all;
    this.absent = absent;
  }

  void go() {
    List<Machine> machines = traces.setup().machines();
    for (int depth = 0; depth < machines.size(); depth++) {
      Machine machine = machines.get(depth);
      Layer desktop = tracer.stations().get(depth).desktopLayer;
      for (Binding binding : machine.own()) {
        add(all, Optional.empty(), desktop, machine.platform(), binding, true);
      }
      List<Binding> on =
          catalog.bindings(machine.platform()).stream()
              .filter(b -> !machine.isSwitchedOff(desktop.kind(), b))
              .toList();
      addKeymap(_ -> Optional.empty(), desktop, machine, machine.platform(), on);
      addFocused(depth, machine);
    }
  }

  private void addFocused(int depth, Machine machine) {
    Station station = tracer.stations().get(depth);
    switch (machine.focus()) {
      case Machine.Bare _ -> {}
      case Machine.Running r -> {
        Layer layer = station.focusedLayer.orElseThrow();
        addKeymap(Optional::of, layer, machine, r.application(), catalog.bindings(r.application()));
        Environment application = catalog.environment(r.application()).orElseThrow();
        for (Binding key : MenuKeys.of(application, station.platform)) {
          add(all, Optional.empty(), layer, r.application(), key, false);
        }
      }
      case Machine.SessionWindow s ->
          addKeymap(
              _ -> Optional.empty(),
              station.focusedLayer.orElseThrow(),
              machine,
              s.application(),
              catalog.bindings(s.application()));
    }
  }

  private void addKeymap(
      Function<String, Optional<String>> active,
      Layer layer,
      Machine machine,
      EnvironmentId environmentId,
      List<Binding> bindings) {
    Environment environment = catalog.environment(environmentId).orElseThrow();
    Map<String, Binding> openers =
        openers(environmentId, bindings, b -> machine.exists(layer.kind(), b), traces.held());
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
      into.add(traces.traced(active, layer, environment, binding, own, member, 0));
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
                      traces.traced(
                          active, layer, environment, binding, false, whole, first.presses())));
    }
  }

  /** The first that opens each context by being held, of those that exist. */
  static Map<String, Binding> openers(
      EnvironmentId environment,
      List<Binding> bindings,
      java.util.function.Predicate<Binding> exists,
      Set<String> held) {
    Map<String, Binding> openers = new HashMap<>();
    for (Binding binding : bindings) {
      if (binding.heldContext().isPresent()) {
        held.add(environment + " " + binding.heldContext().get());
        if (exists.test(binding)) {
          openers.putIfAbsent(binding.heldContext().get(), binding);
        }
      }
    }
    return openers;
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
}
