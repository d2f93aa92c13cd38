package polydex.files.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
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
import java.util.function.Consumer;
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
  private final List<Path> moved = Collections.synchronizedList(new ArrayList<>());
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
    return new StoreLine(
        Store.open(file),
        new StoreLine.Watcher() {
          @Override
          public void progress(StoreLine.Progress now) {
            told.add(now);
          }

          @Override
          public void refused(FileProblem problem) {
            refused.add(problem.getMessage());
          }

          @Override
          public void moved(Path from, Path to, Optional<String> missing) {
            assertThat(missing).isEmpty();
            moved.add(to);
          }
        });
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
      line.write(s -> s.save(new Change.Note("Noted", event(0, "first"))));
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
      line.write(s -> s.save(new Change.Note("Noted", event(7, "a"))));
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
      line.write(s -> s.undo(batch));
      assertThat(all(line)).containsExactly(event(0, "first"), event(7, "a"));
    }
    try (StoreLine line = line()) {
      assertThat(all(line)).containsExactly(event(0, "first"), event(7, "a"));
      awaitCleared(line);
      assertThat(all(line)).containsExactly(event(0, "first"), event(7, "a"));
    }
  }

  private interface Mishap {
    void to(Path file) throws IOException;
  }

  /** What the file was, deleted or with something else in its place; and it is known afterwards. */
  @Test
  void whatIsDeletedOrReplacedWhileItIsOpenIsWrittenWholeBesideIt() throws Exception {
    byte[] other = "something else of another length".getBytes(StandardCharsets.UTF_8);
    List<Mishap> mishaps =
        List.of(
            Files::delete,
            file -> Files.delete(Path.of(file + "-wal")),
            file -> {
              Path made = Files.write(folder.resolve("new"), other);
              Files.move(made, file, StandardCopyOption.REPLACE_EXISTING);
            });
    for (Mishap mishap : mishaps) {
      Path file = Files.createTempDirectory(folder, "case").resolve("mine.polydex");
      moved.clear();
      Workspace start = Shipped.start();
      List<LogEvent> log = new ArrayList<>();
      try (StoreLine line = line(file)) {
        line.write(s -> s.save(new Change.Edit("Start", Workspace.EMPTY, start), NOW));
        line.write(s -> s.add(StoreTest.answer(1)));
        line.bringIn("A log", NOW, to -> each(0, 30_000, "a", log, to));
        StoreLine.Reading reading = line.reading();
        line.get(Store::settings);
        mishap.to(file);
        line.write(s -> s.add(StoreTest.answer(2)));
        line.write(s -> s.setting("theme", "dark"));
        until(() -> !moved.isEmpty());
        List<LogEvent> read = new ArrayList<>();
        reading.each(read::add);
        assertThat(read).isEqualTo(log);
        Map<String, String> settings = line.get(Store::settings);
        assertThat(settings).containsEntry("theme", "dark");
      }
      assertThat(refused).isEmpty();
      assertThat(moved).containsExactly(file.resolveSibling("mine-kept.polydex"));
      if (Files.exists(file) && Files.size(file) < 100) {
        assertThat(file).hasBinaryContent(other);
      }
      try (Store kept = Store.open(moved.getFirst())) {
        List<Answer> answers = new ArrayList<>();
        kept.answers(answers::add);
        assertThat(answers).containsExactly(StoreTest.answer(1), StoreTest.answer(2));
        assertThat(kept.workspace().catalog().actions()).isEqualTo(start.catalog().actions());
      }
    }
  }

  /** Where another program writes into the file, what is in it can't be trusted any more. */
  @Test
  void aFileThatIsWrittenIntoIsMadeAgainOfTodaysCopyAndWhatCameAfter() throws Exception {
    Workspace start = Shipped.start();
    Workspace edited = with(start, 5);
    List<LogEvent> log = new ArrayList<>();
    Change.Note early = new Change.Note("Noted", event(500_000, "early"));
    Path older = folder.resolve("older.polydex");
    Path file = folder.resolve("mine.polydex");
    try (StoreLine line = line(older)) {
      line.write(s -> s.add(StoreTest.answer(99)));
    }
    try (StoreLine line = line(file)) {
      line.write(s -> s.save(new Change.Edit("Start", Workspace.EMPTY, start), NOW));
      line.write(s -> s.add(StoreTest.answer(1)));
      line.bringIn("A log", NOW, to -> each(0, 20_000, "a", log, to));
      line.write(s -> s.save(early));
      Optional<DailyCopies.Copy> copy = line.get(s -> s.copy(LocalDate.of(2031, 3, 14)));
      assertThat(copy).isPresent();
      line.write(s -> s.add(StoreTest.answer(2)));
      line.write(s -> s.save(new Change.Edit("More", start, edited), NOW));
      line.write(s -> s.save(new Change.Note("Noted", event(600_000, "noted"))));
      // What is taken out does not come back, whether it was in the copy or came after it.
      Change.Batch recorded = new Change.Batch("Recorded", line.newBatch());
      line.write(s -> s.begin(recorded, NOW));
      line.write(s -> s.add(List.of(event(700_000, "recorded")), recorded.batch()));
      line.write(s -> s.undo(recorded));
      line.write(s -> s.undo(early));
      awaitCleared(line); // it would take what it finds after a write of its own for its own
      Files.write(file, Files.readAllBytes(older));
      line.write(s -> s.add(StoreTest.answer(3)));
      line.write(s -> s.setting("theme", "dark"));
      until(() -> !moved.isEmpty());
      log.add(event(600_000, "noted"));
      assertThat(all(line)).isEqualTo(log);
    }
    assertThat(refused).isEmpty();
    assertThat(file).hasSameBinaryContentAs(older);
    try (Store kept = Store.open(moved.getFirst())) {
      List<Answer> answers = new ArrayList<>();
      kept.answers(answers::add);
      assertThat(answers)
          .containsExactly(StoreTest.answer(1), StoreTest.answer(2), StoreTest.answer(3));
      assertThat(kept.workspace().catalog().actions()).isEqualTo(edited.catalog().actions());
      assertThat(kept.setting("theme")).contains("dark");
    }
  }

  private static boolean each(
      int from, int count, String target, List<LogEvent> kept, Consumer<LogEvent> to) {
    for (int i = from; i < from + count; i++) {
      LogEvent event = event(i, target + i % 50);
      kept.add(event);
      to.accept(event);
    }
    return true;
  }

  @Test
  void onAFullDiskEverythingCanBeKeptElsewhere() throws Exception {
    Path disk = smallDisk();
    Path elsewhere = folder.resolve("elsewhere.polydex");
    List<LogEvent> log = new ArrayList<>();
    try (StoreLine line = line(disk.resolve("mine.polydex"))) {
      line.write(s -> s.add(StoreTest.answer(1)));
      Change.Batch batch =
          line.bringIn("A log", NOW, to -> each(0, 2000, "a", log, to)).orElseThrow().change();
      line.write(s -> s.undo(batch));
      awaitCleared(line);
      fill(disk.resolve("filler"));
      for (int i = 2; i < 400; i++) {
        Answer answer = StoreTest.answer(i);
        line.write(s -> s.add(answer));
      }
      until(() -> told.getLast().problem().isPresent());
      assertThatThrownBy(() -> line.move(disk.resolve("filler")).join())
          .hasMessageContaining("There is a file");
      assertThatThrownBy(() -> line.move(folder.resolve("no/such/folder")).join())
          .hasMessageContaining("can't be opened");
      assertThat(line.move(elsewhere).join()).isEqualTo(elsewhere);
      until(() -> told.getLast().equals(StoreLine.Progress.DONE));
      // What was taken back there can be had again here.
      line.write(s -> s.save(batch));
      assertThat(all(line)).isEqualTo(log);
    }
    try (Store store = Store.open(elsewhere)) {
      List<Answer> found = new ArrayList<>();
      store.answers(found::add);
      assertThat(found).hasSize(399).doesNotHaveDuplicates();
    }
  }

  private static void awaitCleared(StoreLine line) throws InterruptedException {
    until(
        () -> {
          try {
            return line.get(s -> !s.clearAway());
          } catch (FileProblem e) {
            throw new IllegalStateException(e);
          }
        });
  }

  private static String bytes(Path file) throws IOException {
    StringBuilder all = new StringBuilder();
    for (String end : List.of("", "-wal")) {
      Path part = Path.of(file + end);
      if (Files.exists(part)) {
        all.append(Files.readString(part, StandardCharsets.ISO_8859_1));
      }
    }
    return all.toString();
  }

  /** Against a list, whatever is taken back and wanted again; and nothing of it is in the bytes. */
  @Test
  void whatIsTakenOutIsGoneFromTheBytesAndComesBackWhole() throws Exception {
    Path file = folder.resolve("mine.polydex");
    List<LogEvent> kept = new ArrayList<>();
    List<LogEvent> secret = new ArrayList<>();
    List<LogEvent> both = new ArrayList<>();
    Change.Note note = new Change.Note("Noted: zorillas", event(500_000, "zorillas"));
    Workspace start = Shipped.start();
    try (StoreLine line = line(file)) {
      line.write(s -> s.save(new Change.Edit("Start", Workspace.EMPTY, start), NOW));
      line.write(s -> s.save(new Change.Edit("More", start, with(start, 77)), NOW));
      line.bringIn("A log", NOW, to -> each(0, 3000, "plain", kept, to));
      Change.Batch batch =
          line.bringIn("zebras.csv", NOW, to -> each(10_000, 30_000, "zebra", secret, to))
              .orElseThrow()
              .change();
      both.addAll(kept);
      both.addAll(secret);
      line.write(s -> s.save(note));
      assertThat(all(line)).hasSize(33_001);
      assertThat(bytes(file)).contains("zebra3").contains("zorillas").contains("More 77");
      long full =
          line.get(
              s -> {
                s.makeRoom();
                return file.toFile().length();
              });
      for (int round = 0; round < 2; round++) {
        line.write(s -> s.undo(batch));
        line.write(s -> s.undo(note));
        line.write(s -> s.save(new Change.Edit("Less", with(start, 77), start), NOW));
        assertThat(all(line)).isEqualTo(kept);
        awaitCleared(line);
        assertThat(bytes(file))
            .contains("plain3")
            .doesNotContain("zebra3")
            .doesNotContain("zorillas")
            .doesNotContain("More 77");
        assertThat(Files.size(file)).isLessThan(full / 2);
        // One of them is done anew meanwhile, and has a new number.
        LogEvent anew = event(900_000 + round, "zebra7");
        line.write(s -> s.add(List.of(anew), 0));
        both.add(anew);
        kept.add(anew);
        line.write(s -> s.save(batch));
        assertThat(all(line)).isEqualTo(both);
      }
      line.write(s -> s.undo(batch));
    }
    try (StoreLine line = line(file)) {
      awaitCleared(line);
      assertThat(all(line)).isEqualTo(kept);
      assertThat(bytes(file)).doesNotContain("zebra3").doesNotContain("zebras");
    }
  }
}
