package polydex.effort;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.boards.Board;
import polydex.boards.Board.KeyPlace;
import polydex.boards.Presses.Made;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;

/**
 * How hard a gesture is for the hands on a board, in points of our own: the way of the finger from
 * its home key in key widths, weighted by the finger, and what holding modifiers costs. It orders
 * gestures; it is no time. A key belongs to the finger whose home key lies nearest. O(presses).
 */
public final class StrokeEffort {
  /** A key width, in millimetres. */
  public static final double KEY_WIDTH = 19.05;

  /** Each modifier after the first. */
  public static final double FURTHER_MODIFIER = 0.5;

  /** A modifier that only the hand of the key can reach. */
  public static final double SAME_HAND = 0.8;

  /** For each key width beyond {@link #SPAN} between such a modifier and the key. */
  public static final double STRETCH = 0.35;

  /** So far one hand spans, in key widths. */
  public static final double SPAN = 5;

  /** The held modifiers change between two steps. */
  public static final double CHANGE_HELD = 0.3;

  /** Each step after the first. */
  public static final double FURTHER_STEP = 0.5;

  /** Leaving the home position for the function row. */
  public static final double FUNCTION_ROW = 1.0;

  /** Leaving the home position for the keys to the right of the letters. */
  public static final double FAR_BLOCK = 1.5;

  /** A key that the board does not have, or a pointer step. */
  public static final double NOT_A_KEY = 4;

  private static final Map<Modifier, Double> MODIFIERS =
      Map.of(
          Modifier.CTRL, 1.0,
          Modifier.SHIFT, 0.6,
          Modifier.ALT, 0.9,
          Modifier.META, 0.9,
          Modifier.ALTGR, 1.2,
          Modifier.FN, 1.4,
          Modifier.HYPER, 1.0);

  private static final Set<Key> FUNCTION = EnumSet.range(Key.F1, Key.F24);
  private static final Map<Modifier, List<Key>> KEYS =
      Map.of(
          Modifier.CTRL, List.of(Key.ControlLeft, Key.ControlRight),
          Modifier.SHIFT, List.of(Key.ShiftLeft, Key.ShiftRight),
          Modifier.ALT, List.of(Key.AltLeft, Key.AltRight),
          Modifier.META, List.of(Key.MetaLeft, Key.MetaRight),
          Modifier.ALTGR, List.of(Key.AltRight));

  private final Map<Key, KeyPlace> places;

  /** What was found so far, not a number where nothing was; whoever finds it finds the same. */
  private final double[] keys = new double[Key.values().length];

  private final double[] sameHand = new double[Modifier.values().length * Key.values().length];

  /** For one board. */
  public StrokeEffort(Board board) {
    this.places = board.byKey();
    Arrays.fill(keys, Double.NaN);
    Arrays.fill(sameHand, Double.NaN);
  }

  /** The points of presses in order, 0 or more. */
  public double of(List<Made> presses) {
    double points = 0;
    Held before = Held.NOTHING;
    for (int i = 0; i < presses.size(); i++) {
      Made made = presses.get(i);
      Physical press = made.what();
      points += key(press);
      if (!made.stillHeld()) {
        points += held(press);
      }
      if (i > 0) {
        points += FURTHER_STEP;
        points += press.eitherSide().held().equals(before) ? 0 : CHANGE_HELD;
      }
      // Where no side is asked for, the one that is down already will do.
      before = press.eitherSide().held();
    }
    return points;
  }

  private double key(Physical press) {
    return switch (press) {
      case Physical.Press p -> key(p.key());
      case Physical.ModifierTap _ -> 0;
      case Physical.PointerPress _ -> NOT_A_KEY;
    };
  }

  private double key(Key key) {
    double known = keys[key.ordinal()];
    if (Double.isNaN(known)) {
      known = findKey(key);
      keys[key.ordinal()] = known;
    }
    return known;
  }

  private double findKey(Key key) {
    KeyPlace place = places.get(key);
    if (place == null) {
      return NOT_A_KEY;
    }
    if (key == Key.Space) {
      return 0;
    }
    Finger finger = finger(place);
    double travel = finger.home().map(places::get).map(h -> way(h, place)).orElse(1.0);
    double away = FUNCTION.contains(key) ? FUNCTION_ROW : isFar(place) ? FAR_BLOCK : 0;
    return travel * finger.weight() + away;
  }

  private boolean isFar(KeyPlace place) {
    KeyPlace enter = places.get(Key.Enter);
    return enter != null && place.x() >= enter.x() + enter.width();
  }

  private double held(Physical press) {
    Modifiers modifiers = press.held().modifiers();
    double points = 0;
    int held = 0;
    for (Modifier m : modifiers.list()) {
      points += MODIFIERS.getOrDefault(m, 1.0);
      points += press instanceof Physical.Press p ? sameHand(m, p.key()) : 0;
      held++;
    }
    for (Key key : press.held().keys()) {
      points += key(key) + 1;
      held++;
    }
    return points + Math.max(0, held - 1) * FURTHER_MODIFIER;
  }

  /** The same, found once: a search over remaps asks for each many thousand times. */
  private double sameHand(Modifier m, Key key) {
    int at = m.ordinal() * Key.values().length + key.ordinal();
    double known = sameHand[at];
    if (Double.isNaN(known)) {
      known = findSameHand(m, key);
      sameHand[at] = known;
    }
    return known;
  }

  /** What it costs that the hand of the key must hold the modifier too. */
  private double findSameHand(Modifier m, Key key) {
    KeyPlace pressed = places.get(key);
    List<KeyPlace> held =
        KEYS.getOrDefault(m, List.of()).stream()
            .filter(places::containsKey)
            .map(places::get)
            .toList();
    if (pressed == null || held.isEmpty()) {
      return 0;
    }
    boolean right = finger(pressed).isRight();
    if (held.stream().anyMatch(h -> finger(h).isRight() != right)) {
      return 0;
    }
    double apart = held.stream().mapToDouble(h -> way(h, pressed)).min().orElse(0);
    return SAME_HAND + Math.max(0, apart - SPAN) * STRETCH;
  }

  /** The finger that presses a key: the one whose home key lies nearest; none off the board. */
  public Optional<Finger> finger(Key key) {
    return Optional.ofNullable(places.get(key))
        .map(place -> key == Key.Space ? Finger.THUMB : finger(place));
  }

  private Finger finger(KeyPlace place) {
    Finger nearest = Finger.LEFT_INDEX;
    double least = Double.MAX_VALUE;
    for (Finger finger : Finger.values()) {
      double way =
          finger.home().map(places::get).map(home -> way(home, place)).orElse(Double.MAX_VALUE);
      if (way < least) {
        least = way;
        nearest = finger;
      }
    }
    return nearest;
  }

  /** Between the middles, in key widths. */
  private static double way(KeyPlace a, KeyPlace b) {
    double x = a.x() + a.width() / 2 - b.x() - b.width() / 2;
    double y = a.y() + a.height() / 2 - b.y() - b.height() / 2;
    return Math.hypot(x, y) / KEY_WIDTH;
  }
}
