package polydex.conflict;

import java.util.List;
import java.util.Optional;
import polydex.boards.Layout;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.route.Machine;
import polydex.route.Passage;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;

/**
 * Strokes that would type a symbol if no binding took them: what AltGr types, or Ctrl+Alt or a
 * platform's typing modifiers in its place. Plain and shifted keys are no such strokes, since a
 * keymap that binds them means a place where nobody types.
 */
final class TypedStrokes {
  private TypedStrokes() {}

  /**
   * The symbol that a working binding takes from whoever types it.
   *
   * @param presses of its own under the fingers, behind those that only open a hold
   */
  static Optional<Layout.Symbol> at(
      SetupTraces traces, TracedBinding traced, List<Physical> presses) {
    if (presses.stream().noneMatch(p -> mayType(traces, traced.layer().depth(), p))) {
      return Optional.empty();
    }
    return traces.trace(traced).passages().stream()
        .filter(p -> p.press() >= traced.opening() && p.layer().equals(traced.layer()))
        .filter(p -> p.verb() == Passage.Verb.TAKES || p.verb() == Passage.Verb.HOLDS)
        .flatMap(p -> typed(traces, p).stream())
        .findFirst();
  }

  /** Most gestures hold nothing that types and meet no remap, which spares following them. */
  private static boolean mayType(SetupTraces traces, int depth, Physical first) {
    for (int i = 0; i <= depth; i++) {
      Machine machine = traces.setup().machines().get(i);
      boolean translated =
          machine.focus() instanceof Machine.SessionWindow s
              && s.translation().isPresent()
              && i < depth;
      // Even a plain press may come there with modifiers.
      if (!machine.remaps().isEmpty() || translated) {
        return true;
      }
    }
    Modifiers held = first.held().modifiers();
    if (held.without(Modifier.SHIFT).isEmpty()) {
      return !first.held().keys().isEmpty();
    }
    return traces.tracer().platform(depth).mayType(held);
  }

  private static Optional<Layout.Symbol> typed(SetupTraces traces, Passage p) {
    if (!(p.received() instanceof Physical.Press press) || !press.held().keys().isEmpty()) {
      return Optional.empty();
    }
    return traces
        .tracer()
        .typing(p.layer().depth(), press)
        .filter(_ -> !press.held().modifiers().without(Modifier.SHIFT).isEmpty());
  }
}
