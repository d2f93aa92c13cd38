package polydex.conflict;

import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Environment.OwnBindingRules;
import polydex.catalog.Environment.Platform;
import polydex.free.Proposals;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.route.Machine;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;

/**
 * Bindings of the user's own that will not hold: they cover what the whole trade uses, break a rule
 * of their platform, or use fewer than two modifiers. Of several faults the first of these counts.
 * O(own bindings).
 */
final class ThinBindings {
  /** Keys that all programs use alike with the primary modifier: copy, paste, undo, save ... */
  private static final List<String> WITH_PRIMARY =
      List.of("C", "X", "V", "Z", "S", "F", "A", "P", "N", "O");

  /** Keys that all programs use alike alone. */
  private static final Set<Key> ALONE =
      EnumSet.of(
          Key.Tab,
          Key.Enter,
          Key.Escape,
          Key.Space,
          Key.Backspace,
          Key.Delete,
          Key.F1,
          Key.ArrowUp,
          Key.ArrowDown,
          Key.ArrowLeft,
          Key.ArrowRight,
          Key.Home,
          Key.End,
          Key.PageUp,
          Key.PageDown);

  /** What is wrong with one. */
  enum Fault {
    COVERS("It covers what every program uses."),
    TOO_FEW_FOR_PLATFORM("The platform asks for more modifiers."),
    TOO_MANY_GESTURES("The platform lets an action have fewer gestures of one's own."),
    SLIGHT("It holds fewer than two modifiers.");

    private final String sentence;

    Fault(String sentence) {
      this.sentence = sentence;
    }

    String sentence() {
      return sentence;
    }
  }

  private final SetupTraces traces;

  ThinBindings(SetupTraces traces) {
    this.traces = traces;
  }

  /** Each that has a fault, with it. */
  void forEach(BiConsumer<TracedBinding, Fault> each) {
    Map<String, Integer> gestures = new HashMap<>();
    for (TracedBinding own : traces.own()) {
      int so =
          gestures.merge(own.layer().depth() + own.binding().action().value(), 1, Integer::sum);
      fault(own, so).ifPresent(f -> each.accept(own, f));
    }
  }

  /**
   * What is wrong with one of the user's own.
   *
   * @param so the how manieth gesture of its action it is
   */
  private Optional<Fault> fault(TracedBinding own, int so) {
    Machine machine = traces.setup().machines().get(own.layer().depth());
    Platform platform =
        traces
            .world()
            .catalog()
            .environment(machine.platform())
            .flatMap(e -> e.platform())
            .orElseThrow();
    Layout layout = traces.world().layouts().get(machine.layout());
    if (covers(own.gesture(), platform, layout)) {
      return Optional.of(Fault.COVERS);
    }
    Modifiers held =
        Presses.physical(own.gesture(), layout)
            .map(p -> p.getFirst().held().modifiers())
            .orElse(Modifiers.NONE);
    Optional<OwnBindingRules> rules = platform.ownBindings();
    Modifiers added =
        rules.map(r -> Modifiers.of(r.added().toArray(new Modifier[0]))).orElse(Modifiers.NONE);
    int count = held.and(added).count();
    if (rules.filter(r -> count < r.leastModifiers()).isPresent()) {
      return Optional.of(Fault.TOO_FEW_FOR_PLATFORM);
    }
    if (rules.filter(r -> r.mostGestures() > 0 && so > r.mostGestures()).isPresent()) {
      return Optional.of(Fault.TOO_MANY_GESTURES);
    }
    return count < Proposals.MODIFIERS ? Optional.of(Fault.SLIGHT) : Optional.empty();
  }

  private static boolean covers(Gesture gesture, Platform platform, Layout layout) {
    Optional<List<Physical>> presses = Presses.physical(gesture, layout);
    if (presses.isEmpty() || presses.get().size() != 1) {
      return false;
    }
    Physical press = presses.get().getFirst();
    if (press.held().isNothing()) {
      return press.pressedKey().filter(ALONE::contains).isPresent();
    }
    return WITH_PRIMARY.stream()
        .map(key -> Gesture.parse(platform.primary().written() + "+" + key))
        .anyMatch(
            g ->
                Presses.physical(g, layout)
                    .filter(p -> p.getFirst().equals(press.eitherSide()))
                    .isPresent());
  }
}
