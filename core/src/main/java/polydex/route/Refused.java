package polydex.route;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import polydex.catalog.Binding;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.keys.Gesture;

/**
 * What no setup and no keymap that comes from outside may say, since it could only be understood by
 * guessing. What stands in a file already is not lost for it: a {@link SetupCheck} names it, and it
 * does nothing.
 */
public final class Refused {
  /** The most machines in one another. */
  public static final int MOST_MACHINES = 64;

  private Refused() {}

  /** Why a setup is refused. O(its size). */
  public static Optional<String> in(Setup setup) {
    List<Machine> machines = setup.machines();
    if (machines.size() > MOST_MACHINES) {
      return Optional.of(
          worded(
              "route.has-machines-in-one-another-are",
              setup.title(),
              machines.size(),
              MOST_MACHINES));
    }
    for (Machine machine : machines) {
      List<Gesture> strokes = new ArrayList<>();
      machine
          .remaps()
          .forEach(
              remap ->
                  remap
                      .strokeRules()
                      .forEach(rule -> strokes.addAll(List.of(rule.from(), rule.to()))));
      if (machine.focus() instanceof Machine.SessionWindow window) {
        strokes.addAll(window.kept());
        strokes.addAll(window.sent());
        if (window.translation().filter(t -> !t.strokeRules().isEmpty()).isPresent()) {
          return Optional.of(
              worded("route.the-window-on-translates-whole-strokes", machine.title()));
        }
      }
      Optional<String> wrong = strokes.stream().flatMap(s -> stroke(s).stream()).findFirst();
      if (wrong.isPresent()) {
        return Optional.of(worded("route.on", machine.title(), wrong.get()));
      }
    }
    return Optional.empty();
  }

  /** Why a keymap is refused. O(its size). */
  public static Optional<String> in(Environment environment, List<Binding> bindings) {
    Optional<String> reserved =
        environment.platform().stream()
            .flatMap(p -> p.reserved().stream())
            .flatMap(r -> stroke(r.gesture()).stream())
            .findFirst();
    if (reserved.isPresent()) {
      return Optional.of(worded("route.what-reserves", environment.title(), reserved.get()));
    }
    Set<String> contexts =
        environment.contexts().stream().map(Context::id).collect(Collectors.toSet());
    return bindings.stream()
        .filter(b -> b.heldContext().filter(c -> !contexts.contains(c)).isPresent())
        .findFirst()
        .map(
            b ->
                worded(
                    "route.of-opens-the-context-which-is",
                    b.gesture(),
                    environment.title(),
                    b.heldContext().orElseThrow()));
  }

  /** Why a gesture can't stand where one stroke is asked for. */
  static Optional<String> stroke(Gesture gesture) {
    return gesture.isStroke()
        ? Optional.empty()
        : Optional.of(worded("route.is-not-one-stroke-such-as", gesture));
  }
}
