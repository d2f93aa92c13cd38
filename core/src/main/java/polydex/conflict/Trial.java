package polydex.conflict;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import polydex.keys.Gesture;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.Situation;
import polydex.route.TracedBinding;

/**
 * What fixes would do, found out on a copy. Setups that a fix leaves alone are not looked at again.
 * O(bindings of the setups that change) a fix. Not thread-safe.
 */
public final class Trial {

  /**
   * What came of a trial.
   *
   * @param fix what was tried
   * @param ends conflicts that are gone then
   * @param makes conflicts that are new then
   * @param changes gestures that end elsewhere than before, by the id of their setup
   */
  public record Outcome(
      Fix fix, List<Conflict> ends, List<Conflict> makes, Map<SetupId, List<Gesture>> changes) {
    /** How many gestures end elsewhere than before, in all setups. */
    public int changed() {
      return changes.values().stream().mapToInt(List::size).sum();
    }
  }

  private record Known(Map<String, Conflict> conflicts, Map<List<Object>, String> ends) {}

  private final Situation situation;
  private final Person person;
  private final Map<SetupId, Known> before = new HashMap<>();
  private final Map<String, Conflict> habitsBefore;

  /** The same by what they are between. */
  private final Map<List<Object>, Conflict> between = new HashMap<>();

  /** Trials that start from a situation; setups with a mistake are passed over. */
  public Trial(Situation situation, Person person) {
    this.situation = situation;
    this.person = person;
    this.habitsBefore = habits(situation);
    habitsBefore.values().forEach(c -> between.put(between(c), c));
  }

  /** Where the trials start. */
  public Situation situation() {
    return situation;
  }

  /** What a fix would do. */
  public Outcome of(Fix fix) {
    return fix instanceof Fix.UseOther other
        ? new Outcome(fix, named(other.conflict()), List.of(), Map.of())
        : compare(fix, fix.applyTo(situation));
  }

  private List<Conflict> named(String id) {
    List<Conflict> found = new ArrayList<>();
    for (SetupId setup : situation.setups().keySet()) {
      Conflict conflict = known(setup).conflicts().get(id);
      if (conflict != null) {
        found.add(conflict);
      }
    }
    return found;
  }

  /** What several fixes would do together. */
  Outcome together(List<Fix> fixes) {
    Situation after = situation;
    for (Fix fix : fixes) {
      after = fix.applyTo(after);
    }
    return compare(fixes.getFirst(), after);
  }

  private Outcome compare(Fix fix, Situation after) {
    List<Conflict> ends = new ArrayList<>();
    List<Conflict> makes = new ArrayList<>();
    Map<SetupId, List<Gesture>> changes = new LinkedHashMap<>();
    boolean sameWorld = after.world().equals(situation.world());
    for (Setup setup : after.setups().values()) {
      Setup was = situation.setups().get(setup.id());
      if ((setup.equals(was) && (sameWorld || sameKeymaps(after, setup)))
          || situation.world().problem(was).isPresent()) {
        continue;
      }
      Known old = known(setup.id());
      Known now = look(after, setup);
      difference(old.conflicts(), now.conflicts(), ends);
      difference(now.conflicts(), old.conflicts(), makes);
      List<Gesture> changed = new ArrayList<>();
      now.ends()
          .forEach(
              (key, end) -> {
                String before = old.ends().get(key);
                if (before != null && !before.equals(end)) {
                  changed.add((Gesture) key.getLast());
                }
              });
      if (!changed.isEmpty()) {
        changes.put(setup.id(), changed.stream().distinct().toList());
      }
    }
    if (!sameWorld || !switchedOff(after).equals(switchedOff(situation))) {
      Map<String, Conflict> habits = habits(after);
      Set<String> same = sameAsBefore(habits);
      difference(habitsBefore, habits, ends);
      difference(habits, habitsBefore, makes);
      ends.removeIf(c -> same.contains(c.id()));
      makes.removeIf(c -> same.contains(c.id()));
    }
    return new Outcome(fix, ends, makes, changes);
  }

  /**
   * Ids, of before and of now, of habits that are between the same two bindings as before and no
   * worse: what else a gesture does there is no other conflict.
   */
  private Set<String> sameAsBefore(Map<String, Conflict> habits) {
    Set<String> same = new HashSet<>();
    for (Conflict now : habits.values()) {
      Conflict was = between.get(between(now));
      if (was != null && now.severity() <= was.severity()) {
        same.add(was.id());
        same.add(now.id());
      }
    }
    return same;
  }

  private static List<Object> between(Conflict habit) {
    return List.of(habit.kind(), habit.loser(), habit.winner());
  }

  /** What of setups makes a difference to habits. */
  private static List<Set<String>> switchedOff(Situation at) {
    return at.setups().values().stream()
        .flatMap(s -> s.machines().stream())
        .map(Machine::switchedOff)
        .toList();
  }

  /** Whether a fix has left the keymaps alone that a setup is made of. */
  private boolean sameKeymaps(Situation after, Setup setup) {
    return setup.environments().stream()
        .allMatch(
            e ->
                after
                    .world()
                    .catalog()
                    .bindings(e)
                    .equals(situation.world().catalog().bindings(e)));
  }

  private static void difference(
      Map<String, Conflict> some, Map<String, Conflict> others, List<Conflict> into) {
    some.forEach(
        (id, conflict) -> {
          if (!others.containsKey(id)) {
            into.add(conflict);
          }
        });
  }

  private Known known(SetupId setup) {
    return before.computeIfAbsent(setup, id -> look(situation, situation.setups().get(id)));
  }

  private Known look(Situation at, Setup setup) {
    if (at.world().problem(setup).isPresent()) {
      return new Known(Map.of(), Map.of());
    }
    SetupTraces traces = SetupTraces.of(setup, at.world());
    Map<String, Conflict> conflicts = new LinkedHashMap<>();
    ConflictFinder.withoutWays(traces, person).forEach(c -> conflicts.put(c.id(), c));
    Map<List<Object>, String> ends = new LinkedHashMap<>();
    for (TracedBinding t : traces.all()) {
      ends.put(
          List.of(t.layer().depth(), t.environment(), t.binding().id(), t.own(), t.gesture()),
          Conflict.what(t.outcome()));
    }
    return new Known(conflicts, ends);
  }

  private Map<String, Conflict> habits(Situation at) {
    Map<String, Conflict> found = new LinkedHashMap<>();
    HabitFinder.find(at.world().catalog(), at.setups().values(), person)
        .forEach(c -> found.put(c.id(), c));
    return found;
  }
}
