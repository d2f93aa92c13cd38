package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.files.WholeFile;
import polydex.files.demo.DemoFile;
import polydex.files.json.WorldFile;
import polydex.files.store.Store;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

@Command(
    name = "write",
    description = {
      "Write the demo, with its history, or a world of keymaps and setups as a file that the"
          + " program opens; for whoever tests or teaches."
    },
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {"0:written", "2:wrong command line", "3:a file can't be used"},
    mixinStandardHelpOptions = true)
final class WriteCommand implements Callable<Integer> {
  static final class What {
    @Option(names = "--demo", description = "The demo that ships.")
    boolean demo;

    @Option(
        names = "--world",
        paramLabel = "JSON",
        description = "A file with keymaps and setups of your own; see docs/formats.md.")
    @Nullable Path world;
  }

  @ArgGroup(multiplicity = "1")
  private What what = new What();

  @Option(
      names = "--to",
      paramLabel = "FILE",
      required = true,
      description = "The .polydex file to write; one that is there is left alone.")
  private Path to = Path.of("");

  @Spec private CommandSpec spec;

  @Override
  public Integer call() throws FileProblem {
    if (Files.exists(to, LinkOption.NOFOLLOW_LINKS)) {
      throw new FileProblem(worded("command.there-is-a-file-already-give", to));
    }
    // What can't be read is refused before anything is begun.
    Workspace world =
        what.world == null
            ? Shipped.demo()
            : WorldFile.read(Source.existing(what.world), Shipped.boards(), Shipped.layouts());
    WholeFile.write(made(world), to, false);
    spec.commandLine()
        .getOut()
        .printf(
            worded("command.keymaps-and-setups-are-in"),
            world.catalog().environments().size(),
            world.setups().size(),
            to);
    return Main.DONE;
  }

  /** Made where nobody looks for it: half a demo would pass for a whole one. */
  private byte[] made(Workspace world) throws FileProblem {
    try {
      Path folder = Files.createTempDirectory("polydex-write");
      Path file = folder.resolve("made.polydex");
      try {
        try (Store store = what.world == null ? DemoFile.demo(file) : Store.open(file)) {
          if (what.world != null) {
            store.save(
                new Change.Edit(worded("command.a-world"), Workspace.EMPTY, world), Instant.now());
          }
        }
        return Files.readAllBytes(file);
      } finally {
        for (String end : List.of("", "-wal", "-shm")) {
          Files.deleteIfExists(Path.of(file + end));
        }
        Files.delete(folder);
      }
    } catch (IOException e) {
      throw new FileProblem(worded("command.there-is-no-room-to-make", e.getMessage()), e);
    }
  }
}
