package polydex.hands;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import polydex.boards.Layout;
import polydex.boards.PressRecorder;
import polydex.boards.Presses.Made;
import polydex.hands.Done.Keyed;
import polydex.hands.Done.Pointed;
import polydex.hands.Done.Spot;
import polydex.hands.Done.Trip;
import polydex.hands.Done.Wrote;
import polydex.hands.HandEvent.ButtonDown;
import polydex.hands.HandEvent.ButtonUp;
import polydex.hands.HandEvent.KeyDown;
import polydex.hands.HandEvent.KeyUp;
import polydex.hands.HandEvent.Moved;
import polydex.hands.HandEvent.Wheel;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.keys.PointerAct;

/**
 * Makes what was done of what keyboard and pointer report, in the order of its beginning but for
 * what hands do at the same time. A key that writes with nothing held but Shift or AltGr is counted
 * at once: which one it was is not even remembered, unless it goes on with a gesture of several
 * presses that began with one that does not write. Memory is bounded by the number of keys. O(1)
 * for each event. Not thread-safe.
 */
public final class HandReader {
  /** Clicks that follow each other faster belong together, as desktops have it. */
  public static final long CLICKS_MILLIS = 400;

  /** A pointer that goes further with its button down drags; as desktops have it, in pixels. */
  public static final double DRAG_PIXELS = 8;

  /** So long the pointer rests before another movement is another trip. */
  public static final long REST_MILLIS = 1000;

  /** A key so shortly before the pointer moves was where the hand came from. */
  public static final long FROM_KEYS_MILLIS = 1500;

  /** A key so shortly after a click is where the hand went. */
  public static final long BACK_MILLIS = 800;

  /** Notches of the wheel that follow each other faster are one run. */
  public static final long WHEEL_MILLIS = 700;

  /** Characters that follow each other faster are told in one number. */
  public static final long WRITING_MILLIS = 2000;

  /** So long the next press of a gesture is waited for. */
  public static final long SEQUENCE_MILLIS = 3000;

  /** The longest that characters are counted before the number is told. */
  private static final long LONGEST_WRITING = 30_000;

  private static final long NEVER = Long.MIN_VALUE / 2;

  /** A button that is down. */
  private record Down(long millis, Spot at, Held held, Trip trip, double furthest) {}

  private final Layout layout;
  private final Sequences sequences;
  private final Consumer<Done> to;
  private final PressRecorder presses = new PressRecorder();
  private final Map<Integer, KeyDown> keys = new HashMap<>();
  private final Map<Integer, Down> buttons = new HashMap<>();
  private Optional<Pointed> waiting = Optional.empty();
  private Optional<Wrote> writing = Optional.empty();
  private Optional<Keyed> begun = Optional.empty();
  private Spot pointer = new Spot(0, 0);
  private Spot tripFrom = pointer;
  private boolean placed;
  private long tripSince = NEVER;
  private long lastMove = NEVER;
  private long lastKey = NEVER;

  /**
   * With nothing down.
   *
   * @param layout says which keys write
   * @param sequences the gestures of several presses that there are
   */
  public HandReader(Layout layout, Sequences sequences, Consumer<Done> to) {
    this.layout = layout;
    this.sequences = sequences;
    this.to = to;
  }

  /** Takes the next event. */
  public void take(HandEvent event) {
    until(event.millis());
    switch (event) {
      case KeyDown d -> down(d);
      case KeyUp u -> up(u);
      case ButtonDown d -> down(d);
      case ButtonUp u -> up(u);
      case Moved m -> move(m.millis(), new Spot(m.x(), m.y()));
      case Wheel w -> wheel(w);
    }
  }

  /** Tells what is whole by now, since nothing may have happened after it. */
  public void until(long now) {
    waiting.filter(w -> now - w.until() > patience(w)).ifPresent(_ -> tellPointed());
    begun.filter(b -> now - b.until() > SEQUENCE_MILLIS).ifPresent(_ -> tellKeyed());
    writing
        .filter(w -> now - w.until() > WRITING_MILLIS || now - w.millis() > LONGEST_WRITING)
        .ifPresent(_ -> tellWritten());
  }

