package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.files.FileProblem;
import polydex.files.lists.ForeignList.Overlooked;
import polydex.files.lists.Tree.Field;
import polydex.files.lists.Tree.Fields;
import polydex.files.lists.Tree.Items;
import polydex.files.lists.Tree.Scalar;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.ListTable;
import polydex.intake.Steps;

/**
 * The tables in a tree of JSON or YAML: lists of objects, each field a column; objects of objects,
 * whose names are a column; and names that stand for gestures or the other way round. Modifiers in
 * a field of their own are put before the key. O(tree).
 */
final class TreeTables {
  private static final int WIDEST = 60;
  private static final Set<String> MODIFIER_FIELDS =
      Set.of("mods", "mod", "modifiers", "modifier", "with_mods");
  private static final Set<String> KEY_FIELDS = Set.of("key", "keycode", "mouse", "button");

  private final List<ListTable> found = new ArrayList<>();
  private final List<Refused> refused = new ArrayList<>();
  private int without;

  private TreeTables() {}

  /**
   * The list in a tree.
   *
   * @param form what it was read as
   */
  static ForeignList of(String name, String form, Tree root) throws FileProblem {
    TreeTables tables = new TreeTables();
    tables.look("", root);
    if (tables.found.isEmpty()) {
      throw new FileProblem(worded("lists.has-no-list-of-objects-such", name));
    }
    int rows = tables.found.stream().mapToInt(t -> t.rows().size()).sum();
    ListReader.checkRows(name, rows);
    List<Overlooked> overlooked =
        tables.without == 0
            ? List.of()
            : List.of(
                new Overlooked(
                    "",
                    0,
                    worded("lists.groups-of-settings", tables.without),
                    worded("lists.no-gestures-in-them")));
    return new ForeignList(name, form, tables.found, tables.refused, 0, overlooked, "");
  }

  private void look(String path, Tree tree) {
    Steps.take(1);
    switch (tree) {
      case Scalar _ -> {}
      case Items items -> {
        List<Fields> objects = new ArrayList<>();
        for (Tree one : items.all()) {
          switch (one) {
            case Fields f -> objects.add(f);
            case Items more -> look(path, more);
            case Scalar _ -> {}
          }
        }
        if (areBullets(objects)) {
          refuse(items, worded("lists.no-gesture-stands-beside-it"));
          fields(path, new Fields(items.line(), pairs(objects)));
        } else if (!objects.isEmpty()) {
          objects(path, objects, items);
        }
      }
      case Fields fields -> fields(path, fields);
    }
  }

  /** {@code - Save: Ctrl+S}: one name each, and not the same. */
  private static boolean areBullets(List<Fields> objects) {
    return objects.size() > 1
        && objects.stream().allMatch(o -> o.all().size() == 1)
        && pairs(objects).stream().map(Field::name).distinct().count() * 2 > objects.size();
  }

  private static List<Field> pairs(List<Fields> objects) {
    return objects.stream().map(o -> o.all().getFirst()).toList();
  }

  private void objects(String path, List<Fields> objects, Items items) {
    refuse(items, worded("lists.this-is-not-an-object-in"));
    int before = found.size();
    for (Fields object : objects) {
      for (Field field : object.all()) {
        if (field.value() instanceof Items inner
            && inner.all().stream().anyMatch(Fields.class::isInstance)) {
          look(joined(path, field.name()), inner);
        }
      }
    }
    ListTable table = table(path, objects, List.of());
    if (before == found.size() || hasGesture(table)) {
      found.add(before, table);
    }
  }

  /** What is neither an object nor a list is in no table. */
  private void refuse(Items items, String why) {
    for (Tree one : items.all()) {
      if (one instanceof Scalar s) {
        refused.add(new Refused(s.line(), s.text(), why));
      }
    }
  }

  private void fields(String path, Fields fields) {
    List<Fields> objects = new ArrayList<>();
    List<String> names = new ArrayList<>();
    List<ListTable.Line> pairs = new ArrayList<>();
    for (Field field : fields.all()) {
      Optional<String> plain = text(field.value());
      if (plain.isPresent()) {
        pairs.add(new ListTable.Line(field.value().line(), "", List.of(field.name(), plain.get())));
      } else if (field.value() instanceof Fields f) {
        objects.add(f);
        names.add(field.name());
      } else {
        look(joined(path, field.name()), field.value());
      }
    }
    if (objects.size() > 1) {
      ListTable named = table(path, objects, names);
      if (gestures(named) * 2 >= objects.size()) {
        found.add(named);
        objects.clear();
      }
    }
    for (int i = 0; i < objects.size(); i++) {
      look(joined(path, names.get(i)), objects.get(i));
    }
    if (!pairs.isEmpty()) {
      ListTable table =
          new ListTable(
              path, List.of("", ""), inContext(path, pairs), new ListTable.Origin("", "object", 0));
      if (hasGesture(table)) {
        found.add(table);
      } else {
        without++;
      }
    }
  }

