package polydex.totals;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.threeten.extra.LocalDateRange;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.effort.KeystrokeLevel;
import polydex.effort.TheilSen;
import polydex.log.Deed;
import polydex.log.Device;
import polydex.log.LogEvent;
import polydex.mouse.DaysOfUse;
import polydex.mouse.DrillEffect;
import polydex.mouse.Remaining;
import polydex.mouse.Remaining.Kind;
import polydex.mouse.Remaining.RemainingRow;
import polydex.mouse.Saved;
import polydex.mouse.Slips;
import polydex.mouse.TwoLetters;
import polydex.mouse.WeeklyReview;
import polydex.mouse.Weeks;
import polydex.mouse.Weeks.Week;
import polydex.recognition.Place;
import polydex.recognition.Recognised.How;
import polydex.recognition.Recogniser;
import polydex.route.Setup;
import polydex.route.World;
import polydex.route.Worlds;
import polydex.totals.Habit.State;

/** Running totals against the same counted again from the whole log, and what is made of them. */
class AuditTest {
  private static final ZoneId ZONE = ZoneId.of("America/St_Johns");
  private static final World WORLD =
      new Worlds()
          .platform("desk", Worlds.plain(), "Ctrl+L = lock")
          .app("edit", "Ctrl+S = save", "Ctrl+O = open", "Ctrl+P = print")
          .build();
  private static final Setup SETUP =
      Worlds.setup(Worlds.machine("desk", Worlds.in("edit", "anywhere")));
  private static final List<String> ACTIONS = List.of("save", "open", "print", "lock");
  private static final Instant LEARNT = Instant.parse("2031-01-20T12:00:00Z");

  private static Optional<Instant> learnt(Place place) {
    return place.doing().written().equals("save") ? Optional.of(LEARNT) : Optional.empty();
  }

  private static Standing audit(List<LogEvent> log) {
    Audit audit =
        new Audit(new Recogniser(WORLD, List.of(SETUP), Map.of()), ZONE, AuditTest::learnt);
    log.forEach(audit::add);
    return audit.standing();
  }

  /** Work in the mornings and evenings, now and then past midnight, with typing between. */
  private static List<LogEvent> log(Random random) {
    List<LogEvent> log = new ArrayList<>();
    Instant at = Instant.parse("2031-01-06T12:00:00Z");
    while (log.size() < 600) {
      int gap = random.nextInt(40);
      at =
          at.plusMillis(
              gap == 0
                  ? 18_100_000 + random.nextInt(40_000_000)
                  : gap < 3 ? 900_000 + random.nextInt(4_000_000) : random.nextInt(300_000));
      String action = ACTIONS.get(random.nextInt(ACTIONS.size()));
      boolean keys = random.nextInt(3) == 0;
      int what = random.nextInt(5);
      double seconds = random.nextBoolean() ? 1 + random.nextInt(50) / 10.0 : Double.NaN;
      if (what == 0) {
        log.add(
            new LogEvent(at, Deed.typing("desk", "edit"), 7, Double.NaN, Double.NaN, Double.NaN));
      } else if (what == 1) {
        log.add(LogEvent.of(at, Deed.noted(SETUP.id(), new ActionId(action), keys)));
      } else {
        Deed deed =
            keys
                ? Deed.seen("desk", "edit", Device.KEYBOARD, "Ctrl+S", "", List.of())
                : Deed.seen("desk", "edit", Device.MOUSE, "Click", action, List.of("Menu"));
        log.add(new LogEvent(at, deed, 0, 300, keys ? Double.NaN : 30, seconds));
      }
    }
    return log;
  }

  private static LocalDate date(Instant at) {
    return at.atZone(ZONE).toLocalDate();
  }

