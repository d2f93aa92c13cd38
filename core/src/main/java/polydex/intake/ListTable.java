package polydex.intake;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import polydex.keys.Visible;

/**
 * A table from outside, as it was found: nothing in it has been understood yet.
 *
 * @param title what stands above it or what it is called; may be empty
 * @param header the names of its columns; empty strings where they have none
 * @param rows below the header
 * @param origin where it stands
 * @param roles what its columns are, where the form itself says so
 */
public record ListTable(
    String title,
    List<String> header,
    List<Line> rows,
    Origin origin,
    Optional<ColumnRoles> roles) {

  /** What stands between the texts of an array in one cell. */
  public static final char IN_ARRAY = '\ue0ff';

  /** What stands between keys that a page puts side by side without saying how they go together. */
  public static final char BESIDE = '\ue0fe';

  /** A cell that holds no gestures, in plain words. */
  static String words(String cell) {
    return cell.indexOf(BESIDE) < 0 && cell.indexOf(IN_ARRAY) < 0
        ? cell
        : cell.replace(BESIDE, ' ').replace(String.valueOf(IN_ARRAY), ", ");
  }

  /**
   * Where a table stands.
   *
   * @param file the name of the file among several; empty where there is one
   * @param kind what it is, as it is called in sentences: "table", "list"
   * @param headerLine the line of the names of its columns, which may be data after all; 0 where
   *     there is no such line
   * @param marked whether the file itself says that those are names
   */
  public record Origin(String file, String kind, int headerLine, boolean marked) {
    /** The only one. */
    public static final Origin ONLY = new Origin("", "table", 0);

    /** Nothing in the name of a file acts on who shows it. */
    public Origin {
      file = Visible.of(file);
    }

    /** One that does not say whether its first line is names. */
    public Origin(String file, String kind, int headerLine) {
      this(file, kind, headerLine, false);
    }
  }

  /** A table whose columns have to be found out. */
  public ListTable(String title, List<String> header, List<Line> rows, Origin origin) {
    this(title, header, rows, origin, Optional.empty());
  }

  /** The same in one of several files. */
  public ListTable in(String file) {
    return new ListTable(
        title,
        header,
        rows,
        new Origin(file, origin.kind(), origin.headerLine(), origin.marked()),
        roles);
  }

  /** The same with the first of its lines only. */
  ListTable head(int lines) {
    return rows.size() <= lines
        ? this
        : new ListTable(title, header, rows.subList(0, lines), origin, roles);
  }

  /** The same with its first line as data, since it is no names of columns. */
  ListTable withHeaderAsLine() {
    List<Line> all = new ArrayList<>(rows.size() + 1);
    all.add(new Line(Math.max(1, origin.headerLine()), "", header));
    all.addAll(rows);
    return new ListTable(
        title,
        Collections.nCopies(header.size(), ""),
        all,
        new Origin(origin.file(), origin.kind(), 0),
        roles);
  }

  /** Where its first line is. */
  public int firstLine() {
    return origin.headerLine() > 0 || rows.isEmpty()
        ? origin.headerLine()
        : rows.getFirst().number();
  }

  /**
   * A line of a table.
   *
   * @param number counted from 1, as an editor shows the file
   * @param section the heading inside the table under which it stands; may be empty
   * @param cells as many as the header has
   */
  public record Line(int number, String section, List<String> cells) {
    /** Nothing in a cell acts on who shows it. */
    public Line {
      section = Visible.of(section);
      cells = Visible.all(cells);
    }
  }
}
