package polydex.files.store;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicLong;

/**
 * What came into the mouse log together. A batch is seen once it is whole, and taking it back is
 * one row of this table, whatever its length; its events are cleared away afterwards, some at a
 * time.
 */
final class BatchTable {
  /** How many events are looked at in one step of clearing away. */
  private static final int ROWS_A_STEP = 20_000;

  private static final EventKey BEFORE_ALL = new EventKey(Long.MIN_VALUE, Long.MIN_VALUE);

  /** Why a batch is not seen. */
  private enum Hidden {
    /** On its way in. */
    COMING,
    /** Taken back, and may be wanted again while the program runs. */
    TAKEN_BACK,
    /** Nobody will want it again. */
    GONE
  }

  private final Connection connection;
  private final DeedTable deeds;
  private final Map<Long, Hidden> hidden = new HashMap<>();

  /** How far the events of a batch have been cleared away; none of a batch that is through. */
  private final Map<Long, EventKey> clearing = new HashMap<>();

  private AtomicLong newest;

  BatchTable(Connection connection, DeedTable deeds) throws SQLException {
    this.connection = connection;
    this.deeds = deeds;
    try (Statement statement = connection.createStatement()) {
      // What was taken back, until the program ends: it may be wanted again.
      statement.execute("CREATE TEMP TABLE IF NOT EXISTS withdrawn AS SELECT * FROM event LIMIT 0");
      try (ResultSet row = statement.executeQuery("SELECT id FROM batch WHERE NOT whole")) {
        while (row.next()) {
          hide(row.getLong(1), Hidden.GONE);
        }
      }
      try (ResultSet row = statement.executeQuery("SELECT coalesce(max(id), 0) FROM batch")) {
        row.next();
        newest = new AtomicLong(row.getLong(1));
      }
    }
  }

  /** In a file to which everything was moved, it is known why batches are hidden. */
  void goOnFrom(BatchTable before) throws SQLException {
    numberOn(before);
    hidden.putAll(before.hidden);
    clearing.clear();
    clearing.putAll(before.clearing);
    Rows.copy(before.connection, connection, "withdrawn");
  }

  /** Numbers go on where they were, since what was given one may still be taken back. */
  void numberOn(BatchTable before) {
    newest = before.newest;
  }

  private void hide(long batch, Hidden why) {
    hidden.put(batch, why);
    if (why != Hidden.COMING) {
      clearing.put(batch, BEFORE_ALL);
    }
  }

  /** A number that no batch has; asked on any thread. */
  long number() {
    return newest.incrementAndGet();
  }

  /** The highest number so far. */
  long newest() {
    return newest.get();
  }

  /** The batches that are not whole. */
  Set<Long> hidden() {
    return hidden.keySet();
  }

  /**
   * A new batch.
   *
   * @param whole whether its events are seen as they come
   */
  void begin(long batch, String title, Instant now, boolean whole) throws SQLException {
    try (PreparedStatement insert =
        connection.prepareStatement(
            "INSERT INTO batch (id, at, title, whole) VALUES (?, ?, ?, ?)")) {
      insert.setLong(1, batch);
      insert.setLong(2, now.toEpochMilli());
      insert.setString(3, title);
      insert.setBoolean(4, whole);
      insert.executeUpdate();
    }
    if (!whole) {
      hide(batch, Hidden.COMING);
    }
  }

  private void whole(long batch, boolean whole) throws SQLException {
    try (PreparedStatement update =
        connection.prepareStatement("UPDATE batch SET whole = ? WHERE id = ?")) {
      update.setBoolean(1, whole);
      update.setLong(2, batch);
      update.executeUpdate();
    }
  }

  /** Writes that all of it has come; {@link #seen} follows when that has reached the disk. */
  void finish(long batch) throws SQLException {
    whole(batch, true);
  }

  /** Writes that it is not to be seen; {@link #takenBack} follows. */
  void takeBack(long batch) throws SQLException {
    whole(batch, false);
  }