  /** The working day of each event: the date on which the stretch without a night began. */
  private static List<LocalDate> days(List<LogEvent> log) {
    List<LocalDate> days = new ArrayList<>();
    Instant began = Instant.MIN;
    for (int i = 0; i < log.size(); i++) {
      boolean night =
          i == 0
              || Duration.between(log.get(i - 1).at(), log.get(i).at())
                      .compareTo(Duration.ofHours(5))
                  > 0
              || Duration.between(began, log.get(i).at()).compareTo(Duration.ofHours(24)) > 0;
      began = night ? log.get(i).at() : began;
      days.add(date(began));
    }
    return days;
  }

  /** What the last event of a session took: as long as its gaps, or those of all before. */
  private static long tail(List<LogEvent> log, int last) {
    long all = 0;
    long between = 0;
    int gaps = 0;
    for (int i = 1; i <= last; i++) {
      long gap = Duration.between(log.get(i - 1).at(), log.get(i).at()).toMillis();
      if (gap > Duration.ofMinutes(15).toMillis()) {
        between = 0;
        gaps = 0;
      } else {
        between += gap;
        gaps++;
        all += gap;
      }
    }
    long within = 0;
    for (int i = 1; i <= last; i++) {
      long gap = Duration.between(log.get(i - 1).at(), log.get(i).at()).toMillis();
      within += gap > Duration.ofMinutes(15).toMillis() ? 0 : 1;
    }
    return gaps > 0 ? between / gaps : within > 0 ? all / within : 10_000;
  }

  @Property(tries = 150)
  void daysSessionsAndTripsAreWhatOneCountsByHand(@ForAll long seed) {
    List<LogEvent> log = log(new Random(seed));
    List<LocalDate> days = days(log);
    for (Standing.Day day : audit(log).days()) {
      int events = 0;
      int sessions = 0;
      int trips = 0;
      long characters = 0;
      long active = 0;
      for (int i = 0; i < log.size(); i++) {
        if (!days.get(i).equals(day.date())) {
          continue;
        }
        events++;
        characters += log.get(i).characters();
        long gap =
            i == 0
                ? Long.MAX_VALUE
                : Duration.between(log.get(i - 1).at(), log.get(i).at()).toMillis();
        boolean begins = gap > Duration.ofMinutes(15).toMillis();
        sessions += begins ? 1 : 0;
        active += begins ? 0 : gap;
        boolean ends =
            i == log.size() - 1
                || Duration.between(log.get(i).at(), log.get(i + 1).at()).toMillis()
                    > Duration.ofMinutes(15).toMillis();
        active += ends ? tail(log, i) : 0;
        trips += isTrip(log, i) ? 1 : 0;
      }
      assertThat(day)
          .isEqualTo(
              new Standing.Day(
                  day.date(), events, sessions, trips, characters, Duration.ofMillis(active)));
    }
  }

  /** A recorded use of a pointer, before which in the same session came none or one of keys. */
  private static boolean isTrip(List<LogEvent> log, int at) {
    if (log.get(at).deed().isNoted() || !log.get(at).deed().device().isPointer()) {
      return false;
    }
    for (int i = at - 1; i >= 0; i--) {
      if (Duration.between(log.get(i).at(), log.get(i + 1).at()).compareTo(Duration.ofMinutes(15))
          > 0) {
        return true;
      }
      if (!log.get(i).deed().isNoted()) {
        return !log.get(i).deed().device().isPointer();
      }
    }
    return true;
  }

