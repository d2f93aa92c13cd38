package polydex.conflict;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.conflict.Conflict.Party;
import polydex.keys.Gesture;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.Situation;
import polydex.route.Trace.Acted;
import polydex.route.TracedBinding;
import polydex.route.Tracer;

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
   * @param robs actions that a gesture did before, on some machine, and that none does then
   */
  public record Outcome(
      Fix fix,
      List<Conflict> ends,
      List<Conflict> makes,
      Map<SetupId, List<Gesture>> changes,
      Set<ActionId> robs) {
    /** What it costs a person, with the actions that it leaves without a gesture, in points. */
    public double paid(Fix.Weights weights) {
      return fix.cost(weights) + robs.size() * weights.lostBuiltIn();
    }

    /** How many other gestures than those mended end elsewhere than before, in all setups. */
    public int changed() {
      return changes.values().stream().mapToInt(List::size).sum();
    }
  }

  /** An action on a machine. */
  private record Done(int depth, ActionId action) {}

  /**
   * What is known of a setup.
   *
   * @param ends where each binding's gesture ends
   * @param done what some gesture does
   */
  private record Known(
      Map<String, Conflict> conflicts, Map<List<Object>, String> ends, Set<Done> done) {
    /** Conflicts in which a binding is lost, by who loses; of several the worst. */
    Map<Party, Conflict> lost() {
      Map<Party, Conflict> lost = new HashMap<>();
      conflicts.values().stream()
          .filter(Trial::isLost)
          .forEach(c -> lost.merge(c.loser(), c, (a, b) -> a.severity() >= b.severity() ? a : b));
      return lost;
    }
  }

  private final Situation situation;
  private final Person person;
  private final Map<SetupId, Known> before = new HashMap<>();

  /** What has been tried: many conflicts propose the same, and pairs begin with what was. */
  private final Map<Fix, Outcome> tried = new HashMap<>();

  /** Habits before, by their identities; made when a keymap changes, which most do not. */
  private final Map<String, Conflict> habitsBefore = new LinkedHashMap<>();

  /** The same by what they are between. */
  private final Map<List<Object>, Conflict> between = new HashMap<>();

  private boolean habitsKnown;

  /** Trials that start from a situation; setups with a mistake are passed over. */
  public Trial(Situation situation, Person person) {
    this.situation = situation;
    this.person = person;
  }

  private void lookAtHabits() {
    if (!habitsKnown) {
      habitsBefore.putAll(habits(situation, _ -> true));
      habitsBefore.values().forEach(c -> between.put(between(c), c));
      habitsKnown = true;
    }
  }

  /** Whose conflicts they are about. */
  Person person() {
    return person;
  }

  /** What a losing binding still loses by here, and these others that are there. */
  List<Conflict> losing(Conflict conflict, List<Conflict> others) {
    List<Conflict> found = new ArrayList<>();
    Map<String, Conflict> here = known(conflict.setup().orElseThrow()).conflicts();
    here.values().stream()
        .filter(c -> isLost(c) && c.loser().equals(conflict.loser()))
        .forEach(found::add);
    others.stream().filter(c -> here.containsKey(c.id())).limit(2).forEach(found::add);
    return found.stream().distinct().toList();
  }

  /** Where the trials start. */
  public Situation situation() {
    return situation;
  }

  /** What a fix would do. */
  public Outcome of(Fix fix) {
    Outcome known = tried.get(fix);
    if (known == null) {
      known =
          fix instanceof Fix.UseOther other
              ? new Outcome(fix, named(other.conflict()), List.of(), Map.of(), Set.of())
              : compare(fix, fix.applyTo(situation));
      tried.put(fix, known);
    }
    return known;
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

  /**
   * Conflicts that stay and are more severe once all of these are made, since a way out is gone:
   * trials leave ways out, which take longer than all else. O(bindings) a setup that changes.
   */
  List<Conflict> worse(List<Fix> fixes) {
    Situation after = situation;
    for (Fix fix : fixes) {
      after = fix.applyTo(after);
    }
    boolean sameWorld = after.world().equals(situation.world());
    List<Conflict> worse = new ArrayList<>();
    for (Setup setup : after.setups().values()) {
      Setup was = situation.setups().get(setup.id());
      boolean same = setup.equals(was) && (sameWorld || sameKeymaps(after, setup));
      if (!same
          && situation.world().problem(was).isEmpty()
          && after.world().problem(setup).isEmpty()) {
        Map<String, Conflict> before = new HashMap<>();
        ConflictFinder.find(SetupTraces.of(was, situation.world()), person)
            .forEach(c -> before.put(c.id(), c));
        ConflictFinder.find(SetupTraces.of(setup, after.world()), person).stream()
            .filter(c -> before.containsKey(c.id()))
            .filter(c -> c.severity() > before.get(c.id()).severity())
            .forEach(worse::add);
      }
    }
    return worse;
  }

  private Outcome compare(Fix fix, Situation after) {
    List<Conflict> ends = new ArrayList<>();
    List<Conflict> makes = new ArrayList<>();
    Map<SetupId, List<Gesture>> changes = new LinkedHashMap<>();
    Set<ActionId> robs = new LinkedHashSet<>();
    boolean sameWorld = after.world().equals(situation.world());
    for (Setup setup : after.setups().values()) {
      Setup was = situation.setups().get(setup.id());
      if ((setup.equals(was) && (sameWorld || sameKeymaps(after, setup)))
          || situation.world().problem(was).isPresent()) {
        continue;
      }
      Known old = known(setup.id());
      Known now = look(after, setup);
      losses(old, now, ends, makes);
      old.done().stream().filter(d -> !now.done().contains(d)).forEach(d -> robs.add(d.action()));
      List<Gesture> changed = new ArrayList<>();
      now.ends()
          .forEach(
              (key, end) -> {
                String before = old.ends().get(key);
                if (before != null && !before.equals(end) && !mended(ends, key)) {
                  changed.add((Gesture) key.getLast());
                }
              });
      if (!changed.isEmpty()) {
        changes.put(setup.id(), changed.stream().distinct().toList());
      }
    }
    Set<EnvironmentId> changed = changed(after, sameWorld);
    if (!changed.isEmpty()) {
      lookAtHabits();
      Map<String, Conflict> habits = habits(after, changed::contains);
      Map<String, Conflict> were = new LinkedHashMap<>(habitsBefore);
      were.values().removeIf(c -> !isAbout(c, changed));
      Set<String> same = sameAsBefore(habits);
      difference(were, habits, ends);
      difference(habits, were, makes);
      ends.removeIf(c -> same.contains(c.id()));
      makes.removeIf(c -> same.contains(c.id()));
    }
    return new Outcome(fix, ends, makes, changes, robs);
  }

  /** Whether a gesture ends elsewhere since that is what the change is for. */
  private static boolean mended(List<Conflict> ends, List<Object> key) {
    return ends.stream()
        .map(Conflict::loser)
        .anyMatch(
            p ->
                key.equals(List.of(p.depth(), p.environment(), p.binding(), p.own(), p.gesture())));
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

  private static boolean isAbout(Conflict habit, Set<EnvironmentId> some) {
    return some.contains(habit.loser().environment())
        || habit.winner().filter(w -> some.contains(w.environment())).isPresent();
  }

  /** The environments whose habits a fix may change; those of all others stay as they were. */
  private Set<EnvironmentId> changed(Situation after, boolean sameWorld) {
    Set<EnvironmentId> changed = new HashSet<>();
    after
        .setups()
        .forEach(
            (id, setup) -> {
              List<Machine> were = situation.setups().get(id).machines();
              for (int depth = 0; depth < were.size(); depth++) {
                Machine machine = setup.machines().get(depth);
                if (!machine.switchedOff().equals(were.get(depth).switchedOff())) {
                  changed.add(machine.platform());
                  machine.application().ifPresent(changed::add);
                }
              }
              setup.environments().stream()
                  .filter(e -> !sameWorld && !sameKeymap(after, e))
                  .forEach(changed::add);
            });
    return changed;
  }

  /** Whether a fix has left the keymaps alone that a setup is made of. */
  private boolean sameKeymaps(Situation after, Setup setup) {
    return setup.environments().stream().allMatch(e -> sameKeymap(after, e));
  }

  private boolean sameKeymap(Situation after, EnvironmentId environment) {
    return after
        .world()
        .catalog()
        .bindings(environment)
        .equals(situation.world().catalog().bindings(environment));
  }

  /**
   * What ends and what begins. A binding that was lost and still is has no other conflict because
   * another layer takes it now, unless that is worse; and one that is gone altogether has been
   * mended only if something does its action.
   */
  private static void losses(Known old, Known now, List<Conflict> ends, List<Conflict> makes) {
    Map<Party, Conflict> lost = old.lost();
    Map<Party, Conflict> stillLost = now.lost();
    List<Conflict> gone = new ArrayList<>();
    difference(old.conflicts(), now.conflicts(), gone);
    for (Conflict c : gone) {
      boolean stays = isLost(c) && stillLost.containsKey(c.loser()) && !isWorse(c, stillLost);
      boolean abolished =
          isLost(c) && !now.done().contains(new Done(c.loser().depth(), c.loser().action()));
      if (!stays && !abolished) {
        ends.add(c);
      }
    }
    List<Conflict> fresh = new ArrayList<>();
    difference(now.conflicts(), old.conflicts(), fresh);
    for (Conflict c : fresh) {
      Conflict was = isLost(c) ? lost.get(c.loser()) : null;
      if (was == null || c.severity() > was.severity()) {
        makes.add(c);
      }
    }
  }

  private static boolean isWorse(Conflict was, Map<Party, Conflict> now) {
    return now.get(was.loser()).severity() > was.severity();
  }

  /** Whether in a conflict a binding does not do what it says. */
  private static boolean isLost(Conflict c) {
    return switch (c.rank()) {
      case LOSES_WORK, WRONG_THING, MISSED -> true;
      case WORKS, FN, HABIT -> false;
    };
  }

  /** A way around that the other changes of a plan take away; none where all stay. */
  Optional<Fix.UseOther> blocked(List<Fix> fixes) {
    Situation after = situation;
    for (Fix fix : fixes) {
      after = fix.applyTo(after);
    }
    for (Fix fix : fixes) {
      if (fix instanceof Fix.UseOther other && !works(other, after)) {
        return Optional.of(other);
      }
    }
    return Optional.empty();
  }

  /** Whether another gesture does, where the losing binding holds, what it is pressed for. */
  private boolean works(Fix.UseOther other, Situation at) {
    for (Conflict c : named(other.conflict())) {
      SetupTraces traces = SetupTraces.of(at.setups().get(c.setup().orElseThrow()), at.world());
      Tracer tracer =
          traces.all().stream()
              .filter(t -> ConflictFinder.party(t).equals(c.loser()))
              .findFirst()
              .map(traces::tracer)
              .orElse(traces.tracer());
      boolean does =
          tracer.results(other.gesture()).getLast() instanceof Acted a
              && a.action().equals(other.action())
              && a.layer().depth() == c.loser().depth();
      if (!does) {
        return false;
      }
    }
    return true;
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
      return new Known(Map.of(), Map.of(), Set.of());
    }
    SetupTraces traces = SetupTraces.of(setup, at.world());
    Map<String, Conflict> conflicts = new LinkedHashMap<>();
    ConflictFinder.withoutWays(traces, person).forEach(c -> conflicts.put(c.id(), c));
    Map<List<Object>, String> ends = new LinkedHashMap<>();
    Set<Done> done = new HashSet<>();
    for (TracedBinding t : traces.all()) {
      if (t.works()) {
        done.add(new Done(t.layer().depth(), t.binding().action()));
      }
      ends.put(
          List.of(t.layer().depth(), t.environment(), t.binding().id(), t.own(), t.gesture()),
          Conflict.what(t.outcome()));
    }
    return new Known(conflicts, ends, done);
  }

  private Map<String, Conflict> habits(Situation at, Predicate<EnvironmentId> about) {
    Map<String, Conflict> found = new LinkedHashMap<>();
    HabitFinder.find(at.world().catalog(), at.setups().values(), person, about)
        .forEach(c -> found.put(c.id(), c));
    return found;
  }
}
