package polydex.workspace;

import polydex.mouse.Use;

/** Something that was done by name, and can be undone and done again. */
public sealed interface Change {

  /** What was done, as the status line says it: "Bring in 12 bindings". */
  String title();

  /**
   * An edit: the value before it and the value after it. Both are immutable and share what did not
   * change, so that keeping them costs little and undoing needs no inverse.
   *
   * @param before what it was applied to
   * @param after what came of it
   */
  record Edit(String title, Workspace before, Workspace after) implements Change {
    /** The same the other way round. */
    public Edit reversed() {
      return new Edit(title, after, before);
    }
  }

  /**
   * A line in the mouse log that the user wrote.
   *
   * @param use what was noted
   */
  record Note(String title, Use use) implements Change {}
}