  @Property(tries = 150)
  void usesSlipsAndTimesOfAPlaceAreThoseOfTheWholeLog(@ForAll long seed) {
    List<LogEvent> log = log(new Random(seed));
    List<LocalDate> days = days(log);
    Standing standing = audit(log);
    Place save = Place.read(SETUP.id(), new EnvironmentId("edit"), "save");
    Standing.Entry entry =
        standing.entries().stream().filter(e -> e.place().equals(save)).findFirst().orElseThrow();
    Habit habit = new Habit();
    List<Double> byKeys = new ArrayList<>();
    int pointer = 0;
    int keys = 0;
    int slips = 0;
    int inARow = 0;
    List<LocalDate> returned = new ArrayList<>();
    for (int i = 0; i < log.size(); i++) {
      LogEvent e = log.get(i);
      boolean isSave =
          e.deed().action().filter(a -> a.value().equals("save")).isPresent()
              || e.deed().input().equals("Ctrl+S");
      if (!isSave || e.deed().isTyping()) {
        continue;
      }
      boolean isKeys = e.deed().device() == Device.KEYBOARD;
      if (!isKeys && (!e.at().isBefore(LEARNT) || habit.replacedSince().isPresent())) {
        slips++;
        if (inARow >= 20) {
          returned.add(days.get(i));
        }
      }
      inARow = isKeys ? inARow + 1 : 0;
      habit.add(e.at(), days.get(i), isKeys);
      keys += isKeys ? 1 : 0;
      pointer += isKeys ? 0 : 1;
      if (isKeys && !Double.isNaN(e.seconds())) {
        byKeys.add(e.seconds());
      }
    }
    assertThat(entry.byKeys()).isEqualTo(keys);
    assertThat(entry.byPointer()).isEqualTo(pointer);
    assertThat(entry.days().stream().mapToInt(Standing.DayUses::slips).sum()).isEqualTo(slips);
    assertThat(entry.slipsByHour().stream().mapToInt(n -> n).sum()).isEqualTo(slips);
    assertThat(entry.returned()).isEqualTo(returned);
    assertThat(entry.turns()).isEqualTo(habit.turns());
    assertThat(entry.keysSeconds().orElse(-1.0))
        .isEqualTo(
            byKeys.size() < 5
                ? -1.0
                : TheilSen.median(
                    byKeys.subList(Math.max(0, byKeys.size() - 101), byKeys.size()).stream()
                        .mapToDouble(s -> s)
                        .toArray()));
    // Menus that no keymap has are unknown, each under its own name.
    assertThat(standing.unknown())
        .extracting(u -> u.name().joined())
        .isSubsetOf("menu > save", "menu > open", "menu > print", "menu > lock");
    long typing = log.stream().filter(e -> e.deed().isTyping()).count();
    assertThat(standing.recognised().getOrDefault(How.TYPING, 0L)).isEqualTo(typing);
    assertThat(standing.events()).isEqualTo(log.size());
    long unknown = standing.unknown().stream().mapToLong(Standing.Unknown::count).sum();
    assertThat(standing.recognisedShare())
        .isCloseTo(1 - unknown / (double) (log.size() - typing), within(1e-12));
  }

  private static List<RemainingRow> rows(
      Standing standing, LocalDate today, Map<Place, String> kept) {
    return new Remaining(WORLD, KeystrokeLevel.USUAL, 12, p -> learnt(p).isPresent(), kept)
        .of(List.of(SETUP), standing, today);
  }

