package polydex.files.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictFinder;
import polydex.conflict.HabitFinder;
import polydex.conflict.Person;
import polydex.files.Shipped;
import polydex.files.store.Store;
import polydex.mouse.Habit;
import polydex.mouse.Habits;
import polydex.mouse.Use;
import polydex.recall.Answer;
import polydex.recall.ItemState;
import polydex.recall.Pace;
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
  void everySetupHasConflictsAndEveryKindOccurs() {
    Workspace demo = Shipped.demo();
    Set<Conflict.Kind> kinds = EnumSet.noneOf(Conflict.Kind.class);
    for (Setup setup : demo.setups().values()) {
      List<Conflict> found =
          ConflictFinder.find(SetupTraces.of(setup, demo.world()), Person.of(_ -> 1));
      assertThat(found).as(setup.title()).isNotEmpty();
      found.forEach(c -> kinds.add(c.kind()));
    }
    HabitFinder.find(demo.catalog(), demo.setups().values(), Person.of(_ -> 1))
        .forEach(c -> kinds.add(c.kind()));
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
        .anyMatch(a -> progress.state(a.item()).orElseThrow().isDue(DemoHistory.NOW, 0.9));
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

  @Test
  void theDrillsOfTheDemoGetBetterAndMixUpTheTwoDesktops() {
    List<Answer> answers = DemoHistory.of(Shipped.demo()).answers();
    Progress progress = new Progress(DemoHistory.ZONE);
    answers.forEach(progress::add);
    assertThat(answers.stream().map(Answer::kind).distinct())
        .containsExactlyInAnyOrder(Answer.Kind.values());
    assertThat(answers.stream().map(Answer::verdict).distinct())
        .contains(
            Answer.Verdict.RIGHT,
            Answer.Verdict.CORRECTED,
            Answer.Verdict.WRONG,
            Answer.Verdict.HINTED);
    // The hand gets faster: the pace of the last week against that of the second.
    assertThat(share(answers, 5, a -> a.timing().seconds() <= a.timing().goal()))
        .isGreaterThan(share(answers, 0, a -> a.timing().seconds() <= a.timing().goal()));
    assertThat(share(answers, 5, a -> a.verdict().isRight()))
        .isGreaterThan(share(answers, 0, a -> a.verdict().isRight()));
    assertThat(progress.confusions().open())
        .anyMatch(
            c ->
                c.pair().one().action().equals(c.pair().other().action())
                    && !c.pair().one().environment().equals(c.pair().other().environment()));
    long fluent = progress.states().values().stream().filter(ItemState::isFluent).count();
    assertThat(fluent).isBetween(20L, progress.states().size() - 5L);
    long day = progress.days().of(DemoHistory.NOW);
    for (String environment : progress.history().environments()) {
      assertThat(progress.history().fluent(environment, day - 40)).isZero();
    }
    assertThat(progress.history().environments().stream())
        .allMatch(e -> progress.history().fluent(e, day) >= 0);
    assertThat(progress.history().pace()).isNotEqualTo(Pace.UNKNOWN);
  }

  /** The share of the answers of a week, counted from 0, of which something holds. */
  private static double share(List<Answer> answers, int week, Predicate<Answer> holds) {
    List<Answer> some =
        answers.stream()
            .filter(a -> Duration.between(answers.getFirst().at(), a.at()).toDays() / 7 == week)
            .toList();
    return some.stream().filter(holds).count() / (double) some.size();
  }
}
