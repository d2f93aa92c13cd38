package polydex.conflict;

import static org.assertj.core.api.Assertions.assertThat;
import static polydex.route.Worlds.in;
import static polydex.route.Worlds.machine;
import static polydex.route.Worlds.plain;
import static polydex.route.Worlds.session;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.statistics.Statistics;
import org.junit.jupiter.api.Test;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.route.Machine;
import polydex.route.Machine.Capture;
import polydex.route.RandomSetups;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.Situation;
import polydex.route.Situation.Computer;
import polydex.route.World;
import polydex.route.Worlds;

/** Fixes against the plain definition of conflicts, and plans against trying every set of fixes. */
class PlannerTest {
  private static final Person PERSON = new Person(_ -> 5, 300);

  private static Situation situation(World world, Setup setup) {
    return new Situation(world, Map.of(setup.id(), setup));
  }

  private static List<Conflict> conflicts(Situation situation) {
    Setup setup = situation.setups().values().iterator().next();
    return ConflictFinder.find(SetupTraces.of(setup, situation.world()), PERSON);
  }

  @Property(seed = "20310314", tries = 48, edgeCases = EdgeCasesMode.NONE)
  void whatAFixIsSaidToEndAndMakeIsSo(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Situation before = situation(c.world(), c.setup());
    List<Conflict> found = conflicts(before);
    if (found.isEmpty()) {
      return;
    }
    Set<String> was = new ReferenceConflicts(c.world(), c.setup(), 300).all();
    FixFinder finder = new FixFinder(new Trial(before, PERSON));
    List<Trial.Outcome> offered =
        found.stream()
            .limit(3)
            .map(f -> finder.offered(f, Fix.Weights.USUAL))
            .filter(some -> !some.isEmpty())
            .findFirst()
            .orElse(List.of());
    for (Trial.Outcome outcome : offered) {
      if (!(outcome.fix() instanceof Fix.UseOther)) {
        Situation after = outcome.fix().applyTo(before);
        Set<String> now =
            new ReferenceConflicts(after.world(), after.setups().get(new SetupId("s")), 300).all();
        Set<String> gone = new HashSet<>(was);
        gone.removeAll(now);
        Set<String> fresh = new HashSet<>(now);
        fresh.removeAll(was);
        // What another layer does now instead is a conflict that ends and one that begins.
        Set<String> ends = lines(outcome.ends());
        Set<String> makes = lines(outcome.makes());
        gone.addAll(makes);
        fresh.addAll(ends);
        assertThat(ends).as("%s", outcome.fix()).isSubsetOf(gone);
        assertThat(makes).as("%s", outcome.fix()).isSubsetOf(fresh);
      }
    }
    // Nearly always there is something to try, or nothing would be tested here.
    Statistics.label("offered")
        .collect(!offered.isEmpty())
        .coverage(tried -> tried.check(true).percentage(p -> p > 50));
  }

  private static Set<String> lines(List<Conflict> conflicts) {
    Set<String> lines = new HashSet<>();
    for (Conflict f : conflicts.stream().filter(x -> x.setup().isPresent()).toList()) {
      lines.add(ReferenceConflicts.line(f));
    }
    return lines;
  }

  @Property(seed = "20310314", tries = 12, edgeCases = EdgeCasesMode.NONE)
  void noSetOfAtMostTwoFixesIsCheaperThanThePlan(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Situation before = situation(c.world(), c.setup());
    List<Conflict> chosen = conflicts(before).stream().limit(2).toList();
    Trial trial = new Trial(before, PERSON);
    Plan plan =
        new Planner(trial, Fix.Weights.USUAL, 10, System::nanoTime).plan(chosen, () -> false);
    Set<String> wanted = new HashSet<>();
    chosen.forEach(f -> wanted.add(f.id()));
    plan.left().forEach(l -> wanted.remove(l.conflict().id()));
    Statistics.label("planned")
        .collect(!wanted.isEmpty())
        .coverage(planned -> planned.check(true).percentage(p -> p > 5));
    if (wanted.isEmpty()) {
      return;
    }
    assertThat(holds(trial, plan.steps(), wanted)).isTrue();
    Map<Fix, Trial.Outcome> all = new LinkedHashMap<>();
    FixFinder finder = new FixFinder(trial);
    chosen.forEach(f -> finder.offered(f, Fix.Weights.USUAL).forEach(o -> all.put(o.fix(), o)));
    List<Trial.Outcome> fixes = new ArrayList<>(all.values());
    for (int i = 0; i < fixes.size(); i++) {
      for (int j = i; j < fixes.size(); j++) {
        List<Trial.Outcome> some =
            i == j ? List.of(fixes.get(i)) : List.of(fixes.get(i), fixes.get(j));
        double cost = some.stream().mapToDouble(o -> o.paid(Fix.Weights.USUAL)).sum();
        boolean apart =
            i == j || Collections.disjoint(fixes.get(i).fix().once(), fixes.get(j).fix().once());
        if (apart && cost < plan.cost() - 1e-9) {
          assertThat(holds(trial, some, wanted)).as("%s", some).isFalse();
        }
      }
    }
  }

