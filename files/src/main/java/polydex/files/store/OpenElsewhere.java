package polydex.files.store;

import java.nio.file.Path;
import polydex.files.FileProblem;

/** A file that another running program has open. */
public final class OpenElsewhere extends FileProblem {
  private static final long serialVersionUID = 1L;

  OpenElsewhere(Path file) {
    super(
        file
            + " is open in another running program. Close it there and try again."
            + " The file was left as it was.");
  }
}
