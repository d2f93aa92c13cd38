package polydex.files.store;

import static polydex.files.language.FilesWords.worded;

import java.nio.file.Path;
import polydex.files.FileProblem;

/** A file that another running program has open. */
public final class OpenElsewhere extends FileProblem {
  private static final long serialVersionUID = 1L;

  OpenElsewhere(Path file) {
    super(worded("store.is-open-in-another-running-program", file));
  }
}
