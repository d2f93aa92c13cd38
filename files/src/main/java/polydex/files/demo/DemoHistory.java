package polydex.files.demo;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.mouse.Use;
import polydex.recall.Answer;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;
import polydex.workspace.Workspace;

/**
 * Six invented weeks of the show producer: drills, and a mouse log in which one action after the
 * other moves over to the keys. From a seeded generator, so that every start shows the same.
 *
 * @param answers the oldest first
 * @param uses the oldest first
 */
public record DemoHistory(List<Answer> answers, List<Use> uses) {
  /** The end of the history, which the demo takes for now. */
  public static final Instant NOW = Instant.parse("2031-03-14T16:00:00Z");

  /** Where the days of the demo begin and end. */
  public static final ZoneId ZONE = ZoneOffset.UTC;

  private static final long SEED = 20310314;
  private static final int WEEKS = 6;
  private static final int USES_A_DAY = 500;
  private static final int ACTIONS_A_SETUP = 26;

  /** How an action moves over from the pointer to the keys. */
  private record Course(
      String action, String setup, double weight, int firstDay, boolean relapses) {
    /** The chance on a working day that it is done by keys. */
    double byKeys(int day) {
      if (relapses && day >= 22 && day <= 25) {
        return 0.3;
      }
      return firstDay < 0 ? 0 : Math.clamp((day - firstDay + 1) * 0.25, 0, 0.99);
    }
  }

  /** Makes the history of a demo workspace. */
  public static DemoHistory of(Workspace workspace) {
    List<LocalDate> days = days();
    // Each has its chances to itself, so that a change of one story leaves the other as it was.
    Random drills = new Random(SEED);
    Random mouse = new Random(SEED + 1);
    List<Use> uses = log(days, courses(workspace, mouse), mouse);
    return new DemoHistory(DemoDrills.of(workspace, days, uses, drills), uses);
  }

  private static List<LocalDate> days() {
    LocalDate last = NOW.atZone(ZONE).toLocalDate();
    return last.minusWeeks(WEEKS)
        .plusDays(1)
        .datesUntil(last.plusDays(1))
        .filter(d -> d.getDayOfWeek() != DayOfWeek.SATURDAY && d.getDayOfWeek() != DayOfWeek.SUNDAY)
        .toList();
  }

  private static List<Course> courses(Workspace workspace, Random random) {
    List<Course> courses = new ArrayList<>();
    for (Setup setup : workspace.setups().values()) {
      Map<String, List<TracedBinding>> reach = SetupTraces.of(setup, workspace.world()).reach();
      List<String> actions = new ArrayList<>(focusedActions(workspace.catalog(), setup));
      Collections.shuffle(actions, random);
      int rank = 1;
      for (String action : actions.stream().limit(ACTIONS_A_SETUP).toList()) {
        // What no gesture reaches stays with the pointer; the rest moves over week by week.
        boolean moves = reach.containsKey(action) && random.nextInt(10) < 7;
        int firstDay = moves ? random.nextInt(2, 30) : -1;
        courses.add(new Course(action, setup.id(), 1.0 / rank++, firstDay, false));
      }
    }
    return withRelapses(courses);
  }

  /** Two often used actions that were replaced early come back for some days. */
  private static List<Course> withRelapses(List<Course> courses) {
    List<Course> early =
        courses.stream()
            .filter(c -> c.firstDay() >= 0 && c.firstDay() <= 10)
            .sorted(Comparator.comparingDouble(c -> -c.weight()))
            .limit(2)
            .toList();
    return courses.stream()
        .map(
            c ->
                early.contains(c)
                    ? new Course(c.action(), c.setup(), c.weight(), c.firstDay(), true)
                    : c)
        .toList();
  }

  private static List<String> focusedActions(Catalog catalog, Setup setup) {
    Machine innermost = setup.innermost();
    return innermost.application().stream()
        .flatMap(a -> catalog.bindings(a).stream())
        .map(Binding::action)
        .distinct()
        .toList();
  }

  private static List<Use> log(List<LocalDate> days, List<Course> courses, Random random) {
    double total = courses.stream().mapToDouble(Course::weight).sum();
    List<Use> uses = new ArrayList<>();
    for (int day = 0; day < days.size(); day++) {
      List<Use> today = new ArrayList<>();
      int count = USES_A_DAY + random.nextInt(-60, 60);
      for (int i = 0; i < count; i++) {
        Course course = pick(courses, random.nextDouble() * total);
        boolean keys = random.nextDouble() < course.byKeys(day);
        today.add(
            new Use(
                at(days.get(day), random.nextInt(7 * 3600)),
                course.action(),
                keys ? Use.Device.KEYS : Use.Device.POINTER,
                course.setup()));
      }
      today.sort(Comparator.comparing(Use::at));
      uses.addAll(today);
    }
    return uses;
  }

  private static Course pick(List<Course> courses, double place) {
    double rest = place;
    for (Course course : courses) {
      rest -= course.weight();
      if (rest <= 0) {
        return course;
      }
    }
    return courses.getLast();
  }

  static Instant at(LocalDate day, int second) {
    return day.atTime(LocalTime.of(8, 30)).plusSeconds(second).atZone(ZONE).toInstant();
  }
}
