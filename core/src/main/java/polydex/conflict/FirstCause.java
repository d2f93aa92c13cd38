package polydex.conflict;

import java.util.List;
import java.util.Optional;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Binding;
import polydex.catalog.Context;
import polydex.conflict.Conflict.Kind;
import polydex.conflict.Conflict.Party;
import polydex.keys.Modifier;
import polydex.keys.Physical;
import polydex.route.Layer;
import polydex.route.Passage;
import polydex.route.SetupTraces;
import polydex.route.Trace;
import polydex.route.Trace.Acted;
import polydex.route.Trace.Outcome;
import polydex.route.TracedBinding;

/**
 * Why a binding does not do what it says: the first passage on the way of its gesture that is not
 * as the binding needs it. The order is that of the trace, so that there is exactly one cause; the
 * table is written out in {@code docs/route.md}. O(length of the trace).
 */
final class FirstCause {

  /**
   * A cause.
   *
   * @param kind what is wrong
   * @param at the layer
   * @param winner the binding that takes it there, where one does
   * @param instead what happens
   */
  record Cause(Kind kind, Layer at, Optional<Party> winner, Outcome instead) {}

  private final SetupTraces traces;
  private final TracedBinding loser;
  private final Layer layer;
  private final Trace trace;

  private FirstCause(SetupTraces traces, TracedBinding loser) {
    this.traces = traces;
    this.loser = loser;
    this.layer = loser.layer();
    this.trace = traces.trace(loser);
  }

  /** The cause, or none where the binding does what it says, or only a duplicate keeps it. */
  static Optional<Cause> of(SetupTraces traces, TracedBinding loser) {
    if (loser.works()) {
      return loser.alone() ? Optional.empty() : new FirstCause(traces, loser).firedBefore();
    }
    return new FirstCause(traces, loser).find();
  }

  /** It ends well, but something shorter fired on the way. */
  private Optional<Cause> firedBefore() {
    return trace.passages().stream()
        .filter(p -> p.verb() == Passage.Verb.TAKES && p.press() < last() && !isOpening(p))
        .findFirst()
        .flatMap(p -> cause(Kind.PREFIX, p.layer(), p));
  }

  private Optional<Cause> find() {
    if (trace.passages().isEmpty()) {
      return cause(Kind.UNTYPABLE, traces.tracer().layers().getFirst());
    }
    Layer held = trace.passages().getLast().layer();
    for (Passage p : trace.passages()) {
      if (p.verb() == Passage.Verb.TAKES) {
        if (!isOpening(p)) {
          return taken(p);
        }
      } else if (p.layer().equals(layer)) {
        if (p.verb() != Passage.Verb.HOLDS) {
          return atItsLayer(p);
        }
        held = layer;
      } else {
        Optional<Cause> wrong = isOuter(p.layer()) ? further(p) : inside(p);
        if (wrong.isPresent()) {
          return wrong;
        }
      }
    }
    // Its own layer still waits: something longer there begins with it.
    return cause(Kind.INTERCEPTED, held);
  }

  private Optional<Cause> taken(Passage p) {
    Acted acted = acted(p);
    boolean outer = isOuter(p.layer());
    boolean same = p.layer().equals(layer);
    if (p.layer().kind() == Layer.Kind.RESERVED && outer) {
      return cause(Kind.RESERVED, p.layer(), p);
    }
    if (!outer && !same) {
      return cause(Kind.INTERCEPTED, window(), p);
    }
    if (p.press() < last()) {
      return cause(Kind.PREFIX, p.layer(), p);
    }
    if (outer || (acted.own() && !loser.own())) {
      return cause(Kind.INTERCEPTED, p.layer(), p);
    }
    // In its own context only a binding on the same presses is asked before: that is a duplicate.
    return isAwaited(p) ? Optional.empty() : cause(Kind.UNTYPABLE, p.layer(), p);
  }

