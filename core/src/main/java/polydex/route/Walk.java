package polydex.route;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;
import polydex.route.CompiledMachine.Arrival;
import polydex.route.CompiledMachine.Offered;
import polydex.route.Passage.Reason;
import polydex.route.Passage.Verb;

/**
 * What {@link Journey} does, in numbers: presses that hold nothing between them go through a setup,
 * and what matters of their passages is written down as they go. Whoever replays, or asks for a
 * modifier on a side, is left to the journey: then the walk says that it is {@link #rare}. It is
 * used again for one gesture after the other, so that it makes nothing. O(presses · layers).
 */
@SuppressWarnings("ReferenceEquality") // a place is one of the setup's
public final class Walk {
  private static final int TAKEN = 0;
  private static final int LEFT = 1;
  private static final int BROKE_OFF = 2;

  private static final Verb[] VERBS = Verb.values();
  private static final Reason[] REASONS = Reason.values();
  private static final int OWN = Sources.Kind.OWN.ordinal();
  private static final int DESKTOP = Sources.Kind.DESKTOP.ordinal();
  private static final int FOCUSED = Sources.Kind.FOCUSED.ordinal();
  private static final int MENUS = Sources.Kind.MENUS.ordinal();

  private final CompiledSetup setup;

  // Of each taker, the desktop and the focus of each machine, the sequence that it is in.
  private final int[] length;
  private final @Nullable Place[] in;
  private final int[] context;
  private final int[] at;
  private final int[][] pressed;
  private int waiting;

  private int[] chain = new int[0];
  private int index;
  private int results;
  private int last;
  private boolean rare;
  private boolean symbol;
  private boolean told;
  private @Nullable Place likely;
  private int likelyRow;

  // The passages that matter to someone, five numbers each.
  private static final int WIDTH = 5;
  private int[] log = new int[WIDTH * 32];
  private int passages;

  Walk(CompiledSetup setup) {
    this.setup = setup;
    int takers = 2 * setup.machines().length;
    length = new int[takers];
    in = new Place[takers];
    context = new int[takers];
    at = new int[takers];
    pressed = new int[takers][8];
  }

  /**
   * Follows presses.
   *
   * @param presses their numbers in the setup
   * @param count how many of them
   * @param contexts those of the focused application that are active, innermost first
   * @param of the place and row that are likely to take them
   * @param isTold whether the passages are wanted, or only what comes of it
   */
  void follow(int[] presses, int count, int[] contexts, Place of, int row, boolean isTold) {
    if (waiting > 0) {
      Arrays.fill(length, 0);
      waiting = 0;
    }
    chain = contexts;
    likely = of;
    likelyRow = row;
    told = isTold;
    results = 0;
    passages = 0;
    rare = false;
    symbol = false;
    for (index = 0; index < count && !rare; index++) {
      int given = setup.given(presses[index]);
      if (given < 0) {
        drop(0, Reason.NO_SUCH_KEY, presses[index]);
      } else {
        deliver(0, given);
      }
    }
    for (int t = 0; t < length.length && waiting > 0; t++) {
      if (length[t] > 0) {
        result(setup.waits(t));
      }
    }
  }

  /** Whether it could not be followed so; then nothing else of it counts. */
  public boolean rare() {
    return rare;
  }

  /** Whether a press came to a desktop or focus that types with more than Shift held. */
  boolean metSymbol() {
    return symbol;
  }

  /** How many things came of it. */
  public int results() {
    return results;
  }

  /** What came of it last, as {@link CompiledSetup#outcome(int)} has it. */
  public int last() {
    return last;
  }

  /** How many passages were written down. */
  public int passages() {
    return passages;
  }

  /** Which press it was at a passage. */
  public int pressAt(int passage) {
    return log[WIDTH * passage];
  }

  /** The number of the layer of a passage. */
  public int layerAt(int passage) {
    return log[WIDTH * passage + 1];
  }

  /** What the layer did. */
  public Verb verbAt(int passage) {
    return VERBS[log[WIDTH * passage + 2] & 0xff];
  }

  /** Why. */
  public Reason reasonAt(int passage) {
    return REASONS[log[WIDTH * passage + 2] >> 8];
  }

