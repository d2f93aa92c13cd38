package polydex.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import polydex.files.FileProblem;
import polydex.files.demo.DemoFile;
import polydex.files.json.ModelJson;
import polydex.files.store.Store;
import polydex.files.table.BindingTable;
import polydex.workspace.BindingIntake;
import polydex.workspace.BindingIntake.Plan;
import polydex.workspace.Workspace;

@Command(
    name = "import",
    description = {
      "Bring in a list of bindings as CSV: columns platform or application, context, action,"
          + " gesture.",
      "A new file is made where there is none. With --demo or --dry-run nothing is written."
    },
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:every line was taken or known",
      "1:some lines were refused, the others taken",
      "2:wrong command line",
      "3:a file can't be used; nothing was taken"
    },
    mixinStandardHelpOptions = true)
final class ImportCommand implements Callable<Integer> {
  @Mixin private Source source;
  @Spec private CommandSpec spec;

  @Option(names = "--json", description = "Answer as JSON.")
  private boolean json;

  @Option(names = "--dry-run", description = "Only say what would be taken.")
  private boolean dryRun;

  @Parameters(paramLabel = "LIST", description = "The CSV file.")
  private Path list;

  record Line(int line, String text) {}

  record RefusedLine(int line, String text, String reason) {}

  record Answer(
      String read,
      boolean written,
      List<Line> taken,
      List<Line> known,
      List<RefusedLine> refused) {}

  @Override
  public Integer call() throws Exception {
    BindingTable table = BindingTable.read(list);
    boolean write = !dryRun && source.file().isPresent();
    Plan plan =
        write ? bringIn(source.file().orElseThrow(), table) : plan(source.workspace(), table);
    PrintWriter out = spec.commandLine().getOut();
    Answer answer = answer(table, plan, write);
    if (json) {
      out.println(ModelJson.writePretty(answer));
    } else {
      print(out, answer);
    }
    return plan.refused().isEmpty() ? Main.DONE : Main.NO;
  }

  private static Plan bringIn(Path file, BindingTable table) throws FileProblem {
    try (Store store = DemoFile.openOrStart(file, Instant.now())) {
      Plan plan = plan(store.workspace(), table);
      if (!plan.taken().isEmpty()) {
        store.save(plan.change(), Instant.now());
      }
      return plan;
    }
  }

  private static Plan plan(Workspace workspace, BindingTable table) {
    return BindingIntake.plan(workspace, table.rows(), table.refused());
  }

  private static Answer answer(BindingTable table, Plan plan, boolean written) {
    return new Answer(
        table.found(),
        written,
        plan.taken().stream()
            .map(t -> new Line(t.row().line(), t.row().action() + ": " + t.gesture()))
            .toList(),
        plan.known().stream()
            .map(r -> new Line(r.line(), r.action() + ": " + r.gesture()))
            .toList(),
        plan.refused().stream().map(r -> new RefusedLine(r.line(), r.text(), r.reason())).toList());
  }

  private static void print(PrintWriter out, Answer answer) {
    out.printf(
        "%s: %d %s, %d known already, %d refused%n",
        answer.read(),
        answer.taken().size(),
        answer.written() ? "taken" : "would be taken",
        answer.known().size(),
        answer.refused().size());
    answer
        .refused()
        .forEach(r -> out.printf("  line %d: %s  %s%n", r.line(), r.text(), r.reason()));
  }
}