  private static List<ListTable.Line> inContext(String path, List<ListTable.Line> lines) {
    String last = path.substring(path.lastIndexOf('.') + 1);
    return lines.stream().map(l -> new ListTable.Line(l.number(), last, l.cells())).toList();
  }

  private static String joined(String path, String name) {
    return path.isEmpty() ? name : path + "." + name;
  }

  private static boolean hasGesture(ListTable table) {
    return gestures(table) > 0;
  }

  private static long gestures(ListTable table) {
    return table.rows().stream()
        .filter(
            l ->
                l.cells().stream()
                    .anyMatch(c -> PairLine.isGesture(c.replace(ListTable.IN_ARRAY, '\n'))))
        .limit(1000)
        .count();
  }

  /** A scalar, or several in an array. */
  private static Optional<String> text(Tree value) {
    if (value instanceof Scalar s) {
      return Optional.of(s.text());
    }
    if (value instanceof Items items) {
      List<String> all = new ArrayList<>();
      for (Tree one : items.all()) {
        if (!(one instanceof Scalar s)) {
          return Optional.empty();
        }
        all.add(s.text());
      }
      return Optional.of(String.join(String.valueOf(ListTable.IN_ARRAY), all));
    }
    return Optional.empty();
  }

  private static ListTable table(String path, List<Fields> objects, List<String> names) {
    Map<String, Integer> columns = new LinkedHashMap<>();
    List<Map<Integer, String>> rows = new ArrayList<>();
    for (int i = 0; i < objects.size(); i++) {
      Map<String, String> cells = new LinkedHashMap<>();
      if (!names.isEmpty()) {
        cells.put("name", names.get(i));
      }
      flat("", objects.get(i), cells, 0);
      withModifiers(cells);
      Map<Integer, String> row = new LinkedHashMap<>();
      cells.forEach(
          (column, text) -> {
            if (columns.size() < WIDEST || columns.containsKey(column)) {
              row.put(columns.computeIfAbsent(column, _ -> columns.size()), text);
            }
          });
      rows.add(row);
    }
    List<ListTable.Line> lines = new ArrayList<>();
    for (int i = 0; i < rows.size(); i++) {
      List<String> cells = new ArrayList<>();
      for (int c = 0; c < columns.size(); c++) {
        cells.add(rows.get(i).getOrDefault(c, ""));
      }
      lines.add(new ListTable.Line(objects.get(i).line(), "", cells));
    }
    return new ListTable(
        path, List.copyOf(columns.keySet()), lines, new ListTable.Origin("", "array", 0));
  }

  private static void flat(String path, Fields object, Map<String, String> cells, int depth) {
    for (Field field : object.all()) {
      String name = joined(path, field.name());
      Optional<String> plain = text(field.value());
      if (plain.isPresent()) {
        cells.put(name, plain.get());
      } else if (field.value() instanceof Fields f && depth < 3) {
        flat(name, f, cells, depth + 1);
      }
    }
  }

  /** {@code key: V, mods: Control|Shift} is one gesture. */
  private static void withModifiers(Map<String, String> cells) {
    Optional<String> modifiers = named(cells, MODIFIER_FIELDS);
    Optional<String> key = named(cells, KEY_FIELDS);
    if (modifiers.isPresent() && key.isPresent()) {
      String held =
          cells
              .get(modifiers.get())
              .replace(ListTable.IN_ARRAY, '|')
              .replaceAll("[|,+\\s]+", "+")
              .replaceAll("^\\+|\\+$", "");
      if (!held.isBlank() && !held.startsWith("~")) {
        cells.put(key.get(), held + "+" + cells.get(key.get()));
        cells.remove(modifiers.get());
      }
    }
  }

  private static Optional<String> named(Map<String, String> cells, Set<String> names) {
    return cells.keySet().stream()
        .filter(n -> names.contains(n.toLowerCase(Locale.ROOT)))
        .findFirst();
  }
}
