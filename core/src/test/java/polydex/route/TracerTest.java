package polydex.route;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.groups.Tuple.tuple;
import static polydex.route.Worlds.in;
import static polydex.route.Worlds.keys;
import static polydex.route.Worlds.machine;
import static polydex.route.Worlds.outcomes;
import static polydex.route.Worlds.plain;
import static polydex.route.Worlds.session;
import static polydex.route.Worlds.setup;
import static polydex.route.Worlds.strokes;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Environment.Application;
import polydex.catalog.Environment.MenuForm;
import polydex.catalog.Environment.Platform;
import polydex.catalog.Environment.WhenBroken;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.keys.Modifier;
import polydex.route.Machine.Capture;
import polydex.route.Passage.Verb;

class TracerTest {
  private static Remap limited(Remap remap, String app) {
    return new Remap(
        remap.title(), Optional.of(new EnvironmentId(app)), remap.strokeRules(), remap.keyRules());
  }

  @Test
  void theLayersAreAskedFromFingersToFocus() {
    World world =
        new Worlds()
            .platform("desk", plain("Ctrl+Alt+Delete"), "Ctrl+D = show", "Ctrl+Alt+Delete = never")
            .app("app", "Ctrl+D = duplicate", "list: Ctrl+S = sort", "Ctrl+S = save")
            .build();
    Setup here = setup(machine("desk", in("app", "list")));
    assertThat(outcomes(world, here, "Ctrl+Alt+Delete")).isEqualTo("desk.reserved");
    assertThat(outcomes(world, here, "Ctrl+D")).isEqualTo("desk.show");
    assertThat(outcomes(world, here, "Ctrl+S")).isEqualTo("app.sort");
    assertThat(outcomes(world, here.withContexts(List.of()), "Ctrl+S")).isEqualTo("app.save");
    assertThat(outcomes(world, here, "x")).isEqualTo("types x");
    assertThat(outcomes(world, here, "Shift+2")).isEqualTo("types @");
    assertThat(outcomes(world, here, "Ctrl+J")).isEqualTo("nothing");
    assertThat(outcomes(world, here, "F5")).isEqualTo("nothing");
    assertThat(outcomes(world, here, "\"hi\"")).isEqualTo("types h, types i");
    assertThat(outcomes(world, here, "Ctrl+Click")).isEqualTo("nothing");
  }

  @Test
  void aTraceTellsEveryLayerThatTheGestureMet() {
    World world = new Worlds().platform("desk", plain()).app("app", "Meta+S = save").build();
    Setup here = setup(machine("desk", in("app"), keys("Ctrl -> Meta", "Meta -> Ctrl")));
    Tracer tracer = Tracer.of(here, world);
    Trace trace = tracer.trace(Gesture.parse("Ctrl+S"));
    assertThat(trace.passages())
        .extracting(p -> p.layer().kind(), Passage::verb, p -> p.in().toString())
        .containsExactly(
            tuple(Layer.Kind.BOARD, Verb.PASSES, "Ctrl+S"),
            tuple(Layer.Kind.REMAP, Verb.CHANGES, "Ctrl+S"),
            tuple(Layer.Kind.RESERVED, Verb.PASSES, "Meta+S"),
            tuple(Layer.Kind.DESKTOP, Verb.PASSES, "Meta+S"),
            tuple(Layer.Kind.APPLICATION, Verb.TAKES, "Meta+S"));
    assertThat(tracer.layers()).containsAll(trace.passages().stream().map(Passage::layer).toList());
    assertThat(trace.does(new ActionId("save"))).isTrue();
  }

  @Test
  void aBoardGivesWhatItHas() {
    World world =
        new Worlds().platform("desk", plain()).app("app", "Home = start", "F5 = run").build();
    Setup small = new Setup(new SetupId("s"), "s", "small", machine("desk", in("app")));
    Trace home = Tracer.of(small, world).trace(Gesture.parse("Home"));
    assertThat(home.does(new ActionId("start"))).isTrue();
    assertThat(home.passages().getFirst())
        .satisfies(
            p -> {
              assertThat(p.verb()).isEqualTo(Verb.CHANGES);
              assertThat(p.in()).hasToString("Fn+Left");
            });
    assertThat(outcomes(world, small, "F5")).isEqualTo("nothing");
  }

