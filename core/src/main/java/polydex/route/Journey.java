package polydex.route;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Environment.Reserved;
import polydex.catalog.Environment.WhenBroken;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.keys.Step;
import polydex.route.Passage.Verb;
import polydex.route.Scope.Bound;
import polydex.route.Scope.Node;
import polydex.route.Trace.Acted;
import polydex.route.Trace.Nothing;
import polydex.route.Trace.Outcome;
import polydex.route.Trace.Typed;

/** One gesture on its way: what the takers remember between its presses. Used once. */
final class Journey {

  /** A sequence that a taker is in the middle of. */
  private record Pending(List<Node> at, List<Physical> presses) {}

  /** A hold that a taker keeps open, and the modifiers that keep it so. */
  private record Open(Scope scope, Modifiers held, String title) {}

  private final Layer boardLayer;
  private final Board board;
  private final List<Station> stations;
  private final IdentityHashMap<Taker, Pending> pending = new IdentityHashMap<>();
  private final IdentityHashMap<Taker, Open> open = new IdentityHashMap<>();
  private final List<Passage> passages = new ArrayList<>();
  private final List<Outcome> results = new ArrayList<>();
  private int index;

  Journey(Layer boardLayer, Board board, List<Station> stations) {
    this.boardLayer = boardLayer;
    this.board = board;
    this.stations = stations;
  }

  Trace follow(Gesture gesture, List<Presses.Made> made) {
    for (Presses.Made press : made) {
      if (!press.stillHeld()) {
        open.clear();
      }
      if (passesBoard(press.what())) {
        deliver(0, press.what());
      }
      index++;
    }
    pending.forEach(
        (taker, p) ->
            results.add(new Nothing(taker.layer().title() + " waits for the next step.")));
    return new Trace(gesture, passages, results);
  }

