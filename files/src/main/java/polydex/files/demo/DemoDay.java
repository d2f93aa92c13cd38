package polydex.files.demo;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.function.ToDoubleFunction;
import polydex.effort.KeystrokeLevel;
import polydex.files.demo.DemoTasks.Task;
import polydex.log.LogLine;
import polydex.route.SetupId;

/**
 * A working day as a recorder would see it: stints in one setup after the other with pauses
 * between, and in each the setup's tasks by pointer or by keys, with typing between them.
 */
final class DemoDay {
  private static final double TYPING = 0.4;
  private static final double MEASURED = 0.7;
  private static final double CUT_MENUS = 0.1;

  /** Names that no keymap knows, by application; one of them a person has explained. */
  private static final Map<String, List<List<String>>> STRANGE =
      Map.of(
          "Cue editor",
          List.of(
              List.of("Tool bar", "Stamp"),
              List.of("Cue", "Duplicate this line"),
              List.of("Cue", "Dust filter")),
          "Timeline",
          List.of(List.of("Show", "Find in the show"), List.of("Show", "Grey space")));

  private static final double STRANGE_SHARE = 0.05;

  /** A part of the day in one setup, from a second of the day on, and its share of the uses. */
  record Stint(SetupId setup, int from, int until, double share) {}

  private final Map<SetupId, List<Task>> tasks;
  private final List<Stint> stints;
  private final Random random;

  DemoDay(Map<SetupId, List<Task>> tasks, List<Stint> stints, Random random) {
    this.tasks = tasks;
    this.stints = stints;
    this.random = random;
  }

  /** A line with its moment, in milliseconds from the start of the day. */
  record Timed(long millis, LogLine line) {}

  /**
   * The lines of a day in order.
   *
   * @param start what second 0 of the day is
   * @param uses how many, typing aside
   * @param byKeys the chance that a task is done by keys
   */
  List<Timed> lines(Instant start, int uses, ToDoubleFunction<Task> byKeys) {
    List<Timed> lines = new ArrayList<>();
    for (Stint stint : stints) {
      List<Task> of = tasks.getOrDefault(stint.setup(), List.of());
      if (!of.isEmpty()) {
        stint(stint, of, start, (int) (uses * stint.share()), byKeys, lines);
      }
    }
    lines.sort(Comparator.comparingLong(Timed::millis));
    return lines;
  }

  private void stint(
      Stint stint,
      List<Task> of,
      Instant start,
      int uses,
      ToDoubleFunction<Task> byKeys,
      List<Timed> to) {
    double total = of.stream().mapToDouble(Task::weight).sum();
    long length = 1000L * (stint.until() - stint.from());
    for (int i = 0; i < uses; i++) {
      long at = 1000L * stint.from() + (long) (random.nextDouble() * length);
      Task task = pick(of, random.nextDouble() * total);
      boolean keys = random.nextDouble() < byKeys.applyAsDouble(task);
      to.add(new Timed(at, keys ? keyed(task, at(start, at)) : pointed(task, at(start, at))));
      if (random.nextDouble() < TYPING) {
        long typed = at + 1500 + random.nextInt(8000);
        to.add(new Timed(typed, typed(task, at(start, typed))));
      }
    }
  }

  private static String at(Instant start, long millis) {
    return start.plusMillis(millis).toString();
  }

  private static Task pick(List<Task> of, double place) {
    double rest = place;
    for (Task task : of) {
      rest -= task.weight();
      if (rest <= 0) {
        return task;
      }
    }
    return of.getLast();
  }

  private LogLine keyed(Task task, String time) {
    double seconds = KeystrokeLevel.USUAL.seconds(task.gesture().orElseThrow());
    return new LogLine(
        time,
        task.application(),
        "keyboard",
        task.gesture().orElseThrow().toString(),
        "",
        "",
        "",
        "",
        measured(seconds),
        task.machine());
  }

  private LogLine pointed(Task task, String time) {
    List<String> path = task.path();
    List<List<String>> strange = STRANGE.getOrDefault(task.application(), List.of());
    if (!strange.isEmpty() && random.nextDouble() < STRANGE_SHARE) {
      path = strange.get(random.nextInt(strange.size()));
    }
    // Some recorders give the names as they are drawn, and some without the menu above.
    String target = path.getLast() + (random.nextDouble() < CUT_MENUS ? "..." : "");
    boolean far = random.nextDouble() < MEASURED;
    return new LogLine(
        time,
        task.application(),
        device(task),
        task.operators().contains("D") ? "Drag" : "Click",
        target,
        String.join(" > ", path.subList(0, path.size() - 1)),
        far ? String.valueOf(120 + random.nextInt(900)) : "",
        far ? String.valueOf(18 + random.nextInt(70)) : "",
        measured(KeystrokeLevel.USUAL.seconds(task.operators())),
        task.machine());
  }

  private static String device(Task task) {
    return task.place().setup().value().startsWith("laptop")
        ? "trackpad"
        : task.place().setup().value().startsWith("slate") ? "touch" : "mouse";
  }

  private LogLine typed(Task task, String time) {
    StringBuilder text = new StringBuilder("\"");
    int length = 3 + random.nextInt(45);
    for (int i = 0; i < length; i++) {
      text.append((char) ('a' + random.nextInt(26)));
    }
    text.append('"');
    return new LogLine(
        time, task.application(), "keyboard", text.toString(), "", "", "", "", "", task.machine());
  }

  private String measured(double usual) {
    return random.nextDouble() < MEASURED
        ? String.format(
            Locale.ROOT, "%.2f", Math.max(0.3, usual * (1 + 0.18 * random.nextGaussian())))
        : "";
  }
}
