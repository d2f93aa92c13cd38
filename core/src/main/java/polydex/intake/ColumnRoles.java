package polydex.intake;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import polydex.intake.IntakeRequest.RequestedRow;

/**
 * What the columns of a table from outside are: found by their names, or said by the user once and
 * remembered. A column named after an environment that is known holds that environment's gestures.
 *
 * @param roles the index of each column that has a role
 * @param gestureColumns columns of gestures, by index, with the environment that each is of
 */
public record ColumnRoles(Map<Role, Integer> roles, Map<Integer, String> gestureColumns) {

  /** What a column can be. */
  public enum Role {
    PLATFORM("platform", "system"),
    APPLICATION("application", "app", "program", "environment"),
    CONTEXT("context", "where", "when", "scope", "mode"),
    ACTION(
        "action",
        "command",
        "title",
        "what",
        "function",
        "description",
        "task",
        "summary",
        "operation",
        "name",
        "result"),
    GESTURE(
        "gesture",
        "keys",
        "key",
        "shortcut",
        "shortcuts",
        "binding",
        "keystroke",
        "keyboard shortcut",
        "keybinding",
        "key binding",
        "hotkey",
        "press",
        "default"),
    NOTE("note", "notes", "remark", "remarks", "comment");

    private final Set<String> names;

    Role(String... names) {
      this.names = Set.of(names);
    }

    /** As it is written where columns are named: {@code gesture}. */
    public String written() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  private static final Pattern SPACES = Pattern.compile("\\s+");

  /** Copies both. */
  public ColumnRoles {
    roles = roles.isEmpty() ? Map.of() : new EnumMap<>(roles);
    gestureColumns = Collections.unmodifiableMap(new TreeMap<>(gestureColumns));
  }

  /**
   * The roles that the names of columns give away.
   *
   * @param environments the titles of environments that are known
   */
  public static ColumnRoles guess(List<String> header, Collection<String> environments) {
    Map<Role, Integer> found = new EnumMap<>(Role.class);
    Map<Integer, String> gestures = new LinkedHashMap<>();
    Map<String, String> known =
        environments.stream().collect(Collectors.toMap(ColumnRoles::fold, e -> e, (a, _) -> a));
    for (int i = 0; i < header.size(); i++) {
      String name = fold(header.get(i));
      for (Role role : Role.values()) {
        if (role.names.contains(name)) {
          found.putIfAbsent(role, i);
        }
      }
      if (known.containsKey(name)) {
        gestures.put(i, known.get(name));
      }
    }
    return new ColumnRoles(found, found.containsKey(Role.GESTURE) ? Map.of() : gestures);
  }

  /**
   * Reads what a user says of columns: {@code action=2, gesture=Keys}; numbers count from 1.
   *
   * @throws IllegalArgumentException with a sentence
   */
  public static ColumnRoles parse(String text, List<String> header) {
    Map<Role, Integer> found = new EnumMap<>(Role.class);
    for (String pair : text.split(",")) {
      String[] sides = pair.split("=", 2);
      if (sides.length < 2) {
        throw new IllegalArgumentException(
            "Say what each column is as in action=2, gesture=Keys, not “" + pair.strip() + "”.");
      }
      found.put(role(sides[0].strip()), column(sides[1].strip(), header));
    }
    return new ColumnRoles(found, Map.of());
  }

  private static Role role(String name) {
    for (Role role : Role.values()) {
      if (role.written().equals(fold(name))) {
        return role;
      }
    }
    throw new IllegalArgumentException(
        "A column is platform, application, context, action, gesture or note, not “" + name + "”.");
  }

  private static int column(String name, List<String> header) {
    for (int i = 0; i < header.size(); i++) {
      if (fold(header.get(i)).equals(fold(name))) {
        return i;
      }
    }
    if (name.matches("[1-9]\\d{0,3}") && Integer.parseInt(name) <= header.size()) {
      return Integer.parseInt(name) - 1;
    }
    throw new IllegalArgumentException(
        "There is no column “%s”. There are: %s.".formatted(name, String.join(", ", header)));
  }

  /** What stands for a header where its roles are remembered. */
  public static String signature(List<String> header) {
    return header.stream().map(ColumnRoles::fold).collect(Collectors.joining("|"));
  }

  /** As {@link #parse} reads it, but for columns of environments. */
  public String written() {
    return roles.entrySet().stream()
        .map(e -> e.getKey().written() + "=" + (e.getValue() + 1))
        .collect(Collectors.joining(", "));
  }

  /** The roles that are missing before a list can be brought in, by name; empty where none is. */
  public List<String> missing(boolean environmentIsSaid) {
    List<String> missing = new ArrayList<>();
    boolean gestures = roles.containsKey(Role.GESTURE) || !gestureColumns.isEmpty();
    boolean where =
        roles.containsKey(Role.PLATFORM)
            || roles.containsKey(Role.APPLICATION)
            || !gestureColumns.isEmpty()
            || environmentIsSaid;
    if (!where) {
      missing.add("“platform” or “application”");
    }
    if (!roles.containsKey(Role.ACTION)) {
      missing.add("“action”");
    }
    if (!gestures) {
      missing.add("“gesture”");
    }
    return missing;
  }

  /**
   * The lines of a table as rows of bindings: one for each column of gestures.
   *
   * @param said the environment that the user named for lines that name none
   */
  public List<RequestedRow> rows(ListTable table, Optional<Target> said) {
    List<RequestedRow> rows = new ArrayList<>(table.rows().size());
    for (ListTable.Line line : table.rows()) {
      if (gestureColumns.isEmpty()) {
        rows.add(row(line, cell(line, Role.GESTURE), said));
      } else {
        gestureColumns.forEach(
            (column, environment) -> {
              String gesture = line.cells().get(column).strip();
              if (!gesture.isEmpty()) {
                rows.add(row(line, gesture, Optional.of(new Target(environment, false))));
              }
            });
      }
    }
    return rows;
  }

  /**
   * The environment of lines that name none.
   *
   * @param title as people call it
   * @param isPlatform whether it is a platform
   */
  public record Target(String title, boolean isPlatform) {}

  private RequestedRow row(ListTable.Line line, String gesture, Optional<Target> said) {
    String application = cell(line, Role.APPLICATION);
    String platform = cell(line, Role.PLATFORM);
    boolean isPlatform = application.isEmpty();
    String environment = isPlatform ? platform : application;
    if (environment.isEmpty() && said.isPresent()) {
      environment = said.get().title();
      isPlatform = said.get().isPlatform();
    }
    String context = cell(line, Role.CONTEXT);
    return new RequestedRow(
        line.number(),
        environment,
        isPlatform,
        context.isEmpty() ? line.section() : context,
        cell(line, Role.ACTION),
        gesture,
        cell(line, Role.NOTE));
  }

  private String cell(ListTable.Line line, Role role) {
    Integer column = roles.get(role);
    return column == null ? "" : line.cells().get(column).strip();
  }

  private static String fold(String name) {
    return SPACES.matcher(name.strip()).replaceAll(" ").toLowerCase(Locale.ROOT);
  }
}
