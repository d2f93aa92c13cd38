package polydex.desktop.state;

import polydex.files.FileProblem;
import polydex.files.store.StoreLine;

/** What has reached the disk, asked by a test in the line of everything that reaches it. */
public final class Stored {
  private Stored() {}

  /** Asks and waits. */
  public static <T> T in(Session session, StoreLine.Question<T> question) {
    try {
      return session.line().get(question);
    } catch (FileProblem e) {
      throw new AssertionError(e);
    }
  }
}
