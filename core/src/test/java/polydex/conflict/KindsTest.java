package polydex.conflict;

import static org.assertj.core.api.Assertions.assertThat;
import static polydex.route.Worlds.in;
import static polydex.route.Worlds.keys;
import static polydex.route.Worlds.machine;
import static polydex.route.Worlds.plain;
import static polydex.route.Worlds.session;
import static polydex.route.Worlds.setup;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.conflict.Conflict.Kind;
import polydex.keys.Gesture;
import polydex.route.Machine;
import polydex.route.Machine.Capture;
import polydex.route.SetupTraces;
import polydex.route.World;
import polydex.route.Worlds;

/** One example of each kind that a person would recognise, with its sentence. */
class KindsTest {
  private static List<String> sentences(World world, Machine machine, Kind kind) {
    return ConflictFinder.find(SetupTraces.of(setup(machine), world), Person.of(_ -> 5)).stream()
        .filter(c -> c.kind() == kind)
        .map(c -> c.loser().gesture() + ": " + ConflictSentence.withoutWayOut(c, world.catalog()))
        .toList();
  }

  @Test
  void aRemapAltersAndAWindowBlocks() {
    World world =
        new Worlds()
            .platform("host", plain())
            .platform("guest", plain(), "Ctrl+S = save")
            .app("remote")
            .app("app")
            .build();
    Machine guest = machine("guest", in("app"));
    assertThat(
            sentences(
                world,
                machine(
                    "host",
                    session("remote", Capture.NEVER, guest),
                    keys("Ctrl -> Meta", "Meta -> Ctrl")),
                Kind.ALTERED))
        .containsExactly(
            "Ctrl+S: You want “save” in guest, but “Ctrl -> Meta, Meta -> Ctrl” changes it:"
                + " nothing happens.");
    assertThat(
            sentences(
                world,
                machine(
                    "host",
                    session(
                        "remote",
                        Capture.NEVER,
                        List.of(Gesture.parse("Ctrl+S")),
                        List.of(),
                        true,
                        Optional.empty(),
                        guest)),
                Kind.BLOCKED))
        .containsExactly(
            "Ctrl+S: You want “save” in guest, but remote neither captures it nor hands it on.");
  }

  @Test
  void somethingShorterFiresFirst() {
    World world =
        new Worlds()
            .platform("desk", plain())
            .app("app", "Ctrl+K = cut", "Ctrl+K Ctrl+S = sort")
            .build();
    assertThat(sentences(world, machine("desk", in("app")), Kind.PREFIX))
        .containsExactly(
            "Ctrl+K Ctrl+S: Before it is complete for “sort” in app, app takes the beginning:"
                + " “cut” happens.");
  }

  @Test
  void altGrIsHowACharacterIsTyped() {
    World world =
        new Worlds()
            .platform("desk", Worlds.altGrIsCtrlAlt())
            .app("app", "Ctrl+Alt+Q = quit", "Ctrl+Alt+G = go")
            .build();
    assertThat(sentences(world, machine("desk", "central", in("app")), Kind.TYPES_TEXT))
        .containsExactly(
            "Ctrl+Alt+Q: The stroke is how “@” is typed here, and “quit” in app takes" + " it.");
  }

  @Test
  void onesOwnBindingsCanBeThin() {
    World world = new Worlds().platform("desk", plain(), "F9 = stamp").app("app").build();
    Machine m = machine("desk", in("app"));
    assertThat(
            sentences(
                world,
                Worlds.withOwn(
                    m,
                    Binding.of("a", new ActionId("stamp"), Gesture.parse("Ctrl+S")),
                    Binding.of("b", new ActionId("stamp"), Gesture.parse("Ctrl+J")),
                    Binding.of("c", new ActionId("stamp"), Gesture.parse("Ctrl+Alt+J"))),
                Kind.THIN))
        .containsExactlyInAnyOrder(
            "Ctrl+S: Your own binding for “stamp”: it covers what every program uses.",
            "Ctrl+J: Your own binding for “stamp”: it holds fewer than two modifiers.");
  }

  @Test
  void anotherVersionHasItNot() {
    World world = new Worlds().platform("desk", plain()).app("app", "Ctrl+J = join @ 2").build();
    assertThat(sentences(world, machine("desk", in("app")), Kind.VERSION))
        .containsExactly(
            "Ctrl+J: This version of app, as it is set here, does not have it for “join”:"
                + " nothing happens.");
  }
}
