package polydex.bench;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.conflict.Conflict;
import polydex.conflict.Conflict.Kind;
import polydex.conflict.ConflictFinder;
import polydex.conflict.ConflictUpdate;
import polydex.conflict.Person;
import polydex.files.Shipped;
import polydex.keys.Gesture;
import polydex.route.Retracing;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;
import polydex.route.Tracer;
import polydex.route.World;
import polydex.workspace.Workspace;

/** Traces, and the conflicts of large setups, against an indexed self-join in in-memory SQLite. */
final class RouteBench {
  private static final Person PERSON = Person.of(_ -> 1);
  private static final Set<Kind> ASKED = Set.of(Kind.DUPLICATE, Kind.INTERCEPTED);

  private static final int EDITS = 4;

  private RouteBench() {}

  static void all() throws Exception {
    trace();
    for (int size : new int[] {1_000, 10_000, 100_000}) {
      conflicts("a usual setup", Large.usual(size), size);
    }
    for (int size : new int[] {10_000, 30_000}) {
      conflicts("a crowded setup", Large.world(size), size);
    }
    for (int size : new int[] {10_000, 100_000}) {
      edit(size);
    }
    growth();
  }

  /** Once each, since the largest takes long: time by number of bindings. */
  private static void growth() {
    double before = 0;
    for (int size : new int[] {1_000, 10_000, 100_000, 1_000_000}) {
      World world = Large.usual(size);
      int rounds = Math.max(1, 200_000 / size);
      double best = Double.MAX_VALUE;
      int found = 0;
      for (int i = 0; i < 3; i++) {
        long begin = System.nanoTime();
        for (int r = 0; r < rounds; r++) {
          found = ConflictFinder.find(SetupTraces.of(Large.setup(), world), PERSON).size();
        }
        best = Math.min(best, (System.nanoTime() - begin) / 1e6 / rounds);
      }
      System.out.printf(
          "| growth: all conflicts of a usual setup, %,d found | %,d bindings | %,.1f ms | exponent"
              + " %s | |%n",
          found, size, best, before == 0 ? "" : "%.2f".formatted(Math.log10(best / before)));
      before = best;
    }
  }

  /** One gesture changed in one keymap: gone on with, against starting over. */
  private static void edit(int size) throws Exception {
    World world = Large.usual(size);
    Random random = new Random(size);
    SetupTraces traces = SetupTraces.of(Large.setup(), world);
    List<Conflict> conflicts = ConflictFinder.find(traces, PERSON);
    List<World> edited = new ArrayList<>();
    for (int i = 0; i < EDITS; i++) {
      List<Binding> list = new ArrayList<>(world.catalog().bindings(new EnvironmentId("app")));
      int at = random.nextInt(list.size());
      Gesture other = list.get(random.nextInt(list.size())).gesture();
      list.set(at, list.get(at).with(list.get(at).id(), other));
      edited.add(
          new World(
              world.catalog().withBindings(new EnvironmentId("app"), list),
              world.boards(),
              world.layouts()));
    }
    for (int i = 0; i < 20 * EDITS; i++) { // so that the compiler is done
      ConflictUpdate.of(
          conflicts, Retracing.of(traces, edited.get(i % EDITS)).orElseThrow(), PERSON);
    }
    Main.row(
        "one gesture changed, gone on with / started over",
        "%,d bindings".formatted(size),
        () -> {
          int found = 0;
          for (World w : edited) {
            found +=
                ConflictUpdate.of(conflicts, Retracing.of(traces, w).orElseThrow(), PERSON).size();
          }
          return found;
        },
        () -> {
          int found = 0;
          for (World w : edited) {
            found += ConflictFinder.find(SetupTraces.of(Large.setup(), w), PERSON).size();
          }
          return found;
        },
        EDITS);
  }

  /** One trace through six layers of the demo, against reading the gesture from its text. */
  private static void trace() throws Exception {
    Workspace demo = Shipped.demo();
    Tracer tracer = Tracer.of(demo.setups().get(new SetupId("studio-stars")), demo.world());
    Gesture gesture = Gesture.parse("Meta+S");
    int times = 20_000;
    Main.row(
        "trace through a remote window / parsing its gesture",
        tracer.layers().size() + " layers",
        () -> Main.repeat(times, () -> tracer.trace(gesture)),
        () -> Main.repeat(times, () -> Gesture.parse("Meta+S")),
        times);
  }

  private static void conflicts(String what, World world, int size) throws Exception {
    Setup setup = Large.setup();
    SetupTraces traces = SetupTraces.of(setup, world);
    try (Connection sqlite = joined(world)) {
      Main.row(
          "duplicate and intercepted of " + what + " / SQLite self-join",
          "%,d bindings".formatted(size),
          () -> ConflictFinder.find(SetupTraces.of(setup, world), PERSON, ASKED::contains).size(),
          () -> join(sqlite),
          1);
    }
    Main.row(
        "all kinds of conflicts of " + what + " / tracing it",
        "%,d bindings".formatted(size),
        () -> ConflictFinder.find(SetupTraces.of(setup, world), PERSON).size(),
        () -> SetupTraces.of(setup, world).all().size(),
        1);
    Main.row(
        "all kinds of " + what + ", already traced / reading what was traced",
        "%,d bindings".formatted(size),
        () -> ConflictFinder.find(traces, PERSON).size(),
        () -> (int) traces.all().stream().filter(TracedBinding::works).count(),
        1);
  }

  private static Connection joined(World world) throws Exception {
    Connection sqlite = DriverManager.getConnection("jdbc:sqlite::memory:");
    try (Statement s = sqlite.createStatement()) {
      s.execute("CREATE TABLE b (env TEXT, ctx TEXT, action TEXT, gesture TEXT)");
      sqlite.setAutoCommit(false);
      try (PreparedStatement insert =
          sqlite.prepareStatement("INSERT INTO b VALUES (?, ?, ?, ?)")) {
        for (String environment : List.of("desk", "app")) {
          for (Binding b : world.catalog().bindings(new EnvironmentId(environment))) {
            insert.setString(1, environment);
            insert.setString(2, b.context());
            insert.setString(3, b.action().value());
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
}
