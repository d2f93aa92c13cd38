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
import picocli.CommandLine.Spec;
import polydex.files.json.ModelJson;
import polydex.keys.Gesture;
import polydex.language.Language;
import polydex.mouse.DaysOfUse;
import polydex.mouse.Remaining;
import polydex.mouse.Walk;
import polydex.workspace.Workspace;

@Command(
    name = "remaining",
    description =
        "What was done with the mouse in the last four weeks, by the hours a year that it costs.",
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {"0:done", "2:wrong command line", "3:file can't be used"},
    mixinStandardHelpOptions = true)
final class MouseRemaining implements Callable<Integer> {
  @Mixin private Source source;
  @Mixin private Asked asked;
  @Spec private CommandSpec spec;

  record WrittenRow(
      String action,
      String setup,
      String in,
      String kind,
      String state,
      double usesADay,
      double pointerSeconds,
      boolean pointerMeasured,
      Optional<Double> keysSeconds,
      boolean keysMeasured,
      double hoursAYear,
      Optional<Double> hoursLow,
      Optional<Double> hoursHigh,
      int days,
      int uses,
      double share,
      Optional<Double> paybackDays,
      Optional<String> gesture,
      Optional<String> hindrance,
      int inVain,
      Optional<Integer> walkPresses,
      List<String> walk,
      Optional<String> kept) {}

  @Override
  public Integer call() throws Exception {
    Workspace workspace = source.workspace();
    List<Remaining.RemainingRow> found =
        source.known(workspace).rows(source.setups(workspace, asked.setupName)).stream()
            .filter(r -> r.usesADay() > 0)
            .toList();
    double all = found.stream().mapToDouble(Remaining.RemainingRow::hoursAYear).sum();
    List<WrittenRow> rows = new ArrayList<>();
    double so = 0;
    for (Remaining.RemainingRow row : found) {
      so += row.hoursAYear();
      rows.add(row(row, all == 0 ? 0 : so / all));
    }
    PrintWriter out = spec.commandLine().getOut();
    if (asked.json) {
      out.println(ModelJson.answer(rows));
    } else {
      rows.forEach(r -> print(out, workspace, r));
    }
    return Main.DONE;
  }

  static WrittenRow row(Remaining.RemainingRow r, double share) {
    return new WrittenRow(
        r.place().doing().written(),
        r.place().setup().value(),
        r.place().environment().value(),
        MouseCommand.word(r.kind()),
        MouseCommand.word(r.state()),
        MouseCommand.rounded(r.usesADay()),
        MouseCommand.rounded(r.pointerSeconds()),
        r.pointerMeasured(),
        r.keysSeconds().map(MouseCommand::rounded),
        r.keysMeasured(),
        MouseCommand.rounded(r.hoursAYear()),
        r.rests().range().map(DaysOfUse.Range::low).map(MouseCommand::rounded),
        r.rests().range().map(DaysOfUse.Range::high).map(MouseCommand::rounded),
        r.rests().days(),
        r.rests().uses(),
        MouseCommand.rounded(share),
        r.paybackDays().map(MouseCommand::rounded),
        r.gesture().map(Gesture::toString),
        r.hindrance().map(MouseCommand::word),
        r.inVain(),
        r.walk().map(Walk::presses),
        r.walk().map(Walk::path).orElse(List.of()),
        r.kept());
  }

  static void print(PrintWriter out, Workspace workspace, WrittenRow row) {
    out.printf(
        Language.locale(),
        worded("command.h-a-year"),
        row.hoursAYear(),
        100 * row.share(),
        row.kind(),
        row.state(),
        MouseCommand.title(workspace, row.action()),
        row.kept()
            .map(why -> worded("command.kept", why))
            .or(row::gesture)
            .or(
                () ->
                    row.walkPresses()
                        .map(n -> worded("command.presses", n, String.join(" > ", row.walk()))))
            .orElse(""));
  }
}
