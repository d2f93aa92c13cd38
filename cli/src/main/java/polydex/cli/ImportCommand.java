package polydex.cli;

import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.files.demo.DemoFile;
import polydex.files.json.ModelFiles;
import polydex.files.json.ModelJson;
import polydex.files.lists.ForeignList;
import polydex.files.lists.Intake;
import polydex.files.lists.ListReader;
import polydex.files.store.Store;
import polydex.intake.BindingIntake;
import polydex.intake.ColumnRoles.Target;
import polydex.intake.IntakePlan;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

@Command(
    name = "import",
    description = {
      "Bring in a list of bindings: separated values, tables of a saved page or of Markdown, arrays"
          + " in JSON, settings schemas, dumps and key files, or lines of key = value; or a keymap,"
          + " board or layout in this program's own formats.",
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

  @Option(
      names = "--application",
      paramLabel = "NAME",
      description = "The application of lines that name none.")
  private @Nullable String application;

  @Option(
      names = "--platform",
      paramLabel = "NAME",
      description = "The platform of lines that name neither.")
  private @Nullable String platform;

  @Option(
      names = "--columns",
      paramLabel = "ROLES",
      description =
          "What the columns are, by name or number: action=2,gesture=Keys. Roles: platform,"
              + " application, context, action, gesture, note. Remembered for such tables.")
  private @Nullable String columns;

  @Option(
      names = "--match",
      paramLabel = "SCORE",
      defaultValue = "2",
      description = "Take titles for known actions that they resemble at least so, 0 to 1.")
  private double match;

  @Option(
      names = "--drop-gone",
      description = "Remove what came from an earlier version of the list and is gone from it.")
  private boolean dropGone;

  @Parameters(paramLabel = "LIST", description = "The list.")
  private Path list;

  record Line(int line, String text) {}

  record ChangedLine(int line, String text, String before) {}

  record RefusedLine(int line, String text, String reason) {}

  record Like(String title, String action, String actionTitle, double score) {}

  record Answer(
      String read,
      boolean written,
      List<Line> taken,
      List<ChangedLine> changed,
      List<Line> known,
      List<String> gone,
      List<RefusedLine> refused,
      List<Like> resembling,
      int left) {}

  record OwnFile(String read, boolean written) {}

  @Override
  public Integer call() throws Exception {
    boolean write = !dryRun && source.file().isPresent();
    Optional<String> own = ListReader.ownFormat(list);
    return own.isPresent() ? bringIn(own.get(), write) : bringIn(ListReader.read(list), write);
  }

  private interface Work<T> {
    T with(Workspace workspace) throws FileProblem;
  }

  /** Plans on the workspace, and writes the change where it is to be written. */
  private <T> T planned(boolean write, Work<T> plan, Function<T, Change.Edit> edit)
      throws FileProblem {
    if (!write) {
      boolean isNew = source.file().filter(f -> !Files.exists(f)).isPresent();
      return plan.with(isNew ? Shipped.start() : source.workspace());
    }
    try (Store store = DemoFile.openOrStart(source.file().orElseThrow(), Instant.now())) {
      T made = plan.with(store.workspace());
      if (!edit.apply(made).before().equals(edit.apply(made).after())) {
        Source.copy(store, spec.commandLine().getErr());
        store.save(edit.apply(made), Instant.now());
      }
      return made;
    }
  }

  private int bringIn(String ownFormat, boolean write) throws FileProblem {
    ModelFiles.Brought brought =
        planned(
            write,
            w -> ModelFiles.read(w, list.getFileName().toString(), ownFormat),
            ModelFiles.Brought::edit);
    PrintWriter out = spec.commandLine().getOut();
    out.println(json ? ModelJson.writePretty(new OwnFile(brought.what(), write)) : brought.what());
    return Main.DONE;
  }

  private int bringIn(ForeignList read, boolean write) throws FileProblem {
    IntakePlan plan = planned(write, w -> plan(w, read), IntakePlan::change);
    PrintWriter out = spec.commandLine().getOut();
    Answer answer = answer(read, plan, write);
    if (json) {
      out.println(ModelJson.writePretty(answer));
    } else {
      print(out, answer);
    }
    return plan.refused().isEmpty() ? Main.DONE : Main.NO;
  }

  private IntakePlan plan(Workspace workspace, ForeignList read) throws FileProblem {
    Optional<Target> target =
        Optional.ofNullable(application)
            .map(a -> new Target(a, false))
            .or(() -> Optional.ofNullable(platform).map(p -> new Target(p, true)));
    Intake intake = Intake.of(workspace, read, Optional.ofNullable(columns), target);
    return BindingIntake.plan(
        workspace.with(intake.remembered()), intake.request().sureFrom(match).dropGone(dropGone));
  }

  private static Answer answer(ForeignList read, IntakePlan plan, boolean written) {
    return new Answer(
        read.form(),
        written,
        plan.taken().stream()
            .map(t -> new Line(t.row().line(), t.row().action() + ": " + t.gesture()))
            .toList(),
        plan.changed().stream()
            .map(
                c ->
                    new ChangedLine(
                        c.row().line(),
                        c.row().action() + ": " + c.gesture(),
                        c.before().toString()))
            .toList(),
        plan.known().stream()
            .map(r -> new Line(r.line(), r.action() + ": " + r.gesture()))
            .toList(),
        plan.gone().stream()
            .map(g -> g.environment() + ": " + g.binding().action() + ": " + g.binding().gesture())
            .toList(),
        plan.refused().stream().map(r -> new RefusedLine(r.line(), r.text(), r.reason())).toList(),
        plan.proposals().stream()
            .map(
                p ->
                    new Like(
                        p.title(),
                        p.matches().getFirst().action().id().value(),
                        p.matches().getFirst().action().title(),
                        Math.round(p.matches().getFirst().score() * 100) / 100.0))
            .toList(),
        read.left());
  }

  private static void print(PrintWriter out, Answer answer) {
    out.printf(
        "%s: %d %s, %d changed, %d known already, %d gone, %d refused%n",
        answer.read(),
        answer.taken().size(),
        answer.written() ? "taken" : "would be taken",
        answer.changed().size(),
        answer.known().size(),
        answer.gone().size(),
        answer.refused().size());
    if (answer.left() > 0) {
      out.printf("  left out: %d entries without a gesture%n", answer.left());
    }
    answer
        .changed()
        .forEach(c -> out.printf("  line %d: %s, was %s%n", c.line(), c.text(), c.before()));
    answer.gone().forEach(g -> out.printf("  gone: %s%n", g));
    answer
        .resembling()
        .forEach(
            l ->
                out.printf(
                    Locale.ROOT,
                    "  “%s” resembles “%s” (%.2f); --match takes it for that%n",
                    l.title(),
                    l.actionTitle(),
                    l.score()));
    answer
        .refused()
        .forEach(r -> out.printf("  line %d: %s  %s%n", r.line(), r.text(), r.reason()));
  }
}
