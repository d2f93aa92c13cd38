package polydex.files.lists;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import polydex.files.FileProblem;
import polydex.intake.ColumnRoles;
import polydex.intake.ColumnRoles.Role;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.ListTable;

/** What {@code gsettings list-recursively} prints: schema, key and value on each line. */
final class SettingsDump {
  private static final Pattern LINE = Pattern.compile("([\\w.-]+)(?::(\\S+))? ([\\w-]+) (.+)");
  static final List<String> HEADER = List.of("application", "action", "gesture");
  static final ColumnRoles ROLES =
      new ColumnRoles(Map.of(Role.APPLICATION, 0, Role.ACTION, 1, Role.GESTURE, 2), Map.of());

  private SettingsDump() {}

  static ForeignList read(String name, String text) throws FileProblem {
    List<ListTable.Line> lines = new ArrayList<>();
    List<Refused> refused = new ArrayList<>();
    int left = 0;
    int number = 0;
    for (String line : text.lines().toList()) {
      number++;
      ListReader.checkRows(name, number);
      Matcher m = LINE.matcher(line.strip());
      if (line.isBlank()) {
        continue;
      }
      if (!m.matches()) {
        refused.add(new Refused(number, line.strip(), "Expected a schema, a key and a value."));
        continue;
      }
      Optional<List<String>> gestures = gestures(m.group(4));
      if (gestures.isEmpty()) {
        left++;
      } else {
        lines.add(
            new ListTable.Line(
                number,
                "",
                List.of(
                    m.group(1), Variants.title(m.group(3)), String.join("\n", gestures.get()))));
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
    return new ForeignList(
        name, form, List.of(new ListTable("", HEADER, lines)), refused, left, Optional.of(ROLES));
  }

  /** The gestures of a value, where it has some and nothing else. */
  static Optional<List<String>> gestures(String value) {
    return Variants.strings(value)
        .map(l -> l.stream().filter(s -> !s.isEmpty() && !s.equals("disabled")).toList())
        .filter(l -> !l.isEmpty() && l.stream().anyMatch(Variants::isAccelerator));
  }
}
