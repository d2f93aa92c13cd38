package polydex.intake;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import polydex.catalog.Words;
import polydex.intake.ColumnRoles.GestureColumn;
import polydex.intake.ColumnRoles.Role;
import polydex.keys.GestureReader;
import polydex.keys.KeyLanguage;

/**
 * Finds out what the columns of a table are: by their names in any wording that means it, and by
 * what the cells hold, which has the last word. O(sample), however long the table.
 *
 * @param roles what was found
 * @param headerIsData whether the first line is no names of columns
 * @param named whether a name said which column has the gestures
 * @param left columns, counted from 1, in which there are gestures and which are left
 */
record ColumnGuess(ColumnRoles roles, boolean headerIsData, boolean named, List<Integer> left) {
  private static final int SAMPLE = 200;

  /** Names that can mean nothing but gestures, whatever the cells hold. */
  private static final Set<String> STRICT =
      Set.of(
          "gesture",
          "shortcut",
          "shortcuts",
          "keystroke",
          "keyboard shortcut",
          "keybinding",
          "key binding",
          "hotkey");

  private static final Map<Role, Set<String>> WORDS =
      Map.of(
          Role.GESTURE,
          Set.of(
              "shortcut",
              "shortcuts",
              "keystroke",
              "keystrokes",
              "keybinding",
              "keybindings",
              "hotkey",
              "hotkeys",
              "key",
              "keys",
              "gesture",
              "gestures",
              "binding",
              "bindings",
              "accelerator",
              "accelerators",
              "combination",
              "combinations",
              "combo",
              "press",
              "pressing",
              "chord",
              "keyboard",
              "taste",
              "tasten",
              "tastenkombination",
              "touche",
              "touches",
              "raccourci",
              "raccourcis",
              "tecla",
              "teclas",
              "atajo",
              "atajos",
              "tasto",
              "tasti",
              "scorciatoia",
              "atalho",
              "atalhos",
              "toets",
              "toetsen",
              "sneltoets",
              "tangent",
              "skrot",
              "klawisz",
              "klawisze",
              "клавиша",
              "клавиши",
              "キー"),
          Role.ACTION,
          Set.of(
              "action",
              "actions",
              "command",
              "commands",
              "function",
              "functions",
              "description",
              "effect",
              "effects",
              "result",
              "results",
              "what",
              "does",
              "operation",
              "purpose",
              "task",
              "tasks",
              "meaning",
              "feature",
              "title",
              "summary",
              "to",
              "do",
              "performs",
              "aktion",
              "funktion",
              "beschreibung",
              "wirkung",
              "befehl",
              "ergebnis",
              "fonction",
              "commande",
              "effet",
              "resultat",
              "accion",
              "funcion",
              "descripcion",
              "resultado",
              "azione",
              "funzione",
              "descrizione",
              "acao",
              "funcao",
              "descricao",
              "actie",
              "functie",
              "atgard",
              "akcja",
              "funkcja",
              "opis",
              "действие",
              "функция",
              "機能",
              "動作",
              "操作"),
          Role.CONTEXT,
          Set.of(
              "context", "where", "when", "scope", "mode", "area", "view", "category", "section"),
          Role.NOTE,
          Set.of("note", "notes", "remark", "remarks", "comment", "comments", "details"));

  /** A column, as far as its first cells tell. */
  private record Column(
      int rows, int filled, int different, int strong, int weak, int nothing, double words) {
    /** How much it tells of what is done: words in most lines, and not the same in all. */
    double says() {
      boolean same = filled > 5 && different < 3;
      return (same ? 0.1 : 1) * Math.min(words, 6) * filled / rows;
    }

    int read() {
      return strong + weak;
    }

    /** Most of what it holds are gestures that are nothing else. */
    boolean isGestures() {
      return strong > 0 && 2 * strong >= filled - nothing && 10 * read() >= 6 * (filled - nothing);
    }

    /** Short things, nearly all of which can be keys, and one at least that can be nothing else. */
    boolean mayAllBeKeys() {
      return strong > 0 && 10 * read() >= 7 * (filled - nothing) && words < 3;
    }

    /** It may hold gestures, if its name says so. */
    boolean mayBeGestures() {
      return read() > 0 && 3 * read() >= filled - nothing;
    }
  }

