package polydex.route;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import polydex.catalog.Binding;
import polydex.catalog.Environment;
import polydex.keys.Gesture;

/**
 * What {@link Gathering} does for a compiled setup: rows walk through it, and only what is rare is
 * followed by itself. O(bindings · layers).
 */
final class CompiledGathering {
  private final SetupTraces traces;
  private final CompiledSetup setup;
  private final CompiledRows all;
  private final CompiledRows absent;

  CompiledGathering(
      SetupTraces traces, CompiledSetup setup, CompiledRows all, CompiledRows absent) {
    this.traces = traces;
    this.setup = setup;
    this.all = all;
    this.absent = absent;
  }

  void go() {
    setup.places().forEach(this::add);
  }

  private void add(Place place) {
    Map<String, Binding> openers = openers(place);
    for (int row = 0; row < place.keymap().rows(); row++) {
      boolean on = place.isOn(row);
      if (!on && !place.isAbsent(row)) {
        continue;
      }
      CompiledRows into = on ? all : absent;
      Binding opener = openers.isEmpty() ? null : openers.get(place.binding(row).context());
      if (opener == null) {
        add(place, row, into);
      } else {
        addInner(place, row, opener, into);
      }
    }
  }

  private Map<String, Binding> openers(Place place) {
    if (!place.keymap().opens() || place.together()) {
      return Map.of();
    }
    List<Binding> there =
        IntStream.range(0, place.keymap().rows())
            .filter(r -> place.isOn(r) || place.isAbsent(r))
            .mapToObj(r -> place.binding(r))
            .toList();
    Machine machine = traces.setup().machines().get(place.depth());
    return Gathering.openers(
        place.environment(), there, b -> machine.exists(place.layer().kind(), b), traces.held());
  }

  private void add(Place place, int row, CompiledRows into) {
    if (place.length(row) == 0) {
      into.untypable(place.code(row));
      return;
    }
    if (!place.keeps(row)) {
      Walk walk = setup.walk();
      setup.results(place, row, setup.chain(place, row));
      if (!walk.rare()) {
        int end = walk.last();
        boolean alone = walk.results() == 1;
        boolean does = setup.does(end, place, row);
        boolean types = does && setup.symbolTaken(place, row).isPresent();
        into.walked(place.code(row), end, alone, does, types);
        return;
      }
    }
    into.followed(place.code(row), followed(place, row, place.gesture(row), 0, null));
  }

  private void addInner(Place place, int row, Binding opener, CompiledRows into) {
    Environment environment =
        traces.world().catalog().environment(place.environment()).orElseThrow();
    if (environment.context(opener.context()).isPresent()) {
      Gesture first = opener.gesture().expand().getFirst();
      Gathering.inside(first, place.gesture(row))
          .ifPresent(
              whole ->
                  into.followed(
                      place.code(row), followed(place, row, whole, first.presses(), opener)));
    }
  }

  private TracedBinding followed(
      Place place, int row, Gesture gesture, int opening, @Nullable Binding opener) {
    Binding binding = place.binding(row);
    Optional<String> active =
        place.inContext()
            ? Optional.of(opener == null ? binding.context() : opener.context())
            : Optional.empty();
    return traces.traced(
        active, place.layer(), place.environment(), binding, place.own(), gesture, opening);
  }
}
