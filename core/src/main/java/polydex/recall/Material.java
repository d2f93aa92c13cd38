package polydex.recall;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.catalog.MenuKeys;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.KeyRef;
import polydex.keys.Physical;
import polydex.keys.Step;
import polydex.route.Layer;
import polydex.route.Machine;
import polydex.route.Passage;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.Trace;
import polydex.route.TracedBinding;
import polydex.route.Tracer;
import polydex.route.World;

/**
 * All that can be asked on the keyboard in front of the person: every action that a gesture reaches
 * in the setup in use, and those of the other setups whose keys are on this board and layout too.
 *
 * <p>Whether a gesture has to be spelled is found by tracing it in the setup in use with nothing in
 * focus, since this program binds nothing while a drill runs. O(bindings · layers).
 */
public final class Material {
  private final Map<DrillItem, Prompt> prompts = new LinkedHashMap<>();
  private final Map<EnvironmentId, List<ActionId>> actions = new HashMap<>();
  private final Map<DrillItem, Map<String, Gesture>> families = new LinkedHashMap<>();
  private final Map<DrillItem, SetupId> setups = new LinkedHashMap<>();
  private final World world;
  private final Tracer bare;
  private final Board board;
  private final Layout layout;

  private Material(World world, Setup setup) {
    this.world = world;
    this.bare =
        Tracer.of(
            new Setup(
                setup.id(), setup.title(), setup.board(), setup.machine().with(new Machine.Bare())),
            world);
    this.board = world.boards().get(setup.board());
    this.layout = bare.layout();
  }

  /**
   * The material of a person.
   *
   * @param here the traces of the setup in use
   * @param setups every setup; those with a mistake are passed over
   */
  public static Material of(World world, SetupTraces here, Collection<Setup> setups) {
    Material material = new Material(world, here.setup());
    material.addAll(here, true);
    for (Setup other : setups) {
      if (!other.id().equals(here.setup().id()) && world.problem(other).isEmpty()) {
        material.addAll(SetupTraces.of(other, world), false);
      }
    }
    return material;
  }

  private void addAll(SetupTraces traces, boolean here) {
    Map<DrillItem, List<TracedBinding>> found = new LinkedHashMap<>();
    for (TracedBinding traced : traces.all()) {
      DrillItem item = new DrillItem(traced.environment(), traced.binding().action());
      if (MenuKeys.isOne(traced.binding())) {
        continue;
      }
      if (traced.works() && !prompts.containsKey(item) && (here || isPressable(traced.gesture()))) {
        found.computeIfAbsent(item, _ -> new ArrayList<>()).add(traced);
      }
    }
    found.forEach(
        (item, all) -> {
          List<Gesture> gestures = all.stream().map(TracedBinding::gesture).distinct().toList();
          boolean spelled = gestures.stream().anyMatch(this::isTaken);
          // Only plain strokes can be spelled: a tap or a hold is nothing but its timing.
          if ((!spelled || gestures.stream().allMatch(Material::isOfStrokes))
              && gestures.stream().noneMatch(Material::isPointerAlone)) {
            prompts.put(item, new Prompt(item, gestures, spelled, ""));
            actions.computeIfAbsent(item.environment(), _ -> new ArrayList<>()).add(item.action());
            setups.put(item, traces.setup().id());
            family(all).ifPresent(members -> families.put(item, members));
          }
        });
  }

  /** The members by the key in which they differ, where the first binding is a family. */
  private static Optional<Map<String, Gesture>> family(List<TracedBinding> all) {
    if (!all.getFirst().binding().gesture().isFamily()) {
      return Optional.empty();
    }
    Map<String, Gesture> members = new LinkedHashMap<>();
    for (TracedBinding traced : all) {
      if (traced.binding().equals(all.getFirst().binding())) {
        members.put(lastKey(traced.gesture()), traced.gesture());
      }
    }
    return members.size() > 1 ? Optional.of(members) : Optional.empty();
  }

  private static String lastKey(Gesture gesture) {
    Step last = gesture.steps().getLast();
    while (last instanceof Step.Hold h) {
      last = h.inner().getLast();
    }
    return last instanceof Step.Stroke s ? new Step.Stroke(Held.NOTHING, s.key()).toString() : "";
  }

  private boolean isPressable(Gesture gesture) {
    return Presses.physical(gesture, layout)
        .filter(
            presses ->
                presses.stream()
                    .flatMap(p -> p.pressedKey().stream())
                    .allMatch(k -> board.press(Physical.Press.of(k)).isPresent()))
        .isPresent();
  }

  private boolean isTaken(Gesture gesture) {
    return bare.trace(gesture).passages().stream()
        .filter(p -> p.layer().kind() != Layer.Kind.TYPING)
        .anyMatch(p -> p.verb() == Passage.Verb.TAKES || p.verb() == Passage.Verb.HOLDS);
  }

  /** What this computer does with the gestures of a prompt while nothing of it is in focus. */
  public Set<ActionId> done(Prompt prompt) {
    return prompt.gestures().stream()
        .flatMap(g -> bare.results(g).stream())
        .filter(Trace.Acted.class::isInstance)
        .map(o -> ((Trace.Acted) o).action())
        .collect(Collectors.toSet());
  }

  private static boolean isOfStrokes(Gesture gesture) {
    return gesture.steps().stream().allMatch(Step.Stroke.class::isInstance);
  }

  /** A click without a key is nothing that a hand on the keyboard could learn. */
  private static boolean isPointerAlone(Gesture gesture) {
    return gesture.usesPointer() && gesture.modifierPresses() == 0 && gesture.presses() == 1;
  }

  /** Every prompt, those of the setup in use first. */
  public List<Prompt> prompts() {
    return List.copyOf(prompts.values());
  }

  /** The prompt of an item, if it can be asked here. */
  public Optional<Prompt> prompt(DrillItem item) {
    return Optional.ofNullable(prompts.get(item));
  }

  /** The ids of the actions that can be asked in an environment. */
  public List<ActionId> actions(EnvironmentId environment) {
    return List.copyOf(actions.getOrDefault(environment, List.of()));
  }

  /** The members of an item's family by their key; empty where it is none. */
  Map<String, Gesture> members(DrillItem item) {
    return families.getOrDefault(item, Map.of());
  }

  /** The id of the setup in which an item's gesture reaches it. */
  Optional<SetupId> setup(DrillItem item) {
    return Optional.ofNullable(setups.get(item));
  }

  /** Keyboards, layouts and keymaps it was made from. */
  public World world() {
    return world;
  }

  /** The layout under the fingers. */
  public Layout layout() {
    return layout;
  }

  /** Whether a key can be typed plainly here, as hints that hold a key need it. */
  public boolean has(Key key) {
    return board.press(Physical.Press.of(key)).isPresent();
  }

  /** What a key of this layout is called. */
  public KeyRef name(Key key) {
    return Presses.name(key, layout);
  }
}
