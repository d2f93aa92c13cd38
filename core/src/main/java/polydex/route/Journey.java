package polydex.route;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Binding;
import polydex.catalog.Environment.Reserved;
import polydex.catalog.Environment.WhenBroken;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.route.Passage.Reason;
import polydex.route.Passage.Verb;
import polydex.route.Scope.Bound;
import polydex.route.Scope.Node;
import polydex.route.Trace.Acted;
import polydex.route.Trace.Nothing;
import polydex.route.Trace.Outcome;
import polydex.route.Trace.Typed;

/**
 * One gesture on its way: what the takers remember between its presses. Used once.
 *
 * <p>Whoever only asks how a gesture ends leaves the passages out, which is most of the work; what
 * takers remember is made when one begins to, since most gestures are a single press.
 */
final class Journey {

  /** A sequence that a taker is in the middle of. */
  private record Pending(List<Node> at, List<Physical> presses) {}

  /** A hold that a taker keeps open, and the modifiers that keep it so. */
  private record Open(Scope scope, Modifiers held, String title) {}

  private final Layer boardLayer;
  private final BoardKeys board;
  private final List<Station> stations;
  private final IdentityHashMap<Taker, Pending> pending = new IdentityHashMap<>(4);
  private final IdentityHashMap<Taker, Open> open = new IdentityHashMap<>(4);
  private final boolean told;
  private final List<Passage> passages = new ArrayList<>();
  private final List<Outcome> results = new ArrayList<>(2);
  private int index;

  /**
   * Ready for one gesture.
   *
   * @param told whether the passages are wanted, or only what comes of it
   */
  Journey(Layer boardLayer, BoardKeys board, List<Station> stations, boolean told) {
    this.boardLayer = boardLayer;
    this.board = board;
    this.stations = stations;
    this.told = told;
  }

  /** A taker has already come so far in a longer gesture when this one begins. */
  void begin(Taker taker, List<Node> at) {
    pending.put(taker, new Pending(at, List.of()));
  }

  /** What comes of these presses, in order. */
  List<Outcome> follow(List<Presses.Made> made) {
    for (Presses.Made press : made) {
      if (!press.stillHeld() && !open.isEmpty()) {
        open.clear();
      }
      if (passesBoard(press.what())) {
        deliver(0, press.what());
      }
      index++;
    }
    // From the fingers inward, since the map has no order.
    pending.keySet().stream()
        .map(Taker::layer)
        .sorted(Comparator.comparingInt(Layer::depth).thenComparing(Layer::kind))
        .forEach(l -> results.add(new Nothing(l.title() + " waits for the next step.")));
    return results;
  }

  List<Passage> passages() {
    return passages;
  }

  private boolean passesBoard(Physical press) {
    Key key = press instanceof Physical.Press p ? p.key() : null;
    if (key != null && !board.has(key)) {
      Layout layout = stations.getFirst().layout;
      Optional<Key> withFn = board.withFn(key);
      if (withFn.isEmpty()) {
        drop(boardLayer, layout, press, Reason.NO_SUCH_KEY);
        return false;
      }
      Modifiers withFnHeld = press.held().modifiers().and(Modifier.FN);
      tell(
          boardLayer,
          layout,
          new Physical.Press(press.held().with(withFnHeld), withFn.get()),
          press,
          Verb.CHANGES,
          Reason.FN,
          null);
      return true;
    }
    pass(boardLayer, stations.getFirst().layout, press, press, Reason.NOTHING_SPECIAL);
    return true;
  }

  private void tell(
      Layer layer,
      Layout layout,
      Physical in,
      @Nullable Physical out,
      Verb verb,
      Reason why,
      @Nullable Outcome came) {
    if (told) {
      passages.add(
          new Passage(
              index,
              layer,
              layout,
              in,
              Optional.ofNullable(out),
              verb,
              why,
              Optional.ofNullable(came),
              Optional.empty()));
    }
  }

