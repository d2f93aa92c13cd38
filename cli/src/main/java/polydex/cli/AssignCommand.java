package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
import polydex.free.Assigner;
import polydex.free.Assignment;
import polydex.free.Candidate;
import polydex.free.Candidates;
import polydex.free.Families;
import polydex.free.FreeGestures;
import polydex.free.Scorer;
import polydex.keys.Gesture;
import polydex.keys.GestureSyntaxException;
import polydex.mouse.Wish;
import polydex.workspace.Workspace;

@Command(
    name = "assign",
    description =
        "The best free gestures for several actions as a whole, each used once; for all that is"
            + " wished for, if no action is named.",
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:each has one",
      "1:some have none",
      "2:wrong command line or no such action",
      "3:file can't be used"
    },
    mixinStandardHelpOptions = true)
final class AssignCommand implements Callable<Integer> {
  @Mixin private Source source;
  @Mixin private FreeFor where;
  @Mixin private ScoreWeights weights;
  @Spec private CommandSpec spec;

  @Parameters(paramLabel = "ACTION", arity = "0..*", description = "Ids or titles of actions.")
  private List<String> names = List.of();

  @Option(
      names = "--lock",
      paramLabel = "ACTION=GESTURE",
      description = "This action keeps this gesture; may be given several times.")
  private List<String> locks = List.of();

  record Given(
      String action, String gesture, boolean locked, boolean family, FitWords.Parts score) {}

  record Answer(
      List<Given> given,
      List<String> without,
      double total,
      Optional<Double> inTurn,
      boolean proved) {}

  @Override
  public Integer call() throws Exception {
    Workspace workspace = source.workspace();
    List<ActionId> actions = actions(workspace);
    FreeGestures free = where.free(source, workspace);
    Candidates make = Candidates.of(free.setups());
    List<Candidate> candidates =
        make.own(workspace.catalog(), free.computers()).stream()
            .filter(c -> free.isFree(c.gesture()))
            .toList();
    Scorer scorer = new Scorer(workspace.situation(), free.setups(), weights.read());
    Assignment found =
        new Assigner(scorer, candidates)
            .of(
                actions,
                Families.of(workspace.catalog(), actions),
                locked(workspace, make, actions),
                () -> false);
    Answer answer =
        new Answer(
            found.given().stream()
                .map(
                    g ->
                        new Given(
                            g.action().value(),
                            g.candidate().gesture().toString(),
                            g.locked(),
                            g.family(),
                            FitWords.Parts.of(g.score())))
                .toList(),
            found.without().stream().map(ActionId::value).toList(),
            FitWords.rounded(found.total()),
            found.inTurn().map(FitWords::rounded),
            found.proved());
    PrintWriter out = spec.commandLine().getOut();
    if (where.json) {
      out.println(ModelJson.answer(answer));
    } else {
      print(out, workspace, answer);
    }
    return answer.without().isEmpty() ? Main.DONE : Main.NO;
  }

  private List<ActionId> actions(Workspace workspace) {
    List<ActionId> actions = new ArrayList<>();
    for (String name : names) {
      actions.add(FitWords.action(spec, workspace.catalog(), name));
    }
    if (names.isEmpty()) {
      workspace.mouse().wishes().values().stream()
          .sorted(java.util.Comparator.comparing(Wish::day))
          .flatMap(w -> w.place().action().stream())
          .forEach(actions::add);
    }
    if (actions.isEmpty()) {
      throw new ParameterException(
          spec.commandLine(), worded("command.nothing-is-wished-for-name-the"));
    }
    return actions.stream().distinct().toList();
  }

  private Map<ActionId, Candidate> locked(
      Workspace workspace, Candidates make, List<ActionId> actions) {
    Map<ActionId, Candidate> locked = new HashMap<>();
    for (String lock : locks) {
      int equals = lock.indexOf('=');
      if (equals < 1) {
        throw new ParameterException(
            spec.commandLine(), worded("command.lock-takes-an-action-and-its"));
      }
      ActionId action =
          FitWords.action(spec, workspace.catalog(), lock.substring(0, equals).strip());
      if (!actions.contains(action)) {
        throw new ParameterException(
            spec.commandLine(), worded("command.is-not-among-the-actions", action));
      }
      try {
        Gesture gesture = Gesture.parse(lock.substring(equals + 1).strip());
        locked.put(
            action,
            make.of(gesture)
                .orElseThrow(
                    () ->
                        new ParameterException(
                            spec.commandLine(),
                            worded("command.cant-be-pressed-on-this-layout", gesture))));
      } catch (GestureSyntaxException e) {
        throw new ParameterException(spec.commandLine(), e.getMessage(), e);
      }
    }
    return locked;
  }

  private static void print(PrintWriter out, Workspace workspace, Answer answer) {
    for (Given g : answer.given()) {
      out.printf(
          "%-22s %5.1f  %s%s: %s%n",
          g.gesture(),
          g.score().points(),
          workspace.catalog().title(new ActionId(g.action())),
          g.locked() ? worded("command.locked") : "",
          g.score().line(workspace.catalog()));
    }
    for (String a : answer.without()) {
      out.printf(
          "%-22s        %s%n",
          worded("command.none-left"), workspace.catalog().title(new ActionId(a)));
    }
    out.printf(
        worded("command.points-in-all"),
        answer.total(),
        answer.proved()
            ? worded("command.and-no-other-way-has-fewer")
            : worded("command.not-proved-to-be-the-fewest"),
        answer.inTurn().map(worded("command.if-each-took-its-best-in")::formatted).orElse(""));
  }
}
