package polydex.files.store;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.result.RowView;
import org.jdbi.v3.core.statement.PreparedBatch;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.mouse.MouseChoices;
import polydex.mouse.Wish;
import polydex.recognition.LearntName;
import polydex.recognition.Place;
import polydex.route.SetupId;

/** What was said about what the mouse still does, as rows; written as the difference of two. */
final class MouseTables {
  private static final String AT_PLACE =
      " WHERE setup = :setup AND environment = :environment AND action = :action";
  private static final String ON_PLACE = " ON CONFLICT (setup, environment, action) DO UPDATE SET ";

  private final Handle h;

  MouseTables(Handle h) {
    this.h = h;
  }

  MouseChoices read() {
    Map<Place, String> kept = new HashMap<>();
    h.createQuery("SELECT setup, environment, action, reason FROM kept")
        .reduceRows(
            kept,
            (all, row) -> {
              all.put(place(row), row.getColumn("reason", String.class));
              return all;
            });
    Map<Place, Wish> wishes = new HashMap<>();
    h.createQuery("SELECT setup, environment, action, gesture, day FROM wish")
        .reduceRows(
            wishes,
            (all, row) -> {
              Gesture gesture = Gesture.parse(row.getColumn("gesture", String.class));
              LocalDate day = LocalDate.parse(row.getColumn("day", String.class));
              all.put(place(row), new Wish(place(row), gesture, day));
              return all;
            });
    Map<LearntName, Optional<ActionId>> names = new HashMap<>();
    h.createQuery("SELECT environment, name, action FROM learnt_name")
        .reduceRows(
            names,
            (all, row) -> {
              LearntName name =
                  LearntName.read(
                      new EnvironmentId(row.getColumn("environment", String.class)),
                      row.getColumn("name", String.class));
              all.put(
                  name,
                  Optional.ofNullable(row.getColumn("action", String.class)).map(ActionId::new));
              return all;
            });
    return new MouseChoices(kept, wishes, names);
  }

  private static Place place(RowView row) {
    return Place.read(
        new SetupId(row.getColumn("setup", String.class)),
        new EnvironmentId(row.getColumn("environment", String.class)),
        row.getColumn("action", String.class));
  }

  void write(MouseChoices before, MouseChoices after) {
    PreparedBatch notKept = h.prepareBatch("DELETE FROM kept" + AT_PLACE);
    PreparedBatch keep =
        h.prepareBatch(
            "INSERT INTO kept (setup, environment, action, reason)"
                + " VALUES (:setup, :environment, :action, :reason)"
                + ON_PLACE
                + "reason = excluded.reason");
    gone(before.kept(), after.kept()).forEach((p, _) -> bind(notKept, p).add());
    changed(before.kept(), after.kept())
        .forEach((p, reason) -> bind(keep, p).bind("reason", reason).add());
    PreparedBatch notWished = h.prepareBatch("DELETE FROM wish" + AT_PLACE);
    PreparedBatch wish =
        h.prepareBatch(
            "INSERT INTO wish (setup, environment, action, gesture, day)"
                + " VALUES (:setup, :environment, :action, :gesture, :day)"
                + ON_PLACE
                + "gesture = excluded.gesture, day = excluded.day");
    gone(before.wishes(), after.wishes()).forEach((p, _) -> bind(notWished, p).add());
    changed(before.wishes(), after.wishes())
        .forEach(
            (p, w) ->
                bind(wish, p)
                    .bind("gesture", w.gesture().toString())
                    .bind("day", w.day().toString())
                    .add());
    PreparedBatch forget =
        h.prepareBatch("DELETE FROM learnt_name WHERE environment = :environment AND name = :name");
    PreparedBatch learn =
        h.prepareBatch(
            "INSERT INTO learnt_name (environment, name, action)"
                + " VALUES (:environment, :name, :action)"
                + " ON CONFLICT (environment, name) DO UPDATE SET action = excluded.action");
    gone(before.names(), after.names())
        .forEach(
            (n, _) -> forget.bind("environment", n.environment()).bind("name", n.joined()).add());
    changed(before.names(), after.names())
        .forEach(
            (n, action) ->
                learn
                    .bind("environment", n.environment())
                    .bind("name", n.joined())
                    .bind("action", action.map(ActionId::value))
                    .add());
    for (PreparedBatch batch :
        new PreparedBatch[] {notKept, keep, notWished, wish, forget, learn}) {
      WorkspaceTables.run(batch);
    }
  }

  private static PreparedBatch bind(PreparedBatch batch, Place p) {
    return batch
        .bind("setup", p.setup())
        .bind("environment", p.environment())
        .bind("action", p.doing().written());
  }

  private static <K, V> Map<K, V> gone(Map<K, V> before, Map<K, V> after) {
    Map<K, V> gone = new HashMap<>(before);
    gone.keySet().removeAll(after.keySet());
    return gone;
  }

  private static <K, V> Map<K, V> changed(Map<K, V> before, Map<K, V> after) {
    Map<K, V> changed = new HashMap<>(after);
    changed.entrySet().removeAll(before.entrySet());
    return changed;
  }
}
