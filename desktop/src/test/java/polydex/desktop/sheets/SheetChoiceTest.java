package polydex.desktop.sheets;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.desktop.sheets.SheetChoice.Option;
import polydex.files.Shipped;
import polydex.files.sheets.Paper;
import polydex.sheets.Sheet;
import polydex.sheets.SheetKind;

/** What can be chosen for a sheet: each value leads to another choice, and all the way round. */
class SheetChoiceTest {
  private static final Catalog CATALOG = Shipped.demo().catalog();

  @ParameterizedTest
  @EnumSource(SheetKind.class)
  void everyValueCanBeChosenAndSaysThatItIs(SheetKind kind) {
    SheetChoice choice = SheetChoice.FIRST.of(kind);
    for (Option option : choice.options(CATALOG)) {
      assertThat(option.isTyped()).isEqualTo(option.name().equals("Words"));
      assertThat(option.name().equals("Words")).isIn(false, kind == SheetKind.FOUND);
      Set<SheetChoice> met = new HashSet<>();
      for (int i = 0; i < option.values().size(); i++) {
        SheetChoice other = option.choose().apply(choice, i);
        assertThat(met.add(other)).as(option.name() + " " + i).isTrue();
        Option again =
            other.options(CATALOG).stream()
                .filter(o -> o.name().equals(option.name()))
                .findFirst()
                .orElseThrow();
        assertThat(again.now()).isEqualTo(i);
        assertThat(again.value()).isEqualTo(option.values().get(i));
        assertThat(other.kind()).isEqualTo(kind);
      }
      assertThat(option.choose().apply(choice, option.now())).isEqualTo(choice);
    }
  }

  @Test
  void aChoiceOfOneThingLeavesTheOthers() {
    SheetChoice choice = SheetChoice.FIRST.of(SheetKind.COMPARE).finding("cut");
    for (Option option : choice.options(CATALOG)) {
      choice = option.choose().apply(choice, option.values().size() - 1);
    }
    List<Environment> all = CATALOG.environments();
    assertThat(choice.environment()).contains(all.getLast().id());
    assertThat(choice.other()).contains(all.getLast().id());
    assertThat(choice.paper()).isEqualTo(new Paper(Paper.Size.LETTER, true, Paper.Form.LARGE));
    assertThat(choice.words()).isEqualTo("cut");
    assertThat(choice.of(SheetKind.WEEK).environment()).isEqualTo(choice.environment());
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Laptop: cue editor | Laptop cue editor",
        "../../etc/passwd | etc passwd",
        "“copy” <b> | copy b",
        "C:\\\\x\\ny | C x ny",
        "??? | Sheet",
        "Ж и 日本 | Ж и 日本"
      })
  void aTitleIsANameOfAFileAnywhere(String title, String name) {
    Sheet sheet =
        new Sheet(title, "", List.of(), List.of(), new Sheet.Foot(LocalDate.EPOCH, "", ""));
    assertThat(SheetsView.name(sheet)).isEqualTo(name);
    assertThat(Optional.of(SheetsView.name(longer(title))))
        .hasValueSatisfying(n -> assertThat(n.length()).isLessThanOrEqualTo(80));
  }

  private static Sheet longer(String title) {
    return new Sheet(
        title.repeat(200), "", List.of(), List.of(), new Sheet.Foot(LocalDate.EPOCH, "", ""));
  }
}
