package polydex.files.store;

import java.util.HashMap;
import java.util.Map;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.statement.PreparedBatch;

/**
 * Groups of words that mean the same, as settings: {@code words:lamp} with {@code lamp, luminaire}.
 * They are few, and the table of what is remembered takes no further kinds.
 */
final class SameWordRows {
  private static final String PREFIX = "words:";

  private SameWordRows() {}

  static Map<String, String> read(Handle h) {
    Map<String, String> groups = new HashMap<>();
    h.createQuery("SELECT name, value FROM setting WHERE name LIKE :prefix")
        .bind("prefix", PREFIX + "%")
        .map(
            (row, _) ->
                groups.put(
                    row.getString("name").substring(PREFIX.length()), row.getString("value")))
        .list();
    return groups;
  }

  static void write(Handle h, Map<String, String> before, Map<String, String> after) {
    if (before.equals(after)) {
      return;
    }
    for (String first : before.keySet()) {
      if (!after.containsKey(first)) {
        h.createUpdate("DELETE FROM setting WHERE name = :name")
            .bind("name", PREFIX + first)
            .execute();
      }
    }
    PreparedBatch put =
        h.prepareBatch(
            "INSERT INTO setting (name, value) VALUES (:name, :value)"
                + " ON CONFLICT (name) DO UPDATE SET value = excluded.value");
    after.forEach((first, group) -> put.bind("name", PREFIX + first).bind("value", group).add());
    if (put.size() > 0) {
      put.execute();
    }
  }
}
