package polydex.files.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.statement.PreparedBatch;
import org.jspecify.annotations.Nullable;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Version;
import polydex.files.store.WorkspaceTables.Placed;
import polydex.keys.Gesture;
import polydex.own.OwnTitles;

/**
 * Actions and bindings as rows. Of large catalogues there are many, and the same few gestures,
 * groups and contexts stand in most of them: each is made once while reading and shared.
 */
final class CatalogTables {
  private final Handle h;
  private final Map<String, String> shared = new HashMap<>();
  private final Map<String, Gesture> gestures = new HashMap<>();

  CatalogTables(Handle h) {
    this.h = h;
  }

  List<Action> actions() {
    List<Action> all = new ArrayList<>();
    each(
        "SELECT id, title, in_group, words, harm, opposite, toggles FROM action ORDER BY position",
        row -> all.add(OwnTitles.said(action(row))));
    return all;
  }

  private Action action(ResultSet row) throws SQLException {
    String words = row.getString(4);
    String opposite = row.getString(6);
    return new Action(
        new ActionId(share(row.getString(1))),
        row.getString(2),
        share(row.getString(3)),
        words.isEmpty() ? List.of() : words.lines().toList(),
        Action.Harm.valueOf(row.getString(5)),
        Optional.ofNullable(opposite).map(ActionId::new),
        row.getBoolean(7));
  }

  Map<EnvironmentId, List<Binding>> bindings() {
    Map<EnvironmentId, List<Binding>> all = new LinkedHashMap<>();
    each(
        """
        SELECT environment, id, action, gesture, context, since, until, option, opens, note,
          caveat, hook, fixed, device
        FROM binding ORDER BY environment, position
        """,
        row ->
            all.computeIfAbsent(new EnvironmentId(row.getString(1)), _ -> new ArrayList<>())
                .add(binding(row)));
    return all;
  }

  private Binding binding(ResultSet row) throws SQLException {
    return new Binding(
        row.getString(2),
        new ActionId(share(row.getString(3))),
        gestures.computeIfAbsent(row.getString(4), Gesture::parse),
        share(row.getString(5)),
        condition(row.getString(6), row.getString(7), row.getString(8), row.getString(14)),
        Optional.ofNullable(row.getString(9)).map(this::share),
        remarks(row.getString(10), row.getString(11), row.getString(12), row.getBoolean(13)));
  }

  private static Binding.Condition condition(
      @Nullable String since,
      @Nullable String until,
      @Nullable String option,
      @Nullable String device) {
    return since == null && until == null && option == null && device == null
        ? Binding.Condition.ALWAYS
        : new Binding.Condition(
            Optional.ofNullable(since).map(Version::new),
            Optional.ofNullable(until).map(Version::new),
            Optional.ofNullable(option),
            Optional.ofNullable(device));
  }

  private static Binding.Remarks remarks(String note, String caveat, String hook, boolean isFixed) {
    return note.isEmpty() && caveat.isEmpty() && hook.isEmpty() && !isFixed
        ? Binding.Remarks.NONE
        : new Binding.Remarks(note, caveat, hook, isFixed);
  }

  private String share(String text) {
    String same = shared.putIfAbsent(text, text);
    return same == null ? text : same;
  }

  private interface RowReader {
    void read(ResultSet row) throws SQLException;
  }

  /** Row by row through JDBC, since a mapper's look-ups would cost more than the row. */
  private void each(String sql, RowReader reader) {
    h.createQuery(sql)
        .scanResultSet(
            (results, _) -> {
              ResultSet row = results.get();
              while (row.next()) {
                reader.read(row);
              }
              return row;
            });
  }

  void writeActions(List<Action> before, List<Action> after) {
    if (before == after) {
      return;
    }
    Map<String, Placed<Action>> old = WorkspaceTables.placed(before, a -> a.id().value());
    Map<String, Placed<Action>> now = WorkspaceTables.placed(after, a -> a.id().value());
    PreparedBatch gone = h.prepareBatch("DELETE FROM action WHERE id = :id");
    old.keySet().stream()
        .filter(key -> !now.containsKey(key))
        .forEach(key -> gone.bind("id", key).add());
    PreparedBatch put =
        h.prepareBatch(
            """
            INSERT INTO action (id, position, title, in_group, words, harm, opposite, toggles)
            VALUES (:id, :position, :title, :group, :words, :harm, :opposite, :toggles)
            ON CONFLICT (id) DO UPDATE SET position = excluded.position, title = excluded.title,
              in_group = excluded.in_group, words = excluded.words, harm = excluded.harm,
              opposite = excluded.opposite, toggles = excluded.toggles
            """);
    now.forEach(
        (key, value) -> {
          if (!value.equals(old.get(key))) {
            Action a = OwnTitles.kept(value.value());
            put.bind("id", key)
                .bind("position", value.position())
                .bind("title", a.title())
                .bind("group", a.group())
                .bind("words", String.join("\n", a.words()))
                .bind("harm", a.harm().name())
                .bind("opposite", a.opposite().map(ActionId::value))
                .bind("toggles", a.toggles())
                .add();
          }
        });
    WorkspaceTables.run(gone);
    WorkspaceTables.run(put);
  }

  void writeBindings(
      EnvironmentId environment, List<Binding> before, List<Binding> after, long changed) {
    if (before == after) {
      return;
    }
    Map<String, Placed<Binding>> old = WorkspaceTables.placed(before, Binding::id);
    Map<String, Placed<Binding>> now = WorkspaceTables.placed(after, Binding::id);
    PreparedBatch gone =
        h.prepareBatch("DELETE FROM binding WHERE environment = :environment AND id = :id");
    old.keySet().stream()
        .filter(key -> !now.containsKey(key))
        .forEach(key -> gone.bind("environment", environment).bind("id", key).add());
    PreparedBatch put =
        h.prepareBatch(
            """
            INSERT INTO binding (environment, id, position, action, gesture, context,
              since, until, option, opens, note, caveat, hook, fixed, device, changed)
            VALUES (:environment, :id, :position, :action, :gesture, :context,
              :since, :until, :option, :opens, :note, :caveat, :hook, :fixed, :device, :changed)
            ON CONFLICT (environment, id) DO UPDATE SET position = excluded.position,
              action = excluded.action, gesture = excluded.gesture, context = excluded.context,
              since = excluded.since, until = excluded.until, option = excluded.option,
              opens = excluded.opens, note = excluded.note,
              caveat = excluded.caveat, hook = excluded.hook, fixed = excluded.fixed,
              device = excluded.device, changed = excluded.changed
            """);
    now.forEach(
        (key, value) -> {
          if (!value.equals(old.get(key))) {
            bind(put.bind("environment", environment), value.value())
                .bind("position", value.position())
                .bind("changed", changed)
                .add();
          }
        });
    WorkspaceTables.run(gone);
    WorkspaceTables.run(put);
  }

  private static PreparedBatch bind(PreparedBatch row, Binding b) {
    return row.bind("id", b.id())
        .bind("action", b.action())
        .bind("gesture", b.gesture().toString())
        .bind("context", b.context())
        .bind("since", b.when().since().map(Version::written))
        .bind("until", b.when().until().map(Version::written))
        .bind("option", b.when().option())
        .bind("opens", b.heldContext())
        .bind("note", b.remarks().note())
        .bind("caveat", b.remarks().caveat())
        .bind("hook", b.remarks().hook())
        .bind("fixed", b.remarks().fixed())
        .bind("device", b.when().device());
  }
}
