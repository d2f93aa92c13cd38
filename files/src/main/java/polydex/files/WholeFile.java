package polydex.files;

import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import org.jspecify.annotations.Nullable;

/** Files that are there whole, or not at all. */
public final class WholeFile {
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
      throw new FileProblem("There is no folder %s to write into.".formatted(folder));
    }
    Path beside = null;
    try {
      if (!replace && Files.exists(whole)) {
        throw new FileAlreadyExistsException(whole.toString());
      }
      beside = whole.resolveSibling("." + whole.getFileName() + ".part");
      Files.write(beside, bytes);
      Files.move(
          beside, whole, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
    } catch (FileAlreadyExistsException e) {
      throw new FileProblem("%s is there already; it was left as it is.".formatted(file), e);
    } catch (IOException e) {
      throw new FileProblem(
          "%s can't be written: %s. Nothing was changed.".formatted(file, reason(e)), e);
    } finally {
      clear(beside);
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
