package polydex.mouse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import org.junit.jupiter.api.Test;
import polydex.catalog.ActionId;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.catalog.Environment.PointerRoute;
import polydex.catalog.EnvironmentId;
import polydex.effort.KeystrokeLevel;
import polydex.log.Deed;
import polydex.log.Device;
import polydex.log.LogEvent;
import polydex.person.SetupsForLog;
import polydex.recognition.Place;
import polydex.recognition.Recogniser;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.World;
import polydex.route.Worlds;
import polydex.totals.Audit;
import polydex.totals.Standing;
import polydex.workspace.Workspace;

/** Programs and machines that nobody knows, and what they must not do to the figures of others. */
class StrangersTest {
  private static final LocalDate TODAY = LocalDate.of(2031, 3, 14);
  private static final World WORLD = world();
  private static final Setup DESK =
      new Setup(new SetupId("s"), "Own", "full", Worlds.machine("desk", Worlds.in("edit")));
  private static final List<String> PROGRAMS = List.of("edit", "reader", "Paint box", "");

  private static World world() {
    World plain =
        new Worlds()
            .platform("desk", Worlds.plain(), "Ctrl+L = lock")
            .platform("dome", Worlds.plain(), "Ctrl+B = black")
            .app("edit", "Ctrl+S = save")
            .app("reader", "Ctrl+S = save", "Ctrl+R = again")
            .app("stars", "Ctrl+F = freeze")
            .build();
    List<Environment> changed = new ArrayList<>();
    for (String id : List.of("edit", "reader", "stars")) {
      Environment e = plain.catalog().environment(new EnvironmentId(id)).orElseThrow();
      changed.add(
          new Environment(
              e.id(),
              e.title(),
              e.version(),
              e.contexts(),
              e.whenBroken(),
              new Application(
                  List.of(new EnvironmentId(id.equals("stars") ? "dome" : "desk")), false),
              List.of(new PointerRoute(new ActionId("save"), List.of("File", "Save"), "")),
              List.of(),
              ""));
    }
    return new World(
        plain.catalog().with(List.of(), changed, Map.of()), plain.boards(), plain.layouts());
  }

  private static List<LogEvent> log(Random random) {
    List<LogEvent> events = new ArrayList<>();
    Instant at = Instant.parse("2031-02-03T08:00:00Z");
    for (int i = 0; i < 400; i++) {
      at = at.plus(Duration.ofSeconds(1 + random.nextInt(i % 20 == 0 ? 90_000 : 600)));
      String program = PROGRAMS.get(random.nextInt(PROGRAMS.size()));
      boolean keys = random.nextBoolean();
      String input = List.of("Ctrl+S", "Ctrl+R", "Ctrl+L").get(random.nextInt(3));
      Deed deed =
          keys
              ? Deed.seen("desk", program, Device.KEYBOARD, input, "", List.of())
              : Deed.seen("desk", program, Device.MOUSE, "Click", "Save", List.of("File"));
      events.add(LogEvent.of(at, deed));
    }
    return events;
  }

  private static Standing standing(List<LogEvent> log) {
    Audit audit =
        new Audit(
            new Recogniser(WORLD, List.of(DESK), Map.of()), ZoneOffset.UTC, _ -> Optional.empty());
    log.forEach(audit::add);
    return audit.standing();
  }

  /** What each place comes to, of those that are asked for: uses by keys and with the pointer. */
  private static Map<Place, List<Integer>> uses(Standing of, Predicate<Place> which) {
    Map<Place, List<Integer>> found = new HashMap<>();
    of.entries().stream()
        .filter(e -> which.test(e.place()))
        .forEach(e -> found.put(e.place(), List.of(e.byKeys(), e.byPointer())));
    return found;
  }

  private static boolean isOf(Place place, String program) {
    return place.environment().value().equals(program);
  }

  @Property(seed = "20310314", tries = 60, shrinking = ShrinkingMode.OFF)
  void aLogWithoutOneProgramsLinesChangesOnlyThatProgramsFigures(@ForAll long seed) {
    List<LogEvent> log = log(new Random(seed));
    for (String program : List.of("edit", "reader", "Paint box")) {
      List<LogEvent> without =
          log.stream().filter(e -> !e.deed().application().equals(program)).toList();
      // The desktop's own keys work over every program, and are the desktop's.
      Predicate<Place> others = p -> !isOf(p, program) && !isOf(p, "desk");
      assertThat(uses(standing(without), others)).isEqualTo(uses(standing(log), others));
      assertThat(uses(standing(without), p -> isOf(p, program))).isEmpty();
      assertThat(uses(standing(log), p -> isOf(p, program))).isNotEmpty();
    }
  }

