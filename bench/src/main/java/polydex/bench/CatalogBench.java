package polydex.bench;

import java.io.BufferedWriter;
import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import org.apache.commons.csv.CSVFormat;
import polydex.catalog.Action;
import polydex.catalog.ActionSearch;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.EnvironmentId;
import polydex.files.Shipped;
import polydex.files.lists.Intake;
import polydex.files.lists.ListReader;
import polydex.files.store.Store;
import polydex.intake.BindingIntake;
import polydex.keys.Gesture;
import polydex.route.World;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** Looking up, opening, keeping and bringing in large catalogues. */
final class CatalogBench {
  /** As many as the window shows. */
  private static final int SHOWN = 500;

  private static final List<String> TYPED =
      List.of(
          "dome fade row", "previous mark", "copy line", "clip wind", "letter 4711", "fnid ligth");

  private CatalogBench() {}

  /** Each typed letter's results, against a scan of all texts; and the slowest in a hundred. */
  static void search(int size) throws Exception {
    List<Action> actions = Large.world(size).catalog().actions();
    ActionSearch search = ActionSearch.of(actions);
    List<String> queries =
        TYPED.stream()
            .flatMap(q -> IntStream.rangeClosed(1, q.length()).mapToObj(n -> q.substring(0, n)))
            .toList();
    Main.row(
        "results for each typed letter / scan of all texts",
        "%,d actions".formatted(size),
        () -> queries.stream().mapToInt(q -> search.find(q, SHOWN).size()).sum(),
        () -> queries.stream().mapToInt(q -> scan(actions, q)).sum(),
        queries.size());
    int rounds = 40;
    double[] micros = new double[queries.size() * rounds];
    for (int round = -20; round < rounds; round++) {
      for (int i = 0; i < queries.size(); i++) {
        long begin = System.nanoTime();
        search.find(queries.get(i), SHOWN);
        if (round >= 0) {
          micros[round * queries.size() + i] = (System.nanoTime() - begin) / 1e3;
        }
      }
    }
    Arrays.sort(micros);
    System.out.printf(
        Locale.ROOT,
        "| results for a typed letter, 99th percentile | %,d actions | %.0f µs | 8 ms wanted | |%n",
        size,
        micros[micros.length * 99 / 100]);
  }

  private static int scan(List<Action> actions, String query) {
    List<String> wanted = List.of(query.split(" "));
    return (int)
        actions.stream()
            .filter(
                a -> {
                  List<String> words = List.of(a.title().toLowerCase(Locale.ROOT).split(" "));
                  return wanted.stream()
                      .allMatch(q -> words.stream().anyMatch(w -> w.startsWith(q)));
                })
            .count();
  }

  static Workspace workspace(int size) {
    World world = Large.world(size);
    Workspace start = Shipped.start();
    return Workspace.of(
        world.catalog(),
        List.copyOf(start.world().boards().values()),
        List.copyOf(start.world().layouts().values()),
        List.of(Large.setup()));
  }

  /** Opening a file, against reading the same rows by plain JDBC. */
  static void open(int size) throws Exception {
    Path file = Files.createTempDirectory("polydex-bench").resolve("large.polydex");
    try (Store store = Store.open(file)) {
      store.save(new Change.Edit("Fill", Workspace.EMPTY, workspace(size)), Instant.EPOCH);
    }
    Main.row(
        "open a file / read its rows by plain JDBC",
        "%,d bindings".formatted(size),
        () -> {
          try (Store store = Store.open(file)) {
            return store.workspace().catalog().size();
          }
        },
        () -> rows(file),
        1);
    Files.delete(file);
  }

  private static int rows(Path file) throws Exception {
    int length = 0;
    try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file);
        Statement s = c.createStatement()) {
      for (String sql :
          List.of(
              "SELECT * FROM binding ORDER BY environment, position",
              "SELECT * FROM action ORDER BY position")) {
        try (ResultSet row = s.executeQuery(sql)) {
          int columns = row.getMetaData().getColumnCount();
          while (row.next()) {
            for (int i = 1; i <= columns; i++) {
              String text = row.getString(i);
              length += text == null ? 0 : text.length();
            }
          }
        }
      }
    }
    return length;
  }

  /** What a binding costs in memory, with its action and the catalogue's share. */
  static void memory(int size) throws Exception {
    Path file = Files.createTempDirectory("polydex-bench").resolve("large.polydex");
    try (Store store = Store.open(file)) {
      store.save(new Change.Edit("Fill", Workspace.EMPTY, workspace(size)), Instant.EPOCH);
    }
    try (Store store = Store.open(file)) {
      long before = used();
      Workspace read = store.workspace();
      long after = used();
      System.out.printf(
          Locale.ROOT,
          "| memory of a binding, its action included | %,d bindings | %,d bytes | 600 bytes wanted | |%n",
          size,
          (after - before) / read.catalog().size());
    }
    Files.delete(file);
  }

  static long used() throws InterruptedException {
    for (int i = 0; i < 4; i++) {
      System.gc();
      Thread.sleep(50);
    }
    return ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed();
  }

  /** A list read and planned, against Commons CSV only counting its fields. */
  static void bringIn(int rows) throws Exception {
    Path list = Files.createTempFile("polydex-bench", ".csv");
    World world = Large.world(100_000);
    Catalog catalog = world.catalog();
    List<Binding> bindings = catalog.bindings(new EnvironmentId("app"));
    try (BufferedWriter out = Files.newBufferedWriter(list)) {
      out.write("application,context,action,gesture\n");
      for (int i = 0; i < rows; i++) {
        Binding b = bindings.get(i % bindings.size());
        Gesture gesture = b.gesture();
        out.write(
            "App %d,%s,%s,%s%n"
                .formatted(i / bindings.size(), b.context(), catalog.title(b.action()), gesture));
      }
    }
    Workspace start = Shipped.start();
    Main.row(
        "bring in a CSV, read and planned / Commons CSV alone",
        "%,d lines".formatted(rows),
        () -> {
          Intake intake =
              Intake.of(start, ListReader.read(list), Optional.empty(), Optional.empty());
          return BindingIntake.plan(start, intake.request()).taken().size();
        },
        () -> {
          try (var reader = Files.newBufferedReader(list)) {
            int fields = 0;
            for (var line : CSVFormat.RFC4180.parse(reader)) {
              fields += line.size();
            }
            return fields;
          }
        },
        1);
    Files.delete(list);
  }

  /** Looking up, opening and keeping. */
  static void all() throws Exception {
    for (int size : new int[] {1_000, 10_000, 100_000}) {
      search(size);
    }
    open(100_000);
    memory(100_000);
  }

  /** Long lists. */
  static void intake() throws Exception {
    for (int rows : new int[] {100_000, 1_000_000}) {
      bringIn(rows);
    }
  }
}
