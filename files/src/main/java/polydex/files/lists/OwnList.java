package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.catalog.Environment;
import polydex.files.FileProblem;
import polydex.fit.Compared.Found;
import polydex.intake.ColumnRoles.Target;
import polydex.intake.GestureCell;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.keys.Gesture;
import polydex.keys.GestureSyntaxException;
import polydex.workspace.Workspace;

/**
 * A list of the bindings of one's own on a computer, in any of the forms that lists are read in.
 *
 * @param found what can be compared with a plan
 * @param refused lines whose gesture could not be read, each with the reason
 */
public record OwnList(List<Found> found, List<String> refused) {
  /** Copies the lists. */
  public OwnList {
    found = List.copyOf(found);
    refused = List.copyOf(refused);
  }

  /**
   * Reads a list. O(lines).
   *
   * @param platform of the computer
   * @throws FileProblem where it can't be read, or it can't be told what its columns are
   */
  public static OwnList read(Path file, Workspace workspace, Environment platform)
      throws FileProblem {
    Intake intake =
        Intake.of(
            workspace,
            ListReader.read(file),
            Optional.empty(),
            Optional.of(new Target(platform.title(), true)));
    List<Found> found = new ArrayList<>();
    List<String> refused = new ArrayList<>();
    intake
        .request()
        .refused()
        .forEach(r -> refused.add(worded("lists.line", r.line(), r.reason())));
    for (RequestedRow row : intake.request().rows()) {
      if (row.gesture().isBlank()) {
        continue;
      }
      try {
        for (Gesture g : GestureCell.read(row.gesture(), platform.reader()).gestures()) {
          found.add(new Found(row.action(), List.of(), g, worded("lists.line-2", row.line())));
        }
      } catch (GestureSyntaxException e) {
        refused.add(worded("lists.line", row.line(), e.getMessage()));
      }
    }
    return new OwnList(found, refused);
  }
}
