package polydex.setups;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
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

/** Rules of remaps, as they are printed and read. */
class RuleTextTest {
  private static final Remap EMPTY = new Remap("r", Optional.empty(), List.of(), List.of());

  @Provide
  Arbitrary<Part> parts() {
    Arbitrary<Part> keys =
        Arbitraries.of(Key.values()).filter(k -> !k.isModifier()).map(KeyPart::new);
    Arbitrary<Part> modifiers =
        Combinators.combine(Arbitraries.of(Modifier.values()), Arbitraries.of(Side.values()))
            .as(ModifierPart::new);
    return Arbitraries.oneOf(keys, modifiers);
  }

  @Provide
  Arbitrary<Gesture> strokes() {
    Arbitrary<Set<Modifier>> held =
        Arbitraries.of(EnumSet.of(Modifier.CTRL, Modifier.ALT, Modifier.META, Modifier.SHIFT))
            .set()
            .ofMinSize(1)
            .ofMaxSize(3);
    Arbitrary<KeyRef> keys =
        Arbitraries.oneOf(
            Arbitraries.chars().range('a', 'z').map(c -> new KeyRef.Typed(c)),
            Arbitraries.of(Key.F1, Key.Home, Key.Tab, Key.KeyQ, Key.Digit4)
                .map(k -> new KeyRef.Placed(k)));
    return Combinators.combine(held, keys)
        .as(
            (m, k) ->
                Gesture.of(new Step.Stroke(Held.of(Modifiers.of(m.toArray(new Modifier[0]))), k)));
  }

  @Property(tries = 500)
  void aRuleForKeysIsReadAsItWasPrinted(@ForAll("parts") Part from, @ForAll("parts") Part to) {
    KeyRule rule = new KeyRule(from, Optional.of(to));
    assertThat(RuleText.keyRule(RuleText.of(rule))).isEqualTo(rule);
    assertThat(RuleText.adding(EMPTY, RuleText.of(rule)).keyRules()).containsExactly(rule);
    KeyRule two = new KeyRule(from, Optional.of(to), Optional.of(new Tapped(from, 200)));
    assertThat(RuleText.keyRule(RuleText.of(two))).isEqualTo(two);
    KeyRule slow = new KeyRule(from, Optional.empty(), Optional.of(new Tapped(to, 350)));
    assertThat(RuleText.adding(EMPTY, RuleText.of(slow)).keyRules()).containsExactly(slow);
    KeyRule off = new KeyRule(from, Optional.empty());
    assertThat(RuleText.keyRule(RuleText.of(off))).isEqualTo(off);
  }

  @Property(tries = 500)
  void aRuleForStrokesIsReadAsItWasPrinted(
      @ForAll("strokes") Gesture from, @ForAll("strokes") Gesture to) {
    StrokeRule rule = new StrokeRule(from, to);
    Remap remap = RuleText.adding(EMPTY, RuleText.of(rule));
    assertThat(remap.strokeRules()).containsExactly(rule);
    assertThat(remap.keyRules()).isEmpty();
    // The same with a plain arrow and no spaces, as people type it.
    assertThat(RuleText.adding(EMPTY, from + "->" + to).strokeRules()).containsExactly(rule);
  }

  /** Changed in its place, whatever stands around it. */
  @Property(tries = 200)
  void aRuleForStrokesIsReplacedWhereItStands(
      @ForAll("strokes") Gesture a, @ForAll("strokes") Gesture b, @ForAll("strokes") Gesture c) {
    Remap remap = EMPTY;
    List<StrokeRule> rules = new ArrayList<>();
    for (Gesture from : List.of(a, b, c)) {
      remap = RuleText.adding(remap, from + " -> F9");
      rules.add(new StrokeRule(from, Gesture.parse("F9")));
    }
    for (int at = 0; at < rules.size(); at++) {
      List<StrokeRule> expected = new ArrayList<>(rules);
      expected.set(at, new StrokeRule(a, b));
      assertThat(RuleText.replacing(remap, at, a + " → " + b).strokeRules()).isEqualTo(expected);
    }
  }

  @ParameterizedTest
  @CsvSource({
    "CapsLock -> Ctrl, key",
    "RightCtrl -> RightAlt, key",
    "CapsLock -> nothing, key",
    "'CapsLock -> Ctrl held, Escape tapped', key",
    "Tab -> Home, key",
    "KeyA -> KeyB, key",
    "A -> B, stroke",
    "Ctrl+A -> Home, stroke",
    "F5 -> Ctrl+R, stroke",
    "Alt -> Ctrl+Space, stroke"
  })
  void aSingleKeyOrModifierIsMeantAsOneAndAllElseAsAStroke(String text, String kind) {
    Remap remap = RuleText.adding(EMPTY, text);
    assertThat(remap.keyRules()).hasSize(kind.equals("key") ? 1 : 0);
    assertThat(remap.strokeRules()).hasSize(kind.equals("key") ? 0 : 1);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "CapsLock",
        "CapsLock -> ",
        " -> Ctrl",
        "A -> B -> C",
        "Ctrl+K Ctrl+S -> F5",
        "Ctrl+{A,B} -> F5",
        "Ctrl+S -> nothing",
        "CapsLock -> Ctrl held, Escape tapped within 0 ms",
        "CapsLock -> Ctrl held, Ctrl+S tapped",
        "\"text\" -> F5",
        "Ctrl+Click -> F5"
      })
  void whatIsNoRuleIsRefusedWithWhatWasExpected(String text) {
    assertThatThrownBy(() -> RuleText.adding(EMPTY, text))
        .isInstanceOf(IllegalArgumentException.class)
        .message()
        .isNotBlank();
  }
}
