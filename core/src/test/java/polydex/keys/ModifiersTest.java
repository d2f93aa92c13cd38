package polydex.keys;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import polydex.keys.Modifiers.Side;

class ModifiersTest {

  @Provide
  Arbitrary<Modifiers> sets() {
    return GestureArbitraries.modifiers(0);
  }

  /** The rule as plainly as it can be said: each modifier by itself. */
  private static boolean plainlySatisfies(Modifiers pressed, Modifiers required) {
    for (Modifier m : Modifier.values()) {
      if (pressed.has(m) != required.has(m)) {
        return false;
      }
      Side on = pressed.side(m) == Side.EITHER ? Side.LEFT : pressed.side(m);
      // A set that was joined from both sides has both pressed.
      boolean both =
          pressed.and(Modifiers.of(m, Side.LEFT)).equals(pressed)
              && pressed.and(Modifiers.of(m, Side.RIGHT)).equals(pressed);
      if (pressed.has(m) && required.side(m) != Side.EITHER && required.side(m) != on && !both) {
        return false;
      }
    }
    return true;
  }

  private static boolean isOneSided(Modifiers set) {
    return set.list().stream()
        .noneMatch(
            m -> set.side(m) == Side.EITHER && set.and(Modifiers.of(m, Side.LEFT)).equals(set));
  }

  @Property
  void matchingIsJudgedModifierByModifier(
      @ForAll("sets") Modifiers pressed, @ForAll("sets") Modifiers required) {
    if (isOneSided(pressed) && isOneSided(required)) {
      assertThat(pressed.satisfy(required)).isEqualTo(plainlySatisfies(pressed, required));
    }
  }

  @Property
  void sidesAreForgottenOnlyWhenAsked(@ForAll("sets") Modifiers set) {
    assertThat(set.eitherSide().list()).isEqualTo(set.list());
    assertThat(set.satisfy(set.eitherSide())).isTrue();
    assertThat(set.hasAll(set.eitherSide())).isTrue();
    assertThat(set.count()).isEqualTo(set.list().size());
    for (Modifier m : Modifier.values()) {
      assertThat(set.without(m).has(m)).isFalse();
      assertThat(set.and(m).has(m)).isTrue();
    }
  }

  /** What is counted in bits is what is counted key by key. */
  @Property
  void sidesAreCountedAsTheirKeysAre(@ForAll("sets") Modifiers set) {
    long told = set.each().stream().filter(one -> !one.equals(one.eitherSide())).count();
    assertThat((long) set.sidesTold()).isEqualTo(told);
    assertThat(set.heldTwice()).isEqualTo(set.each().size() - set.count());
  }

  @Property
  void setsThatAreEqualHashAlikeWithWhatIsHeld(
      @ForAll("sets") Modifiers one, @ForAll("sets") Modifiers other) {
    assertThat(one.equals(other)).isEqualTo(one.toString().equals(other.toString()));
    Physical a = new Physical.Press(new Held(one, List.of(Key.F24, Key.CapsLock)), Key.KeyA);
    Physical b = new Physical.Press(new Held(other, List.of(Key.CapsLock, Key.F24)), Key.KeyA);
    assertThat(a.equals(b)).isEqualTo(one.equals(other));
    assertThat(!a.equals(b) || a.hashCode() == b.hashCode()).isTrue();
    assertThat(a.with(other)).isEqualTo(b);
    assertThat(a.with(other).hashCode()).isEqualTo(b.hashCode());
    assertThat(Held.of(one)).hasSameHashCodeAs(new Held(one, List.of()));
  }

  @Test
  void withNoSideToldTheLeftOneIsMeant() {
    Modifiers ctrl = Modifiers.of(Modifier.CTRL);
    assertThat(ctrl.satisfy(Modifiers.of(Modifier.CTRL, Side.LEFT))).isTrue();
    assertThat(ctrl.satisfy(Modifiers.of(Modifier.CTRL, Side.RIGHT))).isFalse();
  }

  @Test
  void environmentsHaveTheirOwnWords() {
    Modifiers set = Modifiers.of(Modifier.META).and(Modifiers.of(Modifier.ALT, Side.RIGHT));
    assertThat(set.words(Map.of(Modifier.META, "Wing", Modifier.ALT, "Sym")))
        .containsExactly("Wing", "RightSym");
  }

  @Test
  void aSideNeedsItsModifier() {
    assertThatThrownBy(() -> new Modifiers(1 << 8)).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new Modifiers(1 << 30)).isInstanceOf(IllegalArgumentException.class);
  }
}
