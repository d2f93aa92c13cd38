package polydex.files.lists;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.files.FileProblem;
import polydex.intake.ColumnRoles;
import polydex.intake.ColumnRoles.Role;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.ListTable;
import polydex.intake.Steps;

/** What {@code gsettings list-recursively} prints: schema, key and value on each line. */
final class SettingsDump {
  static final List<String> HEADER = List.of("application", "action", "gesture");
  static final ColumnRoles ROLES = ColumnRoles.of(Map.of(Role.APPLICATION, 0, Role.ACTION, 1), 2);

  private SettingsDump() {}

  /** A line: a schema, perhaps with a path behind a colon, a key, and a value. */
  record Entry(String schema, String key, String value) {
    static Optional<Entry> of(String line) {
      Steps.take(line.length() + 1);
      int first = line.indexOf(' ');
      int second = first < 0 ? -1 : line.indexOf(' ', first + 1);
      if (second < 0 || second == line.length() - 1) {
        return Optional.empty();
      }
      int colon = line.substring(0, first).indexOf(':');
      String schema = line.substring(0, colon < 0 ? first : colon);
      String key = line.substring(first + 1, second);
      return isName(schema, ".-_") && isName(key, "-_") && colon != first - 1
          ? Optional.of(new Entry(schema, key, line.substring(second + 1)))
          : Optional.empty();
    }

    private static boolean isName(String text, String signs) {
      return !text.isEmpty()
          && text.chars()
              .allMatch(c -> (c < 128 && Character.isLetterOrDigit(c)) || signs.indexOf(c) >= 0);
    }
  }

  static ForeignList read(String name, String text) throws FileProblem {
    List<ListTable.Line> lines = new ArrayList<>();
    List<Refused> refused = new ArrayList<>();
    int left = 0;
    int number = 0;
    for (String line : text.lines().toList()) {
      number++;
      ListReader.checkRows(name, number);
      if (line.isBlank()) {
        continue;
      }
      Optional<Entry> entry = Entry.of(line.strip());
      if (entry.isEmpty()) {
        refused.add(new Refused(number, line.strip(), "Expected a schema, a key and a value."));
        continue;
      }
      Optional<List<String>> gestures = gestures(entry.get().value());
      if (gestures.isEmpty()) {
        left++;
      } else {
        lines.add(
            new ListTable.Line(
                number,
                "",
                List.of(
                    entry.get().schema(),
                    Variants.title(entry.get().key()),
                    String.join("\n", gestures.get()))));
      }
    }
    return of(name, "settings as a dump", lines, refused, left);
  }

  static ForeignList of(
      String name, String form, List<ListTable.Line> lines, List<Refused> refused, int left)
      throws FileProblem {
    if (lines.isEmpty()) {
      throw new FileProblem(name + " has settings in it, but no gestures. Nothing was taken.");
    }
    ListTable table = new ListTable("", HEADER, lines, ListTable.Origin.ONLY, Optional.of(ROLES));
    return new ForeignList(name, form, List.of(table), refused, left, List.of(), "");
  }

  /** The gestures of a value, where it has some and nothing else. */
  static Optional<List<String>> gestures(String value) {
    return Variants.strings(value)
        .map(l -> l.stream().filter(s -> !s.isEmpty() && !s.equals("disabled")).toList())
        .filter(l -> !l.isEmpty() && l.stream().anyMatch(Variants::isAccelerator));
  }
}
