package polydex.route;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Binding;
import polydex.catalog.Environment.Reserved;
import polydex.catalog.Environment.WhenBroken;
import polydex.keys.Held;
import polydex.keys.Modifier;
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

  /** At which step a press begins to be offered; see {@code docs/route.md}. */
  private enum From {
    /** At 5, as every press that arrives. */
    DESKTOP,
    /** At 7, as what the desktop replays. */
    FOCUS,
    /** At 8, as what the one in focus replays. */
    BEHIND,
    /** Nowhere, as what the desktop replays that was asked last. */
    NOBODY
  }

  /** What a taker did with a press that it was offered. */
  private enum Answer {
    TAKEN,
    LEFT,
    /** It broke off what it was in the middle of, so that the press begins anew. */
    BROKE_OFF
  }

  /**
   * A press that a taker holds.
   *
   * @param replayed where it would go on
   * @param asked whether the desktop has been asked about it, and is not again
   */
  private record Waiting(Going press, From replayed, boolean asked) {}

  /** A sequence that a taker is in the middle of. */
  private record Pending(List<Node> at, List<Waiting> presses) {}

  /** A hold that a taker keeps open, and how far it has come in a sequence there. */
  private static final class Open {
    final Scope scope;
    final int opener;

    /** What keeps it open, under the fingers. */
    final Held kept;

    List<Node> at = List.of();
    List<Going> waiting = new ArrayList<>();

    Open(Scope scope, int opener, Held kept) {
      this.scope = scope;
      this.opener = opener;
      this.kept = kept;
    }
  }

  private final Layer boardLayer;
  private final BoardKeys board;
  private final List<Station> stations;
  private final IdentityHashMap<Taker, Pending> pending = new IdentityHashMap<>(4);
  private final IdentityHashMap<Taker, Open> open = new IdentityHashMap<>(4);
  private final boolean told;
  private List<Presses.Made> made = List.of();

  /** Whether something stays down between presses, so that it matters what becomes of it. */
  private boolean keeps;

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
  List<Outcome> follow(List<Presses.Made> presses) {
    made = presses;
    for (Presses.Made press : presses) {
      keeps |= press.stillHeld();
    }
    for (; index < presses.size(); index++) {
      Optional<Physical> given = onBoard(presses.get(index).what());
      if (given.isPresent()) {
        deliver(0, new Going(given.get(), index, null));
      }
    }
    if (!pending.isEmpty() || !open.isEmpty()) {
      waits();
    }
    return results;
  }

  /** Who is in the middle of something when all is pressed. */
  private void waits() {
    // From the fingers inward, since the maps have no order.
    Stream.concat(
            pending.keySet().stream(),
            open.entrySet().stream()
                .filter(e -> !e.getValue().waiting.isEmpty())
                .map(Map.Entry::getKey))
        .map(Taker::layer)
        .sorted(Comparator.comparingInt(Layer::depth).thenComparing(Layer::kind))
        .forEach(l -> results.add(new Nothing(worded("route.waits-for-the-next-step", l.title()))));
  }

  List<Passage> passages() {
    return passages;
  }

  /** What the board gives for a press. */
  private Optional<Physical> onBoard(Physical press) {
    Layout layout = stations.getFirst().layout;
    Optional<BoardKeys.Given> given = board.given(press);
    if (given.isEmpty()) {
      drop(boardLayer, layout, press, Reason.NO_SUCH_KEY);
      return Optional.empty();
    }
    Physical arrives = given.get().press();
    if (given.get().withFn().isEmpty()) {
      pass(boardLayer, layout, press, press, Reason.NOTHING_SPECIAL);
    } else if (told) {
      Held held = press.held();
      Physical pressed =
          new Physical.Press(
              held.with(held.modifiers().and(Modifier.FN)), given.get().withFn().get());
      tell(boardLayer, layout, pressed, arrives, Verb.CHANGES, Reason.FN, null);
    }
    return Optional.of(arrives);
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

  private void deliver(int depth, Going arriving) {
    Station station = stations.get(depth);
    Optional<Going> remapped = remap(station, arriving);
    if (remapped.isEmpty()) {
      return;
    }
    Going going = remapped.get();
    Physical press = going.press();
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
    if (!goesToHolder(station, going)) {
      goOn(station, going, From.DESKTOP, false);
    }
  }

  private Optional<Going> remap(Station station, Going arriving) {
    Going going = arriving;
    for (int i = 0; i < station.remappings.size(); i++) {
      Layer layer = station.remapLayers.get(i);
      Remapping remapping = station.remappings.get(i);
      Remapping.Result result = remapping.apply(going.press());
      if (result.out().isEmpty()) {
        drop(layer, station.layout, going.press(), Reason.SWITCHED_OFF);
        return Optional.empty();
      }
      Physical out = result.out().get();
      pass(layer, station.layout, going.press(), out, Reason.NOTHING_SPECIAL);
      going = turned(going, remapping, out, result.last());
      if (result.last()) {
        break;
      }
    }
    return Optional.of(going);
  }

  private Going turned(Going going, Remapping by, Physical out, boolean stroke) {
    return keeps
        ? new Going(out, going.made(), new Going.Turn(going.turn(), by, stroke ? out : null))
        : going.with(out);
  }

  /** While a sequence or hold is open on this machine, the next press goes to its holder first. */
  private boolean goesToHolder(Station station, Going going) {
    if (pending.isEmpty() && open.isEmpty()) {
      return false;
    }
    if (isBusy(station.desktop(), going)) {
      return offer(station, station.desktop(), going, From.FOCUS, true) == Answer.TAKEN;
    }
    Optional<Taker> busy = station.focused().filter(t -> isBusy(t, going));
    return busy.isPresent()
        && offer(station, busy.get(), going, From.BEHIND, false) == Answer.TAKEN;
  }

  private boolean isBusy(Taker taker, Going going) {
    return pending.containsKey(taker) || isOpen(open.get(taker), going);
  }

  private boolean isOpen(@Nullable Open hold, Going going) {
    return hold != null && going.isWithin(made, hold.opener, hold.kept);
  }

  private static boolean isCaptured(Station station, Physical press) {
    return station.machine.focus() instanceof Machine.SessionWindow session
        && !station.keeps(press)
        && (session.capturesNow() || station.sends(press));
  }

  /**
   * Offers a press to the layers of a machine from a step on. Whenever one of them breaks off what
   * it was in the middle of, the press begins there again; that ends since what is replayed goes
   * further each time, and comes to the desktop but once.
   *
   * @param asked whether the desktop has been asked about it, and is not again
   */
  private void goOn(Station station, Going going, From from, boolean asked) {
    Physical press = going.press();
    if (from == From.NOBODY) {
      drop(station.focusedLayer.orElseThrow(), station.layout, press, Reason.NOT_HANDED_ON);
      return;
    }
    boolean captured = isCaptured(station, press);
    Answer answer;
    do {
      answer = Answer.LEFT;
      if (from == From.DESKTOP) {
        if (captured) {
          pass(station.desktopLayer, station.layout, press, press, Reason.CAPTURED);
        } else {
          answer = offer(station, station.desktop(), going, From.FOCUS, true);
        }
      }
      if (answer == Answer.LEFT && from != From.BEHIND && station.focused().isPresent()) {
        answer = offer(station, station.focused().get(), going, From.BEHIND, asked);
      }
      if (answer == Answer.LEFT) {
        answer = behindFocused(station, going, captured && !asked);
      }
    } while (answer == Answer.BROKE_OFF);
  }

  /**
   * Step 8, or 9 where no session window has the focus.
   *
   * @param passedOver whether the desktop is still to be asked
   */
  private Answer behindFocused(Station station, Going going, boolean passedOver) {
    Physical press = going.press();
    if (!(station.machine.focus() instanceof Machine.SessionWindow session)) {
      type(station, press);
      return Answer.TAKEN;
    }
    Layer window = station.focusedLayer.orElseThrow();
    if (!session.forwards() || station.keeps(press)) {
      Answer answer =
          passedOver ? offer(station, station.desktop(), going, From.NOBODY, true) : Answer.LEFT;
      if (answer != Answer.LEFT) {
        return answer;
      }
      drop(window, station.layout, press, Reason.NOT_HANDED_ON);
      return Answer.TAKEN;
    }
    Optional<Remapping> translation = station.translation;
    Optional<Physical> inward =
        translation.isPresent() ? translation.get().apply(press).out() : Optional.of(press);
    if (inward.isEmpty()) {
      drop(window, station.layout, press, Reason.LEFT_OUT);
      return Answer.TAKEN;
    }
    pass(window, station.layout, press, inward.get(), Reason.HANDED_IN);
    deliver(
        station.depth + 1,
        translation.isPresent() ? turned(going, translation.get(), inward.get(), false) : going);
    return Answer.TAKEN;
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

  /**
   * Offers a press to a taker.
   *
   * @param replayed where the press would go on if the taker held it and replayed it later
   * @param asked whether the desktop would have been asked about it then
   */
  private Answer offer(Station station, Taker taker, Going going, From replayed, boolean asked) {
    Waiting offered = new Waiting(going, replayed, asked);
    Physical matched = station.matched(going.press());
    Open hold = open.get(taker);
    if (hold != null && isOpen(hold, going)) {
      inHold(station, taker, hold, going);
      return Answer.TAKEN;
    }
    if (hold != null) {
      open.remove(taker);
      hold.waiting.forEach(w -> drop(taker.layer(), station.layout, w.press(), Reason.BROKEN_OFF));
    }
    Pending before = pending.remove(taker);
    if (before != null) {
      List<Node> next = Scope.next(before.at(), matched);
      if (settle(station, taker, offered, next, before.presses())) {
        return Answer.TAKEN;
      }
      breakOff(station, taker, before);
      return Answer.BROKE_OFF;
    }
    for (Scope scope : taker.scopes()) {
      if (settle(station, taker, offered, scope.first(matched), List.of())) {
        return Answer.TAKEN;
      }
    }
    if (taker.layer().kind() != Layer.Kind.SESSION) {
      // A session window says itself what it does with what its own keymap leaves.
      pass(taker.layer(), station.layout, going.press(), going.press(), Reason.NOTHING_SPECIAL);
    }
    return Answer.LEFT;
  }

  private boolean settle(
      Station station, Taker taker, Waiting offered, List<Node> nodes, List<Waiting> before) {
    Going going = offered.press();
    Optional<Bound> bound = Scope.bound(nodes);
    if (bound.isPresent()) {
      take(station, taker, going, bound.get());
      return true;
    }
    if (Scope.goesOn(nodes)) {
      List<Waiting> presses = new ArrayList<>(before);
      presses.add(offered);
      pending.put(taker, new Pending(nodes, presses));
      tell(taker.layer(), station.layout, going.press(), null, Verb.HOLDS, Reason.LONGER, null);
      return true;
    }
    return false;
  }

  /** A binding happens; it may open a hold, which takes the place of one that is open. */
  private void take(Station station, Taker taker, Going going, Bound winner) {
    take(station, taker, going.press(), winner, winner.own() ? Reason.OWN : Reason.NOTHING_SPECIAL);
    Scope scope = winner.binding().heldContext().map(taker.heldContexts()::get).orElse(null);
    Held kept = scope == null ? Held.NOTHING : Going.keptAfter(made, going.made());
    if (scope != null && !scope.isEmpty() && !kept.isNothing()) {
      open.put(taker, new Open(scope, going.made(), kept));
    }
  }

  /** Within a hold only its context is asked, whose bindings are written without what is held. */
  private void inHold(Station station, Taker taker, Open hold, Going going) {
    Held kept = going.here(hold.kept);
    Held said = kept.with(station.platform.asMatched(kept.modifiers()));
    Physical inner = station.matched(going.press()).without(said);
    List<Node> nodes =
        hold.waiting.isEmpty() ? hold.scope.first(inner) : Scope.next(hold.at, inner);
    if (!hold.waiting.isEmpty() && Scope.bound(nodes).isEmpty() && !Scope.goesOn(nodes)) {
      hold.waiting.forEach(w -> drop(taker.layer(), station.layout, w.press(), Reason.BROKEN_OFF));
      hold.waiting.clear();
      nodes = hold.scope.first(inner);
    }
    Optional<Bound> bound = Scope.bound(nodes);
    if (bound.isPresent()) {
      hold.waiting.clear();
      take(station, taker, going, bound.get());
    } else if (Scope.goesOn(nodes)) {
      hold.at = nodes;
      hold.waiting.add(going);
      tell(taker.layer(), station.layout, going.press(), null, Verb.HOLDS, Reason.LONGER, null);
    } else {
      drop(taker.layer(), station.layout, going.press(), Reason.NOT_IN_HOLD);
    }
  }

  private void breakOff(Station station, Taker taker, Pending before) {
    for (Waiting held : before.presses()) {
      Physical press = held.press().press();
      if (taker.whenBroken() == WhenBroken.SWALLOW) {
        drop(taker.layer(), station.layout, press, Reason.BROKEN_OFF);
      } else {
        pass(taker.layer(), station.layout, press, press, Reason.BROKEN_OFF);
        goOn(station, held.press(), held.replayed(), held.asked());
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
