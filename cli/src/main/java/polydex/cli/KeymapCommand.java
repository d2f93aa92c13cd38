package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import polydex.catalog.EnvironmentId;
import polydex.files.json.ModelFiles;
import polydex.workspace.Workspace;

@Command(
    name = "keymap",
    description =
        "Write the keymap of a platform or application as JSON; without a name, list them.",
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {"0:written", "2:wrong command line", "3:file can't be used"},
    mixinStandardHelpOptions = true)
final class KeymapCommand implements Callable<Integer> {
  @Mixin private OptionalSource source;
  @Spec private CommandSpec spec;

  @Parameters(arity = "0..1", paramLabel = "ID", description = "The platform or application.")
  private @Nullable String id;

  @Override
  public Integer call() throws Exception {
    Workspace workspace = source.workspace();
    if (id == null) {
      workspace
          .catalog()
          .environments()
          .forEach(
              e ->
                  spec.commandLine()
                      .getOut()
                      .printf(
                          worded("command.bindings"),
                          e.id(),
                          workspace.catalog().bindings(e.id()).size(),
                          e.title()));
      return Main.DONE;
    }
    String text =
        ModelFiles.write(workspace, new EnvironmentId(id))
            .orElseThrow(
                () ->
                    new ParameterException(
                        spec.commandLine(),
                        worded(
                            "command.there-is-no-platform-or-application",
                            id,
                            workspace.catalog().environments().stream()
                                .map(e -> e.id().value())
                                .collect(Collectors.joining(", ")))));
    spec.commandLine().getOut().print(text);
    return Main.DONE;
  }
}
