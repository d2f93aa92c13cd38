package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
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
import polydex.files.log.LogImport;
import polydex.files.log.LogReport;
import polydex.files.log.LogStream;
import polydex.files.store.Store;
import polydex.files.store.StoreLine;
import polydex.language.Language;
import polydex.person.Knowledge;
import polydex.recognition.Recogniser;
import polydex.workspace.Workspace;

@Command(
    name = "import",
    description = {
      "Bring in a mouse log: comma-separated values with a header line, or one JSON object a line."
          + " What was typed is counted and never kept.",
      "All of it is taken or nothing; a new file is made where there is none. With --demo or"
          + " --dry-run nothing is written."
    },
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:every line was taken",
      "1:some lines can't be used: nothing was taken, or with --good-lines the others",
      "2:wrong command line",
      "3:a file can't be used; nothing was taken"
    },
    mixinStandardHelpOptions = true)
final class MouseImport implements Callable<Integer> {
  @Mixin private Source source;
  @Spec private CommandSpec spec;

  @Option(names = "--json", description = "Answer as JSON.")
  private boolean json;

  @Option(names = "--dry-run", description = "Only say what is in it.")
  private boolean dryRun;

  @Option(
      names = "--good-lines",
      description = "Take the lines that can be used although others can't.")
  private boolean goodLines;

  @Parameters(
      paramLabel = "LOG",
      description = {
        "The log; - reads JSON lines from standard input as they come, keeps each within a second,"
            + " and leaves out and tells what can't be used."
      })
  private Path log;

  record Answer(
      String name,
      boolean written,
      long events,
      Optional<Long> newEvents,
      long refusedInAll,
      List<LogReport.Refused> refused,
      List<String> unused,
      Optional<String> first,
      Optional<String> last,
      long backward,
      long jumps,
      long characters,
      double recognisedShare,
      Map<String, Long> recognised) {}

  @Override
  public Integer call() throws Exception {
    boolean looks = dryRun || source.file().isEmpty();
    Answer answer = log.toString().equals("-") ? stream(looks) : answer(looks ? look() : take());
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(ModelJson.answer(answer));
    } else {
      print(out, answer);
    }
    return answer.refusedInAll() == 0 ? Main.DONE : Main.NO;
  }

  private LogImport.Taken look() throws FileProblem {
    LogReport report = of(source.workspace()).look(_ -> true);
    return new LogImport.Taken(report, Optional.empty());
  }

  private LogImport.Taken take() throws FileProblem {
    Source.existing(log); // before a new file is made for it
    Store store = DemoFile.openOrStart(source.file().orElseThrow(), Instant.now());
    Workspace workspace = store.workspace();
    Source.copy(store, spec.commandLine().getErr());
    try (StoreLine line = new StoreLine(store, new StoreLine.Watcher() {})) {
      return of(workspace).take(line, goodLines, _ -> true);
    }
  }

  private Answer stream(boolean looks) throws FileProblem {
    String name = worded("command.standard-input");
    if (looks) {
      Recogniser recogniser = Knowledge.recogniser(source.workspace());
      return answer(
          new LogStream(source.zone(), this::latest, recogniser).look(System.in, name),
          false,
          Optional.empty());
    }
    Store store = DemoFile.openOrStart(source.file().orElseThrow(), Instant.now());
    Recogniser recogniser = Knowledge.recogniser(store.workspace());
    PrintWriter err = spec.commandLine().getErr();
    Source.copy(store, err);
    LogReport report;
    try (StoreLine line = new StoreLine(store, new Telling(err))) {
      report = new LogStream(source.zone(), Instant::now, recogniser).take(System.in, name, line);
    }
    return answer(report, report.events() > 0, Optional.empty());
  }

  /** Whoever sends the lines has no eye on this program: what can't be stored is said at once. */
  record Telling(PrintWriter err) implements StoreLine.Watcher {
    @Override
    public void progress(StoreLine.Progress now) {
      now.problem()
          .ifPresent(
              p -> {
                err.println(worded("command.not-stored-yet", p));
                err.flush();
              });
    }
  }

  private LogImport of(Workspace workspace) {
    return new LogImport(log, source.zone(), latest(), Knowledge.recogniser(workspace));
  }

  /** The invented weeks of the demo lie ahead. */
  private Instant latest() {
    return source.file().isEmpty() ? Instant.MAX.minusSeconds(1 << 20) : Instant.now();
  }

  private static Answer answer(LogImport.Taken taken) {
    return answer(
        taken.report(),
        taken.brought().isPresent(),
        taken.brought().map(StoreLine.Brought::events));
  }

  /**
   * What is answered.
   *
   * @param fresh how many events were not there yet, where that was counted
   */
  private static Answer answer(LogReport r, boolean written, Optional<Long> fresh) {
    Map<String, Long> how = new TreeMap<>();
    r.recognised().forEach((h, n) -> how.put(MouseCommand.word(h), n));
    return new Answer(
        r.name(),
        written,
        r.events(),
        fresh,
        r.refusedInAll(),
        r.refused(),
        r.unused(),
        r.first().map(Instant::toString),
        r.last().map(Instant::toString),
        r.backward(),
        r.jumps(),
        r.characters(),
        MouseCommand.rounded(r.recognisedShare()),
        how);
  }

  private static void print(PrintWriter out, Answer a) {
    out.printf(
        Language.locale(),
        worded("command.events-lines-refused-recognised-characters-typed"),
        a.name(),
        a.events(),
        a.written()
            ? worded(
                "command.taken-3",
                a.newEvents().map(n -> worded("command.of-them-new", n)).orElse(""))
            : worded("command.could-be-taken"),
        a.refusedInAll(),
        100 * a.recognisedShare(),
        a.characters());
    if (a.backward() > 0) {
      out.printf(worded("command.lines-earlier-than-the-one-before"), a.backward(), a.jumps());
    }
    if (!a.unused().isEmpty()) {
      out.println(worded("command.not-used", String.join(", ", a.unused())));
    }
    a.refused().forEach(r -> out.printf(worded("command.line-3"), r.line(), r.reason()));
    if (a.refusedInAll() > a.refused().size()) {
      out.printf(worded("command.and-more"), a.refusedInAll() - a.refused().size());
    }
    if (a.refusedInAll() > 0 && !a.written()) {
      out.println(worded("command.nothing-was-taken-good-lines-takes"));
    }
  }
}
