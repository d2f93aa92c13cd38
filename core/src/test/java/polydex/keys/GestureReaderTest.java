package polydex.keys;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowable;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.keys.GestureReader.Reading;

class GestureReaderTest {

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '\u0001',
      textBlock =
          """
          Ctrl+Shift+S                  | OWN         | Ctrl+Shift+S
          Alt F S                       | OWN         | Alt F S
          shift*2                       | OWN         | Shift*2
          <Primary><Shift>s             | ACCELERATOR | Ctrl+Shift+S
          <Super>Left                   | ACCELERATOR | Meta+Left
          <Alt>f4                       | ACCELERATOR | Alt+F4
          <Ctrl>plus                    | ACCELERATOR | Ctrl+'+'
          <Shift>ISO_Left_Tab           | ACCELERATOR | Shift+Tab
          bracketleft                   | ACCELERATOR | [
          Page_Up                       | ACCELERATOR | PageUp
          KP_Add                        | ACCELERATOR | NumpadAdd
          <Super>Above_Tab              | ACCELERATOR | Meta+<Backquote>
          XF86AudioMute                 | ACCELERATOR | AudioVolumeMute
          Super_L                       | ACCELERATOR | LeftMeta
          Ctrl+K, Ctrl+S                | SEQUENCE    | Ctrl+K Ctrl+S
          Win+X, U, U                   | SEQUENCE    | Meta+X U U
          C-x C-s                       | TERSE       | Ctrl+X Ctrl+S
          M-x                           | TERSE       | Alt+X
          s-l                           | TERSE       | Meta+L
          C-M-<right>                   | TERSE       | Ctrl+Alt+Right
          S-<f5>                        | TERSE       | Shift+F5
          M-DEL                         | TERSE       | Alt+Backspace
          C-x 4 f                       | TERSE       | Ctrl+X 4 F
          M->                           | TERSE       | Alt+'>'
          C--                           | TERSE       | Ctrl+-
          <f1> k                        | TERSE       | F1 K
          M-X                           | TERSE       | Alt+Shift+X
          ⌘⇧S                           | SYMBOLS     | Meta+Shift+S
          ⌃⌥⌫                           | SYMBOLS     | Ctrl+Alt+Backspace
          ⇧⌥⌘V                          | SYMBOLS     | Meta+Alt+Shift+V
          ↩                             | SYMBOLS     | Enter
          ⌘⇟                            | SYMBOLS     | Meta+PageDown
          Ctrl+↑                        | SYMBOLS     | Ctrl+Up
          ⌘+                            | SYMBOLS     | Meta+'+'
          ⌘-                            | SYMBOLS     | Meta+-
          ⌘K ⌘S                         | SYMBOLS     | Meta+K Meta+S
          ⌘ Space                       | SYMBOLS     | Meta+Space
          Control-Shift-W               | PROSE       | Ctrl+Shift+W
          ctrl + alt + del              | PROSE       | Ctrl+Alt+Delete
          Cmd Shift 4 then Space        | PROSE       | Meta+Shift+4 Space
          hold Alt and tap Tab          | PROSE       | Alt+Tab
          hold Alt and press Tab twice  | PROSE       | Alt(Tab Tab)
          while holding Ctrl, press K, then S | PROSE | Ctrl(K S)
          Shift + F10                   | PROSE       | Shift+F10
          Ctrl + Plus                   | PROSE       | Ctrl+'+'
          Ctrl and -                    | PROSE       | Ctrl+-
          Ctrl + A                      | PROSE       | Ctrl+A
          Ctrl--                        | PROSE       | Ctrl+-
          Ctrl Shift S                  | PROSE       | Ctrl+Shift+S
          Shift F10                     | PROSE       | Shift+F10
          Right Alt+E                   | PROSE       | RightAlt+E
          Ctrl-Left                     | PROSE       | Ctrl+Left
          Ctrl+Left arrow               | PROSE       | Ctrl+Left
          Ctrl+Right click              | PROSE       | Ctrl+RightClick
          press Shift twice             | PROSE       | Shift*2
          double-tap Shift              | PROSE       | Shift*2
          Ctrl+Page Down                | PROSE       | Ctrl+PageDown
          Windows key + L               | PROSE       | Meta+L
          Ctrl+1-9                      | PROSE       | Ctrl+{1..9}
          F1 to F12                     | PROSE       | {F1..F12}
          Ctrl+arrow keys               | PROSE       | Ctrl+{Arrow}
          Control-X B                   | PROSE       | Ctrl+X B
          Ctrl + question mark          | PROSE       | Ctrl+?
          Alt, then F, then S           | PROSE       | Alt F S
          press and hold Alt, then press Tab | PROSE  | Alt+Tab
          Command-?                     | PROSE       | Meta+?
          fn⌃F2                         | SYMBOLS     | Ctrl+Fn+F2
          Ctrl + Numpad 0               | PROSE       | Ctrl+Numpad0
          [Ctrl]+[S]                    | OWN         | Ctrl+S
          [Ctrl][Shift] [F5]            | OWN         | Ctrl+Shift+F5
          <Ctrl> + <Alt> + <Del>        | PROSE       | Ctrl+Alt+Delete
          `Ctrl`+`S`                    | OWN         | Ctrl+S
          **Ctrl**+*S*                  | OWN         | Ctrl+S
          kbd:[Ctrl+S]                  | OWN         | Ctrl+S
          ^X^E                          | ESCAPED     | Ctrl+X Ctrl+E
          ^⌘F                           | SYMBOLS     | Ctrl+Meta+F
          \\C-x\\C-r                    | ESCAPED     | Ctrl+X Ctrl+R
          \\M-f                         | ESCAPED     | Alt+F
          \\e[1;5C                      | ESCAPED     | Ctrl+Right
          \\e[3~                        | ESCAPED     | Delete
          <C-s>                         | ANGLED      | Ctrl+S
          <C-w>s                        | ANGLED      | Ctrl+W S
          <C-w>S                        | ANGLED      | Ctrl+W Shift+S
          <S-Tab>                       | ANGLED      | Shift+Tab
          <CR>                          | ANGLED      | Enter
          Mod1+Tab                      | PROSE       | Alt+Tab
          $mod+Shift+q                  | PROSE       | Meta+Shift+Q
          W-Return                      | TERSE       | Meta+Enter
          A-S-Tab                       | TERSE       | Alt+Shift+Tab
          ctrl+a>m                      | PROSE       | Ctrl+A M
          Ctrl+>                        | PROSE       | Ctrl+'>'
          Ctrl+[ (left bracket)         | PROSE       | Ctrl+[
          Ctrl + - (minus)              | PROSE       | Ctrl+-
          Ctrl+(plus)                   | PROSE       | Ctrl+'+'
          Num +                         | PROSE       | NumpadAdd
          Ctrl+Numpad *                 | PROSE       | Ctrl+NumpadMultiply
          Ctrl+5 (numeric keypad)       | PROSE       | Ctrl+Numpad5
          Ctrl+PageDn                   | PROSE       | Ctrl+PageDown
          Ctrl+Plus Sign                | PROSE       | Ctrl+'+'
          Print                         | PROSE       | PrintScreen
          Play/Pause                    | PROSE       | MediaPlayPause
          Shift (twice)                 | PROSE       | Shift*2
          double Shift                  | PROSE       | Shift*2
          ⊞ Win+E                       | SYMBOLS     | Meta+E
          Win ⊞ + E                     | SYMBOLS     | Meta+E
          Ctrl+1 to Ctrl+8              | PROSE       | Ctrl+{1..8}
          Ctrl+1 – Ctrl+8               | PROSE       | Ctrl+{1..8}
          Alt+[1-9]                     | PROSE       | Alt+{1..9}
          Ctrl+1…9                      | PROSE       | Ctrl+{1..9}
          Page ↓                        | PROSE       | PageDown
          """)
  void readsTheFormsAndTellsThemApart(String text, Notation form, String gesture) {
    assertThat(GestureReader.PLAIN.read(text)).isEqualTo(new Reading(form, Gesture.parse(gesture)));
  }

  /** Column, and what the sentence says was expected. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '\u0001',
      textBlock =
          """
          Alt F4               | 4  | “+” if the keys go down together
          Ctrl +               | 7  | a key
          Ctrl-                | 6  | a key
          Ctrl X B             | 8  | “then” or a comma
          Ctrl+A+B             | 7  | a step or the end
          Foo+S                | 1  | “Foo” is none
          Ctrl+C or Ctrl+V     | 8  | “or” is none
          <Foo>s               | 2  | “Foo” is none
          <Super>Foo           | 8  | “Foo” is none
          C-C-x                | 3  | each once
          C-foo                | 3  | “foo” is none
          Ctrl plus S          | 11 | “then” or a comma
          press S twice        | 7  | a modifier, where something is pressed several times
          Ctrl+Scroll up       | 13 | “then” or a comma
          Ctrl+PgUp/PgDn       | 10 | a step or the end
          hold S               | 6  | a modifier that is held
          Ctrl+S,              | 8  | another step
          Ctrl+Ctrl+S          | 6  | each modifier once
          Meta Meta+E          | 6  | “then”
          Ctrl+S⌘S             | 7  | a step or the end
          ⌘K⌘S                 | 3  | “then” or a comma
          Num                  | 4  | a key of the number pad
          Strg+Entf            | 6  | “Entf” is none
          """)
  void refusesWithThePlaceAndWhatWasExpected(String text, int column, String expected) {
    assertThatThrownBy(() -> GestureReader.PLAIN.read(text))
        .isInstanceOfSatisfying(
            GestureSyntaxException.class,
            e -> {
              assertThat(e.column()).as(e.getMessage()).isEqualTo(column);
              assertThat(e.expected()).contains(expected);
            });
  }

  /** A list in another language is recognised as a whole, and read with that language's names. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          GERMAN     | Strg+Umschalt+Entf | Ctrl+Shift+Delete | Bild ↑              | PageUp
          GERMAN     | Umschalt-Taste+F10 | Shift+F10         | Pfeil nach links    | Left
          FRENCH     | Ctrl+Maj.+Suppr    | Ctrl+Shift+Delete | Ctrl + Impr. écran  | Ctrl+PrintScreen
          FRENCH     | Échap              | Esc               | Barre d’espace      | Space
          SPANISH    | Ctrl+Mayús+Supr    | Ctrl+Shift+Delete | Re Pág              | PageUp
          ITALIAN    | Ctrl+Maiusc+Canc   | Ctrl+Shift+Delete | Pag giù             | PageDown
          PORTUGUESE | Ctrl+Início        | Ctrl+Home         | Seta para cima      | Up
          DUTCH      | Ctrl+spatiebalk    | Ctrl+Space        | pijl omlaag         | Down
          SWEDISH    | Ctrl+mellanslag    | Ctrl+Space        | Vänsterpil          | Left
          POLISH     | Ctrl+spacja        | Ctrl+Space        | strzałka w górę     | Up
          RUSSIAN    | Ctrl+Пробел        | Ctrl+Space        | стрелка вправо      | Right
          JAPANESE   | Ctrl+スペースキー  | Ctrl+Space        | 左矢印キー          | Left
          ENGLISH    | Ctrl+Home          | Ctrl+Home         | Find                | Find
          """)
  void readsTheNamesOfTheLanguageOfTheList(
      KeyLanguage language, String one, String oneMeant, String other, String otherMeant) {
    assertThat(KeyLanguage.of(List.of(one, other, "F1"))).isEqualTo(language);
    GestureReader reader = GestureReader.PLAIN.in(language);
    assertThat(reader.read(one).gesture()).isEqualTo(Gesture.parse(oneMeant));
    assertThat(reader.read(other).gesture()).isEqualTo(Gesture.parse(otherMeant));
    assertThat(reader.read("Ctrl+Shift+Del").gesture())
        .isEqualTo(Gesture.parse("Ctrl+Shift+Delete"));
  }

  @Test
  void lettersMeanShiftByTheirCaseWhereAListWritesSo() {
    GestureReader reader = GestureReader.PLAIN.byCase();
    assertThat(
            Stream.of("G", "g", "gg", "ZZ", "Ctrl+G", "Up", "F1", "H L", "c F", "g RET", "SPC")
                .map(reader::read))
        .extracting(r -> r.gesture().toString())
        .containsExactly(
            "Shift+G",
            "G",
            "G G",
            "Shift+Z Shift+Z",
            "Ctrl+G",
            "Up",
            "F1",
            "Shift+H Shift+L",
            "C Shift+F",
            "G Enter",
            "Space");
    assertThatThrownBy(() -> reader.read("LFD")).isInstanceOf(GestureSyntaxException.class);
    assertThatThrownBy(() -> GestureReader.PLAIN.read("gg"))
        .isInstanceOf(GestureSyntaxException.class);
  }

  @Test
  void anEnvironmentsOwnWordsAndPrimaryModifierAreRead() {
    GestureReader reader =
        new GestureReader(Modifier.META, Map.of(Modifier.META, "Wing", Modifier.ALT, "Sym"));
    assertThat(reader.read("Wing+Sym+T").gesture()).isEqualTo(Gesture.parse("Meta+Alt+T"));
    assertThat(reader.read("<Primary>c").gesture()).isEqualTo(Gesture.parse("Meta+C"));
    assertThat(reader.read("Primary+C").gesture()).isEqualTo(Gesture.parse("Meta+C"));
    assertThatThrownBy(() -> GestureReader.PLAIN.read("Wing+T"))
        .isInstanceOf(GestureSyntaxException.class);
  }

  @Provide
  Arbitrary<Gesture> gestures() {
    return GestureArbitraries.gestures(true);
  }

  /** What we print is read as what it was, or refused as unclear where taps stand in it. */
  @Property(tries = 2000)
  void printedGesturesAreReadBack(@ForAll("gestures") Gesture gesture) {
    boolean taps = gesture.steps().stream().anyMatch(Step.Tap.class::isInstance);
    boolean sides = gesture.toString().matches(".*\\b(Left|Right) .*");
    boolean arrows = gesture.toString().matches(".*[⌘⇧⌃⌥←→↑↓].*");
    boolean joints = gesture.toString().matches(".* [-–—…/|&,;] .*");
    if (!taps && !sides && !arrows && !joints) {
      assertThat(GestureReader.PLAIN.read(gesture.toString()).gesture()).isEqualTo(gesture);
    }
  }

  @Provide
  Arbitrary<String> almostGestures() {
    return Arbitraries.of(
            List.of(
                "Ctrl", "+", " ", "-", "C-", "<", ">", "Super", "⌘", "⇧", "then", "hold", "and",
                "twice", "press", "\"", "“", "left", "click", "F1", "to", "9", "S", ",", "(",
                "\u0000", "𝒳", "Page", "Down", "..", "…", "double", "{", "U20AC", "KP_", "or",
                "–"))
        .list()
        .ofMaxSize(9)
        .map(l -> String.join("", l));
  }

  /** Nothing throws but the documented refusal, which points into the text. */
  @Property(tries = 5000)
  void readsOrRefuses(@ForAll("almostGestures") String text) {
    Throwable thrown = catchThrowable(() -> GestureReader.PLAIN.read(text));
    if (thrown == null) {
      Gesture gesture = GestureReader.PLAIN.read(text).gesture();
      assertThat(Gesture.parse(gesture.toString())).isEqualTo(gesture);
    } else {
      assertThat(thrown).isInstanceOf(GestureSyntaxException.class);
      assertThat(((GestureSyntaxException) thrown).column()).isBetween(1, text.length() + 1);
    }
  }
}
