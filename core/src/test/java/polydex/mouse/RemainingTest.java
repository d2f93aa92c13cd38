package polydex.mouse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.lifecycle.AfterContainer;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.Environment.MenuItem;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Version;
import polydex.effort.KeystrokeLevel;
import polydex.log.Deed;
import polydex.log.LogEvent;
import polydex.mouse.Remaining.Kind;
import polydex.recognition.Recogniser;
import polydex.route.Layer;
import polydex.route.Machine;
import polydex.route.RandomSetups;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;
import polydex.route.World;
import polydex.totals.Audit;
import polydex.totals.Standing;

/** What remains, its classes against plain definitions and its costs against sums by hand. */
class RemainingTest {
  private static final Set<Kind> SEEN = EnumSet.noneOf(Kind.class);
  private static final LocalDate TODAY = LocalDate.of(2031, 3, 14);
  private static final Instant NOW = Instant.parse("2031-03-14T16:00:00Z");

  /**
   * Opening the menu bar, the shorter way round in each list, one press into each list below, and
   * Enter: the least of all entries with the action.
   */
  @Property(tries = 500)
  void aWalkIsTheShortestOfAllEntriesReckonedOneByOne(@ForAll long seed) {
    Random random = new Random(seed);
    List<MenuItem> bar = new ArrayList<>();
    for (int i = 0; i < 1 + random.nextInt(5); i++) {
      bar.add(menu(random, 3));
    }
    Environment application = application(bar);
    for (int a = 0; a < 8; a++) {
      String action = "a" + a;
      int least = least(bar, new ActionId(action));
      assertThat(Walk.to(new ActionId(action), application).map(Walk::presses))
          .isEqualTo(least == Integer.MAX_VALUE ? Optional.empty() : Optional.of(2 + least));
      Walk.to(new ActionId(action), application)
          .ifPresent(
              w ->
                  assertThat(w.parts(application).stream().mapToInt(Walk.Part::times).sum())
                      .isEqualTo(w.presses()));
    }
  }

  private static int least(List<MenuItem> list, ActionId action) {
    int least = Integer.MAX_VALUE;
    for (int i = 0; i < list.size(); i++) {
      int aside = Math.min(i, list.size() - i);
      MenuItem item = list.get(i);
      if (item.items().isEmpty()) {
        if (item.action().equals(Optional.of(action))) {
          least = Math.min(least, aside);
        }
      } else {
        int below = least(item.items(), action);
        if (below < Integer.MAX_VALUE) {
          least = Math.min(least, aside + 1 + below);
        }
      }
    }
    return least;
  }

  private static int titles;

  private static MenuItem menu(Random random, int deep) {
    List<MenuItem> items = new ArrayList<>();
    int size = deep == 0 ? 0 : random.nextInt(5);
    for (int i = 0; i < size; i++) {
      items.add(menu(random, deep - 1 - random.nextInt(2) < 0 ? 0 : deep - 1));
    }
    Optional<ActionId> action =
        items.isEmpty() ? Optional.of(new ActionId("a" + random.nextInt(12))) : Optional.empty();
    return new MenuItem("t" + titles++, Optional.empty(), action, items);
  }

  private static ActionId action(Remaining.RemainingRow row) {
    return row.place().action().orElseThrow();
  }

  private static Environment application(List<MenuItem> bar) {
    return new Environment(
        new EnvironmentId("app"),
        "App",
        new Version("1"),
        List.of(Context.ANYWHERE),
        Environment.WhenBroken.SWALLOW,
        new Environment.Application(List.of(), false),
        List.of(),
        bar,
        "");
  }

