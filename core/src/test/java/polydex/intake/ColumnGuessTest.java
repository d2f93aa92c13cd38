package polydex.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.intake.ColumnRoles.Target;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.keys.GestureReader;

/** Tables as people make them: what their columns are, and which are none of gestures. */
class ColumnGuessTest {
  /** Lines with slashes between, cells with bars; the first line is names, or may be. */
  private static ListTable table(String written) {
    List<List<String>> lines =
        Arrays.stream(written.split(" // "))
            .map(l -> Arrays.stream(l.split("\\|", -1)).map(String::strip).toList())
            .toList();
    List<ListTable.Line> rows = new ArrayList<>();
    for (int i = 1; i < lines.size(); i++) {
      rows.add(new ListTable.Line(i + 1, "", lines.get(i)));
    }
    return new ListTable("Lamps", lines.getFirst(), rows, new ListTable.Origin("", "table", 1));
  }

  private static TableFate fate(String written) {
    return TableFate.found(
        table(written), List.of("Elmdesk", "Fir shell"), true, List.of(GestureReader.PLAIN));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      quoteCharacter = '~',
      textBlock =
          """
          Action | Gesture // Dim | Ctrl+D // Raise | F2              ; action=1, gesture=2
          Keys to press | Effect // Ctrl+D | Dims it // F2 | Raises   ; action=2, gesture=1
          Default shortcut | What it does // F2 | Dims                ; action=2, gesture=1
          Touche | Fonction // F2 | Baisser // Ctrl+D | Lever         ; action=2, gesture=1
          Taste | Funktion // F2 | Dunkler // Ctrl+D | Heller         ; action=2, gesture=1
          Command | Elmdesk | Fir shell // Dim | F2 | F3              ; action=1, gesture=2+3
          No | Command | Keys | Remarks // 1 | Dim | F2 | fast        ; action=2, note=4, gesture=3
          Keys | Does | When // F2 | Dims | in a list                 ; context=3, action=2, gesture=1
          Name | Shortcut | Notes // Dim | F2 | // Raise | | none     ; action=1, note=3, gesture=2
          """)
  void namesSayWhatColumnsAre(String written, String columns) {
    TableFate fate = fate(written);
    assertThat(fate.taken()).isTrue();
    assertThat(fate.roles().written()).isEqualTo(columns);
    assertThat(fate.why()).isEqualTo("Columns: " + columns + ".");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      quoteCharacter = '~',
      textBlock =
          """
          One | Two // Dim the lamp | Ctrl+D // Raise it | F2 // Go | Ctrl+G   ; action=1, gesture=2
          | // Ctrl+D | Dim the lamp // F2 | Raise it // Ctrl+G | Go           ; action=2, gesture=1
          A | B | C // 1 | Dim the lamp | F2 // 2 | Raise it | F3 // 3 | Go | Ctrl+G ; action=2, gesture=3
          Thing | Press | Else // Dim the lamp | F2 | - // Raise | F3 | no     ; action=1, gesture=2
          """)
  void elseWhatTheyHoldDoes(String written, String columns) {
    TableFate fate = fate(written);
    assertThat(fate.taken()).isTrue();
    assertThat(fate.roles().written()).startsWith(columns);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      quoteCharacter = '~',
      textBlock =
          """
          Option | Default // Lamps | 2 // Font | Mono // Path | /a/b      ; No column of it reads as gestures.
          Name | Key size // Oak | 128 // Elm | 256                        ; No column of it reads as gestures.
          City | Home // Elm | Oak // Fir | Ash                            ; No column of it reads as gestures.
          Keys | Code // F1 | // Ctrl+A |                                  ; It has gestures, but no column with words for what they do.
          """)
  void whatIsNoListIsLeftWithTheReason(String written, String why) {
    TableFate fate = fate(written);
    assertThat(fate.taken()).isFalse();
    assertThat(fate.why()).isEqualTo(why);
    assertThat(fate.rows(Optional.of(new Target("Lamps", false)))).isEmpty();
    TableFate taken = fate.switched();
    assertThat(taken.taken()).isTrue();
    assertThat(taken.why()).startsWith("Taken, as you said; columns: ");
    assertThat(taken.switched().why()).isEqualTo("Left, as you said.");
  }

  @Test
  void aFirstLineThatIsDataIsALineLikeTheOthers() {
    TableFate fate = fate("Ctrl+D | Dim the lamp // F2 | Raise it // Ctrl+G | Go on");
    assertThat(rows(fate)).containsExactly("Dim the lamp: Ctrl+D", "Raise it: F2", "Go on: Ctrl+G");
    assertThat(fate.why()).endsWith("The first line is data, no names.");
    assertThat(rows(fate("Keys | Does // F2 | Raise it"))).containsExactly("Raise it: F2");
  }

  @Test
  void columnsOfSystemsAndWaysToDoTheSame() {
    TableFate systems = fate("Does | Oak | Ash // Dim it | Ctrl+D | Cmd+D // Raise it | F2 | F3");
    assertThat(systems.rows(Optional.of(new Target("Lamps", false))))
        .extracting(RequestedRow::system)
        .containsExactly("Oak", "Ash", "Oak", "Ash");
    TableFate ways = fate("Does | Keys | Alternative // Dim it | Ctrl+D | F5 // Raise | F2 | F3");
    assertThat(ways.rows(Optional.of(new Target("Lamps", false))))
        .extracting(RequestedRow::system)
        .containsOnly("");
    assertThat(rows(ways))
        .containsExactly("Dim it: Ctrl+D", "Dim it: F5", "Raise: F2", "Raise: F3");
  }

  /** What is taken because someone says so has its words from where most words are. */
  @Test
  void whatIsTakenAllTheSameHasTheLikeliestColumns() {
    TableFate fate = fate("No | Thing to know | Value // 1 | The lamp of the house | 2");
    assertThat(fate.taken()).isFalse();
    assertThat(fate.switched().roles().written()).startsWith("action=2");
  }

  private static List<String> rows(TableFate fate) {
    return fate.rows(Optional.of(new Target("Lamps", false))).stream()
        .map(r -> r.action() + ": " + r.gesture())
        .collect(Collectors.toList());
  }
}
