package polydex.files.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.sqlite.SQLiteErrorCode;
import org.sqlite.SQLiteException;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.log.Deed;
import polydex.log.LogEvent;
import polydex.recall.Answer;
import polydex.route.SetupId;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

class StoreLineTest {
  private static final Instant NOW = Instant.parse("2031-03-14T16:00:00Z");

  @TempDir Path folder;

  private final List<StoreLine.Progress> told = Collections.synchronizedList(new ArrayList<>());
  private final List<String> refused = Collections.synchronizedList(new ArrayList<>());
  private Optional<Path> mounted = Optional.empty();

  @AfterEach
  void unmount() throws Exception {
    if (mounted.isPresent()) {
      run("umount", "-l", mounted.get().toString());
    }
  }

  private static boolean run(String... command) throws IOException, InterruptedException {
    Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
    process.getInputStream().readAllBytes();
    return process.waitFor() == 0;
  }

  /** A disk so small that it fills up. */
  private Path smallDisk() throws Exception {
    Path disk = Files.createDirectory(folder.resolve("disk"));
    assumeTrue(
        Files.isExecutable(Path.of("/bin/mount"))
            && run("mount", "-t", "tmpfs", "-o", "size=2500k", "tmpfs", disk.toString()),
        "no small disk can be mounted here");
    mounted = Optional.of(disk);
    return disk;
  }

  private StoreLine line(Path file) throws FileProblem {
    return new StoreLine(Store.open(file), told::add, p -> refused.add(p.getMessage()));
  }

  private StoreLine line() throws FileProblem {
    return line(folder.resolve("mine.polydex"));
  }

  private static void until(BooleanSupplier condition) throws InterruptedException {
    for (int i = 0; i < 3000 && !condition.getAsBoolean(); i++) {
      TimeUnit.MILLISECONDS.sleep(10);
    }
    assertThat(condition.getAsBoolean()).as("still waiting").isTrue();
  }

  private static Workspace with(Workspace workspace, int number) {
    Action more =
        Action.of(new ActionId("more" + number), "More " + number + " " + "x".repeat(2000), "g");
    return workspace.with(workspace.catalog().with(List.of(more), List.of(), Map.of()));
  }

  @Test
  void whatIsDoneOnAFullDiskIsWrittenOnceThereIsRoom() throws Exception {
    Path disk = smallDisk();
    Path file = disk.resolve("mine.polydex");
    Path filler = disk.resolve("filler");
    Workspace value = Shipped.start();
    List<Answer> answers = new ArrayList<>();
    try (StoreLine line = line(file)) {
      Workspace first = value;
      line.write(s -> s.save(new Change.Edit("Start", Workspace.EMPTY, first), NOW));
      until(() -> !told.isEmpty() && told.getLast().waiting() == 0);
      for (int round = 0; round < 3; round++) {
        fill(filler);
        for (int i = 0; i < 200; i++) {
          Answer answer = StoreTest.answer(1000 * round + i);
          answers.add(answer);
          line.write(s -> s.add(answer));
          if (i % 20 == 0) {
            Workspace before = value;
            value = with(value, 100 * round + i);
            Change.Edit edit = new Change.Edit("More", before, value);
            line.write(s -> s.save(edit, NOW));
          }
        }
        until(() -> told.getLast().problem().isPresent());
        assertThat(told.getLast().problem().orElseThrow()).contains("no room on the disk");
        assertThat(told.getLast().waiting()).isPositive();
        assertThatThrownBy(() -> line.bringIn("A log", NOW, _ -> true))
            .isInstanceOf(FileProblem.class)
            .hasMessageContaining("no room");
        Files.delete(filler);
        line.tryAgain();
        until(() -> told.getLast().equals(StoreLine.Progress.DONE));
      }
    }
    assertThat(refused).isEmpty();
    try (Store store = Store.open(file)) {
      List<Answer> found = new ArrayList<>();
      store.answers(found::add);
      assertThat(found).containsExactlyElementsOf(answers);
      assertThat(store.workspace().catalog().actions()).isEqualTo(value.catalog().actions());
    }
  }

  private static void fill(Path filler) throws IOException {
    byte[] block = new byte[4096];
    try (var out = Files.newOutputStream(filler)) {
      while (true) {
        out.write(block);
      }
    } catch (IOException e) {
      assertThat(e).hasMessageContaining("space");
    }
  }

  private static StoreProblem problem(SQLiteErrorCode code) {
    return StoreProblem.of(Path.of("x"), new SQLiteException("probe", code));
  }

  @Test
  void nothingOvertakesWhatFailsAndWhatIsRefusedForGoodIsToldAndPassed() throws Exception {
    Random random = new Random(3);
    List<Integer> done = Collections.synchronizedList(new ArrayList<>());
    List<Integer> wanted = new ArrayList<>();
    int wrong = 0;
    try (StoreLine line = line()) {
      for (int i = 0; i < 300; i++) {
        int number = i;
        int[] failures = {random.nextInt(12) == 0 ? 1 + random.nextInt(2) : 0};
        boolean never = random.nextInt(10) == 0;
        wrong += never ? 1 : 0;
        if (!never) {
          wanted.add(i);
        }
        line.write(
            _ -> {
              if (failures[0]-- > 0) {
                throw problem(
                    random.nextBoolean()
                        ? SQLiteErrorCode.SQLITE_FULL
                        : SQLiteErrorCode.SQLITE_IOERR_WRITE);
              }
              if (never && number % 2 == 0) {
                throw problem(SQLiteErrorCode.SQLITE_CONSTRAINT_NOTNULL);
              }
              if (never) {
                throw new IllegalStateException("a mistake");
              }
              done.add(number);
            });
      }
      CompletableFuture<List<Integer>> seen = line.ask(_ -> List.copyOf(done));
      for (int i = 0; i < 3000 && !seen.isDone(); i++) {
        line.tryAgain();
        TimeUnit.MILLISECONDS.sleep(5);
      }
      assertThat(seen.join()).isEqualTo(wanted);
    }
    assertThat(refused).hasSize(wrong);
    assertThat(told).anyMatch(p -> p.problem().isPresent());
    assertThat(told.getLast()).isEqualTo(StoreLine.Progress.DONE);
  }

