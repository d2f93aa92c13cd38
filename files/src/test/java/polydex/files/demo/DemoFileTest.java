package polydex.files.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictFinder;
import polydex.files.Shipped;
import polydex.files.store.Store;
import polydex.mouse.Habit;
import polydex.mouse.Habits;
import polydex.mouse.Use;
import polydex.recall.Answer;
import polydex.recall.Progress;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.workspace.Workspace;

class DemoFileTest {
  @TempDir Path folder;

  @Test
  void theDemoHasItsPlatformsApplicationsAndSetups() {
    Workspace demo = Shipped.demo();
    assertThat(demo.catalog().size()).isGreaterThanOrEqualTo(400);
    assertThat(demo.catalog().environments())
        .filteredOn(e -> e.platform().isPresent())
        .extracting(e -> e.title() + " " + e.version())
        .containsExactly("Alder 6", "Corvid 3", "Domehand 2");
    assertThat(demo.setups()).hasSize(5);
    for (Setup setup : demo.setups().values()) {
      assertThat(demo.world().problem(setup)).isEmpty();
    }
    // Every action is bound somewhere, or is the target of one of the user's own bindings.
    Set<String> bound = new HashSet<>();
    demo.catalog()
        .environments()
        .forEach(
            e -> {
              demo.catalog().bindings(e.id()).forEach(b -> bound.add(b.action()));
              e.platform().ifPresent(p -> p.reserved().forEach(r -> bound.add(r.action())));
            });
    demo.setups()
        .values()
        .forEach(s -> s.machines().forEach(m -> m.own().forEach(b -> bound.add(b.action()))));
    assertThat(demo.catalog().actions()).allMatch(a -> bound.contains(a.id()), "is bound");
  }

  @Test
  void everySetupHasConflictsAndBothKindsOccur() {
    Workspace demo = Shipped.demo();
    Set<Conflict.Kind> kinds = EnumSet.noneOf(Conflict.Kind.class);
    for (Setup setup : demo.setups().values()) {
      List<Conflict> found =
          ConflictFinder.find(demo.world(), SetupTraces.of(setup, demo.world()), _ -> 1);
      assertThat(found).as(setup.title()).isNotEmpty();
      found.forEach(c -> kinds.add(c.kind()));
    }
    assertThat(kinds).containsExactlyInAnyOrder(Conflict.Kind.values());
  }

  @Test
  void theHistoryIsTheSameEveryTimeAndTellsOneStory() throws Exception {
    Workspace demo = Shipped.demo();
    DemoHistory history = DemoHistory.of(demo);
    assertThat(DemoHistory.of(demo)).isEqualTo(history);
    assertThat(history.uses())
        .hasSizeBetween(13_000, 17_000)
        .isSortedAccordingTo(Comparator.comparing(Use::at));
    assertThat(history.answers())
        .hasSizeBetween(2_200, 2_800)
        .isSortedAccordingTo(Comparator.comparing(Answer::at));
    assertThat(history.uses().getLast().at()).isBefore(DemoHistory.NOW);
    Habits habits = new Habits(DemoHistory.ZONE);
    history.uses().forEach(habits::add);
    Set<Habit.State> states = EnumSet.noneOf(Habit.State.class);
    int relapses = 0;
    for (String action : habits.byPointerUses()) {
      Habit habit = habits.habit(action).orElseThrow();
      boolean drilled = history.answers().stream().anyMatch(a -> a.item().action().equals(action));
      states.add(habit.state(drilled));
      relapses += habit.relapses();
    }
    assertThat(states).containsExactlyInAnyOrder(Habit.State.values());
    assertThat(relapses).isPositive();
    Progress progress = new Progress(DemoHistory.ZONE);
    history.answers().forEach(progress::add);
    assertThat(history.answers())
        .anyMatch(a -> progress.state(a.item()).orElseThrow().isDue(DemoHistory.NOW));
  }

  @Test
  void theDemoFileHoldsAllOfIt() throws Exception {
    DemoHistory history = DemoHistory.of(Shipped.demo());
    List<Answer> answers = new ArrayList<>();
    List<Use> uses = new ArrayList<>();
    try (Store store = DemoFile.demo(folder.resolve("demo.polydex"))) {
      store.answers(answers::add);
      store.uses(uses::add);
      assertThat(store.setting(DemoFile.NOW)).contains(DemoHistory.NOW.toString());
    }
    assertThat(answers).isEqualTo(history.answers());
    assertThat(uses).isEqualTo(history.uses());
  }
}