  /** The number of what came in. */
  public int receivedAt(int passage) {
    return log[WIDTH * passage + 3];
  }

  /** What came of it there, where somebody took it. */
  public int cameAt(int passage) {
    return log[WIDTH * passage + 4];
  }

  private void tell(int layer, Verb verb, Reason why, int received, int came) {
    if (!told) {
      return;
    }
    int begin = WIDTH * passages++;
    if (begin == log.length) {
      log = Arrays.copyOf(log, 2 * begin);
    }
    log[begin] = index;
    log[begin + 1] = layer;
    log[begin + 2] = why.ordinal() << 8 | verb.ordinal();
    log[begin + 3] = received;
    log[begin + 4] = came;
  }

  private void result(int outcome) {
    results++;
    last = outcome;
  }

  private void drop(int layer, Reason why, int press) {
    tell(layer, Verb.DROPS, why, press, 0);
    result(setup.dropped(why));
  }

  private void deliver(int depth, int arriving) {
    CompiledMachine m = setup.machines()[depth];
    Arrival arrival = m.arrival(arriving);
    if (arrival.changed() >= 0) {
      tell(arrival.changed(), Verb.CHANGES, Reason.NOTHING_SPECIAL, arriving, 0);
    }
    if (arrival.dropped() >= 0) {
      drop(arrival.dropped(), Reason.SWITCHED_OFF, arriving);
      return;
    }
    int press = arrival.press();
    Offered offered = m.offered(press);
    if (offered.reserved != CompiledMachine.NONE) {
      tell(m.reservedLayer, Verb.TAKES, Reason.NEVER_LET_THROUGH, press, offered.reserved);
      result(offered.reserved);
    } else if (waiting == 0 || !goesToHolder(m, offered, press)) {
      goOn(m, offered, press);
    }
  }

  /** While a sequence is open on this machine, the next press goes to its holder first. */
  private boolean goesToHolder(CompiledMachine m, Offered offered, int press) {
    if (length[2 * m.depth] > 0) {
      return offer(m, false, offered, press) == TAKEN;
    }
    return length[2 * m.depth + 1] > 0 && offer(m, true, offered, press) == TAKEN;
  }

  private void goOn(CompiledMachine m, Offered offered, int press) {
    int answer;
    do {
      answer = LEFT;
      if (offered.captured) {
        tell(m.desktopLayer, Verb.PASSES, Reason.CAPTURED, press, 0);
      } else {
        answer = offer(m, false, offered, press);
      }
      if (answer == LEFT && m.hasFocus()) {
        answer = offer(m, true, offered, press);
      }
      if (answer == LEFT) {
        answer = behindFocused(m, offered, press);
      }
    } while (answer == BROKE_OFF);
  }

  private int behindFocused(CompiledMachine m, Offered offered, int press) {
    if (!m.session) {
      boolean types = setup.outcome(offered.typed) instanceof Trace.Typed;
      tell(
          m.typingLayer,
          types ? Verb.TYPES : Verb.DROPS,
          types ? Reason.TYPED : Reason.TYPES_NOTHING,
          press,
          0);
      result(offered.typed);
      return TAKEN;
    }
    if (!m.forwards || offered.kept) {
      int answer = offered.captured ? offer(m, false, offered, press) : LEFT;
      if (answer != LEFT) {
        return answer;
      }
      drop(m.focusLayer, Reason.NOT_HANDED_ON, press);
      return TAKEN;
    }
    if (offered.inward < 0) {
      drop(m.focusLayer, Reason.LEFT_OUT, press);
      return TAKEN;
    }
    tell(
        m.focusLayer,
        offered.inward == press ? Verb.PASSES : Verb.CHANGES,
        Reason.HANDED_IN,
        press,
        0);
    deliver(m.depth + 1, offered.inward);
    return TAKEN;
  }

