package polydex.hands;

import java.util.List;

/**
 * What something was about, as far as the computer tells.
 *
 * @param application that had the focus or lay under the pointer, as it calls itself; empty for the
 *     desktop
 * @param sort what lay under the pointer
 * @param name of it
 * @param path the menus and windows that lead there, the outermost first
 * @param width of it in pixels; not a number where it is not known
 * @param across how far to the right in its window, 0 to 1
 * @param down how far down in its window, 0 to 1
 */
public record Seen(
    String application,
    Sort sort,
    String name,
    List<String> path,
    double width,
    double across,
    double down) {
  /** So near to its edge, as a share, something is at the edge of a window. */
  private static final double EDGE = 0.2;

  /** What can lie under a pointer. */
  public enum Sort {
    /** An entry that was chosen from a menu. */
    ENTRY,
    /** What opens a menu: only a step on the way. */
    OPENS,
    /** A button, tab or the like, that acts at each click. */
    CONTROL,
    /** Text, a picture, rows: what counts is the place. */
    CONTENT,
    /** Nothing that does anything: beside an open menu, which that closed, or between entries. */
    NOTHING,
    /** Nobody told. */
    UNKNOWN
  }

  /** Copies the path. */
  public Seen {
    path = List.copyOf(path);
  }

  /** Of keys: only what had the focus matters. */
  public static Seen focus(String application) {
    return unknown(application, Double.NaN, Double.NaN);
  }

  /** A place of which nobody tells more. */
  public static Seen unknown(String application, double across, double down) {
    return new Seen(application, Sort.UNKNOWN, "", List.of(), Double.NaN, across, down);
  }

  /** Of a click that does nothing but close a menu, or not even that. */
  public static Seen nothing(String application) {
    return new Seen(application, Sort.NOTHING, "", List.of(), Double.NaN, Double.NaN, Double.NaN);
  }

  /** Where it is in its window, in words that are kept in files, and so in no language but one. */
  String place() {
    if (Double.isNaN(across) || Double.isNaN(down)) {
      return "somewhere in a window";
    }
    String row = down < EDGE ? "upper" : down > 1 - EDGE ? "lower" : "";
    String column = across < EDGE ? "left" : across > 1 - EDGE ? "right" : "";
    if (row.isEmpty() || column.isEmpty()) {
      return row.isEmpty() && column.isEmpty()
          ? "the middle of the window"
          : "the %s edge of the window".formatted(row + column);
    }
    return "the %s %s corner of the window".formatted(row, column);
  }
}
