package polydex.files.store;

import java.time.Instant;
import java.util.List;
import org.jdbi.v3.core.Handle;
import polydex.catalog.EnvironmentId;
import polydex.recognition.Place;
import polydex.route.SetupId;
import polydex.totals.Reminder;

/** Moments at which something was or could have been named: rows are only added. */
final class ReminderTable {
  private ReminderTable() {}

  static void insert(Handle h, Reminder reminder) {
    h.createUpdate(
            """
            INSERT OR REPLACE INTO reminder (at, setup, environment, action, told)
            VALUES (:at, :setup, :environment, :action, :told)
            """)
        .bind("at", reminder.at().toEpochMilli())
        .bind("setup", reminder.place().setup())
        .bind("environment", reminder.place().environment())
        .bind("action", reminder.place().doing().written())
        .bind("told", reminder.told())
        .execute();
  }

  static List<Reminder> all(Handle h) {
    return h.createQuery("SELECT at, setup, environment, action, told FROM reminder ORDER BY at")
        .map(
            (row, _) ->
                new Reminder(
                    Instant.ofEpochMilli(row.getLong(1)),
                    Place.read(
                        new SetupId(row.getString(2)),
                        new EnvironmentId(row.getString(3)),
                        row.getString(4)),
                    row.getBoolean(5)))
        .list();
  }
}
