package polydex.files.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.files.store.Store;
import polydex.files.store.StoreLine;
import polydex.log.Deed;
import polydex.log.Device;
import polydex.log.LogEvent;
import polydex.person.Knowledge;
import polydex.recognition.Recognised.How;
import polydex.workspace.Workspace;

/** Logs as files: good ones, bad ones, and what is left of them in the store. */
class LogImportTest {
  private static final Instant NOW = Instant.parse("2031-03-14T16:00:00Z");
  private static final String HEADER =
      "time,application,device,input,target,path,distance,width,duration,machine\n";
  private static final String GOOD =
      HEADER
          + "2031-03-14T09:00:00Z,Cue editor,trackpad,Click,Save,File,420,30,4.1,Laptop\n"
          + "2031-03-14T09:00:05.500Z,Cue editor,keyboard,\"\"\"swordfish\"\"\",,,,,,Laptop\n"
          + "2031-03-14T09:00:04Z,Cue editor,keyboard,s,,,,,,Laptop\n"
          + "2031-03-14T10:00:09+01:00,Cue editor,keyboard,Ctrl+S,,,,,1.9,Laptop\n"
          + "2031-03-14T09:00:10Z,Cue editor,mouse,,Nowhere,\"Tools > Odd, things\",,,,Laptop\n";

  @TempDir Path folder;

  private Path file(String name, String content) throws IOException {
    Path file = folder.resolve(name);
    Files.writeString(file, content, StandardCharsets.UTF_8);
    return file;
  }

  private static LogImport log(Path file) {
    Workspace demo = Shipped.demo();
    return new LogImport(file, ZoneOffset.UTC, NOW, Knowledge.recogniser(demo));
  }

  private StoreLine store() throws FileProblem {
    return new StoreLine(Store.open(folder.resolve("mine.polydex")), new StoreLine.Watcher() {});
  }

  private static List<LogEvent> all(StoreLine store) throws FileProblem {
    List<LogEvent> found = new ArrayList<>();
    store.reading().each(found::add);
    return found;
  }

  @Test
  void aLogIsReportedFirstAndTakenThen() throws Exception {
    Path file = file("day.csv", GOOD);
    LogReport report = log(file).look(_ -> true);
    assertThat(report.events()).isEqualTo(5);
    assertThat(report.refused()).isEmpty();
    assertThat(report.characters()).isEqualTo(10);
    assertThat(report.backward()).isEqualTo(1);
    assertThat(report.jumps()).isZero();
    assertThat(report.first()).contains(Instant.parse("2031-03-14T09:00:00Z"));
    assertThat(report.last()).contains(Instant.parse("2031-03-14T09:00:10Z"));
    assertThat(report.recognised())
        .containsOnlyKeys(How.EXACT, How.TRACED, How.TYPING, How.UNKNOWN);
    assertThat(report.recognisedShare()).isCloseTo(2 / 3.0, within(1e-12));
    try (StoreLine store = store()) {
      assertThat(log(file).take(store, false, _ -> true).brought().orElseThrow().events())
          .isEqualTo(5);
      assertThat(all(store))
          .extracting(e -> e.deed().device())
          .containsExactly(
              Device.TRACKPAD, Device.KEYBOARD, Device.KEYBOARD, Device.KEYBOARD, Device.MOUSE);
      assertThat(all(store).get(3))
          .isEqualTo(
              new LogEvent(
                  Instant.parse("2031-03-14T09:00:09Z"),
                  Deed.seen("Laptop", "Cue editor", Device.KEYBOARD, "Ctrl+S", "", List.of()),
                  0,
                  Double.NaN,
                  Double.NaN,
                  1.9));
      // Once more: it is all known, in whichever of the two forms it comes.
      assertThat(log(file).take(store, false, _ -> true).brought().orElseThrow().events()).isZero();
      Path json = file("day.jsonl", json());
      assertThat(log(json).take(store, false, _ -> true).brought().orElseThrow().events()).isZero();
      assertThat(all(store)).hasSize(5);
    }
  }

  private static String json() {
    return """
        {"time":"2031-03-14T09:00:00Z","application":"Cue editor","device":"trackpad","input":"Click","target":"Save","path":["File"],"distance":420,"width":30,"duration":4.1,"machine":"Laptop"}
        {"time":"2031-03-14T09:00:05.500Z","application":"Cue editor","device":"keyboard","input":"typed 9","machine":"Laptop"}
        {"machine":"Laptop","time":"2031-03-14T09:00:04Z","application":"Cue editor","device":"keyboard","input":"s","target":null}

        {"time":"2031-03-14T09:00:09Z","application":"Cue editor","device":"keyboard","input":"Ctrl+S","duration":"1.9","machine":"Laptop"}
        {"time":"2031-03-14T09:00:10Z","application":"Cue editor","device":"mouse","target":"Nowhere","path":"Tools > Odd, things","machine":"Laptop"}
        """;
  }

  @Test
  void whatWasTypedIsNowhereInTheFile() throws Exception {
    Path log = file("day.csv", GOOD);
    try (StoreLine store = store()) {
      log(log).take(store, false, _ -> true);
    }
    try (Stream<Path> files = Files.list(folder)) {
      for (Path left : files.filter(f -> f.getFileName().toString().startsWith("mine")).toList()) {
        assertThat(Files.readString(left, StandardCharsets.ISO_8859_1)).doesNotContain("swordfish");
      }
    }
  }

