package polydex.sheets;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.boards.Board;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.Modifier;

/**
 * What stands on a sheet, whatever it is printed or written as.
 *
 * @param title what it is
 * @param about what it is of, and how much, in a sentence or two
 * @param parts in order
 * @param notes footnotes; a line names them by their place here, from 1
 * @param foot what stands below every page
 */
public record Sheet(String title, String about, List<Part> parts, List<String> notes, Foot foot) {

  /** Copies both lists. */
  public Sheet {
    parts = List.copyOf(parts);
    notes = List.copyOf(notes);
  }

  /**
   * What stands below every page.
   *
   * @param day on which it was made
   * @param of the setup or environments that it is of, with their versions
   * @param madeBy this program and its version
   */
  public record Foot(LocalDate day, String of, String madeBy) {}

  /** A part of a sheet, under a title of its own that may be empty. */
  public sealed interface Part {
    /** Its title. */
    String title();
  }

  /**
   * Actions and their gestures.
   *
   * @param columns what stands above the cells, where there are several of them; else empty
   * @param figure what stands above the figures; else empty
   */
  public record Lines(String title, List<String> columns, String figure, List<Line> lines)
      implements Part {
    /** Copies both lists. */
    public Lines {
      columns = List.copyOf(columns);
      lines = List.copyOf(lines);
    }

    /** Lines of one cell each and no figures. */
    public Lines(String title, List<Line> lines) {
      this(title, List.of(), "", lines);
    }
  }

  /**
   * A line.
   *
   * @param title of the action, or a sentence
   * @param aside quiet words behind it; may be empty
   * @param cells its gestures; several where environments stand beside each other
   * @param figure a number with its unit; may be empty
   * @param under what stands below it, a sentence each
   * @param notes footnotes, counted from 1
   */
  public record Line(
      String title,
      String aside,
      List<Cell> cells,
      String figure,
      List<String> under,
      List<Integer> notes) {
    /** Copies the lists. */
    public Line {
      cells = List.copyOf(cells);
      under = List.copyOf(under);
      notes = List.copyOf(notes);
    }
  }

  /** Gestures of which each does the same; none where there is none. */
  public record Cell(List<Shown> gestures) {
    /** Copies the list. */
    public Cell {
      gestures = List.copyOf(gestures);
    }
  }

  /**
   * A gesture as a platform's keys have it.
   *
   * @param names its words for modifiers
   * @param look of its caps, below {@link polydex.catalog.Naming#LOOKS}
   */
  public record Shown(Gesture gesture, Map<Modifier, String> names, int look) {}

  /**
   * A keyboard with what its keys do while something is held.
   *
   * @param held what is held, in the platform's words; empty for nothing
   * @param faces by key; a key that is missing has nothing on it
   */
  public record Picture(
      String title, List<String> held, Board board, Map<Key, Face> faces, int look)
      implements Part {
    /** How many keys do something. */
    public long taken() {
      return faces.values().stream().filter(f -> !f.does().isEmpty()).count();
    }
  }

  /**
   * A key.
   *
   * @param legend what is printed on it
   * @param does what it does; empty where it is free
   * @param losesWork whether that loses work
   */
  public record Face(String legend, String does, boolean losesWork) {}

  /** Steps that are ticked off one after another. */
  public record Steps(String title, Optional<Shown> gesture, List<Tick> steps) implements Part {
    /** Copies the list. */
    public Steps {
      steps = List.copyOf(steps);
    }
  }

  /** A step, and whether it is done. */
  public record Tick(String words, boolean done) {}

  /** Numbers, each with what it counts. */
  public record Facts(String title, List<Fact> facts) implements Part {
    /** Copies the list. */
    public Facts {
      facts = List.copyOf(facts);
    }
  }

  /** What is counted, and the number with its unit. */
  public record Fact(String what, String value) {}

  /** Plain words. */
  public record Said(String title, String words) implements Part {}

  /** How many lines there are in all parts. */
  public int lines() {
    return parts.stream().mapToInt(p -> p instanceof Lines l ? l.lines().size() : 0).sum();
  }
}
