package polydex.files;

import java.nio.file.Path;
import java.util.Optional;

/**
 * Where the program notes what went wrong, with all details, so that a person is only told in a
 * sentence: a small file that is begun anew when it is full. Asked for before anything is noted.
 */
public final class LogPlace {
  private static final String PROPERTY = "polydex.log";

  private LogPlace() {}

  /** Has everything noted in a file from now on; where there is no place for it, nowhere. */
  public static void use() {
    StatePlace.use();
    System.setProperty(
        "logback.statusListenerClass", "ch.qos.logback.core.status.NopStatusListener");
    System.setProperty(
        PROPERTY, StatePlace.folder().map(f -> f.resolve("polydex.log").toString()).orElse(""));
  }

  /** The file, if there is one. */
  public static Optional<Path> file() {
    return Optional.ofNullable(System.getProperty(PROPERTY))
        .filter(f -> !f.isEmpty())
        .map(Path::of);
  }

  /** Whether a place was asked for, and there is none. */
  static boolean isNowhere() {
    return "".equals(System.getProperty(PROPERTY));
  }
}
