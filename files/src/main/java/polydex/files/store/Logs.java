package polydex.files.store;

import java.time.Instant;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.jdbi.v3.core.Handle;
import polydex.keys.Gesture;
import polydex.mouse.Use;
import polydex.recall.Answer;
import polydex.recall.DrillItem;

/** The two logs: rows are only added, but for the undoing of one that a person wrote by hand. */
final class Logs {
  private Logs() {}

  static void insert(Handle h, Answer a) {
    h.createUpdate(
            """
            INSERT INTO answer (at, environment, action, verdict, seconds, asked, pressed)
            VALUES (:at, :environment, :action, :verdict, :seconds, :asked, :pressed)
            """)
        .bind("at", a.at().toEpochMilli())
        .bind("environment", a.item().environment())
        .bind("action", a.item().action())
        .bind("verdict", a.verdict().name())
        .bind("seconds", a.seconds())
        .bind("asked", a.asked().toString())
        .bind("pressed", a.pressed())
        .execute();
  }

  static void insert(Handle h, Use u) {
    h.createUpdate(
            "INSERT INTO use (at, action, device, setup) VALUES (:at, :action, :device, :setup)")
        .bind("at", u.at().toEpochMilli())
        .bind("action", u.action())
        .bind("device", u.device().name())
        .bind("setup", u.setup())
        .execute();
  }

  static void remove(Handle h, Use u) {
    h.createUpdate(
            """
            DELETE FROM use WHERE id = (
              SELECT max(id) FROM use
              WHERE at = :at AND action = :action AND device = :device AND setup = :setup)
            """)
        .bind("at", u.at().toEpochMilli())
        .bind("action", u.action())
        .bind("device", u.device().name())
        .bind("setup", u.setup())
        .execute();
  }

  static void answers(Handle h, Consumer<Answer> to) {
    try (Stream<Answer> rows =
        h
            .createQuery(
                """
                SELECT at, environment, action, verdict, seconds, asked, pressed
                FROM answer ORDER BY at, id
                """)
            .map(
                (row, _) ->
                    new Answer(
                        new DrillItem(row.getString("environment"), row.getString("action")),
                        Instant.ofEpochMilli(row.getLong("at")),
                        Answer.Verdict.valueOf(row.getString("verdict")),
                        row.getDouble("seconds"),
                        Gesture.parse(row.getString("asked")),
                        row.getString("pressed")))
            .stream()) {
      rows.forEach(to);
    }
  }

  static void uses(Handle h, Consumer<Use> to) {
    try (Stream<Use> rows =
        h
            .createQuery("SELECT at, action, device, setup FROM use ORDER BY at, id")
            .map(
                (row, _) ->
                    new Use(
                        Instant.ofEpochMilli(row.getLong("at")),
                        row.getString("action"),
                        Use.Device.valueOf(row.getString("device")),
                        row.getString("setup")))
            .stream()) {
      rows.forEach(to);
    }
  }
}
