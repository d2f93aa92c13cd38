package polydex.files.store;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import polydex.files.FileProblem;
import polydex.files.WholeFile;

/**
 * Files that the build has made, so that nobody waits until they are made here: copying one takes
 * some milliseconds, where making it takes seconds.
 */
public enum Finished {
  /** Tables with nothing in them. */
  EMPTY("empty"),

  /** What a new file begins with. */
  START("start"),

  /** The demo with its history. */
  DEMO("demo");

  /** Where they are in what ships. */
  public static final String FOLDER = "polydex/finished";

  private final String name;

  Finished(String name) {
    this.name = name;
  }

  /** Its name in the folder. */
  public String fileName() {
    return name + ".polydex";
  }

  /** Its bytes; none while the build has not made it yet. */
  public Optional<byte[]> bytes() {
    try (InputStream in = Finished.class.getResourceAsStream("/" + FOLDER + "/" + fileName())) {
      return in == null ? Optional.empty() : Optional.of(in.readAllBytes());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * Puts a copy where there is no file, or one without a byte.
   *
   * @return whether it was put there; not where something is there already, or the build has not
   *     made it yet
   */
  public boolean to(Path file) throws FileProblem {
    if (!isNew(file)) {
      return false;
    }
    Optional<byte[]> bytes = bytes();
    if (bytes.isPresent()) {
      WholeFile.write(bytes.get(), file, Files.exists(file));
    }
    return bytes.isPresent();
  }

  /** Whether there is no file yet, or one without a byte. */
  static boolean isNew(Path file) throws FileProblem {
    try {
      return !Files.exists(file) || Files.size(file) == 0;
    } catch (IOException e) {
      throw new FileProblem(worded("any.cant-be-read", file, e.getMessage()), e);
    }
  }
}
