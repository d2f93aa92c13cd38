package polydex.files.store;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.statement.PreparedBatch;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.recall.DrillItem;
import polydex.recall.Learning;

/** What the person has said about learning, a row an item. */
final class LearningTable {
  private static final String MARKED = "MARKED";
  private static final String PUT_OFF = "PUT_OFF";
  private static final String DROPPED = "DROPPED";

  private record SaidRow(String said, Optional<String> until) {}

  private final Handle h;

  LearningTable(Handle h) {
    this.h = h;
  }

  Learning read() {
    Set<DrillItem> marked = new HashSet<>();
    Map<DrillItem, LocalDate> putOff = new HashMap<>();
    Set<DrillItem> dropped = new HashSet<>();
    h.createQuery("SELECT environment, action, said, until FROM learning")
        .map(
            (row, _) -> {
              DrillItem item =
                  new DrillItem(
                      new EnvironmentId(row.getString("environment")),
                      new ActionId(row.getString("action")));
              switch (row.getString("said")) {
                case MARKED -> marked.add(item);
                case PUT_OFF -> putOff.put(item, LocalDate.parse(row.getString("until")));
                default -> dropped.add(item);
              }
              return item;
            })
        .list();
    return new Learning(marked, putOff, dropped);
  }

  void write(Learning before, Learning after) {
    if (before.equals(after)) {
      return;
    }
    Map<DrillItem, SaidRow> old = rows(before);
    Map<DrillItem, SaidRow> now = rows(after);
    PreparedBatch gone =
        h.prepareBatch(
            "DELETE FROM learning WHERE environment = :environment AND action = :action");
    old.keySet().stream()
        .filter(i -> !now.containsKey(i))
        .forEach(i -> gone.bind("environment", i.environment()).bind("action", i.action()).add());
    PreparedBatch put =
        h.prepareBatch(
            """
            INSERT INTO learning (environment, action, said, until)
            VALUES (:environment, :action, :said, :until)
            ON CONFLICT (environment, action)
            DO UPDATE SET said = excluded.said, until = excluded.until
            """);
    now.forEach(
        (i, row) ->
            put.bind("environment", i.environment())
                .bind("action", i.action())
                .bind("said", row.said())
                .bind("until", row.until())
                .add());
    WorkspaceTables.run(gone);
    WorkspaceTables.run(put);
  }

  private static Map<DrillItem, SaidRow> rows(Learning learning) {
    Map<DrillItem, SaidRow> rows = new HashMap<>();
    learning.marked().forEach(i -> rows.put(i, new SaidRow(MARKED, Optional.empty())));
    learning
        .putOff()
        .forEach((i, day) -> rows.put(i, new SaidRow(PUT_OFF, Optional.of(day.toString()))));
    learning.dropped().forEach(i -> rows.put(i, new SaidRow(DROPPED, Optional.empty())));
    return rows;
  }
}