  @Property(seed = "20310314", tries = 60, shrinking = ShrinkingMode.OFF)
  void renamingAStrangerChangesNothingElse(@ForAll long seed) {
    List<LogEvent> log = log(new Random(seed));
    List<LogEvent> renamed =
        log.stream()
            .map(
                e ->
                    e.deed().application().equals("Paint box")
                        ? LogEvent.of(e.at(), named(e.deed(), "Colour chest"))
                        : e)
            .toList();
    Predicate<Place> others = p -> !isOf(p, "Paint box") && !isOf(p, "Colour chest");
    assertThat(uses(standing(renamed), others)).isEqualTo(uses(standing(log), others));
    assertThat(standing(log).strangers())
        .singleElement()
        .satisfies(s -> assertThat(s.application()).isEqualTo("Paint box"));
    assertThat(standing(renamed).strangers())
        .singleElement()
        .satisfies(s -> assertThat(s.application()).isEqualTo("Colour chest"));
  }

  private static Deed named(Deed deed, String application) {
    return Deed.seen(
        deed.machine(), application, deed.device(), deed.input(), deed.target(), deed.path());
  }

  @Property(seed = "20310314", tries = 60, shrinking = ShrinkingMode.OFF)
  void shiftingALogByWeeksChangesNothing(@ForAll long seed) {
    List<LogEvent> log = log(new Random(seed));
    Function<LocalDate, List<Object>> figures =
        today -> {
          long weeks = Duration.between(TODAY.atStartOfDay(), today.atStartOfDay()).toDays() / 7;
          UnaryOperator<Instant> shift = at -> at.plus(Duration.ofDays(7 * weeks));
          Standing standing =
              standing(log.stream().map(e -> LogEvent.of(shift.apply(e.at()), e.deed())).toList());
          List<Remaining.RemainingRow> rows =
              new Remaining(WORLD, KeystrokeLevel.USUAL, 12, _ -> false, Map.of())
                  .of(List.of(DESK), standing, today);
          Weeks all = Weeks.of(standing, rows, _ -> true, today);
          return List.of(
              rows,
              all.weeks().stream()
                  .map(w -> List.of(w.keys(), w.pointer(), w.open(), w.hoursAYear(), w.slips()))
                  .toList(),
              all.openTrend(),
              all.hoursTrend());
        };
    assertThat(figures.apply(TODAY.plusWeeks(11))).isEqualTo(figures.apply(TODAY));
  }

  @Test
  void aLogGetsTheSetupsThatItNeeds() {
    Workspace workspace =
        Workspace.of(
            WORLD.catalog(),
            List.copyOf(WORLD.boards().values()),
            List.copyOf(WORLD.layouts().values()),
            List.of());
    List<LogEvent> log = new ArrayList<>();
    Instant at = Instant.parse("2031-03-14T08:00:00Z");
    for (String[] where :
        new String[][] {
          {"Dome", ""}, {"Tower", "reader"}, {"Tower", "edit"}, {"tower", "edit"}, {"Shed", "Spade"}
        }) {
      at = at.plusSeconds(60);
      log.add(
          LogEvent.of(
              at, Deed.seen(where[0], where[1], Device.MOUSE, "Click", "Save", List.of("File"))));
    }
    Standing before = standing(log, List.of());
    assertThat(before.recognisedShare()).isZero();
    assertThat(before.unknown()).as("the machine is the reason, not the names").isEmpty();
    List<Setup> made = SetupsForLog.of(workspace, before.strangers());
    assertThat(made)
        .extracting(s -> s.title() + " " + s.machine().platform() + " " + s.machine().application())
        .containsExactly("Tower desk Optional[edit]", "Dome dome Optional.empty");
    Workspace after = SetupsForLog.edit(workspace, before.strangers()).orElseThrow().after();
    assertThat(after.setup()).isPresent();
    Standing understood = standing(log, made);
    assertThat(understood.recognised().values().stream().mapToLong(n -> n).sum()).isEqualTo(5);
    assertThat(understood.strangers())
        .extracting(Standing.Strange::machine)
        .containsExactly("Shed");
    assertThat(SetupsForLog.edit(after, understood.strangers())).isEmpty();
  }

  private static Standing standing(List<LogEvent> log, List<Setup> setups) {
    Audit audit =
        new Audit(new Recogniser(WORLD, setups, Map.of()), ZoneOffset.UTC, _ -> Optional.empty());
    log.forEach(audit::add);
    return audit.standing();
  }

  /** A date that a clock set wrong has written neither makes weeks nor moves what is lately. */
  @Property(seed = "20310314", tries = 40, shrinking = ShrinkingMode.OFF)
  void aStrayDateChangesNoFigure(@ForAll long seed) {
    List<LogEvent> log = log(new Random(seed));
    Deed click = Deed.seen("desk", "edit", Device.MOUSE, "Click", "Save", List.of("File"));
    List<LogEvent> stray = new ArrayList<>(log);
    stray.addFirst(LogEvent.of(Instant.parse("1985-03-02T10:00:00Z"), click));
    stray.addLast(LogEvent.of(Instant.parse("2039-03-02T10:00:00Z"), click));
    Standing plain = standing(log);
    Standing with = standing(stray);
    assertThat(with.strays()).containsExactly(LocalDate.of(1985, 3, 2), LocalDate.of(2039, 3, 2));
    assertThat(plain.strays()).isEmpty();
    assertThat(with.days()).isEqualTo(plain.days());
    assertThat(with.lastDay(ZoneOffset.UTC)).isEqualTo(plain.days().getLast().date());
    LocalDate today = plain.lastDay(ZoneOffset.UTC);
    assertThat(hours(with, today)).isEqualTo(hours(plain, today));
    assertThat(Weeks.of(with, List.of(), _ -> true, today).weeks().size())
        .isEqualTo(Weeks.of(plain, List.of(), _ -> true, today).weeks().size());
  }

