package polydex.route;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.statistics.Statistics;
import org.junit.jupiter.api.Test;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;

/** Reach against trying every stroke there is with the plain tracer. */
public class ReachReferenceTest {
  private static final List<Key> KEYS =
      List.of(
          Key.KeyA,
          Key.KeyB,
          Key.KeyQ,
          Key.KeyZ,
          Key.KeyY,
          Key.Tab,
          Key.CapsLock,
          Key.Escape,
          Key.Digit8);
  private static final List<Modifiers> HELD = held();

  private static List<Modifiers> held() {
    List<Modifiers> all = new ArrayList<>();
    List<Modifiers> ctrl =
        List.of(
            Modifiers.NONE,
            Modifiers.of(Modifier.CTRL),
            Modifiers.of(Modifier.CTRL, Modifiers.Side.RIGHT));
    for (Modifiers c : ctrl) {
      for (int bits = 0; bits < 8; bits++) {
        Modifiers m = c;
        m = (bits & 1) > 0 ? m.and(Modifier.META) : m;
        m = (bits & 2) > 0 ? m.and(Modifier.ALT) : m;
        m = (bits & 4) > 0 ? m.and(Modifier.SHIFT) : m;
        all.add(m);
      }
    }
    all.add(Modifiers.of(Modifier.ALTGR));
    all.add(Modifiers.of(Modifier.ALTGR, Modifier.SHIFT));
    return all;
  }

  /** Whether keys are held in it that no rule is about, which a reach does not look into. */
  private static boolean holdsIdly(Physical press, Setup setup) {
    return !setup.machines().stream()
        .flatMap(
            m ->
                Stream.concat(
                    m.remaps().stream(),
                    m.focus() instanceof Machine.SessionWindow s
                        ? s.translation().stream()
                        : Stream.of()))
        .flatMap(
            r ->
                Stream.concat(
                    r.keyRules().stream()
                        .map(Remap.KeyRule::from)
                        .filter(Remap.KeyPart.class::isInstance)
                        .map(k -> ((Remap.KeyPart) k).key()),
                    r.strokeRules().stream()
                        .flatMap(
                            x ->
                                x.from().toString().contains("<CapsLock>")
                                    ? Stream.of(Key.CapsLock)
                                    : Stream.of())))
        .collect(Collectors.toSet())
        .containsAll(press.held().keys());
  }

  /** Every stroke and tap of a small keyboard, some with a key held that a remap may change. */
  private static List<Physical> everything() {
    List<Physical> all = new ArrayList<>();
    for (Modifiers m : HELD) {
      for (Key key : KEYS) {
        all.add(new Physical.Press(Held.of(m), key));
        if (key != Key.CapsLock && m.count() < 2) {
          all.add(new Physical.Press(new Held(m, List.of(Key.CapsLock)), key));
        }
      }
      if (!m.isEmpty()) {
        all.add(new Physical.ModifierTap(m));
      }
    }
    return all;
  }

  /** All that can be pressed on a small keyboard. */
  public static final List<Physical> EVERYTHING = everything();

  @Property(seed = "20310314", tries = 6_000, edgeCases = EdgeCasesMode.NONE)
  void reachIsExactlyWhatEndsThere(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    Setup setup = c.setup().withContexts(List.of("anywhere"));
    SetupTraces traces = SetupTraces.of(setup, c.world());
    List<TracedBinding> single =
        traces.all().stream().filter(t -> isSingle(t, setup, c.world())).toList();
    if (single.isEmpty()) {
      return;
    }
    TracedBinding chosen = single.get(new Random(seed).nextInt(single.size()));
    String wanted =
        "%s.%s@%d"
            .formatted(chosen.environment(), chosen.binding().action(), chosen.layer().depth());
    Layout layout = traces.tracer().layout();
    Reach reach = new Reach(traces);
    Set<List<Physical>> found = new HashSet<>();
    for (TracedBinding t : single) {
      if (t.environment().equals(chosen.environment())
          && t.layer().depth() == chosen.layer().depth()
          && t.binding().action().equals(chosen.binding().action())) {
        reach.of(t).forEach(w -> found.add(Presses.physical(w.gesture(), layout).orElseThrow()));
      }
    }
    assertThat(found)
        .as("%s in %s", wanted, setup)
        .allMatch(way -> ends(c, setup, way.getFirst(), layout).equals(wanted));
    // Of everything there is some at random, and whatever is near to what was found.
    Random random = new Random(seed);
    List<Physical> tried = new ArrayList<>();
    for (int i = 0; i < 40; i++) {
      tried.add(EVERYTHING.get(random.nextInt(EVERYTHING.size())));
    }
    found.forEach(way -> HELD.forEach(m -> tried.add(way.getFirst().with(m))));
    for (Physical press : tried) {
      boolean isTap = press instanceof Physical.ModifierTap;
      if ((!isTap || !press.held().isNothing())
          && !holdsIdly(press, setup)
          && ends(c, setup, press, layout).equals(wanted)) {
        assertThat(found)
            .as("%s for %s in %s", press, wanted, setup)
            .anyMatch(w -> w.equals(List.of(press)) || Reach.isLess(w, List.of(press)));
      }
    }
    Statistics.label("ways")
        .collect(!found.isEmpty())
        .coverage(ways -> ways.check(true).percentage(p -> p > 10));
  }

  private static String ends(RandomSetups.Case c, Setup setup, Physical press, Layout layout) {
    Gesture gesture = Presses.gesture(List.of(Presses.Made.afresh(press)), layout);
    boolean written = Presses.physical(gesture, layout).orElseThrow().equals(List.of(press));
    return written ? new ReferenceTracer(c.world(), setup).outcomes(gesture) : "";
  }

  private static boolean isSingle(TracedBinding t, Setup setup, World world) {
    Layout layout = world.layouts().get(setup.machines().get(t.layer().depth()).layout());
    return t.opening() == 0
        && t.binding().context().equals("anywhere")
        && Presses.physical(t.gesture(), layout).filter(p -> p.size() == 1).isPresent();
  }

  @Property(seed = "20310314", tries = 120, shrinking = ShrinkingMode.OFF)
  void everyWayEndsInItsActionAndWhateverWorksHasOne(@ForAll long seed) {
    everyWayEndsInItsAction(seed);
  }

  /** A bracket in which more is held than before it, and more candidates than are looked at. */
  @Test
  void soItIsInSetupsThatOnceHadNoWay() {
    everyWayEndsInItsAction(8256508805640356806L);
    everyWayEndsInItsAction(4921647842971205259L);
  }

  private static void everyWayEndsInItsAction(long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    SetupTraces traces = SetupTraces.of(c.setup(), c.world());
    Reach reach = new Reach(traces);
    Reach easiest = new Reach(traces);
    for (TracedBinding t : traces.all()) {
      assertThat(easiest.easiest(t).map(Reach.Way::gesture))
          .as("%s of %s", t, reach.of(t).stream().map(w -> w.gesture() + " " + w.effort()).toList())
          .isEqualTo(reach.of(t).stream().map(Reach.Way::gesture).findFirst());
    }
    for (TracedBinding t : traces.all()) {
      List<Reach.Way> ways = reach.of(t);
      for (Reach.Way way : ways) {
        Trace trace = traces.tracer(t).trace(way.gesture());
        assertThat(trace.does(t.binding().action())).isTrue();
        assertThat(trace.acted().orElseThrow().layer()).isEqualTo(t.layer());
      }
      assertThat(t.works() && ways.isEmpty()).as("%s in %s", t.gesture(), c.setup()).isFalse();
    }
  }
}
