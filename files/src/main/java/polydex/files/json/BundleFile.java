package polydex.files.json;

import static polydex.files.language.FilesWords.worded;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.TextNode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.own.OwnKeymap;
import polydex.route.Refused;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/**
 * What one hands to a colleague, as one JSON file: keymaps, boards, layouts, setups and actions,
 * and nothing else. Answers, events, wishes, targets of own bindings, names of files and what was
 * written to remember a binding by are the person's own and never in it; words that look like a
 * path are left out of titles too.
 *
 * @param format {@code polydex-bundle/1}
 * @param actions that bindings name
 * @param keymaps each as in a keymap file
 * @param boards that do not ship
 * @param layouts that do not ship
 * @param setups in the order in which they are shown
 */
record BundleFile(
    String format,
    List<Action> actions,
    List<KeymapFile> keymaps,
    List<Board> boards,
    List<Layout> layouts,
    List<Setup> setups) {
  static final String FORMAT = "polydex-bundle/1";

  /** A drive, a root, a home, a share or an address, and what stands behind it. */
  private static final Pattern PATH =
      Pattern.compile("(?:\\b[A-Za-z]:[\\\\/]|\\\\\\\\|(?<![\\w>/])~?/(?=[\\w.])|\\b\\w+://)\\S*");

  private static final Set<String> WORDS =
      Set.of("title", "note", "caveat", "words", "group", "device");

  /** All that can be handed on; the keys of this program are everybody's own. */
  static String write(Workspace workspace) {
    Catalog all = workspace.catalog();
    Catalog catalog = handedOn(workspace);
    boolean without = catalog.environment(OwnKeymap.ID).isEmpty();
    List<KeymapFile> keymaps = new ArrayList<>();
    for (Environment e : catalog.environments()) {
      keymaps.add(new KeymapFile("polydex-keymap/1", e, List.of(), catalog.bindings(e.id())));
    }
    Set<String> boards = Shipped.boards().stream().map(Board::id).collect(Collectors.toSet());
    Set<String> layouts = Shipped.layouts().stream().map(Layout::id).collect(Collectors.toSet());
    BundleFile file =
        new BundleFile(
            FORMAT,
            without ? OwnKeymap.others(all) : all.actions(),
            keymaps,
            workspace.world().boards().values().stream()
                .filter(b -> !boards.contains(b.id()))
                .toList(),
            workspace.world().layouts().values().stream()
                .filter(l -> !layouts.contains(l.id()))
                .toList(),
            List.copyOf(workspace.setups().values()));
    JsonNode tree = ModelJson.treeOf(file);
    impersonal(tree, plainIds(catalog));
    return ModelJson.pretty(tree);
  }

  /** The keymaps that are handed on: those of this program only where a setup runs it. */
  static Catalog handedOn(Workspace workspace) {
    Catalog all = workspace.catalog();
    return workspace.setupsWith(OwnKeymap.ID).isEmpty() ? all.without(OwnKeymap.ID) : all;
  }

  /** Other ids for actions that are called by a path, since an id is made of the title. */
  private static Map<String, String> plainIds(Catalog catalog) {
    Map<String, String> plain = new HashMap<>();
    for (Action action : catalog.actions()) {
      if (PATH.matcher(action.title()).find()) {
        int number = plain.size() + 1;
        while (catalog.action(new ActionId("given." + number)).isPresent()) {
          number += catalog.actions().size();
        }
        plain.put(action.id().value(), "given." + number);
      }
    }
    return plain;
  }

  /** Leaves out hooks, whoever's binding has them, and what names a file. */
  private static void impersonal(JsonNode node, Map<String, String> ids) {
    if (node instanceof ObjectNode object) {
      object.remove("hook");
      for (Map.Entry<String, JsonNode> field : object.properties()) {
        if (field.getValue().isTextual()) {
          String text = field.getValue().asText();
          field.setValue(
              TextNode.valueOf(
                  WORDS.contains(field.getKey())
                      ? withoutPaths(text)
                      : ids.getOrDefault(text, text)));
        } else if (WORDS.contains(field.getKey()) && field.getValue() instanceof ArrayNode words) {
          for (int i = 0; i < words.size(); i++) {
            words.set(i, TextNode.valueOf(withoutPaths(words.get(i).asText())));
          }
        } else {
          impersonal(field.getValue(), ids);
        }
      }
    } else {
      node.forEach(n -> impersonal(n, ids));
    }
  }

  private static String withoutPaths(String words) {
    return PATH.matcher(words).replaceAll("…");
  }

  /**
   * What bringing a bundle in would do. Of what is known under the same id, the keymap becomes that
   * of the bundle, while actions, boards and layouts stay as they are here; a setup comes beside
   * one of the same id.
   */
  static ModelFiles.Brought read(Workspace before, String name, String text) throws FileProblem {
    BundleFile file = ModelJson.readLenient(name, text, BundleFile.class);
    try {
      return file.into(before, name);
    } catch (IllegalArgumentException e) {
      throw new FileProblem(
          worded("json.holds-something-that-cant-be-nothing", name, e.getMessage()), e);
    }
  }

  private ModelFiles.Brought into(Workspace before, String name) throws FileProblem {
    Catalog catalog = before.catalog();
    List<Action> unknown =
        actions.stream().filter(a -> catalog.action(a.id()).isEmpty()).distinct().toList();
    Map<EnvironmentId, List<Binding>> bindings = new LinkedHashMap<>();
    keymaps.forEach(k -> bindings.put(k.environment().id(), k.bindings()));
    Catalog emptied = catalog;
    int fresh = 0;
    int gone = 0;
    for (KeymapFile k : keymaps) {
      k.check(name);
      List<Binding> old = catalog.bindings(k.environment().id());
      Set<Binding> was = new HashSet<>(old);
      fresh += (int) k.bindings().stream().filter(b -> !was.contains(b)).count();
      Set<String> stays = k.bindings().stream().map(Binding::id).collect(Collectors.toSet());
      gone += (int) old.stream().filter(b -> !stays.contains(b.id())).count();
      emptied =
          emptied.without(
              k.environment().id(), old.stream().map(Binding::id).collect(Collectors.toSet()));
    }
    Workspace after =
        before.with(
            emptied.with(
                unknown, keymaps.stream().map(KeymapFile::environment).toList(), bindings));
    for (Board board : boards) {
      after = before.world().boards().containsKey(board.id()) ? after : after.with(board);
    }
    for (Layout layout : layouts) {
      after = before.world().layouts().containsKey(layout.id()) ? after : after.with(layout);
    }
    int setupsMade = 0;
    for (Setup setup : setups) {
      Setup beside = beside(after, setup);
      if (!before.setups().containsValue(setup)) {
        check(after, beside, name);
        after = after.with(beside);
        setupsMade++;
      }
    }
    return new ModelFiles.Brought(
        new Change.Edit(worded("json.bring-in-what-was-handed-on"), before, after),
        worded(
            "json.with-bindings-new-or-changed-and",
            worded("json.keymaps", keymaps.size()),
            fresh,
            gone,
            worded("json.new-actions", unknown.size()),
            worded("json.boards", boards.size()),
            worded("json.layouts", layouts.size()),
            worded("json.new-setups", setupsMade)));
  }

  private static Setup beside(Workspace now, Setup setup) {
    int number = 1;
    SetupId id = setup.id();
    while (now.setups().containsKey(id)) {
      number++;
      id = new SetupId(setup.id().value() + "-" + number);
    }
    return number == 1
        ? setup
        : new Setup(id, setup.title() + " " + number, setup.board(), setup.machine());
  }

  private static void check(Workspace now, Setup setup, String name) throws FileProblem {
    String problem = Refused.in(setup).or(() -> now.world().problem(setup)).orElse("");
    if (!problem.isEmpty()) {
      throw new FileProblem(worded("json.nothing-was-taken", name, problem));
    }
  }
}
