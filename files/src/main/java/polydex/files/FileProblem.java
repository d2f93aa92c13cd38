package polydex.files;

import static polydex.files.language.FilesWords.worded;

import java.nio.file.Path;
import java.util.regex.Pattern;
import polydex.keys.Visible;

/** A file that can't be used. The message is for the user: what, where, and what to do. */
public class FileProblem extends Exception {
  private static final long serialVersionUID = 1L;

  /** More than any sentence of ours with a path in it; what is longer repeats what was read. */
  private static final int LONGEST = 1000;

  private static final Pattern DOUBLE_STOP =
      Pattern.compile("(?<=[\\p{L}\\p{N}\u201d)\"'])\\.\\.(?=\\s|$)");

  /** There is no such file, as far as its name could be understood. */
  public static FileProblem missing(Path file) {
    boolean strange = file.toString().indexOf('\uFFFD') >= 0;
    return new FileProblem(
        worded("files.there-is-no-file", file)
            + (strange ? worded("files.its-name-is-not-in-utf") : ""));
  }

  /** A problem in words. */
  public FileProblem(String message) {
    super(sentence(message));
  }

  /** A problem in words, and what brought it to light. */
  public FileProblem(String message, Throwable cause) {
    super(sentence(message), cause);
  }

  /** What a cause says ends in a full stop or not; the sentence it stands in ends in one. */
  private static String sentence(String message) {
    return DOUBLE_STOP.matcher(Visible.of(message, LONGEST)).replaceAll(".");
  }
}
