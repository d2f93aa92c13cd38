package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictFinder;
import polydex.conflict.ConflictSentence;
import polydex.conflict.HabitFinder;
import polydex.conflict.Person;
import polydex.files.json.ModelJson;
import polydex.keys.Gesture;
import polydex.route.Setup;
import polydex.route.SetupId;
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
  /** So many other gestures are named of one cause. */
  private static final int OTHERS = 6;

  @Mixin private Source source;
  @Mixin private Asked asked;
  @Spec private CommandSpec spec;

  @Option(
      names = "--kind",
      paramLabel = "KIND",
      description = "Only this kind: ${COMPLETION-CANDIDATES}.")
  Conflict.@Nullable Kind kind;

  @Option(
      names = "--each",
      description = "A line for every conflict, also where many have one cause.")
  private boolean each;

  @Option(
      names = "--fail-on",
      paramLabel = "SEVERITY",
      description = "Exit with 1 if any conflict is at least so severe, 0 to 100.")
  @Nullable
  private Integer failOn;

  record ConflictRow(
      String id,
      String kind,
      String setup,
      int severity,
      String rank,
      String environment,
      String context,
      String action,
      String gesture,
      String takenBy,
      String layer,
      String instead,
      String cause,
      List<String> stillWorks,
      String sentence) {}

  @Override
  public Integer call() throws Exception {
    Workspace workspace = source.workspace();
    Person person = Person.of(source.usesPerDay(workspace));
    PrintWriter out = spec.commandLine().getOut();
    List<ConflictRow> rows = new ArrayList<>();
    for (Setup setup : source.setups(workspace, asked.setupName)) {
      List<Conflict> found = ConflictFinder.find(SetupTraces.of(setup, workspace.world()), person);
      add(rows, workspace, setup.title(), found, out);
    }
    if (asked.setupName == null) {
      List<Conflict> habits =
          HabitFinder.find(workspace.catalog(), workspace.setups().values(), person);
      add(rows, workspace, worded("command.habits"), habits, out);
    }
    if (asked.json) {
      out.println(ModelJson.answer(rows));
    }
    return failOn != null && rows.stream().anyMatch(r -> r.severity() >= failOn)
        ? Main.NO
        : Main.DONE;
  }

  private void add(
      List<ConflictRow> rows,
      Workspace workspace,
      String title,
      List<Conflict> found,
      PrintWriter out) {
    List<ConflictRow> wanted =
        found.stream()
            .filter(c -> kind == null || c.kind() == kind)
            .map(c -> row(workspace, c))
            .toList();
    rows.addAll(wanted);
    if (!asked.json) {
      print(out, title, wanted);
    }
  }

  private static ConflictRow row(Workspace workspace, Conflict c) {
    return new ConflictRow(
        c.id(),
        c.kind().written(),
        c.setup().orElse(SetupId.NONE).value(),
        c.severity(),
        c.rank().written(),
        c.loser().environment().value(),
        c.loser().context(),
        c.loser().action().value(),
        c.loser().gesture().toString(),
        c.winner().map(w -> w.environment().value()).orElse(""),
        c.at().map(l -> l.kind().name().toLowerCase(Locale.ROOT)).orElse(""),
        Conflict.what(c.instead()),
        c.cause(),
        c.stillWorks().stream().map(Gesture::toString).toList(),
        ConflictSentence.of(c, workspace.catalog()));
  }

  private void print(PrintWriter out, String title, List<ConflictRow> rows) {
    out.println(
        title
            + switch (rows.size()) {
              case 0 -> worded("command.no-conflicts");
              case 1 -> worded("command.1-conflict");
              default -> worded("command.conflicts", rows.size());
            });
    Map<String, List<ConflictRow>> byCause = new LinkedHashMap<>();
    rows.forEach(r -> byCause.computeIfAbsent(r.cause(), _ -> new ArrayList<>()).add(r));
    for (List<ConflictRow> some : byCause.values()) {
      int shown = each ? some.size() : 1;
      some.subList(0, shown)
          .forEach(r -> out.printf("  %3d  %-12s %s%n", r.severity(), r.kind(), r.sentence()));
      if (some.size() > shown) {
        List<String> others =
            some.subList(shown, some.size()).stream().map(ConflictRow::gesture).distinct().toList();
        out.printf(
            worded("command.and-for-the-same-reason"),
            some.size() == 2 ? worded("command.1-more") : worded("command.more", some.size() - 1),
            String.join(", ", others.subList(0, Math.min(OTHERS, others.size()))),
            others.size() > OTHERS ? ", ..." : "");
      }
    }
  }
}