  private static Map<Place, Double> hours(Standing standing, LocalDate today) {
    Map<Place, Double> found = new HashMap<>();
    new Remaining(WORLD, KeystrokeLevel.USUAL, 12, _ -> false, Map.of())
        .of(List.of(DESK), standing, today)
        .forEach(r -> found.put(r.place(), r.hoursAYear()));
    return found;
  }

  /**
   * A range holds the figure, is the wider the fewer the days, and says nothing where enough is
   * known.
   */
  @Property(seed = "20310314", tries = 300)
  void hoursThatRestOnLittleAreARange(@ForAll long seed) {
    Random random = new Random(seed);
    int[] byDay = new int[1 + random.nextInt(20)];
    for (int i = 0; i < byDay.length; i++) {
      byDay[i] = random.nextInt(4);
    }
    int uses = Arrays.stream(byDay).sum();
    DaysOfUse rests = DaysOfUse.of(byDay, 2.5);
    assertThat(rests.uses()).isEqualTo(uses);
    boolean enough = byDay.length >= 10 && uses >= 20;
    assertThat(rests.range().isPresent()).isEqualTo(!enough && uses > 0);
    rests
        .range()
        .ifPresent(
            r -> {
              double figure = uses / (double) byDay.length * 2.5 * 220 / 3600;
              assertThat(r.low()).isBetween(0.0, figure + 1e-9);
              assertThat(r.high()).isGreaterThanOrEqualTo(figure - 1e-9);
            });
  }

  /**
   * The range of all together is no sum of ranges: uses that take turns over two programs and never
   * fail to come are one sure figure, though each of them by itself is unsure.
   */
  @Test
  void theRangeOfAllIsDrawnDayByDay() {
    List<LogEvent> log = new ArrayList<>();
    for (int day = 0; day < 6; day++) {
      for (int i = 0; i < 4; i++) {
        log.add(
            new LogEvent(
                Instant.parse("2031-03-03T08:00:00Z").plusSeconds(86_400L * day + 60L * i),
                Deed.seen(
                    "desk",
                    day % 2 == 0 ? "edit" : "reader",
                    Device.MOUSE,
                    "Click",
                    "Save",
                    List.of("File")),
                0,
                Double.NaN,
                Double.NaN,
                3));
      }
    }
    List<Remaining.RemainingRow> rows =
        new Remaining(WORLD, KeystrokeLevel.USUAL, 12, _ -> false, Map.of())
            .of(List.of(DESK), standing(log), TODAY);
    assertThat(rows).hasSize(2).allMatch(r -> r.rests().range().isPresent());
    DaysOfUse all = DaysOfUse.ofAll(rows);
    assertThat(all.days()).isEqualTo(6);
    assertThat(all.uses()).isEqualTo(24);
    // Enough uses, too few days.
    DaysOfUse.Range range = all.range().orElseThrow();
    double sum = rows.stream().mapToDouble(Remaining.RemainingRow::hoursAYear).sum();
    double ofEach = rows.stream().mapToDouble(r -> r.rests().range().orElseThrow().high()).sum();
    assertThat(range.low()).isLessThanOrEqualTo(sum + 1e-9);
    assertThat(range.high()).isGreaterThanOrEqualTo(sum - 1e-9).isLessThan(0.8 * ofEach);
  }

  /** An hour with a menu open, five times, is no hour of work: ten times the estimate counts. */
  @Test
  void aDurationThatCantBeIsCut() {
    List<LogEvent> log = new ArrayList<>();
    for (int i = 0; i < 6; i++) {
      log.add(
          new LogEvent(
              Instant.parse("2031-03-14T08:00:00Z").plusSeconds(4000L * i),
              Deed.seen("desk", "edit", Device.MOUSE, "Click", "Save", List.of("File")),
              0,
              Double.NaN,
              Double.NaN,
              3599));
    }
    Remaining.RemainingRow row =
        new Remaining(WORLD, KeystrokeLevel.USUAL, 12, _ -> false, Map.of())
            .of(List.of(DESK), standing(log), TODAY)
            .getFirst();
    assertThat(row.pointerCut()).isTrue();
    assertThat(row.pointerSeconds()).isCloseTo(34.5, within(1e-9));
  }
}