  @Test
  void strokeRulesEndTheRemappingAndKeyRulesApplyAtOnce() {
    World world =
        new Worlds()
            .platform("desk", plain())
            .app("app", "Ctrl+B = bee", "Ctrl+C = sea", "Meta+X = cut", "Esc = leave")
            .build();
    Machine swapped =
        machine(
            "desk", in("app"), strokes("Ctrl+A -> Ctrl+B"), keys("KeyB -> KeyC", "KeyC -> KeyB"));
    assertThat(outcomes(world, setup(swapped), "Ctrl+A")).isEqualTo("app.bee");
    assertThat(outcomes(world, setup(swapped), "Ctrl+B")).isEqualTo("app.sea");
    assertThat(outcomes(world, setup(swapped), "Ctrl+C")).isEqualTo("app.bee");
    Machine caps = machine("desk", in("app"), keys("CapsLock -> Meta", "Meta -> Escape"));
    assertThat(outcomes(world, setup(caps), "<CapsLock>+X")).isEqualTo("app.cut");
    assertThat(outcomes(world, setup(caps), "Meta")).isEqualTo("app.leave");
    Machine off = machine("desk", in("app"), keys("KeyX -> off"));
    assertThat(outcomes(world, setup(off), "Meta+X")).isEqualTo("nothing");
    Machine right = machine("desk", in("app"), keys("RightCtrl -> Meta"));
    assertThat(outcomes(world, setup(right), "Ctrl+X")).isEqualTo("nothing");
    assertThat(outcomes(world, setup(right), "RightCtrl+X")).isEqualTo("app.cut");
    Machine elsewhere = machine("desk", in("app"), limited(keys("Ctrl -> Meta"), "other"));
    assertThat(outcomes(world, setup(elsewhere), "Ctrl+X")).isEqualTo("nothing");
  }

  @Test
  void ownBindingsComeBeforeTheBuiltInOnesThatAreOn() {
    World world =
        new Worlds().platform("desk", plain(), "Ctrl+D = show", "Ctrl+E = edit").app("app").build();
    Machine m =
        Worlds.withOwn(
            machine("desk", in("app")),
            Binding.of("own", new ActionId("edit"), Gesture.parse("Ctrl+D")));
    Trace trace = Tracer.of(setup(m), world).trace(Gesture.parse("Ctrl+D"));
    assertThat(trace.acted()).get().satisfies(a -> assertThat(a.own()).isTrue());
    Machine off =
        new Machine(
            m.title(),
            new EnvironmentId("desk"),
            Worlds.ONE,
            "us",
            List.of(),
            List.of(),
            Set.of("b0"),
            Set.of(),
            in("app"));
    assertThat(outcomes(world, setup(off), "Ctrl+D")).isEqualTo("nothing");
    assertThat(outcomes(world, setup(off), "Ctrl+E")).isEqualTo("desk.edit");
  }

  @Test
  void aSessionWindowCapturesKeepsSendsAndTranslates() {
    World world =
        new Worlds()
            .platform("host", plain("Ctrl+Alt+Delete"), "Alt+Tab = switch", "Meta+L = lock")
            .platform("guest", plain(), "Alt+Tab = switchThere", "Ctrl+L = lockThere")
            .environment(
                "remote",
                new Application(List.of(), true),
                WhenBroken.SWALLOW,
                "Ctrl+Alt+Z = release")
            .app("app", "Ctrl+S = save")
            .build();
    Machine guest = machine("guest", in("app"));
    Setup never = setup(machine("host", session("remote", Capture.NEVER, guest)));
    Setup always = setup(machine("host", session("remote", Capture.ALWAYS, guest)));
    Setup fullOnly = setup(machine("host", session("remote", Capture.FULL_SCREEN, guest)));
    assertThat(outcomes(world, never, "Alt+Tab")).isEqualTo("host.switch");
    assertThat(outcomes(world, fullOnly, "Alt+Tab")).isEqualTo("host.switch");
    assertThat(outcomes(world, always, "Alt+Tab")).isEqualTo("guest.switchThere");
    assertThat(outcomes(world, always, "Ctrl+Alt+Delete")).isEqualTo("host.reserved");
    assertThat(outcomes(world, always, "Ctrl+Alt+Z")).isEqualTo("remote.release");
    assertThat(outcomes(world, never, "Ctrl+S")).isEqualTo("app.save");

    Gesture tab = Gesture.parse("Alt+Tab");
    Setup keeps =
        setup(
            machine(
                "host",
                session(
                    "remote",
                    Capture.ALWAYS,
                    List.of(tab),
                    List.of(),
                    true,
                    Optional.empty(),
                    guest)));
    assertThat(outcomes(world, keeps, "Alt+Tab")).isEqualTo("host.switch");
    Setup sends =
        setup(
            machine(
                "host",
                session(
                    "remote",
                    Capture.NEVER,
                    List.of(),
                    List.of(tab),
                    true,
                    Optional.empty(),
                    guest)));
    assertThat(outcomes(world, sends, "Alt+Tab")).isEqualTo("guest.switchThere");
    Setup translated =
        setup(
            machine(
                "host",
                session(
                    "remote",
                    Capture.ALWAYS,
                    List.of(),
                    List.of(),
                    true,
                    Optional.of(keys("Meta -> Ctrl")),
                    guest)));
    assertThat(outcomes(world, translated, "Meta+L")).isEqualTo("guest.lockThere");
    Setup silent =
        setup(
            machine(
                "host",
                session(
                    "remote",
                    Capture.ALWAYS,
                    List.of(),
                    List.of(),
                    false,
                    Optional.empty(),
                    guest)));
    assertThat(outcomes(world, silent, "Alt+Tab")).isEqualTo("host.switch");
    assertThat(outcomes(world, silent, "Ctrl+S")).isEqualTo("nothing");
  }

