package polydex.files.store;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.sql.Types;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import polydex.mouse.Deed;
import polydex.mouse.Device;
import polydex.mouse.LogEvent;

/**
 * The mouse log as rows. Plain JDBC, since millions of rows go in and out. Deeds are few and are
 * kept in mind; events are read in the order of time, which is that of their key.
 */
final class EventTable {
  private static final int ROWS_AT_ONCE = 2000;
  private static final String INSERT =
      "INSERT OR IGNORE INTO event (at, deed, batch, characters, distance, width, seconds)"
          + " VALUES (?, ?, ?, ?, ?, ?, ?)";

  private final Connection connection;
  private final Map<Deed, Long> ids = new HashMap<>();
  private final Map<Long, Deed> deeds = new HashMap<>();

  /** The deeds that the transaction that runs has made. */
  private final List<Deed> made = new ArrayList<>();

  EventTable(Connection connection) throws SQLException {
    this.connection = connection;
    try (Statement statement = connection.createStatement()) {
      // What was taken back, until the program ends: it may be wanted again.
      statement.execute("CREATE TEMP TABLE IF NOT EXISTS withdrawn AS SELECT * FROM event LIMIT 0");
      try (ResultSet row =
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
                  row.getString(7),
                  row.getString(8)));
        }
      }
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

  /** Hands on every event, the oldest first. */
  void each(Consumer<LogEvent> to) throws SQLException {
    try (Statement statement = connection.createStatement();
        ResultSet row =
            statement.executeQuery(
                "SELECT at, deed, characters, distance, width, seconds FROM event"
                    + " ORDER BY at, deed")) {
      while (row.next()) {
        to.accept(
            new LogEvent(
                Instant.ofEpochMilli(row.getLong(1)),
                deeds.get(row.getLong(2)),
                row.getInt(3),
                measured(row, 4),
                measured(row, 5),
                measured(row, 6)));
      }
    }
  }

  private static double measured(ResultSet row, int column) throws SQLException {
    double value = row.getDouble(column);
    return value == 0 && row.wasNull() ? Double.NaN : value;
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

  /** A new number for what comes together. */
  long newBatch(String title, Instant now) throws SQLException {
    try (PreparedStatement insert =
        connection.prepareStatement("INSERT INTO batch (at, title) VALUES (?, ?) RETURNING id")) {
      insert.setLong(1, now.toEpochMilli());
      insert.setString(2, title);
      try (ResultSet row = insert.executeQuery()) {
        row.next();
        return row.getLong(1);
      }
    }
  }

  /** Takes a batch out of the log; it is kept until the program ends. */
  void withdraw(long batch) throws SQLException {
    move(batch, "event", "withdrawn");
  }

  /** Puts a batch back that was taken out. */
  void restore(long batch) throws SQLException {
    move(batch, "withdrawn", "event");
  }

  private void move(long batch, String from, String to) throws SQLException {
    // Only ever these two names of our own.
    for (String sql :
        List.of(
            "INSERT OR IGNORE INTO %s SELECT * FROM %s WHERE batch = ? ORDER BY at, deed"
                .formatted(to, from),
            "DELETE FROM %s WHERE batch = ?".formatted(from))) {
      try (PreparedStatement statement = connection.prepareStatement(sql)) {
        statement.setLong(1, batch);
        statement.executeUpdate();
      }
    }
  }

  /** Ready to take in many events within the transaction that runs. */
  Writing writing(long batch) throws SQLException {
    return new Writing(batch);
  }

  /** Many events on their way in. */
  final class Writing implements AutoCloseable {
    private final long batch;
    private final PreparedStatement insert = connection.prepareStatement(INSERT);
    private final PreparedStatement deed =
        connection.prepareStatement(
            "INSERT INTO deed (machine, application, device, input, target, path, action)"
                + " VALUES (?, ?, ?, ?, ?, ?, ?) RETURNING id");
    private int waiting;
    private long written;

    private Writing(long batch) throws SQLException {
      this.batch = batch;
      made.clear();
    }

    void add(LogEvent e) throws SQLException {
      Long id = ids.get(e.deed());
      insert.setLong(1, e.at().toEpochMilli());
      insert.setLong(2, id == null ? insert(e.deed()) : id);
      insert.setLong(3, batch);
      insert.setInt(4, e.characters());
      measure(5, e.distance());
      measure(6, e.width());
      measure(7, e.seconds());
      insert.addBatch();
      if (++waiting == ROWS_AT_ONCE) {
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
      deed.setString(6, d.path());
      deed.setString(7, d.action());
      try (ResultSet row = deed.executeQuery()) {
        row.next();
        know(row.getLong(1), d);
        made.add(d);
        return row.getLong(1);
      }
    }

    private void flush() throws SQLException {
      for (int count : insert.executeBatch()) {
        written += count;
      }
      waiting = 0;
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
}
