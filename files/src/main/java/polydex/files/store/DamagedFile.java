package polydex.files.store;

import static polydex.files.language.FilesWords.worded;

import java.nio.file.Path;
import polydex.files.FileProblem;

/** A file that is damaged, was left as it was, and of which something may still be saved. */
public final class DamagedFile extends FileProblem {
  private static final long serialVersionUID = 1L;

  DamagedFile(Path file) {
    super(worded("store.is-damaged-and-cant-be-opened", file));
  }

  /** What is said of a file that turns out to be damaged while it is opened; else what was said. */
  public static FileProblem orElse(FileProblem problem, Path file) {
    return problem instanceof StoreProblem of && of.why() == StoreProblem.Cause.DAMAGED
        ? new DamagedFile(file)
        : problem;
  }
}
