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
 * Where the program notes what went wrong, with all details, so that a person is only told in a
 * sentence: a small file that is begun anew when it is full, in the folder that the XDG Base
 * Directory Specification gives to such things. Asked for before anything is noted.
 */
public final class LogPlace {
  private static final String PROPERTY = "polydex.log";

  private LogPlace() {}

  /** Has everything noted in a file from now on; where there is no place for it, nowhere. */
  public static void use() {
    use(System.getenv(), System.getProperty("user.home", ""));
  }

  static void use(Map<String, String> environment, String home) {
    System.setProperty(
        "logback.statusListenerClass", "ch.qos.logback.core.status.NopStatusListener");
    Optional<Path> folder =
        Stream.of(
                environment.getOrDefault("XDG_STATE_HOME", ""),
                environment.getOrDefault("LOCALAPPDATA", ""),
                home.isEmpty() ? "" : home + "/.local/state")
            .filter(f -> !f.isBlank())
            .flatMap(f -> made(f).stream())
            .findFirst();
    folder.ifPresent(f -> System.setProperty(PROPERTY, f.resolve("polydex.log").toString()));
    System.setProperty(
        "logback.configurationFile", folder.isPresent() ? "log-file.xml" : "log-nowhere.xml");
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

  /** The file, if there is one. */
  public static Optional<Path> file() {
    return Optional.ofNullable(System.getProperty(PROPERTY)).map(Path::of);
  }
}
