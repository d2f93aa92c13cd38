package polydex.files.store;

import java.nio.file.Path;
import polydex.files.FileProblem;

/** A file that is damaged, was left as it was, and of which something may still be saved. */
public final class DamagedFile extends FileProblem {
  private static final long serialVersionUID = 1L;

  DamagedFile(Path file) {
    super(file + " is damaged and can't be opened. It was left as it was.");
  }
}
