package polydex.conflict;

import java.util.AbstractList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.RandomAccess;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.conflict.Conflict.Kind;
import polydex.conflict.Conflict.Party;
import polydex.route.CompiledKeymap;
import polydex.route.CompiledRows;
import polydex.route.CompiledSetup;
import polydex.route.Place;
import polydex.route.SetupTraces;
import polydex.route.Trace.Acted;
import polydex.route.Trace.Outcome;
import polydex.route.TracedBinding;

/**
 * Conflicts of a compiled setup as numbers: of each its kind, who loses, where, to whom, and what
 * happens instead. As a list they are objects, the worst first, each made when somebody looks at it
 * and the same one from then on.
 */
final class CompiledConflicts extends AbstractList<Conflict> implements RandomAccess {
  /** What happens instead is what was traced. */
  static final int AS_TRACED = Integer.MIN_VALUE;

  /** What happens instead is that Fn must be held. */
  static final int FN = Integer.MIN_VALUE + 1;

  private static final Kind[] KINDS = Kind.values();

  /** So many conflicts are told apart in one number with how their actions begin. */
  private static final int NUMBER_BITS = 28;

  private static final int NUMBER = (1 << NUMBER_BITS) - 1;

  private final SetupTraces traces;
  private final CompiledSetup setup;
  private final CompiledRows rows;
  private final CompiledRows absent;
  private final Catalog catalog;
  private final Person person;
  private final boolean withWays;
  private final Predicate<Kind> kinds;
  private final ConflictFinder single;
  private final WaysOut ways;

  private int size;
  private byte[] kind = new byte[64];

  /** Where the loser stands in the rows, or one's complement of where it does in the absent. */
  private int[] loser = new int[64];

  private int[] at = new int[64];

  /** Who takes it: an outcome's number, or for those of one context where the other row stands. */
  private int[] winner = new int[64];

  private int[] instead = new int[64];
  private @Nullable Conflict[] made = new Conflict[64];
  private final Map<Integer, String> characters = new HashMap<>();
  private int[] order = new int[0];

  CompiledConflicts(
      SetupTraces traces,
      Person person,
      boolean withWays,
      Predicate<Kind> kinds,
      ConflictFinder single) {
    this.traces = traces;
    this.setup = traces.compiled().orElseThrow();
    this.rows = traces.rows().orElseThrow();
    this.absent = traces.absentRows().orElseThrow();
    this.catalog = traces.world().catalog();
    this.person = person;
    this.withWays = withWays;
    this.kinds = kinds;
    this.single = single;
    this.ways = new WaysOut(traces, single);
  }

  private int next() {
    if (size == kind.length) {
      kind = Arrays.copyOf(kind, 2 * size);
      loser = Arrays.copyOf(loser, 2 * size);
      at = Arrays.copyOf(at, 2 * size);
      winner = Arrays.copyOf(winner, 2 * size);
      instead = Arrays.copyOf(instead, 2 * size);
      made = Arrays.copyOf(made, 2 * size);
    }
    return size++;
  }

  /** One to whom somebody loses on the way, if its kind is asked for. */
  void add(Kind what, int who, int layer, int by, int comes) {
    if (kinds.test(what)) {
      int i = next();
      kind[i] = (byte) what.ordinal();
      loser[i] = who;
      at[i] = layer;
      winner[i] = by;
      instead[i] = comes;
    }
  }

  /** One between two rows of the same keymap. */
  void addBoth(Kind what, int who, int other) {
    Place place = setup.place(rows.code(other));
    add(what, who, place.layerNumber(), other, rows.code(other));
  }

  /** One whose stroke types a character. */
  void addTyped(int who, String character) {
    characters.put(size, character);
    add(Kind.TYPES_TEXT, who, setup.place(rows.code(who)).layerNumber(), who, AS_TRACED);
  }

  /** Some that are made already. */
  void addAll(List<Conflict> some) {
    for (Conflict c : some) {
      int i = next();
      kind[i] = (byte) c.kind().ordinal();
      made[i] = c;
    }
  }

