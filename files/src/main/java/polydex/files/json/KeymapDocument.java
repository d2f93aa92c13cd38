package polydex.files.json;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import polydex.catalog.Action;
import polydex.catalog.Binding;
import polydex.catalog.Environment;
import polydex.files.FileProblem;
import polydex.own.OwnTitles;

/**
 * A keymap file as it was read, whole: fields that the model does not know and the order of
 * everything are kept, and writing changes only what was changed in the program.
 */
public final class KeymapDocument {
  private static final String FORMAT = "polydex-keymap/1";

  private final ObjectNode tree;
  private final KeymapFile keymap;

  private KeymapDocument(ObjectNode tree, KeymapFile keymap) {
    this.tree = tree;
    this.keymap = keymap;
  }

  /**
   * Reads and checks a file.
   *
   * @param name of the file, for messages
   * @throws FileProblem that names file, line and path
   */
  public static KeymapDocument read(String name, String text) throws FileProblem {
    JsonNode tree = ModelJson.tree(name, text);
    Schemas.check("keymap", name, text, tree);
    KeymapFile keymap = ModelJson.readLenient(name, text, KeymapFile.class);
    keymap.check(name);
    return new KeymapDocument((ObjectNode) tree, keymap);
  }

  /** A keymap that comes from no file. */
  public static KeymapDocument of(
      Environment environment, List<Action> actions, List<Binding> bindings) {
    KeymapFile keymap = new KeymapFile(FORMAT, environment, actions, bindings);
    return new KeymapDocument((ObjectNode) ModelJson.treeOf(keymap), keymap);
  }

  /** What it says. */
  public KeymapFile keymap() {
    return keymap;
  }

  /** The document as it stands. */
  public String text() {
    return ModelJson.pretty(tree);
  }

  /**
   * The same document, saying something else: what is the same in both keeps its place and every
   * field, what changed keeps the fields that the model does not know. O(bindings).
   */
  public KeymapDocument saying(
      Environment environment, List<Action> actions, List<Binding> bindings) {
    ObjectNode now = tree.deepCopy();
    overlay(
        (ObjectNode) now.get("environment"),
        ModelJson.treeOf(OwnTitles.kept(keymap.environment())),
        ModelJson.treeOf(OwnTitles.kept(environment)));
    list(now, "actions", keymap.actions(), actions, a -> a.id().value());
    list(now, "bindings", keymap.bindings(), bindings, Binding::id);
    return new KeymapDocument(now, new KeymapFile(FORMAT, environment, actions, bindings));
  }

  private static <T> void list(
      ObjectNode in, String field, List<T> before, List<T> after, Function<T, String> id) {
    if (before.isEmpty() && after.isEmpty()) {
      return;
    }
    ArrayNode old = in.has(field) ? (ArrayNode) in.get(field) : in.putArray(field);
    Map<String, Integer> places = new HashMap<>();
    for (int i = 0; i < before.size(); i++) {
      places.put(id.apply(before.get(i)), i);
    }
    ArrayNode now = ModelJson.emptyArray();
    for (T value : after) {
      Optional<Integer> place = Optional.ofNullable(places.get(id.apply(value)));
      if (place.isEmpty()) {
        now.add(ModelJson.treeOf(value));
        continue;
      }
      ObjectNode node = (ObjectNode) old.get(place.get());
      T was = before.get(place.get());
      if (!was.equals(value)) {
        overlay(node, ModelJson.treeOf(was), ModelJson.treeOf(value));
      }
      now.add(node);
    }
    in.set(field, now);
  }

  /** Writes over a node what differs between two values; nothing else in it is touched. */
  private static void overlay(ObjectNode node, JsonNode was, JsonNode is) {
    for (Iterator<String> names = was.fieldNames(); names.hasNext(); ) {
      String name = names.next();
      if (!is.has(name)) {
        node.remove(name);
      }
    }
    for (Map.Entry<String, JsonNode> field : is.properties()) {
      if (!field.getValue().equals(was.get(field.getKey()))) {
        node.set(field.getKey(), field.getValue());
      }
    }
  }
}
