package polydex.intake;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import polydex.intake.ColumnRoles.Lack;
import polydex.intake.ColumnRoles.Target;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.keys.GestureReader;

/**
 * What becomes of a table of a list: taken with columns that were found or said, or left with the
 * reason, so that every table is accounted for.
 *
 * @param table as it is read, with its first line as data where that is no names
 * @param roles what its columns are
 * @param taken whether its lines are brought in
 * @param named whether its columns were named rather than found out by what they hold
 * @param lacks what keeps it from being brought in; empty where nothing does, or the user said so
 * @param why a sentence
 */
public record TableFate(
    ListTable table,
    ColumnRoles roles,
    boolean taken,
    boolean named,
    List<Lack> lacks,
    String why) {

  /**
   * What becomes of a table whose columns are known or said.
   *
   * @param named whether that says that every value of them is a gesture
   */
  public static TableFate said(ListTable table, ColumnRoles roles, boolean target, boolean named) {
    List<Lack> missing = roles.missing(target);
    return new TableFate(
        table,
        roles,
        missing.isEmpty(),
        named,
        missing,
        missing.isEmpty() ? worded("intake.columns", roles.written()) : lacking(missing));
  }

  /**
   * What becomes of a table whose columns have to be found out.
   *
   * @param environments the titles of environments that are known
   * @param target whether it is said of which environment its lines are
   * @param readers of gestures as they are written in those environments
   */
  public static TableFate found(
      ListTable table,
      Collection<String> environments,
      boolean target,
      List<GestureReader> readers) {
    ColumnGuess guess = ColumnGuess.of(table, environments, readers);
    ListTable read = guess.headerIsData() ? table.withHeaderAsLine() : table;
    List<Lack> missing = guess.roles().missing(target);
    String how =
        worded(
            "intake.columns-2",
            guess.roles().written(),
            (guess.named() ? "." : worded("intake.by-what-they-hold")),
            (guess.headerIsData() ? worded("intake.the-first-line-is-data-no") : ""),
            guess.left().stream()
                .map(c -> worded("intake.column-has-gestures-too-and-is", c))
                .collect(Collectors.joining()));
    return new TableFate(
        read,
        guess.roles(),
        missing.isEmpty(),
        guess.named(),
        missing,
        missing.isEmpty() ? how : lacking(missing));
  }

  /** Whether it only lacks the platform or application that its lines are of. */
  public boolean lacksItsSubject() {
    return lacks.equals(List.of(Lack.SUBJECT));
  }

  private static String lacking(List<Lack> missing) {
    if (missing.contains(Lack.GESTURE)) {
      return worded("intake.no-column-of-it-reads-as");
    }
    return missing.contains(Lack.ACTION)
        ? worded("intake.it-has-gestures-but-no-column")
        : worded("intake.no-column-says-of-which-platform");
  }

  /** The other way round, because the user says so: left, or taken with the likeliest columns. */
  public TableFate switched() {
    if (taken) {
      return new TableFate(
          table, roles, false, named, List.of(), worded("intake.left-as-you-said"));
    }
    ColumnRoles likeliest = ColumnGuess.forced(table);
    return new TableFate(
        table,
        likeliest,
        true,
        false,
        List.of(),
        worded("intake.taken-as-you-said-columns", likeliest.written()));
  }

  /** The same with the first of its lines only. */
  public TableFate head(int lines) {
    return new TableFate(table.head(lines), roles, taken, named, lacks, why);
  }

  /** Its lines as rows of bindings. */
  public List<RequestedRow> rows(Optional<Target> target) {
    return taken ? roles.rows(table, target) : new ArrayList<>();
  }
}
