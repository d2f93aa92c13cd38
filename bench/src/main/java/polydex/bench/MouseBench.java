package polydex.bench;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import polydex.catalog.EnvironmentId;
import polydex.effort.KeystrokeLevel;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.files.log.LogImport;
import polydex.files.store.Store;
import polydex.files.store.StoreLine;
import polydex.mouse.Remaining;
import polydex.mouse.Slips;
import polydex.mouse.WeeklyReview;
import polydex.mouse.Weeks;
import polydex.person.Knowledge;
import polydex.recognition.Recogniser;
import polydex.route.Setup;
import polydex.totals.Audit;
import polydex.totals.Standing;
import polydex.workspace.Workspace;

/** Taking in a long mouse log, and asking it. */
final class MouseBench {
  private static final int EVENTS = 5_000_000;
  private static final int ROUNDS = 3;
  private static final int QUESTIONS = 20;
  private static final Instant START = Instant.parse("2029-01-01T08:00:00Z");
  private static final Workspace DEMO = Shipped.demo();

  private MouseBench() {}

  static void all() throws Exception {
    Path folder = Files.createTempDirectory("polydex-bench");
    try {
      Path log = folder.resolve("log.csv");
      write(log, EVENTS);
      intake(folder, log);
      memory(folder, log);
      questions(folder);
    } finally {
      try (var files = Files.list(folder)) {
        for (Path file : files.toList()) {
          Files.delete(file);
        }
      }
      Files.delete(folder);
    }
  }

  /**
   * Two years of work in the demo's setups, by its keymaps' own ways, an event every few seconds.
   */
  static void write(Path file, int events) throws IOException {
    Random random = new Random(1);
    List<String> ends = new ArrayList<>();
    for (Setup setup : DEMO.setups().values()) {
      String machine = setup.innermost().title();
      for (EnvironmentId environment : setup.environments()) {
        DEMO.catalog()
            .environment(environment)
            .ifPresent(
                e -> {
                  String application = e.platform().isPresent() ? "" : e.title();
                  e.pointerRoutes()
                      .forEach(
                          r ->
                              ends.add(
                                  ",%s,mouse,Click,%s,%s,%%d,%%d,%%.1f,%s\n"
                                      .formatted(
                                          application,
                                          r.path().getLast(),
                                          String.join(
                                              " > ", r.path().subList(0, r.path().size() - 1)),
                                          machine)));
                  DEMO.catalog().bindings(e.id()).stream()
                      .filter(b -> !b.gesture().usesPointer())
                      .forEach(
                          b ->
                              ends.add(
                                  ",%s,keyboard,\"%s\",,,,,%%3$.1f,%s\n"
                                      .formatted(
                                          application,
                                          b.gesture()
                                              .expand()
                                              .getFirst()
                                              .toString()
                                              .replace("\"", "\"\""),
                                          machine)));
                });
      }
    }
    // Formatting five million lines anew would take longer than all that is measured.
    List<String> lines = new ArrayList<>();
    for (int i = 0; i < 40_000; i++) {
      String end = ends.get((int) (ends.size() * Math.pow(random.nextDouble(), 2)));
      lines.add(
          end.formatted(
              50 + random.nextInt(900), 10 + random.nextInt(80), 1 + random.nextInt(50) / 10.0));
    }
    try (BufferedWriter out = Files.newBufferedWriter(file)) {
      out.write("time,application,device,input,target,path,distance,width,duration,machine\n");
      Instant at = START;
      for (int i = 0; i < events; i++) {
        boolean evening = i % 10_000 == 9_999;
        at = at.plusMillis(evening ? 12 * 3_600_000L : 500 + random.nextInt(4000));
        out.write(at.toString());
        out.write(lines.get(random.nextInt(lines.size())));
      }
    }
  }

  private static int counted(Path log) throws IOException {
    int fields = 0;
    try (Reader reader = Files.newBufferedReader(log);
        CSVParser parser =
            CSVParser.builder().setReader(reader).setFormat(CSVFormat.RFC4180).get()) {
      for (CSVRecord row : parser) {
        fields += row.size();
      }
    }
    return fields;
  }

