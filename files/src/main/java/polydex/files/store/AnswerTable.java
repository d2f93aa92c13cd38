package polydex.files.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.statement.Query;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Successors;
import polydex.catalog.Successors.Doing;
import polydex.keys.Gesture;
import polydex.recall.Answer;
import polydex.recall.DrillItem;
import polydex.recall.Pace;

/** The log of drills: rows are only added. */
final class AnswerTable {
  private static final String ANSWER =
      "at, environment, action, kind, verdict, seconds, time_counts, expected, asked, pressed,"
          + " mistaken_environment, mistaken_action, first_key";

  private AnswerTable() {}

  static void insert(Handle h, Answer a) {
    h.createUpdate(
            """
            INSERT INTO answer (at, environment, action, kind, verdict, seconds, time_counts,
              expected, asked, pressed, mistaken_environment, mistaken_action, first_key)
            VALUES (:at, :environment, :action, :kind, :verdict, :seconds, :timeCounts,
              :expected, :asked, :pressed, :mistakenEnvironment, :mistakenAction, :firstKey)
            """)
        .bind("at", a.at().toEpochMilli())
        .bind("environment", a.item().environment())
        .bind("action", a.item().action())
        .bind("kind", a.kind().name())
        .bind("verdict", a.verdict().name())
        .bind("seconds", a.timing().seconds())
        .bind("timeCounts", a.timing().counts())
        .bind("expected", a.timing().expected())
        .bind("asked", a.asked().toString())
        .bind("pressed", a.pressed())
        .bind("mistakenEnvironment", a.mistakenFor().map(DrillItem::environment))
        .bind("mistakenAction", a.mistakenFor().map(DrillItem::action))
        .bind("firstKey", a.timing().firstKey())
        .execute();
  }

  static void answers(Handle h, Successors meant, Consumer<Answer> to) {
    handOn(h.createQuery("SELECT " + ANSWER + " FROM answer ORDER BY at, id"), meant, to);
  }

  static void answers(Handle h, Successors meant, DrillItem item, Consumer<Answer> to) {
    List<Answer> found = new ArrayList<>();
    for (Doing doing : meant.standingFor(new Doing(item.environment(), item.action()))) {
      handOn(
          h.createQuery(
                  "SELECT "
                      + ANSWER
                      + " FROM answer WHERE environment = :environment AND action = :action"
                      + " ORDER BY at, id")
              .bind("environment", doing.environment())
              .bind("action", doing.action()),
          meant,
          a -> {
            if (a.item().equals(item)) {
              found.add(a);
            }
          });
    }
    found.sort(Comparator.comparing(Answer::at)); // each part is in order already
    found.forEach(to);
  }

  /** The same few items and gestures come again and again, so each is made once. */
  private static void handOn(Query query, Successors meant, Consumer<Answer> to) {
    Map<String, Gesture> gestures = new HashMap<>();
    Map<DrillItem, DrillItem> items = new HashMap<>();
    query.scanResultSet(
        (rows, _) -> {
          try (ResultSet row = rows.get()) {
            while (row.next()) {
              to.accept(answer(row, meant, gestures, items));
            }
          }
          return to;
        });
  }

  /** Columns by their numbers, which for a long log is twice as fast as by their names. */
  private static Answer answer(
      ResultSet row,
      Successors meant,
      Map<String, Gesture> gestures,
      Map<DrillItem, DrillItem> items)
      throws SQLException {
    Gesture asked = gestures.computeIfAbsent(row.getString(9), Gesture::parse);
    double expected = row.getDouble(8);
    if (row.wasNull()) {
      expected = Pace.UNKNOWN.expected(asked);
    }
    Instant at = Instant.ofEpochMilli(row.getLong(1));
    String mistaken = row.getString(11);
    double firstKey = row.getDouble(13);
    OptionalDouble first = row.wasNull() ? OptionalDouble.empty() : OptionalDouble.of(firstKey);
    return new Answer(
        items.computeIfAbsent(item(row.getString(2), row.getString(3), meant, at), i -> i),
        at,
        Answer.Kind.valueOf(row.getString(4)),
        Answer.Verdict.valueOf(row.getString(5)),
        new Answer.Timing(row.getDouble(6), row.getBoolean(7), expected, first),
        asked,
        row.getString(10),
        mistaken == null
            ? Optional.empty()
            : Optional.of(item(mistaken, row.getString(12), meant, at)));
  }

  /** An answer counts for what its action has become. */
  private static DrillItem item(String environment, String action, Successors meant, Instant at) {
    Doing now = meant.of(new Doing(new EnvironmentId(environment), new ActionId(action)), at);
    return new DrillItem(now.environment(), now.action());
  }
}
