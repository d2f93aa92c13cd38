package polydex.route;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment.WhenBroken;
import polydex.catalog.EnvironmentId;
import polydex.catalog.MenuKeys;
import polydex.keys.Gesture;
import polydex.keys.Modifier;
import polydex.keys.Physical;
import polydex.route.Passage.Reason;
import polydex.route.Trace.Acted;
import polydex.route.Trace.Nothing;
import polydex.route.Trace.Outcome;

/**
 * A setup made of compiled keymaps, in which presses, layers, bindings and what comes of them are
 * numbers. Not safe for several threads at once: whoever walks through it holds its lock.
 */
public final class CompiledSetup {
  private static final int UNKNOWN = -2;
  private static final int NOWHERE = -1;

  private final Catalog catalog;
  private final Tracer tracer;
  private final BoardKeys board;
  private final List<Layer> layers;
  private final CompiledMachine[] machines;
  private final List<Place> places = new ArrayList<>();

  private final Map<Physical, Integer> numbers = new HashMap<>();
  private final List<Physical> presses = new ArrayList<>();
  private int[] given = new int[0];

  private final Map<Outcome, Integer> known = new HashMap<>();
  private final List<Outcome> outcomes = new ArrayList<>();
  private final int[] dropped = new int[Reason.values().length];
  private final int[] waits;

  /** Of each machine whether every press comes to it as it was made. */
  private final boolean[] plain;

  /** Which contexts are asked, for each that is active. */
  private final int @Nullable [][] chains;

  private final Map<String, Context> contexts;

  private final int[] asItStands;

  private final Walk walk;
  private int[] buffer = new int[8];

  private final BitSet lookedAt = new BitSet();
  private final BitSet writable = new BitSet();

  private CompiledSetup(Tracer tracer, BoardKeys board, World world) {
    this.catalog = world.catalog();
    this.tracer = tracer;
    this.board = board;
    this.layers = tracer.layers();
    List<Station> stations = tracer.stations();
    machines = new CompiledMachine[stations.size()];
    waits = new int[2 * machines.length];
    plain = new boolean[machines.length];
    for (Reason why : Reason.values()) {
      dropped[why.ordinal()] = outcome(new Nothing(why.sentence()));
    }
    IdentityHashMap<CompiledKeymap, int[]> translated = new IdentityHashMap<>();
    int layer = 1; // the board's comes before
    for (Station station : stations) {
      CompiledMachine m = new CompiledMachine(this, station, layer);
      machines[station.depth] = m;
      layer += station.layers().size();
      waits[2 * m.depth] = outcome(waits(station.desktopLayer));
      station.focusedLayer.ifPresent(l -> waits[2 * m.depth + 1] = outcome(waits(l)));
      for (Sources.Source source : Sources.of(station, catalog)) {
        add(m, source, tracer.layout(), translated);
      }
    }
    Place focused = focused();
    contexts =
        focused == null
            ? Map.of()
            : Sources.contexts(catalog.environment(focused.environment()).orElseThrow());
    chains = new int[focused == null ? 0 : focused.keymap().contexts().length][];
    asItStands = chain(contextsAsTheyStand());
    for (int depth = 0; depth < machines.length; depth++) {
      plain[depth] = InverseRemaps.isPlain(stations, depth);
    }
    walk = new Walk(this);
  }

  /** That of a tracer; none where a keymap is too large for it. */
  static Optional<CompiledSetup> of(Tracer tracer, BoardKeys board, World world) {
    CompiledSetup setup = new CompiledSetup(tracer, board, world);
    boolean fits =
        setup.places.size() <= Place.MOST && setup.places.stream().allMatch(p -> p.keymap().fits());
    return fits ? Optional.of(setup) : Optional.empty();
  }

  private static Nothing waits(Layer layer) {
    return new Nothing(worded("route.waits-for-the-next-step", layer.title()));
  }

