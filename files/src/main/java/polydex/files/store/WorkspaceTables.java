package polydex.files.store;

import static polydex.files.language.FilesWords.worded;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.statement.PreparedBatch;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Successors;
import polydex.files.FileProblem;
import polydex.files.json.ModelJson;
import polydex.own.OwnTitles;
import polydex.route.Setup;
import polydex.workspace.Remembered;
import polydex.workspace.Workspace;

/**
 * The workspace as rows. A change is written as the difference of two values: rows that are the
 * same in both are not touched, so that the cost is that of comparing references plus what changed.
 */
final class WorkspaceTables {
  private final Handle h;

  WorkspaceTables(Handle h) {
    this.h = h;
  }

  Workspace read(String name) throws FileProblem {
    List<Environment> environments =
        bodies(name, "environment", Environment.class).stream().map(OwnTitles::said).toList();
    CatalogTables catalog = new CatalogTables(h);
    try {
      return Workspace.of(
              Catalog.of(catalog.actions(), environments, catalog.bindings())
                  .with(new Successors(bodies(name, "successor", Successors.Move.class))),
              bodies(name, "board", Board.class),
              bodies(name, "layout", Layout.class),
              bodies(name, "setup", Setup.class))
          .with(remembered(name))
          .with(new LearningTable(h).read())
          .with(new AcceptedTable(h).read())
          .with(new MouseTables(h).read())
          .with(new FittingTables(h, this).read(name));
    } catch (IllegalArgumentException e) {
      throw new FileProblem(worded("any.holds-something-that-cant-be", name, e.getMessage()), e);
    }
  }

  /**
   * Writes the difference.
   *
   * @param now when, for what is looked for by when it changed; what a file begins with did not
   */
  void write(Workspace before, Workspace after, Instant now) {
    long changed = before.catalog().size() == 0 ? 0 : now.toEpochMilli();
    // Rows that refer to each other may go and come in any order within the transaction.
    h.execute("PRAGMA defer_foreign_keys = ON");
    CatalogTables catalog = new CatalogTables(h);
    catalog.writeActions(before.catalog().actions(), after.catalog().actions());
    successors(before.catalog().successors().moves(), after.catalog().successors().moves());
    bodies(
        "environment",
        kept(before.catalog().environments()),
        kept(after.catalog().environments()),
        e -> e.id().value());
    bodies("board", before.world().boards().values(), after.world().boards().values(), Board::id);
    bodies(
        "layout", before.world().layouts().values(), after.world().layouts().values(), Layout::id);
    bodies("setup", before.setups().values(), after.setups().values(), s -> s.id().value());
    writeRemembered("title", titles(before.remembered()), titles(after.remembered()));
    writeRemembered("columns", before.remembered().columns(), after.remembered().columns());
    SameWordRows.write(h, before.remembered().sameWords(), after.remembered().sameWords());
    writeRemembered("list", lists(before.remembered()), lists(after.remembered()));
    writeRemembered("document", documents(before.remembered()), documents(after.remembered()));
    new LearningTable(h).write(before.learning(), after.learning());
    new AcceptedTable(h).write(before.accepted(), after.accepted());
    new MouseTables(h).write(before.mouse(), after.mouse());
    new FittingTables(h, this).write(before.fitting(), after.fitting());
    Set<EnvironmentId> environments = new HashSet<>();
    before.catalog().environments().forEach(e -> environments.add(e.id()));
    after.catalog().environments().forEach(e -> environments.add(e.id()));
    for (EnvironmentId environment : environments) {
      catalog.writeBindings(
          environment,
          before.catalog().bindings(environment),
          after.catalog().bindings(environment),
          changed);
    }
  }

  private static List<Environment> kept(List<Environment> all) {
    return all.stream().map(OwnTitles::kept).toList();
  }

  /** Few, and each is known by its place alone. */
  private void successors(List<Successors.Move> before, List<Successors.Move> after) {
    if (before.equals(after)) {
      return;
    }
    h.execute("DELETE FROM successor");
    PreparedBatch put = batch("INSERT INTO successor (position, body) VALUES (:position, :body)");
    for (int i = 0; i < after.size(); i++) {
      put.bind("position", i).bind("body", ModelJson.write(after.get(i))).add();
    }
    run(put);
  }

