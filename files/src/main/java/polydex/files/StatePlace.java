package polydex.files;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The folder for what the program keeps for itself and could do without: what went wrong, where its
 * window was, which files were open lately. As the XDG Base Directory Specification gives it to
 * such things. Nothing is kept where nobody has asked for it, as in tests.
 */
public final class StatePlace {
  private static final String PROPERTY = "polydex.state";

  private StatePlace() {}

  /** Has things kept from now on; where there is no place for it, none are. */
  public static void use() {
    use(System.getenv(), System.getProperty("user.home", ""));
  }

  static void use(Map<String, String> environment, String home) {
    Stream.of(
            environment.getOrDefault("XDG_STATE_HOME", ""),
            environment.getOrDefault("LOCALAPPDATA", ""),
            home.isEmpty() ? "" : home + "/.local/state")
        .filter(f -> !f.isBlank())
        .flatMap(f -> made(f).stream())
        .findFirst()
        .ifPresent(f -> System.setProperty(PROPERTY, f.toString()));
  }

  private static Optional<Path> made(String parent) {
    try {
      Path folder = Path.of(parent).toAbsolutePath().resolve("polydex");
      if (!Files.isDirectory(folder)) {
        Files.createDirectories(folder);
        if (Files.getFileStore(folder).supportsFileAttributeView("posix")) {
          Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
        }
      }
      return Optional.of(folder).filter(Files::isWritable);
    } catch (IOException | InvalidPathException e) {
      return Optional.empty(); // another place may do
    }
  }

  /** The folder, if things are kept. */
  public static Optional<Path> folder() {
    return Optional.ofNullable(System.getProperty(PROPERTY)).map(Path::of);
  }
}
