package polydex.files;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import org.jspecify.annotations.Nullable;

/** Files that are there whole, or not at all. */
public final class WholeFile {
  /** So many names are tried for what is begun. */
  private static final int MOST = 100;

  private WholeFile() {}

  /**
   * Writes a file, whole or not at all.
   *
   * @param replace whether a file of this name may be written over
   * @throws FileProblem where it can't be written there; a file that was there is as it was
   */
  public static void write(byte[] bytes, Path file, boolean replace) throws FileProblem {
    Path whole = file.toAbsolutePath();
    Path folder = whole.getParent();
    if (folder == null || !Files.isDirectory(folder)) {
      throw new FileProblem(worded("files.there-is-no-folder-to-write", folder));
    }
    if (!replace && Files.exists(whole)) {
      throw isThere(file);
    }
    Path beside = null;
    try {
      beside = begun(whole, bytes);
      if (replace) {
        Files.move(
            beside, whole, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
      } else {
        Files.move(beside, whole);
      }
    } catch (FileAlreadyExistsException e) {
      throw isThere(file);
    } catch (IOException e) {
      throw new FileProblem(
          worded("files.cant-be-written-nothing-was-changed", file, reason(e)), e);
    } finally {
      clear(beside);
    }
  }

  private static FileProblem isThere(Path file) {
    return new FileProblem(worded("files.is-there-already-it-was-left", file));
  }

  /** Beside it, under a name that nobody has; whoever's file has the first names keeps it. */
  private static Path begun(Path whole, byte[] bytes) throws IOException {
    for (int number = 1; ; number++) {
      Path beside = whole.resolveSibling(".%s.part%d".formatted(whole.getFileName(), number));
      try (OutputStream out = Files.newOutputStream(beside, StandardOpenOption.CREATE_NEW)) {
        out.write(bytes);
        return beside;
      } catch (FileAlreadyExistsException e) {
        if (number == MOST) {
          throw e;
        }
      } catch (IOException e) {
        clear(beside);
        throw e;
      }
    }
  }

  private static String reason(IOException e) {
    return e instanceof FileSystemException f && f.getReason() != null
        ? f.getReason()
        : String.valueOf(e.getMessage());
  }

  private static void clear(@Nullable Path beside) {
    if (beside != null) {
      try {
        Files.deleteIfExists(beside);
      } catch (IOException _) {
        // What is left of a failed write is small, and its name says whose it is.
      }
    }
  }
}
