package polydex.files.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * By what a file is known again without being opened: to open and close it would end the locks that
 * this program holds on it, since POSIX ties them to the file and not to who opened it.
 *
 * @param key its inode where the system has such; null where it has not, or there is no file
 * @param size in bytes; -1 where there is no file
 */
record Footprint(@Nullable Object key, long size) {
  private static final Footprint NONE = new Footprint(null, -1);

  static Footprint of(Path file) throws IOException {
    try {
      BasicFileAttributes found = Files.readAttributes(file, BasicFileAttributes.class);
      return new Footprint(found.fileKey(), found.size());
    } catch (NoSuchFileException e) {
      return NONE;
    }
  }

  boolean onComputer() {
    return size >= 0;
  }

  boolean isOfTheSameFile(Footprint other) {
    return onComputer() == other.onComputer() && Objects.equals(key, other.key);
  }
}
