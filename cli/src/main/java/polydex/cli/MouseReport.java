package polydex.cli;

import static polydex.cli.CliWords.worded;
import static polydex.language.Language.decimals;
import static polydex.language.Language.signed;

import java.io.PrintWriter;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;
import polydex.effort.TheilSen;
import polydex.files.json.ModelJson;
import polydex.language.Language;
import polydex.mouse.DaysOfUse;
import polydex.mouse.DrillEffect;
import polydex.mouse.Remaining;
import polydex.mouse.Saved;
import polydex.mouse.Slips;
import polydex.mouse.WeeklyReview;
import polydex.mouse.Weeks;
import polydex.person.Findings;
import polydex.person.Knowledge;
import polydex.person.SetupsForLog;
import polydex.recognition.Place;
import polydex.reminder.ReminderEffect;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.totals.Standing;
import polydex.workspace.Workspace;

@Command(
    name = "report",
    description = {
      "How it went: by weeks and environments, with trends, slips, what drills changed and what was"
          + " saved."
    },
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {"0:done", "2:wrong command line", "3:file can't be used"},
    mixinStandardHelpOptions = true)
final class MouseReport implements Callable<Integer> {
  private static final int SLIPS = 20;

  @Mixin private Source source;
  @Mixin private Asked asked;
  @Spec private CommandSpec spec;

  record Trend(double aWeek, Optional<Double> low, Optional<Double> high, boolean mayBeNone) {}

  record Slip(String action, String setup, String in, int lately, int days, int returned) {}

  record Week(
      String monday,
      int workingDays,
      int keys,
      int pointer,
      Optional<Double> coverage,
      Optional<Double> coverageByTime,
      Optional<Double> open,
      double hoursAYear,
      int slips,
      int trips,
      double activeHours,
      List<String> replaced,
      List<String> relapsed) {}

  record Environment(String id, List<Week> weeks) {}

  record Name(String in, String name, long uses) {}

  /**
   * @param unknown machine or application
   */
  record Stranger(
      String machine, String application, String unknown, long byPointer, long byKeys) {}

  record SavedSoFar(int usesByKeys, double hours, double drillHours) {
    static SavedSoFar of(Saved s) {
      return new SavedSoFar(s.usesByKeys(), s.hours(), s.drillHours());
    }
  }

  /** What all that remains costs, and between which hours where that rests on little. */
  record Cost(
      double hoursAYear,
      Optional<Double> hoursLow,
      Optional<Double> hoursHigh,
      int days,
      int uses) {
    static Cost of(List<Remaining.RemainingRow> rows) {
      DaysOfUse rests = DaysOfUse.ofAll(rows);
      return new Cost(
          MouseCommand.rounded(rows.stream().mapToDouble(Remaining.RemainingRow::hoursAYear).sum()),
          rests.range().map(DaysOfUse.Range::low).map(MouseCommand::rounded),
          rests.range().map(DaysOfUse.Range::high).map(MouseCommand::rounded),
          rests.days(),
          rests.uses());
    }
  }

  record Report(
      long events,
      Map<String, Long> recognised,
      double recognisedShare,
      int workingDays,
      long characters,
      List<Week> weeks,
      List<Environment> environments,
      Cost remaining,
      Optional<Trend> openTrend,
      Optional<Trend> hoursTrend,
      List<Slip> slips,
      List<Integer> slipsByHour,
      Optional<DrillEffect.Change> drillEffect,
      int drilledActions,
      Optional<ReminderEffect> reminders,
      SavedSoFar saved,
      List<Name> unknown,
      List<Stranger> strangers,
      List<String> setupsNeeded,
      List<String> strayDays) {}

  @Override
  public Integer call() throws Exception {
    Workspace workspace = source.workspace();
    Knowledge known = source.known(workspace);
    List<Setup> setups = source.setups(workspace, asked.setupName);
    Set<SetupId> ids = setups.stream().map(Setup::id).collect(Collectors.toSet());
    // Without a name, what was done where no setup is known to be counts, too.
    Predicate<Place> isAsked = p -> asked.setupName == null || ids.contains(p.setup());
    Report report = report(known, known.findings(known.rows(setups)), isAsked);
    PrintWriter out = spec.commandLine().getOut();
    if (asked.json) {
      out.println(ModelJson.answer(report));
    } else {
      print(out, workspace, report);
    }
    return Main.DONE;
  }

  private Report report(Knowledge known, Findings found, Predicate<Place> isAsked) {
    Standing standing = found.standing();
    List<Remaining.RemainingRow> rows = found.rows();
    Weeks weeks = Weeks.of(standing, rows, isAsked, known.today());
    Map<String, Long> how = new TreeMap<>();
    standing.recognised().forEach((h, n) -> how.put(MouseCommand.word(h), n));
    Slips slips = found.slips();
    DrillEffect effect = found.effect();
    return new Report(
        standing.events(),
        how,
        MouseCommand.rounded(standing.recognisedShare()),
        standing.days().size(),
        standing.days().stream().mapToLong(Standing.Day::characters).sum(),
        weeks(weeks),
        rows.stream()
            .map(r -> r.place().environment())
            .distinct()
            .sorted()
            .map(
                e ->
                    new Environment(
                        e.value(),
                        weeks(
                            Weeks.of(
                                standing,
                                rows,
                                p -> isAsked.test(p) && p.environment().equals(e),
                                known.today()))))
            .toList(),
        Cost.of(rows),
        weeks.openTrend().map(MouseReport::trend),
        weeks.hoursTrend().map(MouseReport::trend),
        slips.places().stream()
            .filter(s -> isAsked.test(s.place()))
            .limit(SLIPS)
            .map(
                s ->
                    new Slip(
                        s.place().doing().written(),
                        s.place().setup().value(),
                        s.place().environment().value(),
                        s.lately(),
                        s.days(),
                        s.returned()))
            .toList(),
        slips.byHour(),
        effect.mean(),
        effect.actions().size(),
        Optional.of(found.reminders()).filter(r -> !r.isEmpty()),
        SavedSoFar.of(found.saved()),
        standing.unknown().stream()
            .map(u -> new Name(u.name().environment().value(), u.name().joined(), u.count()))
            .toList(),
        standing.strangers().stream()
            .map(
                s ->
                    new Stranger(
                        s.machine(),
                        s.application(),
                        s.isMachine() ? "machine" : "application",
                        s.byPointer(),
                        s.byKeys()))
            .toList(),
        SetupsForLog.of(known.workspace(), standing.strangers()).stream()
            .map(Setup::title)
            .toList(),
        standing.strays().stream().map(LocalDate::toString).toList());
  }

