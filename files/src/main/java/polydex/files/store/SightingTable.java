package polydex.files.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.statement.PreparedBatch;
import polydex.catalog.EnvironmentId;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictHistory;
import polydex.conflict.ConflictHistory.Sighting;
import polydex.keys.Gesture;
import polydex.route.SetupId;

/** The history of conflicts as rows; written as the difference of two values. */
final class SightingTable {
  private record Id(String conflict, LocalDate since) {}

  private final Handle h;

  SightingTable(Handle h) {
    this.h = h;
  }

  ConflictHistory read() {
    List<Sighting> found = new ArrayList<>();
    h.createQuery("SELECT * FROM sighting ORDER BY since, conflict")
        .map(
            (row, _) ->
                // A kind that only a newer program knows is passed over, and stays where it is.
                kind(row).isPresent() && found.add(sighting(row)))
        .list();
    return new ConflictHistory(found);
  }

  private static Optional<Conflict.Kind> kind(ResultSet row) throws SQLException {
    return Conflict.Kind.of(row.getString("kind"));
  }

  private static Sighting sighting(ResultSet row) throws SQLException {
    return new Sighting(
        row.getString("conflict"),
        new SetupId(row.getString("setup")),
        kind(row).orElseThrow(),
        new EnvironmentId(row.getString("environment")),
        Gesture.parse(row.getString("gesture")),
        row.getString("words"),
        LocalDate.parse(row.getString("since")),
        Optional.ofNullable(row.getString("gone")).map(LocalDate::parse));
  }

  void write(ConflictHistory before, ConflictHistory after) {
    Map<Id, Sighting> old = byId(before.sightings());
    Map<Id, Sighting> now = byId(after.sightings());
    PreparedBatch less =
        h.prepareBatch("DELETE FROM sighting WHERE conflict = :conflict AND since = :since");
    old.keySet().stream()
        .filter(id -> !now.containsKey(id))
        .forEach(
            id -> less.bind("conflict", id.conflict()).bind("since", id.since().toString()).add());
    PreparedBatch put =
        h.prepareBatch(
            """
            INSERT INTO sighting (conflict, since, gone, setup, kind, environment, gesture, words)
            VALUES (:conflict, :since, :gone, :setup, :kind, :environment, :gesture, :words)
            ON CONFLICT (conflict, since) DO UPDATE SET gone = excluded.gone
            """);
    now.forEach(
        (id, s) -> {
          if (!s.equals(old.get(id))) {
            put.bind("conflict", s.conflict())
                .bind("since", s.since().toString())
                .bind("gone", s.gone().map(LocalDate::toString))
                .bind("setup", s.setup())
                .bind("kind", s.kind().name())
                .bind("environment", s.environment())
                .bind("gesture", s.gesture().toString())
                .bind("words", s.words())
                .add();
          }
        });
    WorkspaceTables.run(less);
    WorkspaceTables.run(put);
  }

  private static Map<Id, Sighting> byId(List<Sighting> sightings) {
    Map<Id, Sighting> found = new HashMap<>();
    sightings.forEach(s -> found.put(new Id(s.conflict(), s.since()), s));
    return found;
  }
}
