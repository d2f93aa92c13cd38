package polydex.conflict;

import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import polydex.boards.Presses;
import polydex.conflict.Conflict.Kind;
import polydex.keys.Physical;
import polydex.route.CompiledRows;
import polydex.route.CompiledSetup;
import polydex.route.Place;
import polydex.route.SetupTraces;
import polydex.route.Trace.Acted;
import polydex.route.TracedBinding;

/**
 * What {@link ConflictFinder} finds, of a setup that is compiled: causes and duplicates are
 * numbers, and a {@link Conflict} is made of them when somebody looks at it. Bindings that are
 * followed by themselves are looked into by themselves. O(bindings · layers + conflicts · log
 * conflicts).
 */
final class CompiledFinder {
  private final SetupTraces traces;
  private final CompiledSetup setup;
  private final CompiledRows rows;
  private final CompiledRows absent;
  private final Predicate<Kind> kinds;
  private final ConflictFinder single;
  private final CompiledConflicts found;
  private final CompiledCause cause;

  /** The presses of bindings inside holds, by where they stand. */
  private final Map<Integer, int[]> inHolds = new HashMap<>();

  /** The rows of contexts of the focused application, which may be in many pairs. */
  private final Map<Integer, int[]> inContexts = new HashMap<>();

  /** Of each press under the fingers whether it takes Fn, as far as that is known. */
  private final BitSet withFn = new BitSet();

  private final BitSet looked = new BitSet();

  /** Of each place the first row that waits for the same presses in the same context. */
  private final Map<Place, FirstSeen> first = new HashMap<>();

  private CompiledFinder(
      SetupTraces traces, Person person, boolean withWays, Predicate<Kind> kinds) {
    this.traces = traces;
    this.setup = traces.compiled().orElseThrow();
    this.rows = traces.rows().orElseThrow();
    this.absent = traces.absentRows().orElseThrow();
    this.kinds = kinds;
    this.single = ConflictFinder.of(traces, person, withWays, kinds);
    this.found = new CompiledConflicts(traces, person, withWays, kinds, single);
    this.cause = new CompiledCause(setup);
  }

  /** The conflicts, the worst first. */
  static List<Conflict> find(
      SetupTraces traces, Person person, boolean withWays, Predicate<Kind> kinds) {
    CompiledSetup setup = traces.compiled().orElseThrow();
    synchronized (setup) {
      return new CompiledFinder(traces, person, withWays, kinds).find();
    }
  }

  private List<Conflict> find() {
    for (int i = 0; i < rows.size(); i++) {
      if (rows.walked(i)) {
        causes(i);
        beside(i);
      } else {
        found.addAll(single.of(rows.get(i)));
      }
    }
    if (kinds.test(Kind.DUPLICATE)) {
      for (Place place : setup.places()) {
        duplicates(place);
      }
    }
    if (kinds.test(Kind.AMBIGUOUS)) {
      single.forEachPair(this::ambiguous);
    }
    if (kinds.test(Kind.VERSION)) {
      versions();
    }
    found.addAll(single.thin());
    return found.sorted();
  }

  private void duplicates(Place place) {
    if (place.menus()) {
      return;
    }
    if (place.opens()) {
      // What is inside a hold waits for more than its own presses.
      for (int row = 0; row < place.keymap().rows(); row++) {
        duplicate(rows.indexOf(place, row), table(place));
      }
      return;
    }
    place.forEachAlike(
        (alike, count) -> {
          FirstSeen seen = new FirstSeen(count, this::sameSpot);
          for (int k = 0; k < count; k++) {
            duplicate(rows.indexOf(place, alike[k]), seen);
          }
        });
  }

  private void duplicate(int i, FirstSeen seen) {
    if (i < 0 || length(i) == 0) {
      return;
    }
    int before = seen.firstOf(i, hash(i, contextNumber(i)));
    if (before != i && differ(before, i)) {
      found.addBoth(Kind.DUPLICATE, i, before);
    }
  }

  /** Of each place the first row that waits for the same presses in the same context. */
  private FirstSeen table(Place place) {
    return first.computeIfAbsent(
        place,
        p -> {
          FirstSeen seen = new FirstSeen(p.keymap().rows(), this::sameSpot);
          for (int row = 0; row < p.keymap().rows(); row++) {
            int i = rows.indexOf(p, row);
            if (i >= 0 && length(i) > 0) {
              seen.firstOf(i, hash(i, contextNumber(i)));
            }
          }
          return seen;
        });
  }

  private void causes(int i) {
    if (rows.cannotBeTyped(i)) {
      found.add(Kind.UNTYPABLE, i, 0, CompiledCause.NO_WINNER, CompiledConflicts.AS_TRACED);
      return;
    }
    if (rows.works(i) && rows.alone(i)) {
      return;
    }
    Place place = setup.place(rows.code(i));
    int row = CompiledSetup.row(rows.code(i));
    setup.walk(place, row);
    if (cause.find(place, row, rows.works(i))) {
      found.add(cause.kind(), i, cause.at(), cause.winner(), cause.instead());
    }
  }

