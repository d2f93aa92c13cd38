package polydex.intake;

import java.util.List;
import polydex.keys.Visible;

/**
 * A table from outside, as it was found: nothing in it has been understood yet.
 *
 * @param title what stands above it or what it is called; may be empty
 * @param header the names of its columns; empty strings where they have none
 * @param rows below the header
 */
public record ListTable(String title, List<String> header, List<Line> rows) {

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
