package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import polydex.catalog.ActionId;
import polydex.files.json.ModelJson;
import polydex.free.Candidates;
import polydex.free.FreeGestures;
import polydex.free.Proposals;
import polydex.free.Scorer;
import polydex.workspace.Workspace;

@Command(
    name = "propose",
    description = "Free gestures for an action, the ones that suit it best first, and why.",
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:some are free",
      "1:none is",
      "2:wrong command line or no such action",
      "3:file can't be used"
    },
    mixinStandardHelpOptions = true)
final class ProposeCommand implements Callable<Integer> {
  @Mixin private Source source;
  @Mixin private FreeFor where;
  @Mixin private ScoreWeights weights;
  @Spec private CommandSpec spec;

  @Parameters(paramLabel = "ACTION", description = "Id or title of an action.")
  private String actionName;

  @Option(names = "--most", paramLabel = "N", description = "At most so many; 9 if not said.")
  private int most = 9;

  record Answer(String action, String gesture, FitWords.Parts score) {}

  @Override
  public Integer call() throws Exception {
    if (most < 1) {
      throw new ParameterException(
          spec.commandLine(), worded("command.most-takes-a-number-from-1"));
    }
    Workspace workspace = source.workspace();
    ActionId action = FitWords.action(spec, workspace.catalog(), actionName);
    FreeGestures free = where.free(source, workspace);
    Proposals proposals =
        new Proposals(
            free,
            new Scorer(workspace.situation(), free.setups(), weights.read()),
            Candidates.of(free.setups()).own(workspace.catalog(), free.computers()));
    List<Answer> answers =
        proposals.of(action, most, () -> false).stream()
            .map(
                p ->
                    new Answer(
                        action.value(), p.gesture().toString(), FitWords.Parts.of(p.score())))
            .toList();
    PrintWriter out = spec.commandLine().getOut();
    if (where.json) {
      out.println(ModelJson.answer(answers));
    } else if (answers.isEmpty()) {
      out.println(worded("command.no-gesture-is-free-in-all"));
    } else {
      for (Answer a : answers) {
        out.printf(
            "%-22s %5.1f  %s%n",
            a.gesture(), a.score().points(), a.score().line(workspace.catalog()));
      }
    }
    return answers.isEmpty() ? Main.NO : Main.DONE;
  }
}
