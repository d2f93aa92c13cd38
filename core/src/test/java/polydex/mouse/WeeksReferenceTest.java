package polydex.mouse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.effort.KeystrokeLevel;
import polydex.log.Deed;
import polydex.log.LogEvent;
import polydex.mouse.Remaining.RemainingRow;
import polydex.mouse.Weeks.Week;
import polydex.recognition.Place;
import polydex.recognition.Recogniser;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.World;
import polydex.route.Worlds;
import polydex.totals.Audit;
import polydex.totals.Lately;
import polydex.totals.Standing;

/** Weeks, slips and the review, against definitions that go through the whole list each time. */
class WeeksReferenceTest {
  private static final int RUNS = 60;

  private static final World WORLD =
      new Worlds()
          .platform("desk", Worlds.plain(), "Ctrl+L = lock")
          .app("edit", "Ctrl+S = save", "Ctrl+O = open", "Ctrl+P = print", "F5 = run", "F6 = stop")
          .build();
  private static final Setup SETUP =
      Worlds.setup(Worlds.machine("desk", Worlds.in("edit", "anywhere")));
  private static final List<ActionId> ACTIONS =
      Stream.of("save", "open", "print", "run", "stop").map(ActionId::new).toList();
  private static final Instant START = Instant.parse("2031-01-06T09:00:00Z");

  /** A use of an action on a day counted from the start. */
  private record Use(int day, ActionId action, boolean keys) {}

  /** Weeks of work in which actions go over to the keys, and some come back. */
  private static List<Use> uses(Random random, int weeks) {
    Map<ActionId, Integer> from = new LinkedHashMap<>();
    Map<ActionId, Integer> back = new LinkedHashMap<>();
    for (ActionId a : ACTIONS) {
      from.put(a, random.nextInt(7 * weeks + 10));
      back.put(a, random.nextInt(14 * weeks));
    }
    List<Use> uses = new ArrayList<>();
    for (int day = 0; day < 7 * weeks; day++) {
      if (day % 7 < 5) {
        for (int i = 0; i < 4 + random.nextInt(30); i++) {
          ActionId a = ACTIONS.get(Math.min(4, (int) Math.abs(random.nextGaussian() * 2)));
          boolean over = day >= from.get(a) && (day < back.get(a) || day > back.get(a) + 8);
          uses.add(new Use(day, a, random.nextInt(40) == 0 ? !over : over));
        }
      }
    }
    return uses;
  }

  private static LocalDate date(int day) {
    return START.atZone(ZoneOffset.UTC).toLocalDate().plusDays(day);
  }

  private static Standing standing(List<Use> uses) {
    Audit audit =
        new Audit(
            new Recogniser(WORLD, List.of(SETUP), Map.of()), ZoneOffset.UTC, _ -> Optional.empty());
    int second = 0;
    for (Use u : uses) {
      audit.add(
          LogEvent.of(
              START.plus(Duration.ofDays(u.day())).plusSeconds(second++ % 3600),
              Deed.noted(SETUP.id(), u.action(), u.keys())));
    }
    return audit.standing();
  }

  /** Whether it counts as replaced after so many of its uses: the rule from its words. */
  private static boolean isReplaced(List<Use> of, int end, List<Integer> turnedAt) {
    boolean replaced = false;
    int since = 0;
    int good = -1;
    turnedAt.clear();
    for (int n = 1; n <= end; n++) {
      List<Use> last = of.subList(Math.max(0, n - 20), n);
      long keys = last.stream().filter(Use::keys).count();
      if (replaced) {
        since++;
        if (since >= 20 && keys < 16) {
          replaced = false;
          good = -1;
          turnedAt.add(-n);
        }
      } else if (n >= 20 && keys >= 19) {
        good = good < 0 ? n - 20 : good;
        Set<Integer> days = new HashSet<>();
        of.subList(good, n).forEach(u -> days.add(u.day()));
        if (days.size() >= 5) {
          replaced = true;
          since = 0;
          turnedAt.add(n);
        }
      } else {
        good = -1;
      }
    }
    return replaced;
  }