  /** Writes that it is to be seen again, with what was cleared away; {@link #seen} follows. */
  void bringBack(long batch) throws SQLException {
    deeds.bringBack(batch);
    for (String sql :
        new String[] {
          "INSERT OR IGNORE INTO event SELECT * FROM withdrawn WHERE batch = ? ORDER BY at, deed",
          "DELETE FROM withdrawn WHERE batch = ?"
        }) {
      try (PreparedStatement statement = connection.prepareStatement(sql)) {
        statement.setLong(1, batch);
        statement.executeUpdate();
      }
    }
    deeds.dropWithdrawn();
    whole(batch, true);
  }

  /** It is whole from here on. */
  void seen(long batch) {
    hidden.remove(batch);
    clearing.remove(batch);
  }

  /** It is out of sight from here on, and may be wanted again. */
  void takenBack(long batch) {
    hide(batch, Hidden.TAKEN_BACK);
  }

  /** What was on its way will not be finished. */
  void gone(long batch) {
    hide(batch, Hidden.GONE);
  }

  /** When the program ends, nobody will want again what was taken back. */
  void dropTakenBack() throws SQLException {
    try (Statement statement = connection.createStatement()) {
      statement.executeUpdate(
          "DELETE FROM batch WHERE NOT whole AND id NOT IN (SELECT batch FROM event)");
    }
  }

  /** One step of clearing away, to be written in a transaction; none where nothing is left. */
  Optional<Clearing> clearing() {
    return clearing.entrySet().stream()
        .findFirst()
        .map(e -> new Clearing(e.getKey(), e.getValue()));
  }

  /** Clears away some of the events of a batch. */
  final class Clearing {
    private final long batch;
    private final EventKey from;
    private Optional<EventKey> until = Optional.empty();

    private Clearing(long batch, EventKey from) {
      this.batch = batch;
      this.from = from;
    }

    void write() throws SQLException {
      until = after();
      String range =
          " FROM event WHERE batch = ? AND (at, deed) > (?, ?)"
              + (until.isPresent() ? " AND (at, deed) <= (?, ?)" : "");
      if (hidden.get(batch) == Hidden.TAKEN_BACK) {
        execute("INSERT INTO withdrawn SELECT *" + range);
      }
      execute("DELETE" + range);
      if (until.isPresent()) {
        return;
      }
      if (hidden.get(batch) == Hidden.TAKEN_BACK) {
        deeds.withdrawUnused();
        return;
      }
      deeds.dropUnused();
      try (PreparedStatement delete =
          connection.prepareStatement("DELETE FROM batch WHERE id = ?")) {
        delete.setLong(1, batch);
        delete.executeUpdate();
      }
    }

    /** The event up to which this step goes; none where it goes to the end. */
    private Optional<EventKey> after() throws SQLException {
      try (PreparedStatement query =
          connection.prepareStatement(
              "SELECT at, deed FROM event WHERE (at, deed) > (?, ?) ORDER BY at, deed"
                  + " LIMIT 1 OFFSET "
                  + ROWS_A_STEP)) {
        query.setLong(1, from.at());
        query.setLong(2, from.deed());
        try (ResultSet row = query.executeQuery()) {
          return row.next()
              ? Optional.of(new EventKey(row.getLong(1), row.getLong(2)))
              : Optional.empty();
        }
      }
    }

    private void execute(String sql) throws SQLException {
      try (PreparedStatement statement = connection.prepareStatement(sql)) {
        statement.setLong(1, batch);
        statement.setLong(2, from.at());
        statement.setLong(3, from.deed());
        if (until.isPresent()) {
          statement.setLong(4, until.get().at());
          statement.setLong(5, until.get().deed());
        }
        statement.executeUpdate();
      }
    }

    /** What was written has reached the disk. */
    void done() {
      if (until.isPresent()) {
        clearing.replace(batch, until.get());
        return;
      }
      clearing.remove(batch);
      if (hidden.get(batch) == Hidden.GONE) {
        hidden.remove(batch);
      }
    }
  }
}
