package polydex.cli;

import static polydex.cli.CliWords.worded;
import static polydex.language.Language.decimals;

import java.io.PrintWriter;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;
import polydex.files.json.ModelJson;
import polydex.language.Language;
import polydex.mouse.Remaining;
import polydex.mouse.WeeklyReview;
import polydex.person.Knowledge;
import polydex.recognition.Place;
import polydex.workspace.Workspace;

@Command(
    name = "review",
    description =
        "The last seven days in one page: what was replaced, what came back, what costs most, and"
            + " three proposals.",
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {"0:done", "2:wrong command line", "3:file can't be used"},
    mixinStandardHelpOptions = true)
final class MouseReview implements Callable<Integer> {
  @Mixin private Source source;
  @Mixin private Asked asked;
  @Spec private CommandSpec spec;

  record At(String action, String setup, String in) {
    static At of(Place p) {
      return new At(p.doing().written(), p.setup().value(), p.environment().value());
    }
  }

  record Totals(
      int workingDays,
      int keys,
      int pointer,
      Optional<Double> coverage,
      int trips,
      Optional<Double> tripsAnHour) {
    static Totals of(WeeklyReview.Totals t) {
      return new Totals(
          t.workingDays(),
          t.keys(),
          t.pointer(),
          t.coverage().map(MouseCommand::rounded),
          t.trips(),
          t.tripsAnHour().map(MouseCommand::rounded));
    }
  }

  record Review(
      String from,
      String until,
      Totals now,
      Totals before,
      List<At> replaced,
      List<At> cameBack,
      List<At> slipped,
      List<MouseRemaining.WrittenRow> dearest,
      List<MouseRemaining.WrittenRow> proposals) {}

  @Override
  public Integer call() throws Exception {
    Workspace workspace = source.workspace();
    Knowledge known = source.known(workspace);
    WeeklyReview found =
        known.findings(known.rows(source.setups(workspace, asked.setupName))).review();
    Review review =
        new Review(
            found.days().getStart().toString(),
            found.days().getEnd().toString(),
            Totals.of(found.now()),
            Totals.of(found.before()),
            places(found.replaced()),
            places(found.cameBack()),
            places(found.slipped()),
            rows(found.dearest()),
            rows(found.proposals()));
    PrintWriter out = spec.commandLine().getOut();
    if (asked.json) {
      out.println(ModelJson.answer(review));
    } else {
      print(out, workspace, review);
    }
    return Main.DONE;
  }

  private static List<At> places(List<Place> places) {
    return places.stream().map(At::of).toList();
  }

  private static List<MouseRemaining.WrittenRow> rows(List<Remaining.RemainingRow> rows) {
    return rows.stream().map(r -> MouseRemaining.row(r, 0)).toList();
  }

  private static void print(PrintWriter out, Workspace workspace, Review r) {
    // Until is the day after; people name the last one.
    LocalDate last = LocalDate.parse(r.until()).minusDays(1);
    out.printf(worded("command.the-week-from-to"), r.from(), last);
    out.printf(
        Language.locale(),
        worded("command.uses-by-keys-by-mouse-by"),
        r.now().keys(),
        r.now().pointer(),
        100 * r.now().coverage().orElse(0.0),
        100 * r.before().coverage().orElse(0.0));
    if (r.now().tripsAnHour().isPresent()) {
      out.printf(
          Language.locale(),
          worded("command.the-hand-went-to-the-mouse"),
          r.now().tripsAnHour().get(),
          r.before().tripsAnHour().map(n -> worded("command.after", decimals(0, n))).orElse(""));
    }
    out.println(worded("command.replaced", titles(workspace, r.replaced())));
    out.println(worded("command.came-back-2", titles(workspace, r.cameBack())));
    out.println(
        worded("command.slipped-after-twenty-times-by-keys", titles(workspace, r.slipped())));
    out.println(worded("command.costs-most-now"));
    r.dearest().forEach(row -> print(out, workspace, row));
    out.println(worded("command.for-the-next-week"));
    r.proposals().forEach(row -> print(out, workspace, row));
  }

  private static void print(PrintWriter out, Workspace workspace, MouseRemaining.WrittenRow row) {
    out.printf(
        Language.locale(),
        worded("command.h-a-year-2"),
        row.hoursAYear(),
        row.kind(),
        MouseCommand.title(workspace, row.action()),
        row.setup());
  }

  private static String titles(Workspace workspace, List<At> places) {
    return places.isEmpty()
        ? worded("command.nothing")
        : places.stream()
            .map(p -> MouseCommand.title(workspace, p.action()) + " (" + p.setup() + ")")
            .collect(Collectors.joining(", "));
  }
}
