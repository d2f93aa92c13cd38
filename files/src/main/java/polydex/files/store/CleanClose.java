package polydex.files.store;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import java.util.zip.CRC32C;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.files.StatePlace;

/**
 * How a file was when it was closed: its size and a sum over all of its bytes (CRC-32C, RFC 3720).
 * One that is still so needs no look at its inside before it is opened, which takes ten times as
 * long. Kept apart from the file, which is anybody's to copy; without it nothing is lost but time.
 */
final class CleanClose {
  private static final Logger LOG = LoggerFactory.getLogger(CleanClose.class);
  private static final int MOST = 100;
  private static final int BUFFER_BYTES = 1 << 20;

  private CleanClose() {}

  /** Notes how a file is now that it was closed. */
  static void note(Path file) {
    try {
      Optional<Path> note = noteOf(file);
      if (note.isPresent() && isWithoutLog(file)) {
        Files.createDirectories(note.get().getParent());
        Files.writeString(note.get(), sum(file));
        dropOldest(note.get().getParent());
      }
    } catch (IOException e) {
      LOG.debug("No note of {}", file, e);
    }
  }

  /** Whether a file is byte for byte as it was closed. */
  static boolean holds(Path file) {
    try {
      Optional<Path> note = noteOf(file).filter(Files::isRegularFile);
      return note.isPresent()
          && isWithoutLog(file)
          && Files.size(note.get()) < BUFFER_BYTES
          && Files.readString(note.get()).equals(sum(file));
    } catch (IOException e) {
      LOG.debug("No note of {} can be read", file, e);
      return false;
    }
  }

  /** Has a file looked into when it is opened next. */
  static void forget(Path file) {
    try {
      Optional<Path> note = noteOf(file);
      if (note.isPresent()) {
        Files.deleteIfExists(note.get());
      }
    } catch (IOException e) {
      LOG.warn("The note of {} stays", file, e);
    }
  }

  private static boolean isWithoutLog(Path file) throws IOException {
    Path log = Path.of(file + "-wal");
    return !Files.exists(log) || Files.size(log) == 0;
  }

  private static Optional<Path> noteOf(Path file) {
    try {
      byte[] name =
          MessageDigest.getInstance("SHA-256")
              .digest(file.toAbsolutePath().toString().getBytes(StandardCharsets.UTF_8));
      return StatePlace.folder()
          .map(f -> f.resolve("closed").resolve(HexFormat.of().formatHex(name, 0, 16)));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  private static String sum(Path file) throws IOException {
    CRC32C crc = new CRC32C();
    long size = 0;
    ByteBuffer buffer = ByteBuffer.allocateDirect(BUFFER_BYTES);
    try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
      while (channel.read(buffer) >= 0) {
        buffer.flip();
        size += buffer.remaining();
        crc.update(buffer);
        buffer.clear();
      }
    }
    return "%d %08x".formatted(size, crc.getValue());
  }

  private static void dropOldest(Path folder) throws IOException {
    try (Stream<Path> all = Files.list(folder)) {
      List<Path> notes =
          all.sorted(Comparator.comparingLong((Path p) -> p.toFile().lastModified()).reversed())
              .toList();
      for (Path old : notes.subList(Math.min(MOST, notes.size()), notes.size())) {
        Files.deleteIfExists(old);
      }
    }
  }
}
