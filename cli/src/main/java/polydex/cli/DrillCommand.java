package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;
import polydex.files.FileProblem;
import polydex.files.demo.DemoFile;
import polydex.files.demo.DemoHistory;
import polydex.files.json.ModelJson;
import polydex.files.lists.AnswerList;
import polydex.files.store.Store;
import polydex.language.Language;
import polydex.recall.Answer;
import polydex.recall.AskingPlan;
import polydex.recall.Days;
import polydex.recall.DrillItem;
import polydex.recall.DrillSettings;
import polydex.recall.Forecast;
import polydex.recall.ItemState;
import polydex.recall.MemoryParameters;
import polydex.recall.Progress;

@Command(
    name = "drill",
    description = {
      "What is remembered: what is due, what will be, and the state of every item.",
      "Answers come from a .polydex file, the demo, or a list (--replay)."
    },
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:done",
      "1:there are no answers",
      "2:wrong command line",
      "3:file can't be used"
    },
    mixinStandardHelpOptions = true)
final class DrillCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;

  @ArgGroup(multiplicity = "1")
  private From from;

  private static final class From {
    @Option(
        names = {"-f", "--file"},
        paramLabel = "FILE",
        description = "A .polydex file. It must not be open elsewhere.")
    @Nullable Path file;

    @Option(names = "--demo", description = "The demo that ships.")
    boolean demo;

    @Option(
        names = "--replay",
        paramLabel = "ANSWERS.csv",
        description =
            "A list of answers with the columns at, environment, action, gesture, verdict,"
                + " seconds; the state of every item is told, unless --due or --forecast asks.")
    @Nullable Path replay;
  }

  @ArgGroup(multiplicity = "0..1")
  private What what = new What();

  private static final class What {
    @Option(names = "--due", description = "Only what is due, what gains most a second first.")
    boolean due;

    @Option(names = "--pace", description = "How long gestures take, fitted to the right answers.")
    boolean pace;

    @Option(names = "--confusions", description = "What was pressed for what, and how often.")
    boolean confusions;

    @Option(names = "--curves", description = "How items got faster, with the curve that fits.")
    boolean curves;

    @Option(
        names = "--fit",
        description = "Fit the memory to these answers, and tell how well that foretells the last.")
    boolean fit;

    @Option(
        names = "--forecast",
        paramLabel = "DAYS",
        description = "How much comes due on each of the next days, 1 to 366.")
    @Nullable Integer forecast;

    @Option(names = "--answers", description = "The answers themselves, as --replay reads them.")
    boolean answers;
  }

  @Option(names = "--json", description = "Answer as JSON.")
  private boolean json;

  @Option(
      names = "--now",
      paramLabel = "TIME",
      description =
          "The moment to take for now, as 2031-03-14T16:00:00Z. Left out: the demo's or this"
              + " computer's, and with --replay that of the last answer.")
  @Nullable
  private Instant nowGiven;

  @Option(
      names = "--zone",
      paramLabel = "ZONE",
      description =
          "Where days begin, as Europe/Berlin or +02:00. Left out: this computer's, and"
              + " UTC for the demo and with --replay.")
  @Nullable
  private ZoneId zoneGiven;

  @Option(
      names = "--retention",
      paramLabel = "R",
      description = "The chance of recall at which an item is due, 0.80 to 0.97; 0.90 if left out.")
  private double retention = DrillSettings.USUAL.retention();

  @Option(
      names = "--parameters",
      paramLabel = "W",
      description =
          "The 17 numbers by which memory moves, in quotes with spaces between. Left out: those"
              + " fitted to the person in a file, and the published ones else.")
  @Nullable
  private String parametersGiven;

  record Item(
      String environment,
      String action,
      double difficulty,
      double stability,
      double retrievability,
      String due,
      boolean isDue,
      double gain,
      int answers,
      int right,
      boolean fluent,
      String lastCounted) {}

  record Day(String date, int due, double minutes) {}

  private record Read(
      List<Answer> answers, Instant now, ZoneId zone, MemoryParameters parameters) {}

  @Override
  public Integer call() throws Exception {
    checkRanges();
    Read read = read();
    PrintWriter out = spec.commandLine().getOut();
    if (what.answers) {
      AnswerList.write(read.answers(), out);
      return read.answers().isEmpty() ? Main.NO : Main.DONE;
    }
    Progress progress = new Progress(read.zone(), read.parameters());
    read.answers().forEach(progress::add);
    DrillFigures figures = new DrillFigures(read.answers(), progress, out, json);
    if (what.pace) {
      figures.pace();
    } else if (what.confusions) {
      figures.confusions();
    } else if (what.curves) {
      figures.curves();
    } else if (what.fit) {
      return figures.fit(read.now()) ? Main.DONE : Main.NO;
    } else if (what.forecast != null) {
      forecast(out, progress, read.now());
    } else {
      items(out, progress, read.now());
    }
    return read.answers().isEmpty() ? Main.NO : Main.DONE;
  }

  private void checkRanges() {
    if (retention < 0.80 || retention > 0.97) {
      throw new ParameterException(spec.commandLine(), worded("command.retention-is-from-0-80-to"));
    }
    if (what.forecast != null && (what.forecast < 1 || what.forecast > Forecast.MOST_DAYS)) {
      throw new ParameterException(
          spec.commandLine(), worded("command.forecast-is-for-1-to-days", Forecast.MOST_DAYS));
    }
  }

  private Read read() throws FileProblem {
    List<Answer> answers = new ArrayList<>();
    ZoneId zone = DemoHistory.ZONE;
    Instant now = DemoHistory.NOW;
    MemoryParameters parameters = MemoryParameters.USUAL;
    if (from.replay != null) {
      answers.addAll(AnswerList.read(from.replay));
      now = answers.isEmpty() ? Instant.EPOCH : answers.getLast().at();
    } else if (from.file != null) {
      zone = ZoneId.systemDefault();
      try (Store store = Store.open(Source.existing(from.file))) {
        store.answers(answers::add);
        parameters = store.fits().parameters();
        Optional<String> fixed = store.setting(DemoFile.NOW);
        now = fixed.map(Instant::parse).orElseGet(Clock.systemUTC()::instant);
      }
    } else if (from.demo) {
      parameters =
          DemoFile.withDemo(
              store -> {
                store.answers(answers::add);
                return store.fits().parameters();
              });
    }
    return new Read(
        answers,
        Optional.ofNullable(nowGiven).orElse(now),
        Optional.ofNullable(zoneGiven).orElse(zone),
        parametersGiven == null ? parameters : given(parametersGiven));
  }

  private MemoryParameters given(String text) {
    try {
      return MemoryParameters.parse(text);
    } catch (IllegalArgumentException e) {
      throw new ParameterException(
          spec.commandLine(), worded("command.parameters", e.getMessage()), e);
    }
  }

  private void forecast(PrintWriter out, Progress progress, Instant now) {
    List<Day> days =
        Forecast.of(
                progress.states().values(),
                progress.parameters(),
                retention,
                now,
                progress.days(),
                what.forecast == null ? 1 : what.forecast)
            .stream()
            .map(d -> new Day(d.date().toString(), d.due(), Math.round(d.minutes() * 10) / 10.0))
            .toList();
    if (json) {
      out.println(ModelJson.answer(days));
    } else {
      days.forEach(
          d ->
              out.printf(
                  Language.locale(), "%s  %5d  %5.1f min%n", d.date(), d.due(), d.minutes()));
    }
  }

  private void items(PrintWriter out, Progress progress, Instant now) {
    Comparator<Item> order =
        what.due
            ? Comparator.comparingDouble((Item i) -> -i.gain())
            : Comparator.comparing(Item::environment);
    AskingPlan plan = new AskingPlan(progress.parameters());
    List<Item> items =
        progress.states().entrySet().stream()
            .map(e -> item(e, plan, now))
            .filter(i -> !what.due || i.isDue())
            .sorted(order.thenComparing(Item::environment).thenComparing(Item::action))
            .toList();
    if (json) {
      out.println(ModelJson.answer(items));
      return;
    }
    out.printf(
        "%-24s %-32s %6s %9s %5s  %s%n",
        "environment", "action", "D", worded("command.s-days"), "R", "due");
    items.forEach(
        i ->
            out.printf(
                Language.locale(),
                "%-24s %-32s %6.2f %9.2f %5.2f  %s%s%n",
                i.environment(),
                i.action(),
                i.difficulty(),
                i.stability(),
                i.retrievability(),
                i.isDue() ? worded("command.now") : i.due().substring(0, 10),
                i.fluent() ? worded("command.fluent") : ""));
  }

  private Item item(Map.Entry<DrillItem, ItemState> entry, AskingPlan plan, Instant now) {
    ItemState s = entry.getValue();
    return new Item(
        entry.getKey().environment().value(),
        entry.getKey().action().value(),
        s.memory().difficulty(),
        s.memory().stability(),
        s.retrievability(now),
        s.due(retention).toString(),
        s.isDue(now, retention),
        plan.index(s.memory(), Days.between(s.counted(), now)),
        s.answers(),
        s.right(),
        s.isFluent(),
        s.counted().toString());
  }
}