  @Property(tries = 60)
  void weeksAreSumsOfTheirDays(@ForAll long seed) {
    List<LogEvent> log = log(new Random(seed));
    List<LocalDate> days = days(log);
    Standing standing = audit(log);
    LocalDate today = days.getLast();
    Place open = Place.read(SETUP.id(), new EnvironmentId("edit"), "open");
    List<RemainingRow> rows = rows(standing, today, Map.of(open, "by eye"));
    Weeks weeks = Weeks.of(standing, rows, _ -> true, today);
    int keys = 0;
    int pointer = 0;
    for (Week week : weeks.weeks()) {
      assertThat(week.monday()).isEqualTo(Weeks.monday(week.monday()));
      LocalDateRange seven = LocalDateRange.of(week.monday(), week.monday().plusWeeks(1));
      double lost = 0;
      for (Standing.Entry e : standing.entries()) {
        Standing.DayUses uses = e.during(seven);
        for (RemainingRow r : rows) {
          lost +=
              r.place().equals(e.place()) && r.kept().isEmpty()
                  ? uses.pointer() * r.savedSeconds()
                  : 0;
        }
      }
      int workingDays = standing.workingDays(seven);
      assertThat(week.workingDays()).isEqualTo(workingDays);
      assertThat(week.hoursAYear())
          .isCloseTo(workingDays == 0 ? 0 : lost / 3600 / workingDays * 220, within(1e-9));
      assertThat(week.coverage().orElse(0.0))
          .isCloseTo(
              week.keys() / (double) Math.max(1, week.keys() + week.pointer()), within(1e-12));
      keys += week.keys();
      pointer += week.pointer();
    }
    // What is kept is left out of every count.
    int all =
        standing.entries().stream()
            .filter(e -> !e.place().equals(open))
            .mapToInt(e -> e.byKeys() + e.byPointer())
            .sum();
    assertThat(keys + pointer).isEqualTo(all);
    RemainingRow kept = rows.stream().filter(r -> r.place().equals(open)).findFirst().orElseThrow();
    assertThat(kept.state()).isEqualTo(State.KEPT);
    assertThat(kept.hoursAYear()).isZero();
  }

  private static LogEvent noted(int day, int second, String action, boolean keys) {
    return LogEvent.of(
        Instant.parse("2031-01-06T13:00:00Z").plus(Duration.ofDays(day)).plusSeconds(second),
        Deed.noted(SETUP.id(), new ActionId(action), keys));
  }

  @Test
  void aReviewTellsWhatWasReplacedWhatCameBackAndWhatToDo() {
    List<LogEvent> log = new ArrayList<>();
    for (int day = 0; day < 28; day++) {
      for (int i = 0; i < 6; i++) {
        log.add(noted(day, 10 * i, "print", day < 21));
        log.add(noted(day, 10 * i + 1, "open", day >= 22));
        log.add(noted(day, 10 * i + 2, "save", false));
      }
    }
    Standing standing = audit(log);
    LocalDate today = date(log.getLast().at());
    List<RemainingRow> rows = rows(standing, today, Map.of());
    WeeklyReview review = WeeklyReview.of(standing, rows, today);
    assertThat(review.days()).isEqualTo(LocalDateRange.of(today.minusDays(6), today.plusDays(1)));
    assertThat(review.replaced()).extracting(p -> p.doing().written()).containsExactly("open");
    assertThat(review.cameBack()).extracting(p -> p.doing().written()).containsExactly("print");
    assertThat(review.slipped()).extracting(p -> p.doing().written()).containsExactly("print");
    assertThat(review.now().keys()).isEqualTo(36);
    assertThat(review.now().pointer()).isEqualTo(7 * 6 + 7 * 6 + 6);
    assertThat(review.before().workingDays()).isEqualTo(7);
    assertThat(review.dearest().getFirst().place().doing().written()).hasToString("save");
    assertThat(review.proposals()).hasSize(3).allMatch(r -> r.kind() == Kind.LEARN);
    Slips slips = Slips.of(standing, today);
    assertThat(slips.places()).extracting(s -> s.place().doing().written()).startsWith("save");
    // Nobody drilled printing: it slips until the relapse is judged, after twenty uses.
    assertThat(slips.places())
        .filteredOn(s -> s.place().doing().written().equals("print"))
        .singleElement()
        .satisfies(
            s -> {
              assertThat(s.returned()).isEqualTo(1);
              assertThat(s.lately()).isEqualTo(5);
            });
    Saved saved = Saved.of(standing, rows, 7200);
    assertThat(saved.usesByKeys()).isEqualTo(21 * 6 + 6 * 6);
    // Estimates: one click 3.45 s, a stroke with one modifier 1.35 + 2 · 0.28 s.
    assertThat(saved.hours()).isCloseTo(162 * (3.45 - 1.91) / 3600, within(1e-9));
    assertThat(saved.drillHours()).isEqualTo(2);
    assertThat(saved.places()).extracting(Saved.OfPlace::usesByKeys).containsExactly(21 * 6, 6 * 6);
  }

