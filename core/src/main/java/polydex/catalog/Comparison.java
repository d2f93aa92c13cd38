package polydex.catalog;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Modifiers;
import polydex.keys.Step;

/**
 * One environment beside another: what is different where one is going. O(bindings of both).
 *
 * @param from the id of the environment that one comes from
 * @param to the id of the environment that one goes to
 * @param lines an action each, in the order of the first, then what only the second has
 */
public record Comparison(EnvironmentId from, EnvironmentId to, List<Line> lines) {

  /** How far two environments agree about an action. */
  public enum Likeness {
    /** A gesture does it in both. */
    SAME,
    /** The gestures differ in what is held only, by one modifier more, less or other. */
    ONE_MODIFIER_AWAY,
    /** Both have gestures, and they have nothing to do with each other. */
    DIFFERENT,
    /** Only where one comes from. */
    MISSING,
    /** Only where one goes to. */
    NEW
  }

  /**
   * An action in both.
   *
   * @param action the id
   * @param from its gestures where one comes from
   * @param to its gestures where one goes to
   */
  public record Line(ActionId action, List<Gesture> from, List<Gesture> to, Likeness likeness) {}

  /** Copies the list. */
  public Comparison {
    lines = List.copyOf(lines);
  }

  /** Compares two environments of a catalogue, wherever in them their bindings hold. */
  public static Comparison of(Catalog catalog, EnvironmentId from, EnvironmentId to) {
    Map<ActionId, List<Gesture>> first = gestures(catalog, from);
    Map<ActionId, List<Gesture>> second = gestures(catalog, to);
    Set<ActionId> actions = new LinkedHashSet<>();
    catalog.bindings(from).forEach(b -> actions.add(b.action()));
    catalog.bindings(to).forEach(b -> actions.add(b.action()));
    List<Line> lines = new ArrayList<>();
    for (ActionId action : actions) {
      List<Gesture> here = first.getOrDefault(action, List.of());
      List<Gesture> there = second.getOrDefault(action, List.of());
      lines.add(new Line(action, here, there, likeness(here, there)));
    }
    return new Comparison(from, to, lines);
  }

  /** How many lines there are of each likeness, every one of them named. */
  public Map<Likeness, Integer> counts() {
    Map<Likeness, Integer> counts = new EnumMap<>(Likeness.class);
    for (Likeness likeness : Likeness.values()) {
      counts.put(likeness, 0);
    }
    lines.forEach(l -> counts.merge(l.likeness(), 1, Integer::sum));
    return counts;
  }

  private static Map<ActionId, List<Gesture>> gestures(Catalog catalog, EnvironmentId environment) {
    Map<ActionId, List<Gesture>> all = new HashMap<>();
    for (Binding binding : catalog.bindings(environment)) {
      List<Gesture> list = all.computeIfAbsent(binding.action(), _ -> new ArrayList<>());
      if (!list.contains(binding.gesture())) {
        list.add(binding.gesture());
      }
    }
    return all;
  }

  /** How far two lists of gestures agree. */
  public static Likeness likeness(List<Gesture> from, List<Gesture> to) {
    if (from.isEmpty()) {
      return Likeness.NEW;
    }
    if (to.isEmpty()) {
      return Likeness.MISSING;
    }
    Set<Gesture> here = new HashSet<>();
    from.forEach(g -> here.addAll(g.expand()));
    if (to.stream().flatMap(g -> g.expand().stream()).anyMatch(here::contains)) {
      return Likeness.SAME;
    }
    boolean near = from.stream().anyMatch(a -> to.stream().anyMatch(b -> isOneModifierAway(a, b)));
    return near ? Likeness.ONE_MODIFIER_AWAY : Likeness.DIFFERENT;
  }

  /**
   * Whether two gestures press the same keys, and what is held in each stroke differs in the same
   * way: by one modifier more or less, or one in another's place.
   */
  static boolean isOneModifierAway(Gesture a, Gesture b) {
    if (a.steps().size() != b.steps().size()) {
      return false;
    }
    boolean differs = false;
    for (int i = 0; i < a.steps().size(); i++) {
      if (a.steps().get(i).equals(b.steps().get(i))) {
        continue;
      }
      if (!(a.steps().get(i) instanceof Step.Stroke x)
          || !(b.steps().get(i) instanceof Step.Stroke y)
          || !x.key().equals(y.key())
          || !x.held().keys().equals(y.held().keys())
          || !isOneAway(x.held(), y.held())) {
        return false;
      }
      differs = true;
    }
    return differs;
  }

  private static boolean isOneAway(Held a, Held b) {
    Modifiers x = a.modifiers().eitherSide();
    Modifiers y = b.modifiers().eitherSide();
    int moreHere = (int) x.list().stream().filter(m -> !y.has(m)).count();
    int moreThere = (int) y.list().stream().filter(m -> !x.has(m)).count();
    return moreHere <= 1 && moreThere <= 1 && moreHere + moreThere > 0;
  }
}
