package polydex.bench;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.IntStream;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.effort.YearlyCost;
import polydex.keys.Gesture;
import polydex.recall.Answer;
import polydex.recall.DrillItem;
import polydex.recall.DrillSettings;
import polydex.recall.ItemState;
import polydex.recall.Progress;
import polydex.recall.SessionPlan;

/**
 * A simulated person learns 300 actions by several schedules, each with the same minutes a day and
 * the same rule for new ones; measured is what is recalled a week after the end, a minute spent.
 */
final class RecallBench {
  private static final double FAR_AHEAD = 3e9;
  private static final int ITEMS = 300;
  private static final int SEEDS = 20;
  private static final int DAYS = 180;
  private static final int AWAY = 30;
  private static final int AWAY_FROM = 90;

  /** At one moment the order by recall is that of elapsed time over stability. */
  private static final Comparator<ItemState> LEAST_FORGOTTEN =
      Comparator.comparingDouble(
          s -> (FAR_AHEAD - s.counted().getEpochSecond()) / s.memory().stability());

  private static final Gesture GESTURE = Gesture.parse("Ctrl+S");
  private static final Instant START = Instant.parse("2031-01-06T08:00:00Z");
  private static final double READING = 1.0;
  private static final double SEEING_RIGHT = 0.6;
  private static final double SEEING_WRONG = 3.0;

  /** Which known items are to be asked on a day, the first first. */
  interface Schedule {
    List<Integer> due(int day);

    default void answered(int item, int day, boolean right) {}
  }

  /** By the forgetting curve, as the program does it, with an order for what is due. */
  private record ByForgetting(Progress progress, Comparator<ItemState> order) implements Schedule {
    @Override
    public List<Integer> due(int day) {
      Instant now = START.plusSeconds(day * 86_400L);
      return progress.states().entrySet().stream()
          .filter(e -> e.getValue().isDue(now, DrillSettings.USUAL.retention()))
          .sorted(Map.Entry.comparingByValue(order))
          .map(e -> Integer.parseInt(e.getKey().action().value()))
          .toList();
    }
  }

  /** After 1, 2, 4, 8 ... days; back to one after a miss. */
  private static final class Fixed implements Schedule {
    private final Map<Integer, Integer> interval = new HashMap<>();
    private final Map<Integer, Integer> next = new HashMap<>();

    @Override
    public List<Integer> due(int day) {
      return next.entrySet().stream()
          .filter(e -> e.getValue() <= day)
          .sorted(Map.Entry.comparingByValue())
          .map(Map.Entry::getKey)
          .toList();
    }

    @Override
    public void answered(int item, int day, boolean right) {
      int days = right ? interval.getOrDefault(item, 0) * 2 : 1;
      interval.put(item, Math.max(1, days));
      next.put(item, day + Math.max(1, days));
    }
  }

  /** Any known item, by chance, for as long as there is time. */
  private record ByChance(Progress progress, Random random) implements Schedule {
    @Override
    public List<Integer> due(int day) {
      List<Integer> all = new ArrayList<>();
      progress.states().keySet().forEach(i -> all.add(Integer.parseInt(i.action().value())));
      Collections.sort(all);
      Collections.shuffle(all, random);
      return all;
    }
  }

  /** What a run came to. */
  record Run(
      double recalled, double minutes, int begun, double firstBack, double fewest, int daysBehind) {
    double perMinute() {
      return recalled / minutes;
    }
  }

  private RecallBench() {}

  /** Who learns. */
  private enum Person {
    HALF_LIFE("loses at a rate", HalfLife::new),
    ACTIVATION("activation, forgets fast", Activation::new);

    private final String title;
    private final BiFunction<Integer, Random, Learner> make;

    Person(String title, BiFunction<Integer, Random, Learner> make) {
      this.title = title;
      this.make = make;
    }
  }

  /** By what is chosen what to ask. */
  private enum By {
    FORGETTING("forgetting curve"),
    FIXED("1, 2, 4, 8 ... days"),
    CHANCE("by chance");

    private final String title;

    By(String title) {
      this.title = title;
    }
  }

  static void schedules() {
    System.out.println();
    System.out.println(
        "| person | minutes a day | schedule | recalled a week after | begun | minutes spent |"
            + " recalled a minute | ours is better by |");
    System.out.println("| --- | ---: | --- | ---: | ---: | ---: | ---: | ---: |");
    for (Person person : Person.values()) {
      for (int minutes : new int[] {10, 2}) {
        List<Run> ours = runs(person, By.FORGETTING, minutes, LEAST_FORGOTTEN, 0);
        for (By by : By.values()) {
          print(person, minutes, by, runs(person, by, minutes, LEAST_FORGOTTEN, 0), ours);
        }
      }
    }
  }

  static void backlog() {
    System.out.println();
    System.out.println(
        "| person | minutes a day | order of the backlog | recalled on the first day back |"
            + " fewest since | recalled a week after the end | days until all due fits a day |");
    System.out.println("| --- | ---: | --- | ---: | ---: | ---: | ---: |");
    Map<String, Comparator<ItemState>> orders = new LinkedHashMap<>();
    orders.put("least forgotten first", LEAST_FORGOTTEN);
    orders.put("most forgotten first", LEAST_FORGOTTEN.reversed());
    orders.put("least stable first", Comparator.comparingDouble(s -> s.memory().stability()));
    orders.put("most stable first", Comparator.comparingDouble(s -> -s.memory().stability()));
    for (Person person : Person.values()) {
      for (int minutes : new int[] {10, 2}) {
        orders.forEach(
            (title, order) -> {
              List<Run> found = runs(person, By.FORGETTING, minutes, order, AWAY);
              System.out.printf(
                  "| %s | %d | %s | %s | %s | %s | %s |%n",
                  person.title,
                  minutes,
                  title,
                  spread(found, Run::firstBack),
                  spread(found, Run::fewest),
                  spread(found, Run::recalled),
                  spread(found, Run::daysBehind));
            });
      }
    }
  }

