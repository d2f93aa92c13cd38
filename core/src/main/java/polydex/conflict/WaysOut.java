package polydex.conflict;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.catalog.ActionId;
import polydex.conflict.Conflict.Kind;
import polydex.route.CompiledRows;
import polydex.route.CompiledSetup;
import polydex.route.Place;
import polydex.route.SetupTraces;

/**
 * Whether any other gesture does what a losing binding is for, which is all that its severity asks.
 * Bindings that walk answer in numbers where nothing comes out as theirs but themselves; whatever
 * else there is, {@link ConflictFinder#stillWorks} is asked.
 */
@SuppressWarnings("ReferenceEquality") // rows are those of the setup, or those that it lacks
final class WaysOut {
  /** So many candidates are followed; of more only some are looked at, by {@code Reach}. */
  private static final int MOST = 64;

  private static final int UNKNOWN = -1;

  /** Where something stands in the rows that is not in them. */
  private static final int ABSENT = -2;

  private final CompiledSetup setup;
  private final CompiledRows rows;
  private final ConflictFinder single;

  /** By the depth of a machine the actions that its platform keeps strokes for. */
  private final List<Set<ActionId>> reserved = new ArrayList<>();

  /** Of each place the actions of its own that another keymap of its machine has as well. */
  private final List<BitSet> shared = new ArrayList<>();

  /** By a context of the focused application whether it is also to work as the setup stands. */
  private final Map<String, Boolean> stands = new HashMap<>();

  WaysOut(SetupTraces traces, ConflictFinder single) {
    this.setup = traces.compiled().orElseThrow();
    this.rows = traces.rows().orElseThrow();
    this.single = single;
    for (Place place : setup.places()) {
      BitSet also = new BitSet();
      for (Place other : setup.places()) {
        if (other.depth() == place.depth() && other.number() != place.number()) {
          also.or(place.keymap().shared(other.keymap()));
        }
      }
      shared.add(also);
    }
    for (int depth = 0; depth < traces.setup().machines().size(); depth++) {
      Set<ActionId> actions = new HashSet<>();
      traces.tracer().platform(depth).reserved().forEach(r -> actions.add(r.action()));
      reserved.add(actions);
    }
  }

  /**
   * Whether there is one.
   *
   * @param of the rows among which the losing binding is: those that exist, or the others
   * @param at where it stands in them
   */
  boolean any(CompiledRows of, int at, Kind kind) {
    Place place = setup.place(of.code(at));
    int row = CompiledSetup.row(of.code(at));
    ActionId action = place.binding(row).action();
    if (!of.walked(at) || kind == Kind.NEEDS_FN || isReserved(place, action)) {
      return full(of, at, kind);
    }
    int itself = of == rows ? at : ABSENT;
    boolean shares = shared.get(place.number()).get(place.keymap().action(row));
    for (Place other : shares ? setup.places() : List.of(place)) {
      if (other.depth() != place.depth()) {
        continue;
      }
      int[] alike =
          other.number() == place.number()
              ? other.keymap().rowsOf(other.keymap().action(row))
              : other.keymap().rowsOf(action);
      for (int r : alike) {
        int way = way(other, r, place, row, itself);
        if (way != 0) {
          return way > 0 || full(of, at, kind);
        }
      }
    }
    return false;
  }

  /**
   * Whether a row for the same action has a way for a losing one: 1, 0, or {@link #UNKNOWN}.
   *
   * @param itself where the losing one stands in the rows
   */
  private int way(Place other, int r, Place place, int row, int itself) {
    int i = rows.indexOf(other, r);
    boolean sameGesture = other.gesture(r).equals(place.gesture(row));
    boolean family = i != itself && !sameGesture && other.binding(r).equals(place.binding(row));
    if (i < 0 || family) {
      return 0; // not there, or merely another member of the losing family
    }
    if (!rows.walked(i)) {
      return UNKNOWN;
    }
    if (rows.works(i) && i != itself) {
      return sameGesture ? 0 : does(other, r, place, row);
    }
    if (onlyItself(other, r)) {
      return 0;
    }
    return rows.works(i) ? UNKNOWN : comesOut(other, r, place, row);
  }

  private boolean isReserved(Place place, ActionId action) {
    Set<ActionId> kept = reserved.get(place.depth());
    return !kept.isEmpty() && kept.contains(action);
  }

  /** Whether nothing comes out as a row but what it says. */
  private boolean onlyItself(Place place, int row) {
    if (!place.asPressed()) {
      return false;
    }
    for (int i = 0; i < place.length(row); i++) {
      if (!setup.onlyItself(place.depth(), place.press(row, i))) {
        return false;
      }
    }
    return true;
  }

  /**
   * Whether other presses come out as those of a row that does not work as it says: 1, 0, or {@link
   * #UNKNOWN} where its ways are to be looked at one by one.
   */
  private int comesOut(Place other, int r, Place place, int row) {
    Optional<String> active = place.active(row);
    int count = other.awaitedLength(r);
    long candidates = 1;
    for (int k = 0; k < count; k++) {
      candidates *= setup.sources(other.depth(), other.awaited(r, k)).length;
      if (candidates > MOST) {
        return UNKNOWN;
      }
    }
    if (count == 0 || candidates == 0) {
      return 0;
    }
    if (!other.active(r).equals(active)
        || (active.isPresent() && stands.computeIfAbsent(active.get(), this::isToStand))) {
      return UNKNOWN;
    }
    int[] pressed = new int[count];
    for (int c = 0; c < candidates; c++) {
      int rest = c;
      for (int k = 0; k < count; k++) {
        int[] sources = setup.sources(other.depth(), other.awaited(r, k));
        pressed[k] = sources[rest % sources.length];
        rest /= sources.length;
      }
      if (!isAsDocumented(other, r, pressed)) {
        Optional<Boolean> ends = setup.endIn(other, r, pressed, count);
        if (ends.isEmpty()) {
          return UNKNOWN;
        }
        if (ends.get()) {
          return 1;
        }
      }
    }
    return 0;
  }

  /** Whether presses are the documented ones behind the first remaps, which are known to fail. */
  private boolean isAsDocumented(Place place, int row, int[] pressed) {
    boolean same = place.length(row) == pressed.length;
    for (int k = 0; same && k < pressed.length; k++) {
      same = setup.arrives(place.press(row, k)) == setup.arrives(pressed[k]);
    }
    return same;
  }

  /** Whether a working gesture does what the loser is for where that holds; -1 if not known. */
  private int does(Place other, int r, Place place, int row) {
    Optional<String> active = place.active(row);
    if (!other.active(r).equals(active)) {
      setup.results(other, r, setup.chain(place, row));
      if (setup.walk().rare()) {
        return -1;
      }
      if (!setup.does(setup.walk().last(), place, row)) {
        return 0;
      }
    }
    if (active.isPresent() && stands.computeIfAbsent(active.get(), this::isToStand)) {
      setup.results(other, r, setup.chain());
      return setup.walk().rare() ? -1 : setup.does(setup.walk().last(), place, row) ? 1 : 0;
    }
    return 1;
  }

  private boolean isToStand(String active) {
    return single.isActiveBesides(active);
  }

  private boolean full(CompiledRows of, int at, Kind kind) {
    return !single.stillWorks(of.get(at), kind).isEmpty();
  }
}
