package polydex.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import polydex.keys.Gesture;
import polydex.keys.GestureReader;
import polydex.keys.GestureSyntaxException;

class GestureCellTest {

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      quoteCharacter = '\u0001',
      textBlock =
          """
          Ctrl+C or Ctrl+Insert         ; Ctrl+C ~ Ctrl+Insert      ; ; ;
          F5 / Ctrl+R                   ; F5 ~ Ctrl+R               ; ; ;
          F5/Ctrl+R                     ; F5 ~ Ctrl+R               ; ; ;
          Ctrl++                        ; Ctrl+'+'                  ; ; ;
          Ctrl++ or Ctrl+=              ; Ctrl+'+' ~ Ctrl+=         ; ; ;
          Ctrl+,                        ; Ctrl+,                    ; ; ;
          Ctrl+/                        ; Ctrl+/                    ; ; ;
          Win+X, U                      ; Meta+X U                  ; ; ;
          Alt, F, S                     ; Alt F S                   ; ; ;
          F5, Ctrl+R, or F9             ; F5 ~ Ctrl+R ~ F9          ; ; ;
          Ctrl+C or the menu            ; Ctrl+C                    ; ; ;
          Ctrl+Home/End                 ; Ctrl+Home ~ Ctrl+End      ; ; ;
          Ctrl+1/2/3                    ; Ctrl+1 ~ Ctrl+2 ~ Ctrl+3  ; ; ;
          C-c C-n/p                     ; Ctrl+C Ctrl+N ~ Ctrl+C Ctrl+P ; ; ;
          ⌘↑/↓                          ; Meta+Up ~ Meta+Down       ; ; ;
          Ctrl-PageUp/PageDown          ; Ctrl+PageUp ~ Ctrl+PageDown ; ; ;
          Ctrl++/Ctrl+-                 ; Ctrl+'+' ~ Ctrl+-         ; ; ;
          Ctrl+1, Ctrl+2, …, Ctrl+9     ; Ctrl+{1..9}               ; ; ;
          [Ctrl]+[S] or [Shift]+[F5]    ; Ctrl+S ~ Shift+F5         ; ; ;
          Shift (twice)                 ; Shift*2                   ; ; ;
          Ctrl+Alt+[ (left bracket)     ; Ctrl+Alt+[                ; ; ;
          Delete / Backspace            ; Delete ~ Backspace        ; ; ;
          Ctrl+Tab (in a window)        ; Ctrl+Tab                  ; ; ; in a window
          Ctrl+Tab (since 3.1)          ; Ctrl+Tab                  ; 3.1 ; ;
          F7 (until version 2) (fast)   ; F7                        ; ; 2 ; fast
          F7 (v2+) or F8 (numbers only) ; F7 ~ F8                   ; 2 ; ; numbers only
          Ctrl+B [1]                    ; Ctrl+B                    ; ; ;
          Ctrl+B †                      ; Ctrl+B                    ; ; ;
          Ctrl+*                        ; Ctrl+'*'                  ; ; ;
          Ctrl+(                        ; Ctrl+'('                  ; ; ;
          """)
  void oneOrSeveralWithWhatBracketsSay(
      String cell, String gestures, String since, String until, String note) {
    GestureCell read = GestureCell.read(cell, GestureReader.PLAIN);
    assertThat(read.gestures())
        .isEqualTo(
            List.of(gestures.split("~")).stream()
                .map(g -> Gesture.parse(g.strip()))
                .collect(Collectors.toList()));
    assertThat(read.since().map(v -> v.written()).orElse("")).isEqualTo(since == null ? "" : since);
    assertThat(read.until().map(v -> v.written()).orElse("")).isEqualTo(until == null ? "" : until);
    assertThat(read.note()).isEqualTo(note == null ? "" : note);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "Ctrl+Enter/F5",
        "Ctrl+K, Ctrl+S",
        "F5, F9",
        "the menu",
        "0 for paper, 1 for film, a",
        "",
        "none",
        "or"
      })
  void whatCouldMeanTwoThingsIsRefused(String cell) {
    assertThatThrownBy(() -> GestureCell.read(cell, GestureReader.PLAIN))
        .isInstanceOf(GestureSyntaxException.class);
  }

  /** Gestures with the system behind an at sign. */
  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      textBlock =
          """
          Ctrl/Cmd+S                            ; Ctrl+S@Ctrl Meta+S@Meta
          Ctrl / ⌘ + S                          ; Ctrl+S@Ctrl Meta+S@Meta
          Ctrl or Cmd + S                       ; Ctrl+S@Ctrl Meta+S@Meta
          ⌘S / Ctrl+S                           ; Meta+S@Meta Ctrl+S@Ctrl
          Ctrl/Cmd+Alt/Option+S                 ; Ctrl+Alt+S@Ctrl Meta+Alt+S@Meta
          Ctrl+S, Cmd+S                         ; Ctrl+S@Ctrl Meta+S@Meta
          Oak: Ctrl+S Elm: Cmd+S                ; Ctrl+S@Oak Meta+S@Elm
          Oak: F2, Elm: Return                  ; F2@Oak Enter@Elm
          Ctrl+S or F2                          ; Ctrl+S F2
          Ctrl+S or Meta+T                      ; Ctrl+S Meta+T
          """)
  void systemsSideBySideAreVariants(String cell, String read) {
    assertThat(
            GestureCell.read(cell, GestureReader.PLAIN).alternatives().stream()
                .map(a -> a.gesture() + (a.system().isEmpty() ? "" : "@" + a.system()))
                .collect(Collectors.joining(" ")))
        .isEqualTo(read);
  }

  private static String read(Dialect dialect, String cell) {
    return switch (new CellReader(GestureReader.PLAIN, dialect).read(cell)) {
      case GestureCell.Read(GestureCell read) ->
          read.alternatives().stream()
              .map(a -> a.gesture() + (a.system().isEmpty() ? "" : "@" + a.system()))
              .collect(Collectors.joining(" ~ "));
      case GestureCell.Nothing _ -> "nothing";
      case GestureCell.Unclear(ReadingChoice choice, String _) -> "asks " + choice.written();
      case GestureCell.Unreadable _ -> "unreadable";
    };
  }

  private static String inList(String cell, boolean named, String... others) {
    List<String> all = new ArrayList<>(List.of(others));
    all.add(cell);
    return read(Dialect.of(all, GestureReader.PLAIN, named, Map.of()), cell);
  }

  @Test
  void theListAsAWholeTellsWhatACellAloneDoesNot() {
    String chord = "Ctrl+K, Ctrl+S";
    assertThat(inList(chord, true)).isEqualTo("asks commas");
    assertThat(inList(chord, true, "Ctrl+K, Ctrl+F")).isEqualTo("Ctrl+K Ctrl+S");
    assertThat(inList(chord, true, "Ctrl+S", "F5")).isEqualTo("Ctrl+K ~ Ctrl+S");
    assertThat(inList("-", true, "Ctrl+A", "Ctrl+B")).isEqualTo("nothing");
    assertThat(inList("-", true, "=", "/", "*", "Ctrl+A")).isEqualTo("-");
    assertThat(inList("2", false, "Ctrl+A", "Ctrl+B")).isEqualTo("asks singles");
    assertThat(inList("2", false, "1", "3", "4", "Ctrl+B")).isEqualTo("2");
    assertThat(inList("2", true, "Ctrl+A")).isEqualTo("2");
    assertThat(inList("G", true, "g", "gg")).isEqualTo("Shift+G");
    assertThat(inList("G", true, "h")).isEqualTo("G");
    assertThat(inList("Strg+Entf oder F8", true)).isEqualTo("Ctrl+Delete ~ F8");
    assertThat(inList("F2 (on Oak), Return (on Elm)", true, "Ctrl+S (on Oak), Cmd+S (on Elm)"))
        .isEqualTo("F2@on Oak ~ Enter@on Elm");
    for (String none : List.of("none", "—", "-", "unset", "Disabled", "n/a", "")) {
      assertThat(inList(none, true, "Ctrl+A")).as(none).isEqualTo("nothing");
    }
    Dialect said =
        Dialect.of(
            List.of(chord), GestureReader.PLAIN, true, Map.of(ReadingChoice.COMMAS, "either"));
    assertThat(read(said, chord)).isEqualTo("Ctrl+K ~ Ctrl+S");
  }

  /**
   * Characters for nobody's use stand for what was in brackets; a list may have some of its own.
   */
  @ParameterizedTest
  @ValueSource(strings = {"\ue005 or F2", "\ue000 (x), \ue03f (y)", "(ab) \ue001, Ctrl+S (cd)"})
  void charactersOfOursInAListHarmNothing(String cell) {
    String found = inList(cell, true, "Ctrl+S (oak), Cmd+S (elm)");
    assertThat(found)
        .isEqualTo(cell.contains("F2") ? "F2" : cell.contains("Ctrl") ? "Ctrl+S" : "unreadable");
  }
}