  @Test
  void sequencesAreHeldAndSwallowedOrReplayed() {
    String[] lines = {"Ctrl+K Ctrl+S = all", "Ctrl+S = save", "G G = top"};
    World swallow = new Worlds().platform("desk", plain()).app("app", lines).build();
    World replay =
        new Worlds()
            .platform("desk", plain())
            .environment("app", new Application(List.of(), false), WhenBroken.REPLAY, lines)
            .build();
    Setup here = setup(machine("desk", in("app")));
    assertThat(outcomes(swallow, here, "Ctrl+K Ctrl+S")).isEqualTo("app.all");
    assertThat(outcomes(swallow, here, "Ctrl(K S)")).isEqualTo("app.all");
    assertThat(outcomes(swallow, here, "G")).isEqualTo("nothing");
    assertThat(outcomes(swallow, here, "G x")).isEqualTo("nothing, types x");
    assertThat(outcomes(replay, here, "G x")).isEqualTo("types g, types x");
    assertThat(outcomes(replay, here, "G Ctrl+S")).isEqualTo("types g, app.save");
  }

  @Test
  void aShorterGestureFiresBeforeALongerOne() {
    World world =
        new Worlds().platform("desk", plain()).app("app", "A B = long", "A = short").build();
    assertThat(outcomes(world, setup(machine("desk", in("app"))), "A B"))
        .isEqualTo("app.short, types b");
  }

  @Test
  void aHoldGoesToTheContextThatItOpensUntilTheModifiersAreLetGo() {
    World world =
        new Worlds()
            .platform(
                "desk", plain(), "Alt+Tab = switch > list", "list: Tab = next", "list: Q = quit")
            .app("app", "Q = other")
            .build();
    Setup here = setup(machine("desk", in("app")));
    assertThat(outcomes(world, here, "Alt(Tab Tab Q)"))
        .isEqualTo("desk.switch, desk.next, desk.quit");
    assertThat(outcomes(world, here, "Alt+Tab Alt+Tab")).isEqualTo("desk.switch, desk.switch");
    assertThat(outcomes(world, here, "Alt(Tab X)")).isEqualTo("desk.switch, nothing");
    assertThat(outcomes(world, here, "Alt+Tab Q")).isEqualTo("desk.switch, app.other");
  }

  private static World replaying(String[] desk, String... app) {
    return new Worlds()
        .environment("desk", plain(), WhenBroken.REPLAY, desk)
        .environment("app", new Application(List.of(), true), WhenBroken.REPLAY, app)
        .build();
  }

  @Test
  void whatBreaksASequenceBeginsAgainAndWhatIsReplayedGoesOnBehindWhoHeldIt() {
    Setup here = setup(machine("desk", in("app")));
    World both = replaying(new String[] {"A B = d"}, "A A = twice", "C = hit");
    assertThat(outcomes(both, here, "A C")).isEqualTo("types a, app.hit");
    // A desktop that is asked last replays to nobody, and not to itself.
    Machine guest = machine("desk", new Machine.Bare());
    Setup silent =
        setup(
            machine(
                "desk",
                session(
                    "app", Capture.ALWAYS, List.of(), List.of(), false, Optional.empty(), guest)));
    World last = replaying(new String[] {"A B = d", "C = hit"});
    assertThat(outcomes(last, silent, "A C")).isEqualTo("nothing, desk.hit");
    // A hold that a replayed press opens is over when its own modifiers were let go.
    World hold = replaying(new String[] {"Alt+Tab X = d"}, "Alt+Tab = sw > l", "l: Q = quit");
    assertThat(outcomes(hold, here, "Alt+Tab Q")).isEqualTo("app.sw, types q");
    assertThat(outcomes(hold, here, "Alt(Tab Q)")).isEqualTo("app.sw, app.quit");
  }

