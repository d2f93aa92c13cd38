package polydex.reminder;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.mouse.DaysOfUse;
import polydex.mouse.Remaining.Kind;
import polydex.mouse.Remaining.RemainingRow;
import polydex.recall.DrillItem;
import polydex.recognition.Place;
import polydex.route.SetupId;
import polydex.totals.FollowUp;
import polydex.totals.Habit.State;
import polydex.totals.Reminder;

class ReminderTest {
  private static final Instant BEGUN = Instant.parse("2031-03-14T09:30:00Z");
  private static final EnvironmentId EDITOR = new EnvironmentId("editor");

  private static Place place(int n) {
    return Place.of(new SetupId("desk"), EDITOR, new ActionId("a" + n));
  }

  /** What hands do in a second of a made-up day. */
  private record Second(boolean moves, Optional<Place> used, boolean full) {}

  private static List<Second> day(Random random, int seconds) {
    List<Second> day = new ArrayList<>();
    while (day.size() < seconds) {
      int length = random.nextInt(4) == 0 ? 55 + random.nextInt(300) : random.nextInt(50);
      boolean works = random.nextBoolean();
      boolean full = random.nextInt(6) == 0;
      for (int i = 0; i < length; i++) {
        boolean moves = works && random.nextInt(3) > 0;
        day.add(
            new Second(
                moves,
                moves && random.nextInt(4) == 0
                    ? Optional.of(place(random.nextInt(3)))
                    : Optional.empty(),
                full));
      }
    }
    return day;
  }

  /**
   * Written from what is promised: at second t something may be said where t is the 60th second
   * after the last movement, no window is full then, and fewer than four were said in the hour
   * before; what is said is all that was used since the second at which hands rested before.
   */
  @Property(tries = 200)
  void somethingIsSaidOnceAsHandsComeToRestAndAtMostFourTimesAnHour(@ForAll Random random) {
    List<Second> day = day(random, 4 * 3600);
    Rests rests = new Rests(Rests.REST);
    long lastHand = 0;
    List<Integer> said = new ArrayList<>();
    List<Integer> expected = new ArrayList<>();
    int sinceRest = -1;
    for (int t = 0; t < day.size(); t++) {
      Second second = day.get(t);
      if (second.moves()) {
        lastHand = t;
      }
      second.used().ifPresent(rests::used);
      Map<Place, Integer> now =
          rests.at(BEGUN.plusSeconds(t), BEGUN.plusSeconds(lastHand), second::full);
      if (t == lastHand + 60) {
        Map<Place, Integer> used = new HashMap<>();
        for (int s = sinceRest + 1; s <= t; s++) {
          day.get(s).used().ifPresent(p -> used.merge(p, 1, Integer::sum));
        }
        sinceRest = t;
        int at = t;
        boolean may = !second.full() && expected.stream().filter(e -> e > at - 3600).count() < 4;
        assertThat(now).isEqualTo(may ? used : Map.of());
        if (may && !used.isEmpty()) {
          expected.add(t);
        }
      } else {
        assertThat(now).isEmpty();
      }
      if (!now.isEmpty()) {
        rests.said(BEGUN.plusSeconds(t));
        said.add(t);
      }
    }
    assertThat(said).isEqualTo(expected);
  }

  @Test
  void whatWasDoneBeforeAPauseOfTheRecorderIsNotSaid() {
    Rests rests = new Rests(Rests.REST);
    rests.used(place(1));
    rests.forget();
    assertThat(rests.at(BEGUN.plusSeconds(70), BEGUN, () -> false)).isEmpty();
    rests.used(place(2));
    assertThat(rests.at(BEGUN.plusSeconds(80), BEGUN.plusSeconds(79), () -> false)).isEmpty();
    assertThat(rests.at(BEGUN.plusSeconds(139), BEGUN.plusSeconds(79), () -> false))
        .isEqualTo(Map.of(place(2), 1));
  }

  /** Each hour by itself: halves, and no more runs than coins have. */
  @Property(tries = 50)
  void theLotIsACoinForEachHour(@ForAll long seed) {
    Lot lot = new Lot(seed);
    assertThat(Lot.read(lot.written())).contains(lot);
    int hours = 4000;
    int tells = 0;
    int same = 0;
    boolean before = false;
    for (int h = 0; h < hours; h++) {
      Instant hour = Instant.ofEpochSecond(3600L * h);
      boolean now = lot.tells(hour);
      assertThat(lot.tells(hour.plusSeconds(3599))).isEqualTo(now);
      tells += now ? 1 : 0;
      same += h > 0 && now == before ? 1 : 0;
      before = now;
    }
    // Six standard deviations: less often than once in a million seeds.
    assertThat(tells).isBetween(hours / 2 - 190, hours / 2 + 190);
    assertThat(same).isBetween(hours / 2 - 190, hours / 2 + 190);
  }

  private static RemainingRow row(int n, Kind kind, double pointer, double keys, boolean kept) {
    boolean has = kind == Kind.LEARN || kind == Kind.FREE_THE_WAY;
    return new RemainingRow(
        place(n),
        kind,
        kept ? State.KEPT : State.OPEN,
        1,
        pointer,
        true,
        Optional.of(keys),
        false,
        false,
        1,
        DaysOfUse.ofAll(List.of()),
        Optional.empty(),
        has ? Optional.of(Gesture.parse("Ctrl+" + (char) ('A' + n))) : Optional.empty(),
        has ? Optional.of(EDITOR) : Optional.empty(),
        Optional.empty(),
        0,
        Optional.empty(),
        kept ? Optional.of("by choice") : Optional.empty());
  }

