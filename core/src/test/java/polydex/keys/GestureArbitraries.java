package polydex.keys;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.Tuple;
import polydex.keys.Modifiers.Side;

/** Gestures of every form that there is. */
public final class GestureArbitraries {
  private GestureArbitraries() {}

  public static Arbitrary<Modifiers> modifiers(int least) {
    Arbitrary<Modifiers> one =
        Combinators.combine(Arbitraries.of(Modifier.class), Arbitraries.of(Side.class))
            .as(Modifiers::of);
    return one.list()
        .ofMinSize(least)
        .ofMaxSize(4)
        .map(
            list -> {
              Modifiers all = Modifiers.NONE;
              for (Modifiers m : list) {
                all = all.and(m);
              }
              return all;
            });
  }

  public static Arbitrary<Held> held(int least) {
    Arbitrary<List<Key>> keys =
        Arbitraries.of(Key.CapsLock, Key.KeyJ, Key.Space, Key.F13).list().ofMaxSize(2);
    return Combinators.combine(modifiers(least), keys).as(Held::new);
  }

  public static Arbitrary<KeyRef> key() {
    Arbitrary<KeyRef> typed =
        Arbitraries.of("abzéßñ1290+-,.;:'\"()[]{}<>*/\\#~|&λя€".codePoints().boxed().toList())
            .map(KeyRef.Typed::new);
    List<Key> places = Arrays.stream(Key.values()).filter(k -> !k.isModifier()).toList();
    Arbitrary<KeyRef> placed = Arbitraries.of(places).map(KeyRef.Placed::new);
    return Arbitraries.oneOf(typed, placed);
  }

  static Arbitrary<KeyRef> family() {
    return Arbitraries.of(
        ((Step.Stroke) Gesture.parse("{1..9}").steps().getFirst()).key(),
        ((Step.Stroke) Gesture.parse("{Arrow}").steps().getFirst()).key(),
        ((Step.Stroke) Gesture.parse("{Function}").steps().getFirst()).key(),
        ((Step.Stroke) Gesture.parse("{X,Y,','}").steps().getFirst()).key());
  }

  static Arbitrary<Step> flatStep(boolean families) {
    Arbitrary<KeyRef> keys =
        families ? Arbitraries.frequencyOf(List.of(tuple(6, key()), tuple(1, family()))) : key();
    Arbitrary<Step> stroke = Combinators.combine(held(0), keys).as(Step.Stroke::new);
    Arbitrary<Step> tap =
        Combinators.combine(modifiers(1), Arbitraries.integers().between(1, 9)).as(Step.Tap::new);
    Arbitrary<Step> text =
        Arbitraries.strings()
            .withChars(" abcXYZ\"\\()+é€")
            .ofMinLength(1)
            .ofMaxLength(8)
            .map(Step.Text::new);
    Arbitrary<Step> pointing =
        Combinators.combine(held(0), Arbitraries.of(PointerAct.class)).as(Step.Pointing::new);
    return Arbitraries.frequencyOf(
        List.of(tuple(6, stroke), tuple(2, tap), tuple(1, text), tuple(1, pointing)));
  }

  private static <T> Tuple.Tuple2<Integer, Arbitrary<T>> tuple(int weight, Arbitrary<T> arbitrary) {
    return Tuple.of(weight, arbitrary);
  }

  static Arbitrary<Step> step(int depth, boolean families) {
    if (depth == 0) {
      return flatStep(families);
    }
    Arbitrary<Step> hold =
        Combinators.combine(held(1), step(depth - 1, families).list().ofMinSize(1).ofMaxSize(3))
            .as(Step.Hold::new);
    return Arbitraries.frequencyOf(List.of(tuple(4, flatStep(families)), tuple(1, hold)));
  }

  /** Gestures with holds nested up to two deep. */
  public static Arbitrary<Gesture> gestures(boolean families) {
    return step(2, families)
        .list()
        .ofMinSize(1)
        .ofMaxSize(4)
        .map(steps -> new Gesture(new ArrayList<>(steps)));
  }
}
