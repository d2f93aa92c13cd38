package polydex.bench;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.apache.commons.csv.CSVFormat;
import polydex.catalog.Action;
import polydex.catalog.ActionSearch;
import polydex.catalog.Binding;
import polydex.conflict.ConflictFinder;
import polydex.files.Shipped;
import polydex.files.lists.Intake;
import polydex.files.lists.ListReader;
import polydex.keys.Gesture;
import polydex.route.SetupTraces;
import polydex.route.Tracer;
import polydex.route.World;
import polydex.workspace.BindingIntake;
import polydex.workspace.Workspace;

/**
 * Measures speed as ratios within one run: each row is the median of several rounds of ours and of
 * a named baseline, taken in turn, so that whatever else the machine does falls on both.
 */
public final class Main {
  private static final int ROUNDS = 5;

  private Main() {}

  /** Runs every benchmark and prints a table. */
  public static void main(String[] args) throws Exception {
    System.out.println("| what | size | ours | baseline | baseline / ours |");
    System.out.println("| --- | ---: | ---: | ---: | ---: |");
    trace();
    for (int size : new int[] {1_000, 10_000, 100_000}) {
      search(size);
    }
    for (int size : new int[] {1_000, 10_000, 30_000}) {
      conflicts(size);
    }
    for (int size : new int[] {10_000, 100_000}) {
      bringIn(size);
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

  /** Each typed character's results, against a scan of all titles. */
  private static void search(int size) throws Exception {
    List<Action> actions = Large.world(size).catalog().actions();
    ActionSearch search = ActionSearch.of(actions);
    List<String> queries = List.of("d", "do", "dom", "dome", "dome f", "dome fa", "dome fad");
    row(
        "find while typing / scan of all titles",
        "%,d actions".formatted(size),
        () -> queries.stream().mapToInt(q -> search.find(q).size()).sum(),
        () -> queries.stream().mapToInt(q -> scan(actions, q)).sum(),
        queries.size());
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

  /** A list read and planned, against Commons CSV only counting its fields. */
  private static void bringIn(int size) throws Exception {
    Path list = Files.createTempFile("polydex-bench", ".csv");
    StringBuilder text = new StringBuilder("application,context,action,gesture\n");
    World world = Large.world(size);
    for (Binding b : world.catalog().bindings("app")) {
      text.append("App,")
          .append(b.context())
          .append(',')
          .append(world.catalog().title(b.action()))
          .append(',')
          .append(b.gesture())
          .append('\n');
    }
    Files.writeString(list, text);
    Workspace start = Shipped.start();
    row(
        "bring in a CSV, read and planned / Commons CSV alone",
        "%,d lines".formatted(world.catalog().bindings("app").size()),
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

  private static int repeat(int times, Callable<?> work) throws Exception {
    int done = 0;
    for (int i = 0; i < times; i++) {
      done += work.call() == null ? 0 : 1;
    }
    return done;
  }

  private static void row(
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
