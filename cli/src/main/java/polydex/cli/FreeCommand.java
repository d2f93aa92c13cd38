package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import polydex.files.json.ModelJson;
import polydex.free.Candidate;
import polydex.free.Candidates;
import polydex.free.FreeGestures;
import polydex.free.Verdict;
import polydex.keys.Gesture;
import polydex.keys.GestureSyntaxException;
import polydex.route.SetupId;
import polydex.workspace.Workspace;

@Command(
    name = "free",
    description =
        "Which gestures are free for a binding of one's own, in every setup that is asked about; or"
            + " what would come of binding one.",
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:done; a gesture that was named is free",
      "1:a gesture that was named is not free, or none is",
      "2:wrong command line",
      "3:file can't be used"
    },
    mixinStandardHelpOptions = true)
final class FreeCommand implements Callable<Integer> {
  @Mixin private Source source;
  @Mixin private FreeFor where;
  @Spec private CommandSpec spec;

  @Parameters(paramLabel = "GESTURE", arity = "0..*", description = "What is asked about.")
  private List<String> gestures = List.of();

  @Option(
      names = "--most",
      paramLabel = "N",
      description = "List at most so many, the easiest first; 20 if not said.")
  private int most = 20;

  record Answer(String gesture, boolean free, double effort, List<FitWords.Said> setups) {}

  @Override
  public Integer call() throws Exception {
    if (most < 1) {
      throw new ParameterException(
          spec.commandLine(), worded("command.most-takes-a-number-from-1"));
    }
    Workspace workspace = source.workspace();
    FreeGestures free = where.free(source, workspace);
    List<Answer> answers = new ArrayList<>();
    if (gestures.isEmpty()) {
      for (Candidate c : Candidates.of(free.setups()).strokes(1)) {
        if (answers.size() == most) {
          break;
        }
        if (free.isFree(c.gesture())) {
          answers.add(
              new Answer(c.gesture().toString(), true, FitWords.rounded(c.effort()), List.of()));
        }
      }
    }
    for (String written : gestures) {
      answers.add(answer(free, gesture(written)));
    }
    PrintWriter out = spec.commandLine().getOut();
    if (where.json) {
      out.println(ModelJson.answer(answers));
    } else {
      answers.forEach(a -> print(out, workspace, a));
      if (answers.isEmpty()) {
        out.println(worded("command.no-gesture-is-free-in-all"));
      }
    }
    return !answers.isEmpty() && answers.stream().allMatch(Answer::free) ? Main.DONE : Main.NO;
  }

  private Gesture gesture(String written) {
    try {
      Gesture gesture = Gesture.parse(written);
      if (gesture.isFamily()) {
        throw new ParameterException(
            spec.commandLine(), worded("command.is-a-family-name-one-of", written));
      }
      return gesture;
    } catch (GestureSyntaxException e) {
      throw new ParameterException(spec.commandLine(), e.getMessage(), e);
    }
  }

  private static Answer answer(FreeGestures free, Gesture gesture) {
    List<FitWords.Said> said = new ArrayList<>();
    for (Map.Entry<SetupId, Verdict> e : free.of(gesture).entrySet()) {
      said.add(FitWords.Said.of(e.getKey().value(), e.getValue()));
    }
    return new Answer(gesture.toString(), free.isFree(gesture), effort(free, gesture), said);
  }

  private static double effort(FreeGestures free, Gesture gesture) {
    return FitWords.rounded(Candidates.of(free.setups()).effort(gesture).orElse(0.0));
  }

  private static void print(PrintWriter out, Workspace workspace, Answer answer) {
    if (answer.setups().isEmpty()) {
      out.printf("%-24s %5.1f%n", answer.gesture(), answer.effort());
      return;
    }
    out.printf(
        "%s: %s%n",
        answer.gesture(), answer.free() ? worded("command.free") : worded("command.not-free"));
    for (FitWords.Said said : answer.setups()) {
      out.printf(
          "  %-28s %s%n",
          workspace.setups().get(new SetupId(said.setup())).title(),
          said.line(workspace.catalog()));
    }
  }
}
