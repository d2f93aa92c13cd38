package polydex.cli;

import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;

/** Which setups a command is about, and how it answers. */
final class Asked {
  @Option(names = "--json", description = "Answer as JSON.")
  boolean json;

  @Option(
      names = {"-s", "--setup"},
      paramLabel = "SETUP",
      description = "Id or title of a setup; all of them if left out.")
  @Nullable String setupName;
}
