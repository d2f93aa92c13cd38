package polydex.files.computer;

import polydex.computer.Finding;
import polydex.files.FileProblem;

/** A place of a computer where something of its keys can be found. It only ever looks. */
public interface ComputerSource {
  /** What is looked for, as it is called in a list: "Programs that run". */
  String title();

  /**
   * Looks, and tells what it finds as it finds it. It may take long, and ends soon after {@link
   * Listener#stopped()} says so.
   *
   * @throws FileProblem where there is no such place here, or it can't be looked at; the message is
   *     for people
   */
  void read(Listener to) throws FileProblem;

  /** Who waits for what is found. */
  interface Listener {
    /** Something was found. */
    void found(Finding finding);

    /** What is looked at now, for people: the name of a file or program. */
    void at(String what);

    /** Something that was noticed, in a sentence. */
    void remark(String sentence);

    /** Whether nobody waits any more. */
    boolean stopped();
  }
}
