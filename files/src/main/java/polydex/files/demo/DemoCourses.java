package polydex.files.demo;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import polydex.files.demo.DemoTasks.Task;
import polydex.recognition.Place;
import polydex.route.SetupId;

/**
 * How the show producer's actions move from the pointer to the keys. Some were by keys all along.
 * Where drills are done, most follow them within days, some only half-heartedly; elsewhere some
 * move by themselves. Two of the commonest that had been replaced come back in the days before a
 * premiere, one for good and one for three days; and one well-known gesture slips again and again.
 */
final class DemoCourses {
  private static final double NEVER_QUITE = 0.985;
  private static final double SLIPPING = 0.965;
  private static final double STRESSED = 0.3;
  private static final int BACK_FOR_A_WHILE_FROM = 16;
  private static final int BACK_FOR_A_WHILE_UNTIL = 20;
  private static final int BACK_FOR_GOOD_FROM = 25;

  private enum Course {
    BY_KEYS,
    AFTER_DRILLS,
    HALF_HEARTED,
    BY_ITSELF,
    BY_POINTER,
    BACK_FOR_A_WHILE,
    BACK_FOR_GOOD,
    SLIPS
  }

  private final Map<Place, Course> courses = new HashMap<>();
  private final Map<Place, Integer> firstDays = new HashMap<>();
  private final DemoDrills drills;

  DemoCourses(Map<SetupId, List<Task>> tasks, DemoDrills drills, Random random) {
    this.drills = drills;
    tasks.forEach((setup, list) -> decide(setup, list, random));
  }

  private void decide(SetupId setup, List<Task> tasks, Random random) {
    boolean drilled = DemoDrills.SETUPS.contains(setup);
    int rank = 0;
    for (Task task : tasks) {
      int chance = random.nextInt(10);
      firstDays.put(task.place(), random.nextInt(3, 24));
      Course course;
      if (task.gesture().isEmpty()) {
        course = Course.BY_POINTER;
      } else if (task.place().doing().written().startsWith("edit.") && chance < 7) {
        course = Course.BY_KEYS;
      } else if (drilled) {
        course = chance < 6 ? Course.AFTER_DRILLS : Course.HALF_HEARTED;
      } else {
        course = chance < 5 ? Course.BY_ITSELF : Course.BY_POINTER;
      }
      courses.put(task.place(), course);
      if (drilled && course == Course.AFTER_DRILLS && rank < 3) {
        boolean cues = setup.equals(DemoDrills.SETUPS.getFirst());
        courses.put(
            task.place(),
            rank == 2
                ? Course.SLIPS
                : rank == 0
                    ? cues ? Course.BACK_FOR_A_WHILE : Course.BACK_FOR_GOOD
                    : Course.AFTER_DRILLS);
        rank++;
      }
    }
  }

  /**
   * The chance that a task is done by keys.
   *
   * @param day of work, counted from 0
   * @param date of it
   */
  double byKeys(Task task, int day, LocalDate date) {
    Course course = courses.getOrDefault(task.place(), Course.BY_POINTER);
    return switch (course) {
      case BY_KEYS -> NEVER_QUITE;
      case BY_POINTER -> 0;
      case BY_ITSELF -> ramp(day - firstDays.get(task.place()), NEVER_QUITE);
      case AFTER_DRILLS -> ramp(sinceDrilled(task, date), NEVER_QUITE);
      case SLIPS -> ramp(sinceDrilled(task, date), SLIPPING);
      case HALF_HEARTED -> Math.clamp(0.02 * sinceDrilled(task, date), 0, 0.5);
      case BACK_FOR_A_WHILE ->
          day >= BACK_FOR_A_WHILE_FROM && day < BACK_FOR_A_WHILE_UNTIL
              ? STRESSED
              : ramp(sinceDrilled(task, date), NEVER_QUITE);
      case BACK_FOR_GOOD ->
          day >= BACK_FOR_GOOD_FROM ? STRESSED : ramp(sinceDrilled(task, date), NEVER_QUITE);
    };
  }

  private static double ramp(int days, double most) {
    return days < 0 ? 0 : Math.min(most, 0.35 + 0.2 * days);
  }

  private int sinceDrilled(Task task, LocalDate date) {
    Optional<LocalDate> since = drills.sinceDay(task.place());
    return since.map(s -> (int) ChronoUnit.DAYS.between(s, date)).orElse(-1);
  }
}