  private Remembered remembered(String name) throws FileProblem {
    Map<String, Map<String, String>> kinds = new HashMap<>();
    h.createQuery("SELECT kind, name, body FROM remembered")
        .map(
            (row, _) ->
                kinds
                    .computeIfAbsent(row.getString("kind"), _ -> new HashMap<>())
                    .put(row.getString("name"), row.getString("body")))
        .list();
    Map<String, Remembered.Source> lists = new HashMap<>();
    for (Map.Entry<String, String> list : kinds.getOrDefault("list", Map.of()).entrySet()) {
      lists.put(
          list.getKey(),
          ModelJson.read(
              worded("store.table-remembered", name), list.getValue(), Remembered.Source.class));
    }
    Map<String, ActionId> titles = new HashMap<>();
    kinds
        .getOrDefault("title", Map.of())
        .forEach((title, action) -> titles.put(title, new ActionId(action)));
    Map<EnvironmentId, String> documents = new HashMap<>();
    kinds
        .getOrDefault("document", Map.of())
        .forEach((environment, text) -> documents.put(new EnvironmentId(environment), text));
    return new Remembered(
        titles, kinds.getOrDefault("columns", Map.of()), lists, documents, SameWordRows.read(h));
  }

  private static Map<String, String> titles(Remembered remembered) {
    Map<String, String> bodies = new HashMap<>();
    remembered.titles().forEach((title, action) -> bodies.put(title, action.value()));
    return bodies;
  }

  private static Map<String, String> documents(Remembered remembered) {
    Map<String, String> bodies = new HashMap<>();
    remembered.documents().forEach((environment, text) -> bodies.put(environment.value(), text));
    return bodies;
  }

  private static Map<String, String> lists(Remembered remembered) {
    Map<String, String> bodies = new HashMap<>();
    remembered.lists().forEach((list, source) -> bodies.put(list, ModelJson.write(source)));
    return bodies;
  }

  private void writeRemembered(String kind, Map<String, String> before, Map<String, String> after) {
    if (before.equals(after)) {
      return;
    }
    PreparedBatch gone = batch("DELETE FROM remembered WHERE kind = :kind AND name = :name");
    before.keySet().stream()
        .filter(key -> !after.containsKey(key))
        .forEach(key -> gone.bind("kind", kind).bind("name", key).add());
    PreparedBatch put =
        batch(
            "INSERT INTO remembered (kind, name, body) VALUES (:kind, :name, :body)"
                + " ON CONFLICT (kind, name) DO UPDATE SET body = excluded.body");
    after.forEach(
        (key, body) -> {
          if (!body.equals(before.get(key))) {
            put.bind("kind", kind).bind("name", key).bind("body", body).add();
          }
        });
    run(gone);
    run(put);
  }

  /** A value and where it stands in its list. */
  record Placed<T>(T value, int position) {}

  static <T> Map<String, Placed<T>> placed(Collection<T> values, Function<T, String> id) {
    Map<String, Placed<T>> byId = new LinkedHashMap<>();
    values.forEach(v -> byId.put(id.apply(v), new Placed<>(v, byId.size())));
    return byId;
  }

  <T> List<T> bodies(String name, String table, Class<T> type) throws FileProblem {
    List<T> found = new ArrayList<>();
    for (String body :
        h.createQuery("SELECT body FROM <table> ORDER BY position")
            .define("table", table)
            .mapTo(String.class)
            .list()) {
      found.add(ModelJson.read(worded("store.table", name, table), body, type));
    }
    return found;
  }

  <T> void bodies(String table, Collection<T> before, Collection<T> after, Function<T, String> id) {
    Map<String, Placed<T>> old = placed(before, id);
    Map<String, Placed<T>> now = placed(after, id);
    PreparedBatch gone = batch("DELETE FROM " + table + " WHERE id = :id");
    old.keySet().stream()
        .filter(key -> !now.containsKey(key))
        .forEach(key -> gone.bind("id", key).add());
    PreparedBatch put =
        batch(
            "INSERT INTO "
                + table
                + " (id, position, body) VALUES (:id, :position, :body)"
                + " ON CONFLICT (id) DO UPDATE SET position = excluded.position,"
                + " body = excluded.body");
    now.forEach(
        (key, value) -> {
          if (!value.equals(old.get(key))) {
            put.bind("id", key)
                .bind("position", value.position())
                .bind("body", ModelJson.write(value.value()))
                .add();
          }
        });
    run(gone);
    run(put);
  }

  private PreparedBatch batch(String sql) {
    return h.prepareBatch(sql);
  }

  static void run(PreparedBatch batch) {
    if (batch.size() > 0) {
      batch.execute();
    }
    batch.close();
  }
}
