package polydex.files.store;

import java.time.Instant;
import org.jdbi.v3.core.Handle;
import polydex.recall.MemoryFit;
import polydex.recall.MemoryFits;
import polydex.recall.MemoryParameters;

/** Fits of the memory to the person: rows are only added. */
final class FitTable {
  private FitTable() {}

  static void insert(Handle h, MemoryFit fit) {
    h.createUpdate(
            """
            INSERT OR REPLACE INTO memory_fit (at, parameters, answers, held_out, before, after)
            VALUES (:at, :parameters, :answers, :heldOut, :before, :after)
            """)
        .bind("at", fit.at().toEpochMilli())
        .bind("parameters", fit.parameters().toString())
        .bind("answers", fit.answers())
        .bind("heldOut", fit.heldOut())
        .bind("before", fit.before())
        .bind("after", fit.after())
        .execute();
  }

  static MemoryFits all(Handle h) {
    return new MemoryFits(
        h.createQuery(
                "SELECT at, parameters, answers, held_out, before, after FROM memory_fit ORDER BY at")
            .map(
                (row, _) ->
                    new MemoryFit(
                        Instant.ofEpochMilli(row.getLong(1)),
                        MemoryParameters.parse(row.getString(2)),
                        row.getInt(3),
                        row.getInt(4),
                        row.getDouble(5),
                        row.getDouble(6)))
            .list());
  }
}