  @Test
  void aPlanTellsWhatItTakesAway() {
    World world =
        new Worlds()
            .platform("desk", plain(), "Ctrl+1 = overview", "F9 = overview")
            .app("app", "Ctrl+1 = one", "Ctrl+2 = two")
            .build();
    // The desktop's only other way to its overview is one that the application can't see.
    Machine machine = machine("desk", in("app"));
    Situation before = situation(world, Worlds.setup(machine));
    Trial trial = new Trial(before, PERSON);
    Conflict lost = conflicts(before).getFirst();
    List<Trial.Outcome> offered = new FixFinder(trial).offered(lost, Fix.Weights.USUAL);
    Trial.Outcome off =
        offered.stream()
            .filter(o -> o.fix() instanceof KeymapFix.SwitchOff)
            .findFirst()
            .orElseThrow();
    assertThat(off.robs()).isEmpty();
    World only =
        new Worlds()
            .platform("desk", plain(), "Ctrl+1 = overview")
            .app("app", "Ctrl+1 = one", "Ctrl+2 = two")
            .build();
    Trial alone = new Trial(situation(only, Worlds.setup(machine)), PERSON);
    Trial.Outcome robs = alone.of(off.fix());
    assertThat(robs.robs()).containsExactly(new ActionId("overview"));
    assertThat(robs.paid(Fix.Weights.USUAL)).isEqualTo(6);
    // Taking the way out of a conflict away makes it more severe.
    Fix away =
        new KeymapFix.SwitchOff(
            Computer.of(machine),
            world.catalog().binding(new EnvironmentId("desk"), "b1").orElseThrow());
    World both =
        new Worlds()
            .platform("desk", plain("Ctrl+1"), "Ctrl+1 = overview", "F9 = overview")
            .app("app")
            .build();
    assertThat(new Trial(situation(both, Worlds.setup(machine)), PERSON).worse(List.of(away)))
        .singleElement()
        .satisfies(c -> assertThat(c.stillWorks()).isEmpty());
  }

  @Test
  void timeThatIsUpLeavesTheRestAndProvesNothing() {
    World world =
        new Worlds()
            .platform("desk", plain(), "Ctrl+{1..3} = space")
            .app("app", "Ctrl+1 = one", "Ctrl+2 = two", "Ctrl+3 = three")
            .build();
    Situation before = situation(world, Worlds.setup(machine("desk", in("app"))));
    Plan plan =
        new Planner(new Trial(before, PERSON), Fix.Weights.USUAL, 0, System::nanoTime)
            .plan(conflicts(before), () -> false);
    assertThat(plan.steps()).isEmpty();
    assertThat(plan.optimal()).isFalse();
    assertThat(plan.left()).hasSize(3).allMatch(l -> l.why().contains("time was up"));
  }

  private static boolean holds(Trial trial, List<Trial.Outcome> steps, Set<String> wanted) {
    List<Fix> fixes = steps.stream().map(Trial.Outcome::fix).toList();
    Trial.Outcome together = trial.together(fixes);
    Set<String> gone = new HashSet<>();
    together.ends().forEach(c -> gone.add(c.id()));
    steps.stream()
        .filter(o -> o.fix() instanceof Fix.UseOther)
        .forEach(o -> o.ends().forEach(c -> gone.add(c.id())));
    return together.makes().isEmpty() && trial.blocked(fixes).isEmpty() && gone.containsAll(wanted);
  }

  private static List<String> planned(World world, Machine machine, Fix.Weights weights) {
    Situation before = situation(world, Worlds.setup(machine));
    return new Planner(new Trial(before, PERSON), weights, 10, System::nanoTime)
        .plan(conflicts(before), () -> false).steps().stream()
            .map(o -> o.fix().title(world.catalog()))
            .sorted()
            .toList();
  }

  @Test
  void oneSwitchEndsWhatOneBindingTakes() {
    World world =
        new Worlds()
            .platform("desk", plain(), "Ctrl+{1..3} = space")
            .app("app", "Ctrl+1 = one", "Ctrl+2 = two", "Ctrl+3 = three")
            .build();
    assertThat(planned(world, machine("desk", in("app")), Fix.Weights.USUAL))
        .containsExactly("Switch off Ctrl+{1..3} for “space” on desk machine");
    // A built-in gesture that is dear makes it cheaper to learn other keys.
    assertThat(planned(world, machine("desk", in("app")), new Fix.Weights(1, 50, 4, 1)))
        .hasSize(3)
        .allMatch(s -> s.startsWith("Move"));
  }