  @Test
  void aLineThatEndsByAMistakeOfTheMachineSaysThatNothingIsStoredAnyMore() throws Exception {
    List<Integer> done = Collections.synchronizedList(new ArrayList<>());
    Thread.UncaughtExceptionHandler before = Thread.getDefaultUncaughtExceptionHandler();
    Thread.setDefaultUncaughtExceptionHandler((_, _) -> done.add(-1));
    try (StoreLine line = line()) {
      CountDownLatch said = new CountDownLatch(1);
      line.write(_ -> done.add(1));
      line.write(
          _ -> {
            await(said);
            throw new OutOfMemoryError("made up");
          });
      line.write(_ -> done.add(2));
      said.countDown();
      until(() -> done.contains(-1));
      assertThat(told.getLast().waiting()).isEqualTo(2);
      assertThat(told.getLast().problem().orElseThrow()).contains("Nothing is stored any more");
      assertThatThrownBy(() -> line.get(_ -> 0)).hasMessageContaining("still to be written");
    } finally {
      Thread.setDefaultUncaughtExceptionHandler(before);
    }
    assertThat(done).containsExactly(1, -1);
  }

  @Test
  void aFailureIsToldByWhatItWas() {
    assertThat(problem(SQLiteErrorCode.SQLITE_FULL)).hasMessageContaining("no room on the disk");
    assertThat(problem(SQLiteErrorCode.SQLITE_BUSY)).hasMessageContaining("another running");
    assertThat(problem(SQLiteErrorCode.SQLITE_READONLY_DIRECTORY))
        .hasMessageContaining("may not be written to");
    assertThat(problem(SQLiteErrorCode.SQLITE_IOERR_FSYNC)).hasMessageContaining("disk does not");
    assertThat(problem(SQLiteErrorCode.SQLITE_CORRUPT)).hasMessageContaining("damaged");
    assertThat(problem(SQLiteErrorCode.SQLITE_FULL).mayPass()).isTrue();
    assertThat(problem(SQLiteErrorCode.SQLITE_CONSTRAINT).mayPass()).isFalse();
  }

  private static void await(CountDownLatch latch) {
    try {
      latch.await();
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }

  private static LogEvent event(int second, String target) {
    Deed deed = Deed.noted(new SetupId("here"), new ActionId(target), false);
    return LogEvent.of(NOW.plusSeconds(second), deed);
  }

  private static List<LogEvent> all(StoreLine line) throws FileProblem {
    List<LogEvent> found = new ArrayList<>();
    line.reading().each(found::add);
    return found;
  }

  /** While a log comes in, others have their turn, see nothing of it, and are not seen twice. */
  @Test
  void shortWritesPassBetweenThePartsOfALongOne() throws Exception {
    CountDownLatch half = new CountDownLatch(1);
    CountDownLatch goOn = new CountDownLatch(1);
    AtomicReference<Optional<StoreLine.Brought>> brought = new AtomicReference<>();
    try (StoreLine line = line()) {
      line.write(s -> s.save(new Change.Note("Noted", event(0, "first")), NOW));
      Thread importer =
          Thread.ofPlatform()
              .start(
                  () -> {
                    try {
                      brought.set(
                          line.bringIn(
                              "A log",
                              NOW,
                              to -> {
                                for (int i = 1; i <= 60_000; i++) {
                                  to.accept(event(i, "a"));
                                  if (i == 30_000) {
                                    half.countDown();
                                    await(goOn);
                                  }
                                }
                                return true;
                              }));
                    } catch (FileProblem e) {
                      throw new IllegalStateException(e);
                    }
                  });
      half.await();
      StoreLine.Reading before = line.reading();
      // The same event as one that is on its way: it counts at once, and once.
      line.write(s -> s.save(new Change.Note("Noted", event(7, "a")), NOW));
      line.write(s -> s.setting("theme", "dark"));
      Optional<String> theme = line.get(s -> s.setting("theme"));
      assertThat(theme).contains("dark");
      assertThat(all(line)).containsExactly(event(0, "first"), event(7, "a"));
      goOn.countDown();
      assertThat(importer.join(Duration.ofMinutes(2))).isTrue();
      assertThat(brought.get()).isPresent();
      List<LogEvent> then = new ArrayList<>();
      before.each(then::add);
      assertThat(then).containsExactly(event(0, "first"));
      assertThat(all(line)).hasSize(60_001).doesNotHaveDuplicates();
      Change.Batch batch = brought.get().orElseThrow().change();
      line.write(s -> s.undo(batch, NOW));
      assertThat(all(line)).containsExactly(event(0, "first"), event(7, "a"));
    }
    try (StoreLine line = line()) {
      assertThat(all(line)).containsExactly(event(0, "first"), event(7, "a"));
      until(
          () -> {
            try {
              return line.get(s -> !s.clearAway());
            } catch (FileProblem e) {
              throw new IllegalStateException(e);
            }
          });
      assertThat(all(line)).containsExactly(event(0, "first"), event(7, "a"));
    }
  }
}
