package polydex.route;

import java.util.Arrays;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import polydex.boards.Layout;
import polydex.catalog.Environment.WhenBroken;
import polydex.keys.Modifier;
import polydex.keys.Physical;
import polydex.route.Remapping.Result;
import polydex.route.Trace.Acted;
import polydex.route.Trace.Nothing;
import polydex.route.Trace.Typed;

/**
 * A machine of a setup, which remembers of every press what its remaps, reserved strokes, window
 * and layout make of it, so that all bindings that share it do not ask again.
 */
final class CompiledMachine {
  static final int NONE = Integer.MIN_VALUE;

  /**
   * A press that has come to the machine, after its remaps.
   *
   * @param press its number then; -1 where it was dropped
   * @param changed the first layer that made another of it; -1 where none did
   * @param dropped the layer that dropped it; -1 where none did
   */
  record Arrival(int press, int changed, int dropped) {}

  /** What becomes of a press behind the remaps, if nobody waits for it. */
  static final class Offered {
    /** What happens as the platform reserves it, or {@link #NONE}. */
    int reserved = NONE;

    /** Its numbers in the scopes of the places here, and where their rows begin. */
    final int[] number = new int[Sources.Kind.values().length];

    final int[] first = new int[Sources.Kind.values().length];
    boolean captured;
    boolean kept;

    /** What is handed to the machine inside; -1 where it is left out. */
    int inward = -1;

    /** What it types, or that it does not. */
    int typed = NONE;

    /** The character that a binding takes away from whoever types it with more than Shift. */
    @Nullable String symbol;

    /** What can be pressed for it to come here, as far as that is known. */
    int @Nullable [] sources;

    /** Whether it can be pressed in one way only; known with the sources. */
    boolean onlyItself;
  }

  final Station station;
  final int depth;
  final boolean session;
  final boolean forwards;
  final boolean desktopReplays;
  final boolean focusReplays;

  /** The places of its bindings by {@link Sources.Kind}; some machines do not have all. */
  final @Nullable Place[] places = new Place[Sources.Kind.values().length];

  final int firstLayer;
  final int reservedLayer;
  final int desktopLayer;
  final int focusLayer;
  final int typingLayer;

  private final CompiledSetup setup;
  private Arrival[] arrivals = new Arrival[64];
  private Offered[] offered = new Offered[64];

  CompiledMachine(CompiledSetup setup, Station station, int firstLayer) {
    this.setup = setup;
    this.station = station;
    this.depth = station.depth;
    this.firstLayer = firstLayer;
    this.session = station.machine.focus() instanceof Machine.SessionWindow;
    this.forwards = station.machine.focus() instanceof Machine.SessionWindow s && s.forwards();
    reservedLayer = firstLayer + station.remapLayers.size();
    desktopLayer = reservedLayer + 1;
    focusLayer = desktopLayer + (station.focusedLayer.isPresent() ? 1 : 0);
    typingLayer = focusLayer + 1;
    desktopReplays = setup.whenBroken(station.machine.platform()) == WhenBroken.REPLAY;
    focusReplays =
        station
            .machine
            .application()
            .filter(a -> setup.whenBroken(a) == WhenBroken.REPLAY)
            .isPresent();
  }

  boolean hasFocus() {
    return station.focusedLayer.isPresent();
  }

  @Nullable Place place(Sources.Kind kind) {
    return places[kind.ordinal()];
  }

  Arrival arrival(int press) {
    if (press >= arrivals.length) {
      arrivals = Arrays.copyOf(arrivals, Math.max(press + 1, 2 * arrivals.length));
    }
    Arrival known = arrivals[press];
    if (known == null) {
      known = remapped(press);
      arrivals[press] = known;
    }
    return known;
  }

  private Arrival remapped(int press) {
    Physical now = setup.press(press);
    int changed = -1;
    for (int i = 0; i < station.remappings.size(); i++) {
      Result result = station.remappings.get(i).apply(now);
      if (result.out().isEmpty()) {
        return new Arrival(-1, changed, firstLayer + i);
      }
      Physical out = result.out().get();
      changed = changed < 0 && !out.equals(now) ? firstLayer + i : changed;
      now = out;
      if (result.last()) {
        break;
      }
    }
    return new Arrival(setup.number(now), changed, -1);
  }

  Offered offered(int press) {
    if (press >= offered.length) {
      offered = Arrays.copyOf(offered, Math.max(press + 1, 2 * offered.length));
    }
    Offered known = offered[press];
    if (known == null) {
      known = look(setup.press(press));
      offered[press] = known;
    }
    return known;
  }

  private Offered look(Physical press) {
    Offered o = new Offered();
    station
        .reserved(press)
        .ifPresent(
            r ->
                o.reserved =
                    setup.outcome(
                        new Acted(
                            station.reservedLayer,
                            station.machine.platform(),
                            r.action(),
                            Optional.empty(),
                            false)));
    Physical plain = station.matched(press).eitherSide();
    for (int k = 0; k < places.length; k++) {
      Place place = places[k];
      o.number[k] = place == null ? -1 : place.scopes().numberOf(plain);
      o.first[k] = place == null ? -1 : place.scopes().first(place.outermost(), o.number[k]);
    }
    Optional<Layout.Symbol> symbol = station.typed(press);
    if (!press.held().modifiers().without(Modifier.SHIFT).isEmpty()) {
      symbol.ifPresent(s -> o.symbol = Character.toString(s.codePoint()));
    }
    if (station.machine.focus() instanceof Machine.SessionWindow window) {
      o.kept = station.keeps(press);
      o.captured = !o.kept && (window.capturesNow() || station.sends(press));
      Optional<Physical> inward =
          station.translation.isPresent()
              ? station.translation.get().apply(press).out()
              : Optional.of(press);
      inward.ifPresent(p -> o.inward = setup.number(p));
    } else {
      o.typed =
          setup.outcome(
              symbol.isPresent()
                  ? new Typed(Character.toString(symbol.get().codePoint()))
                  : new Nothing(Passage.Reason.TYPES_NOTHING.sentence()));
    }
    return o;
  }
}
