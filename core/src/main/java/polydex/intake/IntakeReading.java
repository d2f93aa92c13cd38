package polydex.intake;

import java.util.Collections;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import polydex.catalog.EnvironmentId;
import polydex.intake.IntakeRequest.RequestedRow;

/**
 * How a list was read, beside what came of it: so that nobody need trust it blindly.
 *
 * @param dialect how it writes gestures, as a whole
 * @param rules how many cells each rule had to do with, and the first of them, in their order
 * @param systems what stands side by side, in the order of the list
 * @param passed how many alternatives were left out because they are of another system
 * @param without lines that say that there is no gesture
 * @param asked lines that can mean two things
 * @param partly lines some of whose alternatives could not be read
 * @param unbound lines that take a binding away
 * @param lines how many lines there were
 * @param understood how many of them were read, whether they hold a gesture or none
 */
public record IntakeReading(
    Dialect dialect,
    Map<CellRule, Example> rules,
    Map<String, OfSystem> systems,
    int passed,
    List<RequestedRow> without,
    List<Asked> asked,
    List<Partly> partly,
    List<Unbound> unbound,
    int lines,
    int understood) {

  /**
   * A rule at work.
   *
   * @param count of cells
   * @param text of the first
   * @param reading what it was read as
   */
  public record Example(int count, String text, String reading) {}

  /**
   * A line that can mean two things.
   *
   * @param choice what has to be said
   * @param why a sentence
   */
  public record Asked(RequestedRow row, ReadingChoice choice, String why) {}

  /**
   * A line of which only some could be read.
   *
   * @param unread the parts that are no gestures
   */
  public record Partly(RequestedRow row, List<String> unread) {}

  /**
   * A line that takes a binding away.
   *
   * @param environment where
   * @param bindings the ids of what it takes away; empty where nothing of the kind is known
   */
  public record Unbound(RequestedRow row, EnvironmentId environment, List<String> bindings) {}

  /** The share of the lines that was understood, 0 to 1; 1 where there are none. */
  public double share() {
    return lines == 0 ? 1 : (double) understood / lines;
  }

  /**
   * What became of one of several systems side by side.
   *
   * @param gestures how many it has
   * @param inColumns whether it is a column, and not part of cells
   * @param taken whether something of it is taken
   */
  public record OfSystem(int gestures, boolean inColumns, boolean taken) {}

  /** Copies the collections. */
  public IntakeReading {
    rules =
        rules.isEmpty()
            ? Map.of()
            : Collections.unmodifiableMap(new EnumMap<CellRule, Example>(rules));
    systems = Collections.unmodifiableMap(new LinkedHashMap<>(systems));
    without = List.copyOf(without);
    asked = List.copyOf(asked);
    partly = List.copyOf(partly);
    unbound = List.copyOf(unbound);
  }

  /** What was found out of the list that can mean two things, where it made a difference. */
  public List<ReadingChoice> chosen() {
    return dialect.chosen().stream()
        .filter(c -> c != ReadingChoice.ARRAYS || rules.containsKey(CellRule.ARRAY))
        .toList();
  }
}
