package polydex.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Where a person's first file is, so that a first start asks nothing: in the folder that the XDG
 * Base Directory Specification gives to a person's data, or else in the home folder.
 */
final class FirstFile {
  private static final Logger LOG = LoggerFactory.getLogger(FirstFile.class);
  private static final String NAME = "mine.polydex";

  private FirstFile() {}

  /** Its path, in a folder that is there. */
  static Path path() {
    Path home = Path.of(System.getProperty("user.home"));
    return Stream.of(System.getenv("XDG_DATA_HOME"), System.getenv("APPDATA"))
        .filter(f -> f != null && !f.isBlank())
        .map(Path::of)
        .findFirst()
        .or(() -> Optional.of(home.resolve(".local/share")))
        .flatMap(f -> made(f.resolve("polydex")))
        .orElse(home)
        .resolve(NAME);
  }

  private static Optional<Path> made(Path folder) {
    try {
      return Optional.of(Files.createDirectories(folder));
    } catch (IOException e) {
      LOG.warn("No folder {}", folder, e);
      return Optional.empty();
    }
  }
}