  private int offer(CompiledMachine m, boolean focus, Offered offered, int press) {
    int taker = 2 * m.depth + (focus ? 1 : 0);
    symbol |= offered.symbol != null;
    int layer = focus ? m.focusLayer : m.desktopLayer;
    if (length[taker] > 0) {
      return goOnWith(m, taker, layer, offered, press);
    }
    boolean taken =
        focus
            ? first(m, taker, layer, offered, press)
            : begins(m, OWN, taker, layer, offered, press)
                || begins(m, DESKTOP, taker, layer, offered, press);
    if (taken) {
      return TAKEN;
    }
    if (!focus || !m.session) {
      // A session window says itself what it does with what its own keymap leaves.
      tell(layer, Verb.PASSES, Reason.NOTHING_SPECIAL, press, 0);
    }
    return LEFT;
  }

  /** Asks the contexts of what has the focus, and its menus. */
  private boolean first(CompiledMachine m, int taker, int layer, Offered offered, int press) {
    Place place = m.places[FOCUSED];
    if (!m.session && place != null) {
      for (int c : chain) {
        if (c == place.outermost()) {
          continue; // asked below
        }
        int number = offered.number[FOCUSED];
        int found =
            place == likely
                ? place.scopes().first(c, number, likelyRow)
                : place.scopes().first(c, number);
        if (found >= 0) {
          return settle(place, c, taker, layer, found, number, press);
        }
      }
    }
    return begins(m, FOCUSED, taker, layer, offered, press)
        || begins(m, MENUS, taker, layer, offered, press);
  }

  /** Asks the context of a place that is always asked. */
  private boolean begins(
      CompiledMachine m, int kind, int taker, int layer, Offered offered, int press) {
    Place place = m.places[kind];
    return place != null
        && offered.first[kind] >= 0
        && settle(
            place,
            place.outermost(),
            taker,
            layer,
            offered.first[kind],
            offered.number[kind],
            press);
  }

  private boolean settle(
      Place place, int of, int taker, int layer, int found, int number, int press) {
    int after = place.scopes().afterFirst(found, of);
    if (after == CompiledScopes.RARE) {
      rare = true;
    } else if (after >= 0) {
      take(place, layer, after, press);
    } else {
      waiting++;
      in[taker] = place;
      context[taker] = of;
      at[taker] = found;
      hold(taker, 0, number, layer, press);
    }
    return true;
  }

  private void hold(int taker, int before, int number, int layer, int press) {
    if (before == pressed[taker].length) {
      pressed[taker] = Arrays.copyOf(pressed[taker], 2 * before);
    }
    pressed[taker][before] = number;
    length[taker] = before + 1;
    tell(layer, Verb.HOLDS, Reason.LONGER, press, 0);
  }

  private void take(Place place, int layer, int row, int press) {
    int came = place.code(row);
    tell(layer, Verb.TAKES, place.own() ? Reason.OWN : Reason.NOTHING_SPECIAL, press, came);
    result(came);
  }

  /** The next press of a sequence that a taker is in. */
  private int goOnWith(CompiledMachine m, int taker, int layer, Offered offered, int press) {
    Place place = in[taker];
    int before = length[taker];
    int number = offered.number[place.kind().ordinal()];
    int found;
    int after;
    if (before == 1) {
      found =
          place == likely
              ? place.scopes().second(at[taker], number, context[taker], likelyRow)
              : place.scopes().second(at[taker], number, context[taker]);
      after = found < 0 ? CompiledScopes.NOTHING : place.scopes().afterSecond(found);
    } else {
      found = at[taker];
      if (before == pressed[taker].length) {
        pressed[taker] = Arrays.copyOf(pressed[taker], 2 * before);
      }
      pressed[taker][before] = number;
      after =
          number < 0
              ? CompiledScopes.NOTHING
              : place.scopes().further(found, pressed[taker], before + 1, context[taker]);
    }
    if (after == CompiledScopes.GOES_ON) {
      at[taker] = found;
      hold(taker, before, number, layer, press);
      return TAKEN;
    }
    length[taker] = 0;
    waiting--;
    if (after >= 0) {
      take(place, layer, after, press);
      return TAKEN;
    }
    boolean replays = (taker & 1) == 1 ? m.focusReplays : m.desktopReplays;
    if (after == CompiledScopes.RARE || replays) {
      rare = true;
      return TAKEN;
    }
    for (int i = 0; i < before; i++) {
      drop(layer, Reason.BROKEN_OFF, press);
    }
    return BROKE_OFF;
  }
}
