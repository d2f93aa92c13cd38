package polydex.files;

/** A file that can't be used. The message is for the user: what, where, and what to do. */
public class FileProblem extends Exception {
  private static final long serialVersionUID = 1L;

  /** A problem in words. */
  public FileProblem(String message) {
    super(message);
  }

  /** A problem in words, and what brought it to light. */
  public FileProblem(String message, Throwable cause) {
    super(message, cause);
  }
}