  @Test
  void aHoldLastsAsLongAsWhatKeepsItOpenStaysDown() {
    World world =
        new Worlds()
            .platform("desk", Worlds.altGrIsCtrlAlt(), "F24 = none")
            .app(
                "app",
                "Ctrl+Alt+Tab = sw > l",
                "Ctrl+Alt+B = sw > l",
                "Alt+Shift+Tab = back > l",
                "<CapsLock>+A = caps > l",
                "l: Tab = next",
                "l: Shift+Tab = before",
                "l: A B = both",
                "l: D = inside",
                "Ctrl+D = outside")
            .build();
    Setup here = setup(machine("desk", in("app")));
    assertThat(outcomes(world, here, "AltGr(Tab Tab)")).isEqualTo("app.sw, app.next");
    assertThat(outcomes(world, here, "Alt(Shift+Tab Shift+Tab Tab)"))
        .isEqualTo("app.back, app.before, app.next");
    assertThat(outcomes(world, here, "<CapsLock>(A A B)")).isEqualTo("app.caps, app.both");
    assertThat(outcomes(world, here, "<CapsLock>(A A Tab)"))
        .isEqualTo("app.caps, nothing, app.next");
    assertThat(outcomes(world, here, "Ctrl(X Alt(B D) D)"))
        .isEqualTo("nothing, app.sw, app.inside, app.outside");
  }

  @Test
  void aHeldContextInWhichNothingCanBePressedHereIsNotOpened() {
    World world =
        new Worlds()
            .platform("desk", plain())
            .app(
                "app",
                "Alt+Tab = later > new",
                "new: Q = inside @ 2",
                "Alt+A = other > odd",
                "odd: é = inside")
            .build();
    Setup here = setup(machine("desk", in("app")));
    assertThat(outcomes(world, here, "Alt(Tab Q)")).isEqualTo("app.later, nothing");
    assertThat(outcomes(world, here, "Alt(Tab A)")).isEqualTo("app.later, app.other");
    assertThat(outcomes(world, here, "Alt(A Tab)")).isEqualTo("app.other, app.later");
  }

  @Test
  void sidesTapsAndFnAreWhatTheHandsDo() {
    World world =
        new Worlds()
            .platform("desk", plain())
            .app("app", "RightCtrl+A = right", "Ctrl+Shift = tap", "Home = home")
            .build();
    Remap caps = keys("CapsLock -> Ctrl", "F7 -> Shift");
    Setup here = setup(machine("desk", in("app"), caps));
    assertThat(outcomes(world, here, "LeftCtrl+RightCtrl+A")).isEqualTo("app.right");
    assertThat(outcomes(world, here, "Ctrl(Shift)")).isEqualTo("app.tap");
    assertThat(outcomes(world, here, "Ctrl+F7")).isEqualTo("app.tap");
    Setup small = new Setup(new SetupId("small"), "Small", "small", machine("desk", in("app")));
    assertThat(outcomes(world, small, "Fn+Left")).isEqualTo("app.home");
    Remap pointer = Worlds.strokes("Ctrl+Click -> Ctrl+A");
    assertThat(outcomes(world, setup(machine("desk", in("app"), pointer)), "Ctrl+Click"))
        .isEqualTo("nothing");
  }

  @Test
  void tapsAreDeliveredWhenNothingIsPressedBetween() {
    World world =
        new Worlds()
            .platform("desk", plain(), "Shift*2 = find", "Meta = launcher")
            .app("app")
            .build();
    Setup here = setup(machine("desk", in("app")));
    assertThat(outcomes(world, here, "Shift*2")).isEqualTo("desk.find");
    assertThat(outcomes(world, here, "Meta")).isEqualTo("desk.launcher");
    assertThat(outcomes(world, here, "Meta+X")).isEqualTo("nothing");
  }

