package polydex.files.store;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;

/** Rows as they are, from one connection to another. */
final class Rows {
  private static final int AT_ONCE = 2000;

  private Rows() {}

  /** Adds all rows of a table to the table of the same name and columns. */
  static void copy(Connection from, Connection to, String table) throws SQLException {
    try (Statement select = from.createStatement();
        ResultSet row = select.executeQuery("SELECT * FROM " + table)) {
      int columns = row.getMetaData().getColumnCount();
      try (PreparedStatement insert =
          to.prepareStatement(
              "INSERT INTO " + table + " VALUES (?" + ", ?".repeat(columns - 1) + ")")) {
        int waiting = 0;
        while (row.next()) {
          for (int i = 1; i <= columns; i++) {
            insert.setObject(i, row.getObject(i));
          }
          insert.addBatch();
          if (++waiting % AT_ONCE == 0) {
            insert.executeBatch();
          }
        }
        insert.executeBatch();
      }
    }
  }
}