  private static RemainingRow row(String action, Kind kind, double hours) {
    return new RemainingRow(
        Place.read(SETUP.id(), new EnvironmentId("edit"), action),
        kind,
        State.OPEN,
        1,
        3,
        false,
        Optional.empty(),
        false,
        false,
        hours,
        new DaysOfUse(Collections.nCopies(28, 4), Optional.empty()),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        0,
        Optional.empty(),
        Optional.empty());
  }

  @Test
  void aReviewProposesTheDearestOfDifferentKinds() {
    List<RemainingRow> rows =
        List.of(
            row("a", Kind.LEARN, 9),
            row("b", Kind.LEARN, 8),
            row("c", Kind.BIND, 7),
            row("d", Kind.LEARN, 6),
            row("e", Kind.WALK, 5),
            row("f", Kind.FREE_THE_WAY, 4));
    LocalDate today = LocalDate.of(2031, 3, 14);
    assertThat(WeeklyReview.of(Standing.NOTHING, rows, today).proposals())
        .extracting(r -> r.place().doing().written())
        .containsExactly("a", "c", "e");
    assertThat(WeeklyReview.of(Standing.NOTHING, rows.subList(0, 3), today).proposals())
        .extracting(r -> r.place().doing().written())
        .containsExactly("a", "c", "b");
  }

  @Test
  void theDifferenceOfTwoSharesHasNewcombesInterval() {
    List<LogEvent> log = new ArrayList<>();
    // 48 of 80 before and 56 of 70 after: his example (b), 0.2 with 0.0524 to 0.3339.
    for (int i = 0; i < 80; i++) {
      log.add(noted(i / 8, i % 8, "save", i < 48));
    }
    for (int i = 0; i < 70; i++) {
      log.add(noted(16 + i / 7, i % 7, "save", i < 56));
    }
    // What was done on the day of the first drill itself says nothing of before or after.
    for (int i = 0; i < 30; i++) {
      log.add(
          LogEvent.of(LEARNT.plusSeconds(i), Deed.noted(SETUP.id(), new ActionId("save"), false)));
    }
    log.sort(Comparator.comparing(LogEvent::at));
    DrillEffect effect = DrillEffect.of(audit(log), AuditTest::learnt, ZONE);
    assertThat(effect.mean()).isEmpty();
    DrillEffect.OfPlace only = effect.actions().getFirst();
    assertThat(only.since()).isEqualTo(date(LEARNT));
    assertThat(only.change().difference()).isCloseTo(0.2, within(1e-9));
    assertThat(only.change().low()).isCloseTo(0.0524, within(5e-5));
    assertThat(only.change().high()).isCloseTo(0.3339, within(5e-5));
  }

  @Property(tries = 300)
  void everyActionHasTwoLettersOfItsOwn(@ForAll long seed) {
    Random random = new Random(seed);
    List<String> words = List.of("save", "send", "the", "star", "set", "sum", "Öl", "9", "dome");
    List<Action> actions = new ArrayList<>();
    for (int i = 0; i < 1 + random.nextInt(120); i++) {
      String title = words.get(random.nextInt(9)) + " " + words.get(random.nextInt(9));
      actions.add(Action.of(new ActionId("a" + i), title, ""));
    }
    TwoLetters letters = new TwoLetters(actions);
    for (Action a : actions) {
      String of = letters.of(a.id()).orElseThrow();
      assertThat(of).matches("[a-z]{2}");
      assertThat(letters.action(of)).contains(a);
      assertThat(letters.beginning(of.substring(0, 1))).contains(a);
    }
    assertThat(
            new TwoLetters(List.of(Action.of(new ActionId("d"), "Duplicate the line", "")))
                .of(new ActionId("d")))
        .contains("dt");
  }
}
