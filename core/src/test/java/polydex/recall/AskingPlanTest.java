package polydex.recall;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;

/** What asking gains, against what simulated lives of one item come to. */
class AskingPlanTest {
  private static final MemoryParameters W = MemoryParameters.USUAL;
  private static final AskingPlan PLAN = new AskingPlan(W);

  /**
   * What one item comes to over its life, if it is asked by a rule: days of knowing it, later ones
   * counting less, less the price of the askings; the mean of many lives.
   */
  private static double life(Memory first, double price, Rule rule, long seed) {
    Random random = new Random(seed);
    double sum = 0;
    int lives = 3_000;
    for (int i = 0; i < lives; i++) {
      Memory memory = first;
      double at = 0;
      while (at < 1_500) {
        double wait = Math.max(1, rule.wait(memory));
        for (double t = 0; t < wait && at + t < 1_500; t += 1) {
          double part = Math.min(1, wait - t);
          double middle = t + part / 2;
          sum += part * Math.exp(-(at + middle) / 180) * memory.retrievability(middle);
        }
        at += wait;
        boolean right = random.nextDouble() < memory.retrievability(wait);
        sum -= Math.exp(-at / 180) * price * (right ? 4 : 8);
        memory = memory.next(right ? Grade.RIGHT : Grade.MISSED, wait, W);
      }
    }
    return sum / lives;
  }

  private interface Rule {
    double wait(Memory memory);
  }

  /** No plain threshold does better, whichever it is, at cheap seconds and at dear ones. */
  @Test
  void askingByThePlanIsWorthMoreThanByAnyThreshold() {
    Memory first = Memory.first(Grade.MISSED, W);
    for (double price : new double[] {0.05, 0.1, 0.3, 1, 3}) {
      double ours = life(first, price, m -> PLAN.wait(m, price), 1);
      double best = Double.NEGATIVE_INFINITY;
      for (double wanted : new double[] {0.6, 0.7, 0.75, 0.8, 0.85, 0.9, 0.93, 0.96, 0.98}) {
        best = Math.max(best, life(first, price, m -> m.daysUntil(wanted), 1));
      }
      assertThat(ours).as("at %s", price).isGreaterThan(best - 0.005 * Math.abs(best));
    }
  }

  @Property(tries = 3000)
  void theIndexRisesWithTimeAndWaitingIsItsInverse(
      @ForAll @DoubleRange(min = 1, max = 10) double difficulty,
      @ForAll @DoubleRange(min = 2, max = 300) double stability,
      @ForAll @DoubleRange(min = 0.05, max = 2) double price) {
    risesAndIsTheInverse(difficulty, stability, price);
  }

  /** Where several prices ask on the same day, and rounding once chose a lower one. */
  @Test
  void ofPricesThatAskOnOneDayTheHighestCounts() {
    risesAndIsTheInverse(1.0, 2.02, 0.14);
    risesAndIsTheInverse(1.86, 2.02, 0.15);
  }

  private static void risesAndIsTheInverse(double difficulty, double stability, double price) {
    Memory memory = new Memory(difficulty, stability);
    double wait = PLAN.wait(memory, price);
    double index = PLAN.index(memory, wait);
    if (wait < 390) {
      // The highest price at which it is asked by then; where several prices ask on one day, more.
      assertThat(index).isGreaterThan(0.8 * price);
      assertThat(PLAN.wait(memory, index)).isCloseTo(wait, within(0.2 * wait));
    }
    double last = 0;
    for (double days = 0; days < 400; days = days * 1.3 + 0.1) {
      double now = PLAN.index(memory, days);
      assertThat(now).isGreaterThanOrEqualTo(last - 1e-9);
      last = now;
    }
    assertThat(PLAN.wait(memory, 2 * price)).isGreaterThanOrEqualTo(wait - 1e-9);
  }

  @Test
  void whoWantsToKnowMoreIsAskedSooner() {
    double last = Double.MAX_VALUE;
    for (double wanted : new double[] {0.8, 0.85, 0.9, 0.95, 0.97}) {
      double least = PLAN.least(wanted);
      assertThat(least).isBetween(0.0, last);
      last = least;
      // By definition: a typical item is asked when its chance has fallen so far.
      Memory typical = new Memory(5, 20);
      assertThat(typical.retrievability(PLAN.wait(typical, least))).isCloseTo(wanted, within(0.01));
    }
  }

