package polydex.cli;

import java.io.PrintWriter;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;
import polydex.effort.KeystrokeLevel;
import polydex.files.demo.DemoHistory;
import polydex.files.json.ModelJson;
import polydex.keys.Gesture;
import polydex.mouse.MenuWalk;
import polydex.mouse.RecentUses;
import polydex.mouse.Remaining;
import polydex.mouse.Use;
import polydex.workspace.Workspace;

@Command(
    name = "mouse",
    description = "What is done with the mouse.",
    subcommands = MouseCommand.RemainingCommand.class,
    mixinStandardHelpOptions = true)
final class MouseCommand {

  @Command(
      name = "remaining",
      description =
          "What was done with the mouse in the last four weeks, by the hours a year that it costs.",
      exitCodeListHeading = "%nExit codes:%n",
      exitCodeList = {"0:done", "2:wrong command line", "3:file can't be used"},
      mixinStandardHelpOptions = true)
  static final class RemainingCommand implements Callable<Integer> {
    @Mixin private Source source;
    @Mixin private Asked asked;
    @Spec private CommandSpec spec;

    record Row(
        String action,
        String setup,
        String kind,
        double usesADay,
        double pointerSeconds,
        Optional<Double> keysSeconds,
        double hoursAYear,
        double share,
        Optional<String> gesture,
        Optional<Integer> walkPresses,
        List<String> walk) {}

    @Override
    public Integer call() throws Exception {
      Workspace workspace = source.workspace();
      List<Use> uses = source.uses(workspace);
      // The last four weeks of what there is, whenever that was.
      Instant end = uses.isEmpty() ? Instant.EPOCH : uses.getLast().at();
      ZoneId zone = source.file().isPresent() ? ZoneId.systemDefault() : DemoHistory.ZONE;
      List<Remaining.Row> found =
          new Remaining(workspace.world(), RecentUses.of(uses, end, zone), KeystrokeLevel.USUAL)
              .of(source.setups(workspace, asked.setupName));
      double all = found.stream().mapToDouble(Remaining.Row::hoursAYear).sum();
      List<Row> rows = new ArrayList<>();
      double so = 0;
      for (Remaining.Row row : found) {
        so += row.hoursAYear();
        rows.add(row(row, all == 0 ? 0 : so / all));
      }
      PrintWriter out = spec.commandLine().getOut();
      if (asked.json) {
        out.println(ModelJson.writePretty(rows));
      } else {
        rows.forEach(r -> print(out, workspace, r));
      }
      return Main.DONE;
    }

    private static Row row(Remaining.Row r, double share) {
      return new Row(
          r.action(),
          r.setup(),
          r.kind().name().toLowerCase(Locale.ROOT).replace('_', '-'),
          rounded(r.usesADay()),
          rounded(r.pointerSeconds()),
          r.keysSeconds().map(RemainingCommand::rounded),
          rounded(r.hoursAYear()),
          rounded(share),
          r.gesture().map(Gesture::toString),
          r.walk().map(MenuWalk::presses),
          r.walk().map(MenuWalk::path).orElse(List.of()));
    }

    private static double rounded(double value) {
      return Math.round(value * 1000) / 1000.0;
    }

    private static void print(PrintWriter out, Workspace workspace, Row row) {
      out.printf(
          Locale.ROOT,
          "%6.2f h a year  %3.0f %%  %-17s %-40s %s%n",
          row.hoursAYear(),
          100 * row.share(),
          row.kind(),
          workspace.catalog().title(row.action()),
          row.gesture()
              .or(
                  () ->
                      row.walkPresses().map(n -> n + " presses: " + String.join(" > ", row.walk())))
              .orElse(""));
    }
  }
}