  private void deliver(int depth, Physical arriving) {
    Station station = stations.get(depth);
    Optional<Physical> remapped = remap(station, arriving);
    if (remapped.isEmpty()) {
      return;
    }
    Physical press = remapped.get();
    Optional<Reserved> reserved = station.reserved(press);
    if (reserved.isPresent()) {
      take(
          station,
          station.reservedLayer,
          press,
          new Acted(
              station.reservedLayer,
              station.machine.platform(),
              reserved.get().action(),
              Optional.empty(),
              false),
          Reason.NEVER_LET_THROUGH,
          Optional.empty());
      return;
    }
    pass(station.reservedLayer, station.layout, press, press, Reason.NOTHING_SPECIAL);
    if (goesToHolder(station, press)) {
      return;
    }
    boolean captured = isCaptured(station, press);
    if (captured) {
      pass(station.desktop.layer(), station.layout, press, press, Reason.CAPTURED);
    } else if (offer(station, station.desktop, press)) {
      return;
    }
    afterDesktop(station, press, captured);
  }

  private Optional<Physical> remap(Station station, Physical arriving) {
    Physical press = arriving;
    for (int i = 0; i < station.remappings.size(); i++) {
      Layer layer = station.remapLayers.get(i);
      Remapping.Result result = station.remappings.get(i).apply(press);
      if (result.out().isEmpty()) {
        drop(layer, station.layout, press, Reason.SWITCHED_OFF);
        return Optional.empty();
      }
      pass(layer, station.layout, press, result.out().get(), Reason.NOTHING_SPECIAL);
      press = result.out().get();
      if (result.last()) {
        break;
      }
    }
    return Optional.of(press);
  }

  /** While a sequence or hold is open on this machine, the next press goes to its holder first. */
  private boolean goesToHolder(Station station, Physical press) {
    if (pending.isEmpty() && open.isEmpty()) {
      return false;
    }
    if (isBusy(station.desktop)) {
      return offer(station, station.desktop, press);
    }
    Optional<Taker> busy = station.focused.filter(this::isBusy);
    return busy.isPresent() && offer(station, busy.get(), press);
  }

  private boolean isBusy(Taker taker) {
    return pending.containsKey(taker) || open.containsKey(taker);
  }

  private static boolean isCaptured(Station station, Physical press) {
    return station.machine.focus() instanceof Machine.SessionWindow session
        && !station.keeps(press)
        && (session.capturesNow() || station.sends(press));
  }

  private void afterDesktop(Station station, Physical press, boolean captured) {
    if (station.focused.isPresent() && offer(station, station.focused.get(), press)) {
      return;
    }
    afterFocused(station, press, captured);
  }

  private void afterFocused(Station station, Physical press, boolean captured) {
    if (!(station.machine.focus() instanceof Machine.SessionWindow session)) {
      type(station, press);
      return;
    }
    Layer window = station.focused.orElseThrow().layer();
    if (!session.forwards() || station.keeps(press)) {
      if (!captured || !offer(station, station.desktop, press)) {
        drop(window, station.layout, press, Reason.NOT_HANDED_ON);
      }
      return;
    }
    Optional<Physical> inward =
        station.translation.isPresent()
            ? station.translation.get().apply(press).out()
            : Optional.of(press);
    if (inward.isEmpty()) {
      drop(window, station.layout, press, Reason.LEFT_OUT);
      return;
    }
    pass(window, station.layout, press, inward.get(), Reason.HANDED_IN);
    deliver(station.depth + 1, inward.get());
  }

  private void type(Station station, Physical press) {
    Optional<Layout.Symbol> symbol = station.typed(press);
    if (symbol.isPresent()) {
      String text = Character.toString(symbol.get().codePoint());
      Typed typed = new Typed(text);
      Reason why = symbol.get().dead() ? Reason.DEAD_KEY : Reason.TYPED;
      tell(station.typingLayer, station.layout, press, null, Verb.TYPES, why, typed);
      results.add(typed);
    } else {
      drop(station.typingLayer, station.layout, press, Reason.TYPES_NOTHING);
    }
  }