  @Property(tries = 80, edgeCases = EdgeCasesMode.NONE)
  void aWeekIsWhatTheWholeListSaysOfIt(@ForAll long seed) {
    Random random = new Random(seed);
    int count = 3 + random.nextInt(7);
    List<Use> uses = uses(random, count);
    Standing standing = standing(uses);
    LocalDate today = date(7 * count - 3);
    Map<Place, String> kept =
        random.nextBoolean()
            ? Map.of()
            : Map.of(
                Place.of(SETUP.id(), new EnvironmentId("edit"), ACTIONS.get(random.nextInt(5))),
                "by eye");
    List<RemainingRow> rows =
        new Remaining(WORLD, KeystrokeLevel.USUAL, 12, _ -> false, kept)
            .of(List.of(SETUP), standing, today);
    Weeks found = Weeks.of(standing, rows, _ -> true, today);
    List<Week> weeks = found.weeks();
    int drawn = found.exposure();
    assertThat(weeks).hasSize(count);
    for (int w = 0; w < count; w++) {
      Week week = weeks.get(w);
      int end = 7 * (w + 1);
      int keys = 0;
      int pointer = 0;
      List<Integer> byPointer = new ArrayList<>();
      List<String> replaced = new ArrayList<>();
      List<String> relapsed = new ArrayList<>();
      for (ActionId action : ACTIONS) {
        if (kept.containsKey(Place.of(SETUP.id(), new EnvironmentId("edit"), action))) {
          continue;
        }
        List<Use> of = uses.stream().filter(u -> u.action().equals(action)).toList();
        int monday = 7 * w;
        keys += count(of, monday, end, true);
        pointer += count(of, monday, end, false);
        List<Integer> turns = new ArrayList<>();
        int before = (int) of.stream().filter(u -> u.day() < end).count();
        isReplaced(of, before, turns);
        byPointer.add(count(of, monday, end, false));
        for (int turn : turns) {
          if (of.get(Math.abs(turn) - 1).day() >= monday) {
            (turn > 0 ? replaced : relapsed).add(action.value());
          }
        }
      }
      assertThat(week.monday()).isEqualTo(date(7 * w));
      assertThat(week.keys()).isEqualTo(keys);
      assertThat(week.pointer()).isEqualTo(pointer);
      if (keys + pointer < drawn || drawn == 0) {
        assertThat(week.open()).isEmpty();
      } else {
        assertThat(week.open().orElseThrow())
            .isCloseTo(met(byPointer, keys + pointer, drawn), within(1e-9));
      }
      assertThat(week.replaced())
          .extracting(p -> p.doing().written())
          .containsExactlyInAnyOrderElementsOf(replaced);
      assertThat(week.relapsed())
          .extracting(p -> p.doing().written())
          .containsExactlyInAnyOrderElementsOf(relapsed);
      // Every action takes the same with the pointer here, so time weighs as uses do.
      assertThat(week.coverageByTime().orElse(-1.0))
          .isCloseTo(week.coverage().orElse(-1.0), within(1e-9));
    }
  }

  /** How many actions are met on average in so many draws, by the chances of draw after draw. */
  private static double met(List<Integer> counts, int all, int drawn) {
    double met = 0;
    for (int count : counts) {
      double none = 1;
      for (int draw = 0; draw < drawn; draw++) {
        none *= Math.max(0, all - count - draw) / (double) (all - draw);
      }
      met += 1 - none;
    }
    return met;
  }

  /**
   * Somebody who does every day the same on average: a rise or fall is said of at most 5 of 100
   * such logs, however long they are and however rare their actions.
   */
  @ParameterizedTest
  @CsvSource({"6, 60", "6, 12", "7, 60", "8, 40", "9, 60"})
  void constantBehaviourShowsNoTrend(int weeks, int actions) {
    int said = 0;
    int hours = 0;
    for (int run = 0; run < RUNS; run++) {
      Random random = new Random(1000L * weeks + run);
      // A few things are done all the time, and most hardly ever.
      double[] rates = new double[actions];
      double[] keys = new double[actions];
      for (int a = 0; a < actions; a++) {
        rates[a] = 4 * Math.pow(random.nextDouble(), 6) + 0.02;
        keys[a] = random.nextDouble();
      }
      List<LogEvent> log = new ArrayList<>();
      for (int day = 0; day < 7 * weeks; day++) {
        if (day % 7 > 4 || random.nextInt(12) == 0) {
          continue;
        }
        for (int a = 0; a < actions; a++) {
          // So many chances of so small a share come near to rare things by themselves.
          for (int chance = 0; chance < 40; chance++) {
            if (random.nextDouble() < rates[a] / 40) {
              log.add(
                  LogEvent.of(
                      date(day)
                          .atTime(8, 0)
                          .plusSeconds(60L * log.size() % 30_000)
                          .toInstant(ZoneOffset.UTC),
                      Deed.noted(
                          SETUP.id(), new ActionId("a" + a), random.nextDouble() < keys[a])));
            }
          }
        }
      }
      log.sort(Comparator.comparing(LogEvent::at));
      Audit audit =
          new Audit(
              new Recogniser(WORLD, List.of(SETUP), Map.of()),
              ZoneOffset.UTC,
              _ -> Optional.empty());
      log.forEach(audit::add);
      LocalDate today = date(7 * weeks - 3);
      Weeks found =
          Weeks.of(
              audit.standing(),
              new Remaining(WORLD, KeystrokeLevel.USUAL, 12, _ -> false, Map.of())
                  .of(List.of(SETUP), audit.standing(), today),
              _ -> true,
              today);
      said += found.openTrend().filter(t -> !t.mayBeNone()).isPresent() ? 1 : 0;
      hours += found.hoursTrend().filter(t -> !t.mayBeNone()).isPresent() ? 1 : 0;
    }
    assertThat(said).isLessThanOrEqualTo(RUNS / 20);
    assertThat(hours).isLessThanOrEqualTo(RUNS / 20);
  }

