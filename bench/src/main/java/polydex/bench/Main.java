package polydex.bench;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import polydex.catalog.Binding;
import polydex.conflict.ConflictFinder;
import polydex.files.Shipped;
import polydex.keys.Gesture;
import polydex.route.SetupTraces;
import polydex.route.Tracer;
import polydex.route.World;
import polydex.workspace.Workspace;

/**
 * Measures speed as ratios within one run: each row is the median of several rounds of ours and of
 * a named baseline, taken in turn, so that whatever else the machine does falls on both.
 */
public final class Main {
  private static final int ROUNDS = 5;

  private Main() {}

  /** Runs the benchmarks that are named (catalog, intake, route), or all, and prints a table. */
  public static void main(String[] args) throws Exception {
    System.out.println("| what | size | ours | baseline | baseline / ours |");
    System.out.println("| --- | ---: | ---: | ---: | ---: |");
    Set<String> wanted = Set.of(args);
    if (wanted.isEmpty() || wanted.contains("catalog")) {
      CatalogBench.all();
    }
    if (wanted.isEmpty() || wanted.contains("intake")) {
      CatalogBench.intake();
    }
    if (wanted.isEmpty() || wanted.contains("route")) {
      trace();
      for (int size : new int[] {1_000, 10_000, 30_000}) {
        conflicts(size);
      }
    }
  }

  /** One trace through six layers of the demo, against reading the gesture from its text. */
  private static void trace() throws Exception {
    Workspace demo = Shipped.demo();
    Tracer tracer = Tracer.of(demo.setups().get("studio-stars"), demo.world());
    Gesture gesture = Gesture.parse("Meta+S");
    int times = 20_000;
    row(
        "trace through a remote window / parsing its gesture",
        tracer.layers().size() + " layers",
        () -> repeat(times, () -> tracer.trace(gesture)),
        () -> repeat(times, () -> Gesture.parse("Meta+S")),
        times);
  }

  /** All duplicate and intercepted conflicts, against an indexed self-join in in-memory SQLite. */
  private static void conflicts(int size) throws Exception {
    World world = Large.world(size);
    try (Connection sqlite = joined(world)) {
      row(
          "all conflicts of a setup / SQLite self-join",
          "%,d bindings".formatted(size),
          () -> ConflictFinder.find(world, SetupTraces.of(Large.setup(), world), _ -> 1).size(),
          () -> join(sqlite),
          1);
    }
  }

  private static Connection joined(World world) throws Exception {
    Connection sqlite = DriverManager.getConnection("jdbc:sqlite::memory:");
    try (Statement s = sqlite.createStatement()) {
      s.execute("CREATE TABLE b (env TEXT, ctx TEXT, action TEXT, gesture TEXT)");
      sqlite.setAutoCommit(false);
      try (PreparedStatement insert =
          sqlite.prepareStatement("INSERT INTO b VALUES (?, ?, ?, ?)")) {
        for (String environment : List.of("desk", "app")) {
          for (Binding b : world.catalog().bindings(environment)) {
            insert.setString(1, environment);
            insert.setString(2, b.context());
            insert.setString(3, b.action());
            insert.setString(4, b.gesture().toString());
            insert.addBatch();
          }
        }
        insert.executeBatch();
      }
      sqlite.commit();
      s.execute("CREATE INDEX i ON b (gesture, env, ctx)");
      sqlite.commit();
    }
    return sqlite;
  }

  private static int join(Connection sqlite) throws Exception {
    String sql =
        """
        SELECT a.action, o.action FROM b a JOIN b o ON a.gesture = o.gesture
        WHERE a.action <> o.action
          AND ((a.env = o.env AND a.ctx = o.ctx AND a.rowid > o.rowid)
            OR (a.env = 'app' AND o.env = 'desk'))
        """;
    int rows = 0;
    try (Statement s = sqlite.createStatement();
        ResultSet found = s.executeQuery(sql)) {
      while (found.next()) {
        rows += found.getString(1).length() > 0 ? 1 : 0;
      }
    }
    return rows;
  }

  private static int repeat(int times, Callable<?> work) throws Exception {
    int done = 0;
    for (int i = 0; i < times; i++) {
      done += work.call() == null ? 0 : 1;
    }
    return done;
  }

  static void row(
      String what, String size, Callable<Integer> ours, Callable<Integer> baseline, int each)
      throws Exception {
    double[] mine = new double[ROUNDS];
    double[] theirs = new double[ROUNDS];
    int seen = 0;
    for (int round = -2; round < ROUNDS; round++) {
      long begin = System.nanoTime();
      seen += ours.call();
      long middle = System.nanoTime();
      seen += baseline.call();
      long end = System.nanoTime();
      if (round >= 0) {
        mine[round] = (middle - begin) / 1e3 / each;
        theirs[round] = (end - middle) / 1e3 / each;
      }
    }
    if (seen == 0) {
      throw new IllegalStateException(what + " found nothing, so nothing was measured.");
    }
    Arrays.sort(mine);
    Arrays.sort(theirs);
    double a = mine[ROUNDS / 2];
    double b = theirs[ROUNDS / 2];
    System.out.printf("| %s | %s | %s | %s | %.2f |%n", what, size, time(a), time(b), b / a);
  }

  private static String time(double micros) {
    return micros < 1000 ? "%.1f µs".formatted(micros) : "%,.1f ms".formatted(micros / 1000);
  }
}
