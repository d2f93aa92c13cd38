package polydex.intake;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
 * @param ways how its cells are to be read
 * @param apart titles that are not what they are surely taken for
 * @param surface what an application shows of itself
 */
public record IntakeRequest(
    Optional<String> list,
    List<RequestedRow> rows,
    List<Refused> refused,
    Map<String, ActionId> meant,
    double sureFrom,
    boolean dropGone,
    Ways ways,
    Set<String> apart,
    Optional<RequestedSurface> surface) {

  /**
   * How the cells of a list are to be read.
   *
   * @param choices what the user said of what can mean two things
   * @param systems of several side by side the ones that are wanted; empty for the first
   * @param named whether the list itself says which its gestures are
   */
  public record Ways(Map<ReadingChoice, String> choices, Set<String> systems, boolean named) {
    /** As the list itself has it. */
    public static final Ways FOUND_OUT = new Ways(Map.of(), Set.of(), true);

    /** Copies both. */
    public Ways {
      choices = Map.copyOf(choices);
      systems = Set.copyOf(systems);
    }
  }

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
   * @param system of which of several systems side by side the gesture is; empty for all
   * @param file in which of several files it stands; empty where there is one
   * @param own whether it is a binding of the user's own, on the machine under the hands
   */
  public record RequestedRow(
      int line,
      String environment,
      boolean isPlatform,
      String context,
      String action,
      String gesture,
      String note,
      String system,
      String file,
      boolean own) {
    /** A line of the only file, for every system. */
    public RequestedRow(
        int line,
        String environment,
        boolean isPlatform,
        String context,
        String action,
        String gesture,
        String note) {
      this(line, environment, isPlatform, context, action, gesture, note, "", "", false);
    }

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

    /** The same line for another environment. */
    public RequestedRow in(String other) {
      return new RequestedRow(
          line, other, isPlatform, context, action, gesture, note, system, file, own);
    }

    /** The same line as a binding of the user's own. */
    public RequestedRow asOwn() {
      return new RequestedRow(
          line, environment, isPlatform, context, action, gesture, note, system, file, true);
    }

    /** The same line under another title, with another note. */
    RequestedRow titled(String title, String otherNote) {
      return new RequestedRow(
          line, environment, isPlatform, context, title, gesture, otherNote, system, file, own);
    }
  }

  /**
   * A line that is not taken.
   *
   * @param line counted from 1
   * @param text what stood there
   * @param reason a sentence
   * @param file in which of several files; empty where there is one
   */
  public record Refused(int line, String text, String reason, String file) {
    private static final int LONGEST = 200;

    /** In the only file. */
    public Refused(int line, String text, String reason) {
      this(line, text, reason, "");
    }

    /** Shows the text, as far as a line has room for it. */
    public Refused {
      text = Visible.of(text, LONGEST);
    }
  }

  /** Nobody is sure of anything, and nothing is dropped. */
  public static IntakeRequest of(
      Optional<String> list, List<RequestedRow> rows, List<Refused> refused) {
    return new IntakeRequest(
        list, rows, refused, Map.of(), 2, false, Ways.FOUND_OUT, Set.of(), Optional.empty());
  }

  /** The same where the user has said what some titles mean. */
  public IntakeRequest meaning(Map<String, ActionId> titles) {
    return new IntakeRequest(
        list, rows, refused, Map.copyOf(titles), sureFrom, dropGone, ways, apart, surface);
  }

  /** The same where likeness from a score on is enough. */
  public IntakeRequest sureFrom(double score) {
    return new IntakeRequest(list, rows, refused, meant, score, dropGone, ways, apart, surface);
  }

  /** The same where what is gone goes, or stays. */
  public IntakeRequest dropGone(boolean drop) {
    return new IntakeRequest(list, rows, refused, meant, sureFrom, drop, ways, apart, surface);
  }

  /** The same read in other ways. */
  public IntakeRequest in(Ways others) {
    return new IntakeRequest(
        list, rows, refused, meant, sureFrom, dropGone, others, apart, surface);
  }

  /** The same where the user has said of titles that they are something else. */
  public IntakeRequest apart(Set<String> titles) {
    return new IntakeRequest(
        list, rows, refused, meant, sureFrom, dropGone, ways, Set.copyOf(titles), surface);
  }

  /** The same with what an application shows of itself. */
  public IntakeRequest showing(RequestedSurface shown) {
    return new IntakeRequest(
        list, rows, refused, meant, sureFrom, dropGone, ways, apart, Optional.of(shown));
  }
}