  /** Whether the taker takes or holds the press; if not, it goes on. */
  private boolean offer(Station station, Taker taker, Physical press) {
    Physical matched = station.matched(press);
    Open hold = open.get(taker);
    if (hold != null) {
      return offerToHold(station, taker, hold, press, matched);
    }
    Pending before = pending.remove(taker);
    if (before != null) {
      List<Node> next = Scope.next(before.at(), matched);
      if (settle(station, taker, press, next, before.presses())) {
        return true;
      }
      breakOff(station, taker, before);
      // The press that broke the sequence starts afresh, from the first layer after the reserved.
      return false;
    }
    for (Scope scope : taker.scopes()) {
      if (settle(station, taker, press, scope.first(matched), List.of())) {
        return true;
      }
    }
    if (taker.layer().kind() != Layer.Kind.SESSION) {
      // A session window says itself what it does with what its own keymap leaves.
      pass(taker.layer(), station.layout, press, press, Reason.NOTHING_SPECIAL);
    }
    return false;
  }

  private boolean settle(
      Station station, Taker taker, Physical press, List<Node> nodes, List<Physical> before) {
    Optional<Bound> bound = Scope.bound(nodes);
    if (bound.isPresent()) {
      Bound winner = bound.get();
      take(station, taker, press, winner, winner.own() ? Reason.OWN : Reason.NOTHING_SPECIAL);
      winner.binding().heldContext().ifPresent(c -> openHold(taker, c, press));
      return true;
    }
    if (Scope.goesOn(nodes)) {
      List<Physical> presses = new ArrayList<>(before);
      presses.add(press);
      pending.put(taker, new Pending(nodes, presses));
      tell(taker.layer(), station.layout, press, null, Verb.HOLDS, Reason.LONGER, null);
      return true;
    }
    return false;
  }

  private void openHold(Taker taker, String context, Physical press) {
    Scope scope = taker.heldContexts().get(context);
    if (scope != null) {
      open.put(taker, new Open(scope, press.held().modifiers(), context));
    }
  }

  /** Within a hold the keymap's inner steps are written without what is held. */
  private boolean offerToHold(
      Station station, Taker taker, Open hold, Physical press, Physical matched) {
    Modifiers rest = matched.held().modifiers();
    for (Modifier m : hold.held().list()) {
      rest = rest.without(m);
    }
    Optional<Bound> bound = Scope.bound(hold.scope().first(matched.with(rest)));
    if (bound.isEmpty()) {
      drop(taker.layer(), station.layout, press, Reason.NOT_IN_HOLD);
      return true;
    }
    take(station, taker, press, bound.get(), Reason.NOTHING_SPECIAL);
    return true;
  }

  private void breakOff(Station station, Taker taker, Pending before) {
    for (Physical held : before.presses()) {
      if (taker.whenBroken() == WhenBroken.SWALLOW) {
        drop(taker.layer(), station.layout, held, Reason.BROKEN_OFF);
      } else {
        pass(taker.layer(), station.layout, held, held, Reason.BROKEN_OFF);
        boolean captured = isCaptured(station, held);
        if (taker.layer().kind() == Layer.Kind.DESKTOP) {
          afterDesktop(station, held, captured);
        } else {
          afterFocused(station, held, captured);
        }
      }
    }
  }

  private void pass(Layer layer, Layout layout, Physical in, Physical out, Reason why) {
    if (told) {
      tell(layer, layout, in, out, in.equals(out) ? Verb.PASSES : Verb.CHANGES, why, null);
    }
  }

  private void drop(Layer layer, Layout layout, Physical press, Reason why) {
    Nothing nothing = new Nothing(why.sentence());
    tell(layer, layout, press, null, Verb.DROPS, why, nothing);
    results.add(nothing);
  }

  private void take(Station station, Taker taker, Physical press, Bound winner, Reason why) {
    Acted acted =
        new Acted(
            taker.layer(),
            winner.environment(),
            winner.binding().action(),
            Optional.of(winner.binding().id()),
            winner.own());
    take(station, taker.layer(), press, acted, why, Optional.of(winner.binding()));
  }

  private void take(
      Station station, Layer layer, Physical press, Acted acted, Reason why, Optional<Binding> by) {
    if (told) {
      passages.add(
          new Passage(
              index,
              layer,
              station.layout,
              press,
              Optional.empty(),
              Verb.TAKES,
              why,
              Optional.of(acted),
              by));
    }
    results.add(acted);
  }
}
