package polydex.files;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.files.json.ActionsFile;
import polydex.files.json.KeymapFile;
import polydex.files.json.ModelJson;
import polydex.files.json.SetupsFile;
import polydex.workspace.Workspace;

/** What ships with the program as open text files: boards, layouts, a start and the demo. */
public final class Shipped {
  private static final List<String> BOARDS =
      List.of(
          "full-ansi",
          "full-iso",
          "full-jis",
          "tenkeyless-ansi",
          "tenkeyless-iso",
          "compact-ansi",
          "compact-iso",
          "slate-lite");
  private static final List<String> LAYOUTS =
      List.of(
          "us", "us-intl", "uk", "de", "ch", "fr", "es", "it", "se", "pl", "br", "dvorak",
          "colemak", "jp", "gr", "ua");

  private Shipped() {}

  /** What a new file begins with: boards, layouts, and one plain computer. */
  public static Workspace start() {
    return workspace("start");
  }

  /** The demo without its history. */
  public static Workspace demo() {
    return workspace("demo");
  }

  private static Workspace workspace(String folder) {
    List<Environment> environments = new ArrayList<>();
    Map<String, List<Binding>> bindings = new LinkedHashMap<>();
    for (String id : text(folder + "/keymaps/index.txt").lines().toList()) {
      KeymapFile keymap = read(folder + "/keymaps/" + id + ".json", KeymapFile.class);
      environments.add(keymap.environment());
      bindings.put(keymap.environment().id(), keymap.bindings());
    }
    return Workspace.of(
        Catalog.of(
            read(folder + "/actions.json", ActionsFile.class).actions(), environments, bindings),
        BOARDS.stream().map(b -> read("boards/" + b + ".json", Board.class)).toList(),
        LAYOUTS.stream().map(l -> read("layouts/" + l + ".json", Layout.class)).toList(),
        read(folder + "/setups.json", SetupsFile.class).setups());
  }

  private static <T> T read(String name, Class<T> type) {
    try {
      return ModelJson.read(name, text(name), type);
    } catch (FileProblem e) {
      throw new IllegalStateException("What ships is broken: " + e.getMessage(), e);
    }
  }

  private static String text(String name) {
    try (InputStream in = Shipped.class.getResourceAsStream("/polydex/" + name)) {
      if (in == null) {
        throw new IllegalStateException("What ships is not whole: no " + name);
      }
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
