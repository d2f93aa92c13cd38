package polydex.route;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Binding;
import polydex.catalog.Environment.Platform;
import polydex.keys.Gesture;
import polydex.keys.Physical;
import polydex.route.Layer.Kind;
import polydex.route.Scope.Node;
import polydex.route.Trace.Outcome;

/**
 * Follows gestures through one setup.
 *
 * <p>Problem: which layer takes a gesture, and what does each layer on the way do to it? Method:
 * every keymap becomes a trie over physical presses, once, in O(bindings); a trace then asks each
 * layer in turn, in O(presses · layers), whatever the number of bindings. The rules are written out
 * in {@code docs/route.md}.
 */
public final class Tracer {
  private final Setup setup;
  private final BoardKeys board;
  private final Layer boardLayer;
  private final List<Station> stations;

  /** What the focused application has seen already: nothing, or the opening of a menu. */
  private final List<Node> begun;

  private Tracer(Setup setup, World world) {
    this.setup = setup;
    Board under = world.boards().get(setup.board());
    this.board = new BoardKeys(under);
    this.boardLayer = new Layer(0, Kind.BOARD, under.title(), setup.machine().title());
    this.stations = Station.of(setup, world);
    this.begun = List.of();
  }

  private Tracer(Tracer like, Setup setup, List<Station> stations, List<Node> begun) {
    this.setup = setup;
    this.board = like.board;
    this.boardLayer = like.boardLayer;
    this.stations = stations;
    this.begun = begun;
  }

  /**
   * A tracer for a setup.
   *
   * @throws IllegalArgumentException where {@link World#problem} finds one
   */
  public static Tracer of(Setup setup, World world) {
    world
        .problem(setup)
        .ifPresent(
            problem -> {
              throw new IllegalArgumentException(problem);
            });
    return new Tracer(setup, world);
  }

  /**
   * A tracer for the same setup with these contexts of the focused application active, innermost
   * first. It shares what was made ready, so that it costs O(machines).
   */
  public Tracer withContexts(List<String> contexts) {
    List<Station> changed = new ArrayList<>(stations);
    if (setup.innermost().focus() instanceof Machine.Running) {
      changed.set(changed.size() - 1, changed.getLast().withContexts(contexts));
    }
    return new Tracer(this, setup.withContexts(contexts), List.copyOf(changed), List.of());
  }

  /**
   * A tracer for the same setup while a menu of the focused application stands open, which goes on
   * with what is pressed before anyone else on its machine.
   *
   * @param opener what opens it, as {@link polydex.catalog.MenuKeys#openers} says
   */
  public Tracer withMenuOpen(Gesture opener) {
    Station last = stations.getLast();
    List<Node> at =
        Presses.physical(opener, last.layout)
            .map(presses -> last.inMenus(presses))
            .orElse(List.of());
    return new Tracer(this, setup, stations, at);
  }

  /**
   * A tracer for the same setup with one more binding of the user's own on a machine, behind those
   * that are there. What was made ready is shared, so that it costs O(own bindings).
   *
   * @param depth of the machine, 0 the outermost
   */
  public Tracer withOwn(int depth, Binding more) {
    List<Station> changed = new ArrayList<>(stations);
    changed.set(depth, stations.get(depth).withOwn(more));
    return new Tracer(
        this,
        setup.with(depth, setup.machines().get(depth).adding(more)),
        List.copyOf(changed),
        begun);
  }

  /** The same after single bindings have changed; nothing where more has to be made anew. */
  Optional<Tracer> after(World now, List<KeymapDiff.Edit> edits) {
    List<Station> changed = new ArrayList<>();
    for (Station station : stations) {
      Optional<Station> after = station.after(now, edits);
      if (after.isEmpty()) {
        return Optional.empty();
      }
      changed.add(after.get());
    }
    return Optional.of(new Tracer(this, setup, List.copyOf(changed), List.of()));
  }

  /** The setup that is traced. */
  public Setup setup() {
    return setup;
  }

  /** The layout under the fingers. */
  public Layout layout() {
    return stations.getFirst().layout;
  }

  /** Every layer from fingers to focus. */
  public List<Layer> layers() {
    List<Layer> layers = new ArrayList<>();
    layers.add(boardLayer);
    stations.forEach(s -> layers.addAll(s.layers()));
    return List.copyOf(layers);
  }

  /**
   * The path of a gesture, its characters found on the layout under the fingers.
   *
   * @param gesture not a family
   */
  public Trace trace(Gesture gesture) {
    return switch (Presses.of(gesture, layout())) {
      case Presses.Typable(List<Presses.Made> made) -> {
        Journey journey = journey(true);
        List<Outcome> results = journey.follow(made);
        yield new Trace(gesture, journey.passages(), results);
      }
      case Presses.Untypable(String reason) ->
          new Trace(gesture, List.of(), List.of(new Trace.Nothing(reason)));
    };
  }

  /** What comes of a gesture, in order, without the path; at a fraction of the cost. */
  public List<Outcome> results(Gesture gesture) {
    return results(Presses.of(gesture, layout()));
  }

  List<Outcome> results(Presses presses) {
    return switch (presses) {
      case Presses.Typable(List<Presses.Made> made) -> results(made);
      case Presses.Untypable(String reason) -> List.of(new Trace.Nothing(reason));
    };
  }

  List<Outcome> results(List<Presses.Made> made) {
    return journey(false).follow(made);
  }

  private Journey journey(boolean told) {
    Journey journey = new Journey(boardLayer, board, stations, told);
    if (!begun.isEmpty()) {
      stations.getLast().focused().ifPresent(t -> journey.begin(t, begun));
    }
    return journey;
  }

  /** What the layout of a machine would type for a press there, if nobody took it. */
  public Optional<Layout.Symbol> typing(int depth, Physical press) {
    return stations.get(depth).typed(press);
  }

  /** What can be pressed under the fingers for a press to come to a machine's desktop. */
  public Set<Physical> sources(int depth, Physical press) {
    return InverseRemaps.toFingers(stations, depth, press);
  }

  /** The platform of a machine. */
  public Platform platform(int depth) {
    return stations.get(depth).platform;
  }

  /** The same setup in numbers; none where it is too large for them. */
  Optional<CompiledSetup> compiled(World world) {
    return CompiledSetup.of(this, board, world);
  }

  List<Station> stations() {
    return stations;
  }
}
