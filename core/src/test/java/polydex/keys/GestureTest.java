package polydex.keys;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowable;

import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.keys.Modifiers.Side;
import polydex.keys.Step.Hold;
import polydex.keys.Step.Pointing;
import polydex.keys.Step.Stroke;
import polydex.keys.Step.Tap;
import polydex.keys.Step.Text;

class GestureTest {

  @Provide
  Arbitrary<Gesture> gestures() {
    return GestureArbitraries.gestures(true);
  }

  @Provide
  Arbitrary<String> almostGestures() {
    return Arbitraries.of(
            "Ctrl",
            "+",
            " ",
            "(",
            ")",
            "{",
            "}",
            "..",
            "<",
            ">",
            "\"",
            "\\",
            "'",
            "*",
            "2",
            "S",
            "CapsLock",
            "Left",
            "Shift",
            "Click",
            "Arrow",
            ",",
            "é",
            "\u0000",
            "\t",
            "F1",
            "F12",
            "𝒳",
            "a",
            "z")
        .list()
        .ofMaxSize(14)
        .map(parts -> String.join("", parts));
  }

  @Property(tries = 3000)
  void printingThenParsingGivesTheSame(@ForAll("gestures") Gesture gesture) {
    assertThat(Gesture.parse(gesture.toString())).isEqualTo(gesture);
  }

  @Property(tries = 3000)
  void nothingIsThrownButTheDocumentedRefusal(@ForAll("almostGestures") String text) {
    Throwable thrown = catchThrowable(() -> Gesture.parse(text));
    if (thrown == null) {
      Gesture read = Gesture.parse(text);
      assertThat(Gesture.parse(read.toString())).isEqualTo(read);
    } else {
      assertThat(thrown).isInstanceOf(GestureSyntaxException.class);
      assertThat(((GestureSyntaxException) thrown).column()).isBetween(1, text.length() + 1);
    }
  }

  @Property(tries = 500)
  void aFamilyExpandsToGesturesWithoutFamilies(@ForAll("gestures") Gesture gesture) {
    List<Gesture> members = gesture.expand();
    assertThat(members).doesNotHaveDuplicates();
    assertThat(members.size() > 1).isEqualTo(gesture.isFamily());
    assertThat(members)
        .allSatisfy(
            m -> {
              assertThat(m.isFamily()).isFalse();
              assertThat(m.presses()).isEqualTo(gesture.presses());
              assertThat(m.usesPointer()).isEqualTo(gesture.usesPointer());
            });
  }

  @ParameterizedTest
  @CsvSource(
      quoteCharacter = '`',
      value = {
        "ctrl+shift+s, Ctrl+Shift+S",
        "shift+ctrl+S, Ctrl+Shift+S",
        "Control+Del, Ctrl+Delete",
        "Super+Left, Meta+Left",
        "cmd+opt+ArrowUp, Meta+Alt+Up",
        "Ctrl++, Ctrl+'+'",
        "Ctrl+Plus, Ctrl+'+'",
        "Ctrl+-, Ctrl+-",
        "Ctrl+Minus, Ctrl+-",
        "return, Enter",
        "Alt(Tab), Alt+Tab",
        "Alt(Shift(Tab Tab)), Alt+Shift(Tab Tab)",
        "Alt+Alt+X, Alt+X",
        "Shift*1, Shift",
        "leftctrl+A, LeftCtrl+A",
        "<CapsLock>+S, <CapsLock>+S",
        "Ctrl+<KeyS>, Ctrl+<KeyS>",
        "<Enter>, Enter",
        "Meta+{1..9}, Meta+{1..9}",
        "Ctrl+Alt+{arrow}, Ctrl+Alt+{Arrow}",
        "{f1..f4}, {F1..F4}",
        "Meta+R \"notes\" Enter, Meta+R \"notes\" Enter",
        "\"a\" \"b\", \"ab\"",
        "Ctrl+Click, Ctrl+Click",
        "   Ctrl+K   Ctrl+S  , Ctrl+K Ctrl+S",
      })
  void readsSynonymsAndPrintsOneForm(String written, String printed) {
    assertThat(Gesture.parse(written)).hasToString(printed);
  }