  private static Recogniser recogniser() {
    return Knowledge.recogniser(DEMO);
  }

  private static LogImport log(Path log) {
    return new LogImport(log, ZoneOffset.UTC, Instant.parse("2035-01-01T00:00:00Z"), recogniser());
  }

  private static Standing audit(Store store) throws FileProblem {
    Audit audit = Knowledge.audit(DEMO, ZoneOffset.UTC, _ -> Optional.empty());
    store.events(audit::add);
    return audit.standing();
  }

  private static StoreLine line(Path file) throws FileProblem {
    return new StoreLine(Store.open(file), new StoreLine.Watcher() {});
  }

  private static void intake(Path folder, Path log) throws Exception {
    System.out.println();
    System.out.println(
        "| %,d events as CSV, %,d MB | seconds |".formatted(EVENTS, Files.size(log) >> 20));
    System.out.println("| --- | ---: |");
    double[] count = new double[ROUNDS];
    double[] take = new double[ROUNDS];
    double[] read = new double[ROUNDS];
    Audit[] audit = new Audit[1];
    for (int round = 0; round < ROUNDS; round++) {
      long begin = System.nanoTime();
      counted(log);
      count[round] = (System.nanoTime() - begin) / 1e9;
      Path file = folder.resolve("log.polydex");
      Files.deleteIfExists(file);
      begin = System.nanoTime();
      Standing along;
      try (StoreLine store = line(file)) {
        audit[0] = Knowledge.audit(DEMO, ZoneOffset.UTC, _ -> Optional.empty());
        if (log(log).take(store, true, _ -> true, audit[0]::add).brought().isEmpty()) {
          throw new IllegalStateException("Nothing was taken, so nothing was measured.");
        }
        along = audit[0].standing();
        take[round] = (System.nanoTime() - begin) / 1e9;
      }
      try (Store store = Store.open(file)) {
        begin = System.nanoTime();
        Standing standing = audit(store);
        if (!standing.equals(along)) {
          throw new IllegalStateException("What was audited on the way in is not what is there.");
        }
        read[round] = (System.nanoTime() - begin) / 1e9;
        if (round == 0) {
          System.out.printf(
              "| (%.0f %% recognised, %,d places, %,d working days) | |%n",
              100 * standing.recognisedShare(), standing.entries().size(), standing.days().size());
        }
      }
    }
    Arrays.sort(count);
    Arrays.sort(take);
    Arrays.sort(read);
    double base = count[ROUNDS / 2];
    System.out.printf("| counting its fields with Commons CSV | %.1f |%n", base);
    System.out.printf("| taken in and audited on the way | %.1f |%n", take[ROUNDS / 2]);
    System.out.printf("| in times the counting | %.2f |%n", take[ROUNDS / 2] / base);
    System.out.printf("| audited anew from the store | %.1f |%n", read[ROUNDS / 2]);
  }

  /** What stays in memory while a log is read, after a collection, for a short one and a long. */
  private static void memory(Path folder, Path log) throws Exception {
    Path small = folder.resolve("short.csv");
    write(small, EVENTS / 20);
    System.out.println();
    System.out.println(
        "| events | most memory in use while they are taken in, after a collection |");
    System.out.println("| ---: | ---: |");
    for (Path some : List.of(small, log)) {
      Path file = folder.resolve("memory.polydex");
      Files.deleteIfExists(file);
      long size = Files.size(some);
      long[] next = {size / 5};
      long[] most = {0};
      try (StoreLine store = line(file)) {
        log(some)
            .take(
                store,
                true,
                bytes -> {
                  if (bytes >= next[0]) {
                    next[0] += size / 5;
                    System.gc();
                    Runtime r = Runtime.getRuntime();
                    most[0] = Math.max(most[0], r.totalMemory() - r.freeMemory());
                  }
                  return true;
                });
      }
      System.out.printf(
          "| %,d | %.0f MB |%n", some.equals(small) ? EVENTS / 20 : EVENTS, most[0] / 1e6);
    }
  }

