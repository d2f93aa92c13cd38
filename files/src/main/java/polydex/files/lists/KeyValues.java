package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.files.FileProblem;
import polydex.intake.ColumnRoles;
import polydex.intake.ColumnRoles.Role;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.ListTable;
import polydex.intake.Steps;
import polydex.keys.GestureReader;
import polydex.keys.GestureSyntaxException;

/**
 * {@code key = value} files with sections in square brackets, dconf's key files among them. Which
 * side the gestures are on is found out: the one that more of the lines can be read on. A section
 * with a name and a binding in it is one binding of the user's own.
 */
final class KeyValues {
  private static final List<String> HEADER = List.of("application", "context", "action", "gesture");
  private static final ColumnRoles ROLES =
      ColumnRoles.of(Map.of(Role.APPLICATION, 0, Role.CONTEXT, 1, Role.ACTION, 2), 3);

  private record Pair(int line, String key, String value) {}

  private KeyValues() {}

  static ForeignList read(String name, String text) throws FileProblem {
    Map<String, List<Pair>> sections = new LinkedHashMap<>();
    List<Refused> refused = new ArrayList<>();
    String section = "";
    int number = 0;
    for (String raw : text.lines().toList()) {
      number++;
      ListReader.checkRows(name, number);
      String line = raw.strip();
      if (line.isEmpty() || line.startsWith("#") || line.startsWith(";") || line.startsWith("!")) {
        continue;
      }
      Steps.take(line.length() + 1);
      if (line.length() > 2 && line.startsWith("[") && line.endsWith("]")) {
        section = line.substring(1, line.length() - 1).strip();
        continue;
      }
      int equals = divide(line);
      if (equals < 0) {
        refused.add(new Refused(number, line, worded("lists.expected-a-name-and-a-value")));
        continue;
      }
      sections
          .computeIfAbsent(section, _ -> new ArrayList<>())
          .add(
              new Pair(
                  number, line.substring(0, equals).strip(), line.substring(equals + 1).strip()));
    }
    boolean dconf = sections.keySet().stream().anyMatch(s -> s.contains("/"));
    return dconf ? settings(name, sections, refused) : plain(name, sections, refused);
  }

  /** The equals sign that divides: not one that is itself a key, as in {@code Ctrl+= = Larger}. */
  private static int divide(String line) {
    int spaced = line.indexOf(" = ");
    return spaced >= 0 ? spaced + 1 : line.indexOf('=', 1);
  }

  private static ForeignList settings(
      String name, Map<String, List<Pair>> sections, List<Refused> refused) throws FileProblem {
    Map<String, List<ListTable.Line>> lines = new LinkedHashMap<>();
    List<ListTable.Line> owns = new ArrayList<>();
    int left = 0;
    for (Map.Entry<String, List<Pair>> section : sections.entrySet()) {
      Optional<ListTable.Line> own = ownBinding(section.getValue());
      if (own.isPresent()) {
        owns.add(own.get());
        left += section.getValue().size() - 1;
        continue;
      }
      String schema = section.getKey().replaceAll("^/|/$", "").replace('/', '.');
      for (Pair pair : section.getValue()) {
        Optional<List<String>> gestures = Variants.gestures(pair.value());
        if (gestures.isEmpty()) {
          left++;
        } else {
          lines
              .computeIfAbsent(schema, _ -> new ArrayList<>())
              .add(
                  new ListTable.Line(
                      pair.line(),
                      "",
                      List.of(Variants.title(pair.key()), String.join("\n", gestures.get()))));
        }
      }
    }
    return SettingsDump.of(
        name, worded("lists.a-dconf-key-file"), ListSubjects.SCHEMA, lines, owns, refused, left);
  }