  private void add(
      CompiledMachine m,
      Sources.Source source,
      Layout fingers,
      IdentityHashMap<CompiledKeymap, int[]> translated) {
    boolean onDesktop = source.kind().ordinal() <= Sources.Kind.DESKTOP.ordinal();
    CompiledKeymap awaited = source.keymap();
    CompiledKeymap pressed =
        m.station.layout.equals(fingers)
            ? awaited
            : Sources.onLayout(source, m.station, catalog, fingers);
    boolean together = source.kind() == Sources.Kind.OWN || source.kind() == Sources.Kind.MENUS;
    Place place =
        new Place(
            places.size(),
            m.depth,
            onDesktop ? m.station.desktopLayer : m.station.focusedLayer.orElseThrow(),
            onDesktop ? m.desktopLayer : m.focusLayer,
            source,
            pressed,
            together ? 0 : awaited.contextNumber(Context.ANYWHERE.id()),
            translated.computeIfAbsent(pressed, this::translate),
            translated.computeIfAbsent(awaited, this::translate));
    places.add(place);
    m.places[source.kind().ordinal()] = place;
  }

  private int[] translate(CompiledKeymap keymap) {
    int[] into = new int[keymap.presses()];
    Arrays.setAll(into, i -> number(keymap.press(i)));
    return into;
  }

  WhenBroken whenBroken(EnvironmentId environment) {
    return catalog.environment(environment).orElseThrow().whenBroken();
  }

  CompiledMachine[] machines() {
    return machines;
  }

  /** The keymaps, from the fingers inward. */
  public List<Place> places() {
    return places;
  }

  /** The place of a binding that is known by {@link Place#code}. */
  public Place place(int code) {
    return places.get(Place.placeOf(code));
  }

  /** The row there. */
  public static int row(int code) {
    return Place.rowOf(code);
  }

  /** The layers, from the fingers inward. */
  public List<Layer> layers() {
    return layers;
  }

  /** The number of a press. */
  public int number(Physical press) {
    Integer number = numbers.get(press);
    if (number == null) {
      number = presses.size();
      numbers.put(press, number);
      presses.add(press);
    }
    return number;
  }

  /** The press of a number. */
  public Physical press(int number) {
    return presses.get(number);
  }

  /** What the board gives for a press; -1 where nothing. */
  int given(int press) {
    if (press >= given.length) {
      int from = given.length;
      given = Arrays.copyOf(given, Math.max(2 * press + 2, presses.size()));
      Arrays.fill(given, from, given.length, UNKNOWN);
    }
    if (given[press] == UNKNOWN) {
      given[press] = board.given(presses.get(press)).map(g -> number(g.press())).orElse(-1);
    }
    return given[press];
  }

  /** The number of what comes of a press, where no binding of a keymap does it: negative. */
  int outcome(Outcome outcome) {
    return ~known.computeIfAbsent(
        outcome,
        o -> {
          outcomes.add(o);
          return outcomes.size() - 1;
        });
  }

  /** What a number stands for: a binding's action, or something else. */
  public Outcome outcome(int number) {
    if (number < 0) {
      return outcomes.get(~number);
    }
    Place place = place(number);
    Binding binding = place.binding(row(number));
    return new Acted(
        place.layer(),
        place.environment(),
        binding.action(),
        Optional.of(binding.id()),
        place.own());
  }

  int dropped(Reason why) {
    return dropped[why.ordinal()];
  }

  int waits(int taker) {
    return waits[taker];
  }

  private List<String> contextsAsTheyStand() {
    return tracer.setup().innermost().focus() instanceof Machine.Running r
        ? r.contexts()
        : List.of();
  }

  /** Which contexts of the focused application are asked while a row is pressed. */
  public int[] chain(Place place, int row) {
    if (!place.inContext()) {
      return asItStands;
    }
    int context = place.keymap().context(row);
    int[] chain = chains[context];
    if (chain == null) {
      chain = chain(List.of(place.keymap().contexts()[context]));
      chains[context] = chain;
    }
    return chain;
  }

