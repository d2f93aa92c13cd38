package polydex.recall;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.recall.Answer.Kind;
import polydex.recall.Answer.Verdict;

/**
 * Whole logs of answers, replayed by the running totals and by a second reading of the formulas
 * that keeps every answer, works on days as dates, and shares nothing with them.
 */
class ReplayReferenceTest {
  private static final ZoneId ZONE = ZoneId.of("Europe/Berlin");
  private static final Gesture SAVE = Gesture.parse("Ctrl+S");
  private static final Instant START = Instant.parse("2031-03-20T05:00:00Z");

  private record State(double d, double s, double r, boolean fluent) {}

  private static State reference(List<Answer> answers, Instant now, double... w) {
    double d = 0;
    double s = 0;
    Instant counted = null;
    List<Boolean> firsts = new ArrayList<>();
    TreeMap<String, Answer> firstOfDay = new TreeMap<>();
    answers.forEach(a -> firstOfDay.putIfAbsent(a.at().atZone(ZONE).toLocalDate().toString(), a));
    for (Answer a : firstOfDay.values()) {
      boolean right = a.verdict() == Verdict.RIGHT || a.verdict() == Verdict.CORRECTED;
      double e = a.timing().expected();
      double t = a.timing().counts() ? a.timing().seconds() : 1.5 * e;
      int g = !right ? 1 : a.verdict() == Verdict.CORRECTED ? 2 : 3;
      if (counted == null) {
        d = Math.min(10, Math.max(1, w[4] - w[5] * (g - 3)));
        s = w[g - 1];
      } else {
        double days = (a.at().toEpochMilli() - counted.toEpochMilli()) / 86_400_000.0;
        double r = Math.pow(1 + 19.0 / 81 * days / s, -0.5);
        double grown =
            s
                * (1
                    + Math.exp(w[8])
                        * (11 - d)
                        * Math.pow(s, -w[9])
                        * (Math.exp(w[10] * (1 - r)) - 1)
                        * (g == 2 ? w[15] : 1));
        double fallen =
            Math.min(
                s,
                w[11]
                    * Math.pow(d, -w[12])
                    * (Math.pow(s + 1, w[13]) - 1)
                    * Math.exp(w[14] * (1 - r)));
        double d0 = Math.min(10, Math.max(1, w[4]));
        d = Math.min(10, Math.max(1, w[7] * d0 + (1 - w[7]) * (d - w[6] * (g - 3))));
        s = Math.min(36500, Math.max(0.01, g == 1 ? fallen : grown));
      }
      counted = a.at();
      if (!right || a.timing().counts()) {
        firsts.add(right && t <= 1.2 * e);
      }
    }
    int n = firsts.size();
    boolean fluent = n >= 3 && firsts.subList(n - 3, n).stream().allMatch(f -> f) && s >= 21;
    double days = (now.toEpochMilli() - counted.toEpochMilli()) / 86_400_000.0;
    return new State(d, s, Math.pow(1 + 19.0 / 81 * days / s, -0.5), fluent);
  }

  /** The published ones, or those of somebody else. */
  private static double[] parameters(long seed) {
    Random random = new Random(seed);
    double[] w = {
      0.4872, 1.4003, 3.7145, 13.8206, 5.1618, 1.2298, 0.8975, 0.031, 1.6474, 0.1367, 1.0461,
      2.1072, 0.0793, 0.3246, 1.587, 0.2272, 2.8755
    };
    for (int i = 0; seed % 2 != 0 && i < w.length; i++) {
      w[i] *= Math.exp(0.5 * random.nextGaussian());
    }
    return w;
  }

  private static List<Answer> log(Random random) {
    List<Answer> answers = new ArrayList<>();
    Instant at = START;
    for (int i = 0; i < 150; i++) {
      at = at.plusSeconds(random.nextInt(4) == 0 ? random.nextInt(20 * 86_400) : 30);
      Verdict verdict =
          random.nextInt(3) > 0
              ? Verdict.RIGHT
              : Verdict.values()[random.nextInt(Verdict.values().length)];
      int item = random.nextInt(4);
      answers.add(
          new Answer(
              new DrillItem(new EnvironmentId("app"), new ActionId("a" + item)),
              at,
              random.nextInt(8) == 0 ? Kind.SAY : Kind.DO,
              verdict,
              new Answer.Timing(
                  0.6 + 1.2 * random.nextDouble(), random.nextInt(9) > 0, 0.9 + 0.2 * item),
              SAVE,
              "",
              random.nextInt(3) == 0
                  ? Optional.of(
                      new DrillItem(
                          new EnvironmentId("app"), new ActionId("a" + random.nextInt(4))))
                  : Optional.empty()));
    }
    return answers;
  }