  @Test
  void weightsAreOneForOneUseADayAndGrowSlowly() {
    assertThat(Worth.of(1)).isCloseTo(1, within(1e-12));
    assertThat(Worth.of(0)).isBetween(0.5, 0.7);
    assertThat(Worth.of(40)).isBetween(2.0, 3.5);
  }

  private static List<ItemState> states(int count, Instant begun, Grade grade, double sinceDays) {
    List<ItemState> states = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      states.add(
          new ItemState(
              Memory.first(grade, W),
              begun.minusSeconds((long) (86_400 * sinceDays)),
              0,
              0,
              1,
              0,
              begun));
    }
    return states;
  }

  /** As many as fit, and none beside a backlog: found again by trying each number. */
  @Test
  void newOnesComeAsLongAsTheLoadFitsTheMinutes() {
    Intake intake = new Intake(PLAN);
    Instant now = Instant.parse("2031-01-06T09:00:00Z");
    assertThat(intake.room(List.of(), now, 6, 600)).isEqualTo(6);
    assertThat(intake.room(List.of(), now, 6, 30)).isEqualTo(2);
    assertThat(intake.room(List.of(), now, 6, 0)).isZero();
    List<ItemState> backlog = states(40, now, Grade.MISSED, 30);
    assertThat(intake.room(backlog, now, 6, 120)).isZero();
    assertThat(intake.room(backlog, now, 6, 600)).isEqualTo(6);
    int last = 6;
    for (int known = 0; known < 200; known += 10) {
      int room = intake.room(states(known, now, Grade.MISSED, 1), now, 6, 240);
      assertThat(room).isLessThanOrEqualTo(last);
      last = room;
    }
    assertThat(last).isZero();
    double[] load = {10, 0, 0};
    double[] one = {4, 4, 4};
    assertThat(Intake.room(load, one, 9, 20)).isEqualTo(2);
    assertThat(Intake.room(new double[] {0, 0, 55}, one, 9, 20)).isZero();
  }

  /** Who breaks off says how much time there was; who is done with all says nothing of it. */
  @Test
  void minutesAreThoseThatAreReallySpent() {
    Progress progress = new Progress(ZoneOffset.UTC);
    DrillSettings wanted = DrillSettings.USUAL;
    Instant begin = Instant.parse("2031-01-06T09:00:00Z");
    long day = progress.days().of(begin);
    assertThat(progress.history().secondsADay(day, wanted)).isEqualTo(600);
    // Forty missed on the first day, of which five a day are asked in half a minute.
    for (int i = 0; i < 40; i++) {
      progress.add(Answers.of(item(i), begin.plusSeconds(6L * i), false));
    }
    for (int d = 1; d <= 12; d++) {
      for (int i = 0; i < 5; i++) {
        Instant at = begin.plus(Duration.ofDays(d)).plusSeconds(6L * i);
        progress.add(Answers.of(item((d * 5 + i) % 40), at, false));
      }
    }
    assertThat(progress.history().secondsADay(day + 13, wanted)).isCloseTo(28, within(3.0));
    assertThat(progress.history().byDay().get(day + 5).left()).isGreaterThan(20);
    // A few easy ones, all asked: what was left of the time is not known.
    Progress done = new Progress(ZoneOffset.UTC);
    for (int d = 0; d < 12; d++) {
      done.add(Answers.of(item(d), begin.plus(Duration.ofDays(d)), true));
      done.add(Answers.of(item(50), begin.plus(Duration.ofDays(d)).plusSeconds(5), true));
    }
    assertThat(done.history().byDay().get(day + 1).left()).isZero();
    assertThat(done.history().secondsADay(day + 2, wanted)).isEqualTo(600);
  }

  private static DrillItem item(int i) {
    return new DrillItem(new EnvironmentId("app"), new ActionId("a" + i));
  }
}