  private Optional<Cause> atItsLayer(Passage p) {
    return switch (p.reason()) {
      case CAPTURED -> cause(Kind.INTERCEPTED, window());
      case BROKEN_OFF, NOT_IN_HOLD -> cause(Kind.INTERCEPTED, layer);
      default -> cause(notAwaited(p), layer);
    };
  }

  /** At a layer that is asked before. */
  private Optional<Cause> further(Passage p) {
    Layer at = p.layer();
    return switch (p.verb()) {
      case PASSES, TAKES -> Optional.empty();
      case CHANGES -> at.kind() == Layer.Kind.BOARD ? Optional.empty() : cause(Kind.ALTERED, at);
      case HOLDS -> cause(Kind.INTERCEPTED, at);
      case TYPES -> cause(notAwaited(p), at);
      case DROPS ->
          switch (p.reason()) {
            case SWITCHED_OFF, LEFT_OUT -> cause(Kind.ALTERED, at);
            case NOT_HANDED_ON -> cause(Kind.BLOCKED, at);
            case BROKEN_OFF, NOT_IN_HOLD -> cause(Kind.INTERCEPTED, at);
            default -> cause(Kind.UNTYPABLE, at);
          };
    };
  }

  /** At a layer that should not have been reached. */
  private Optional<Cause> inside(Passage p) {
    return switch (p.layer().kind()) {
      case TYPING -> cause(notAwaited(p), p.layer());
      default ->
          p.verb() == Passage.Verb.HOLDS || p.verb() == Passage.Verb.DROPS
              ? cause(Kind.INTERCEPTED, window())
              : Optional.empty();
    };
  }

  /** What a press is that its layer does not wait for: text in its place, or another stroke. */
  private Kind notAwaited(Passage p) {
    boolean more = !p.received().held().modifiers().without(Modifier.SHIFT).isEmpty();
    return trace.outcome() instanceof Trace.Typed && more ? Kind.TYPES_TEXT : Kind.UNTYPABLE;
  }

  /** The window on the loser's machine that takes what its desktop would have had. */
  private Layer window() {
    return traces.tracer().layers().stream()
        .filter(l -> l.depth() == layer.depth() && l.kind() == Layer.Kind.SESSION)
        .findFirst()
        .orElse(layer);
  }

  private boolean isOpening(Passage p) {
    return p.press() < loser.opening() && p.layer().equals(layer);
  }

  private boolean isAwaited(Passage p) {
    return presses(traces.tracer().setup().machines().get(layer.depth()).layout())
        .filter(list -> p.press() < list.size())
        .filter(list -> list.get(p.press()).eitherSide().equals(p.received().eitherSide()))
        .isPresent();
  }

  private Optional<List<Physical>> presses(String layoutId) {
    Layout layout = traces.world().layouts().get(layoutId);
    return Presses.physical(loser.gesture(), layout);
  }

  private int last() {
    return presses(traces.setup().machine().layout()).map(List::size).orElse(1) - 1;
  }

  private boolean isOuter(Layer other) {
    return other.depth() < layer.depth()
        || (other.depth() == layer.depth() && other.kind().compareTo(layer.kind()) < 0);
  }

  private static Acted acted(Passage p) {
    return (Acted) p.came().orElseThrow();
  }

  private Optional<Cause> cause(Kind kind, Layer at) {
    return Optional.of(new Cause(kind, at, Optional.empty(), trace.outcome()));
  }

  private Optional<Cause> cause(Kind kind, Layer at, Passage taken) {
    return Optional.of(new Cause(kind, at, Optional.of(party(taken)), acted(taken)));
  }

  private Party party(Passage taken) {
    Acted acted = acted(taken);
    return new Party(
        acted.environment(),
        taken.by().map(Binding::context).orElse(Context.ANYWHERE.id()),
        acted.action(),
        taken.by().map(Binding::gesture).orElse(loser.gesture()),
        loser.gesture(),
        acted.binding().orElse(""),
        acted.own(),
        acted.layer().depth());
  }
}