  private static List<Run> runs(
      Person person, By by, int minutes, Comparator<ItemState> order, int away) {
    return IntStream.range(0, SEEDS)
        .mapToObj(seed -> new Simulation(person, by, minutes, order, seed).run(away))
        .toList();
  }

  /** One person with one schedule for half a year. */
  private static final class Simulation {
    private final Random random;
    private final Learner learner;
    private final Progress progress = new Progress(ZoneOffset.UTC);
    private final Schedule curve;
    private final Schedule schedule;
    private final DrillSettings settings;
    private final double seconds;
    private int begun;

    Simulation(Person person, By by, int minutes, Comparator<ItemState> order, int seed) {
      random = new Random(seed);
      learner = person.make.apply(ITEMS, random);
      curve = new ByForgetting(progress, order);
      schedule =
          switch (by) {
            case FORGETTING -> curve;
            case FIXED -> new Fixed();
            case CHANCE -> new ByChance(progress, random);
          };
      DrillSettings usual = DrillSettings.USUAL;
      settings = new DrillSettings(usual.retention(), usual.newADay(), minutes);
      seconds = minutes * 60.0;
    }

    Run run(int away) {
      double spent = 0;
      double firstBack = 0;
      double fewest = ITEMS;
      int behind = 0;
      int back = AWAY_FROM + away;
      for (int day = 0; day < DAYS; day++) {
        if (day >= AWAY_FROM && day < back) {
          continue;
        }
        if (day >= back) {
          double recalled = recalled(day);
          firstBack = day == back ? recalled : firstBack;
          fewest = Math.min(fewest, recalled);
          if (curve.due(day).size() * YearlyCost.SECONDS_AN_ANSWER > seconds) {
            behind = day - back + 1;
          }
        }
        spent += day(day) / 60;
      }
      return new Run(recalled(DAYS + 6), spent, begun, firstBack, fewest, behind);
    }

    private double recalled(int day) {
      return IntStream.range(0, ITEMS).mapToDouble(i -> learner.recall(i, day)).sum();
    }

    /**
     * A day's session: the new ones, what is due, and what was new or missed again; its seconds.
     */
    private double day(int day) {
      List<Integer> due = schedule.due(day);
      // By chance nothing is ever due, so the rule for new ones is asked of what the curve says.
      int waiting = schedule instanceof ByChance ? curve.due(day).size() : due.size();
      int room = Math.min(settings.roomForNew(waiting, 0), ITEMS - begun);
      Deque<Integer> queue = new ArrayDeque<>();
      IntStream.range(begun, begun + room).forEach(queue::add);
      begun += room;
      List<Integer> again = new ArrayList<>();
      for (int i = 1; i < SessionPlan.TIMES_NEW; i++) {
        again.addAll(queue);
      }
      queue.addAll(due);
      double expected = progress.history().pace().expected(GESTURE);
      double second = 0;
      for (int asked = 0; second < seconds && !(queue.isEmpty() && again.isEmpty()); asked++) {
        boolean repeat = !again.isEmpty() && (queue.isEmpty() || asked % 5 == 4);
        int item = repeat ? again.removeFirst() : queue.removeFirst();
        Learner.Said said = learner.answer(item, day, second);
        second += READING + said.seconds() + (said.right() ? SEEING_RIGHT : SEEING_WRONG);
        Answer answer = answer(item, day, second, said, expected);
        progress.add(answer);
        if (!repeat) {
          schedule.answered(item, day, said.right());
          if (!said.right()) {
            again.add(item);
          }
        }
      }
      return second;
    }
  }

  private static Answer answer(
      int item, int day, double second, Learner.Said said, double expected) {
    return new Answer(
        new DrillItem(new EnvironmentId("app"), new ActionId(Integer.toString(item))),
        START.plusSeconds(day * 86_400L + (long) second),
        Answer.Kind.DO,
        said.right() ? Answer.Verdict.RIGHT : Answer.Verdict.WRONG,
        new Answer.Timing(said.seconds(), true, expected),
        GESTURE,
        "",
        Optional.empty());
  }

  private static void print(Person person, int minutes, By by, List<Run> runs, List<Run> ours) {
    double[] ratios =
        IntStream.range(0, SEEDS)
            .mapToDouble(i -> ours.get(i).perMinute() / runs.get(i).perMinute())
            .sorted()
            .toArray();
    System.out.printf(
        "| %s | %d | %s | %s | %s | %s | %s | %s |%n",
        person.title,
        minutes,
        by.title,
        spread(runs, Run::recalled),
        spread(runs, Run::begun),
        spread(runs, Run::minutes),
        spread(runs, Run::perMinute),
        by == By.FORGETTING
            ? ""
            : "%.2f (%.2f to %.2f)".formatted(ratios[SEEDS / 2], ratios[0], ratios[SEEDS - 1]));
  }

  /** The median and the whole spread over the seeds. */
  private static String spread(List<Run> runs, Function<Run, Number> of) {
    double[] values = runs.stream().mapToDouble(r -> of.apply(r).doubleValue()).toArray();
    Arrays.sort(values);
    String form = values[SEEDS / 2] < 10 ? "%.2f (%.2f to %.2f)" : "%.0f (%.0f to %.0f)";
    return form.formatted(values[SEEDS / 2], values[0], values[SEEDS - 1]);
  }
}
