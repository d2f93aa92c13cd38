package polydex.conflict;

import static org.assertj.core.api.Assertions.assertThat;
import static polydex.route.Worlds.in;
import static polydex.route.Worlds.machine;
import static polydex.route.Worlds.plain;
import static polydex.route.Worlds.session;
import static polydex.route.Worlds.setup;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.route.Machine;
import polydex.route.Machine.Capture;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.World;
import polydex.route.Worlds;

class ConflictFinderTest {

  private static List<Conflict> find(World world, Setup setup) {
    return ConflictFinder.find(SetupTraces.of(setup, world), Person.of(_ -> 5));
  }

  private static List<String> said(World world, Setup setup) {
    return find(world, setup).stream()
        .map(
            c ->
                "%s %s %s: %s by %s"
                    .formatted(
                        c.kind(),
                        c.loser().action(),
                        c.loser().gesture(),
                        Conflict.what(c.instead()),
                        c.winner().map(Conflict.Party::environment).orElse(new EnvironmentId("-"))))
        .toList();
  }

  @Test
  void anOuterLayerThatDoesSomethingElseIntercepts() {
    World world =
        new Worlds()
            .platform("desk", plain("Ctrl+Q"), "Ctrl+D = show", "Ctrl+S = save")
            .app("app", "Ctrl+D = duplicate", "Ctrl+S = save", "Ctrl+Q = quit", "Ctrl+J = join")
            .build();
    assertThat(said(world, setup(machine("desk", in("app")))))
        .containsExactlyInAnyOrder(
            "INTERCEPTED duplicate Ctrl+D: show by desk", "RESERVED quit Ctrl+Q: reserved by desk");
  }

  @Test
  void anOwnBindingInterceptsTheApplication() {
    World world =
        new Worlds()
            .platform("desk", plain(), "F9 = stamp")
            .app("app", "Ctrl+D = duplicate")
            .build();
    Machine m =
        Worlds.withOwn(
            machine("desk", in("app")),
            Binding.of("own", new ActionId("stamp"), Gesture.parse("Ctrl+D")));
    assertThat(find(world, setup(m)))
        .filteredOn(c -> c.kind() == Conflict.Kind.INTERCEPTED)
        .singleElement()
        .satisfies(
            c -> {
              assertThat(Conflict.what(c.instead())).isEqualTo("stamp");
              assertThat(ConflictSentence.of(c, world.catalog()))
                  .isEqualTo(
                      "Ctrl+D: You want “duplicate” in app, but desk takes it: “stamp” happens."
                          + " No other gesture reaches it here.");
            });
  }

  @Test
  void aHostThatIsCapturedLosesItsOwn() {
    World world =
        new Worlds()
            .platform("host", plain(), "Ctrl+D = show")
            .platform("guest", plain())
            .app("remote")
            .app("app", "Ctrl+D = duplicate")
            .build();
    Machine guest = machine("guest", in("app"));
    assertThat(said(world, setup(machine("host", session("remote", Capture.ALWAYS, guest)))))
        .containsExactly("INTERCEPTED show Ctrl+D: duplicate by -");
    assertThat(said(world, setup(machine("host", session("remote", Capture.NEVER, guest)))))
        .containsExactly("INTERCEPTED duplicate Ctrl+D: show by host");
  }

  @Test
  void duplicatesAreTwoActionsOnThePressesOfOneContext() {
    World world =
        new Worlds()
            .platform("desk", plain())
            .app(
                "app",
                "Ctrl+? = help",
                "Ctrl+Shift+/ = comment",
                "Ctrl+S = save",
                "Ctrl+S = save",
                "cell: Ctrl+S = store",
                "Alt+{1..3} = tab",
                "Alt+2 = two")
            .build();
    assertThat(said(world, setup(machine("desk", in("app")))))
        .containsExactlyInAnyOrder(
            "DUPLICATE comment Ctrl+Shift+/: help by app", "DUPLICATE two Alt+2: tab by app");
  }

  @Test
  void whetherTheyAreDuplicatesDependsOnTheLayout() {
    World world =
        new Worlds()
            .platform("desk", plain())
            .app("app", "Ctrl+? = help", "Ctrl+Shift+/ = comment")
            .build();
    assertThat(said(world, setup(machine("desk", "central", in("app"))))).isEmpty();
  }

  @Test
  void anotherWayLowersTheSeverityButNotAnotherMemberOfTheFamily() {
    World world =
        new Worlds()
            .platform("desk", plain(), "Ctrl+D = show", "Alt+1 = first")
            .app("app", "Ctrl+D = duplicate", "F6 = duplicate", "Alt+{1..2} = tab")
            .build();
    List<Conflict> found = find(world, setup(machine("desk", in("app"))));
    assertThat(found).extracting(Conflict::severity).containsExactly(25, 8);
    assertThat(found.getLast().stillWorks()).containsExactly(Gesture.parse("F6"));
    assertThat(found.getFirst().stillWorks()).isEmpty();
    assertThat(ConflictSentence.wayOut(found.getLast())).isEqualTo("Still works: F6.");
  }

  @Test
  void identitiesAreStableAndDistinct() {
    World world =
        new Worlds()
            .platform("desk", plain(), "Ctrl+D = show", "Ctrl+E = edit")
            .app("app", "Ctrl+D = duplicate", "Ctrl+E = end")
            .build();
    Setup here = setup(machine("desk", in("app")));
    List<String> first = find(world, here).stream().map(Conflict::id).toList();
    assertThat(first).doesNotHaveDuplicates().hasSize(2);
    assertThat(find(world, here)).extracting(Conflict::id).isEqualTo(first);
  }

  @ParameterizedTest
  @CsvSource({
    // 100 * harm * way out * (1 - 1 / (1 + u / 5))
    "1, false, 5, 50",
    "0.5, false, 5, 25",
    "0.5, true, 5, 8",
    "0.5, false, 1, 8",
    "0.2, false, 5, 10",
    "1, false, 0, 0",
    "1, false, 45, 90",
  })
  void severityIsHarmTimesWayOutTimesUse(double harm, boolean way, double uses, int severity) {
    assertThat(Severity.of(harm, way, uses)).isEqualTo(severity);
  }
}
