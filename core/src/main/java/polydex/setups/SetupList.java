package polydex.setups;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Platform;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** The setups of a workspace as a list: one made, copied, taken out, moved; each as an edit. */
public final class SetupList {
  private SetupList() {}

  /**
   * One more setup, the simplest there can be: the first board, platform and layout.
   *
   * @return nothing where the file has no board, platform or layout yet
   */
  public static Optional<Change.Edit> make(Workspace workspace) {
    Optional<Environment> platform =
        workspace.catalog().environments().stream()
            .filter(e -> e.kind() instanceof Platform)
            .findFirst();
    Optional<String> board = workspace.world().boards().keySet().stream().findFirst();
    Optional<String> layout = workspace.world().layouts().keySet().stream().findFirst();
    if (platform.isEmpty() || board.isEmpty() || layout.isEmpty()) {
      return Optional.empty();
    }
    Setup made =
        new Setup(
            freeId(workspace, "setup"),
            freeTitle(workspace, worded("any.new-setup")),
            board.get(),
            bare(platform.get(), layout.get()));
    return Optional.of(
        new Change.Edit(worded("any.make", made.title()), workspace, workspace.with(made)));
  }

  /** A platform with nothing special about it. */
  public static Machine bare(Environment platform, String layout) {
    return new Machine(
        platform.title(),
        platform.id(),
        platform.version(),
        layout,
        List.of(),
        List.of(),
        Set.of(),
        Set.of(),
        new Machine.Bare());
  }

  /** A copy, behind the one it is of. */
  public static Change.Edit copy(Workspace workspace, Setup setup) {
    Setup copy =
        new Setup(
            freeId(workspace, setup.id().value()),
            freeTitle(workspace, worded("setups.copy", setup.title())),
            setup.board(),
            setup.machine());
    List<Setup> all = new ArrayList<>(workspace.setups().values());
    all.add(index(workspace, setup) + 1, copy);
    return new Change.Edit(worded("setups.copy-2", setup.title()), workspace, with(workspace, all));
  }

  /** Without one of them. */
  public static Change.Edit remove(Workspace workspace, Setup setup) {
    return new Change.Edit(
        worded("setups.remove", setup.title()),
        workspace,
        with(
            workspace,
            Members.without(List.copyOf(workspace.setups().values()), index(workspace, setup))));
  }

  /**
   * With one of them moved.
   *
   * @param by -1 for one place earlier, 1 for one later
   * @return nothing at the end of the list
   */
  public static Optional<Change.Edit> move(Workspace workspace, Setup setup, int by) {
    List<Setup> all = List.copyOf(workspace.setups().values());
    int at = index(workspace, setup);
    if (at + by < 0 || at + by >= all.size()) {
      return Optional.empty();
    }
    return Optional.of(
        new Change.Edit(
            worded("setups.move", setup.title()),
            workspace,
            with(workspace, Members.moved(all, at, by))));
  }

  private static Workspace with(Workspace workspace, List<Setup> setups) {
    Map<SetupId, Setup> byId = new LinkedHashMap<>();
    setups.forEach(s -> byId.put(s.id(), s));
    return workspace.with(byId);
  }

  private static int index(Workspace workspace, Setup setup) {
    return List.copyOf(workspace.setups().keySet()).indexOf(setup.id());
  }

  /** An id that no setup has, like one that is wanted. */
  public static SetupId freeId(Workspace workspace, String like) {
    SetupId id = new SetupId(like);
    for (int i = 2; workspace.setups().containsKey(id); i++) {
      id = new SetupId(like + "-" + i);
    }
    return id;
  }

  private static String freeTitle(Workspace workspace, String like) {
    Set<String> taken = new HashSet<>();
    workspace.setups().values().forEach(s -> taken.add(s.title()));
    String title = like;
    for (int i = 2; taken.contains(title); i++) {
      title = like + " " + i;
    }
    return title;
  }
}