  private static Optional<ListTable.Line> ownBinding(List<Pair> pairs) {
    Map<String, Pair> byKey = new LinkedHashMap<>();
    pairs.forEach(p -> byKey.put(p.key(), p));
    Pair binding = byKey.get("binding");
    Pair title = byKey.get("name");
    if (binding == null || title == null) {
      return Optional.empty();
    }
    Optional<List<String>> gesture = Variants.strings(binding.value()).filter(l -> l.size() == 1);
    Optional<List<String>> named = Variants.strings(title.value()).filter(l -> l.size() == 1);
    return gesture.isEmpty() || named.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new ListTable.Line(
                binding.line(),
                "",
                List.of(named.get().getFirst(), gesture.get().getFirst(), runs(byKey))));
  }

  private static String runs(Map<String, Pair> byKey) {
    return Optional.ofNullable(byKey.get("command"))
        .flatMap(c -> Variants.strings(c.value()))
        .filter(l -> l.size() == 1 && !l.getFirst().isBlank())
        .map(l -> worded("any.runs", l.getFirst()))
        .orElse("");
  }

  private static ForeignList plain(
      String name, Map<String, List<Pair>> sections, List<Refused> refused) throws FileProblem {
    if (isActiveDefaultLabel(sections)) {
      return activeDefaultLabel(name, sections, refused);
    }
    long keysLeft = 0;
    long keysRight = 0;
    int pairs = 0;
    for (List<Pair> list : sections.values()) {
      for (Pair pair : list) {
        pairs++;
        keysLeft += reads(pair.key()) ? 1 : 0;
        keysRight += reads(unquoted(pair.value())) ? 1 : 0;
      }
    }
    if (keysLeft == 0 && keysRight == 0) {
      throw new FileProblem(worded("lists.has-lines-with-and-a-gesture", name, pairs));
    }
    boolean left = keysLeft > keysRight;
    List<ListTable.Line> lines = new ArrayList<>();
    sections.forEach(
        (section, list) ->
            list.forEach(
                p ->
                    lines.add(
                        new ListTable.Line(
                            p.line(),
                            "",
                            List.of(
                                "",
                                section,
                                Variants.title(left ? unquoted(p.value()) : p.key()),
                                left ? p.key() : unquoted(p.value()))))));
    return new ForeignList(
        name,
        left ? worded("lists.lines-of-gesture-action") : worded("lists.lines-of-action-gesture"),
        List.of(new ListTable("", HEADER, lines, ListTable.Origin.ONLY, Optional.of(ROLES))),
        refused,
        0,
        List.of(),
        "");
  }

  /** What is set, what it would be otherwise, and what that does: {@code Alt+Tab,Alt+Tab,Walk}. */
  private record Setting(String active, String label) {
    static Optional<Setting> of(String value) {
      String[] parts = value.split(",", 3);
      boolean one = parts.length == 3 && (isNone(parts[0]) || anyReads(parts[0]));
      return one && (isNone(parts[1]) || anyReads(parts[1]))
          ? Optional.of(new Setting(parts[0], parts[2].strip()))
          : Optional.empty();
    }

    static boolean isNone(String text) {
      return text.isBlank() || text.strip().equals("none");
    }

    /** Several stand with a tab between, which such files write as a backslash and a t. */
    static List<String> gestures(String text) {
      return Arrays.stream(text.split("\\t|\\\\t")).map(String::strip).toList();
    }

    static boolean anyReads(String text) {
      return gestures(text).stream().anyMatch(KeyValues::reads);
    }
  }

  private static boolean isActiveDefaultLabel(Map<String, List<Pair>> sections) {
    long all = sections.values().stream().mapToLong(List::size).sum();
    long such =
        sections.values().stream()
            .flatMap(List::stream)
            .filter(p -> Setting.of(p.value()).isPresent())
            .count();
    return such > 1 && such * 2 >= all;
  }

  private static ForeignList activeDefaultLabel(
      String name, Map<String, List<Pair>> sections, List<Refused> refused) {
    List<ListTable.Line> lines = new ArrayList<>();
    int left = 0;
    for (Map.Entry<String, List<Pair>> section : sections.entrySet()) {
      for (Pair pair : section.getValue()) {
        Optional<Setting> setting = Setting.of(pair.value());
        if (setting.filter(s -> !Setting.isNone(s.active())).isEmpty()) {
          left++;
          continue;
        }
        String label = setting.get().label();
        lines.add(
            new ListTable.Line(
                pair.line(),
                "",
                List.of(
                    "",
                    "",
                    label.isEmpty() ? Variants.title(pair.key()) : label,
                    String.join("\n", Setting.gestures(setting.get().active())))));
      }
    }
    return new ForeignList(
        name,
        worded("lists.settings-of-active-default-label"),
        List.of(new ListTable("", HEADER, lines, ListTable.Origin.ONLY, Optional.of(ROLES))),
        refused,
        left,
        List.of(),
        "");
  }

  private static String unquoted(String value) {
    boolean quoted =
        value.length() > 1
            && (value.charAt(0) == '"' || value.charAt(0) == '\'')
            && value.charAt(0) == value.charAt(value.length() - 1);
    return quoted ? value.substring(1, value.length() - 1) : value;
  }

  private static boolean reads(String text) {
    try {
      return GestureReader.PLAIN.read(text).gesture().modifierPresses() > 0
          || text.matches("F\\d+");
    } catch (GestureSyntaxException _) {
      return false;
    }
  }
}
