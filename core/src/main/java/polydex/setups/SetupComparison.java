package polydex.setups;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;
import polydex.workspace.Workspace;

/**
 * Two setups beside each other.
 *
 * @param parts the parts that differ
 * @param bindings bindings of environments that both have, which work in one of them only
 */
public record SetupComparison(List<Part> parts, List<Working> bindings) {

  /**
   * A part that differs.
   *
   * @param sort what the part is, whatever it is called
   * @param label what it is called
   * @param first how it stands in the first setup; empty where that has no such part
   */
  public record Part(OutlineLine.Sort sort, String label, String first, String second) {}

  /**
   * A binding that works in one of the setups.
   *
   * @param action its id
   * @param inFirst whether it works in the first, rather than in the second
   */
  public record Working(
      EnvironmentId environment, ActionId action, Gesture gesture, boolean inFirst) {}

  /** The differences of two setups of a workspace, in O(bindings of both). */
  public static SetupComparison of(Workspace workspace, SetupTraces first, SetupTraces second) {
    return new SetupComparison(
        parts(
            SetupOutline.of(workspace, first.setup()), SetupOutline.of(workspace, second.setup())),
        bindings(first, second));
  }

  private static List<Part> parts(List<OutlineLine<Setup>> first, List<OutlineLine<Setup>> second) {
    Map<String, OutlineLine<Setup>> firsts = byPlace(first);
    Map<String, OutlineLine<Setup>> seconds = byPlace(second);
    Set<String> places = new LinkedHashSet<>(firsts.keySet());
    places.addAll(seconds.keySet());
    List<Part> found = new ArrayList<>();
    for (String place : places) {
      Optional<OutlineLine<Setup>> one = Optional.ofNullable(firsts.get(place));
      Optional<OutlineLine<Setup>> other = Optional.ofNullable(seconds.get(place));
      if (!words(one).equals(words(other))) {
        OutlineLine<Setup> line = one.or(() -> other).orElseThrow();
        found.add(new Part(line.sort(), line.label(), words(one), words(other)));
      }
    }
    return List.copyOf(found);
  }

  /** Lines by machine, and by how many of their label came before on it. */
  private static Map<String, OutlineLine<Setup>> byPlace(List<OutlineLine<Setup>> lines) {
    Map<String, OutlineLine<Setup>> found = new LinkedHashMap<>();
    Map<String, Integer> counts = new HashMap<>();
    int machine = 0;
    for (OutlineLine<Setup> line : lines) {
      if (line.sort() == OutlineLine.Sort.MACHINE) {
        machine++;
      }
      String place = machine + "|" + line.label();
      found.put(counts.merge(place, 1, Integer::sum) + "|" + place, line);
    }
    return found;
  }

  private static String words(Optional<OutlineLine<Setup>> line) {
    return line.map(l -> (l.gesture().map(g -> g + " ").orElse("") + l.value()).strip()).orElse("");
  }

  private static List<Working> bindings(SetupTraces first, SetupTraces second) {
    Map<List<Object>, TracedBinding> firsts = working(first);
    Map<List<Object>, TracedBinding> seconds = working(second);
    Set<EnvironmentId> shared = new HashSet<>(first.setup().environments());
    shared.retainAll(second.setup().environments());
    List<Working> found = new ArrayList<>();
    firsts.forEach((key, t) -> add(found, t, shared, seconds.containsKey(key), true));
    seconds.forEach((key, t) -> add(found, t, shared, firsts.containsKey(key), false));
    return List.copyOf(found);
  }

  private static void add(
      List<Working> to,
      TracedBinding t,
      Set<EnvironmentId> shared,
      boolean inBoth,
      boolean inFirst) {
    if (!inBoth && shared.contains(t.environment())) {
      to.add(new Working(t.environment(), t.binding().action(), t.gesture(), inFirst));
    }
  }

  private static Map<List<Object>, TracedBinding> working(SetupTraces traces) {
    Map<List<Object>, TracedBinding> found = new LinkedHashMap<>();
    traces.all().stream()
        .filter(TracedBinding::works)
        .forEach(
            t -> found.putIfAbsent(List.of(t.environment(), t.binding().id(), t.gesture()), t));
    return found;
  }
}