  @Property(seed = "20310314", tries = 150, edgeCases = EdgeCasesMode.NONE)
  void everyActionFallsIntoOneClassAndCostsWhatItsTimesSay(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Random random = new Random(seed);
    List<LogEvent> uses = new ArrayList<>();
    Set<ActionId> done = new HashSet<>();
    List<ActionId> actions = c.world().catalog().actions().stream().map(Action::id).toList();
    for (int day = 9; day >= 0; day--) {
      for (int i = 0; i < 6; i++) {
        ActionId action = actions.get(random.nextInt(actions.size()));
        boolean keys = random.nextInt(4) == 0;
        uses.add(
            LogEvent.of(
                NOW.minusSeconds(86_400L * day + 60 - i),
                Deed.noted(new SetupId("s"), action, keys)));
        if (!keys) {
          done.add(action);
        }
      }
    }
    Standing standing = standing(c, uses);
    List<Remaining.RemainingRow> rows =
        remaining(c.world()).of(List.of(c.setup()), standing, TODAY);
    assertThat(rows).extracting(r -> action(r)).containsExactlyInAnyOrderElementsOf(done);
    Map<ActionId, List<TracedBinding>> works = SetupTraces.of(c.setup(), c.world()).reach();
    List<TracedBinding> all = SetupTraces.of(c.setup(), c.world()).all();
    double before = Double.MAX_VALUE;
    for (Remaining.RemainingRow row : rows) {
      long count =
          uses.stream()
              .filter(
                  u ->
                      u.deed().device().isPointer()
                          && u.deed().action().equals(row.place().action()))
              .count();
      assertThat(row.usesADay()).isCloseTo(count / 10.0, within(1e-9));
      boolean byItsOwnGesture =
          works.getOrDefault(action(row), List.of()).stream()
              .anyMatch(t -> !t.gesture().usesPointer());
      if (byItsOwnGesture) {
        assertThat(row.kind()).isEqualTo(Kind.LEARN);
      }
      boolean hasOne =
          all.stream()
              .anyMatch(
                  t -> t.binding().action().equals(action(row)) && !t.gesture().usesPointer());
      boolean inMenus =
          c.setup().environments().stream()
              .flatMap(e -> c.world().catalog().environment(e).stream())
              .anyMatch(e -> least(e.menus(), action(row)) < Integer.MAX_VALUE);
      boolean known = all.stream().anyMatch(t -> t.binding().action().equals(action(row)));
      if (hasOne) {
        assertThat(row.kind()).isIn(Kind.LEARN, Kind.FREE_THE_WAY);
      } else if (isSwitchedOff(c, action(row))) {
        assertThat(row.kind()).isEqualTo(Kind.FREE_THE_WAY);
        assertThat(row.hindrance()).get().isNotEqualTo(Remaining.Hindrance.VERSION);
      } else if (row.hindrance().filter(h -> h == Remaining.Hindrance.OPTION).isPresent()) {
        assertThat(isMissing(c, action(row))).isTrue();
      } else if (inMenus) {
        assertThat(row.kind()).isEqualTo(Kind.WALK);
        assertThat(row.walk()).isPresent();
      } else if (isMissing(c, action(row))) {
        assertThat(row.kind()).isEqualTo(Kind.FREE_THE_WAY);
        assertThat(row.hindrance()).contains(Remaining.Hindrance.VERSION);
      } else {
        assertThat(row.kind()).isEqualTo(known ? Kind.POINTER_BY_NATURE : Kind.UNKNOWN);
      }
      SEEN.add(row.kind());
      // One click: ready 1.35, the hand there and back 0.8, pointing 1.1, the button 0.2 seconds.
      assertThat(row.pointerSeconds()).isCloseTo(3.45, within(1e-9));
      double saved = row.keysSeconds().map(k -> Math.max(0, 3.45 - k)).orElse(0.0);
      assertThat(row.hoursAYear())
          .isCloseTo(count / 10.0 * 220 * saved / 3600, within(1e-9))
          .isLessThanOrEqualTo(before);
      before = row.hoursAYear();
      assertThat(row.gesture().isPresent())
          .isEqualTo(row.kind() == Kind.LEARN || row.kind() == Kind.FREE_THE_WAY);
    }
    // Where menu entries can be bound, what had to be walked is bound, and nothing else changes.
    Map<ActionId, Kind> bound = new HashMap<>();
    remaining(bindingMenus(c))
        .of(List.of(c.setup()), standing, TODAY)
        .forEach(r -> bound.put(action(r), r.kind()));
    SEEN.addAll(bound.values());
    for (Remaining.RemainingRow row : rows) {
      assertThat(bound.get(action(row)))
          .isEqualTo(row.kind() == Kind.WALK ? Kind.BIND : row.kind());
    }
  }

  /** Whether a keymap of the setup has a binding by keys of it that is not there now. */
  private static boolean isMissing(RandomSetups.Case c, ActionId action) {
    return c.setup().machines().stream()
        .anyMatch(
            m ->
                isOff(c, m, Layer.Kind.DESKTOP, m.platform(), action)
                    || m.application()
                        .filter(a -> isOff(c, m, Layer.Kind.APPLICATION, a, action))
                        .isPresent());
  }

