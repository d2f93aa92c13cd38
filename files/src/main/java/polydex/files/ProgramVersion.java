package polydex.files;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Properties;

/** The version of the program, as the build wrote it down. */
public final class ProgramVersion {
  private static final String TITLE = read();

  private ProgramVersion() {}

  /** The program with its version. */
  public static String title() {
    return TITLE;
  }

  private static String read() {
    Properties written = new Properties();
    try (InputStream in = ProgramVersion.class.getResourceAsStream("version.properties")) {
      written.load(in);
    } catch (IOException e) {
      throw new UncheckedIOException("The version that ships can't be read", e);
    }
    return "Polydex " + written.getProperty("version");
  }
}
