package polydex.workspace;

import polydex.log.LogEvent;

/** Something that was done by name, and can be undone and done again. */
public sealed interface Change {

  /** What is done, as a command: "Bring in 12 bindings". */
  String title();

  /** The same once it was done, as the status line says it: "Brought in 12 bindings". */
  default String done() {
    return DoneWords.of(title());
  }

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
   * @param event what was noted
   */
  record Note(String title, LogEvent event) implements Change {}

  /**
   * Events that were brought in together, from a file or a recorder.
   *
   * @param batch the number under which the log has them
   */
  record Batch(String title, long batch) implements Change {}
}
