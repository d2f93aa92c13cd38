package polydex.cli;

import picocli.CommandLine.IVersionProvider;
import polydex.files.ProgramVersion;

/** What {@code --version} says. */
final class OwnVersion implements IVersionProvider {
  @Override
  public String[] getVersion() {
    return new String[] {ProgramVersion.title()};
  }
}
