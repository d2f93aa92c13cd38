package polydex.route;

import java.util.ArrayList;
import java.util.List;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.keys.Gesture;
import polydex.route.Layer.Kind;

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
  private final Board board;
  private final Layer boardLayer;
  private final List<Station> stations;

  private Tracer(Setup setup, World world) {
    this.setup = setup;
    this.board = world.boards().get(setup.board());
    this.boardLayer = new Layer(0, Kind.BOARD, board.title(), setup.machine().title());
    this.stations = Station.of(setup, world);
  }

  private Tracer(Setup setup, Board board, Layer boardLayer, List<Station> stations) {
    this.setup = setup;
    this.board = board;
    this.boardLayer = boardLayer;
    this.stations = stations;
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
    return new Tracer(setup.withContexts(contexts), board, boardLayer, List.copyOf(changed));
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
      case Presses.Typable(List<Presses.Made> made) ->
          new Journey(boardLayer, board, stations).follow(gesture, made);
      case Presses.Untypable(String reason) ->
          new Trace(gesture, List.of(), List.of(new Trace.Nothing(reason)));
    };
  }
}