  @Test
  void altGrMayBeCtrlAndAlt() {
    World world =
        new Worlds()
            .platform("desk", Worlds.altGrIsCtrlAlt(), "Ctrl+Alt+Q = quit")
            .platform("other", plain(), "Ctrl+Alt+Q = quit")
            .platform("symbols", Worlds.altTypes())
            .app("app")
            .build();
    assertThat(outcomes(world, setup(machine("desk", "central", in("app"))), "AltGr+Q"))
        .isEqualTo("desk.quit");
    assertThat(outcomes(world, setup(machine("desk", "central", in("app"))), "Ctrl+Alt+8"))
        .isEqualTo("types [");
    assertThat(outcomes(world, setup(machine("other", "central", in("app"))), "AltGr+Q"))
        .isEqualTo("types @");
    assertThat(outcomes(world, setup(machine("symbols", "central", in("app"))), "Alt+8"))
        .isEqualTo("types [");
  }

  @Test
  void charactersOfTheInnerMachineAreThoseOfItsOwnLayout() {
    World world =
        new Worlds()
            .platform("host", plain())
            .platform("guest", plain())
            .app("remote")
            .app("app", "Ctrl+Z = undo")
            .build();
    Machine guest = machine("guest", "central", in("app"));
    Setup mixed = setup(machine("host", "us", session("remote", Capture.ALWAYS, guest)));
    assertThat(outcomes(world, mixed, "Ctrl+Z")).isEqualTo("nothing");
    assertThat(outcomes(world, mixed, "Ctrl+Y")).isEqualTo("app.undo");
  }

  @Test
  void whatCanNotBeTypedSaysWhy() {
    World world = new Worlds().platform("desk", plain()).app("app").build();
    Trace trace =
        Tracer.of(setup(machine("desk", "central", in("app"))), world)
            .trace(Gesture.parse("Ctrl+^"));
    assertThat(trace.outcome())
        .isEqualTo(new Trace.Nothing("“^” is a dead key on the Central layout."));
  }

  @Test
  void aSetupWithAMistakeSaysWhere() {
    World world = new Worlds().platform("desk", plain()).app("app").build();
    Machine lost = machine("desk", "none", in("app"));
    assertThat(world.problem(setup(lost)))
        .get()
        .asString()
        .contains("desk machine", "layout", "none");
    assertThat(world.problem(setup(machine("app", in("app")))))
        .get()
        .asString()
        .contains("platform");
    assertThat(world.problem(setup(machine("desk", in("gone"))))).get().asString().contains("gone");
    assertThat(
            world.problem(
                new Setup(new SetupId("s"), "My setup", "no-board", machine("desk", in("app")))))
        .get()
        .asString()
        .contains("My setup", "no-board");
    assertThatThrownBy(() -> Tracer.of(setup(lost), world))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void everyBindingOfASetupIsTracedInItsOwnContext() {
    World world =
        new Worlds()
            .platform("desk", plain(), "Alt+Tab = switch > list", "list: Q = quit")
            .app("app", "cell: Enter = commit", "Enter = edit", "Alt+{1..3} = tab")
            .build();
    SetupTraces traces = SetupTraces.of(setup(machine("desk", in("app"))), world);
    assertThat(traces.all()).hasSize(2 + 2 + 3).allMatch(TracedBinding::works);
    assertThat(traces.reach().get(new ActionId("quit")))
        .extracting(t -> t.gesture().toString())
        .containsExactly("Alt(Tab Q)");
    assertThat(traces.reach().get(new ActionId("tab"))).hasSize(3);
  }

  @Test
  void anOpenMenuGoesOnAsIfItsOpeningHadBeenPressed() {
    Platform both =
        new Platform(
            Map.of(),
            List.of(),
            false,
            Set.of(),
            Modifier.CTRL,
            Optional.empty(),
            Set.of(MenuForm.values()));
    World world =
        new Worlds()
            .platform("desk", both, "S = shout")
            .app("app", "Ctrl+S = save")
            .menus("app", "F S = save", "E S = select")
            .build();
    Tracer tracer = Tracer.of(setup(machine("desk", in("app"))), world);
    for (String opener : List.of("Alt+E", "Alt E")) {
      Tracer open = tracer.withMenuOpen(Gesture.parse(opener));
      assertThat(outcomes(open.trace(Gesture.parse("S")))).isEqualTo("app.select");
      assertThat(outcomes(tracer.trace(Gesture.parse(opener + " S")))).isEqualTo("app.select");
      // What is not in the menu is everyone's again.
      assertThat(outcomes(open.trace(Gesture.parse("Ctrl+S")))).isEqualTo("app.save");
    }
    assertThat(outcomes(tracer.trace(Gesture.parse("S")))).isEqualTo("desk.shout");
  }
}