  /** Which are asked as the setup stands. */
  public int[] chain() {
    return asItStands;
  }

  private @Nullable Place focused() {
    return machines[machines.length - 1].place(Sources.Kind.FOCUSED);
  }

  private int[] chain(List<String> active) {
    Place focused = focused();
    if (focused == null) {
      return new int[0];
    }
    return Sources.chain(contexts, focused.keymap(), active);
  }

  /** The bits of a binding's presses, as {@link Touched} counts them. */
  long touches(int code) {
    Place place = place(code);
    int row = row(code);
    long bits = 0;
    for (int i = 0; i < place.length(row); i++) {
      bits |= Touched.bit(presses.get(place.press(row, i)));
    }
    for (int i = 0; !place.asPressed() && i < place.awaitedLength(row); i++) {
      bits |= Touched.bit(presses.get(place.awaited(row, i)));
    }
    return bits;
  }

  /** Follows a row's presses; it must have some, and hold nothing between them. */
  public void walk(Place place, int row) {
    walk(place, row, chain(place, row), true);
  }

  /** The same while some contexts are active, without passages. */
  public void results(Place place, int row, int[] contexts) {
    walk(place, row, contexts, false);
  }

  private void walk(Place place, int row, int[] contexts, boolean told) {
    int count = place.length(row);
    if (count > buffer.length) {
      buffer = new int[2 * count];
    }
    for (int i = 0; i < count; i++) {
      buffer[i] = place.press(row, i);
    }
    walk.follow(buffer, count, contexts, place, row, told);
  }

  /** Whether an end is the action of a row, on its machine. */
  public boolean does(int end, Place place, int row) {
    if (end < 0) {
      return outcome(end) instanceof Acted a
          && a.layer().depth() == place.depth()
          && a.action().equals(place.binding(row).action());
    }
    Place by = place(end);
    if (by.number() == place.number()) {
      return place.keymap().action(row) == place.keymap().action(row(end));
    }
    return by.depth() == place.depth()
        && by.binding(row(end)).action().equals(place.binding(row).action());
  }

  /**
   * The character that a row's presses would have typed with more than Shift held, had their layer
   * not taken or held them; asked of the row that was walked last.
   */
  public Optional<String> symbolTaken(Place place, int row) {
    if (!walk.metSymbol()) {
      return Optional.empty();
    }
    walk(place, row);
    for (int i = 0; i < walk.passages(); i++) {
      if (walk.layerAt(i) == place.layerNumber()
          && (walk.verbAt(i) == Passage.Verb.TAKES || walk.verbAt(i) == Passage.Verb.HOLDS)) {
        String symbol = machines[place.depth()].offered(walk.receivedAt(i)).symbol;
        if (symbol != null) {
          return Optional.of(symbol);
        }
      }
    }
    return Optional.empty();
  }

  /** Whether more than Shift is held with a press. */
  public boolean holdsMore(int press) {
    return !presses.get(press).held().modifiers().without(Modifier.SHIFT).isEmpty();
  }

  /** Whether two presses are the same but for the sides of what is held. */
  public boolean alike(int one, int other) {
    return one == other || presses.get(one).eitherSide().equals(presses.get(other).eitherSide());
  }

  /** The number of the layer of the window that has the focus on a machine; -1 where none has. */
  public int windowOf(int depth) {
    return machines[depth].session ? machines[depth].focusLayer : -1;
  }

  /**
   * Whether a press of the layer of a machine can be made in one way only, which is as the layer
   * says it, so that nothing else comes out as it.
   */
  public boolean onlyItself(int depth, int press) {
    if (plain[depth]) {
      return true;
    }
    CompiledMachine.Offered offered = machines[depth].offered(press);
    if (offered.sources == null) {
      sources(depth, press);
    }
    return offered.onlyItself;
  }

