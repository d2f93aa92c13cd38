package polydex.free;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.Assume;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.statistics.Statistics;
import polydex.boards.Presses;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.conflict.ReferenceConflicts;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.route.Machine;
import polydex.route.RandomSetups;
import polydex.route.ReferenceTracer;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.Situation.Computer;
import polydex.route.World;

/**
 * What is free, against brute force: the binding is put into a copy of the setup, and everything is
 * followed before and after by the plain reference.
 */
class FreeReferenceTest {
  private static final List<Key> KEYS =
      List.of(
          Key.KeyA,
          Key.KeyB,
          Key.KeyQ,
          Key.KeyZ,
          Key.KeyY,
          Key.KeyS,
          Key.BracketLeft,
          Key.Tab,
          Key.Digit7,
          Key.Digit8,
          Key.CapsLock,
          Key.Slash,
          Key.KeyF,
          Key.Minus,
          Key.Home);
  private static final List<Modifiers> HELD = held();

  private static List<Modifiers> held() {
    List<Modifiers> all = new ArrayList<>();
    List<Modifier> some =
        List.of(Modifier.SHIFT, Modifier.CTRL, Modifier.ALT, Modifier.META, Modifier.ALTGR);
    for (int bits = 0; bits < 1 << some.size(); bits++) {
      Modifiers held = Modifiers.NONE;
      for (int i = 0; i < some.size(); i++) {
        held = (bits & 1 << i) == 0 ? held : held.and(some.get(i));
      }
      all.add(held);
    }
    Modifiers right = Modifiers.of(Modifier.CTRL, Modifiers.Side.RIGHT);
    all.add(right);
    all.add(right.and(Modifiers.of(Modifier.CTRL, Modifiers.Side.LEFT)));
    return all;
  }

  private static final List<Physical> EVERYTHING = everything();

  private static List<Physical> everything() {
    List<Physical> all = new ArrayList<>();
    for (Modifiers held : HELD) {
      KEYS.forEach(key -> all.add(new Physical.Press(Held.of(held), key)));
      if (!held.isEmpty()) {
        all.add(new Physical.ModifierTap(held));
      }
    }
    return all;
  }

  @Property(
      seed = "20310314",
      tries = 600,
      edgeCases = EdgeCasesMode.NONE,
      shrinking = ShrinkingMode.OFF)
  void freeIsWhatWorksAndBreaksNothing(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Random random = new Random(seed);
    Setup setup = c.setup();
    List<Machine> machines = setup.machines();
    // Behind more remaps than these a press has more sources than are looked at (1,024).
    Assume.that(machines.size() <= 4);
    Computer home = Computer.of(machines.get(random.nextInt(machines.size())));
    Gesture gesture = Gesture.parse(RandomSetups.gesture(random)).expand().getFirst();
    SetupTraces traces = SetupTraces.of(setup, c.world());

    Verdict found = new FreeGestures(List.of(traces), Set.of(home)).in(traces, gesture);

    assertThat(kind(found))
        .as("%s on %s in %s: %s", gesture, home, setup, found)
        .isEqualTo(reference(c.world(), setup, home, gesture, found));
    Statistics.collect(kind(found));
    Statistics.coverage(
        kinds -> {
          for (String kind : List.of("free", "taken", "types", "lost")) {
            kinds.check(kind).percentage(p -> p > 4);
          }
        });
  }

  private static String kind(Verdict v) {
    return switch (v) {
      case Verdict.Free _ -> "free";
      case Verdict.Taken _ -> "taken";
      case Verdict.Types _ -> "types";
      case Verdict.Reserved _, Verdict.Astray _, Verdict.Untypable _ -> "lost";
    };
  }

  /** The same by brute force; where the gesture does not arrive, typing may still be the reason. */
  private static String reference(
      World world, Setup setup, Computer home, Gesture gesture, Verdict found) {
    Setup with = setup;
    List<String> wanted = new ArrayList<>();
    for (int depth = 0; depth < setup.machines().size(); depth++) {
      Machine m = with.machines().get(depth);
      if (home.is(m)) {
        List<Binding> own = new ArrayList<>(m.own());
        own.add(Binding.of("probe", new ActionId("probe"), gesture));
        with = with.with(depth, m.withOwn(own));
        wanted.add(m.platform() + ".probe@" + depth);
      }
    }
    String came = new ReferenceTracer(world, with).outcomes(gesture);
    if (!wanted.contains(came)) {
      // What the platform keeps for itself, and nothing else, is reserved.
      if (!came.contains(", ")) {
        assertThat(found instanceof Verdict.Reserved).isEqualTo(came.contains(".reserved@"));
      }
      // It does not arrive: who takes it on the way is told by the trace alone.
      return found instanceof Verdict.Free ? "lost" : kind(found);
    }
    Set<String> before = new ReferenceConflicts(world, setup, 280).working();
    Set<String> lost = new HashSet<>(before);
    lost.removeAll(new ReferenceConflicts(world, with, 280).working());
    if (!lost.isEmpty()) {
      return "taken";
    }
    boolean types = false;
    for (List<String> active : contexts(setup)) {
      Setup was = active.isEmpty() ? setup : setup.withContexts(active);
      Setup now = active.isEmpty() ? with : with.withContexts(active);
      for (Physical press : EVERYTHING) {
        // Nobody holds both keys of a name unless a gesture asks for it.
        if (press.held().modifiers().each().size() > press.held().modifiers().count()
            && !gesture.toString().contains("LeftCtrl+RightCtrl")) {
          continue;
        }
        Gesture stroke =
            Gesture.of(Presses.describe(press, world.layouts().get(setup.machine().layout())));
        String before1 = new ReferenceTracer(world, was).outcomes(stroke);
        String after1 = new ReferenceTracer(world, now).outcomes(stroke);
        if (before1.equals(after1)) {
          continue;
        }
        if (before1.contains("@") && !before1.startsWith("types")) {
          return "taken";
        }
        if (begins(world, was, stroke)) {
          return "taken";
        }
        types |= before1.contains("types ");
      }
    }
    if (types) {
      return "types";
    }
    return "free";
  }

  /** The contexts of the focused application, one by one, besides those of the setup. */
  private static List<List<String>> contexts(Setup setup) {
    List<Machine> machines = setup.machines();
    boolean plain = machines.size() == 1 && machines.getFirst().remaps().isEmpty();
    return plain || !(setup.innermost().focus() instanceof Machine.Running)
        ? List.of(List.of())
        : List.of(List.of(), List.of("anywhere"), List.of("c1"), List.of("c2"));
  }

  /** Whether somebody waits for what comes after a stroke. */
  private static boolean begins(World world, Setup setup, Gesture stroke) {
    ReferenceTracer tracer = new ReferenceTracer(world, setup);
    tracer.outcomes(stroke);
    return tracer.log().stream().anyMatch(s -> s.verb().equals("holds"));
  }
}
