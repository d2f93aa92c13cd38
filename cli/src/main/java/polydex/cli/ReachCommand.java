package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import polydex.catalog.ActionId;
import polydex.conflict.Failures;
import polydex.files.json.ModelJson;
import polydex.route.Reach;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;
import polydex.workspace.Workspace;

@Command(
    name = "reach",
    description = "Find the gestures that cause an action in a setup, the easiest first.",
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:something reaches it in every setup asked about",
      "1:nothing does in one of them",
      "2:wrong command line or no such action",
      "3:file can't be used"
    },
    mixinStandardHelpOptions = true)
final class ReachCommand implements Callable<Integer> {
  @Mixin private Source source;
  @Mixin private Asked asked;
  @Spec private CommandSpec spec;

  @Parameters(
      paramLabel = "ACTION",
      description = "Id or title of an action, as polydex find shows it.")
  private String actionName;

  record Way(
      String gesture,
      String environment,
      String context,
      String binding,
      int depth,
      boolean documented,
      double effort) {}

  record Miss(String gesture, String environment, String context, String why) {}

  record Answer(String action, String setup, List<Way> ways, List<Miss> misses) {}

  @Override
  public Integer call() throws Exception {
    Workspace workspace = source.workspace();
    ActionId action = FitWords.action(spec, workspace.catalog(), actionName);
    List<Answer> answers = new ArrayList<>();
    for (Setup setup : source.setups(workspace, asked.setupName)) {
      answers.add(answer(workspace, setup, action));
    }
    PrintWriter out = spec.commandLine().getOut();
    if (asked.json) {
      out.println(ModelJson.answer(answers));
    } else {
      answers.forEach(a -> print(out, workspace, a));
    }
    return answers.stream().allMatch(a -> !a.ways().isEmpty()) ? Main.DONE : Main.NO;
  }

  private static Answer answer(Workspace workspace, Setup setup, ActionId action) {
    SetupTraces traces = SetupTraces.of(setup, workspace.world());
    Reach reach = new Reach(traces);
    List<Way> ways = reach.of(action).stream().map(ReachCommand::way).toList();
    List<Miss> misses =
        reach.bindings(action).stream()
            .filter(b -> reach.of(b).stream().noneMatch(w -> w.gesture().equals(b.gesture())))
            .map(b -> miss(traces, b))
            .toList();
    return new Answer(action.value(), setup.id().value(), ways, misses);
  }

  private static Way way(Reach.Way way) {
    TracedBinding binding = way.binding();
    return new Way(
        way.gesture().toString(),
        binding.environment().value(),
        binding.binding().context(),
        binding.binding().id(),
        binding.layer().depth(),
        !way.isRoundabout(),
        Math.round(way.effort() * 100) / 100.0);
  }

  private static Miss miss(SetupTraces traces, TracedBinding binding) {
    Optional<String> why = Failures.why(traces, binding);
    return new Miss(
        binding.gesture().toString(),
        binding.environment().value(),
        binding.binding().context(),
        why.orElse(worded("command.another-binding-has-the-same-gesture")));
  }

  private static void print(PrintWriter out, Workspace workspace, Answer answer) {
    out.printf(
        "%s: %s%n",
        workspace.setups().get(new SetupId(answer.setup())).title(),
        answer.ways().isEmpty()
            ? worded("command.nothing-reaches-it")
            : worded("command.ways", answer.ways().size()));
    for (Way way : answer.ways()) {
      out.printf(
          "  %-24s %5.1f  %s%s%n",
          way.gesture(),
          way.effort(),
          way.environment(),
          way.documented() ? "" : worded("command.as-what-arrives-there"));
    }
    for (Miss miss : answer.misses()) {
      out.printf(worded("command.not-by"), miss.gesture(), miss.why());
    }
  }
}