  @Property(tries = 500)
  void theDearestIsWhatKeysThatReachItWouldHaveSavedMost(
      @ForAll Random random, @ForAll @IntRange(min = 1, max = 8) int many) {
    List<RemainingRow> rows = new ArrayList<>();
    Map<Place, Integer> uses = new HashMap<>();
    double most = 0;
    int dearest = -1;
    for (int n = 0; n < many; n++) {
      Kind kind = Kind.values()[random.nextInt(Kind.values().length)];
      boolean kept = random.nextInt(5) == 0;
      int times = random.nextInt(4);
      double pointer = 1 + random.nextInt(1000) / 100.0;
      double keys = 1 + random.nextInt(600) / 100.0;
      rows.add(row(n, kind, pointer, keys, kept));
      if (times > 0) {
        uses.put(place(n), times);
      }
      boolean out = n % 7 == 3;
      double saved = times * (pointer - keys);
      if (kind == Kind.LEARN && !kept && !out && saved > most) {
        most = saved;
        dearest = n;
      }
    }
    Optional<Dearest> found =
        Dearest.of(uses, rows, item -> item.equals(new DrillItem(EDITOR, new ActionId("a3"))));
    assertThat(found.map(Dearest::place))
        .isEqualTo(dearest < 0 ? Optional.empty() : Optional.of(place(dearest)));
    found.ifPresent(
        d -> {
          assertThat(d.uses()).isEqualTo(uses.get(d.place()));
          assertThat(d.gesture()).isEqualTo(rows.get(rowOf(d)).gesture().orElseThrow());
        });
    if (found.isPresent()) {
      assertThat(found.get().seconds()).isEqualTo(most, within(1e-9));
    }
  }

  private static int rowOf(Dearest d) {
    return Integer.parseInt(d.item().action().value().substring(1));
  }

  private static List<FollowUp> hours(Random random, int many, double told, double untold) {
    List<FollowUp> all = new ArrayList<>();
    for (int h = 0; h < many; h++) {
      boolean tells = random.nextBoolean();
      // Some hours are good ones, whatever is said in them: uses within one hang together.
      double share = Math.clamp((tells ? told : untold) + random.nextGaussian() * 0.15, 0, 1);
      for (int m = 0; m <= random.nextInt(4); m++) {
        int keys = 0;
        for (int u = 0; u < FollowUp.NEXT; u++) {
          keys += random.nextDouble() < share ? 1 : 0;
        }
        Instant at = BEGUN.plus(Duration.ofMinutes(60L * h + 7L * m));
        all.add(new FollowUp(new Reminder(at, place(m), tells), FollowUp.NEXT, keys));
      }
    }
    return all;
  }

  /** The interval holds what is true in 95 of 100 lives, whether or not there is an effect. */
  @Test
  void theIntervalHoldsTheTrueEffect() {
    Random random = new Random(22);
    for (double effect : new double[] {0, 0.2}) {
      int holds = 0;
      int lives = 2000;
      for (int life = 0; life < lives; life++) {
        ReminderEffect found = ReminderEffect.of(hours(random, 40, 0.5 + effect, 0.5));
        ReminderEffect.Side said = found.said();
        assertThat(said.byKeys()).isBetween(0, said.uses());
        var change = found.change().orElseThrow();
        holds += change.low() <= effect && effect <= change.high() ? 1 : 0;
      }
      assertThat(holds / (double) lives).as("with an effect of %s", effect).isBetween(0.935, 0.965);
    }
  }

  /** Against what another program makes of it, with the quantile found by integration. */
  @Test
  void theIntervalIsWelchs() {
    int[] told = {1, 2, 3, 4, 5, 5};
    int[] untold = {0, 1, 1, 2, 2};
    List<FollowUp> all = new ArrayList<>();
    for (int i = 0; i < told.length + untold.length; i++) {
      boolean tells = i < told.length;
      all.add(
          new FollowUp(
              new Reminder(BEGUN.plus(Duration.ofHours(i)), place(0), tells),
              5,
              tells ? told[i] : untold[i - told.length]));
    }
    // Means 2/3 and 0.24; variances 0.106667 / 6 and 0.028000 / 5; 7.69 degrees of freedom.
    ReminderEffect found = ReminderEffect.of(all);
    assertThat(found.change().orElseThrow().difference()).isEqualTo(0.426667, within(1e-6));
    assertThat(found.change().orElseThrow().low()).isEqualTo(0.071611, within(1e-4));
    assertThat(found.change().orElseThrow().high()).isEqualTo(0.781722, within(1e-4));
    assertThat(ReminderEffect.of(all.subList(0, 10)).change()).isEmpty();
    assertThat(found.inWords())
        .isEqualTo(
            "Said 6 times: 20 of the next 30 uses came by keys. Left unsaid by lot 5 times: 6 of"
                + " the next 25 uses came by keys. That is +43 percentage points by the hour, with"
                + " 95 % between +7 and +78.");
    FollowUp untouched = new FollowUp(all.getFirst().reminder(), 0, 0);
    assertThat(ReminderEffect.of(List.of(untouched)).inWords())
        .startsWith(
            "Said 1 time; none of it was done again yet. Nothing was left unsaid by lot yet.");
    assertThat(ReminderEffect.of(List.of()).isEmpty()).isTrue();
  }
}
