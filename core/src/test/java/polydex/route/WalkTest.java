package polydex.route;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.statistics.Statistics;
import polydex.boards.Presses;
import polydex.keys.Gesture;
import polydex.keys.Physical;
import polydex.route.Passage.Verb;

/** A walk against the journey of the same presses: what comes of them, and every passage. */
class WalkTest {
  @Property(
      seed = "20310314",
      tries = 4_000,
      edgeCases = EdgeCasesMode.NONE,
      shrinking = ShrinkingMode.OFF)
  void itPassesWhatTheJourneyPasses(@ForAll long seed) {
    RandomSetups.Case c = seed % 4 == 0 ? LargeSetups.make(seed, 80) : RandomSetups.make(seed);
    Random random = new Random(seed);
    SetupTraces traces = SetupTraces.of(c.setup(), c.world());
    CompiledSetup setup = traces.compiled().orElseThrow();
    for (int i = 0; i < 12; i++) {
      Gesture gesture =
          Gesture.parse(RandomSetups.gesture(random) + " " + RandomSetups.gesture(random));
      if (!gesture.isFamily()
          && Presses.of(gesture, traces.tracer().layout())
              instanceof Presses.Typable(List<Presses.Made> made)
          && made.stream().noneMatch(Presses.Made::stillHeld)) {
        compare(setup, traces.tracer().trace(gesture), made);
      }
    }
  }

  private static void compare(CompiledSetup setup, Trace trace, List<Presses.Made> made) {
    int[] pressed = made.stream().map(Presses.Made::what).mapToInt(setup::number).toArray();
    Walk walk = setup.walk();
    Place any = setup.places().getFirst();
    walk.follow(pressed, pressed.length, setup.chain(), any, 0, true);
    Statistics.label("walk").collect(walk.rare() ? "rare" : "walked");
    if (walk.rare()) {
      return;
    }
    assertThat(walk.results()).as("%s", trace.gesture()).isEqualTo(trace.results().size());
    assertThat(setup.outcome(walk.last())).isEqualTo(trace.outcome());
    assertThat(walked(setup, walk)).as("%s", trace.gesture()).isEqualTo(journeyed(trace));
  }

  /** The passages that a walk writes down: not what merely goes through board and remaps. */
  private static List<String> walked(CompiledSetup setup, Walk walk) {
    List<String> lines = new ArrayList<>();
    for (int p = 0; p < walk.passages(); p++) {
      String came =
          walk.verbAt(p) == Verb.TAKES ? " " + setup.outcome(walk.cameAt(p)).toString() : "";
      Layer layer = setup.layers().get(walk.layerAt(p));
      lines.add(line(walk.pressAt(p), layer, walk.verbAt(p), came, changed(layer, walk, p, setup)));
    }
    return onlyFirstChanges(lines);
  }

  private static List<String> journeyed(Trace trace) {
    List<String> lines = new ArrayList<>();
    for (Passage p : trace.passages()) {
      boolean through =
          p.verb() == Verb.PASSES
              && switch (p.layer().kind()) {
                case BOARD, REMAP, RESERVED -> true;
                case DESKTOP, SESSION, APPLICATION, TYPING -> false;
              };
      boolean byFn = p.layer().kind() == Layer.Kind.BOARD && p.verb() == Verb.CHANGES;
      // A replayed press is the only one that passes since something was broken off.
      if (!through && !byFn) {
        String came = p.verb() == Verb.TAKES ? " " + p.came().orElseThrow() : "";
        lines.add(line(p.press(), p.layer(), p.verb(), came, received(p.layer(), p.received())));
      }
    }
    return onlyFirstChanges(lines);
  }

  private static String changed(Layer layer, Walk walk, int p, CompiledSetup setup) {
    return received(layer, setup.press(walk.receivedAt(p)));
  }

  /** What came in, where it says more than that a press broke a sequence off. */
  private static String received(Layer layer, Physical press) {
    return layer.kind() == Layer.Kind.TYPING ? " " + press : "";
  }

  private static String line(int press, Layer layer, Verb verb, String came, String received) {
    return press + " " + layer.depth() + " " + layer.kind() + " " + verb + came + received;
  }

  /** Of the remaps of one machine that change a press the first is told. */
  private static List<String> onlyFirstChanges(List<String> lines) {
    List<String> found = new ArrayList<>();
    for (String line : lines) {
      boolean again =
          line.endsWith("REMAP CHANGES") && !found.isEmpty() && found.getLast().equals(line);
      if (!again) {
        found.add(line);
      }
    }
    return found;
  }
}
