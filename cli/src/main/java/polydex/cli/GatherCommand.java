package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import polydex.computer.FoundComputer;
import polydex.files.json.ComputerFile;

@Command(
    name = "gather",
    description = {
      "Write what is found on this computer as one file, to be brought in on another with import:"
          + " it becomes a computer of its own there.",
      "Nothing is written to the computer but this file. Look through it before you hand it on: it"
          + " names your programs and what you bound."
    },
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {"0:written", "2:wrong command line", "3:the file can't be written"},
    mixinStandardHelpOptions = true)
final class GatherCommand implements Callable<Integer> {
  @Mixin private Looking looking;
  @Spec private CommandSpec spec;

  @Parameters(paramLabel = "FILE", description = "Where it is written, as JSON.")
  private Path file;

  @Override
  public Integer call() throws Exception {
    FoundComputer all = looking.look().found();
    FoundComputer found = all.only(f -> looking.wants(all, f));
    ComputerFile.write(file, found);
    spec.commandLine()
        .getOut()
        .println(worded("command.findings-of", file, found.findings().size(), found.title()));
    return Main.DONE;
  }
}