  /** Tells all that is under way, as at the end. */
  public void end() {
    tellKeyed();
    tellWritten();
    tellPointed();
  }

  /** Forgets all that is under way and what is down, as when nothing may be noted. */
  public void forget() {
    presses.reset();
    keys.clear();
    buttons.clear();
    waiting = Optional.empty();
    writing = Optional.empty();
    begun = Optional.empty();
    tripSince = NEVER;
    lastMove = NEVER;
    lastKey = NEVER;
  }

  private static long patience(Pointed p) {
    return p.button() == 0 ? WHEEL_MILLIS : BACK_MILLIS;
  }

  private void tellPointed() {
    Optional<Pointed> was = waiting;
    waiting = Optional.empty();
    was.ifPresent(to);
  }

  private void tellWritten() {
    Optional<Wrote> was = writing;
    writing = Optional.empty();
    was.ifPresent(to);
  }

  private void down(KeyDown event) {
    if (keys.putIfAbsent(event.id(), event) != null) {
      return; // it repeats
    }
    if (event.modifier().isPresent()) {
      presses.down(event.modifier().get());
      return;
    }
    arrived(event.millis());
    boolean writing = isWriting(event);
    Optional<Made> made = event.key().flatMap(presses::down);
    if (made.isPresent() && (!writing || goesOn(made.get()))) {
      pressed(event.millis(), made.get());
    } else if (writing) {
      tellKeyed();
      wrote(event.millis());
    }
  }

  /** The hand is at the keyboard. */
  private void arrived(long millis) {
    waiting = waiting.map(w -> w.button() != 0 && millis >= w.until() ? w.backAt(millis) : w);
    tellPointed();
    lastKey = millis;
    tripSince = NEVER;
  }

  private boolean isWriting(KeyDown event) {
    Modifiers held = presses.held();
    boolean plain = held.without(Modifier.SHIFT).without(Modifier.ALTGR).isEmpty();
    return plain && event.key().map(this::writes).orElse(true);
  }

  private boolean writes(Key key) {
    return key == Key.Space
        || layout.typed(key, Modifiers.NONE).isPresent()
        || key.name().startsWith("Numpad");
  }

  private void wrote(long millis) {
    writing =
        Optional.of(
            writing
                .map(w -> new Wrote(w.millis(), millis, w.characters() + 1))
                .orElseGet(() -> new Wrote(millis, millis, 1)));
  }

  private boolean goesOn(Made made) {
    return begun.filter(b -> sequences.has(b.and(b.until(), made).presses())).isPresent();
  }

  private void pressed(long millis, Made made) {
    tellWritten();
    if (goesOn(made)) {
      begun = begun.map(b -> b.and(millis, made));
    } else {
      tellKeyed();
      begun = Optional.of(new Keyed(millis, millis, List.of(made)));
    }
    if (!sequences.leadsOn(begun.get().presses())) {
      tellKeyed();
    }
  }

  private void tellKeyed() {
    Optional<Keyed> was = begun;
    begun = Optional.empty();
    was.ifPresent(to);
  }

  private void up(KeyUp event) {
    KeyDown down = keys.remove(event.id());
    if (down == null) {
      return; // it went down before anybody listened
    }
    if (down.modifier().isEmpty()) {
      down.key().ifPresent(presses::up);
      return;
    }
    Modifier modifier = down.modifier().get();
    boolean twin = keys.values().stream().anyMatch(k -> k.modifier().equals(down.modifier()));
    if (!twin) {
      presses
          .up(modifier)
          .ifPresent(
              made -> {
                if (writesWhenTapped(made)) {
                  return;
                }
                arrived(event.millis());
                pressed(event.millis(), made);
              });
    }
  }

  /** Shift and AltGr are let go again and again while somebody writes and has second thoughts. */
  private static boolean writesWhenTapped(Made made) {
    return made.what() instanceof Physical.ModifierTap(Modifiers tapped)
        && tapped.without(Modifier.SHIFT).without(Modifier.ALTGR).isEmpty();
  }