  /**
   * The guess for a table.
   *
   * @param environments the titles of environments that are known
   * @param readers of gestures as they are written there
   */
  static ColumnGuess of(
      ListTable table, Collection<String> environments, List<GestureReader> readers) {
    List<ListTable.Line> sample = table.rows().subList(0, Math.min(SAMPLE, table.rows().size()));
    int width = table.header().size();
    List<CellReader> reader = readers(sample, readers);
    List<Column> columns =
        IntStream.range(0, width).mapToObj(c -> column(sample, c, reader)).toList();
    Map<Role, Integer> roles = exact(table.header());
    List<GestureColumn> ofEnvironments = environments(table.header(), environments);
    List<Integer> named = new ArrayList<>();
    for (int c = 0; c < width; c++) {
      boolean other = isOther(roles, c);
      if (!other && means(table.header().get(c), Role.GESTURE) && columns.get(c).mayBeGestures()) {
        named.add(c);
      }
    }
    List<GestureColumn> gestures =
        named.isEmpty() && !ofEnvironments.isEmpty()
            ? ofEnvironments
            : gestures(table.header(), columns, named, roles);
    Integer exactly = roles.remove(Role.GESTURE);
    if (gestures.isEmpty()
        && exactly != null
        && (sample.isEmpty()
            || columns.get(exactly).read() > 0
            || STRICT.contains(ColumnRoles.fold(table.header().get(exactly))))) {
      gestures = List.of(new GestureColumn(exactly, "", ""));
    }
    boolean headerIsData = headerIsData(table, gestures, reader);
    if (headerIsData) {
      roles.clear();
    }
    Set<Integer> taken = new HashSet<>();
    gestures.forEach(g -> taken.add(g.index()));
    roles.values().removeIf(taken::contains);
    others(headerIsData ? List.of() : table.header(), columns, taken, roles);
    boolean told = !named.isEmpty() || !ofEnvironments.isEmpty() || exactly != null;
    List<Integer> left = new ArrayList<>();
    for (int c = 0; c < width; c++) {
      Column column = columns.get(c);
      if (!taken.contains(c) && column.strong() > 2 && 5 * column.strong() > column.filled()) {
        left.add(c + 1);
      }
    }
    return new ColumnGuess(
        new ColumnRoles(roles, gestures), headerIsData, told && !headerIsData, left);
  }

  /** The likeliest columns of a table that does not look like one of gestures. */
  static ColumnRoles forced(ListTable table) {
    List<ListTable.Line> sample = table.rows().subList(0, Math.min(SAMPLE, table.rows().size()));
    List<CellReader> reader = readers(sample, List.of(GestureReader.PLAIN));
    List<Column> columns =
        IntStream.range(0, table.header().size()).mapToObj(c -> column(sample, c, reader)).toList();
    int best =
        IntStream.range(0, columns.size())
            .boxed()
            .max(
                Comparator.<Integer>comparingInt(c -> columns.get(c).read())
                    .thenComparing(Comparator.reverseOrder()))
            .orElse(0);
    Map<Role, Integer> roles = new EnumMap<>(Role.class);
    others(table.header(), columns, Set.of(best), roles);
    roles.putIfAbsent(Role.ACTION, best == 0 && columns.size() > 1 ? 1 : 0);
    return ColumnRoles.of(roles, best);
  }

  private static List<CellReader> readers(
      List<ListTable.Line> sample, List<GestureReader> readers) {
    List<String> cells =
        sample.stream().flatMap(l -> l.cells().stream()).filter(c -> c.length() < 80).toList();
    Dialect dialect = Dialect.lenient(KeyLanguage.of(cells));
    return readers.stream().map(r -> new CellReader(r, dialect)).toList();
  }

  private static Column column(List<ListTable.Line> sample, int index, List<CellReader> reader) {
    int filled = 0;
    int strong = 0;
    int weak = 0;
    int nothing = 0;
    int words = 0;
    Set<String> different = new HashSet<>();
    for (ListTable.Line line : sample) {
      String cell = line.cells().get(index);
      if (cell.isBlank()) {
        continue;
      }
      filled++;
      different.add(cell.strip());
      words += (int) cell.strip().chars().filter(c -> c == ' ').count() + 1;
      switch (Likeness.of(cell, reader)) {
        case STRONG -> strong++;
        case WEAK -> weak++;
        case NOTHING -> nothing++;
        case NONE -> {}
      }
    }
    return new Column(
        sample.size(),
        filled,
        different.size(),
        strong,
        weak,
        nothing,
        filled == 0 ? 0 : (double) words / filled);
  }

  private static Map<Role, Integer> exact(List<String> header) {
    Map<Role, Integer> found = new EnumMap<>(Role.class);
    for (int i = 0; i < header.size(); i++) {
      String name = ColumnRoles.fold(header.get(i));
      for (Role role : Role.values()) {
        if (role.isNamed(name)) {
          found.putIfAbsent(role, i);
        }
      }
    }
    return found;
  }

  private static List<GestureColumn> environments(
      List<String> header, Collection<String> environments) {
    Map<String, String> known = new LinkedHashMap<>();
    environments.forEach(e -> known.putIfAbsent(ColumnRoles.fold(e), e));
    List<GestureColumn> found = new ArrayList<>();
    for (int i = 0; i < header.size(); i++) {
      String environment = known.get(ColumnRoles.fold(header.get(i)));
      if (environment != null) {
        found.add(new GestureColumn(i, environment, ""));
      }
    }
    return found;
  }

