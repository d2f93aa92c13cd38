package polydex.files.store;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The columns of a table, and how their values are written as text.
 *
 * @param names in their order
 * @param types INTEGER, REAL or TEXT
 * @param keys those of the primary key
 */
record Columns(String table, List<String> names, List<String> types, List<String> keys) {
  /** With these a spreadsheet may begin a formula, or a mark that we made. */
  private static final String FORMULAS = "=+-@\t\r'";

  static Columns of(Connection in, String table) throws SQLException {
    List<String> names = new ArrayList<>();
    List<String> types = new ArrayList<>();
    List<String> keys = new ArrayList<>();
    try (Statement statement = in.createStatement();
        ResultSet row = statement.executeQuery("PRAGMA table_info(" + table + ")")) {
      while (row.next()) {
        names.add(row.getString("name"));
        types.add(row.getString("type"));
        if (row.getInt("pk") > 0) {
          keys.add(row.getString("name"));
        }
      }
    }
    return new Columns(table, names, types, keys);
  }

  /** Of these those that another table of the name has as well; all where it tells of none. */
  Columns thatAreIn(Columns other) {
    if (other.names().isEmpty()) {
      return this;
    }
    List<String> both = names.stream().filter(other.names()::contains).toList();
    return new Columns(
        table, both, both.stream().map(n -> types.get(names.indexOf(n))).toList(), keys);
  }

  /** All rows, in the order of their keys or against it. */
  String select(boolean fromTheEnd) {
    List<String> order = fromTheEnd ? keys.stream().map(k -> k + " DESC").toList() : keys;
    return "SELECT %s FROM %s ORDER BY %s"
        .formatted(String.join(", ", names), table, String.join(", ", order));
  }

  String insert() {
    return "INSERT INTO %s (%s) VALUES (?%s)"
        .formatted(table, String.join(", ", names), ", ?".repeat(names.size() - 1));
  }

  /** A value as a cell; null where there is none. */
  @Nullable String written(int column, @Nullable Object value) {
    // A number with a fraction as Java writes it is read back to the last bit.
    String text = value == null ? null : value.toString();
    boolean marked =
        text != null
            && types.get(column).equals("TEXT")
            && !text.isEmpty()
            && FORMULAS.indexOf(text.charAt(0)) >= 0;
    return marked ? "'" + text : text;
  }

  /**
   * The value of a cell.
   *
   * @throws NumberFormatException where it has to be a number
   */
  @Nullable Object read(int column, @Nullable String cell) {
    if (cell == null) {
      return null;
    }
    return switch (types.get(column)) {
      case "INTEGER" -> Long.valueOf(cell);
      case "REAL" -> Double.valueOf(cell);
      default -> cell.startsWith("'") ? cell.substring(1) : cell;
    };
  }
}
