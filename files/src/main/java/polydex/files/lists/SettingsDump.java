package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
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

/** What {@code gsettings list-recursively} prints: schema, key and value on each line. */
public final class SettingsDump {
  private static final List<String> HEADER = List.of("action", "gesture");
  private static final ColumnRoles ROLES = ColumnRoles.of(Map.of(Role.ACTION, 0), 1);

  private static final List<String> OWN_HEADER = List.of("action", "gesture", "note");
  private static final ColumnRoles OWN_ROLES =
      ColumnRoles.of(Map.of(Role.ACTION, 0, Role.NOTE, 2), 1);

  private SettingsDump() {}

  /**
   * A line: a schema, perhaps with a path behind a colon, a key, and a value.
   *
   * @param value in the text form of GVariant
   */
  public record Entry(String schema, String key, String value) {
    /** Reads a line; none where it is no such line. */
    public static Optional<Entry> of(String line) {
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
    Map<String, List<ListTable.Line>> lines = new LinkedHashMap<>();
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
        refused.add(new Refused(number, line.strip(), worded("lists.expected-a-schema-a-key-and")));
        continue;
      }
      Optional<List<String>> gestures = Variants.gestures(entry.get().value());
      if (gestures.isEmpty()) {
        left++;
      } else {
        List<String> cells =
            List.of(Variants.title(entry.get().key()), String.join("\n", gestures.get()));
        lines
            .computeIfAbsent(entry.get().schema(), _ -> new ArrayList<>())
            .add(new ListTable.Line(number, "", cells));
      }
    }
    return of(name, worded("lists.settings-as-a-dump"), lines, refused, left);
  }

  /** A list with a table for each schema, since each is of another program, or of the desktop. */
  static ForeignList of(
      String name,
      String form,
      Map<String, List<ListTable.Line>> bySchema,
      List<Refused> refused,
      int left)
      throws FileProblem {
    return of(name, form, ListSubjects.SCHEMA, bySchema, List.of(), refused, left);
  }

  /**
   * The same with bindings of the user's own.
   *
   * @param kind what each table is
   * @param own each with its name, its gesture and what it runs
   */
  static ForeignList of(
      String name,
      String form,
      String kind,
      Map<String, List<ListTable.Line>> bySchema,
      List<ListTable.Line> own,
      List<Refused> refused,
      int left)
      throws FileProblem {
    if (bySchema.isEmpty() && own.isEmpty()) {
      throw new FileProblem(worded("lists.has-settings-in-it-but-no", name));
    }
    List<ListTable> tables = new ArrayList<>();
    bySchema.forEach(
        (schema, lines) ->
            tables.add(
                new ListTable(
                    schema, HEADER, lines, new ListTable.Origin("", kind, 0), Optional.of(ROLES))));
    if (!own.isEmpty()) {
      tables.add(
          new ListTable(
              "",
              OWN_HEADER,
              own,
              new ListTable.Origin("", ListSubjects.OWN, 0),
              Optional.of(OWN_ROLES)));
    }
    return new ForeignList(name, form, tables, refused, left, List.of(), "");
  }
}
