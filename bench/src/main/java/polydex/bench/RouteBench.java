package polydex.bench;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Random;
import java.util.Set;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
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
      remote(size);
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
      for (int i = 0; i < 5; i++) {
        Deque<World> worlds = anew(world, rounds);
        long begin = System.nanoTime();
        for (int r = 0; r < rounds; r++) {
          found = find(Large.setup(), worlds.remove()).size();
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

  /** The same world so many times, of whose keymaps nothing has been made yet. */
  private static Deque<World> anew(World world, int times) {
    Deque<World> worlds = new ArrayDeque<>();
    for (int i = 0; i < times; i++) {
      Catalog catalog = world.catalog();
      for (Environment e : world.catalog().environments()) {
        catalog = catalog.withBindings(e.id(), new ArrayList<>(catalog.bindings(e.id())));
      }
      worlds.add(new World(catalog, world.boards(), world.layouts()));
    }
    return worlds;
  }

  private static List<Conflict> find(Setup setup, World world) {
    return ConflictFinder.find(SetupTraces.of(setup, world), PERSON);
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
    int times = 100_000; // so often that the compiler has been through with it
    Main.row(
        "trace through a remote window / parsing its gesture",
        tracer.layers().size() + " layers",
        () -> Main.repeat(times, () -> tracer.trace(gesture)),
        () -> Main.repeat(times, () -> Gesture.parse("Meta+S")),
        times);
  }

  private static void conflicts(String what, World world, int size) throws Exception {
    Setup setup = Large.setup();
    int times = times(size);
    String bindings = "%,d bindings".formatted(size);
    Deque<World> worlds = anew(world, (Main.ROUNDS + Main.WARM) * times);
    try (Connection sqlite = joined(world)) {
      Main.row(
          "all conflicts of " + what + ", from the world / SQLite self-join",
          bindings,
          () -> Main.repeat(times, () -> find(setup, worlds.remove()).size()),
          () -> Main.repeat(times, () -> join(sqlite)),
          times);
      Main.row(
          "all conflicts of " + what + ", its keymaps compiled / SQLite self-join",
          bindings,
          () -> Main.repeat(times, () -> find(setup, world).size()),
          () -> Main.repeat(times, () -> join(sqlite)),
          times);
      Main.row(
          "duplicate and intercepted of " + what + ", compiled / SQLite self-join",
          bindings,
          () ->
              Main.repeat(
                  times,
                  () ->
                      ConflictFinder.find(SetupTraces.of(setup, world), PERSON, ASKED::contains)
                          .size()),
          () -> Main.repeat(times, () -> join(sqlite)),
          times);
    }
    Main.row(
        "all conflicts of " + what + ", each looked at / found",
        bindings,
        () -> find(setup, world).stream().mapToInt(Conflict::severity).sum(),
        () -> find(setup, world).size(),
        1);
  }

  /** Behind a remote window, with remaps on both sides of it, against the same without. */
  private static void remote(int size) throws Exception {
    World plain = Large.usual(size);
    World world = Large.remote(size);
    int times = times(size);
    String bindings = "%,d bindings".formatted(size);
    Deque<World> worlds = anew(world, (Main.ROUNDS + Main.WARM) * times);
    Deque<World> plains = anew(plain, (Main.ROUNDS + Main.WARM) * times);
    Main.row(
        "all conflicts of a remote setup / of a usual one, from the world",
        bindings,
        () -> Main.repeat(times, () -> find(Large.remoteSetup(), worlds.remove()).size()),
        () -> Main.repeat(times, () -> find(Large.setup(), plains.remove()).size()),
        times);
    Main.row(
        "all conflicts of a remote setup / of a usual one, compiled",
        bindings,
        () -> Main.repeat(times, () -> find(Large.remoteSetup(), world).size()),
        () -> Main.repeat(times, () -> find(Large.setup(), plain).size()),
        times);
  }

  /** So often in a row that the compiler has been through with it. */
  private static int times(int size) {
    return Math.max(2, 200_000 / size);
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
