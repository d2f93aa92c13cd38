package polydex.conflict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.ActionId;
import polydex.effort.StrokeEffort;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Physical;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.Situation;
import polydex.route.Trace.Nothing;
import polydex.route.Trace.Outcome;
import polydex.route.Tracer;

/**
 * Gestures that do nothing yet, anywhere that a computer stands: one stroke of a letter, digit or
 * function key with modifiers, tried by tracing. Ordered by effort, with a discount where the key
 * is an initial of the action's title or the same gesture does the action elsewhere. O(keys ·
 * modifiers · setups).
 */
public final class FreeGestures {
  /** The key is an initial of the title. */
  static final double INITIAL = 1.5;

  /** The same gesture does the action in another environment that is in use. */
  static final double SAME_ELSEWHERE = 1.0;

  private static final List<Held> HELD =
      List.of(
          Held.of(Modifier.CTRL, Modifier.SHIFT),
          Held.of(Modifier.CTRL, Modifier.ALT),
          Held.of(Modifier.ALT, Modifier.SHIFT),
          Held.of(Modifier.META, Modifier.SHIFT),
          Held.of(Modifier.CTRL, Modifier.META),
          Held.of(Modifier.CTRL, Modifier.ALT, Modifier.SHIFT),
          Held.of(Modifier.META, Modifier.ALT));

  private final Situation situation;
  private final Setup setup;
  private final ActionId action;
  private final int depth;

  /**
   * Ready to look.
   *
   * @param depth of the computer that is to have the gesture, 0 the outermost
   * @param action the id of what it is to do
   */
  public FreeGestures(Situation situation, Setup setup, int depth, ActionId action) {
    this.situation = situation;
    this.setup = setup;
    this.depth = depth;
    this.action = action;
  }

  /** The best of them. */
  public List<Gesture> best(int most) {
    Board board = situation.world().boards().get(setup.board());
    Layout layout = situation.world().layouts().get(setup.machine().layout());
    StrokeEffort effort = new StrokeEffort(board);
    List<Tracer> tracers = tracers();
    Set<String> elsewhere = elsewhere();
    String initials = initials();
    record Scored(Gesture gesture, double score) {}
    List<Scored> all = new ArrayList<>();
    for (Key key : Key.values()) {
      boolean usual =
          key.name().startsWith("Key")
              || key.name().startsWith("Digit")
              || key.name().matches("F([1-9]|1[0-2])");
      for (Held held : usual && board.has(key) ? HELD : List.<Held>of()) {
        Physical press = new Physical.Press(held, key);
        Gesture gesture = Gesture.of(Presses.describe(press, layout));
        double score = effort.of(List.of(new Presses.Made(press, false)));
        String name = key.name().replace("Key", "").toLowerCase(Locale.ROOT);
        score -= name.length() == 1 && initials.contains(name) ? INITIAL : 0;
        score -= elsewhere.contains(gesture.toString()) ? SAME_ELSEWHERE : 0;
        all.add(new Scored(gesture, score));
      }
    }
    return all.stream()
        .sorted(
            Comparator.comparingDouble(Scored::score).thenComparing(s -> s.gesture().toString()))
        .map(Scored::gesture)
        .filter(g -> tracers.stream().allMatch(t -> isFree(t, g)))
        .limit(most)
        .toList();
  }

  /** Of every setup in which the computer stands. */
  private List<Tracer> tracers() {
    Machine machine = setup.machines().get(depth);
    Situation.Computer computer = Situation.Computer.of(machine);
    return situation.setups().values().stream()
        .filter(s -> s.machines().stream().anyMatch(computer::is))
        .filter(s -> situation.world().problem(s).isEmpty())
        .map(s -> Tracer.of(s, situation.world()))
        .toList();
  }

  private static boolean isFree(Tracer tracer, Gesture gesture) {
    List<Outcome> results = tracer.results(gesture);
    return results.size() == 1 && results.getFirst() instanceof Nothing;
  }

  private String initials() {
    return situation
        .world()
        .catalog()
        .title(action)
        .toLowerCase(Locale.ROOT)
        .replaceAll("\\B\\w|\\W", "");
  }

  private Set<String> elsewhere() {
    return situation.setups().values().stream()
        .flatMap(s -> s.environments().stream())
        .distinct()
        .flatMap(e -> situation.world().catalog().bindings(e, action).stream())
        .map(b -> b.gesture().toString())
        .collect(Collectors.toSet());
  }
}