  @Test
  void badLinesAreToldByNumberAndTheGoodOnesTakenOnlyWhenWanted() throws Exception {
    String tooLong = "x".repeat(10 << 20);
    Path file =
        file(
            "bad.csv",
            GOOD
                + "2031-03-14T09:01:00Z,Cue editor,mouse,Click,"
                + tooLong
                + ",,,,,\n"
                + "2031-03-14T09:01:01Z,Cue editor,mouse,\"Click,Save,File,,,,\n"
                + "2031-03-14T09:01:02Z,Cue editor\n"
                + "2031-03-14T09:01:03Z,Cue editor,keyboard,Ctrl+swordfish,,,,,,\n"
                + "2031-03-14T09:01:04Z,Cue editor,mouse,Click,Sa\0ve,,,,,\n"
                + "1970-01-01T00:00:00Z,Cue editor,mouse,Click,Save,,,,,\n"
                + "2031-03-14T07:00:00Z,Cue editor,mouse,Click,Save,File,,,,Laptop\n"
                + "2031-03-14T09:01:06Z,Cue edi");
    LogReport report = log(file).look(_ -> true);
    assertThat(report.events()).isEqualTo(6);
    assertThat(report.jumps()).isEqualTo(1);
    assertThat(report.refusedInAll()).isEqualTo(7);
    assertThat(report.refused())
        .extracting(LogReport.Refused::line)
        .containsExactlyInAnyOrder(7L, 8L, 9L, 10L, 11L, 12L, 14L);
    assertThat(report.refused())
        .extracting(r -> r.line() + " " + r.reason())
        .anyMatch(r -> r.startsWith("7 The line is longer than 65,536"))
        .anyMatch(r -> r.equals("8 A quotation mark is not closed."))
        .anyMatch(r -> r.equals("9 The line has 2 fields, the header 10."))
        .anyMatch(r -> r.startsWith("10 The keys can't be read"))
        .anyMatch(r -> r.startsWith("11 The line holds zero bytes"))
        .anyMatch(r -> r.startsWith("12 The time is before 1980"))
        .noneMatch(r -> r.contains("swordfish"));
    try (StoreLine store = store()) {
      assertThat(log(file).take(store, false, _ -> true).brought()).isEmpty();
      assertThat(all(store)).isEmpty();
      assertThat(log(file).take(store, true, _ -> true).brought().orElseThrow().events())
          .isEqualTo(6);
    }
  }

  @Test
  void stoppingHalfWayLeavesNothing() throws Exception {
    StringBuilder much = new StringBuilder(HEADER);
    for (int i = 0; i < 60_000; i++) {
      much.append(
          "2031-03-14T09:00:00.%03dZ,a%d,mouse,Click,Save,File,,,,\n".formatted(i % 1000, i));
    }
    Path file = file("much.csv", much.toString());
    AtomicLong read = new AtomicLong();
    try (StoreLine store = store()) {
      assertThatThrownBy(
              () ->
                  log(file)
                      .take(
                          store,
                          true,
                          bytes -> {
                            read.set(bytes);
                            return bytes < 1_000_000;
                          }))
          .isInstanceOf(LogFile.Stopped.class);
      assertThat(read.get()).isBetween(1_000_000L, 1_200_000L);
      assertThat(all(store)).isEmpty();
      assertThat(log(file).take(store, true, _ -> true).brought().orElseThrow().events())
          .isEqualTo(60_000);
    }
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "time,what\n2031-03-14T09:00:00Z,x\n",
        "PK\u0003\u0004\0\0binary",
        "<html><table></table></html>",
      })
  void whatIsNoLogIsRefusedWhole(String content) throws Exception {
    Path file = file("strange.csv", content);
    assertThatThrownBy(() -> log(file).look(_ -> true))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("strange.csv");
    assertThatThrownBy(() -> log(folder.resolve("none.csv")).look(_ -> true))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("There is no file");
  }

  @Test
  void jsonLinesThatAreCutOffOrNoObjectsAreTold() throws Exception {
    Path file =
        file(
            "odd.jsonl",
            "\uFEFF"
                + json()
                + "{\"time\":\"2031-03-14T09:01:00Z\",\"dev\n"
                + "[1,2]\n"
                + "{\"time\":\"2031-03-14T09:02:00Z\",\"device\":\"mouse\"} trailing\n");
    LogReport report = log(file).look(_ -> true);
    assertThat(report.events()).isEqualTo(5);
    assertThat(report.refused()).extracting(LogReport.Refused::line).containsExactly(7L, 8L, 9L);
  }

  @Test
  void columnsMayComeInAnyOrderAndStrangeOnesAreNamed() throws Exception {
    Path file =
        file("order.csv", "Machine,Mood,Device,Time\r\nLaptop,fine,mouse,2031-03-14T09:00:00Z\r\n");
    LogReport report = log(file).look(_ -> true);
    assertThat(report.events()).isEqualTo(1);
    assertThat(report.unused()).containsExactly("mood");
  }
}
