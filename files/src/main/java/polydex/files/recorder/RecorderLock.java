package polydex.files.recorder;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import polydex.files.FileProblem;
import polydex.files.StatePlace;

/**
 * Has at most one recorder at work for a person, whichever window or command began it. The system
 * gives it back when the program ends, however that ends.
 */
final class RecorderLock implements AutoCloseable {
  private final @Nullable FileChannel file;

  private RecorderLock(@Nullable FileChannel file) {
    this.file = file;
  }

  /**
   * Takes it; where the program keeps nothing for itself, there is none to take.
   *
   * @throws FileProblem where another recorder has it
   */
  static RecorderLock take() throws FileProblem {
    Optional<Path> folder = StatePlace.folder();
    if (folder.isEmpty()) {
      return new RecorderLock(null);
    }
    FileChannel file = null;
    try {
      file =
          FileChannel.open(
              folder.get().resolve("recorder.lock"),
              StandardOpenOption.CREATE,
              StandardOpenOption.WRITE);
      FileLock held = file.tryLock();
      if (held != null) {
        return new RecorderLock(file);
      }
    } catch (OverlappingFileLockException _) {
      // This program has it itself.
    } catch (IOException e) {
      throw new FileProblem(worded("recorder.the-folder-cant-be-written-in", folder.get()), e);
    }
    close(file);
    throw new FileProblem(worded("recorder.another-recorder-of-yours-is-at"));
  }

  private static void close(@Nullable FileChannel file) {
    try {
      if (file != null) {
        file.close();
      }
    } catch (IOException _) {
      // The system gives it back at the end.
    }
  }

  @Override
  public void close() {
    close(file);
  }
}
