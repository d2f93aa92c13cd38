package polydex.files.store;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.sql.Types;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.catalog.ActionId;
import polydex.files.FileProblem;
import polydex.files.json.ModelJson;
import polydex.log.Deed;
import polydex.log.Device;
import polydex.log.LogEvent;

/**
 * The mouse log as rows. Plain JDBC, since millions of rows go in and out. Deeds are few and are
 * kept in mind; events are read in the order of time, which is that of their key.
 */
final class EventTable {
  private static final int ROWS_AT_ONCE = 2000;

  /**
   * What is there stays, unless it belongs to a batch that nobody sees: then the new one counts.
   */
  private static final String INSERT =
      """
      INSERT INTO event (at, deed, batch, characters, distance, width, seconds)
      VALUES (?, ?, ?, ?, ?, ?, ?)
      ON CONFLICT (at, deed) DO UPDATE SET batch = excluded.batch,
        characters = excluded.characters, distance = excluded.distance, width = excluded.width,
        seconds = excluded.seconds
      WHERE event.batch <> excluded.batch
        AND event.batch IN (SELECT id FROM batch WHERE NOT whole)
      """;

  private final Connection connection;
  private final Map<Deed, Long> ids = new HashMap<>();
  private final Map<Long, Deed> deeds = new HashMap<>();

  /** The deeds that the transaction that runs has made. */
  private final List<Deed> made = new ArrayList<>();

  private final List<EventReading> readings = new ArrayList<>();

  EventTable(Connection connection) throws SQLException {
    this.connection = connection;
    try (Statement statement = connection.createStatement();
        ResultSet row =
            statement.executeQuery(
                "SELECT id, machine, application, device, input, target, path, action FROM deed")) {
      while (row.next()) {
        know(
            row.getLong(1),
            new Deed(
                row.getString(2),
                row.getString(3),
                Device.valueOf(row.getString(4)),
                row.getString(5),
                row.getString(6),
                path(row.getString(7)),
                Optional.of(row.getString(8)).filter(a -> !a.isEmpty()).map(ActionId::new)));
      }
    }
  }

  private static List<String> path(String written) throws SQLException {
    try {
      return List.of(ModelJson.read("table deed", written, String[].class));
    } catch (FileProblem e) {
      throw new SQLException(e);
    }
  }

  private void know(long id, Deed deed) {
    ids.put(deed, id);
    deeds.put(id, deed);
  }

  /** The transaction is rolled back, so the deeds that it made are not there. */
  void forgetUnwritten() {
    made.forEach(d -> deeds.remove(ids.remove(d)));
    made.clear();
  }

  /** The log as it is now, to be read some rows at a time; ended by {@link #end}. */
  EventReading reading(Set<Long> hidden, long newest) {
    EventReading reading = new EventReading(connection, deeds, hidden, newest);
    readings.add(reading);
    return reading;
  }

  /** Nobody reads on. */
  void end(EventReading reading) {
    readings.remove(reading);
  }

  /** Takes one event out again. */
  void remove(LogEvent event) throws SQLException {
    try (PreparedStatement delete =
        connection.prepareStatement("DELETE FROM event WHERE at = ? AND deed = ?")) {
      delete.setLong(1, event.at().toEpochMilli());
      delete.setLong(2, ids.getOrDefault(event.deed(), -1L));
      delete.executeUpdate();
    }
  }

  /**
   * Takes in events within the transaction that runs.
   *
   * @param seen whether they are part of the log at once
   * @return how many were new
   */
  long write(Iterable<LogEvent> events, long batch, boolean seen) throws SQLException {
    try (Writing writing = new Writing(batch, seen ? List.copyOf(readings) : List.of())) {
      for (LogEvent event : events) {
        writing.add(event);
      }
      return writing.finish();
    }
  }

  /** Many events on their way in. */
  private final class Writing implements AutoCloseable {
    private final long batch;
    private final List<EventReading> readers;
    private final PreparedStatement insert = connection.prepareStatement(INSERT);
    private final PreparedStatement deed =
        connection.prepareStatement(
            "INSERT INTO deed (machine, application, device, input, target, path, action)"
                + " VALUES (?, ?, ?, ?, ?, ?, ?) RETURNING id");
    private final List<EventKey> waiting = new ArrayList<>();
    private long written;

    private Writing(long batch, List<EventReading> readers) throws SQLException {
      this.batch = batch;
      this.readers = readers;
    }

    void add(LogEvent e) throws SQLException {
      Long known = ids.get(e.deed());
      EventKey key = new EventKey(e.at().toEpochMilli(), known == null ? insert(e.deed()) : known);
      insert.setLong(1, key.at());
      insert.setLong(2, key.deed());
      insert.setLong(3, batch);
      insert.setInt(4, e.characters());
      measure(5, e.distance());
      measure(6, e.width());
      measure(7, e.seconds());
      insert.addBatch();
      waiting.add(key);
      if (waiting.size() == ROWS_AT_ONCE) {
        flush();
      }
    }

    private void measure(int at, double value) throws SQLException {
      if (Double.isNaN(value)) {
        insert.setNull(at, Types.REAL);
      } else {
        insert.setDouble(at, value);
      }
    }

    private long insert(Deed d) throws SQLException {
      deed.setString(1, d.machine());
      deed.setString(2, d.application());
      deed.setString(3, d.device().name());
      deed.setString(4, d.input());
      deed.setString(5, d.target());
      deed.setString(6, ModelJson.write(d.path()));
      deed.setString(7, d.action().map(ActionId::value).orElse(""));
      try (ResultSet row = deed.executeQuery()) {
        row.next();
        know(row.getLong(1), d);
        made.add(d);
        return row.getLong(1);
      }
    }

    private void flush() throws SQLException {
      int[] counts = insert.executeBatch();
      for (int i = 0; i < counts.length; i++) {
        if (counts[i] > 0) {
          written++;
          EventKey key = waiting.get(i);
          readers.forEach(r -> r.leaveOut(key));
        }
      }
      waiting.clear();
    }

    /** Writes what waits; how many events were new. */
    long finish() throws SQLException {
      flush();
      return written;
    }

    @Override
    public void close() throws SQLException {
      insert.close();
      deed.close();
    }
  }

  /** What the transaction made has reached the disk. */
  void keepWritten() {
    made.clear();
  }
}
