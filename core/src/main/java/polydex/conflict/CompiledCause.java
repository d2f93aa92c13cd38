package polydex.conflict;

import polydex.conflict.Conflict.Kind;
import polydex.route.CompiledSetup;
import polydex.route.Layer;
import polydex.route.Passage.Verb;
import polydex.route.Place;
import polydex.route.Trace;
import polydex.route.Walk;

/**
 * What {@link FirstCause} finds, of a binding that walks through a compiled setup, as numbers. Used
 * again for one binding after the other. O(passages).
 */
final class CompiledCause {
  /** No binding takes it there. */
  static final int NO_WINNER = Integer.MIN_VALUE;

  private final CompiledSetup setup;
  private final Walk walk;
  private Place place;
  private int row;
  private int last;

  private Kind kind = Kind.UNTYPABLE;
  private int at;
  private int winner;
  private int instead;

  CompiledCause(CompiledSetup setup) {
    this.setup = setup;
    this.walk = setup.walk();
    this.place = setup.places().getFirst();
  }

  Kind kind() {
    return kind;
  }

  /** The number of the layer where it goes wrong. */
  int at() {
    return at;
  }

  /** What takes it there, as {@link CompiledSetup#outcome(int)} has it, or {@link #NO_WINNER}. */
  int winner() {
    return winner;
  }

  /** What happens, in the same numbers. */
  int instead() {
    return instead;
  }

  /**
   * Looks for the cause of the row that the setup has walked last.
   *
   * @param works whether it ends as it should
   * @return whether there is one
   */
  boolean find(Place of, int ofRow, boolean works) {
    place = of;
    row = ofRow;
    last = of.length(ofRow) - 1;
    return works ? firedBefore() : find();
  }

  private boolean firedBefore() {
    for (int p = 0; p < walk.passages(); p++) {
      if (walk.verbAt(p) == Verb.TAKES && walk.pressAt(p) < last) {
        return cause(Kind.PREFIX, walk.layerAt(p), p);
      }
    }
    return false;
  }

  private boolean find() {
    int held = walk.layerAt(walk.passages() - 1);
    for (int p = 0; p < walk.passages(); p++) {
      int layer = walk.layerAt(p);
      if (walk.verbAt(p) == Verb.TAKES) {
        return taken(p);
      }
      if (layer == place.layerNumber()) {
        if (walk.verbAt(p) != Verb.HOLDS) {
          return atItsLayer(p);
        }
        held = layer;
      } else if (isOuter(layer) ? further(p) : inside(p)) {
        return true;
      }
    }
    return cause(Kind.INTERCEPTED, held);
  }

  private boolean taken(int p) {
    int layer = walk.layerAt(p);
    boolean outer = isOuter(layer);
    if (outer && setup.layers().get(layer).kind() == Layer.Kind.RESERVED) {
      return cause(Kind.RESERVED, layer, p);
    }
    if (!outer && layer != place.layerNumber()) {
      return cause(Kind.INTERCEPTED, window(), p);
    }
    if (walk.pressAt(p) < last) {
      return cause(Kind.PREFIX, layer, p);
    }
    boolean own = walk.cameAt(p) >= 0 && setup.place(walk.cameAt(p)).own();
    if (outer || (own && !place.own())) {
      return cause(Kind.INTERCEPTED, layer, p);
    }
    return !isAwaited(p) && cause(Kind.UNTYPABLE, layer, p);
  }

  private boolean atItsLayer(int p) {
    return switch (walk.reasonAt(p)) {
      case CAPTURED -> cause(Kind.INTERCEPTED, window());
      case BROKEN_OFF, NOT_IN_HOLD -> cause(Kind.INTERCEPTED, place.layerNumber());
      default -> cause(notAwaited(p), place.layerNumber());
    };
  }

  private boolean further(int p) {
    int layer = walk.layerAt(p);
    return switch (walk.verbAt(p)) {
      case PASSES, TAKES -> false;
      case CHANGES -> cause(Kind.ALTERED, layer); // what the board changes is not written down
      case HOLDS -> cause(Kind.INTERCEPTED, layer);
      case TYPES -> cause(notAwaited(p), layer);
      case DROPS ->
          switch (walk.reasonAt(p)) {
            case SWITCHED_OFF, LEFT_OUT -> cause(Kind.ALTERED, layer);
            case NOT_HANDED_ON -> cause(Kind.BLOCKED, layer);
            case BROKEN_OFF, NOT_IN_HOLD -> cause(Kind.INTERCEPTED, layer);
            default -> cause(Kind.UNTYPABLE, layer);
          };
    };
  }

  private boolean inside(int p) {
    if (setup.layers().get(walk.layerAt(p)).kind() == Layer.Kind.TYPING) {
      return cause(notAwaited(p), walk.layerAt(p));
    }
    Verb verb = walk.verbAt(p);
    return (verb == Verb.HOLDS || verb == Verb.DROPS) && cause(Kind.INTERCEPTED, window());
  }

  private Kind notAwaited(int p) {
    return setup.outcome(walk.last()) instanceof Trace.Typed && setup.holdsMore(walk.receivedAt(p))
        ? Kind.TYPES_TEXT
        : Kind.UNTYPABLE;
  }

  private int window() {
    int window = setup.windowOf(place.depth());
    return window < 0 ? place.layerNumber() : window;
  }

  private boolean isAwaited(int p) {
    int press = walk.pressAt(p);
    return press < place.awaitedLength(row)
        && setup.alike(place.awaited(row, press), walk.receivedAt(p));
  }

  private boolean isOuter(int layer) {
    // Layers are numbered from the fingers inward, those of one machine in the order of kinds.
    return layer < place.layerNumber();
  }

  private boolean cause(Kind what, int layer) {
    return cause(what, layer, NO_WINNER, walk.last());
  }

  private boolean cause(Kind what, int layer, int taken) {
    return cause(what, layer, walk.cameAt(taken), walk.cameAt(taken));
  }

  private boolean cause(Kind what, int layer, int by, int comes) {
    kind = what;
    at = layer;
    winner = by;
    instead = comes;
    return true;
  }
}
