package polydex.files.store;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.statement.PreparedBatch;
import polydex.conflict.Accepted;
import polydex.conflict.Accepted.Acceptance;

/** Accepted conflicts as rows. */
final class AcceptedTable {
  private final Handle h;

  AcceptedTable(Handle h) {
    this.h = h;
  }

  Accepted read() {
    Map<String, Acceptance> byId = new HashMap<>();
    h.createQuery("SELECT conflict, sides, reason, day FROM accepted")
        .map(
            (row, _) ->
                byId.put(
                    row.getString("conflict"),
                    new Acceptance(
                        row.getString("sides"),
                        row.getString("reason"),
                        LocalDate.parse(row.getString("day")))))
        .list();
    return new Accepted(byId);
  }

  void write(Accepted before, Accepted after) {
    PreparedBatch gone = h.prepareBatch("DELETE FROM accepted WHERE conflict = :conflict");
    before.byId().keySet().stream()
        .filter(id -> !after.byId().containsKey(id))
        .forEach(id -> gone.bind("conflict", id).add());
    PreparedBatch put =
        h.prepareBatch(
            """
            INSERT INTO accepted (conflict, sides, reason, day)
            VALUES (:conflict, :sides, :reason, :day)
            ON CONFLICT (conflict) DO UPDATE
            SET sides = excluded.sides, reason = excluded.reason, day = excluded.day
            """);
    after
        .byId()
        .forEach(
            (id, a) -> {
              if (!a.equals(before.byId().get(id))) {
                put.bind("conflict", id)
                    .bind("sides", a.sides())
                    .bind("reason", a.reason())
                    .bind("day", a.day().toString())
                    .add();
              }
            });
    WorkspaceTables.run(gone);
    WorkspaceTables.run(put);
  }
}