  private void move(long millis, Spot where) {
    if (placed && where.equals(pointer)) {
      return;
    }
    if (buttons.isEmpty() && placed && (tripSince == NEVER || millis - lastMove > REST_MILLIS)) {
      tripSince = millis;
      tripFrom = pointer;
    }
    placed = true;
    pointer = where;
    lastMove = millis;
    buttons.replaceAll(
        (_, d) ->
            new Down(
                d.millis(),
                d.at(),
                d.held(),
                d.trip(),
                Math.max(d.furthest(), d.at().distance(where))));
  }

  private void down(ButtonDown event) {
    Spot at = new Spot(event.x(), event.y());
    move(event.millis(), at);
    tellKeyed();
    tellWritten();
    buttons.put(event.button(), new Down(event.millis(), at, held(), trip(event.millis()), 0));
  }

  /** What is down; a click uses it, so that no tap comes of it. */
  private Held held() {
    return presses.pointed(PointerAct.CLICK).what().held();
  }

  private Trip trip(long now) {
    if (tripSince == NEVER) {
      return new Trip(0, lastKeySince(now).orElse(0.0));
    }
    long since = tripSince - lastKey <= FROM_KEYS_MILLIS ? lastKey : tripSince;
    return new Trip(tripFrom.distance(pointer), (now - since) / 1000.0);
  }

  private Optional<Double> lastKeySince(long now) {
    return now - lastKey <= FROM_KEYS_MILLIS
        ? Optional.of((now - lastKey) / 1000.0)
        : Optional.empty();
  }

  private void up(ButtonUp event) {
    Spot at = new Spot(event.x(), event.y());
    move(event.millis(), at);
    Down down = buttons.remove(event.button());
    if (down == null) {
      return;
    }
    boolean drags = down.furthest() > DRAG_PIXELS;
    Optional<PointerAct> act = drags ? Optional.of(PointerAct.DRAG) : click(event.button());
    if (!drags && continues(event.button(), down)) {
      waiting = waiting.map(w -> w.again(event.millis(), at));
    } else {
      tellPointed();
      waiting =
          Optional.of(
              new Pointed(
                  down.millis(),
                  event.millis(),
                  act,
                  event.button(),
                  1,
                  down.held(),
                  down.at(),
                  at,
                  down.trip(),
                  Double.NaN));
    }
    tripSince = NEVER;
    lastKey = NEVER;
  }

  private static Optional<PointerAct> click(int button) {
    return switch (button) {
      case 1 -> Optional.of(PointerAct.CLICK);
      case 2 -> Optional.of(PointerAct.MIDDLE_CLICK);
      case 3 -> Optional.of(PointerAct.RIGHT_CLICK);
      default -> Optional.empty();
    };
  }

  /** Whether a click belongs to the one before it. */
  private boolean continues(int button, Down down) {
    return waiting
        .filter(
            w ->
                w.button() == button
                    && !w.act().equals(Optional.of(PointerAct.DRAG))
                    && w.held().equals(down.held())
                    && down.millis() - w.until() <= CLICKS_MILLIS
                    && w.from().distance(down.at()) <= DRAG_PIXELS)
        .isPresent();
  }

  private void wheel(Wheel event) {
    Spot at = new Spot(event.x(), event.y());
    move(event.millis(), at);
    tellKeyed();
    tellWritten();
    Held held = held();
    if (waiting.filter(w -> w.button() == 0 && w.held().equals(held)).isPresent()) {
      waiting = waiting.map(w -> w.again(event.millis(), at));
      return;
    }
    tellPointed();
    waiting =
        Optional.of(
            new Pointed(
                event.millis(),
                event.millis(),
                Optional.of(PointerAct.WHEEL),
                0,
                1,
                held,
                at,
                at,
                trip(event.millis()),
                Double.NaN));
    tripSince = NEVER;
  }
}
