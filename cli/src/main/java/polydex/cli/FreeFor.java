package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;
import polydex.files.FileProblem;
import polydex.free.FreeGestures;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.Situation.Computer;
import polydex.workspace.Workspace;

/** In which setups gestures are to be free, and for which computers. */
final class FreeFor {
  @Spec(Spec.Target.MIXEE)
  private CommandSpec command;

  @Option(
      names = {"-s", "--setup"},
      paramLabel = "SETUP",
      description = "Only in this setup, by id or title; may be given several times.")
  private List<String> setups = List.of();

  @Option(
      names = "--on",
      paramLabel = "COMPUTER",
      description =
          "The computer that is to have the binding, by its title; may be given several times. If"
              + " not said, the innermost of each setup.")
  private List<String> on = List.of();

  @Option(names = "--json", description = "Print JSON.")
  boolean json;

  FreeGestures free(Source source, Workspace workspace) throws FileProblem {
    List<Setup> chosen =
        new ArrayList<>(setups.isEmpty() ? source.setups(workspace, null) : List.of());
    for (String name : setups) {
      chosen.addAll(source.setups(workspace, name));
    }
    Set<Computer> computers =
        on.isEmpty()
            ? chosen.stream().map(s -> Computer.of(s.innermost())).collect(Collectors.toSet())
            : on.stream()
                .map(t -> FitWords.computer(command, workspace, t))
                .collect(Collectors.toSet());
    List<SetupTraces> traces =
        chosen.stream()
            .filter(s -> s.machines().stream().map(Computer::of).anyMatch(computers::contains))
            .map(s -> SetupTraces.of(s, workspace.world()))
            .toList();
    if (traces.isEmpty()) {
      throw new ParameterException(
          command.commandLine(), worded("command.no-setup-that-was-asked-about"));
    }
    return new FreeGestures(traces, computers);
  }
}
