package polydex.files.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.files.Shipped;
import polydex.files.json.ModelFiles;
import polydex.files.json.ModelJson;
import polydex.language.Language;
import polydex.own.OwnKey;
import polydex.own.OwnKeymap;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** A file with the program's own keymap, opened by people of two languages. */
class OwnTitlesStoreTest {
  private static final Instant NOW = Instant.parse("2026-03-02T08:00:00Z");
  private static final ActionId UNDO = OwnKey.UNDO.action();
  private static final ActionId REDO = OwnKey.REDO.action();

  @TempDir private Path folder;

  @AfterEach
  void speakEnglishAgain() {
    Language.speak(Language.ENGLISH);
  }

  /** What stands in the file, asked of the database itself. */
  private static List<String> rows(Path file) throws Exception {
    List<String> all = new ArrayList<>();
    try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file);
        ResultSet rows =
            c.createStatement()
                .executeQuery(
                    "SELECT id || title || words FROM action"
                        + " UNION ALL SELECT id || body FROM environment")) {
      while (rows.next()) {
        all.add(rows.getString(1));
      }
    }
    return all;
  }

  private static List<Object> parts(Workspace of) {
    Catalog catalog = of.catalog();
    return List.of(catalog.actions(), catalog.environments(), catalog.bindings(OwnKeymap.ID));
  }

  private static Workspace with(Workspace before, Action action) {
    return before.with(before.catalog().with(List.of(action), List.of(), Map.of()));
  }

  @Test
  void isToldInEachLanguageAndKeptInOne() throws Exception {
    Path file = folder.resolve("mine.polydex");
    Workspace start = Shipped.start();
    try (Store store = Store.open(file)) {
      store.save(new Change.Edit("start", Workspace.EMPTY, start), NOW);
    }
    List<String> kept = rows(file);
    Language.speak(Language.GERMAN);
    try (Store store = Store.open(file)) {
      Workspace german = store.workspace();
      assertThat(parts(german)).isEqualTo(parts(Shipped.start())).isNotEqualTo(parts(start));
      assertThat(german.catalog().title(UNDO)).isEqualTo("Widerrufen");
      Catalog catalog = german.catalog();
      Workspace edited =
          with(
              with(german, catalog.action(UNDO).orElseThrow().searchedBy(List.of("zurück"))),
              catalog.action(REDO).orElseThrow().titled("Noch mal"));
      store.save(new Change.Edit("edit", german, edited), NOW);
      assertThat(parts(store.workspace())).isEqualTo(parts(edited));
      // The environment is written anew as well, in the file's language.
      Workspace titled =
          edited.with(
              edited
                  .catalog()
                  .with(
                      List.of(),
                      List.of(catalog.environment(OwnKeymap.ID).orElseThrow().titled("Keys")),
                      Map.of()));
      store.save(new Change.Edit("title", edited, titled), NOW);
    }
    List<String> now = new ArrayList<>(rows(file));
    now.removeAll(kept);
    assertThat(now).hasSize(3).contains("program.undoUndozurück", "program.redoNoch mal");
    assertThat(now.getLast()).contains("Look up, by words").doesNotContain("Finden");
    Language.speak(Language.ENGLISH);
    try (Store store = Store.open(file)) {
      Catalog english = store.workspace().catalog();
      assertThat(english.title(UNDO)).isEqualTo("Undo");
      assertThat(english.title(REDO)).isEqualTo("Noch mal");
    }
  }

  @Test
  void aKeymapHandedOnIsTheSameFromBothAndIsTakenForTheSame() throws Exception {
    String english = ModelJson.write(Shipped.start().catalog().actions());
    String keymap = keymap();
    Language.speak(Language.GERMAN);
    assertThat(ModelJson.write(Shipped.start().catalog().actions())).isEqualTo(english);
    assertThat(keymap()).isEqualTo(keymap).contains("Look up, by words");
    Workspace before = Shipped.start();
    Workspace after = ModelFiles.read(before, "keys.json", keymap).edit().after();
    assertThat(parts(after)).isEqualTo(parts(before));
    // What was read is kept with the fields that nobody knows, and is in the file's language, too.
    assertThat(ModelFiles.write(after, OwnKeymap.ID)).contains(keymap);
  }

  private static String keymap() throws Exception {
    return ModelFiles.write(Shipped.start(), OwnKeymap.ID).orElseThrow();
  }
}
