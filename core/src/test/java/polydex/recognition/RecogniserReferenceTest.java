package polydex.recognition;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.UnaryOperator;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.lifecycle.AfterContainer;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.Environment.MenuItem;
import polydex.catalog.Environment.PointerRoute;
import polydex.catalog.EnvironmentId;
import polydex.log.Deed;
import polydex.log.Device;
import polydex.recognition.Recognised.How;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.World;
import polydex.route.Worlds;

/** What was pointed at, against the rule read off word by word from lists of ways. */
class RecogniserReferenceTest {
  private static final List<String> NAMES = List.of("Save", "Sort lines", "Move up", "Öffnen", "A");
  private static final List<String> MENUS = List.of("File", "Edit", "Ansicht");
  private static final Setup SETUP =
      Worlds.setup(Worlds.machine("desk", Worlds.in("edit", "anywhere")));
  private static final Set<How> SEEN = EnumSet.noneOf(How.class);

  /** A way of the reference: where it is, what stands there, and what it does. */
  private record Way(String environment, List<String> path, ActionId action) {}

  private static <T> T any(Random random, List<T> of) {
    return of.get(random.nextInt(of.size()));
  }

  private static List<String> path(Random random) {
    List<String> path = new ArrayList<>();
    if (random.nextInt(3) > 0) {
      path.add(any(random, MENUS));
    }
    path.add(any(random, NAMES));
    return path;
  }

  private static World world(Random random, List<Way> ways) {
    World plain =
        new Worlds()
            .platform("desk", Worlds.plain(), "Ctrl+L = lock")
            .app("edit", "F5 = run")
            .build();
    List<Environment> environments = new ArrayList<>();
    for (String id : List.of("edit", "desk")) {
      Environment e = plain.catalog().environment(new EnvironmentId(id)).orElseThrow();
      List<PointerRoute> routes = new ArrayList<>();
      for (int i = 0; i < random.nextInt(6); i++) {
        routes.add(new PointerRoute(new ActionId("a" + random.nextInt(4)), path(random), ""));
      }
      List<MenuItem> bar = new ArrayList<>();
      for (int i = 0; i < random.nextInt(3); i++) {
        List<MenuItem> items = new ArrayList<>();
        for (int k = 0; k < random.nextInt(3); k++) {
          items.add(
              new MenuItem(
                  any(random, NAMES),
                  Optional.empty(),
                  Optional.of(new ActionId("a" + random.nextInt(4))),
                  List.of()));
        }
        bar.add(new MenuItem(any(random, MENUS), Optional.empty(), Optional.empty(), items));
      }
      routes.forEach(r -> ways.add(new Way(id, r.path(), r.action())));
      for (MenuItem menu : bar) {
        for (MenuItem item : menu.items()) {
          ways.add(new Way(id, List.of(menu.title(), item.title()), item.action().orElseThrow()));
        }
      }
      environments.add(
          new Environment(
              new EnvironmentId(id),
              id,
              e.version(),
              e.contexts(),
              e.whenBroken(),
              e.kind(),
              routes,
              bar,
              ""));
    }
    Catalog catalog = plain.catalog().with(List.of(), environments, Map.of());
    return new World(catalog, plain.boards(), plain.layouts());
  }

  /** A name as some recorder draws it. */
  private static String drawn(Random random, String name) {
    return switch (random.nextInt(8)) {
      case 0 -> name + "...";
      case 1 -> name.toUpperCase(Locale.ROOT);
      case 2 -> "&" + name;
      case 3 -> name + " (S)";
      case 4 -> name + "\u2026";
      default -> name;
    };
  }

  private static Optional<ActionId> found(
      List<Way> ways, String environment, List<String> path, UnaryOperator<String> form) {
    List<String> wanted = path.stream().map(form).toList();
    List<Way> here = ways.stream().filter(w -> w.environment().equals(environment)).toList();
    Optional<ActionId> whole =
        here.stream()
            .filter(w -> w.path().stream().map(form).toList().equals(wanted))
            .map(Way::action)
            .findFirst();
    if (whole.isPresent() || wanted.size() > 1) {
      return whole;
    }
    Set<ActionId> ends = new LinkedHashSet<>();
    here.stream()
        .filter(w -> form.apply(w.path().getLast()).equals(wanted.getFirst()))
        .forEach(w -> ends.add(w.action()));
    return ends.size() == 1 ? ends.stream().findFirst() : Optional.empty();
  }

