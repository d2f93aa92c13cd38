package polydex.files.json;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.catalog.Binding;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.route.Setup;
import polydex.workspace.Workspace;

class ModelJsonTest {

  @Test
  void whatIsWrittenIsReadAgain() throws Exception {
    for (Workspace shipped : List.of(Shipped.demo(), Shipped.start())) {
      for (Setup setup : shipped.setups().values()) {
        assertThat(ModelJson.read("setup", ModelJson.write(setup), Setup.class)).isEqualTo(setup);
      }
      for (Board board : shipped.world().boards().values()) {
        assertThat(ModelJson.read("board", ModelJson.write(board), Board.class)).isEqualTo(board);
      }
      for (Layout layout : shipped.world().layouts().values()) {
        assertThat(ModelJson.read("layout", ModelJson.write(layout), Layout.class))
            .isEqualTo(layout);
      }
      for (var environment : shipped.catalog().environments()) {
        KeymapFile file =
            new KeymapFile(
                "polydex-keymap/1",
                environment,
                List.of(),
                shipped.catalog().bindings(environment.id()));
        assertThat(ModelJson.read("keymap", ModelJson.writePretty(file), KeymapFile.class))
            .isEqualTo(file);
      }
    }
  }

  @Test
  void aBindingLeavesOutWhatGoesWithoutSaying() throws Exception {
    String written = "{\"action\":\"edit.copy\",\"gesture\":\"Ctrl+C\"}";
    Binding binding = ModelJson.read("b", written, Binding.class);
    assertThat(binding.context()).isEqualTo("anywhere");
    assertThat(binding.id()).isEqualTo("anywhere:edit.copy:Ctrl+C");
    assertThat(ModelJson.write(binding)).isEqualTo(written);
  }

  @ParameterizedTest
  @CsvSource(
      quoteCharacter = '`',
      delimiter = ';',
      value = {
        "{\"format\":\"f\",NEWLINE\"bindings\":[{\"action\":\"a\",\"gesture\":\"Ctrl+\"}]}; line 2, at bindings[0].gesture: Column 6",
        "{\"format\":\"f\",\"bindings\":[{\"action\":\"a\"}]}; the field “gesture” is missing",
        "{\"format\":\"f\",\"bindings\":[{\"action\":\"a\",\"gesture\":\"F2\",\"colour\":1}]}; no field “colour”",
        "{\"format\":\"f\",\"format\":\"g\"}; stands here twice",
        "{\"format\":\"f\",\"environment\":{\"id\":\"x\",\"version\":\"one\"}}; Not a version",
        "{\"format\":; line 1",
      })
  void whatCanNotBeReadIsSaidWithFileLineAndPath(String json, String said) {
    assertThatThrownBy(
            () -> ModelJson.read("mine.json", json.replace("NEWLINE", "\n"), KeymapFile.class))
        .isInstanceOf(FileProblem.class)
        .hasMessageStartingWith("mine.json, line ")
        .hasMessageContaining(said);
  }

  @Test
  void hostileNestingIsRefused() {
    String deep = "[".repeat(100_000);
    assertThatThrownBy(() -> ModelJson.read("deep.json", deep, List.class))
        .isInstanceOf(FileProblem.class);
  }
}
