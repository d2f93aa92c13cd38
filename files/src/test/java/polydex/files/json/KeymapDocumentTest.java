package polydex.files.json;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.keys.Gesture;
import polydex.workspace.KeymapEdit;
import polydex.workspace.Workspace;

class KeymapDocumentTest {
  private static final String KEYMAP =
      """
      {
        "format": "polydex-keymap/1",
        "editor": {"theirs": [1, 2]},
        "environment": {
          "id": "prop-list", "version": "2", "title": "Prop list", "colour": "blue",
          "contexts": [{"id": "anywhere", "title": "anywhere"}],
          "whenBroken": "SWALLOW", "kind": {"type": "application"},
          "menus": [{"title": "Props", "accessKey": "p",
            "items": [{"title": "Count", "accessKey": "c", "action": "props.count"}]}],
          "pointerRoutes": [{"action": "props.count", "path": ["Props", "Count"], "operators": "M H P BB P BB H"}]
        },
        "actions": [
          {"id": "props.count", "title": "Count the props", "group": "Props", "weight": 3},
          {"id": "props.uncount", "title": "Forget the count", "group": "Props",
           "harm": "LOSES_WORK", "opposite": "props.count", "toggles": true}
        ],
        "bindings": [
          {"gesture": "Ctrl+Shift+C", "action": "props.uncount", "since": "1.1", "mood": "glad"},
          {"gesture": "Ctrl+{1..3}", "note": "by shelf", "action": "props.count", "fixed": true,
           "caveat": "slow", "hook": "C as in count", "device": "number pad"}
        ]
      }
      """;

  private static Object tree(String json) throws IOException {
    // Compared as a text, so that the order of fields counts.
    return new ObjectMapper().readTree(json).toString();
  }

  @Test
  void readingAndWritingLosesNothingAndKeepsOrder() throws Exception {
    KeymapDocument read = KeymapDocument.read("k", KEYMAP);
    assertThat(tree(read.text())).isEqualTo(tree(KEYMAP));
    KeymapFile keymap = read.keymap();
    assertThat(tree(read.saying(keymap.environment(), keymap.actions(), keymap.bindings()).text()))
        .isEqualTo(tree(KEYMAP));
  }

  @Test
  void whatChangesInTheProgramChangesNothingElseInTheFile() throws Exception {
    Workspace before = ModelFiles.read(Shipped.start(), "k", KEYMAP).edit().after();
    Binding family = before.catalog().bindings(new EnvironmentId("prop-list")).getLast();
    Workspace after =
        KeymapEdit.change(
                before,
                new EnvironmentId("prop-list"),
                family,
                family.with(family.id(), Gesture.parse("Alt+{1..3}")))
            .after();
    Binding added = Binding.of("new", new ActionId("props.count"), Gesture.parse("F6"));
    after = KeymapEdit.add(after, new EnvironmentId("prop-list"), added).orElseThrow().after();
    String expected =
        KEYMAP
            .replace("Ctrl+{1..3}", "Alt+{1..3}")
            .replace(
                "\"number pad\"}",
                "\"number pad\", \"id\": \""
                    + family.id()
                    + "\"}, "
                    + "{\"action\": \"props.count\", \"gesture\": \"F6\", \"id\": \"new\"}");
    assertThat(tree(ModelFiles.write(after, new EnvironmentId("prop-list")).orElseThrow()))
        .isEqualTo(tree(expected));
    Binding first = after.catalog().bindings(new EnvironmentId("prop-list")).getFirst();
    after = KeymapEdit.remove(after, new EnvironmentId("prop-list"), first).after();
    assertThat(ModelFiles.write(after, new EnvironmentId("prop-list")).orElseThrow())
        .doesNotContain("glad")
        .contains("theirs", "blue");
    assertThat(KeymapEdit.add(after, new EnvironmentId("prop-list"), added))
        .as("known already")
        .isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '\u0001',
      textBlock =
          """
          "version": "2"              | "version": "two"              | line 5, at /environment/version
          "title": "Count", "acc      | "title": 7, "acc              | line 9, at /environment/menus/0/items/0/title
          "Ctrl+Shift+C"              | "Ctrl+Shift+"                 | line 18, at bindings[0].gesture: Column 12
          "gesture": "Ctrl+{1..3}",   | "gestures": "Ctrl+{1..3}",    | line 19, at /bindings/1: required property 'gesture' not found
          "props.uncount", "since"    | "props.nothing", "since"      | No action props.nothing
          "LOSES_WORK"                | "SAD"                         | line 15, at /actions/1/harm
          "M H P BB P BB H"           | "M Q"                         | line 10, at /environment/pointerRoutes/0/operators
          {"theirs": [1, 2]}          | {"theirs": [1, 2}             | line 3
          """)
  void messagesNameFileLineAndPath(String was, String is, String message) {
    String text = KEYMAP.replace(was.strip(), is.strip());
    assertThat(text).isNotEqualTo(KEYMAP);
    assertThatThrownBy(() -> ModelFiles.read(Shipped.start(), "my.json", text))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining(message.strip());
  }

  @Test
  void boardsAndLayoutsAreBroughtIn() throws Exception {
    Workspace start = Shipped.start();
    String layout =
        ModelJson.writeFile("polydex-layout/1", start.world().layouts().get("de"))
            .replace("\"de\"", "\"mine\"");
    assertThat(ModelFiles.isOurs(layout)).isTrue();
    Workspace with = ModelFiles.read(start, "l", layout).edit().after();
    assertThat(with.world().layouts().get("mine").symbols())
        .isEqualTo(start.world().layouts().get("de").symbols());
    String board = ModelJson.writeFile("polydex-board/1", start.world().boards().get("full-jis"));
    assertThat(ModelFiles.read(start, "b", board.replace("\"full-jis\"", "\"b\"")).what())
        .contains("113 keys");
    assertThatThrownBy(() -> ModelFiles.read(start, "b", board.replace("\"KeyA\"", "\"KeyÄ\"")))
        .hasMessageContaining("KeyÄ");
    assertThatThrownBy(() -> ModelFiles.read(start, "b", "{\"format\": \"polydex-song/1\"}"))
        .hasMessageContaining("line 1: “polydex-song/1” is no format");
  }

  /** What ships is held to the same schemas as what comes from outside. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "standards/desktop-conventions.json",
        "standards/aria-widgets.json",
        "standards/readline-emacs.json",
        "demo/keymaps/alder.json",
        "demo/keymaps/corvid.json",
        "demo/keymaps/domehand.json",
        "demo/keymaps/cue-editor-alder.json"
      })
  void whatShipsFitsTheSchemas(String name) throws Exception {
    try (InputStream in = Shipped.class.getResourceAsStream("/polydex/" + name)) {
      String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
      KeymapDocument document = KeymapDocument.read(name, text);
      List<Binding> bindings = new ArrayList<>(document.keymap().bindings());
      assertThat(bindings).isNotEmpty();
      assertThat(tree(document.text())).isEqualTo(tree(text));
    }
  }
}
