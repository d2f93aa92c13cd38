package polydex.files.json;

import static polydex.files.language.FilesWords.worded;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.computer.ComputerIntake;
import polydex.computer.ComputerPlan;
import polydex.computer.FoundComputer;
import polydex.files.FileProblem;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** Files in our own open formats, brought into a workspace, and keymaps written out again. */
public final class ModelFiles {
  private ModelFiles() {}

  /**
   * What bringing a file in would do.
   *
   * @param edit the change
   * @param what it is and how much of it is new, in a sentence
   */
  public record Brought(Change.Edit edit, String what) {}

  /** Whether a text says that it is in one of our formats. */
  public static boolean isOurs(String text) {
    String head = text.substring(0, Math.min(text.length(), 2000));
    return head.matches("(?s)\\s*\\{.*\"format\"\\s*:\\s*\"polydex-.*");
  }

  /**
   * Reads a keymap, a board, a layout, a computer or a bundle of what was handed on.
   *
   * @param name of the file, for messages
   * @throws FileProblem that names file, line and path; nothing is taken then
   */
  public static Brought read(Workspace before, String name, String text) throws FileProblem {
    JsonNode tree = ModelJson.tree(name, text);
    String format = tree.path("format").asText();
    return switch (format) {
      case "polydex-keymap/1" -> keymap(before, KeymapDocument.read(name, text));
      case "polydex-board/1" -> {
        Schemas.check("board", name, text, tree);
        Board board = ModelJson.readLenient(name, text, Board.class);
        String title = worded("json.bring-in-the-board", board.title());
        yield new Brought(
            new Change.Edit(title, before, before.with(board)),
            worded("json.the-board-keys", board.title(), board.byKey().size()));
      }
      case "polydex-layout/1" -> {
        Schemas.check("layout", name, text, tree);
        Layout layout = ModelJson.readLenient(name, text, Layout.class);
        String title = worded("json.bring-in-the-layout", layout.title());
        yield new Brought(
            new Change.Edit(title, before, before.with(layout)),
            worded("json.the-layout-keys", layout.title(), layout.symbols().size()));
      }
      case BundleFile.FORMAT -> BundleFile.read(before, name, text);
      case ComputerFile.FORMAT -> computer(before, ComputerFile.read(name, text));
      default ->
          throw new FileProblem(
              worded(
                  "json.line-is-no-format-that-can", name, Schemas.line(text, "/format"), format));
    };
  }

  /** Keymaps, boards, layouts, setups and actions for somebody else, with nothing personal. */
  public static String bundle(Workspace workspace) {
    return BundleFile.write(workspace);
  }

  /** How many keymaps are in that. */
  public static int bundledKeymaps(Workspace workspace) {
    return BundleFile.handedOn(workspace).environments().size();
  }

  /** Another computer, of which is taken what was suggested there. */
  private static Brought computer(Workspace before, FoundComputer found) {
    ComputerPlan plan =
        ComputerIntake.plan(before, found.only(found::suggests), ComputerIntake.Wishes.ELSEWHERE);
    return new Brought(
        plan.change(),
        worded("json.the-computer-findings", found.title(), plan.parts().size(), plan.summary()));
  }

  private static Brought keymap(Workspace before, KeymapDocument document) throws FileProblem {
    KeymapFile keymap = document.keymap();
    Environment environment = keymap.environment();
    Catalog catalog = before.catalog();
    List<Binding> old = catalog.bindings(environment.id());
    Set<Binding> was = new HashSet<>(old);
    long fresh = keymap.bindings().stream().filter(b -> !was.contains(b)).count();
    Set<String> ids = keymap.bindings().stream().map(Binding::id).collect(Collectors.toSet());
    long gone = old.stream().filter(b -> !ids.contains(b.id())).count();
    try {
      Catalog after =
          catalog
              .without(environment.id(), was.stream().map(Binding::id).collect(Collectors.toSet()))
              .with(
                  keymap.actions(),
                  List.of(environment),
                  Map.of(environment.id(), keymap.bindings()));
      Workspace now =
          before
              .with(after)
              .with(before.remembered().withDocument(environment.id(), document.text()));
      return new Brought(
          new Change.Edit(worded("json.bring-in-the-keymap-of", environment.title()), before, now),
          worded(
              "json.the-keymap-of-bindings-new-or",
              environment.title(),
              keymap.bindings().size(),
              fresh,
              gone));
    } catch (IllegalArgumentException e) {
      throw new FileProblem(
          worded("json.cant-be-brought-in-define-it", environment.title(), e.getMessage()), e);
    }
  }

  /** The keymap of an environment as a file; what it was read from is kept but for what changed. */
  public static Optional<String> write(Workspace workspace, EnvironmentId environmentId)
      throws FileProblem {
    Catalog catalog = workspace.catalog();
    Optional<Environment> environment = catalog.environment(environmentId);
    if (environment.isEmpty()) {
      return Optional.empty();
    }
    List<Binding> bindings = catalog.bindings(environmentId);
    Set<ActionId> used = bindings.stream().map(Binding::action).collect(Collectors.toSet());
    List<Action> actions = catalog.actions().stream().filter(a -> used.contains(a.id())).toList();
    String document = workspace.remembered().documents().get(environmentId);
    if (document == null) {
      return Optional.of(KeymapDocument.of(environment.get(), actions, bindings).text());
    }
    KeymapDocument read = KeymapDocument.read("the keymap as it was read", document);
    Set<ActionId> said =
        read.keymap().actions().stream().map(Action::id).collect(Collectors.toSet());
    Set<ActionId> before =
        read.keymap().bindings().stream().map(Binding::action).collect(Collectors.toSet());
    // Actions that the file left to others to define are left to them again.
    List<Action> kept =
        catalog.actions().stream()
            .filter(
                a -> said.contains(a.id()) || (used.contains(a.id()) && !before.contains(a.id())))
            .toList();
    return Optional.of(read.saying(environment.get(), ordered(kept, read), bindings).text());
  }

  private static List<Action> ordered(List<Action> actions, KeymapDocument read) {
    Map<ActionId, Action> byId =
        actions.stream().collect(Collectors.toMap(Action::id, a -> a, (a, _) -> a));
    List<ActionId> first = read.keymap().actions().stream().map(Action::id).toList();
    return Stream.concat(
            first.stream().filter(byId::containsKey).map(byId::get),
            actions.stream().filter(a -> !first.contains(a.id())))
        .toList();
  }
}
