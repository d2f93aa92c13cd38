package polydex.files.json;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
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
import polydex.files.FileProblem;
import polydex.route.Refused;
import polydex.route.Setup;
import polydex.route.SetupCheck;
import polydex.workspace.Workspace;

/**
 * Everything that tracing needs in one JSON file, for programs that have setups of their own: what
 * {@code --world} reads. Boards and layouts that ship are known besides.
 *
 * @param format {@code polydex-world/1}
 * @param actions what bindings name
 * @param keymaps each as a keymap file
 * @param boards more boards
 * @param layouts more layouts
 * @param setups what is traced
 */
public record WorldFile(
    String format,
    List<Action> actions,
    List<KeymapFile> keymaps,
    List<Board> boards,
    List<Layout> layouts,
    List<Setup> setups) {
  /** The largest file that is read, in bytes. */
  public static final long MOST_BYTES = 256L << 20;

  private static final String FORMAT = "polydex-world/1";

  /**
   * Reads a file into a workspace.
   *
   * @param shippedBoards known besides; of two with one id the file's counts
   * @param shippedLayouts known besides, in the same way
   * @throws FileProblem that names file, line and path
   */
  public static Workspace read(Path file, List<Board> shippedBoards, List<Layout> shippedLayouts)
      throws FileProblem {
    String name = String.valueOf(file.getFileName());
    WorldFile world;
    try {
      if (Files.size(file) > MOST_BYTES) {
        throw new FileProblem(worded("json.is-larger-than-256-mib", name));
      }
      world = ModelJson.read(name, Files.readString(file, StandardCharsets.UTF_8), WorldFile.class);
    } catch (IOException e) {
      throw new FileProblem(worded("json.cant-be-read", name, e.getMessage()), e);
    }
    if (!world.format().equals(FORMAT)) {
      throw new FileProblem(
          worded("json.is-no-format-that-is-known", name, world.format(), FORMAT));
    }
    for (KeymapFile keymap : world.keymaps()) {
      keymap.check(name);
    }
    for (Setup setup : world.setups()) {
      refuse(name, Refused.in(setup));
    }
    try {
      return refusingUnknown(name, world.workspace(shippedBoards, shippedLayouts));
    } catch (IllegalArgumentException e) {
      throw new FileProblem(worded("json.holds-something-that-cant-be", name, e.getMessage()), e);
    }
  }

  private static void refuse(String name, Optional<String> why) throws FileProblem {
    if (why.isPresent()) {
      throw new FileProblem("%s: %s".formatted(name, why.get()));
    }
  }

  /** A name that nothing has would be passed over in silence when a setup is traced. */
  private static Workspace refusingUnknown(String name, Workspace workspace) throws FileProblem {
    for (Setup setup : workspace.setups().values()) {
      refuse(
          name,
          SetupCheck.of(setup, workspace.world()).stream()
              .filter(m -> m.spot().kind() == SetupCheck.Kind.CONTEXT)
              .findFirst()
              .map(m -> worded("json.in-the-setup", setup.title(), m.sentence())));
    }
    return workspace;
  }

  private Workspace workspace(List<Board> shippedBoards, List<Layout> shippedLayouts) {
    List<Action> all = new ArrayList<>(actions);
    List<Environment> environments = new ArrayList<>();
    Map<EnvironmentId, List<Binding>> bindings = new LinkedHashMap<>();
    for (KeymapFile keymap : keymaps) {
      all.addAll(keymap.actions());
      environments.add(keymap.environment());
      bindings.put(keymap.environment().id(), keymap.bindings());
    }
    Workspace workspace =
        Workspace.of(
            Catalog.of(all, environments, bindings), shippedBoards, shippedLayouts, setups);
    for (Board board : boards) {
      workspace = workspace.with(board);
    }
    for (Layout layout : layouts) {
      workspace = workspace.with(layout);
    }
    return workspace;
  }
}
