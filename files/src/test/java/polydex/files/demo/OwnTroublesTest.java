package polydex.files.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.Tuple;
import net.jqwik.api.Tuple.Tuple2;
import net.jqwik.api.statistics.Statistics;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Version;
import polydex.files.Shipped;
import polydex.keys.Gesture;
import polydex.keys.Physical;
import polydex.own.OwnContext;
import polydex.own.OwnKey;
import polydex.own.OwnKeymap;
import polydex.own.OwnTroubles;
import polydex.own.OwnTroubles.Trouble;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.World;
import polydex.workspace.Workspace;

/** Held to what the keymaps of the demo's desktops and the table of keys say, read plainly. */
class OwnTroublesTest {
  private static final Workspace DEMO = Shipped.demo();

  static Stream<Setup> setups() {
    return DEMO.setups().values().stream();
  }

  @ParameterizedTest
  @MethodSource("setups")
  void aDesktopTakesWhatItsKeymapSaysAndNothingElse(Setup given) {
    // Without what a person has changed there, so that the keymap alone can be asked.
    Machine machine =
        given.machine().withRemaps(List.of()).withOwn(List.of()).withSwitchedOff(Set.of());
    Setup setup = given.on(machine);
    Layout layout = DEMO.world().layouts().get(machine.layout());
    List<Gesture> asked = new ArrayList<>();
    Set<List<Physical>> bound = new HashSet<>();
    DEMO.catalog()
        .environments()
        .forEach(e -> DEMO.catalog().bindings(e.id()).forEach(b -> members(b, asked)));
    for (Binding b : DEMO.catalog().bindings(machine.platform())) {
      if (b.context().equals(Context.ANYWHERE.id()) && b.when().equals(Binding.Condition.ALWAYS)) {
        List<Gesture> members = new ArrayList<>();
        members(b, members);
        members.forEach(g -> Presses.physical(g, layout).ifPresent(bound::add));
      }
    }
    DEMO.catalog()
        .environment(machine.platform())
        .orElseThrow()
        .platform()
        .orElseThrow()
        .reserved()
        .forEach(r -> Presses.physical(r.gesture(), layout).ifPresent(bound::add));
    List<Gesture> single =
        asked.stream()
            .distinct()
            .filter(g -> Presses.physical(g, layout).filter(p -> p.size() == 1).isPresent())
            .filter(g -> g.toString().matches("((Ctrl|Alt|Shift|Meta)\\+)*[A-Z0-9][a-z0-9]*"))
            .toList();
    Set<Gesture> taken = new HashSet<>();
    OwnTroubles troubles = OwnTroubles.in(setup, DEMO.world()).orElseThrow();
    for (Gesture gesture : single) {
      if (troubles.against(OwnKey.LEAVE_WAY_IN, gesture).stream().anyMatch(Trouble::isTaken)) {
        taken.add(gesture);
      }
    }
    Board board = DEMO.world().boards().get(given.board());
    int held = 0;
    for (Gesture gesture : single) {
      List<Physical> presses = Presses.physical(gesture, layout).orElseThrow();
      // What a board has no key for comes to nobody.
      boolean says = bound.contains(presses) && board.press(presses.getFirst()).isPresent();
      assertThat(taken.contains(gesture)).as("%s in %s", gesture, given.title()).isEqualTo(says);
      held += says ? 1 : 0;
    }
    assertThat(single).hasSizeGreaterThan(150);
    assertThat(held).isGreaterThan(5);
  }

  @ParameterizedTest
  @MethodSource("setups")
  void theUsualKeysDoNotTakeOneAnother(Setup setup) {
    for (Trouble t : OwnTroubles.in(setup, DEMO.world()).orElseThrow().all()) {
      boolean isOnTheBoard =
          Presses.physical(t.gesture(), DEMO.world().layouts().get(setup.machine().layout()))
              .filter(p -> DEMO.world().boards().get(setup.board()).press(p.getFirst()).isPresent())
              .isPresent();
      assertThat(t.isTaken() || (!isOnTheBoard && t.taker().isEmpty()))
          .as("%s in %s", t, setup.title())
          .isTrue();
    }
  }

  /** A computer whose desktop has no keys, so that only the program itself can take one. */
  private static World bare(Catalog own) {
    return new World(
        own.with(
            List.of(),
            List.of(
                new Environment(
                    QUIET,
                    "Quiet",
                    new Version("1"),
                    List.of(Context.ANYWHERE),
                    Environment.WhenBroken.SWALLOW,
                    Environment.Platform.PLAIN)),
            Map.of()),
        DEMO.world().boards(),
        DEMO.world().layouts());
  }

