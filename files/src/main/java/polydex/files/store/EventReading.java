package polydex.files.store;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import polydex.log.Deed;
import polydex.log.LogEvent;

/**
 * The mouse log as it was when this began, the oldest first, some rows at a time: what is written
 * between two of its steps is not part of it.
 */
final class EventReading {
  private final Map<Long, Deed> deeds;
  private final String sql;
  private final Set<EventKey> newer = new HashSet<>();
  private EventKey last = new EventKey(Long.MIN_VALUE, Long.MIN_VALUE);

  /**
   * From here on.
   *
   * @param hidden the batches that are not whole
   * @param newest the highest number of a batch so far
   */
  EventReading(Map<Long, Deed> deeds, Set<Long> hidden, long newest) {
    this.deeds = deeds;
    sql =
        "SELECT at, deed, characters, distance, width, seconds FROM event"
            + " WHERE (at, deed) > (?, ?) AND batch <= "
            + newest
            + (hidden.isEmpty()
                ? ""
                : hidden.stream()
                    .map(String::valueOf)
                    .collect(Collectors.joining(", ", " AND batch NOT IN (", ")")))
            + " ORDER BY at, deed LIMIT ?";
  }

  /** Something was written after this began. */
  void leaveOut(EventKey written) {
    newer.add(written);
  }

  /** The next rows; none at the end. */
  List<LogEvent> next(Connection connection, int most) throws SQLException {
    List<LogEvent> found = new ArrayList<>(most);
    // A step in which all was newer is not the end.
    for (boolean more = true; found.isEmpty() && more; ) {
      more = read(connection, most, found) == most;
    }
    return found;
  }

  private int read(Connection connection, int most, List<LogEvent> found) throws SQLException {
    int rows = 0;
    try (PreparedStatement statement = connection.prepareStatement(sql)) {
      statement.setLong(1, last.at());
      statement.setLong(2, last.deed());
      statement.setInt(3, most);
      try (ResultSet row = statement.executeQuery()) {
        while (row.next()) {
          rows++;
          last = new EventKey(row.getLong(1), row.getLong(2));
          if (!newer.contains(last)) {
            found.add(
                new LogEvent(
                    Instant.ofEpochMilli(last.at()),
                    deeds.get(last.deed()),
                    row.getInt(3),
                    measured(row, 4),
                    measured(row, 5),
                    measured(row, 6)));
          }
        }
      }
    }
    return rows;
  }

  private static double measured(ResultSet row, int column) throws SQLException {
    double value = row.getDouble(column);
    return value == 0 && row.wasNull() ? Double.NaN : value;
  }
}