  private static int count(List<Use> of, int from, int until, boolean keys) {
    return (int)
        of.stream().filter(u -> u.keys() == keys && u.day() >= from && u.day() < until).count();
  }

  @Property(tries = 80, edgeCases = EdgeCasesMode.NONE)
  void theReviewIsOfTheLastSevenDays(@ForAll long seed) {
    Random random = new Random(seed);
    int count = 3 + random.nextInt(5);
    List<Use> uses = uses(random, count);
    Standing standing = standing(uses);
    int last = 7 * count - 1 - random.nextInt(9);
    LocalDate today = date(last);
    List<RemainingRow> rows =
        new Remaining(WORLD, KeystrokeLevel.USUAL, 12, _ -> false, Map.of())
            .of(List.of(SETUP), standing, today);
    WeeklyReview review = WeeklyReview.of(standing, rows, today);
    assertThat(review.now().keys()).isEqualTo(count(uses, last - 6, last + 1, true));
    assertThat(review.now().pointer()).isEqualTo(count(uses, last - 6, last + 1, false));
    assertThat(review.before().keys()).isEqualTo(count(uses, last - 13, last - 6, true));
    Set<Integer> days = new HashSet<>();
    uses.stream()
        .filter(u -> u.day() > last - 7 && u.day() <= last)
        .forEach(u -> days.add(u.day()));
    assertThat(review.now().workingDays()).isEqualTo(days.size());
    // Nobody drilled anything, so a slip is a use of the pointer while it counts as replaced.
    Slips slips = Slips.of(standing, today);
    int[] byHour = new int[24];
    for (ActionId action : ACTIONS) {
      List<Use> of = uses.stream().filter(u -> u.action().equals(action)).toList();
      int lately = 0;
      int returned = 0;
      Set<Integer> on = new HashSet<>();
      for (int n = 0; n < of.size(); n++) {
        Use u = of.get(n);
        if (!u.keys()
            && u.day() > last - 28
            && u.day() <= last
            && isReplaced(of, n, new ArrayList<>())) {
          lately++;
          on.add(u.day());
          returned += n >= 20 && of.subList(n - 20, n).stream().allMatch(Use::keys) ? 1 : 0;
        }
      }
      Optional<Slips.OfPlace> found =
          slips.places().stream()
              .filter(s -> s.place().action().equals(Optional.of(action)))
              .findFirst();
      assertThat(found.map(Slips.OfPlace::lately).orElse(0)).isEqualTo(lately);
      assertThat(found.map(Slips.OfPlace::days).orElse(0)).isEqualTo(on.size());
      assertThat(found.map(Slips.OfPlace::returned).orElse(0)).isEqualTo(returned);
      Slips only = Slips.of(standing, p -> p.action().equals(Optional.of(action)), today);
      assertThat(only.places()).isEqualTo(found.stream().toList());
      for (int h = 0; h < 24; h++) {
        byHour[h] += only.byHour().get(h);
      }
    }
    assertThat(IntStream.of(byHour).boxed().toList()).isEqualTo(slips.byHour());
    assertThat(slips.places()).isSortedAccordingTo(Comparator.comparingInt(s -> -s.lately()));
    assertThat(slips.byEnvironment().values().stream().mapToInt(n -> n).sum())
        .isEqualTo(slips.places().stream().mapToInt(Slips.OfPlace::lately).sum());
  }

  @Property(tries = 80, edgeCases = EdgeCasesMode.NONE)
  void whatIsCountedLatelyIsADayOfWorkInFourWeeks(@ForAll long seed) {
    Random random = new Random(seed);
    List<Use> uses = uses(random, 6);
    Standing standing = standing(uses);
    int last = 20 + random.nextInt(22);
    Lately lately = standing.lately(date(last));
    Set<Integer> days = new HashSet<>();
    uses.stream()
        .filter(u -> u.day() > last - 28 && u.day() <= last)
        .forEach(u -> days.add(u.day()));
    for (ActionId action : ACTIONS) {
      List<Use> of = uses.stream().filter(u -> u.action().equals(action)).toList();
      double aDay = count(of, last - 27, last + 1, false) / (double) Math.max(1, days.size());
      assertThat(lately.pointerADay(SETUP.id(), action)).isCloseTo(aDay, within(1e-12));
      assertThat(lately.pointerADay(Place.of(SETUP.id(), new EnvironmentId("edit"), action)))
          .isCloseTo(aDay, within(1e-12));
      assertThat(standing.usesADay().getOrDefault(action, 0.0))
          .isCloseTo(of.size() / (double) standing.days().size(), within(1e-12));
    }
    assertThat(lately.pointerADay(new SetupId("elsewhere"), new ActionId("save"))).isZero();
    assertThat(standing.days().getFirst().date())
        .isEqualTo(date(uses.stream().mapToInt(Use::day).min().orElseThrow()));
  }
}
