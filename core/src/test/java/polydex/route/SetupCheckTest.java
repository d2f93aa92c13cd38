package polydex.route;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Version;
import polydex.keys.Gesture;
import polydex.route.Machine.Running;
import polydex.route.Machine.SessionWindow;
import polydex.route.Remap.KeyRule;
import polydex.route.Remap.Part;
import polydex.route.SetupCheck.Kind;
import polydex.route.SetupCheck.Mistake;
import polydex.route.SetupCheck.Spot;

/** One mistake planted into a random setup is told just where it was planted. */
class SetupCheckTest {

  /** A mistake: the setup that has it, and where it is to be told. */
  private record Planted(Setup setup, Spot spot, boolean stops) {}

  @Property(seed = "20310314", tries = 400, edgeCases = EdgeCasesMode.NONE)
  void aPlantedMistakeIsToldAtItsSpotAndNoOther(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Random random = new Random(seed);
    Set<Mistake> before = new HashSet<>(SetupCheck.of(c.setup(), c.world()));
    assertThat(before).noneMatch(Mistake::stops);
    int depth = random.nextInt(c.setup().machines().size());
    for (Planted planted : all(c.setup(), depth)) {
      List<Mistake> found = new ArrayList<>(SetupCheck.of(planted.setup(), c.world()));
      List<Mistake> there = found.stream().filter(m -> m.spot().equals(planted.spot())).toList();
      assertThat(there).as("%s", planted.spot()).isNotEmpty();
      assertThat(there.stream().anyMatch(Mistake::stops)).isEqualTo(planted.stops());
      if (!planted.stops()) {
        assertThat(found)
            .as("%s", planted.spot())
            .allMatch(m -> there.contains(m) || isOld(m, before));
      }
      assertThat(there).allMatch(m -> m.sentence().endsWith(".") && m.sentence().length() > 10);
      assertThat(c.world().problem(planted.setup()).isPresent()).isEqualTo(planted.stops());
      // Where the setup can still be traced, nothing breaks on the way.
      if (!planted.stops()) {
        assertThat(SetupTraces.of(planted.setup(), c.world()).all()).isNotNull();
      }
    }
  }

  /** Mistakes that are there anyhow may be said otherwise, but stand where they stood. */
  private static boolean isOld(Mistake found, Set<Mistake> before) {
    return before.stream().anyMatch(b -> b.spot().equals(found.spot()));
  }

  private static List<Planted> all(Setup setup, int depth) {
    Machine m = setup.machines().get(depth);
    List<Planted> planted = new ArrayList<>();
    planted.add(
        new Planted(
            new Setup(setup.id(), setup.title(), "nosuch", setup.machine()),
            new Spot(0, Kind.BOARD, ""),
            true));
    planted.add(at(setup, depth, m.typing("nosuch"), Kind.LAYOUT, "", true));
    planted.add(
        at(
            setup,
            depth,
            new Machine(
                m.title(),
                new EnvironmentId("nosuch"),
                m.version(),
                m.layout(),
                m.remaps(),
                m.own(),
                m.switchedOff(),
                m.options(),
                m.focus()),
            Kind.PLATFORM,
            "",
            true));
    planted.add(at(setup, depth, m.at(new Version("999")), Kind.VERSION, "", false));
    planted.add(at(setup, depth, m.withOptions(Set.of("nosuch")), Kind.OPTION, "nosuch", false));
    planted.add(
        at(setup, depth, m.withSwitchedOff(Set.of("nosuch")), Kind.SWITCHED_OFF, "nosuch", false));
    planted.add(
        at(
            setup,
            depth,
            m.withOwn(
                List.of(Binding.of("o", new ActionId("nosuch"), Gesture.parse("Ctrl+Alt+F7")))),
            Kind.OWN,
            "0",
            false));
    planted.add(
        at(
            setup,
            depth,
            m.withRemaps(List.of(keys("CapsLock", "CapsLock"))),
            Kind.KEY_RULE,
            "0.0",
            false));
    planted.add(
        at(
            setup,
            depth,
            m.withRemaps(List.of(keys("CapsLock", "Ctrl"), keys("Ctrl", "CapsLock"))),
            Kind.KEY_RULE,
            "1.0",
            false));
    planted.add(
        at(
            setup,
            depth,
            m.withRemaps(
                List.of(
                    new Remap(
                        "r",
                        Optional.empty(),
                        List.of(
                            new Remap.StrokeRule(
                                Gesture.parse("Ctrl+F1"), Gesture.parse("Ctrl+F1"))),
                        List.of()))),
            Kind.STROKE_RULE,
            "0.0",
            false));
    planted.add(
        at(
            setup,
            depth,
            m.withRemaps(
                List.of(
                    new Remap(
                        "r", Optional.of(new EnvironmentId("nosuch")), List.of(), List.of()))),
            Kind.REMAP,
            "0",
            false));
    switch (m.focus()) {
      case Machine.Bare _ -> {}
      case Running r -> {
        planted.add(
            at(
                setup,
                depth,
                m.with(new Running(new EnvironmentId("nosuch"), r.version(), Set.of(), List.of())),
                Kind.FOCUS,
                "",
                true));
        planted.add(
            at(
                setup,
                depth,
                m.with(new Running(r.application(), r.version(), Set.of(), List.of("nosuch"))),
                Kind.CONTEXT,
                "nosuch",
                false));
        planted.add(
            at(
                setup,
                depth,
                m.with(new Running(m.platform(), r.version(), Set.of(), List.of())),
                Kind.FOCUS,
                "",
                false));
      }
      case SessionWindow s -> {
        planted.add(
            at(setup, depth, m.with(s.at(new Version("999"))), Kind.FOCUS_VERSION, "", false));
        planted.add(
            at(
                setup,
                depth,
                m.with(s.directing(List.of(Gesture.parse("Ctrl+Š")), s.sent())),
                Kind.KEPT,
                "0",
                false));
        planted.add(
            at(
                setup,
                depth,
                m.with(s.translating(Optional.of(keys("Meta", "Meta")))),
                Kind.TRANSLATION,
                "0",
                false));
      }
    }
    return planted;
  }

  private static Planted at(
      Setup setup, int depth, Machine machine, Kind kind, String name, boolean stops) {
    return new Planted(setup.with(depth, machine), new Spot(depth, kind, name), stops);
  }

  private static Remap keys(String from, String to) {
    return new Remap(
        "r",
        Optional.empty(),
        List.of(),
        List.of(new KeyRule(Part.parse(from), Optional.of(Part.parse(to)))));
  }
}
