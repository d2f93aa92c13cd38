package polydex.files.store;

import java.nio.file.Path;
import polydex.files.FileProblem;

/** A file that is damaged, was left as it was, and of which something may still be saved. */
public final class DamagedFile extends FileProblem {
  private static final long serialVersionUID = 1L;

  DamagedFile(Path file) {
    super(file + " is damaged and can't be opened. It was left as it was.");
  }

  /** What is said of a file that turns out to be damaged while it is opened; else what was said. */
  public static FileProblem orElse(FileProblem problem, Path file) {
    return problem instanceof StoreProblem of && of.why() == StoreProblem.Cause.DAMAGED
        ? new DamagedFile(file)
        : problem;
  }
}
