package polydex.files;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.catalog.Action;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.computer.FoundComputer;
import polydex.files.json.ActionsFile;
import polydex.files.json.ComputerFile;
import polydex.files.json.FitFile;
import polydex.files.json.KeymapFile;
import polydex.files.json.ModelJson;
import polydex.files.json.MouseFile;
import polydex.files.json.SetupsFile;
import polydex.own.OwnKeymap;
import polydex.route.World;
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

  private static final List<String> STANDARDS =
      List.of("desktop-conventions", "aria-widgets", "readline-emacs");

  private Shipped() {}

  /** What a new file begins with: boards, layouts, one plain computer, and keymaps of standards. */
  public static Workspace start() {
    return workspace("start", true);
  }

  /** The demo without its history. */
  public static Workspace demo() {
    return read("demo/fit.json", FitFile.class)
        .in(workspace("demo", false).with(read("demo/mouse.json", MouseFile.class).choices()));
  }

  private static Workspace workspace(String folder, boolean withStandards) {
    List<Environment> environments = new ArrayList<>();
    List<Action> actions =
        new ArrayList<>(read(folder + "/actions.json", ActionsFile.class).actions());
    Map<EnvironmentId, List<Binding>> bindings = new LinkedHashMap<>();
    for (String id : text(folder + "/keymaps/index.txt").lines().toList()) {
      KeymapFile keymap = read(folder + "/keymaps/" + id + ".json", KeymapFile.class);
      environments.add(keymap.environment());
      bindings.put(keymap.environment().id(), keymap.bindings());
    }
    if (withStandards) {
      for (String standard : STANDARDS) {
        KeymapFile keymap = read("standards/" + standard + ".json", KeymapFile.class);
        environments.add(keymap.environment());
        actions.addAll(keymap.actions());
        bindings.put(keymap.environment().id(), keymap.bindings());
      }
    }
    World world =
        new World(
            OwnKeymap.in(Catalog.of(actions, environments, bindings)),
            new ReadLater<>(BOARDS, Shipped::readBoard),
            new ReadLater<>(LAYOUTS, Shipped::readLayout));
    return Workspace.of(world, read(folder + "/setups.json", SetupsFile.class).setups());
  }

  /** The boards that ship. */
  public static List<Board> boards() {
    return BOARDS.stream().map(Shipped::readBoard).toList();
  }

  /** The layouts that ship. */
  public static List<Layout> layouts() {
    return LAYOUTS.stream().map(Shipped::readLayout).toList();
  }

  /** A layout that ships, by its id; the others are not read. */
  public static Optional<Layout> layout(String id) {
    return Optional.of(id).filter(LAYOUTS::contains).map(Shipped::readLayout);
  }

  private static Board readBoard(String id) {
    return read("boards/" + id + ".json", Board.class);
  }

  private static Layout readLayout(String id) {
    return read("layouts/" + id + ".json", Layout.class);
  }

  /** A computer that ships, by the path of its resource. */
  public static FoundComputer computer(String name) {
    try {
      return ComputerFile.read(name, text(name));
    } catch (FileProblem e) {
      throw new IllegalStateException("What ships is broken: " + e.getMessage(), e);
    }
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