  /** These, the worst first; of those with one identity the first found. */
  List<Conflict> sorted() {
    FirstSeen table = new FirstSeen(size, this::sameIdentity);
    long[] keys = new long[size];
    int distinct = 0;
    for (int i = 0; i < size; i++) {
      if (isOnlyOne(i)) {
        keys[distinct++] = (long) weight(i) << Integer.SIZE | i;
        continue;
      }
      int hash = 31 * (31 * action(i).hashCode() + context(i).hashCode()) + kind[i];
      if (table.firstOf(i, hash) == i) {
        keys[distinct++] = (long) weight(i) << Integer.SIZE | i;
      }
    }
    Arrays.sort(keys, 0, distinct);
    order = new int[distinct];
    int from = 0;
    for (int i = 0; i < distinct; i++) {
      order[i] = (int) keys[i];
      if (i + 1 == distinct || keys[i + 1] >>> Integer.SIZE != keys[i] >>> Integer.SIZE) {
        sortByAction(from, i + 1);
        from = i + 1;
      }
    }
    return this;
  }

  /**
   * Whether no other binding is for the action there, so that nothing has the same identity; but
   * one binding may be ambiguous with the same action in several contexts.
   */
  private boolean isOnlyOne(int i) {
    if (made[i] != null || KINDS[kind[i]] == Kind.AMBIGUOUS) {
      return false;
    }
    int code = rows(i).code(there(i));
    Place place = setup.place(code);
    return !place.besidesOthers() && place.keymap().isOnly(CompiledSetup.row(code));
  }

  /** What comes first has the least: by rank, then by severity. */
  private int weight(int i) {
    Conflict known = made[i];
    if (known != null) {
      return known.rank().ordinal() << 8 | 100 - known.severity();
    }
    double harm =
        switch (instead[i]) {
          case AS_TRACED -> Severity.harm(loser(i).outcome(), catalog);
          case FN -> Severity.HARM_NONE;
          default -> harm(instead[i]);
        };
    CompiledRows of = rows(i);
    int there = there(i);
    boolean way = withWays && ways.any(of, there, KINDS[kind[i]]);
    int severity = Severity.of(harm, way, person.usesPerDay().applyAsDouble(action(i)));
    Rank rank = Rank.of(KINDS[kind[i]], of.works(there), harm, way);
    return rank.ordinal() << 8 | 100 - severity;
  }

  private double harm(int outcome) {
    if (outcome < 0) {
      return Severity.harm(setup.outcome(outcome), catalog);
    }
    return Severity.harm(
        setup.place(outcome).binding(CompiledSetup.row(outcome)).action(), catalog);
  }

  /** Of the same weight by action, and by identity where one has several. */
  private void sortByAction(int from, int to) {
    if (to - from < 2) {
      return;
    }
    long[] keys = new long[to - from];
    for (int k = 0; k < keys.length; k++) {
      keys[k] = ((beginning(order[from + k]) >>> NUMBER_BITS) << NUMBER_BITS) | k;
    }
    Arrays.sort(keys);
    int[] some = Arrays.copyOfRange(order, from, to);
    int begin = 0;
    for (int k = 0; k < keys.length; k++) {
      order[from + k] = some[(int) keys[k] & NUMBER];
      if (k + 1 == keys.length || keys[k + 1] >>> NUMBER_BITS != keys[k] >>> NUMBER_BITS) {
        sortAlike(from + begin, from + k + 1);
        begin = k + 1;
      }
    }
  }

  private void sortAlike(int from, int to) {
    if (to - from > 1) {
      Integer[] some = new Integer[to - from];
      Arrays.setAll(some, k -> order[from + k]);
      Arrays.sort(some, this::compare);
      for (int k = 0; k < some.length; k++) {
        order[from + k] = some[k];
      }
    }
  }

