package polydex.files.store;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.catalog.ActionId;
import polydex.files.FileProblem;
import polydex.files.json.ModelJson;
import polydex.log.Deed;
import polydex.log.Device;

/**
 * What is done again and again, each once. They are few and are kept in mind. One that no event
 * refers to any more is taken out, since its names may be what somebody wanted out; a number is
 * never given twice while the program runs.
 */
final class DeedTable {
  private static final String COLUMNS =
      "id, machine, application, device, input, target, path, action";
  private static final String UNUSED = " FROM deed WHERE id NOT IN (SELECT deed FROM event)";
  private static final String UNWANTED = UNUSED + " AND id NOT IN (SELECT deed FROM withdrawn)";

  private final Connection connection;
  private final Map<Deed, Long> ids = new HashMap<>();
  private final Map<Long, Deed> deeds = new HashMap<>();

  /** What the transaction that runs has made and taken out. */
  private final List<Deed> made = new ArrayList<>();

  private final List<Deed> takenOut = new ArrayList<>();
  private long newest;

  DeedTable(Connection connection) throws SQLException {
    this.connection = connection;
    try (Statement statement = connection.createStatement()) {
      // Deeds that only a batch had that was taken back, until the program ends.
      statement.execute(
          "CREATE TEMP TABLE IF NOT EXISTS withdrawn_deed AS SELECT * FROM deed LIMIT 0");
      try (ResultSet row = statement.executeQuery("SELECT " + COLUMNS + " FROM deed")) {
        while (row.next()) {
          know(row.getLong(1), deed(row));
        }
      }
    }
  }

  /** In a file to which everything was moved, numbers go on where they were. */
  void goOnFrom(DeedTable before) throws SQLException {
    newest = Math.max(newest, before.newest);
    Rows.copy(before.connection, connection, "withdrawn_deed");
  }

  private static Deed deed(ResultSet row) throws SQLException {
    return new Deed(
        row.getString(2),
        row.getString(3),
        Device.valueOf(row.getString(4)),
        row.getString(5),
        row.getString(6),
        path(row.getString(7)),
        Optional.of(row.getString(8)).filter(a -> !a.isEmpty()).map(ActionId::new));
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
    newest = Math.max(newest, id);
  }

  /** By their numbers, with those that are out: a reading that began before still meets them. */
  Map<Long, Deed> all() {
    return deeds;
  }

  /** The number of a deed that is there. */
  Optional<Long> known(Deed deed) {
    return Optional.ofNullable(ids.get(deed));
  }

  /** The number of a deed, which is written where it is new. */
  long number(Deed d) throws SQLException {
    Long known = ids.get(d);
    if (known != null) {
      return known;
    }
    long id = newest + 1;
    try (PreparedStatement insert =
        connection.prepareStatement(
            "INSERT INTO deed (" + COLUMNS + ") VALUES (?, ?, ?, ?, ?, ?, ?, ?)")) {
      insert.setLong(1, id);
      insert.setString(2, d.machine());
      insert.setString(3, d.application());
      insert.setString(4, d.device().name());
      insert.setString(5, d.input());
      insert.setString(6, d.target());
      insert.setString(7, ModelJson.write(d.path()));
      insert.setString(8, d.action().map(ActionId::value).orElse(""));
      insert.executeUpdate();
    }
    know(id, d);
    made.add(d);
    return id;
  }

  /** Takes out what no event refers to; kept beside, since its events may be wanted again. */
  void withdrawUnused() throws SQLException {
    try (Statement statement = connection.createStatement()) {
      statement.executeUpdate("INSERT INTO withdrawn_deed SELECT *" + UNUSED);
    }
    takeOut(UNUSED);
  }

  /** Takes out what no event refers to, nor one that may be wanted again. */
  void dropUnused() throws SQLException {
    takeOut(UNWANTED);
  }

  private void takeOut(String which) throws SQLException {
    try (Statement statement = connection.createStatement()) {
      try (ResultSet row = statement.executeQuery("SELECT id" + which)) {
        while (row.next()) {
          takenOut.add(deeds.get(row.getLong(1)));
        }
      }
      statement.executeUpdate("DELETE" + which);
    }
  }

  /**
   * Puts deeds back whose events are about to come back. Where the same was done again meanwhile,
   * it has another number by now, and the events get that.
   */
  void bringBack(long batch) throws SQLException {
    List<Long> out = new ArrayList<>();
    List<Deed> what = new ArrayList<>();
    try (PreparedStatement query =
        connection.prepareStatement(
            "SELECT "
                + COLUMNS
                + " FROM withdrawn_deed WHERE id IN"
                + " (SELECT deed FROM withdrawn WHERE batch = ?)")) {
      query.setLong(1, batch);
      try (ResultSet row = query.executeQuery()) {
        while (row.next()) {
          out.add(row.getLong(1));
          what.add(deed(row));
        }
      }
    }
    try (PreparedStatement renumber =
        connection.prepareStatement("UPDATE withdrawn SET deed = ? WHERE batch = ? AND deed = ?")) {
      for (int i = 0; i < out.size(); i++) {
        renumber.setLong(1, number(what.get(i)));
        renumber.setLong(2, batch);
        renumber.setLong(3, out.get(i));
        renumber.executeUpdate();
      }
    }
  }

  /** Deeds that nothing out of sight refers to any more need not be kept beside. */
  void dropWithdrawn() throws SQLException {
    try (Statement statement = connection.createStatement()) {
      statement.executeUpdate(
          "DELETE FROM withdrawn_deed WHERE id NOT IN (SELECT deed FROM withdrawn)");
    }
  }

  /** What the transaction did has reached the disk. */
  void keep() {
    takenOut.forEach(ids::remove);
    takenOut.clear();
    made.clear();
  }

  /** The transaction is rolled back, so what it made is not there and what it took out is. */
  void forget() {
    made.forEach(d -> deeds.remove(ids.remove(d)));
    made.clear();
    takenOut.clear();
  }
}
