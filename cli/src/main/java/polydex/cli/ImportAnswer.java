package polydex.cli;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import polydex.catalog.TitleMatcher.Match;
import polydex.files.lists.ForeignList;
import polydex.files.lists.Intake;
import polydex.intake.IntakePlan;
import polydex.intake.IntakeReading;
import polydex.intake.IntakeReading.OfSystem;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.intake.TableFate;

/**
 * What {@code import --json} answers.
 *
 * @param read what the list was read as
 * @param written whether it was brought in
 * @param about what it is taken to be about, as far as its lines don't say
 * @param lines of the tables that were taken, and how many of them were understood
 * @param language whose names its keys have
 * @param choices how what can mean two things was read, by {@link polydex.intake.ReadingChoice}
 * @param systems that stand side by side, and what became of each
 * @param otherSystems gestures that were left because they are of another system
 * @param left entries of a form that have no gesture, and are not listed
 */
record ImportAnswer(
    String read,
    boolean written,
    List<About> about,
    Lines lines,
    List<Table> tables,
    List<Overlooked> overlooked,
    List<Line> taken,
    List<ChangedLine> changed,
    List<Line> known,
    List<String> gone,
    List<RefusedLine> refused,
    List<AskedLine> asked,
    List<PartlyLine> partly,
    List<Line> withoutGesture,
    List<UnboundLine> unbound,
    List<Like> resembling,
    List<Like> recognised,
    String language,
    Map<String, String> choices,
    Map<String, OfSystem> systems,
    int otherSystems,
    List<Rule> rules,
    int left) {

  /** The subject is desktop, application or own; why it is taken for that may be empty. */
  record About(String subject, String environment, String why) {}

  /** How much was understood; the share is 0 to 1. */
  record Lines(int all, int understood, double share) {}

  /** A table of the list, counted from 1. */
  record Table(
      int number,
      String file,
      int line,
      String kind,
      String title,
      int lines,
      boolean taken,
      String columns,
      String why) {}

  record Overlooked(String file, int line, String what, String why) {}

  record Line(String file, int line, String text) {}

  record ChangedLine(String file, int line, String text, String before) {}

  record RefusedLine(String file, int line, String text, String reason) {}

  record AskedLine(String file, int line, String text, String choice, String why) {}

  record PartlyLine(String file, int line, String text, List<String> unread) {}

  record UnboundLine(String file, int line, String text, int bindings) {}

  record Like(String title, String action, String actionTitle, double score) {}

  /** A rule by which cells were read, with the first of them. */
  record Rule(String rule, String words, int count, String text, String reading) {}

  static ImportAnswer of(ForeignList list, Intake intake, IntakePlan plan, boolean written) {
    IntakeReading reading = plan.reading();
    Map<String, String> choices = new LinkedHashMap<>();
    reading.chosen().forEach(c -> choices.put(c.written(), reading.dialect().options().get(c)));
    return new ImportAnswer(
        list.form(),
        written,
        intake.about().stream()
            .map(a -> new About(a.subject().written(), a.title(), a.why()))
            .toList(),
        new Lines(reading.lines(), reading.understood(), Math.floor(reading.share() * 1000) / 1000),
        tables(intake),
        list.overlooked().stream()
            .map(o -> new Overlooked(o.file(), o.line(), o.what(), o.why()))
            .toList(),
        plan.taken().stream().map(t -> line(t.row(), t.gesture().toString())).toList(),
        plan.changed().stream()
            .map(
                c ->
                    new ChangedLine(
                        c.row().file(),
                        c.row().line(),
                        c.row().action() + ": " + c.gesture(),
                        c.before().toString()))
            .toList(),
        plan.known().stream().map(r -> line(r, r.gesture())).toList(),
        plan.gone().stream()
            .map(g -> g.environment() + ": " + g.binding().action() + ": " + g.binding().gesture())
            .toList(),
        plan.refused().stream()
            .map(r -> new RefusedLine(r.file(), r.line(), r.text(), r.reason()))
            .toList(),
        reading.asked().stream()
            .map(
                a ->
                    new AskedLine(
                        a.row().file(),
                        a.row().line(),
                        a.row().action() + ": " + a.row().gesture(),
                        a.choice().written(),
                        a.why()))
            .toList(),
        reading.partly().stream()
            .map(
                p ->
                    new PartlyLine(
                        p.row().file(),
                        p.row().line(),
                        p.row().action() + ": " + p.row().gesture(),
                        p.unread()))
            .toList(),
        reading.without().stream().map(r -> line(r, r.gesture())).toList(),
        reading.unbound().stream()
            .map(
                u ->
                    new UnboundLine(
                        u.row().file(),
                        u.row().line(),
                        u.row().action() + ": " + u.row().gesture(),
                        u.bindings().size()))
            .toList(),
        plan.proposals().stream().map(ImportAnswer::like).toList(),
        plan.recognised().stream().map(ImportAnswer::like).toList(),
        reading.dialect().language().code(),
        choices,
        reading.systems(),
        reading.passed(),
        reading.rules().entrySet().stream()
            .sorted(Map.Entry.comparingByKey())
            .map(
                e ->
                    new Rule(
                        e.getKey().name().toLowerCase(Locale.ROOT),
                        e.getKey().words(),
                        e.getValue().count(),
                        e.getValue().text(),
                        e.getValue().reading()))
            .toList(),
        list.left());
  }

  private static Like like(IntakePlan.Proposal p) {
    Match best = p.matches().getFirst();
    return new Like(
        p.title(),
        best.action().id().value(),
        best.action().title(),
        Math.round(best.score() * 100) / 100.0);
  }

  private static Line line(RequestedRow row, String gesture) {
    return new Line(row.file(), row.line(), row.action() + ": " + gesture);
  }

  private static List<Table> tables(Intake intake) {
    List<Table> all = new ArrayList<>();
    for (TableFate fate : intake.tables()) {
      all.add(
          new Table(
              all.size() + 1,
              fate.table().origin().file(),
              fate.table().firstLine(),
              fate.table().origin().kind(),
              fate.table().title(),
              fate.table().rows().size(),
              fate.taken(),
              fate.taken() ? fate.roles().written() : "",
              fate.why()));
    }
    return all;
  }
}
