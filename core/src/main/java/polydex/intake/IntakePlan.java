package polydex.intake;

import java.util.List;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.catalog.TitleMatcher.Match;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.keys.Gesture;
import polydex.workspace.Change;

/**
 * What bringing in a list of bindings would do.
 *
 * @param taken new bindings
 * @param changed bindings that an earlier version of the list had otherwise
 * @param known lines that say what is known already
 * @param gone what an earlier version of the list had and this one has not
 * @param refused lines that can't be taken
 * @param proposals titles that may mean an action that is known, each once
 * @param recognised titles that are taken for an action that is called otherwise, each once
 * @param change what bringing them in does
 * @param reading how the list was read
 */
public record IntakePlan(
    List<Taken> taken,
    List<Changed> changed,
    List<RequestedRow> known,
    List<Gone> gone,
    List<Refused> refused,
    List<Proposal> proposals,
    List<Proposal> recognised,
    Change.Edit change,
    IntakeReading reading) {

  /**
   * A binding that is taken.
   *
   * @param row the line
   * @param gesture what its gesture was read as
   */
  public record Taken(RequestedRow row, Gesture gesture) {}

  /**
   * A binding that an earlier version of the list had otherwise.
   *
   * @param before its gesture then
   * @param gesture its gesture now
   */
  public record Changed(RequestedRow row, Gesture before, Gesture gesture) {}

  /**
   * A binding that came from an earlier version of the list and is not in this one.
   *
   * @param environment the id
   */
  public record Gone(EnvironmentId environment, Binding binding) {}

  /**
   * A title that may mean an action that is known.
   *
   * @param title as the list has it
   * @param matches the likeliest first
   */
  public record Proposal(String title, List<Match> matches) {}

  /** Copies the lists. */
  public IntakePlan {
    taken = List.copyOf(taken);
    changed = List.copyOf(changed);
    known = List.copyOf(known);
    gone = List.copyOf(gone);
    refused = List.copyOf(refused);
    proposals = List.copyOf(proposals);
    recognised = List.copyOf(recognised);
  }

  /** Whether there is anything to do. */
  public boolean changesSomething() {
    boolean dropped = change.after().catalog().size() < change.before().catalog().size();
    boolean off = !change.after().setups().equals(change.before().setups());
    boolean shown =
        !change.after().catalog().environments().equals(change.before().catalog().environments());
    return !taken.isEmpty() || !changed.isEmpty() || dropped || off || shown;
  }
}