  @Property(tries = 300)
  void replayingGivesWhatTheFormulasSay(@ForAll long seed) {
    List<Answer> answers = log(new Random(seed));
    Instant now = answers.getLast().at().plusSeconds(123_456);
    double[] w = parameters(seed);
    Progress progress = new Progress(ZONE, MemoryParameters.of(w));
    answers.forEach(progress::add);
    Map<DrillItem, List<Answer>> byItem = new HashMap<>();
    answers.stream()
        .filter(a -> a.kind() != Kind.SAY)
        .forEach(a -> byItem.computeIfAbsent(a.item(), _ -> new ArrayList<>()).add(a));
    assertThat(progress.states().keySet()).isEqualTo(byItem.keySet());
    byItem.forEach(
        (item, all) -> {
          State wanted = reference(all, now, w);
          ItemState state = progress.state(item).orElseThrow();
          assertThat(state.memory().difficulty()).isCloseTo(wanted.d(), within(1e-9));
          assertThat(state.memory().stability()).isCloseTo(wanted.s(), within(1e-6 * wanted.s()));
          assertThat(state.retrievability(now)).isCloseTo(wanted.r(), within(1e-9));
          assertThat(state.isFluent()).isEqualTo(wanted.fluent());
          assertThat(state.isDue(now, 0.9)).isEqualTo(!state.due(0.9).isAfter(now));
        });
    DrillHistory history = progress.history();
    checkWhatWasLeft(answers, history, w);
    assertThat(history.byDay().values().stream().mapToInt(DrillHistory.Day::answers).sum())
        .isEqualTo(answers.size());
    assertThat(history.byDay().values().stream().mapToInt(DrillHistory.Day::begun).sum())
        .isEqualTo(byItem.size());
    assertThat(history.fluent(new EnvironmentId("app"), progress.days().of(now)))
        .isEqualTo((int) progress.states().values().stream().filter(ItemState::isFluent).count());
  }

  /** What was due when a day with answers had ended, from all answers up to it. */
  private static void checkWhatWasLeft(List<Answer> answers, DrillHistory history, double... w) {
    LocalDate last = answers.getLast().at().atZone(ZONE).toLocalDate();
    history
        .byDay()
        .forEach(
            (number, day) -> {
              LocalDate date = LocalDate.ofEpochDay(number);
              Map<DrillItem, List<Answer>> until = new HashMap<>();
              answers.stream()
                  .filter(a -> a.kind() != Kind.SAY)
                  .filter(a -> !a.at().atZone(ZONE).toLocalDate().isAfter(date))
                  .forEach(a -> until.computeIfAbsent(a.item(), _ -> new ArrayList<>()).add(a));
              long due =
                  until.values().stream()
                      .filter(
                          all -> {
                            TreeMap<LocalDate, Answer> firsts = new TreeMap<>();
                            all.forEach(
                                a -> firsts.putIfAbsent(a.at().atZone(ZONE).toLocalDate(), a));
                            double s = reference(all, firsts.lastEntry().getValue().at(), w).s();
                            long wait = Math.max(1, (long) s);
                            return !firsts.lastKey().plusDays(wait).isAfter(date);
                          })
                      .count();
              assertThat(day.left()).isEqualTo(date.equals(last) ? 0 : (int) due);
            });
  }

  /** The pairs counted by looking through the whole log for each of them. */
  @Property(tries = 300)
  void pairsAreCountedUntilBothSidesWereRightThreeTimesInARow(@ForAll long seed) {
    List<Answer> answers = log(new Random(seed));
    Progress progress = new Progress(ZONE);
    answers.forEach(progress::add);
    for (Confusions.Count count : progress.confusions().all()) {
      int times = 0;
      int[] row = new int[2];
      for (Answer a : answers) {
        boolean one = a.item().equals(count.pair().one());
        boolean other = a.item().equals(count.pair().other());
        if (!one && !other) {
          continue;
        }
        boolean right = a.verdict() == Verdict.RIGHT || a.verdict() == Verdict.CORRECTED;
        if (times >= 2) {
          row[one ? 0 : 1] = right ? row[one ? 0 : 1] + 1 : 0;
          if (row[0] >= 3 && row[1] >= 3) {
            times = 0;
            row = new int[2];
          }
        }
        DrillItem partner = one ? count.pair().other() : count.pair().one();
        if (a.verdict() == Verdict.WRONG && a.mistakenFor().equals(Optional.of(partner))) {
          times++;
          row = new int[2];
        }
      }
      assertThat(count.times()).isEqualTo(times);
      assertThat(progress.confusions().open().contains(count)).isEqualTo(times >= 2);
    }
  }