  /**
   * What can be pressed, and written as a gesture, for a press to come to the layer of a machine;
   * of those that are the same behind the first remaps one, since the same becomes of them.
   */
  public int[] sources(int depth, int press) {
    CompiledMachine.Offered offered = machines[depth].offered(press);
    int[] known = offered.sources;
    if (known == null) {
      Physical wanted = presses.get(press);
      Set<Physical> all = InverseRemaps.toFingers(tracer.stations(), depth, wanted);
      offered.onlyItself = all.equals(Set.of(wanted));
      Map<Integer, Integer> byArrival = new LinkedHashMap<>();
      all.stream()
          .map(this::number)
          .filter(this::canBeWritten)
          .forEach(p -> byArrival.putIfAbsent(arrives(p), p));
      byArrival.remove(NOWHERE);
      known = byArrival.values().stream().mapToInt(p -> p).toArray();
      offered.sources = known;
    }
    return known;
  }

  /** What a press under the fingers is behind the first remaps; -1 where it is dropped. */
  public int arrives(int press) {
    int there = given(press);
    return there < 0 ? NOWHERE : machines[0].arrival(there).press();
  }

  /** Whether a press is one under the fingers again once it is written as a gesture. */
  private boolean canBeWritten(int press) {
    if (!lookedAt.get(press)) {
      Physical p = presses.get(press);
      Layout fingers = tracer.layout();
      Gesture written = Presses.gesture(List.of(Presses.Made.afresh(p)), fingers);
      lookedAt.set(press);
      writable.set(
          press, Presses.physical(written, fingers).filter(List.of(p)::equals).isPresent());
    }
    return writable.get(press);
  }

  /**
   * Whether presses end in a row's action at its layer, where the row is pressed; none where they
   * can't be followed in numbers.
   */
  public Optional<Boolean> endIn(Place place, int row, int[] pressed, int count) {
    walk.follow(pressed, count, chain(place, row), place, row, false);
    if (walk.rare()) {
      return Optional.empty();
    }
    int end = walk.last();
    return Optional.of(
        end >= 0 && place(end).layerNumber() == place.layerNumber() && does(end, place, row));
  }

  /** Where a binding stands, as {@link Place#code}; -1 for one that is not pressed as it is. */
  int codeOf(TracedBinding traced) {
    for (Place place : places) {
      boolean same =
          place.own() == traced.own()
              && place.menus() == MenuKeys.isOne(traced.binding())
              && place.layer().equals(traced.layer());
      for (int row : same ? place.keymap().rowsOf(traced.binding().action()) : new int[0]) {
        if (traced.opening() == 0
            && place.active(row).equals(traced.active())
            && place.binding(row).equals(traced.binding())
            && place.gesture(row).equals(traced.gesture())) {
          return place.code(row);
        }
      }
    }
    return -1;
  }

  /**
   * Whether presses end in a binding's action at its layer, as {@link #endIn(Place, int, int[],
   * int)}, and where they do not whether somebody may still wait for what comes next.
   *
   * @param code of the binding
   */
  synchronized Optional<Ending> ending(int code, List<Presses.Made> made) {
    if (code < 0 || made.stream().anyMatch(Presses.Made::stillHeld)) {
      return Optional.empty();
    }
    int[] pressed = new int[made.size()];
    for (int i = 0; i < pressed.length; i++) {
      pressed[i] = number(made.get(i).what());
    }
    Optional<Boolean> ends = endIn(place(code), row(code), pressed, pressed.length);
    return ends.map(
        there -> new Ending(there, walk.results() == 1 && outcome(walk.last()) instanceof Nothing));
  }

  /**
   * How presses end.
   *
   * @param there in the action that was asked for
   * @param waited in nothing at all, so that more may come of it
   */
  record Ending(boolean there, boolean waited) {}

  /** What follows presses through it. */
  public Walk walk() {
    return walk;
  }
}