  private static final EnvironmentId QUIET = new EnvironmentId("quiet");
  private static final Setup ALONE =
      new Setup(
          new SetupId("alone"),
          "Alone",
          "full-ansi",
          new Machine(
              "Alone",
              QUIET,
              new Version("1"),
              "us",
              List.of(),
              List.of(),
              Set.of(),
              Set.of(),
              new Machine.Bare()));

  /** The commands that have a key nearest to a context: those of the first context outward. */
  private static Set<OwnKey> nearest(Catalog catalog, OwnContext where, Gesture gesture) {
    for (Optional<OwnContext> c = Optional.of(where); c.isPresent(); c = c.get().parent()) {
      Set<OwnKey> found = EnumSet.noneOf(OwnKey.class);
      for (Binding b : catalog.bindings(OwnKeymap.ID)) {
        if (b.context().equals(c.get().id()) && b.gesture().equals(gesture)) {
          found.add(OwnKeymap.key(b.action()).orElseThrow());
        }
      }
      if (!found.isEmpty()) {
        return found;
      }
    }
    return Set.of();
  }

  /** After changes of every kind, what is said to take a key is what the nearest context says. */
  @Property(tries = 60, shrinking = ShrinkingMode.OFF)
  void whatIsSaidToTakeAKeyHasIt(@ForAll("changes") List<Tuple2<OwnKey, List<Gesture>>> changes) {
    Catalog catalog = OwnKeymap.usual();
    for (var change : changes) {
      catalog = OwnKeymap.with(catalog, change.get1(), change.get2());
    }
    World world = bare(catalog);
    OwnTroubles troubles = OwnTroubles.in(ALONE, world).orElseThrow();
    Set<String> said = new HashSet<>();
    for (Trouble t : troubles.all()) {
      OwnKey taker = OwnKeymap.key(t.action().orElseThrow()).orElseThrow();
      assertThat(nearest(catalog, t.where(), t.gesture())).contains(taker);
      said.add(t.key() + " " + t.gesture() + " " + t.where());
    }
    for (OwnKey key : OwnKey.values()) {
      for (Binding b : catalog.bindings(OwnKeymap.ID, key.action())) {
        OwnContext where =
            OwnContext.valueOf(b.context().toUpperCase(Locale.ROOT).replace('-', '_'));
        Set<OwnKey> near = nearest(catalog, where, b.gesture());
        Statistics.label("a key of the same context").collect(near.size() > 1 ? "shared" : "alone");
        // Of several in one context, the keymap's first has it.
        if (near.size() == 1) {
          assertThat(said.contains(key + " " + b.gesture() + " " + where)).isFalse();
        }
      }
    }
    OwnKey changed = changes.getFirst().get1();
    for (Gesture free : troubles.free(changed, 4, () -> false)) {
      assertThat(free.toString()).doesNotMatch("Alt\\+[A-Z]");
      for (OwnContext c : OwnContext.values()) {
        if (isWithin(c, changed)) {
          assertThat(nearest(catalog, c, free)).as("%s in %s", free, c).isEmpty();
        }
      }
      Catalog with = OwnKeymap.with(catalog, changed, List.of(free));
      assertThat(OwnTroubles.in(ALONE, bare(with)).orElseThrow().all())
          .filteredOn(t -> t.key() == changed)
          .isEmpty();
    }
  }

  private static boolean isWithin(OwnContext where, OwnKey key) {
    return key.contexts().contains(where)
        || where.parent().filter(p -> isWithin(p, key)).isPresent();
  }

  @Provide
  Arbitrary<List<Tuple2<OwnKey, List<Gesture>>>> changes() {
    List<OwnKey> changeable = Stream.of(OwnKey.values()).filter(k -> !k.isFixed()).toList();
    List<Gesture> used =
        Stream.of(OwnKey.values()).flatMap(k -> k.usual().stream()).distinct().toList();
    return Combinators.combine(Arbitraries.of(changeable), Arbitraries.of(used).list().ofMaxSize(2))
        .as(Tuple::of)
        .list()
        .ofMinSize(1)
        .ofMaxSize(30);
  }

  private static void members(Binding binding, List<Gesture> to) {
    to.addAll(binding.gesture().expand());
  }
}