  private static void questions(Path folder) throws Exception {
    Path file = folder.resolve("log.polydex");
    Standing standing;
    Audit audit = Knowledge.audit(DEMO, ZoneOffset.UTC, _ -> Optional.empty());
    long begin = System.nanoTime();
    try (Store store = Store.open(file)) {
      store.events(audit::add);
      standing = audit.standing();
    }
    LocalDate today = standing.last().atZone(ZoneOffset.UTC).toLocalDate();
    Remaining remaining =
        new Remaining(DEMO.world(), KeystrokeLevel.USUAL, 12, _ -> false, Map.of());
    List<Remaining.RemainingRow> rows = remaining.of(DEMO.setups().values(), standing, today);
    System.out.printf(
        "%nThe first question, which reads the log: %.1f s%n%n", (System.nanoTime() - begin) / 1e9);
    System.out.println(
        "| question over %,d events | ours | SQL over the events | SQL / ours |".formatted(EVENTS));
    System.out.println("| --- | ---: | ---: | ---: |");
    try (Connection sql = DriverManager.getConnection("jdbc:sqlite:" + file)) {
      String since = String.valueOf(standing.last().minusSeconds(28L * 86_400).toEpochMilli());
      row(
          "what remains, by its cost",
          () -> remaining.of(DEMO.setups().values(), audit.standing(), today).size(),
          sql,
          "SELECT machine, application, target, count(*), avg(seconds) FROM event JOIN deed ON"
              + " deed.id = event.deed WHERE device <> 'KEYBOARD' AND at >= "
              + since
              + " GROUP BY 1, 2, 3 ORDER BY 4 DESC");
      row(
          "by keys and by pointer, week by week",
          () -> Weeks.of(standing, rows, _ -> true, today).weeks().size(),
          sql,
          "SELECT at / 604800000, device <> 'KEYBOARD', count(*) FROM event JOIN deed ON deed.id ="
              + " event.deed GROUP BY 1, 2");
      row(
          "slips by hour and by application",
          () -> Slips.of(standing, today).byHour().size(),
          sql,
          "SELECT at / 3600000 % 24, application, count(*) FROM event JOIN deed ON deed.id ="
              + " event.deed WHERE device <> 'KEYBOARD' GROUP BY 1, 2");
      row(
          "the week in review",
          () -> WeeklyReview.of(standing, rows, today).dearest().size() + 1,
          sql,
          "SELECT device <> 'KEYBOARD', count(*), avg(seconds) FROM event JOIN deed ON deed.id ="
              + " event.deed WHERE at >= "
              + standing.last().minusSeconds(7L * 86_400).toEpochMilli()
              + " GROUP BY 1");
    }
  }

  private interface Question {
    int ask();
  }

  private static void row(String what, Question ours, Connection sql, String query)
      throws Exception {
    double[] mine = new double[QUESTIONS];
    for (int i = 0; i < QUESTIONS; i++) {
      long begin = System.nanoTime();
      if (ours.ask() == 0) {
        throw new IllegalStateException(what + " found nothing, so nothing was measured.");
      }
      mine[i] = (System.nanoTime() - begin) / 1e6;
    }
    double[] theirs = new double[ROUNDS];
    for (int i = 0; i < ROUNDS; i++) {
      long begin = System.nanoTime();
      try (Statement statement = sql.createStatement();
          ResultSet found = statement.executeQuery(query)) {
        int seen = 0;
        while (found.next()) {
          seen++;
        }
        if (seen == 0) {
          throw new IllegalStateException(query + " found nothing.");
        }
      }
      theirs[i] = (System.nanoTime() - begin) / 1e6;
    }
    Arrays.sort(mine);
    Arrays.sort(theirs);
    System.out.printf(
        "| %s | %.1f ms | %,.0f ms | %.0f |%n",
        what, mine[QUESTIONS / 2], theirs[ROUNDS / 2], theirs[ROUNDS / 2] / mine[QUESTIONS / 2]);
  }
}
