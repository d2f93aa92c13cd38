package polydex.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictFinder;
import polydex.conflict.ConflictSentence;
import polydex.files.json.ModelJson;
import polydex.keys.Gesture;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.workspace.Workspace;

@Command(
    name = "conflicts",
    description = "List the bindings of a setup that do not do what they say.",
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:listed",
      "1:a conflict is as severe as --fail-on says",
      "2:wrong command line",
      "3:file can't be used"
    },
    mixinStandardHelpOptions = true)
final class ConflictsCommand implements Callable<Integer> {
  @Mixin private Source source;
  @Spec private CommandSpec spec;

  @Option(names = "--json", description = "Answer as JSON.")
  private boolean json;

  @Option(
      names = {"-s", "--setup"},
      paramLabel = "SETUP",
      description = "Id or title of a setup; all of them if left out.")
  @Nullable
  private String setupName;

  @Option(
      names = "--kind",
      paramLabel = "KIND",
      description = "Only this kind: ${COMPLETION-CANDIDATES}.")
  Conflict.@Nullable Kind kind;

  @Option(
      names = "--fail-on",
      paramLabel = "SEVERITY",
      description = "Exit with 1 if any conflict is at least so severe, 0 to 100.")
  @Nullable
  private Integer failOn;

  record Row(
      String id,
      String kind,
      String setup,
      int severity,
      String environment,
      String context,
      String action,
      String gesture,
      String takenBy,
      String instead,
      List<String> stillWorks,
      String sentence) {}

  @Override
  public Integer call() throws Exception {
    Workspace workspace = source.workspace();
    List<Setup> setups =
        setupName == null
            ? List.copyOf(workspace.setups().values())
            : List.of(source.setup(workspace, setupName));
    ToDoubleFunction<String> usesPerDay = source.usesPerDay(workspace);
    PrintWriter out = spec.commandLine().getOut();
    List<Row> rows = new ArrayList<>();
    for (Setup setup : setups) {
      Optional<String> problem = workspace.world().problem(setup);
      if (problem.isPresent()) {
        spec.commandLine().getErr().println(problem.get());
        continue;
      }
      List<Row> found =
          ConflictFinder.find(
                  workspace.world(), SetupTraces.of(setup, workspace.world()), usesPerDay)
              .stream()
              .filter(c -> kind == null || c.kind() == kind)
              .map(c -> row(workspace, c))
              .toList();
      rows.addAll(found);
      if (!json) {
        print(out, setup, found);
      }
    }
    if (json) {
      out.println(ModelJson.writePretty(rows));
    }
    return failOn != null && rows.stream().anyMatch(r -> r.severity() >= failOn)
        ? Main.NO
        : Main.DONE;
  }

  private static Row row(Workspace workspace, Conflict c) {
    return new Row(
        c.id(),
        c.kind().name().toLowerCase(Locale.ROOT),
        c.setup(),
        c.severity(),
        c.loser().environment(),
        c.loser().binding().context(),
        c.loser().binding().action(),
        c.loser().gesture().toString(),
        c.winnerEnvironment(),
        c.instead(),
        c.stillWorks().stream().map(Gesture::toString).toList(),
        ConflictSentence.of(c, workspace.catalog()));
  }

  private static void print(PrintWriter out, Setup setup, List<Row> rows) {
    out.println(
        setup.title() + (rows.isEmpty() ? ": no conflicts." : ": " + rows.size() + " conflicts"));
    rows.forEach(r -> out.printf("  %3d  %-12s %s%n", r.severity(), r.kind(), r.sentence()));
  }
}
