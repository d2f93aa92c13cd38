package polydex.cli;

import static polydex.cli.CliWords.worded;
import static polydex.language.Language.decimals;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;
import polydex.catalog.Catalog;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictFinder;
import polydex.conflict.ConflictSentence;
import polydex.conflict.Fix;
import polydex.conflict.HabitFinder;
import polydex.conflict.Person;
import polydex.conflict.Plan;
import polydex.conflict.Planner;
import polydex.conflict.Trial;
import polydex.files.json.ModelJson;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.Situation;
import polydex.workspace.Workspace;

@Command(
    name = "plan",
    description = "Find the cheapest set of changes that ends conflicts and makes no new ones.",
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:a plan that ends all of them",
      "1:some stay",
      "2:wrong command line",
      "3:file can't be used"
    },
    mixinStandardHelpOptions = true)
final class PlanCommand implements Callable<Integer> {
  private static final int WEIGHTS = 4;
  private static final int MOST_SEVERE = 100;
  private static final Set<Conflict.Kind> HABITS =
      EnumSet.of(Conflict.Kind.CROSSED_HABIT, Conflict.Kind.SPLIT_HABIT);

  @Mixin private Source source;
  @Mixin private Asked asked;
  @Spec private CommandSpec spec;

  @Option(
      names = "--kind",
      paramLabel = "KIND",
      description = "Only conflicts of this kind, as polydex conflicts writes it.")
  Conflict.@Nullable Kind kind;

  @Option(
      names = "--at-least",
      paramLabel = "SEVERITY",
      defaultValue = "1",
      description = "Only conflicts at least so severe, 0 to 100 (default ${DEFAULT-VALUE}).")
  private int atLeast;

  @Option(
      names = "--most",
      paramLabel = "N",
      defaultValue = "20",
      description = "At most so many conflicts, the worst first (default ${DEFAULT-VALUE}).")
  private int most;

  @Option(
      names = "--weights",
      split = ",",
      paramLabel = "POINTS",
      description =
          "What a changed habit, a lost built-in gesture, a remap and a setting of a window cost;"
              + " 2,3,4,1 if left out.")
  @Nullable
  private List<Double> points;

  @Option(
      names = "--seconds",
      paramLabel = "N",
      defaultValue = "20",
      description = "Take the best that was found after so long (default ${DEFAULT-VALUE}).")
  private int seconds;

  record Step(
      String change,
      double cost,
      List<String> ends,
      List<String> endsIds,
      List<String> withoutGesture,
      int otherGesturesChanged) {}

  record Stays(String conflict, String why) {}

  record Answer(
      double cost,
      double bound,
      boolean optimal,
      List<Step> steps,
      List<Stays> left,
      List<String> worse) {}

  @Override
  public Integer call() throws Exception {
    Workspace workspace = source.workspace();
    Person person = Person.of(source.usesPerDay(workspace));
    if (seconds < 1 || most < 1 || atLeast < 0 || atLeast > MOST_SEVERE) {
      throw new ParameterException(
          spec.commandLine(), worded("command.seconds-and-most-are-1-or", MOST_SEVERE));
    }
    List<Conflict> chosen = new ArrayList<>();
    for (Setup setup : source.setups(workspace, asked.setupName)) {
      ConflictFinder.find(SetupTraces.of(setup, workspace.world()), person).stream()
          .filter(c -> (kind == null || c.kind() == kind) && c.severity() >= atLeast)
          .forEach(chosen::add);
    }
    if (asked.setupName == null && kind != null && HABITS.contains(kind)) {
      HabitFinder.find(workspace.catalog(), workspace.setups().values(), person).stream()
          .filter(c -> c.kind() == kind && c.severity() >= atLeast)
          .forEach(chosen::add);
    }
    chosen.sort(Conflict.WORST_FIRST);
    Trial trial = new Trial(new Situation(workspace.world(), workspace.setups()), person);
    Fix.Weights weights = weights();
    Plan plan =
        new Planner(trial, weights, seconds, System::nanoTime)
            .plan(chosen.stream().limit(most).toList(), () -> false);
    Catalog catalog = workspace.catalog();
    Answer answer =
        new Answer(
            plan.cost(),
            plan.bound(),
            plan.optimal(),
            plan.steps().stream()
                .map(
                    o ->
                        new Step(
                            o.fix().title(catalog),
                            o.paid(weights),
                            o.ends().stream().map(c -> named(c, catalog)).toList(),
                            o.ends().stream().map(Conflict::id).toList(),
                            o.robs().stream().map(catalog::title).sorted().toList(),
                            o.changed()))
                .toList(),
            plan.left().stream()
                .map(l -> new Stays(named(l.conflict(), catalog), l.why()))
                .toList(),
            plan.worse().stream().map(c -> ConflictSentence.of(c, catalog)).toList());
    PrintWriter out = spec.commandLine().getOut();
    if (asked.json) {
      out.println(ModelJson.answer(answer));
    } else {
      print(out, answer);
    }
    return answer.left().isEmpty() ? Main.DONE : Main.NO;
  }

  private static String named(Conflict c, Catalog catalog) {
    return c.loser().gesture() + ": " + ConflictSentence.withoutWayOut(c, catalog);
  }

  private Fix.Weights weights() {
    if (points == null) {
      return Fix.Weights.USUAL;
    }
    if (points.size() != WEIGHTS || points.stream().anyMatch(p -> p < 0)) {
      throw new ParameterException(
          spec.commandLine(), worded("command.weights-wants-four-numbers-from-0"));
    }
    return new Fix.Weights(points.get(0), points.get(1), points.get(2), points.get(3));
  }

  private static void print(PrintWriter out, Answer answer) {
    if (answer.steps().isEmpty() && answer.left().isEmpty()) {
      out.println(worded("command.no-conflict-is-chosen-so-there"));
      return;
    }
    if (answer.steps().isEmpty()) {
      out.println(worded("command.nothing-that-was-looked-at-ends"));
      answer.left().forEach(l -> out.printf(worded("command.stays"), l.conflict(), l.why()));
      return;
    }
    out.printf(
        worded("command.points"),
        worded("command.changes", answer.steps().size()),
        answer.cost(),
        answer.optimal()
            ? worded("command.and-no-cheaper-set-does-it")
            : worded("command.not-proved-to-be-the-least", decimals(1, answer.bound())));
    int number = 1;
    for (Step step : answer.steps()) {
      out.printf(worded("command.points-2"), number++, step.change(), step.cost());
      step.ends().forEach(e -> out.printf(worded("command.ends"), e));
      step.withoutGesture().forEach(a -> out.printf(worded("command.leaves-without-a-gesture"), a));
      if (step.otherGesturesChanged() > 0) {
        out.printf(
            worded("command.elsewhere"),
            worded("command.other-gestures-end", step.otherGesturesChanged()));
      }
    }
    answer.left().forEach(l -> out.printf(worded("command.stays"), l.conflict(), l.why()));
    answer.worse().forEach(w -> out.printf(worded("command.worse"), w));
  }
}