  @Property(tries = 100)
  void aForecastBeginsWithWhatIsDueAndAsksEachItemAtMostOnceADay(@ForAll long seed) {
    List<Answer> answers = log(new Random(seed));
    Progress progress = new Progress(ZONE);
    answers.forEach(progress::add);
    Instant now = answers.getLast().at().plusSeconds(86_400);
    List<Forecast.Day> days =
        Forecast.of(
            progress.states().values(), progress.parameters(), 0.9, now, progress.days(), 14);
    long dueNow = progress.states().values().stream().filter(s -> s.isDue(now, 0.9)).count();
    assertThat(days).hasSize(14);
    assertThat(days.getFirst().date()).isEqualTo(now.atZone(ZONE).toLocalDate());
    assertThat((long) days.getFirst().due()).isGreaterThanOrEqualTo(dueNow);
    // Item by item, at whatever retention: never twice a day, the first time when it is due.
    double retention = 0.80 + 0.17 * new Random(seed).nextDouble();
    int[] sums = new int[14];
    for (ItemState state : progress.states().values()) {
      List<Forecast.Day> mine =
          Forecast.of(
              List.of(state), progress.parameters(), retention, now, progress.days(), sums.length);
      assertThat(mine).allMatch(d -> d.due() <= 1);
      Instant due =
          state.counted().plusMillis((long) (state.memory().daysUntil(retention) * 864e5));
      LocalDate first = (due.isBefore(now) ? now : due).atZone(ZONE).toLocalDate();
      for (int i = 0; i < sums.length; i++) {
        sums[i] += mine.get(i).due();
        if (!mine.get(i).date().isAfter(first)) {
          assertThat(mine.get(i).due()).isEqualTo(mine.get(i).date().equals(first) ? 1 : 0);
        }
      }
    }
    List<Forecast.Day> all =
        Forecast.of(
            progress.states().values(),
            progress.parameters(),
            retention,
            now,
            progress.days(),
            sums.length);
    assertThat(all.stream().mapToInt(Forecast.Day::due).toArray()).isEqualTo(sums);
    assertThat(all).allMatch(d -> Math.abs(d.minutes() - d.due() / 15.0) < 1e-9);
  }

  @Property(tries = 60)
  void thePaceIsFoundAgainWhateverAFewSleepyAnswersSay(@ForAll long seed) {
    Random random = new Random(seed);
    Pace mine = new Pace(0.5 + random.nextDouble(), 0.2 + 0.3 * random.nextDouble(), 0.1);
    List<Gesture> gestures =
        List.of("F2", "Ctrl+S", "Ctrl+Shift+S", "Ctrl+K Ctrl+S", "Ctrl+Alt+Shift+S").stream()
            .map(Gesture::parse)
            .toList();
    List<Pace.Sample> samples =
        IntStream.range(0, 100)
            .mapToObj(i -> gestures.get(i % gestures.size()))
            .map(
                g ->
                    new Pace.Sample(
                        g.presses(),
                        g.modifierPresses(),
                        random.nextInt(10) == 0
                            ? 9
                            : mine.expected(g) + 0.01 * random.nextGaussian()))
            .toList();
    Pace found = Pace.fitted(samples);
    gestures.forEach(g -> assertThat(found.expected(g)).isCloseTo(mine.expected(g), within(0.12)));
    assertThat(Pace.fitted(samples.subList(0, 29))).isEqualTo(Pace.UNKNOWN);
  }

  @Property(tries = 60)
  void aLearningCurveIsFoundAgain(@ForAll long seed) {
    Random random = new Random(seed);
    LearningCurve mine =
        new LearningCurve(
            0.6 + random.nextDouble(), 1 + random.nextDouble(), 0.3 + 0.5 * random.nextDouble());
    List<Double> seconds = IntStream.rangeClosed(1, 40).mapToObj(mine::seconds).toList();
    LearningCurve found = LearningCurve.fitted(seconds).orElseThrow();
    for (int n = 1; n <= 40; n++) {
      assertThat(found.seconds(n)).isCloseTo(mine.seconds(n), within(0.05 * mine.seconds(n)));
    }
    assertThat(found.rate()).isBetween(0.1, 1.0);
    double goal = mine.seconds(20);
    int until = mine.answersUntil(goal).orElseThrow();
    assertThat(mine.seconds(until)).isLessThanOrEqualTo(goal + 1e-9);
    assertThat(mine.seconds(until - 1)).isGreaterThan(goal);
    assertThat(mine.answersUntil(mine.floor())).isEmpty();
    assertThat(LearningCurve.fitted(seconds.subList(0, 7))).isEmpty();
  }
}
