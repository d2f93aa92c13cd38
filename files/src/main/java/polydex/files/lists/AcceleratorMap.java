package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import polydex.files.FileProblem;
import polydex.intake.ColumnRoles;
import polydex.intake.ColumnRoles.Role;
import polydex.intake.ListTable;
import polydex.intake.Steps;

/**
 * Accelerator maps as GTK saves them: {@code (gtk_accel_path "<Actions>/Group/Name" "<Primary>s")};
 * a semicolon before a line says that it is as the program had it.
 */
final class AcceleratorMap {
  private static final Pattern LINE =
      Pattern.compile("^;?\\s*\\(gtk_accel_path\\s+\"([^\"]{1,300})\"\\s+\"([^\"]{0,100})\"\\)");

  private AcceleratorMap() {}

  static boolean looksSo(String head) {
    return head.contains("(gtk_accel_path ");
  }

  static ForeignList read(String name, String text) throws FileProblem {
    List<ListTable.Line> lines = new ArrayList<>();
    int left = 0;
    int number = 0;
    for (String raw : text.lines().toList()) {
      number++;
      ListReader.checkRows(name, number);
      Steps.take(Math.min(raw.length(), 500) + 1L);
      Matcher line = LINE.matcher(raw.length() <= 500 ? raw : "");
      if (!line.find()) {
        continue;
      }
      if (line.group(2).isEmpty()) {
        left++;
        continue;
      }
      String path = line.group(1);
      lines.add(new ListTable.Line(number, "", List.of(title(path), line.group(2))));
    }
    if (lines.isEmpty()) {
      throw new FileProblem(worded("lists.is-an-accelerator-map-without-a", name));
    }
    return new ForeignList(
        name,
        worded("lists.an-accelerator-map"),
        List.of(
            new ListTable(
                "",
                List.of("action", "gesture"),
                lines,
                new ListTable.Origin("", "lines", 0, true),
                Optional.of(ColumnRoles.of(Map.of(Role.ACTION, 0), 1)))),
        List.of(),
        left,
        List.of(),
        "");
  }

  /** The last part of a path; actions of a window or of the whole program begin so. */
  private static String title(String path) {
    return Variants.title(
        path.substring(path.lastIndexOf('/') + 1).replaceFirst("^(?:win|app)\\.(?=.)", ""));
  }
}
