package polydex.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.stream.Collectors;
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
          Ctrl+K, Ctrl+S                ; Ctrl+K Ctrl+S             ; ; ;
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
  @ValueSource(strings = {"Ctrl+Home/End", "Ctrl+Left/Right", "Ctrl+C or nothing", "", "-", "none"})
  void whatCouldMeanTwoThingsIsRefused(String cell) {
    assertThatThrownBy(() -> GestureCell.read(cell.equals("-") ? "or" : cell, GestureReader.PLAIN))
        .isInstanceOf(GestureSyntaxException.class);
  }
}
