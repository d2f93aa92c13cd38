package polydex.fit;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.KeyRef;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Modifiers.Side;
import polydex.keys.Step;
import polydex.route.Remap;
import polydex.route.Remap.KeyPart;
import polydex.route.Remap.KeyRule;
import polydex.route.Remap.ModifierPart;
import polydex.route.Remap.Part;
import polydex.route.Remap.StrokeRule;
import polydex.route.Remap.Tapped;

/** Remaps that many people make, ready to be taken. */
public final class CommonRemaps {
  private static final List<Modifier> SWAPPED = List.of(Modifier.CTRL, Modifier.ALT, Modifier.META);

  private CommonRemaps() {}

  /** All of them. */
  public static List<Remap> all() {
    List<Remap> all = new ArrayList<>();
    all.add(keys(worded("fit.caps-lock-as-ctrl"), rule(key(Key.CapsLock), either(Modifier.CTRL))));
    all.add(
        keys(
            worded("fit.caps-lock-as-esc-when-tapped"),
            new KeyRule(
                key(Key.CapsLock),
                Optional.of(either(Modifier.CTRL)),
                Optional.of(new Tapped(key(Key.Escape), Tapped.USUAL)))));
    for (int i = 0; i < SWAPPED.size(); i++) {
      for (int j = i + 1; j < SWAPPED.size(); j++) {
        all.add(swapped(SWAPPED.get(i), SWAPPED.get(j)));
      }
    }
    all.add(
        keys(
            worded("fit.left-ctrl-and-left-alt-swapped"),
            rule(left(Modifier.CTRL), left(Modifier.ALT)),
            rule(left(Modifier.ALT), left(Modifier.CTRL))));
    all.add(keys(worded("fit.find-key-as-caps-lock"), rule(key(Key.Find), key(Key.CapsLock))));
    all.add(numberRow());
    return all;
  }

  /** Two modifiers in each other's place, on both sides. */
  public static Remap swapped(Modifier one, Modifier other) {
    return keys(
        worded("fit.and-swapped", one.written(), other.written()),
        rule(either(one), either(other)),
        rule(either(other), either(one)));
  }

  private static Remap numberRow() {
    List<StrokeRule> rules =
        IntStream.rangeClosed(0, 9)
            .mapToObj(d -> Key.valueOf("Digit" + d))
            .flatMap(
                k ->
                    List.of(
                        new StrokeRule(stroke(k, Modifiers.NONE), stroke(k, shift())),
                        new StrokeRule(stroke(k, shift()), stroke(k, Modifiers.NONE)))
                        .stream())
            .toList();
    return new Remap(worded("fit.number-row-shifted"), Optional.empty(), rules, List.of());
  }

  private static Modifiers shift() {
    return Modifiers.of(Modifier.SHIFT);
  }

  private static Gesture stroke(Key key, Modifiers held) {
    return Gesture.of(new Step.Stroke(Held.of(held), new KeyRef.Placed(key)));
  }

  private static Remap keys(String title, KeyRule... rules) {
    return new Remap(title, Optional.empty(), List.of(), List.of(rules));
  }

  private static KeyRule rule(Part from, Part to) {
    return new KeyRule(from, Optional.of(to));
  }

  private static Part key(Key key) {
    return new KeyPart(key);
  }

  private static Part either(Modifier modifier) {
    return new ModifierPart(modifier, Side.EITHER);
  }

  private static Part left(Modifier modifier) {
    return new ModifierPart(modifier, Side.LEFT);
  }
}
