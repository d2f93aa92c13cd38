package polydex.files.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.PipedInputStream;
import java.io.PipedOutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.files.Shipped;
import polydex.files.store.Store;
import polydex.files.store.StoreLine;
import polydex.log.LogEvent;
import polydex.person.Knowledge;

/** Events as they come: kept while the stream is open, whatever becomes of it. */
class LogStreamTest {
  private static final Instant BEGUN = Instant.parse("2031-03-14T09:00:00Z");

  @TempDir Path folder;

  private static String click(Instant at) {
    return "{\"time\": \"%s\", \"device\": \"trackpad\", \"application\": \"Cue editor\", \"input\": \"Click\", \"path\": [\"File\", \"Save\"], \"machine\": \"Laptop\"}\n"
        .formatted(at);
  }

  private static List<LogEvent> inFile(Path file) throws Exception {
    // Another reader, as after a power cut: what is in the file and its log now.
    Path copy = Files.createTempDirectory(file.getParent(), "copy").resolve("mine.polydex");
    Files.copy(file, copy);
    Path log = Path.of(file + "-wal");
    if (Files.exists(log)) {
      Files.copy(log, Path.of(copy + "-wal"));
    }
    try (StoreLine line = new StoreLine(Store.open(copy), new StoreLine.Watcher() {})) {
      List<LogEvent> found = new ArrayList<>();
      line.reading().each(found::add);
      return found;
    }
  }

  @Test
  void whatCameIsInTheFileWhileTheStreamIsOpen() throws Exception {
    Path file = folder.resolve("mine.polydex");
    AtomicReference<Instant> now = new AtomicReference<>(BEGUN);
    PipedOutputStream sender = new PipedOutputStream();
    try (PipedInputStream in = new PipedInputStream(sender);
        StoreLine store = new StoreLine(Store.open(file), new StoreLine.Watcher() {})) {
      LogStream stream =
          new LogStream(ZoneOffset.UTC, now::get, Knowledge.recogniser(Shipped.demo()));
      CompletableFuture<LogReport> report =
          CompletableFuture.supplyAsync(
              () -> {
                try {
                  return stream.take(in, "a recorder", store);
                } catch (Exception e) {
                  throw new IllegalStateException(e);
                }
              });
      send(sender, click(BEGUN));
      until(file, 1);
      // Hours later the clock has gone on, and so what comes is not in the future.
      Instant later = BEGUN.plus(Duration.ofHours(30));
      now.set(later);
      send(sender, click(later));
      send(sender, "this is no event, and says swordfish\n");
      send(sender, click(later.plus(Duration.ofDays(9))));
      send(
          sender,
          "{\"time\": \"%s\", \"device\": \"keyboard\", \"input\": \"\\\"swordfish\\\"\"}\n"
              .formatted(later.plusSeconds(2)));
      until(file, 3);
      assertThat(report).isNotDone();
      assertThat(Files.readString(file, StandardCharsets.ISO_8859_1)).doesNotContain("swordfish");
      sender.close();
      LogReport all = report.get();
      assertThat(all.events()).isEqualTo(3);
      assertThat(all.characters()).isEqualTo(9);
      assertThat(all.refused()).extracting(LogReport.Refused::line).containsExactly(3L, 4L);
      assertThat(all.refused()).noneMatch(r -> r.reason().contains("swordfish"));
      assertThat(store.get(Store::isLogged)).isTrue();
    }
    assertThat(inFile(file)).hasSize(3);
    try (var files = Files.walk(folder)) {
      for (Path p : files.filter(Files::isRegularFile).toList()) {
        assertThat(Files.readString(p, StandardCharsets.ISO_8859_1))
            .as(p.toString())
            .doesNotContain("swordfish");
      }
    }
  }

  @Test
  void nothingThatComesLeavesNothing() throws Exception {
    Path file = folder.resolve("mine.polydex");
    try (StoreLine store = new StoreLine(Store.open(file), new StoreLine.Watcher() {})) {
      LogReport report =
          new LogStream(ZoneOffset.UTC, () -> BEGUN, Knowledge.recogniser(Shipped.demo()))
              .take(java.io.InputStream.nullInputStream(), "a recorder", store);
      assertThat(report.events()).isZero();
      assertThat(store.get(Store::isLogged)).isFalse();
    }
  }

  private static void send(PipedOutputStream to, String line) throws Exception {
    to.write(line.getBytes(StandardCharsets.UTF_8));
    to.flush();
  }

  private static void until(Path file, int events) throws Exception {
    for (int i = 0; i < 300 && inFile(file).size() < events; i++) {
      Thread.sleep(100);
    }
    assertThat(inFile(file)).hasSize(events);
  }
}
