package polydex.files.lists;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.catalog.Environment;
import polydex.files.FileProblem;
import polydex.intake.ColumnRoles;
import polydex.intake.ColumnRoles.Target;
import polydex.intake.IntakeRequest;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.intake.ListTable;
import polydex.workspace.Remembered;
import polydex.workspace.Workspace;

/**
 * Puts together what a list says, what its columns are and what was remembered of it, into a
 * request that can be planned.
 *
 * @param request what is asked
 * @param remembered with the columns that the user named
 */
public record Intake(IntakeRequest request, Remembered remembered) {

  /**
   * The request for a list.
   *
   * @param said what the columns are, as {@link ColumnRoles#parse} reads it
   * @param target the environment of lines that name none
   * @throws FileProblem where it can't be told what the columns are; the message says which
   */
  public static Intake of(
      Workspace workspace, ForeignList list, Optional<String> said, Optional<Target> target)
      throws FileProblem {
    List<String> environments =
        workspace.catalog().environments().stream().map(Environment::title).toList();
    Remembered remembered = workspace.remembered();
    List<RequestedRow> rows = new ArrayList<>();
    String problem = "";
    boolean understood = false;
    for (ListTable table : list.tables()) {
      ColumnRoles roles = roles(list, table, said, remembered, environments);
      List<String> missing = roles.missing(target.isPresent());
      if (!missing.isEmpty()) {
        problem = problem.isEmpty() ? problem(list.name(), table, missing) : problem;
        continue;
      }
      understood = true;
      if (said.isPresent()) {
        remembered = remembered.withColumns(ColumnRoles.signature(table.header()), roles.written());
      }
      rows.addAll(roles.rows(table, target));
    }
    if (!understood) {
      throw new FileProblem(problem);
    }
    return new Intake(IntakeRequest.of(Optional.of(list.name()), rows, list.refused()), remembered);
  }

  private static String problem(String name, ListTable table, List<String> missing) {
    String header = String.join(", ", table.header().stream().map(String::strip).toList());
    return "%s: the first line names no column %s. It has: %s. Nothing was taken."
        .formatted(
            name,
            String.join(", ", missing),
            header.length() <= 80 ? header : header.substring(0, 77) + "...");
  }

  private static ColumnRoles roles(
      ForeignList list,
      ListTable table,
      Optional<String> said,
      Remembered remembered,
      List<String> environments)
      throws FileProblem {
    Optional<String> wanted =
        said.or(
            () ->
                Optional.ofNullable(
                    remembered.columns().get(ColumnRoles.signature(table.header()))));
    if (wanted.isEmpty()) {
      return list.roles().orElseGet(() -> ColumnRoles.guess(table.header(), environments));
    }
    try {
      return ColumnRoles.parse(wanted.get(), table.header());
    } catch (IllegalArgumentException e) {
      throw new FileProblem(list.name() + ": " + e.getMessage(), e);
    }
  }
}
