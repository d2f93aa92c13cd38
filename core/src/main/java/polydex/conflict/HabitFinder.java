package polydex.conflict;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.conflict.Conflict.Kind;
import polydex.conflict.Conflict.Party;
import polydex.keys.Gesture;
import polydex.keys.Modifier;
import polydex.keys.Step;
import polydex.route.Layer;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.Trace.Acted;
import polydex.route.Trace.Nothing;
import polydex.route.Trace.Outcome;

/**
 * Finds gestures and actions that a person has to learn twice, since two environments that they
 * work in disagree: one gesture for different actions, or one action on different gestures.
 *
 * <p>Compared are documented gestures of outermost contexts that exist in the versions in use, of
 * any two environments but those that stand on one machine of a setup, which its own conflicts are
 * about. Method: a hash of gestures and one of actions, O(bindings + pairs found).
 */
public final class HabitFinder {

  private record Known(EnvironmentId environment, Binding binding, Gesture gesture) {}

  private final Catalog catalog;
  private final Person person;
  private final Predicate<EnvironmentId> about;
  private final Set<Set<EnvironmentId>> onOneMachine = new HashSet<>();

  /** For each environment what its gestures do, and by which its actions are done. */
  private final Map<EnvironmentId, Map<Gesture, Known>> doing = new TreeMap<>();

  private final Map<EnvironmentId, Map<ActionId, List<Known>>> gestures = new TreeMap<>();

  private HabitFinder(
      Catalog catalog, Collection<Setup> setups, Person person, Predicate<EnvironmentId> about) {
    this.catalog = catalog;
    this.person = person;
    this.about = about;
    Map<EnvironmentId, List<Predicate<Binding>>> on = new LinkedHashMap<>();
    for (Setup setup : setups) {
      for (Machine machine : setup.machines()) {
        put(on, machine.platform(), b -> machine.isOn(Layer.Kind.DESKTOP, b));
        machine
            .application()
            .ifPresent(
                application -> {
                  put(on, application, b -> machine.isOn(Layer.Kind.APPLICATION, b));
                  onOneMachine.add(Set.of(machine.platform(), application));
                });
      }
    }
    on.forEach((id, places) -> add(id, b -> places.stream().anyMatch(p -> p.test(b))));
  }

  /** The crossed and split habits of whoever works in these setups, the worst first. */
  public static List<Conflict> find(Catalog catalog, Collection<Setup> setups, Person person) {
    return find(catalog, setups, person, _ -> true);
  }

  /**
   * Of them those alone that have a side in some environments.
   *
   * @param about which environments
   */
  static List<Conflict> find(
      Catalog catalog, Collection<Setup> setups, Person person, Predicate<EnvironmentId> about) {
    return new HabitFinder(catalog, setups, person, about).find();
  }

  /** What is on anywhere, in the version that is there, may be somebody's habit. */
  private void add(EnvironmentId id, Predicate<Binding> isOn) {
    Optional<Environment> environment = catalog.environment(id);
    if (environment.isEmpty()) {
      return;
    }
    Map<Gesture, Known> does = new LinkedHashMap<>();
    Map<ActionId, List<Known>> by = new LinkedHashMap<>();
    for (Binding binding : catalog.bindings(id)) {
      if (binding.context().equals(Context.ANYWHERE.id()) && isOn.test(binding)) {
        for (Gesture member : binding.gesture().expand()) {
          Known known = new Known(id, binding, member);
          does.putIfAbsent(member, known);
          by.computeIfAbsent(binding.action(), _ -> new ArrayList<>()).add(known);
        }
      }
    }
    doing.put(id, does);
    gestures.put(id, by);
  }

  private List<Conflict> find() {
    Map<Gesture, List<Known>> byGesture = new HashMap<>();
    doing.values().forEach(m -> m.values().forEach(k -> put(byGesture, k.gesture(), k)));
    List<Conflict> found = new ArrayList<>();
    byGesture.values().forEach(some -> pairs(some, found));
    Map<ActionId, List<EnvironmentId>> whoDoes = new HashMap<>();
    gestures.forEach(
        (environment, by) -> by.keySet().forEach(action -> put(whoDoes, action, environment)));
    whoDoes.forEach((action, environments) -> splits(action, environments, found));
    return found.stream().sorted(Conflict.WORST_FIRST).toList();
  }

  private static <K, V> void put(Map<K, List<V>> map, K key, V value) {
    map.computeIfAbsent(key, _ -> new ArrayList<>()).add(value);
  }

