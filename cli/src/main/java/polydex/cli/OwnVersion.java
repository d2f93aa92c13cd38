package polydex.cli;

import java.io.IOException;
import java.io.InputStream;
import java.util.Properties;
import picocli.CommandLine.IVersionProvider;

/** The version of the program, as the build wrote it down. */
final class OwnVersion implements IVersionProvider {
  @Override
  public String[] getVersion() throws IOException {
    Properties written = new Properties();
    try (InputStream in = OwnVersion.class.getResourceAsStream("version.properties")) {
      written.load(in);
    }
    return new String[] {"Polydex " + written.getProperty("version")};
  }
}