  private static Trend trend(TheilSen t) {
    return new Trend(
        MouseCommand.rounded(t.slope()), finite(t.low()), finite(t.high()), t.mayBeNone());
  }

  private static Optional<Double> finite(double value) {
    return Double.isInfinite(value) ? Optional.empty() : Optional.of(MouseCommand.rounded(value));
  }

  private static List<Week> weeks(Weeks weeks) {
    return weeks.weeks().stream()
        .map(
            w ->
                new Week(
                    w.monday().toString(),
                    w.workingDays(),
                    w.keys(),
                    w.pointer(),
                    w.coverage().map(MouseCommand::rounded),
                    w.coverageByTime().map(MouseCommand::rounded),
                    w.open().map(MouseCommand::rounded),
                    MouseCommand.rounded(w.hoursAYear()),
                    w.slips(),
                    w.trips(),
                    MouseCommand.rounded(w.activeHours()),
                    w.replaced().stream().map(p -> p.doing().written()).toList(),
                    w.relapsed().stream().map(p -> p.doing().written()).toList()))
        .toList();
  }

  private static void print(PrintWriter out, Workspace workspace, Report report) {
    out.printf(
        Language.locale(),
        worded("command.events-on-working-days-of-them"),
        report.events(),
        report.workingDays(),
        100 * report.recognisedShare(),
        report.characters());
    out.println(worded("command.week-of-by-keys-by-time"));
    for (Week w : report.weeks()) {
      out.printf(
          Language.locale(),
          "%s  %8s  %7s  %5s  %9.1f  %6d  %14s%s%n",
          w.monday(),
          w.coverage().map(MouseReport::percent).orElse("-"),
          w.coverageByTime().map(MouseReport::percent).orElse("-"),
          w.open().map(n -> String.format(Language.locale(), "%.1f", n)).orElse("-"),
          w.hoursAYear(),
          w.slips(),
          w.activeHours() < WeeklyReview.LEAST_HOURS
              ? "-"
              : String.format(Language.locale(), "%.1f", w.trips() / w.activeHours()),
          w.relapsed().isEmpty()
              ? ""
              : worded(
                  "command.came-back",
                  w.relapsed().stream()
                      .map(a -> MouseCommand.title(workspace, a))
                      .collect(Collectors.joining(", "))));
    }
    Cost cost = report.remaining();
    out.printf(
        Language.locale(),
        worded("command.what-remains-costs-h-a-year"),
        cost.hoursAYear(),
        cost.hoursLow()
            .map(
                low ->
                    worded(
                        "command.to-it-rests-on-uses-on",
                        decimals(1, low),
                        decimals(1, cost.hoursHigh().orElse(low)),
                        cost.uses(),
                        cost.days()))
            .orElse(""));
    report.openTrend().ifPresent(t -> print(out, worded("command.open-actions"), "", t));
    report.hoursTrend().ifPresent(t -> print(out, worded("command.hours-a-year"), " h", t));
    report
        .drillEffect()
        .ifPresent(
            c ->
                out.printf(
                    Language.locale(),
                    worded("command.uses-by-keys-after-the-first"),
                    100 * c.difference(),
                    100 * c.low(),
                    100 * c.high(),
                    report.drilledActions()));
    report
        .reminders()
        .ifPresent(r -> out.println(worded("command.when-your-hands-rested", r.inWords())));
    out.printf(
        Language.locale(),
        worded("command.saved-so-far-h-in-uses"),
        report.saved().hours(),
        report.saved().usesByKeys(),
        report.saved().drillHours());
    for (Stranger s : report.strangers()) {
      out.printf(
          Language.locale(),
          s.unknown().equals("machine")
              ? worded("command.no-setup-has-the-machine-by")
              : worded("command.no-keymap-knows-on-by-pointer"),
          s.machine(),
          s.application(),
          s.byPointer(),
          s.byKeys());
    }
    if (!report.strayDays().isEmpty()) {
      out.printf(worded("command.left-out-so-far-from-all"), String.join(", ", report.strayDays()));
    }
    if (!report.setupsNeeded().isEmpty()) {
      out.printf(
          worded("command.setups-that-would-help-in-the"),
          String.join(", ", report.setupsNeeded()));
    }
  }

  private static String percent(double share) {
    return String.format(Language.locale(), "%.0f %%", 100 * share);
  }

  private static void print(PrintWriter out, String what, String unit, Trend t) {
    String range =
        t.low().isEmpty()
            ? worded("command.too-few-weeks-for-an-interval")
            : worded(
                "command.95-to", signed(1, t.low().get()), signed(1, t.high().orElse(0.0)), unit);
    out.printf(
        Language.locale(),
        worded("command.trend-of-a-week"),
        what,
        t.aWeek(),
        unit,
        range,
        t.mayBeNone() ? worded("command.no-clear-trend") : "");
  }
}