  private void pairs(List<Known> some, List<Conflict> found) {
    for (int i = 0; i < some.size(); i++) {
      for (int j = i + 1; j < some.size(); j++) {
        Known one = some.get(i);
        Known other = some.get(j);
        boolean same = one.binding().action().equals(other.binding().action());
        if (!same && areApart(one.environment(), other.environment())) {
          found.add(crossed(one, other));
        }
      }
    }
  }

  private boolean areApart(EnvironmentId one, EnvironmentId other) {
    return (about.test(one) || about.test(other)) && !onOneMachine.contains(Set.of(one, other));
  }

  private Conflict crossed(Known one, Known other) {
    double harm =
        Math.max(
            Severity.harm(one.binding().action(), catalog),
            Severity.harm(other.binding().action(), catalog));
    return conflict(Kind.CROSSED_HABIT, one, other, acted(other), harm);
  }

  private void splits(ActionId action, List<EnvironmentId> environments, List<Conflict> found) {
    for (int i = 0; i < environments.size(); i++) {
      for (int j = i + 1; j < environments.size(); j++) {
        List<Known> here = byAction(environments.get(i), action);
        List<Known> there = byAction(environments.get(j), action);
        if (!areApart(environments.get(i), environments.get(j))) {
          continue;
        }
        Set<Gesture> both = new LinkedHashSet<>();
        here.forEach(k -> both.add(k.gesture()));
        if (there.stream().noneMatch(k -> both.contains(k.gesture()))) {
          found.add(split(here.getFirst(), there.getFirst()));
        }
      }
    }
  }

  private List<Known> byAction(EnvironmentId environment, ActionId action) {
    return gestures.getOrDefault(environment, Map.of()).getOrDefault(action, List.of());
  }

  /** What the gesture of either does where the other is meant. */
  private Conflict split(Known one, Known other) {
    Outcome there = does(other.environment(), one.gesture());
    Outcome here = does(one.environment(), other.gesture());
    double harm = Math.max(Severity.harm(there, catalog), Severity.harm(here, catalog));
    return conflict(Kind.SPLIT_HABIT, one, other, there, harm);
  }

  private Outcome does(EnvironmentId environment, Gesture gesture) {
    Known known = doing.getOrDefault(environment, Map.of()).get(gesture);
    return known == null ? new Nothing(worded("conflict.it-does-nothing-there")) : acted(known);
  }

  private Acted acted(Known known) {
    String title = catalog.environment(known.environment()).map(Environment::title).orElse("");
    return new Acted(
        new Layer(0, Layer.Kind.APPLICATION, title, ""),
        known.environment(),
        known.binding().action(),
        Optional.of(known.binding().id()),
        false);
  }

  private Conflict conflict(Kind kind, Known one, Known other, Outcome instead, double harm) {
    double uses =
        Math.min(
            person.usesPerDay().applyAsDouble(one.binding().action()),
            person.usesPerDay().applyAsDouble(other.binding().action()));
    return new Conflict(
        kind,
        Optional.empty(),
        party(one),
        Optional.of(party(other)),
        Optional.empty(),
        instead,
        kind.written()
            + (kind == Kind.SPLIT_HABIT && differByPrimary(one, other) ? "|primary|" : "|")
            + one.environment()
            + "|"
            + other.environment(),
        List.of(),
        Severity.of(harm, false, uses),
        Rank.HABIT,
        "");
  }

  /** Whether the gestures are the same but for the modifier that programs there use most. */
  private boolean differByPrimary(Known one, Known other) {
    Modifier here = primary(one.environment());
    Modifier there = primary(other.environment());
    return here != there
        && one.gesture().steps().size() == 1
        && one.gesture().steps().getFirst() instanceof Step.Stroke a
        && other.gesture().steps().size() == 1
        && other.gesture().steps().getFirst() instanceof Step.Stroke b
        && a.key().equals(b.key())
        && a.held().modifiers().has(here)
        && b.held().modifiers().has(there)
        && a.held().modifiers().without(here).equals(b.held().modifiers().without(there));
  }

  /** Of a platform its own, of an application that of the first platform that it is for. */
  private Modifier primary(EnvironmentId id) {
    Optional<Environment> environment = catalog.environment(id);
    return environment
        .flatMap(Environment::platform)
        .or(
            () ->
                environment
                    .map(Environment::kind)
                    .filter(Environment.Application.class::isInstance)
                    .map(Environment.Application.class::cast)
                    .flatMap(a -> a.platforms().stream().findFirst())
                    .flatMap(catalog::environment)
                    .flatMap(Environment::platform))
        .map(Environment.Platform::primary)
        .orElse(Modifier.CTRL);
  }

  private static Party party(Known known) {
    return new Party(
        known.environment(),
        known.binding().context(),
        known.binding().action(),
        known.binding().gesture(),
        known.gesture(),
        known.binding().id(),
        false,
        0);
  }
}
