package polydex.bench;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.List;
import java.util.Set;
import polydex.catalog.Binding;
import polydex.conflict.Conflict.Kind;
import polydex.conflict.ConflictFinder;
import polydex.conflict.Person;
import polydex.files.Shipped;
import polydex.keys.Gesture;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;
import polydex.route.Tracer;
import polydex.route.World;
import polydex.workspace.Workspace;

/** Traces, and the conflicts of large setups, against an indexed self-join in in-memory SQLite. */
final class RouteBench {
  private static final Person PERSON = Person.of(_ -> 1);
  private static final Set<Kind> ASKED = Set.of(Kind.DUPLICATE, Kind.INTERCEPTED);

  private RouteBench() {}

  static void all() throws Exception {
    trace();
    for (int size : new int[] {1_000, 10_000, 30_000}) {
      conflicts(size);
    }
  }

  /** One trace through six layers of the demo, against reading the gesture from its text. */
  private static void trace() throws Exception {
    Workspace demo = Shipped.demo();
    Tracer tracer = Tracer.of(demo.setups().get("studio-stars"), demo.world());
    Gesture gesture = Gesture.parse("Meta+S");
    int times = 20_000;
    Main.row(
        "trace through a remote window / parsing its gesture",
        tracer.layers().size() + " layers",
        () -> Main.repeat(times, () -> tracer.trace(gesture)),
        () -> Main.repeat(times, () -> Gesture.parse("Meta+S")),
        times);
  }

  private static void conflicts(int size) throws Exception {
    World world = Large.world(size);
    Setup setup = Large.setup();
    SetupTraces traces = SetupTraces.of(setup, world);
    try (Connection sqlite = joined(world)) {
      Main.row(
          "duplicate and intercepted of a setup / SQLite self-join",
          "%,d bindings".formatted(size),
          () -> ConflictFinder.find(SetupTraces.of(setup, world), PERSON, ASKED::contains).size(),
          () -> join(sqlite),
          1);
    }
    Main.row(
        "all kinds of conflicts of a setup / tracing it",
        "%,d bindings".formatted(size),
        () -> ConflictFinder.find(SetupTraces.of(setup, world), PERSON).size(),
        () -> SetupTraces.of(setup, world).all().size(),
        1);
    Main.row(
        "all kinds, already traced / reading what was traced",
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
}
