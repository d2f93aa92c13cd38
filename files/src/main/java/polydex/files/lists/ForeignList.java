package polydex.files.lists;

import java.util.List;
import java.util.Optional;
import polydex.intake.ColumnRoles;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.ListTable;

/**
 * A list of bindings from outside, read but not understood.
 *
 * @param name of the file, or what the list is remembered by
 * @param form what it was read as, for the preview: "UTF-8, separated by commas"
 * @param tables at least one
 * @param refused lines that could not be read
 * @param left how many entries were passed over because they hold no gesture at all
 * @param roles what its columns are, where the form itself says so
 */
public record ForeignList(
    String name,
    String form,
    List<ListTable> tables,
    List<Refused> refused,
    int left,
    Optional<ColumnRoles> roles) {
  /** Copies the lists. */
  public ForeignList {
    tables = List.copyOf(tables);
    refused = List.copyOf(refused);
  }
}