  private boolean passesBoard(Physical press) {
    Layout layout = stations.getFirst().layout;
    Optional<Key> missing = press.pressedKey().filter(k -> !board.has(k));
    Optional<Key> withFn = missing.flatMap(board::withFn);
    if (withFn.isPresent()) {
      Step pressed =
          Presses.describe(
              new Physical.Press(
                  press.held().with(press.held().modifiers().and(Modifier.FN)), withFn.get()),
              layout);
      Step given = Presses.describe(press, layout);
      passages.add(
          new Passage(
              index, boardLayer, pressed, Optional.of(given), Verb.CHANGES, "Fn gives this key."));
      return true;
    }
    if (missing.isPresent()) {
      drop(boardLayer, layout, press, "This board has no such key.");
      return false;
    }
    pass(boardLayer, layout, press, press, "");
    return true;
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
          "Reserved: nothing further in ever sees it.");
      return;
    }
    pass(station.reservedLayer, station.layout, press, press, "");
    if (goesToHolder(station, press)) {
      return;
    }
    boolean captured = isCaptured(station, press);
    if (captured) {
      pass(station.desktop.layer(), station.layout, press, press, "The window captures it.");
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
        drop(layer, station.layout, press, "This key is switched off here.");
        return Optional.empty();
      }
      pass(layer, station.layout, press, result.out().get(), "");
      press = result.out().get();
      if (result.last()) {
        break;
      }
    }
    return Optional.of(press);
  }

  /** While a sequence or hold is open on this machine, the next press goes to its holder first. */
  private boolean goesToHolder(Station station, Physical press) {
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
    return station.machine.focus() instanceof Machine.Session session
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
    if (!(station.machine.focus() instanceof Machine.Session session)) {
      type(station, press);
      return;
    }
    Layer window = station.focused.orElseThrow().layer();
    if (!session.forwards() || station.keeps(press)) {
      if (!captured || !offer(station, station.desktop, press)) {
        drop(window, station.layout, press, "The window does not hand it on.");
      }
      return;
    }
    Optional<Physical> inward =
        station.translation.isPresent()
            ? station.translation.get().apply(press).out()
            : Optional.of(press);
    if (inward.isEmpty()) {
      drop(window, station.layout, press, "The window leaves this key out.");
      return;
    }
    pass(window, station.layout, press, inward.get(), "Handed to the machine inside.");
    deliver(station.depth + 1, inward.get());
  }

  private void type(Station station, Physical press) {
    Optional<Layout.Symbol> symbol = station.typed(press);
    Step in = Presses.describe(press, station.layout);
    if (symbol.isPresent()) {
      String text = Character.toString(symbol.get().codePoint());
      String why =
          symbol.get().dead()
              ? "A dead key: it waits for the letter to sit on."
              : "Nobody takes it, so it types \u201c" + text + "\u201d.";
      passages.add(new Passage(index, station.typingLayer, in, Optional.empty(), Verb.TYPES, why));
      results.add(new Typed(text));
    } else {
      drop(station.typingLayer, station.layout, press, "Nobody takes it, and it types nothing.");
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
      pass(taker.layer(), station.layout, press, press, "");
    }
    return false;
  }

  private boolean settle(
      Station station, Taker taker, Physical press, List<Node> nodes, List<Physical> before) {
    Optional<Bound> bound = Scope.bound(nodes);
    if (bound.isPresent()) {
      Bound winner = bound.get();
      Acted acted =
          new Acted(
              taker.layer(),
              winner.environment(),
              winner.binding().action(),
              Optional.of(winner.binding().id()),
              winner.own());
      take(station, taker.layer(), press, acted, winner.own() ? "One of your own bindings." : "");
      winner.binding().heldContext().ifPresent(c -> openHold(taker, c, press));
      return true;
    }
    if (nodes.stream().anyMatch(Node::isPrefix)) {
      List<Physical> presses = new ArrayList<>(before);
      presses.add(press);
      pending.put(taker, new Pending(nodes, presses));
      passages.add(
          new Passage(
              index,
              taker.layer(),
              Presses.describe(press, station.layout),
              Optional.empty(),
              Verb.HOLDS,
              "It begins a longer gesture here."));
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
      drop(taker.layer(), station.layout, press, "Not used while the modifiers are held.");
      return true;
    }
    Bound winner = bound.get();
    take(
        station,
        taker.layer(),
        press,
        new Acted(
            taker.layer(),
            winner.environment(),
            winner.binding().action(),
            Optional.of(winner.binding().id()),
            winner.own()),
        "");
    return true;
  }

  private void breakOff(Station station, Taker taker, Pending before) {
    for (Physical held : before.presses()) {
      if (taker.whenBroken() == WhenBroken.SWALLOW) {
        drop(taker.layer(), station.layout, held, "The longer gesture did not go on.");
      } else {
        pass(taker.layer(), station.layout, held, held, "The longer gesture did not go on.");
        boolean captured = isCaptured(station, held);
        if (taker.layer().kind() == Layer.Kind.DESKTOP) {
          afterDesktop(station, held, captured);
        } else {
          afterFocused(station, held, captured);
        }
      }
    }
  }

  private void pass(Layer layer, Layout layout, Physical in, Physical out, String why) {
    Verb verb = in.equals(out) ? Verb.PASSES : Verb.CHANGES;
    passages.add(
        new Passage(
            index,
            layer,
            Presses.describe(in, layout),
            Optional.of(Presses.describe(out, layout)),
            verb,
            why));
  }

  private void drop(Layer layer, Layout layout, Physical press, String why) {
    Step in = Presses.describe(press, layout);
    passages.add(new Passage(index, layer, in, Optional.empty(), Verb.DROPS, why));
    results.add(new Nothing(why));
  }

  private void take(Station station, Layer layer, Physical press, Acted acted, String why) {
    Step in = Presses.describe(press, station.layout);
    passages.add(new Passage(index, layer, in, Optional.empty(), Verb.TAKES, why));
    results.add(acted);
  }
}
