package polydex.files.lists;

import java.util.List;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.ListTable;
import polydex.keys.Visible;

/**
 * A list of bindings from outside, read but not understood.
 *
 * @param name of the file, or what the list is remembered by
 * @param form what it was read as, for the preview: "UTF-8, separated by commas"
 * @param tables at least one
 * @param refused lines that could not be read
 * @param left how many entries were passed over because they hold no gesture at all
 * @param overlooked what is in it and was not looked at
 * @param title what it is about, as far as it says; may be empty
 */
public record ForeignList(
    String name,
    String form,
    List<ListTable> tables,
    List<Refused> refused,
    int left,
    List<Overlooked> overlooked,
    String title) {

  /**
   * A part of a list that was not looked at.
   *
   * @param file in which of several files; empty where there is one
   * @param line counted from 1; 0 where that says nothing
   * @param what it is
   * @param why a sentence
   */
  public record Overlooked(String file, int line, String what, String why) {
    /** Nothing in it acts on who shows it. */
    public Overlooked {
      file = Visible.of(file);
      what = Visible.of(what);
      why = Visible.of(why);
    }
  }

  /** Copies the lists. */
  public ForeignList {
    tables = List.copyOf(tables);
    refused = List.copyOf(refused);
    overlooked = List.copyOf(overlooked);
  }
}
