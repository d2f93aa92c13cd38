package polydex.files.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictFinder;
import polydex.conflict.ConflictHistory;
import polydex.conflict.ConflictSentence;
import polydex.conflict.Person;
import polydex.files.Shipped;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.setups.OutlineLine;
import polydex.setups.SetupList;
import polydex.setups.SetupOutline;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** Setups as they are edited, and the days of their conflicts, in a real file. */
class SetupsStoreTest {
  private static final Instant NOW = Instant.parse("2031-03-14T16:00:00Z");

  @TempDir private Path folder;

  private Path saved(Workspace demo) throws Exception {
    Path file = folder.resolve("setups.polydex");
    try (Store store = Store.open(file)) {
      store.save(new Change.Edit("The demo", Workspace.EMPTY, demo), NOW);
    }
    return file;
  }

  /** Whatever the editor can do at once to any line of any setup of the demo is kept as it is. */
  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3})
  void whatTheEditorMakesOfASetupSurvivesTheFile(long seed) throws Exception {
    Workspace now = Shipped.demo();
    Path file = saved(now);
    Random random = new Random(seed);
    for (int round = 0; round < 3; round++) {
      List<Change.Edit> edits = new ArrayList<>();
      for (int i = 0; i < 12; i++) {
        List<Setup> setups = List.copyOf(now.setups().values());
        Setup setup = setups.get(random.nextInt(setups.size()));
        Change.Edit edit =
            switch (random.nextInt(8)) {
              case 0 -> SetupList.copy(now, setup);
              case 1 -> SetupList.move(now, setup, random.nextBoolean() ? 1 : -1).orElse(null);
              case 2 -> SetupList.make(now).orElseThrow();
              default -> {
                List<Setup> after = new ArrayList<>();
                for (OutlineLine<Setup> line : SetupOutline.of(now, setup)) {
                  line.change().ifPresent(e -> collect(e, after));
                  line.more().ifPresent(e -> collect(e, after));
                  line.without().ifPresent(after::add);
                  line.later().ifPresent(after::add);
                }
                yield new Change.Edit(
                    "Change", now, now.with(after.get(random.nextInt(after.size()))));
              }
            };
        if (edit != null) {
          edits.add(edit);
          now = edit.after();
        }
      }
      try (Store store = Store.open(file)) {
        for (Change.Edit edit : edits) {
          store.save(edit, NOW);
        }
      }
      try (Store store = Store.open(file)) {
        Workspace read = store.workspace();
        assertThat(List.copyOf(read.setups().values()))
            .isEqualTo(List.copyOf(now.setups().values()));
      }
    }
  }

  private static void collect(OutlineLine.Edit<Setup> edit, List<Setup> to) {
    switch (edit) {
      case OutlineLine.Edit.Done<Setup> d -> to.add(d.after());
      case OutlineLine.Edit.Choice<Setup> all ->
          all.options().stream().limit(4).forEach(o -> collect(o.next(), to));
      case OutlineLine.Edit.Words<Setup> words -> {
        for (String text : List.of("Ctrl+Alt+F7", "CapsLock -> Ctrl", "2.1", "150")) {
          try {
            to.add(words.to().apply(text));
          } catch (IllegalArgumentException e) {
            assertThat(e.getMessage()).as("what “%s” is told", text).isNotBlank();
          }
        }
      }
    }
  }

  /** Days are written as differences; read again they are the same days. */
  @Test
  void theDaysOfConflictsAreKeptHoweverTheyCameAndWent() throws Exception {
    Workspace demo = Shipped.demo();
    Path file = saved(demo);
    Random random = new Random(5);
    Person person = Person.of(_ -> 1);
    List<Setup> setups = List.copyOf(demo.setups().values());
    ConflictHistory history = ConflictHistory.NOTHING;
    LocalDate day = LocalDate.of(2031, 1, 1);
    for (int look = 0; look < 40; look++) {
      day = day.plusDays(random.nextInt(3));
      Setup setup = setups.get(random.nextInt(setups.size()));
      List<Conflict> some =
          ConflictFinder.find(SetupTraces.of(setup, demo.world()), person).stream()
              .filter(_ -> random.nextInt(4) > 0)
              .toList();
      ConflictHistory before = history;
      history =
          history.seen(
              setup.id(), some, day, c -> ConflictSentence.withoutWayOut(c, demo.catalog()));
      try (Store store = Store.open(file)) {
        assertThat(sorted(store.conflicts())).isEqualTo(sorted(before));
        store.save(history);
      }
    }
    try (Store store = Store.open(file)) {
      assertThat(sorted(store.conflicts())).isEqualTo(sorted(history));
      assertThat(store.conflicts().events()).anyMatch(e -> !e.came());
    }
  }

  private static Set<ConflictHistory.Sighting> sorted(ConflictHistory history) {
    Set<ConflictHistory.Sighting> set = new HashSet<>(history.sightings());
    assertThat(set).hasSameSizeAs(history.sightings());
    return set;
  }
}
