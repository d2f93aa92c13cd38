package polydex.files.store;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Types;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import polydex.log.LogEvent;

/**
 * The mouse log as rows. Plain JDBC, since millions of rows go in and out. Events are read in the
 * order of time, which is that of their key.
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
  private final DeedTable deeds;
  private final List<EventReading> readings = new ArrayList<>();

  EventTable(Connection connection, DeedTable deeds) {
    this.connection = connection;
    this.deeds = deeds;
  }

  /** In a file to which everything was moved, what is being read goes on. */
  void goOnFrom(EventTable before) {
    readings.addAll(before.readings);
  }

  /** The log as it is now, to be read some rows at a time; ended by {@link #end}. */
  EventReading reading(Set<Long> hidden, long newest) {
    EventReading reading = new EventReading(deeds.all(), hidden, newest);
    readings.add(reading);
    return reading;
  }

  /** Nobody reads on. */
  void end(EventReading reading) {
    readings.remove(reading);
  }

  /** Takes one event out again, and what it did if nothing else did that. */
  void remove(LogEvent event) throws SQLException {
    Optional<Long> deed = deeds.known(event.deed());
    if (deed.isEmpty()) {
      return;
    }
    try (PreparedStatement delete =
        connection.prepareStatement("DELETE FROM event WHERE at = ? AND deed = ?")) {
      delete.setLong(1, event.at().toEpochMilli());
      delete.setLong(2, deed.get());
      delete.executeUpdate();
    }
    deeds.dropUnused();
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
    private final List<EventKey> waiting = new ArrayList<>();
    private long written;

    private Writing(long batch, List<EventReading> readers) throws SQLException {
      this.batch = batch;
      this.readers = readers;
    }

    void add(LogEvent e) throws SQLException {
      EventKey key = new EventKey(e.at().toEpochMilli(), deeds.number(e.deed()));
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
    }
  }
}
