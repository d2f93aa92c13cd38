package polydex.bench;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.IntStream;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.recall.Answer;
import polydex.recall.AskingPlan;
import polydex.recall.DrillItem;
import polydex.recall.FirstAnswer;
import polydex.recall.Grade;
import polydex.recall.MemoryFit;
import polydex.recall.MemoryFitter;
import polydex.recall.MemoryParameters;
import polydex.recall.Progress;
import polydex.recall.Worth;

/** One simulated person who learns 300 actions by one schedule for half a year. */
final class Study {
  static final int ITEMS = 300;
  static final int DAYS = 180;
  static final int NEW_A_DAY = 6;
  static final int LATER = 90;
  static final Instant START = Instant.parse("2031-01-06T08:00:00Z");
  static final AskingPlan USUAL = new AskingPlan(MemoryParameters.USUAL);
  private static final Gesture GESTURE = Gesture.parse("Ctrl+S");
  private static final double READING = 1.0;
  private static final double SEEING_RIGHT = 0.6;
  private static final double SEEING_WRONG = 3.0;
  private static final int MOST_FIRST_ASKINGS = 5;
  private static final int COMES_AGAIN_AFTER = 4;
  private static final int BINS = 10;

  /** What a run came to: known actions on the average day and later, plain and by use. */
  record Run(
      double known, double byUse, double later, double laterByUse, double minutes, int begun) {}

  private final Learner learner;
  private final Schedules.Schedule schedule;
  private final double seconds;
  private final double[] uses = new double[ITEMS];
  private Progress progress = new Progress(ZoneOffset.UTC);
  private final List<Answer> answers = new ArrayList<>();
  private int begun;

  Study(
      BiFunction<Integer, Random, Learner> person,
      Function<Study, Schedules.Schedule> schedule,
      double minutes,
      int seed) {
    Random random = new Random(seed);
    learner = person.apply(ITEMS, random);
    for (int i = 0; i < ITEMS; i++) {
      uses[i] = 30 * Math.pow(i + 1, -0.7);
    }
    this.schedule = schedule.apply(this);
    seconds = minutes * 60;
  }

  Progress progress() {
    return progress;
  }

  int begun() {
    return begun;
  }

  double recall(int item, int day) {
    return learner.recall(item, day);
  }

  double worth(int item) {
    return Worth.of(uses[item]);
  }

  Optional<MemoryFit> fit(int day) {
    Optional<MemoryFit> fit =
        MemoryFitter.fit(progress.latest(), progress.parameters(), Schedules.at(day));
    fit.filter(MemoryFit::isUsed)
        .ifPresent(
            f -> {
              progress = new Progress(ZoneOffset.UTC, f.parameters());
              answers.forEach(progress::add);
            });
    return fit;
  }

  Run run(int awayFrom, int away) {
    double spent = 0;
    double known = 0;
    double byUse = 0;
    for (int day = 0; day < DAYS; day++) {
      double[] now = recalled(day);
      known += now[0] / DAYS;
      byUse += now[1] / DAYS;
      if (day < awayFrom || day >= awayFrom + away) {
        spent += day(day) / 60;
      }
    }
    double[] later = recalled(DAYS + LATER);
    return new Run(known, byUse, later[0], later[1], spent, begun);
  }

  private double[] recalled(int day) {
    double plain = 0;
    double byUse = 0;
    double all = 0;
    for (int i = 0; i < ITEMS; i++) {
      double r = i < begun ? learner.recall(i, day) : 0;
      plain += r;
      byUse += uses[i] * r;
      all += uses[i];
    }
    return new double[] {plain, ITEMS * byUse / all};
  }

  /**
   * The log loss on held-out answers by the published numbers and by those fitted, and the same for
   * the error of ten bins: the mean distance of what was foretold from what came, weighted.
   */
  double[] calibration() {
    List<FirstAnswer> latest = progress.latest();
    Optional<MemoryFit> fit = MemoryFitter.fit(latest, MemoryParameters.USUAL, Schedules.at(DAYS));
    if (fit.isEmpty()) {
      return new double[4];
    }
    return new double[] {
      fit.get().before(),
      fit.get().after(),
      binned(MemoryParameters.USUAL),
      binned(fit.get().parameters())
    };
  }

  private double binned(MemoryParameters w) {
    Progress by = new Progress(ZoneOffset.UTC, w);
    answers.forEach(by::add);
    List<FirstAnswer> latest = by.latest();
    double[] foretold = new double[BINS];
    double[] came = new double[BINS];
    double all = 0;
    for (FirstAnswer a : latest.subList(latest.size() * 4 / 5, latest.size())) {
      if (a.before().isPresent()) {
        double r = a.before().get().retrievability(a.days());
        int bin = Math.min(BINS - 1, (int) (r * BINS));
        foretold[bin] += r;
        came[bin] += a.grade() == Grade.MISSED ? 0 : 1;
        all++;
      }
    }
    double sum = 0;
    for (int i = 0; i < BINS; i++) {
      sum += Math.abs(foretold[i] - came[i]);
    }
    return sum / Math.max(1, all);
  }

  /** A day's session: what comes before new ones, the new ones, the rest; what was missed again. */
  private double day(int day) {
    List<Integer> ask = schedule.ask(day);
    int room = Math.min(schedule.room(day, seconds), ITEMS - begun);
    int before = schedule.before(ask, day);
    Deque<Integer> queue = new ArrayDeque<>(ask.subList(0, before));
    IntStream.range(begun, begun + room).forEach(queue::add);
    queue.addAll(ask.subList(before, ask.size()));
    Set<Integer> asked = new HashSet<>();
    Map<Integer, Integer> rights = new HashMap<>();
    Map<Integer, Integer> times = new HashMap<>();
    record Again(int item, int from) {}
    Deque<Again> again = new ArrayDeque<>();
    double expected = 1.3;
    double second = 0;
    for (int n = 0; second < seconds && !(queue.isEmpty() && again.isEmpty()); n++) {
      boolean repeat = !again.isEmpty() && (queue.isEmpty() || again.getFirst().from() <= n);
      int item = repeat ? again.removeFirst().item() : queue.removeFirst();
      boolean isNew = item >= begun;
      begun = Math.max(begun, item + 1);
      Learner.Said said = learner.answer(item, day, second);
      second += READING + said.seconds() + (said.right() ? SEEING_RIGHT : SEEING_WRONG);
      Answer answer = answer(item, day, second, said, expected);
      progress.add(answer);
      answers.add(answer);
      if (asked.add(item)) {
        schedule.answered(item, day, said);
        rights.put(item, isNew ? 0 : 9);
      }
      int r = rights.merge(item, said.right() ? 1 : 0, Integer::sum);
      int t = times.merge(item, 1, Integer::sum);
      boolean more = r < 9 ? r < 2 && t < MOST_FIRST_ASKINGS : !said.right() && t < 3;
      if (more) {
        again.addLast(new Again(item, n + COMES_AGAIN_AFTER));
      }
    }
    return second;
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
}
