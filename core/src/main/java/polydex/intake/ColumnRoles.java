package polydex.intake;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import polydex.intake.IntakeRequest.RequestedRow;

/**
 * What the columns of a table from outside are: found by their names and by what they hold, or said
 * by the user once and remembered. A table can have several columns of gestures: one for each
 * environment or system, or several ways to do the same.
 *
 * @param roles the index of each column that has a role
 * @param gestures the columns of gestures
 */
public record ColumnRoles(Map<Role, Integer> roles, List<GestureColumn> gestures) {

  /**
   * A column of gestures.
   *
   * @param index from 0
   * @param environment the known environment that it is of; empty for what the line or the user
   *     says
   * @param system of which of several systems side by side; empty for all
   */
  public record GestureColumn(int index, String environment, String system) {}

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
        "press"),
    NOTE("note", "notes", "remark", "remarks", "comment");

    private final Set<String> names;

    Role(String... names) {
      this.names = Set.of(names);
    }

    /** Whether a name in small letters is exactly one of its own. */
    boolean isNamed(String folded) {
      return names.contains(folded);
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
    gestures = List.copyOf(gestures);
  }

  /** Roles with one column of gestures. */
  public static ColumnRoles of(Map<Role, Integer> roles, int gesture) {
    return new ColumnRoles(roles, List.of(new GestureColumn(gesture, "", "")));
  }

  /**
   * Reads what a user says of columns: {@code action=2, gesture=Keys}; numbers count from 1, and
   * several columns of gestures stand with a plus between: {@code gesture=2+3}.
   *
   * @throws IllegalArgumentException with a sentence
   */
  public static ColumnRoles parse(String text, List<String> header) {
    Map<Role, Integer> found = new EnumMap<>(Role.class);
    List<GestureColumn> gestures = new ArrayList<>();
    for (String pair : text.split(",")) {
      String[] sides = pair.split("=", 2);
      if (sides.length < 2) {
        throw new IllegalArgumentException(
            worded("intake.say-what-each-column-is-as", pair.strip()));
      }
      Role role = role(sides[0].strip());
      if (role != Role.GESTURE) {
        found.put(role, column(sides[1].strip(), header));
        continue;
      }
      for (String one : sides[1].split("\\+")) {
        gestures.add(new GestureColumn(column(one.strip(), header), "", ""));
      }
    }
    return new ColumnRoles(found, gestures);
  }

  private static Role role(String name) {
    for (Role role : Role.values()) {
      if (role.written().equals(fold(name))) {
        return role;
      }
    }
    throw new IllegalArgumentException(
        worded("intake.a-column-is-platform-application-context", name));
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
        worded("intake.there-is-no-column-there-are", name, String.join(", ", header)));
  }

  /** What stands for a header where its roles are remembered; empty where nothing is named. */
  public static String signature(List<String> header) {
    return header.stream().allMatch(String::isBlank)
        ? ""
        : header.stream().map(ColumnRoles::fold).collect(Collectors.joining("|"));
  }

  /** As {@link #parse} reads it, but for columns of environments and systems. */
  public String written() {
    String columns =
        gestures.stream()
            .map(g -> Integer.toString(g.index() + 1))
            .collect(Collectors.joining("+"));
    return Stream.concat(
            roles.entrySet().stream().map(e -> e.getKey().written() + "=" + (e.getValue() + 1)),
            columns.isEmpty() ? Stream.of() : Stream.of("gesture=" + columns))
        .collect(Collectors.joining(", "));
  }

  /** What a list can lack. */
  public enum Lack {
    /** The platform or application that its lines are of. */
    SUBJECT,

    /** What its gestures are for. */
    ACTION,

    /** Gestures. */
    GESTURE
  }

  /** What is missing before a list can be brought in; empty where nothing is. */
  public List<Lack> missing(boolean environmentIsSaid) {
    List<Lack> missing = new ArrayList<>();
    boolean where =
        roles.containsKey(Role.PLATFORM)
            || roles.containsKey(Role.APPLICATION)
            || gestures.stream().anyMatch(g -> !g.environment().isEmpty())
            || environmentIsSaid;
    if (!where) {
      missing.add(Lack.SUBJECT);
    }
    if (!roles.containsKey(Role.ACTION)) {
      missing.add(Lack.ACTION);
    }
    if (gestures.isEmpty()) {
      missing.add(Lack.GESTURE);
    }
    return missing;
  }

  /**
   * The lines of a table as rows of bindings: one for each column of gestures that says something.
   *
   * @param said the environment that the user named for lines that name none
   */
  public List<RequestedRow> rows(ListTable table, Optional<Target> said) {
    List<RequestedRow> rows = new ArrayList<>(table.rows().size());
    String file = table.origin().file();
    for (ListTable.Line line : table.rows()) {
      if (gestures.size() == 1) {
        rows.add(row(line, gestures.getFirst(), said, file));
        continue;
      }
      int before = rows.size();
      for (GestureColumn column : gestures) {
        if (!line.cells().get(column.index()).isBlank()) {
          rows.add(row(line, column, said, file));
        }
      }
      if (rows.size() == before && !gestures.isEmpty()) {
        rows.add(row(line, gestures.getFirst(), said, file));
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

  private RequestedRow row(
      ListTable.Line line, GestureColumn column, Optional<Target> said, String file) {
    String application = cell(line, Role.APPLICATION);
    String platform = cell(line, Role.PLATFORM);
    boolean isPlatform = application.isEmpty();
    String environment = isPlatform ? platform : application;
    if (!column.environment().isEmpty()) {
      environment = column.environment();
      isPlatform = false;
    } else if (environment.isEmpty() && said.isPresent()) {
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
        line.cells().get(column.index()).strip(),
        cell(line, Role.NOTE),
        column.system(),
        file,
        false);
  }

  private String cell(ListTable.Line line, Role role) {
    Integer column = roles.get(role);
    return column == null ? "" : ListTable.words(line.cells().get(column)).strip();
  }

  static String fold(String name) {
    return SPACES.matcher(name.strip()).replaceAll(" ").toLowerCase(Locale.ROOT);
  }
}
