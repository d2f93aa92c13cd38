package polydex.files.store;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.MappedByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.files.FileProblem;
import polydex.log.Deed;
import polydex.log.LogEvent;
import polydex.recall.Answer;
import polydex.route.SetupId;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/**
 * A program that works through a real store on a disk that fails now and then, and notes what it
 * was told has been stored. It ends as suddenly as a power cut in one of its rounds.
 */
final class FailingDisk {
  static final Instant NOW = Instant.parse("2031-03-14T16:00:00Z");
  private static final String MODES = "fseyp";

  private final Random random;
  private final MappedByteBuffer mode;
  private final FileChannel notes;
  private final AtomicInteger stored = new AtomicInteger();
  private volatile StoreLine.Progress told = StoreLine.Progress.DONE;
  private final int first;
  private int next;
  private Workspace value;
  private final StoreLine line;

  private FailingDisk(String[] args) throws IOException, FileProblem {
    random = new Random(Long.parseLong(args[2]));
    first = Integer.parseInt(args[3]);
    next = first;
    try (FileChannel control =
        FileChannel.open(
            Path.of(System.getenv("FAILING_DISK")),
            StandardOpenOption.READ,
            StandardOpenOption.WRITE)) {
      mode = control.map(FileChannel.MapMode.READ_WRITE, 0, 1);
    }
    notes =
        FileChannel.open(Path.of(args[1]), StandardOpenOption.CREATE, StandardOpenOption.APPEND);
    Store store = Store.open(Path.of(args[0]));
    value = store.workspace();
    line =
        new StoreLine(
            store,
            new StoreLine.Watcher() {
              @Override
              public void progress(StoreLine.Progress now) {
                told = now;
              }

              @Override
              public void refused(FileProblem problem) {
                fail("refused: " + problem.getMessage());
              }

              @Override
              public void moved(Path from, Path to, Optional<String> missing) {
                fail("moved, though nobody touched the file");
              }
            });
  }

  /** {@code FILE NOTES SEED FIRST ROUNDS}. */
  public static void main(String[] args) throws Exception {
    FailingDisk disk = new FailingDisk(args);
    int rounds = Integer.parseInt(args[4]);
    for (int i = 0; i < rounds; i++) {
      disk.round(i == rounds - 1);
    }
  }

  private static void fail(String why) {
    System.err.println(why);
    Runtime.getRuntime().halt(1);
  }

  private void round(boolean isLast) throws Exception {
    write(1 + random.nextInt(5));
    char fault = MODES.charAt(random.nextInt(MODES.length()));
    mode.put(0, (byte) fault);
    write(5 + random.nextInt(20));
    if (random.nextBoolean()) {
      until(() -> told.problem().isPresent() || stored.get() == next - first, "a failure is told");
      // As long as anything is not stored, it is said how much, and why.
      if (stored.get() < next - first && line.progress().waiting() == 0) {
        fail("something is not stored, and nothing says so");
      }
      write(3);
    }
    if (isLast) {
      TimeUnit.MILLISECONDS.sleep(random.nextInt(20));
      Runtime.getRuntime().halt(0);
    }
    mode.put(0, (byte) 'o');
    line.tryAgain();
    until(() -> stored.get() == next - first, "all is stored once the disk works");
  }

  private static void until(BooleanSupplier condition, String what) throws Exception {
    for (int i = 0; i < 20_000 && !condition.getAsBoolean(); i++) {
      TimeUnit.MILLISECONDS.sleep(1);
    }
    if (!condition.getAsBoolean()) {
      fail("waited in vain until " + what);
    }
  }

  private void write(int count) {
    for (int i = 0; i < count; i++) {
      int number = next++;
      line.write(
          s -> {
            write(s, number);
            note(number);
          });
    }
  }

  private void write(Store s, int number) throws FileProblem {
    switch (number % 4) {
      case 0 -> s.save(edit(number), NOW);
      case 1 -> s.save(new Change.Note("Noted", event(number)));
      default -> s.add(answer(number));
    }
  }

  private Change.Edit edit(int number) {
    Workspace before = value;
    Action more =
        Action.of(new ActionId("more" + number), "More " + number + "x".repeat(3000), "g");
    value = before.with(before.catalog().with(List.of(more), List.of(), Map.of()));
    return new Change.Edit("More", before, value);
  }

  static Answer answer(int number) {
    return StoreTest.answer(number);
  }

  static LogEvent event(int number) {
    return LogEvent.of(
        NOW.plusSeconds(number),
        Deed.noted(new SetupId("s"), new ActionId("a" + number % 7), true));
  }

  /** What is noted is stored, and must never be missing again. */
  private void note(int number) {
    try {
      notes.write(StandardCharsets.UTF_8.encode(number + "\n"));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    stored.incrementAndGet();
  }

  static boolean canFail(Path folder, Path library) throws Exception {
    Path source = folder.resolve("failing-disk.c");
    try (var in = FailingDisk.class.getResourceAsStream("failing-disk.c")) {
      Files.write(source, in.readAllBytes());
    }
    try {
      return new ProcessBuilder(
                  "cc", "-shared", "-fPIC", "-o", library.toString(), source.toString(), "-ldl")
              .inheritIO()
              .start()
              .waitFor()
          == 0;
    } catch (IOException e) {
      return false; // there is no compiler here
    }
  }
}