  private static boolean isOther(Map<Role, Integer> roles, int column) {
    return roles.entrySet().stream()
        .anyMatch(
            e -> e.getValue() == column && e.getKey() != Role.GESTURE && e.getKey() != Role.ACTION);
  }

  /** A name of a column, in any wording: one of its words says so. */
  private static boolean means(String name, Role role) {
    return Words.of(name).stream().anyMatch(WORDS.get(role)::contains);
  }

  /** By name where a name says so, and by what they hold. */
  private static List<GestureColumn> gestures(
      List<String> header, List<Column> columns, List<Integer> named, Map<Role, Integer> roles) {
    Set<Integer> found = new HashSet<>();
    for (int c = 0; c < columns.size(); c++) {
      boolean reads =
          (columns.get(c).isGestures() || (columns.get(c).mayAllBeKeys() && hasWords(columns, c)))
              && !isOther(roles, c);
      if (reads
          || (named.contains(c) && (named.size() == 1 || !means(header.get(c), Role.ACTION)))) {
        found.add(c);
      }
    }
    if (found.size() > 1) {
      found.removeIf(c -> !columns.get(c).isGestures() && columns.get(c).words() > 3);
    }
    List<Integer> sorted = found.stream().sorted().toList();
    // A column for each system has a name that says nothing of keys; a second way to do the same
    // has.
    boolean systems =
        sorted.size() > 1
            && sorted.stream().noneMatch(c -> header.get(c).isBlank())
            && sorted.stream()
                    .filter(c -> isAlternative(header.get(c)) || isBareGesture(header.get(c)))
                    .count()
                < sorted.size() - 1L
            && sorted.stream().noneMatch(c -> isAlternative(header.get(c)));
    return sorted.stream()
        .map(c -> new GestureColumn(c, "", systems ? header.get(c).strip() : ""))
        .toList();
  }

  private static boolean hasWords(List<Column> columns, int but) {
    return IntStream.range(0, columns.size())
        .anyMatch(c -> c != but && columns.get(c).words() >= 2.5);
  }

  private static boolean isBareGesture(String name) {
    return Words.of(name).stream().allMatch(w -> WORDS.get(Role.GESTURE).contains(w));
  }

  private static boolean isAlternative(String name) {
    Set<String> words = Set.copyOf(Words.of(name));
    return words.stream()
        .anyMatch(
            Set.of(
                    "alternative",
                    "alternate",
                    "alternatively",
                    "secondary",
                    "second",
                    "other",
                    "another",
                    "also",
                    "2",
                    "additional",
                    "alias",
                    "or")
                ::contains);
  }

  /**
   * The first line is data where it holds a gesture just where the others do: one that can be
   * nothing else, or something that may be one where neither the file nor its words say that it is
   * names.
   */
  private static boolean headerIsData(
      ListTable table, List<GestureColumn> gestures, List<CellReader> reader) {
    if (table.origin().headerLine() == 0) {
      return false;
    }
    boolean worded =
        table.header().stream()
            .anyMatch(
                h -> Words.of(h).size() < 4 && WORDS.keySet().stream().anyMatch(r -> means(h, r)));
    for (GestureColumn g : gestures) {
      String header = table.header().get(g.index());
      if (!g.environment().isEmpty() || (worded && isBareGesture(header) && !header.isBlank())) {
        continue;
      }
      Likeness like = Likeness.of(header, reader);
      boolean may = like == Likeness.WEAK || like == Likeness.NOTHING;
      if (like == Likeness.STRONG || (may && !worded && !table.origin().marked())) {
        return true;
      }
    }
    return false;
  }

  /** What is done, and the rest: by name, and what is done else by having the most words. */
  private static void others(
      List<String> header, List<Column> columns, Set<Integer> taken, Map<Role, Integer> roles) {
    Set<Integer> free = new HashSet<>();
    for (int c = 0; c < columns.size(); c++) {
      if (!taken.contains(c) && !roles.containsValue(c)) {
        free.add(c);
      }
    }
    for (Role role : List.of(Role.ACTION, Role.NOTE, Role.CONTEXT)) {
      if (!roles.containsKey(role)) {
        firstThatMeans(header, free, role)
            .ifPresent(
                c -> {
                  roles.put(role, c);
                  free.remove(c);
                });
      }
    }
    if (!roles.containsKey(Role.ACTION)) {
      free.stream()
          .filter(c -> columns.get(c).filled() > 0)
          .max(
              Comparator.<Integer>comparingDouble(c -> columns.get(c).says())
                  .thenComparing(Comparator.reverseOrder()))
          .ifPresent(c -> roles.put(Role.ACTION, c));
    }
  }

  private static Optional<Integer> firstThatMeans(
      List<String> header, Set<Integer> free, Role role) {
    return IntStream.range(0, header.size())
        .boxed()
        .filter(free::contains)
        .filter(c -> means(header.get(c), role))
        .findFirst();
  }
}
