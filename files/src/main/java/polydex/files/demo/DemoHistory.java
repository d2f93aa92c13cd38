package polydex.files.demo;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import polydex.files.demo.DemoDay.Stint;
import polydex.files.demo.DemoDay.Timed;
import polydex.files.demo.DemoTasks.Task;
import polydex.log.LogEvent;
import polydex.log.LogIntake;
import polydex.person.Knowledge;
import polydex.recall.Answer;
import polydex.recall.MemoryFits;
import polydex.recall.MemoryFitter;
import polydex.recall.Progress;
import polydex.route.SetupId;
import polydex.totals.Audit;
import polydex.workspace.Workspace;

/**
 * Six invented weeks of the show producer: each day the drills, planned by what the mouse did until
 * then, and the work, in which what was drilled moves over to the keys. From a seeded generator, so
 * that every start shows the same.
 *
 * @param answers the oldest first
 * @param events of the mouse log, the oldest first
 */
public record DemoHistory(List<Answer> answers, List<LogEvent> events) {
  /** The end of the history, which the demo takes for now. */
  public static final Instant NOW = Instant.parse("2031-03-14T16:00:00Z");

  /** Where the days of the demo begin and end. */
  public static final ZoneId ZONE = ZoneOffset.UTC;

  private static final long SEED = 20310314;
  private static final int WEEKS = 6;
  private static final int USES_A_DAY = 500;

  /** The first days are spent finding out what the mouse does. */
  private static final int FIRST_DRILLS = 2;

  /** None on the last days, so that the demo opens with work. */
  private static final int PAUSE_DAYS = 3;

  private static final List<Stint> STINTS =
      List.of(
          new Stint(new SetupId("laptop-cues"), 0, 100 * 60, 0.27),
          new Stint(new SetupId("laptop-cues"), 120 * 60, 180 * 60, 0.13),
          new Stint(new SetupId("studio-timeline"), 225 * 60, 320 * 60, 0.30),
          new Stint(new SetupId("laptop-dome"), 336 * 60, 372 * 60, 0.14),
          new Stint(new SetupId("studio-stars"), 374 * 60, 405 * 60, 0.10),
          new Stint(new SetupId("slate-stars"), 408 * 60, 425 * 60, 0.06));

  /** Makes the history of a demo workspace. */
  public static DemoHistory of(Workspace workspace) {
    List<LocalDate> days = days();
    // Each has its chances to itself, so that a change of one story leaves the other as it was.
    Random mouse = new Random(SEED + 1);
    DemoDrills drills = new DemoDrills(workspace, new Random(SEED));
    Map<SetupId, List<Task>> tasks = DemoTasks.of(workspace, mouse);
    DemoCourses courses = new DemoCourses(tasks, drills, mouse);
    LogIntake intake = new LogIntake(ZONE, NOW, Knowledge.recogniser(workspace));
    Audit audit = Knowledge.audit(workspace, ZONE, drills::since);
    DemoDay day = new DemoDay(tasks, STINTS, mouse);
    List<LogEvent> events = new ArrayList<>();
    for (int i = 0; i < days.size(); i++) {
      LocalDate date = days.get(i);
      if (i >= FIRST_DRILLS && i < days.size() - PAUSE_DAYS) {
        drills.day(date, audit.standing());
      }
      int today = i;
      int uses = USES_A_DAY + mouse.nextInt(-60, 60);
      for (Timed timed : day.lines(at(date, 0), uses, t -> courses.byKeys(t, today, date))) {
        LogIntake.Taken taken = intake.take(timed.line());
        if (!(taken instanceof LogIntake.Event(LogEvent event))) {
          throw new IllegalStateException(taken + ": " + timed.line());
        }
        events.add(event);
        audit.add(event);
      }
    }
    return new DemoHistory(drills.answers(), List.copyOf(events));
  }

  /** How the memory of whoever answered is fitted by now. */
  public MemoryFits fits() {
    Progress progress = new Progress(ZONE);
    answers.forEach(progress::add);
    return MemoryFitter.fit(progress.latest(), progress.parameters(), NOW)
        .map(MemoryFits.NONE::and)
        .orElse(MemoryFits.NONE);
  }

  private static List<LocalDate> days() {
    LocalDate last = NOW.atZone(ZONE).toLocalDate();
    return last.minusWeeks(WEEKS)
        .plusDays(1)
        .datesUntil(last.plusDays(1))
        .filter(d -> d.getDayOfWeek() != DayOfWeek.SATURDAY && d.getDayOfWeek() != DayOfWeek.SUNDAY)
        .toList();
  }

  static Instant at(LocalDate day, int second) {
    return day.atTime(LocalTime.of(8, 30)).plusSeconds(second).atZone(ZONE).toInstant();
  }
}