  @Property(tries = 1500, edgeCases = EdgeCasesMode.NONE)
  void whatWasPointedAtIsWhatTheRuleSays(@ForAll long seed) {
    Random random = new Random(seed);
    List<Way> ways = new ArrayList<>();
    World world = world(random, ways);
    Map<LearntName, Optional<ActionId>> names =
        Map.of(
            LearntName.read(new EnvironmentId("edit"), "sort lines"),
                Optional.of(new ActionId("a9")),
            LearntName.read(new EnvironmentId("edit"), "a"), Optional.empty());
    Recogniser recogniser = new Recogniser(world, List.of(SETUP), names);
    for (int i = 0; i < 12; i++) {
      List<String> path = path(random).stream().map(n -> drawn(random, n)).toList();
      Deed deed =
          Deed.seen(
              "desk",
              "edit",
              Device.MOUSE,
              "Click",
              path.getLast(),
              path.subList(0, path.size() - 1));
      Recognised is = recogniser.of(deed);
      SEEN.add(is.how());
      Optional<ActionId> exact =
          found(ways, "edit", path, n -> n).or(() -> found(ways, "desk", path, n -> n));
      Optional<ActionId> plain =
          found(ways, "edit", path, PlainName::of)
              .or(() -> found(ways, "desk", path, PlainName::of));
      String name = String.join(" > ", path.stream().map(PlainName::of).toList());
      Optional<ActionId> learnt =
          names.getOrDefault(LearntName.read(new EnvironmentId("edit"), name), Optional.empty());
      if (exact.isPresent()) {
        assertThat(is.how()).isEqualTo(How.EXACT);
        assertThat(is.place().orElseThrow().action()).isEqualTo(exact);
      } else if (plain.isPresent()) {
        assertThat(is.how()).isEqualTo(How.NORMALISED);
        assertThat(is.place().orElseThrow().action()).isEqualTo(plain);
      } else if (names.containsKey(LearntName.read(new EnvironmentId("edit"), name))) {
        assertThat(is.how()).isEqualTo(learnt.isPresent() ? How.LEARNT : How.NO_ACTION);
        assertThat(is.place().flatMap(Place::action)).isEqualTo(learnt);
      } else {
        assertThat(is.how()).isEqualTo(How.UNKNOWN);
        assertThat(is.place().orElseThrow())
            .isEqualTo(Place.read(new SetupId("setup"), new EnvironmentId("edit"), "?" + name));
      }
      // An action is of the innermost environment that has a way to it, however it was done.
      is.place()
          .filter(p -> !p.isUnknown())
          .ifPresent(
              p ->
                  assertThat(p.environment())
                      .hasToString(
                          ways.stream()
                                      .anyMatch(
                                          w ->
                                              w.environment().equals("edit")
                                                  && p.action().equals(Optional.of(w.action())))
                                  || ways.stream()
                                      .noneMatch(w -> p.action().equals(Optional.of(w.action())))
                              ? "edit"
                              : "desk"));
    }
  }

  /** A property about ways of recognising that never occurred would say nothing. */
  @AfterContainer
  static void everyWayOccurred() {
    assertThat(SEEN)
        .containsExactlyInAnyOrder(
            How.EXACT, How.NORMALISED, How.LEARNT, How.NO_ACTION, How.UNKNOWN);
  }

  @Property(tries = 500)
  void aPlainNameIsPlainAlready(@ForAll String written) {
    String plain = PlainName.of(written);
    assertThat(PlainName.of(plain)).isEqualTo(plain);
    assertThat(
            PlainName.of("  " + plain.toUpperCase(Locale.ROOT).toLowerCase(Locale.ROOT) + " ..."))
        .isEqualTo(PlainName.of(plain.toUpperCase(Locale.ROOT).toLowerCase(Locale.ROOT)));
  }
}
