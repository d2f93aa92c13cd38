package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.nio.file.Path;
import java.time.Instant;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import polydex.files.FileProblem;
import polydex.files.store.Archive;
import polydex.files.store.Store;

@Command(
    name = "archive",
    description = {
      "Write all of a file into one archive of open formats (ZIP, CSV, JSON), or make a new file of"
          + " such an archive, equal to the one that it came from."
    },
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:done",
      "2:wrong command line",
      "3:a file can't be used; nothing was written"
    },
    mixinStandardHelpOptions = true)
final class ArchiveCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;

  @Option(
      names = {"-f", "--file"},
      paramLabel = "FILE",
      required = true,
      description = "The .polydex file; a new one where an archive is read.")
  private Path file;

  @ArgGroup(multiplicity = "1")
  private Doing doing;

  private static final class Doing {
    @Option(names = "--to", paramLabel = "ZIP", description = "Write this archive.")
    @Nullable Path to;

    @Option(names = "--from", paramLabel = "ZIP", description = "Read this archive.")
    @Nullable Path from;
  }

  @Override
  public Integer call() throws FileProblem {
    if (doing.to != null) {
      try (Store store = Store.open(Source.existing(file))) {
        store.archive(doing.to, Instant.now());
      }
      spec.commandLine().getOut().printf(worded("command.all-of-is-in"), file, doing.to);
    } else if (doing.from != null) {
      Archive.read(Source.existing(doing.from), file);
      spec.commandLine().getOut().printf(worded("command.is-made-of"), file, doing.from);
    }
    return Main.DONE;
  }
}
