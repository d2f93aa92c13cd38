package polydex.intake;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.catalog.ActionId;
import polydex.keys.Visible;

/**
 * What is asked when a list of bindings is brought in.
 *
 * @param list the name of the list, under which it is remembered; none to remember nothing
 * @param rows the lines that could be read
 * @param refused the lines that could not, which the plan repeats
 * @param meant for titles of the list the id of the action that the user says they mean
 * @param sureFrom titles that are at least so like a known action are taken for it, 0 to 1; over 1
 *     for none
 * @param dropGone whether what is gone from the list goes from here too
 */
public record IntakeRequest(
    Optional<String> list,
    List<RequestedRow> rows,
    List<Refused> refused,
    Map<String, ActionId> meant,
    double sureFrom,
    boolean dropGone) {

  /**
   * A line of the list.
   *
   * @param line counted from 1, as an editor shows it
   * @param environment the name of a platform or application
   * @param isPlatform whether it was given as a platform
   * @param context the name of a context; empty for anywhere
   * @param action the title of an action
   * @param gesture one gesture or several, in any form
   * @param note what else the line says; may be empty
   */
  public record RequestedRow(
      int line,
      String environment,
      boolean isPlatform,
      String context,
      String action,
      String gesture,
      String note) {
    /** A line that says nothing else. */
    public RequestedRow(
        int line,
        String environment,
        boolean isPlatform,
        String context,
        String action,
        String gesture) {
      this(line, environment, isPlatform, context, action, gesture, "");
    }
  }

  /**
   * A line that is not taken.
   *
   * @param line counted from 1
   * @param text what stood there
   * @param reason a sentence
   */
  public record Refused(int line, String text, String reason) {
    private static final int LONGEST = 200;

    /** Shows the text, as far as a line has room for it. */
    public Refused {
      text = Visible.of(text, LONGEST);
    }
  }

  /** Nobody is sure of anything, and nothing is dropped. */
  public static IntakeRequest of(
      Optional<String> list, List<RequestedRow> rows, List<Refused> refused) {
    return new IntakeRequest(list, rows, refused, Map.of(), 2, false);
  }

  /** The same where the user has said what some titles mean. */
  public IntakeRequest meaning(Map<String, ActionId> titles) {
    return new IntakeRequest(list, rows, refused, Map.copyOf(titles), sureFrom, dropGone);
  }

  /** The same where likeness from a score on is enough. */
  public IntakeRequest sureFrom(double score) {
    return new IntakeRequest(list, rows, refused, meant, score, dropGone);
  }

  /** The same where what is gone goes, or stays. */
  public IntakeRequest dropGone(boolean drop) {
    return new IntakeRequest(list, rows, refused, meant, sureFrom, drop);
  }
}
