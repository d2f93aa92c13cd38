package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import polydex.files.FileProblem;
import polydex.files.WholeFile;
import polydex.files.json.ModelFiles;
import polydex.workspace.Workspace;

@Command(
    name = "bundle",
    description = {
      "Keymaps, boards, layouts, setups and actions in one file for somebody else, with nothing of"
          + " what was answered, done, wished or planned, and no name of a file in it."
    },
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {"0:written", "2:wrong command line", "3:a file can't be used"},
    mixinStandardHelpOptions = true)
final class BundleCommand implements Callable<Integer> {
  @Mixin private Source source;
  @Spec private CommandSpec spec;

  @Option(
      names = "--to",
      paramLabel = "JSON",
      required = true,
      description = "The file to write; “polydex import” and “Bring in” read it.")
  private Path to;

  @Option(names = "--replace", description = "Write over a file of that name.")
  private boolean replace;

  @Override
  public Integer call() throws FileProblem {
    Workspace workspace = source.workspace();
    WholeFile.write(ModelFiles.bundle(workspace).getBytes(StandardCharsets.UTF_8), to, replace);
    spec.commandLine()
        .getOut()
        .printf(
            worded("command.keymaps-and-setups-are-in"),
            ModelFiles.bundledKeymaps(workspace),
            workspace.setups().size(),
            to);
    return Main.DONE;
  }
}