  private int compare(int one, int other) {
    boolean same = made[one] == null && made[other] == null && loser[one] == loser[other];
    int byAction = same ? 0 : Long.compare(beginning(one), beginning(other));
    if (byAction == 0 && !same) {
      byAction = action(one).compareTo(action(other));
    }
    if (byAction != 0 || kind[one] == kind[other]) {
      return byAction != 0 ? byAction : identity(one).compareTo(identity(other));
    }
    return KINDS[kind[one]].written().compareTo(KINDS[kind[other]].written());
  }

  private long beginning(int i) {
    Conflict known = made[i];
    if (known != null) {
      return CompiledKeymap.beginning(known.loser().action());
    }
    int code = rows(i).code(there(i));
    return setup.place(code).keymap().beginning(CompiledSetup.row(code));
  }

  private boolean sameIdentity(int one, int other) {
    return kind[one] == kind[other]
        && action(one).equals(action(other))
        && identity(one).equals(identity(other));
  }

  private CompiledRows rows(int i) {
    return loser[i] >= 0 ? rows : absent;
  }

  private int there(int i) {
    return loser[i] >= 0 ? loser[i] : ~loser[i];
  }

  private Binding binding(int i) {
    int code = rows(i).code(there(i));
    return setup.place(code).binding(CompiledSetup.row(code));
  }

  private ActionId action(int i) {
    Conflict known = made[i];
    return known == null ? binding(i).action() : known.loser().action();
  }

  private String context(int i) {
    Conflict known = made[i];
    return known == null ? binding(i).context() : known.loser().context();
  }

  /** As {@link Conflict#id} says it, without asking what else works. */
  private String identity(int i) {
    Conflict known = made[i];
    if (known != null) {
      return known.id();
    }
    TracedBinding traced = loser(i);
    return Conflict.id(
        KINDS[kind[i]],
        Optional.of(traces.setup().id()),
        traced.environment(),
        traced.layer().depth(),
        traced.binding().context(),
        traced.binding().action(),
        traced.gesture(),
        winner(i, traced)
            .map(w -> w.environment().value())
            .orElseGet(() -> Conflict.where(setup.layers().get(at[i]))),
        instead(i, traced));
  }

  @Override
  public int size() {
    return order.length;
  }

  @Override
  public Conflict get(int index) {
    return conflict(order[index]);
  }

  private synchronized Conflict conflict(int i) {
    Conflict known = made[i];
    if (known == null) {
      known = make(i);
      made[i] = known;
    }
    return known;
  }

  private TracedBinding loser(int i) {
    return rows(i).get(there(i));
  }

  private Conflict make(int i) {
    TracedBinding traced = loser(i);
    return single.conflict(
        KINDS[kind[i]],
        traced,
        winner(i, traced),
        setup.layers().get(at[i]),
        instead(i, traced),
        characters.getOrDefault(i, ""));
  }

  private Outcome instead(int i, TracedBinding traced) {
    return switch (instead[i]) {
      case AS_TRACED -> traced.outcome();
      case FN -> ConflictFinder.WITH_FN;
      default -> setup.outcome(instead[i]);
    };
  }

  private Optional<Party> winner(int i, TracedBinding traced) {
    int by = winner[i];
    if (by == CompiledCause.NO_WINNER) {
      return Optional.empty();
    }
    return switch (KINDS[kind[i]]) {
      case DUPLICATE, AMBIGUOUS -> Optional.of(ConflictFinder.party(rows.get(by)));
      case VERSION -> Optional.of(ConflictFinder.party(traced, (Acted) setup.outcome(by)));
      case TYPES_TEXT -> Optional.of(ConflictFinder.party(traced));
      default -> Optional.of(taker(by, traced));
    };
  }

  private Party taker(int by, TracedBinding traced) {
    Acted acted = (Acted) setup.outcome(by);
    Optional<Binding> binding =
        by < 0 ? Optional.empty() : Optional.of(setup.place(by).binding(CompiledSetup.row(by)));
    return new Party(
        acted.environment(),
        binding.map(Binding::context).orElse(Context.ANYWHERE.id()),
        acted.action(),
        binding.map(Binding::gesture).orElse(traced.gesture()),
        traced.gesture(),
        acted.binding().orElse(""),
        acted.own(),
        acted.layer().depth());
  }
}