  /** A press that a binding waits for on its own layout. */
  private int press(int i, int at) {
    return rows.inHold(i)
        ? inHolds.computeIfAbsent(i, this::inHold)[at]
        : setup.place(rows.code(i)).awaited(CompiledSetup.row(rows.code(i)), at);
  }

  private int length(int i) {
    return rows.inHold(i)
        ? inHolds.computeIfAbsent(i, this::inHold).length
        : setup.place(rows.code(i)).awaitedLength(CompiledSetup.row(rows.code(i)));
  }

  private int[] inHold(int i) {
    TracedBinding traced = rows.get(i);
    return Presses.physical(traced.gesture(), traces.layout(traced.layer().depth())).stream()
        .flatMap(List::stream)
        .mapToInt(setup::number)
        .toArray();
  }

  private String context(int i) {
    return setup.place(rows.code(i)).binding(CompiledSetup.row(rows.code(i))).context();
  }

  private int contextNumber(int i) {
    Place place = setup.place(rows.code(i));
    return place.own()
        ? context(i).hashCode()
        : place.keymap().context(CompiledSetup.row(rows.code(i)));
  }

  private boolean sameSpot(int one, int other) {
    return contextNumber(one) == contextNumber(other)
        && samePresses(one, other)
        && context(one).equals(context(other));
  }

  private boolean samePresses(int one, int other) {
    if (length(one) != length(other)) {
      return false;
    }
    for (int k = 0; k < length(one); k++) {
      if (press(one, k) != press(other, k)) {
        return false;
      }
    }
    return true;
  }

  private int hash(int i, int context) {
    int hash = context;
    for (int k = 0; k < length(i); k++) {
      hash = 31 * hash + press(i, k);
    }
    return hash;
  }

  private boolean differ(int one, int other) {
    return !setup
        .place(rows.code(one))
        .binding(CompiledSetup.row(rows.code(one)))
        .action()
        .equals(
            setup.place(rows.code(other)).binding(CompiledSetup.row(rows.code(other))).action());
  }

  /** What is wrong with a gesture although it ends where it should. */
  private void beside(int i) {
    if (rows.cannotBeTyped(i)) {
      return;
    }
    Place place = setup.place(rows.code(i));
    int row = CompiledSetup.row(rows.code(i));
    int presses = place.length(row);
    if (kinds.test(Kind.NEEDS_FN)) {
      boolean needsFn = false;
      for (int k = 0; k < presses; k++) {
        needsFn |= needsFn(place.press(row, k));
      }
      if (needsFn) {
        found.add(Kind.NEEDS_FN, i, 0, CompiledCause.NO_WINNER, CompiledConflicts.FN);
      }
    }
    if (!rows.works(i)) {
      return;
    }
    if (presses > 1 && setup.press(place.press(row, 0)) instanceof Physical.ModifierTap) {
      found.addAll(single.delayed(rows.get(i), presses));
    }
    if (rows.typesText(i) && kinds.test(Kind.TYPES_TEXT)) {
      setup.walk(place, row);
      found.addTyped(i, setup.symbolTaken(place, row).orElseThrow());
    }
  }

  private boolean needsFn(int press) {
    if (!looked.get(press)) {
      looked.set(press);
      withFn.set(press, single.needsFn(setup.press(press)));
    }
    return withFn.get(press);
  }

  private void ambiguous(String before, String after) {
    int depth = traces.setup().machines().size() - 1;
    for (Place place : setup.places()) {
      if (place.depth() == depth && !place.menus() && place.inContext()) {
        int there = place.keymap().contextNumber(before);
        int here = place.keymap().contextNumber(after);
        if (there >= 0 && here >= 0) {
          for (int row : inContexts.computeIfAbsent(here, c -> place.keymap().rowsIn(c))) {
            int i = rows.indexOf(place, row);
            int other = i < 0 || length(i) == 0 ? -1 : firstIn(place, i, there);
            if (other >= 0 && differ(other, i)) {
              found.addBoth(Kind.AMBIGUOUS, i, other);
            }
          }
        }
      }
    }
  }

  /** The first row of a context that waits for the same presses as a binding of another one. */
  private int firstIn(Place place, int i, int context) {
    return table(place)
        .first(hash(i, context), j -> contextNumber(j) == context && samePresses(i, j));
  }

  /** Bindings that do not exist here, and do not do what they say. */
  private void versions() {
    for (int i = 0; i < absent.size(); i++) {
      if (absent.works(i)) {
        continue;
      }
      if (!absent.walked(i)) {
        found.addAll(single.missing(absent.get(i)));
      } else if (absent.cannotBeTyped(i)) {
        found.add(
            Kind.VERSION,
            ~i,
            layer(absent, i),
            CompiledCause.NO_WINNER,
            CompiledConflicts.AS_TRACED);
      } else {
        int end = absent.end(i);
        boolean acted = setup.outcome(end) instanceof Acted;
        found.add(Kind.VERSION, ~i, layer(absent, i), acted ? end : CompiledCause.NO_WINNER, end);
      }
    }
  }

  private int layer(CompiledRows of, int i) {
    return setup.place(of.code(i)).layerNumber();
  }
}