  @Test
  void aSwitchEndsTheHabitsOfWhatItSwitchesOffAndMakesNoneOfWhatGetsMilder() {
    World world =
        new Worlds()
            .platform("desk", plain(), "Meta+W = close", "F9 = overview")
            .platform("table", plain(), "Meta+W = overview", "Alt+X = close")
            .app("app", "Meta+W = tab")
            .build();
    Setup here = new Setup(new SetupId("a"), "a", "full", machine("desk", in("app")));
    Setup there = new Setup(new SetupId("b"), "b", "full", machine("table", new Machine.Bare()));
    Situation before = new Situation(world, Map.of(here.id(), here, there.id(), there));
    Conflict taken =
        ConflictFinder.find(SetupTraces.of(here, world), PERSON).stream()
            .filter(c -> c.kind() == Conflict.Kind.INTERCEPTED)
            .findFirst()
            .orElseThrow();
    Trial.Outcome off =
        new FixFinder(new Trial(before, PERSON))
            .offered(taken, Fix.Weights.USUAL).stream()
                .filter(o -> o.fix().title(world.catalog()).startsWith("Switch off Meta+W"))
                .findFirst()
                .orElseThrow();
    assertThat(off.ends())
        .extracting(c -> c.kind() + " " + c.loser().action())
        .containsExactlyInAnyOrder("INTERCEPTED tab", "CROSSED_HABIT close", "SPLIT_HABIT close");
    assertThat(off.makes()).isEmpty();
  }

  @Test
  void aWindowIsToldToSendWhatItsHostTakes() {
    World world =
        new Worlds()
            .platform("host", plain(), "Meta+D = show")
            .platform("guest", plain())
            .app("remote")
            .app("app", "Meta+D = duplicate")
            .build();
    Machine guest = machine("guest", in("app"));
    Situation before =
        situation(world, Worlds.setup(machine("host", session("remote", Capture.NEVER, guest))));
    Conflict taken = conflicts(before).getFirst();
    assertThat(
            new FixFinder(new Trial(before, PERSON))
                .offered(taken, Fix.Weights.USUAL).stream()
                    .map(o -> o.fix().title(world.catalog()) + " makes " + o.makes().size()))
        .contains(
            "Have the window on host machine send Meta+D in makes 1",
            "Switch off Meta+D for “show” on host machine makes 0");
  }

  @Test
  void whatIsReservedMovesAndAStoppedSearchSaysSo() {
    World world =
        new Worlds().platform("desk", plain("Ctrl+Q")).app("app", "Ctrl+Q = quit").build();
    Situation before = situation(world, Worlds.setup(machine("desk", in("app"))));
    Conflict only = conflicts(before).getFirst();
    assertThat(only.kind()).isEqualTo(Conflict.Kind.RESERVED);
    Plan plan =
        new Planner(new Trial(before, PERSON), Fix.Weights.USUAL, 10, System::nanoTime)
            .plan(List.of(only), () -> false);
    assertThat(plan.steps())
        .singleElement()
        .satisfies(s -> assertThat(s.fix()).isInstanceOf(KeymapFix.MoveInKeymap.class));
    Plan stopped =
        new Planner(new Trial(before, PERSON), Fix.Weights.USUAL, 10, System::nanoTime)
            .plan(List.of(only), () -> true);
    assertThat(stopped.left())
        .singleElement()
        .satisfies(l -> assertThat(l.why()).contains("stopped"));
  }

  @Test
  void aChangeThatMakesSomethingIsTakenOnlyWithWhatMendsIt() {
    World world =
        new Worlds()
            .platform("host", plain(), "Meta+D = show")
            .platform("guest", plain())
            .app("remote")
            .app("app", "Meta+D = duplicate")
            .build();
    Machine guest = machine("guest", in("app"));
    Situation before =
        situation(world, Worlds.setup(machine("host", session("remote", Capture.NEVER, guest))));
    List<Conflict> all = conflicts(before);
    // Sending it in costs least, but then the host's own no longer works.
    Plan plan =
        new Planner(new Trial(before, PERSON), Fix.Weights.USUAL, 10, System::nanoTime)
            .plan(all, () -> false);
    assertThat(plan.left()).isEmpty();
    assertThat(plan.optimal()).isTrue();
    assertThat(plan.bound()).isEqualTo(plan.cost());
    assertThat(plan.steps()).noneMatch(s -> s.fix() instanceof MachineFix.Direct);
    assertThat(plan.steps().stream().mapToDouble(s -> s.fix().cost(Fix.Weights.USUAL)).sum())
        .isEqualTo(plan.cost());
  }
}