  @ParameterizedTest
  @CsvSource(
      quoteCharacter = '`',
      value = {
        "Ctrl+, 6, a key",
        "Ctrl+Foo, 6, Foo",
        "Ctrl+(, 6, a key",
        "Alt(Tab, 8, )",
        "Alt(Tab))), 9, the end",
        "<KeyFoo>, 2, key code",
        "<KeyA, 6, >",
        "{1..1}, 6, range",
        "{1}, 1, family",
        "{1..a, 6, }",
        "Shift*0, 7, 1 to 9",
        "\"ab, 4, \"",
        "\"\", 3, text",
        "Ctrl Foo, 6, Foo",
        "<CapsLock>+, 12, a key",
        "'ab', 3, '",
        "\"\\x\", 3, after",
      })
  void refusesWithThePlaceAndWhatWasExpected(String written, int column, String expected) {
    assertThatThrownBy(() -> Gesture.parse(written))
        .isInstanceOfSatisfying(
            GestureSyntaxException.class,
            e -> {
              assertThat(e.column()).isEqualTo(column);
              assertThat(e.expected()).contains(expected);
              assertThat(e.getMessage()).contains("Column " + column);
            });
  }

  @Test
  void emptyTextSaysWhatToWrite() {
    assertThatThrownBy(() -> Gesture.parse("  "))
        .isInstanceOf(GestureSyntaxException.class)
        .hasMessageContaining("Ctrl+Shift+S");
  }

  @Test
  void hostileTextsAreBounded() {
    assertThatThrownBy(() -> Gesture.parse("Alt(".repeat(100_000)))
        .isInstanceOf(GestureSyntaxException.class)
        .message()
        .hasSizeLessThan(300);
    assertThatThrownBy(() -> Gesture.parse("Alt(".repeat(20) + "X" + ")".repeat(20)))
        .hasMessageContaining("nested");
    assertThatThrownBy(() -> Gesture.parse("A ".repeat(Gesture.MOST_STEPS + 1)))
        .hasMessageContaining("steps");
  }

  @Test
  void keysByPositionAndByCharacterAreToldApart() {
    assertThat(Gesture.parse("Ctrl+<KeyS>")).isNotEqualTo(Gesture.parse("Ctrl+S"));
    assertThat(Gesture.parse("Ctrl+[").steps())
        .containsExactly(new Stroke(Held.of(Modifier.CTRL), new KeyRef.Typed('[')));
    assertThat(Gesture.parse("Ctrl+<BracketLeft>").steps())
        .containsExactly(new Stroke(Held.of(Modifier.CTRL), new KeyRef.Placed(Key.BracketLeft)));
  }

  @Test
  void everyKindOfStepIsRead() {
    Gesture all = Gesture.parse("Shift*2 Alt(Tab Q) \"say \\\"hi\\\"\" RightShift+Drag A");
    assertThat(all.steps())
        .containsExactly(
            new Tap(Modifiers.of(Modifier.SHIFT), 2),
            new Hold(
                Held.of(Modifier.ALT),
                List.of(
                    new Stroke(Held.NOTHING, new KeyRef.Placed(Key.Tab)),
                    new Stroke(Held.NOTHING, new KeyRef.Typed('q')))),
            new Text("say \"hi\""),
            new Pointing(Held.of(Modifiers.of(Modifier.SHIFT, Side.RIGHT)), PointerAct.DRAG),
            new Stroke(Held.NOTHING, new KeyRef.Typed('a')));
    assertThat(all.usesPointer()).isTrue();
    // Two taps, Tab and Q, eight characters, a drag, A.
    assertThat(all.presses()).isEqualTo(2 + 2 + 8 + 1 + 1);
    assertThat(all.modifierPresses()).isEqualTo(0 + 1 + 0 + 1 + 0);
  }

  @Test
  void aTapOfTwoModifiersPressesOneOfThemMore() {
    assertThat(Gesture.parse("Ctrl+Shift").modifierPresses()).isEqualTo(1);
    assertThat(Gesture.parse("Ctrl+Shift+S").modifierPresses()).isEqualTo(2);
  }

  @Test
  void stepsThatMakeNoSenseCanNotBeBuilt() {
    assertThatThrownBy(() -> new Gesture(List.of())).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new Tap(Modifiers.NONE, 1))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new Hold(Held.NOTHING, Gesture.parse("A").steps()))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new Text("a\nb")).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new KeyRef.Typed(' ')).isInstanceOf(IllegalArgumentException.class);
  }
}
