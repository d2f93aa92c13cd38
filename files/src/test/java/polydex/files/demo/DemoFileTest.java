package polydex.files.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictFinder;
import polydex.conflict.HabitFinder;
import polydex.conflict.Person;
import polydex.files.Shipped;
import polydex.files.store.Finished;
import polydex.files.store.Store;
import polydex.log.Deed;
import polydex.log.LogEvent;
import polydex.mouse.Remaining;
import polydex.mouse.Weeks;
import polydex.person.Knowledge;
import polydex.recall.Answer;
import polydex.recall.DrillItem;
import polydex.recall.ItemState;
import polydex.recall.Pace;
import polydex.recall.Progress;
import polydex.recognition.Recognised.How;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.totals.Audit;
import polydex.totals.Habit;
import polydex.totals.Standing;
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
    // Every action is bound or pointed at somewhere, or is the target of an own binding.
    Set<ActionId> bound = new HashSet<>();
    demo.catalog()
        .environments()
        .forEach(
            e -> {
              demo.catalog().bindings(e.id()).forEach(b -> bound.add(b.action()));
              e.pointerRoutes().forEach(r -> bound.add(r.action()));
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
    long uses = history.events().stream().filter(e -> !e.deed().isTyping()).count();
    assertThat(uses).isBetween(13_000L, 17_000L);
    assertThat(history.events()).isSortedAccordingTo(Comparator.comparing(LogEvent::at));
    assertThat(history.answers())
        .hasSizeBetween(1_900, 2_800)
        .isSortedAccordingTo(Comparator.comparing(Answer::at));
    assertThat(history.events().getLast().at()).isBefore(DemoHistory.NOW);
    Progress progress = new Progress(DemoHistory.ZONE);
    history.answers().forEach(progress::add);
    Function<DrillItem, Optional<Instant>> drilled =
        item -> progress.state(item).map(ItemState::begun);
    Audit audit = Knowledge.audit(demo, DemoHistory.ZONE, drilled);
    history.events().forEach(audit::add);
    Standing standing = audit.standing();
    LocalDate today = DemoHistory.NOW.atZone(DemoHistory.ZONE).toLocalDate();
    Knowledge known =
        new Knowledge(demo, standing, Knowledge.Practice.NONE, drilled, DemoHistory.ZONE, today);
    List<Remaining.RemainingRow> rows = known.rows(demo.setups().values());
    // Every class, every state, every way of recognising, and both kinds of coming back.
    assertThat(rows).extracting(Remaining.RemainingRow::kind).contains(Remaining.Kind.values());
    assertThat(rows).extracting(Remaining.RemainingRow::state).contains(Habit.State.values());
    assertThat(standing.recognised().keySet())
        .contains(How.EXACT, How.NORMALISED, How.LEARNT, How.TRACED, How.NO_ACTION, How.UNKNOWN);
    assertThat(standing.entries())
        .anyMatch(e -> e.relapses() > 0 && e.byUses() == Habit.State.REPLACED)
        .anyMatch(e -> e.relapses() > 0 && e.byUses() != Habit.State.REPLACED)
        .anyMatch(e -> e.returned().size() > 1 && e.relapses() == 0);
    // It gets better, and what was drilled moved over after the drill.
    List<Weeks.Week> weeks = Weeks.of(standing, rows, _ -> true, today).weeks();
    assertThat(weeks).hasSize(6);
    assertThat(weeks.getLast().coverage().orElseThrow())
        .isGreaterThan(weeks.getFirst().coverage().orElseThrow() + 0.2);
    assertThat(known.findings().effect().mean().orElseThrow().low()).isGreaterThan(0.15);
    assertThat(history.answers())
        .anyMatch(a -> progress.state(a.item()).orElseThrow().isDue(DemoHistory.NOW, 0.9));
  }

  @Test
  void theDemoFileHoldsAllOfIt() throws Exception {
    DemoHistory history = DemoHistory.of(Shipped.demo());
    List<Answer> answers = new ArrayList<>();
    List<LogEvent> events = new ArrayList<>();
    try (Store store = DemoFile.demo(folder.resolve("demo.polydex"))) {
      store.answers(answers::add);
      store.events(events::add);
      assertThat(store.workspace().catalog().environments())
          .isEqualTo(Shipped.demo().catalog().environments());
      assertThat(store.setting(DemoFile.NOW)).contains(DemoHistory.NOW.toString());
      // The fit is kept as it was made, and making it again gives the same.
      assertThat(store.fits()).isEqualTo(history.fits());
      assertThat(store.fits().list()).hasSize(1).first().matches(f -> f.heldOut() > 40);
    }
    assertThat(answers).isEqualTo(history.answers());
    assertThat(events).containsExactlyInAnyOrderElementsOf(new HashSet<>(history.events()));
  }

  /** What the build has made is what would be made here: row by row, of every table. */
  @Test
  void finishedFilesAreAsIfMadeHere() throws Exception {
    for (Finished finished : Finished.values()) {
      Path copied = folder.resolve(finished.fileName());
      Path made = folder.resolve("made-" + finished.fileName());
      assertThat(finished.to(copied)).isTrue();
      assertThat(finished.to(copied)).as("there is one now").isFalse();
      switch (finished) {
        case DEMO -> DemoFile.made(made).close();
        case START -> DemoFile.started(made).close();
        case EMPTY -> migrated(made);
      }
      List<String> rows = rows(made);
      assertThat(rows(copied)).as(finished.toString()).isEqualTo(rows);
      assertThat(rows).hasSizeGreaterThan(20);
    }
  }

  private static void migrated(Path file) {
    Flyway.configure()
        .dataSource("jdbc:sqlite:" + file, null, null)
        .locations("classpath:polydex/files/store")
        .load()
        .migrate();
  }

  /** What makes the tables, and what is in them, but for when they were made. */
  private static List<String> rows(Path file) throws SQLException {
    List<String> all = new ArrayList<>();
    try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file);
        Statement statement = c.createStatement()) {
      List<String> tables = new ArrayList<>();
      for (String about : List.of("user_version", "application_id", "integrity_check")) {
        try (ResultSet row = statement.executeQuery("PRAGMA " + about)) {
          all.add(about + " " + row.getString(1));
        }
      }
      try (ResultSet row =
          statement.executeQuery("SELECT type, name, sql FROM sqlite_master ORDER BY type, name")) {
        while (row.next()) {
          all.add(row.getString(1) + " " + row.getString(2) + " " + row.getString(3));
          if (row.getString(1).equals("table")) {
            tables.add(row.getString(2));
          }
        }
      }
      tables.remove("flyway_schema_history");
      for (String table : tables) {
        try (ResultSet row = statement.executeQuery("SELECT * FROM \"" + table + "\"")) {
          List<String> some = new ArrayList<>();
          while (row.next()) {
            List<String> cells = new ArrayList<>();
            for (int i = 1; i <= row.getMetaData().getColumnCount(); i++) {
              cells.add(row.getString(i));
            }
            some.add(table + cells);
          }
          all.addAll(some.stream().sorted().toList());
        }
      }
    }
    return all;
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
    for (EnvironmentId environment : progress.history().environments()) {
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

  /** A log means the same whichever setup is in use, also where it names no machine. */
  @Test
  void whatALogComesToDoesNotHangOnTheSetupInUse() throws Exception {
    Workspace demo = Shipped.demo();
    List<LogEvent> nameless =
        DemoHistory.of(demo).events().stream()
            .limit(4_000)
            .map(
                e -> {
                  Deed d = e.deed();
                  Deed without =
                      new Deed(
                          "",
                          d.application(),
                          d.device(),
                          d.input(),
                          d.target(),
                          d.path(),
                          d.action());
                  return new LogEvent(
                      e.at(), without, e.characters(), e.distance(), e.width(), e.seconds());
                })
            .toList();
    Set<Set<Standing.Entry>> found = new HashSet<>();
    for (SetupId setup : demo.setups().keySet()) {
      Workspace using = demo.using(Optional.of(setup));
      Audit audit = Knowledge.audit(using, DemoHistory.ZONE, _ -> Optional.empty());
      nameless.forEach(audit::add);
      found.add(Set.copyOf(audit.standing().entries()));
    }
    assertThat(demo.setups()).hasSizeGreaterThan(1);
    assertThat(found).hasSize(1);
    assertThat(found.iterator().next()).isNotEmpty();
  }
}