  private static boolean isOff(
      RandomSetups.Case c, Machine machine, Layer.Kind kind, EnvironmentId of, ActionId action) {
    return c.world().catalog().bindings(of, action).stream()
        .anyMatch(b -> !b.gesture().usesPointer() && !machine.isOn(kind, b));
  }

  private static boolean isSwitchedOff(RandomSetups.Case c, ActionId action) {
    return c.setup().machines().stream()
        .anyMatch(
            m ->
                c.world().catalog().bindings(m.platform(), action).stream()
                    .filter(b -> m.exists(Layer.Kind.DESKTOP, b) && !b.gesture().usesPointer())
                    .anyMatch(b -> m.switchedOff().contains(b.id())));
  }

  private static Remaining remaining(World world) {
    return new Remaining(world, KeystrokeLevel.USUAL, 12, _ -> false, Map.of());
  }

  private static Standing standing(RandomSetups.Case c, List<LogEvent> uses) {
    Audit audit =
        new Audit(
            new Recogniser(c.world(), List.of(c.setup()), Map.of()),
            ZoneOffset.UTC,
            _ -> Optional.empty());
    uses.forEach(audit::add);
    return audit.standing();
  }

  /** The nearer end of the Tab order counts, and the shorter of menus and Tab. */
  @Property(tries = 300)
  void aWalkByTabGoesTheShorterWayRound(@ForAll long seed) {
    Random random = new Random(seed);
    List<Environment.Control> order = new ArrayList<>();
    int size = 1 + random.nextInt(9);
    for (int i = 0; i < size; i++) {
      order.add(new Environment.Control("c" + i, new ActionId("a" + random.nextInt(6))));
    }
    List<MenuItem> bar = List.of(menu(random, 2), menu(random, 2));
    Environment plain = application(bar);
    Environment both =
        new Environment(
            plain.id(),
            plain.title(),
            plain.version(),
            plain.contexts(),
            plain.whenBroken(),
            plain.kind(),
            List.of(),
            bar,
            order,
            "");
    for (int a = 0; a < 6; a++) {
      int least = Integer.MAX_VALUE;
      for (int i = 0; i < size; i++) {
        if (order.get(i).action().value().equals("a" + a)) {
          least = Math.min(least, 1 + Math.min(i + 1, size - i));
        }
      }
      int menus = least(bar, new ActionId("a" + a));
      least = Math.min(least, menus == Integer.MAX_VALUE ? menus : 2 + menus);
      assertThat(Walk.to(new ActionId("a" + a), both).map(Walk::presses))
          .isEqualTo(least == Integer.MAX_VALUE ? Optional.empty() : Optional.of(least));
      // Its keys, one by one, are as many, wherever titles tell the entries apart.
      Walk.to(new ActionId("a" + a), both)
          .filter(w -> w.means() == Walk.Means.TAB)
          .ifPresent(
              w ->
                  assertThat(w.parts(both).stream().mapToInt(Walk.Part::times).sum())
                      .isEqualTo(w.presses()));
    }
  }

  /** The same world, in which the platform of the focused application binds menu entries. */
  private static World bindingMenus(RandomSetups.Case c) {
    Catalog catalog = c.world().catalog();
    Environment e = catalog.environment(c.setup().innermost().platform()).orElseThrow();
    Environment.Platform p = e.platform().orElseThrow();
    Environment.OwnBindingRules rules =
        new Environment.OwnBindingRules(
            2, Set.of(), 0, false, Set.of(Environment.OwnTarget.MENU_ENTRY));
    Environment lenient =
        new Environment(
            e.id(),
            e.title(),
            e.version(),
            e.contexts(),
            e.whenBroken(),
            new Environment.Platform(
                p.modifierNames(),
                p.reserved(),
                p.altGrIsCtrlAlt(),
                p.typing(),
                p.primary(),
                Optional.of(rules),
                p.menuForms()),
            e.pointerRoutes(),
            e.menus(),
            e.source());
    return new World(
        catalog.with(List.of(), List.of(lenient), Map.of()),
        c.world().boards(),
        c.world().layouts());
  }

  /** A property about classes that never occurred would say nothing. */
  @AfterContainer
  static void theOtherClassesOccurred() {
    assertThat(SEEN).contains(Kind.LEARN, Kind.FREE_THE_WAY, Kind.BIND, Kind.WALK, Kind.UNKNOWN);
  }
}
