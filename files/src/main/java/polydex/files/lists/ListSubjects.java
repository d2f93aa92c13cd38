package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.intake.ColumnRoles.Target;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.intake.ListSubject;
import polydex.intake.ListTable;
import polydex.intake.SubjectGuess;
import polydex.intake.TableFate;
import polydex.workspace.Workspace;

/**
 * What the parts of a list are about. The tables of one document are about the same; several files
 * are each about something, and so are the schemas of a dump of settings.
 */
final class ListSubjects {
  /** What an {@link ListTable.Origin} calls the settings of one program. */
  static final String SCHEMA = "schema";

  /** What it calls bindings that the user made. */
  static final String OWN = "own bindings";

  private static final int LONGEST_TITLE = 60;

  private final Map<String, SubjectGuess> byPart = new LinkedHashMap<>();

  ListSubjects(Workspace workspace, ForeignList list, Intake.Said said, List<TableFate> fates) {
    Map<String, List<TableFate>> parts = new LinkedHashMap<>();
    for (TableFate fate : fates) {
      if (fate.taken()) {
        parts.computeIfAbsent(part(fate.table()), _ -> new ArrayList<>()).add(fate);
      }
    }
    parts.forEach(
        (part, tables) ->
            byPart.put(part, about(workspace, list, title(list, tables.getFirst()), said, tables)));
  }

  private static String part(ListTable table) {
    String kind = table.origin().kind();
    boolean apart = kind.equals(SCHEMA) || kind.equals(OWN);
    return table.origin().file() + "\n" + (apart ? kind + table.title() : "");
  }

  private static SubjectGuess about(
      Workspace workspace,
      ForeignList list,
      String called,
      Intake.Said said,
      List<TableFate> tables) {
    if (tables.getFirst().table().origin().kind().equals(OWN)) {
      return new SubjectGuess(
          ListSubject.OWN,
          SubjectGuess.titleFor(workspace, ListSubject.OWN, called),
          worded("lists.each-has-a-name-a-gesture"));
    }
    SubjectGuess guess = SubjectGuess.of(workspace, list.name(), called, sample(tables));
    ListSubject subject =
        said.subject()
            .or(() -> said.title().flatMap(t -> SubjectGuess.subjectOf(workspace, t)))
            .orElse(guess.subject());
    boolean asGuessed = subject == guess.subject();
    String title = asGuessed ? guess.title() : SubjectGuess.titleFor(workspace, subject, called);
    return new SubjectGuess(
        subject,
        said.title().filter(_ -> subject != ListSubject.OWN).orElse(title),
        said.subject().isPresent() ? worded("lists.as-you-said") : asGuessed ? guess.why() : "");
  }

  /** Some lines, of no environment in particular. */
  private static List<RequestedRow> sample(List<TableFate> fates) {
    Target nothing = new Target("", false);
    List<RequestedRow> rows = new ArrayList<>();
    for (TableFate fate : fates) {
      if (rows.size() < SubjectGuess.SAMPLE) {
        rows.addAll(fate.head(SubjectGuess.SAMPLE).rows(Optional.of(nothing)));
      }
    }
    return rows;
  }

  /** What a part is called: its schema, the title of the list, or a file; may be empty. */
  private static String title(ForeignList list, TableFate first) {
    ListTable.Origin origin = first.table().origin();
    if (origin.kind().equals(SCHEMA)) {
      return first.table().title();
    }
    String title = list.title().strip();
    if (title.isEmpty()) {
      String path = origin.file().isEmpty() ? list.name() : origin.file();
      String name = path.substring(path.lastIndexOf('/') + 1);
      int dot = name.lastIndexOf('.');
      // What has neither an ending nor a folder around it may be no file at all: the clipboard.
      boolean file = dot > 0 || !origin.file().isEmpty();
      title = file ? spoken(dot > 0 ? name.substring(0, dot) : name) : "";
    }
    return (title.length() <= LONGEST_TITLE ? title : title.substring(0, LONGEST_TITLE)).strip();
  }

  /** The name of a file as people would say it; what looks like an id is left to others. */
  private static String spoken(String file) {
    String words = file.replace('_', ' ').replace('-', ' ').strip();
    return file.indexOf('.') >= 0 || words.isEmpty()
        ? file
        : Character.toUpperCase(words.charAt(0)) + words.substring(1);
  }

  /** What a table is about; none for one that is left. */
  Optional<SubjectGuess> of(ListTable table) {
    return Optional.ofNullable(byPart.get(part(table)));
  }

  boolean isOwn(ListTable table) {
    return of(table).filter(a -> a.subject() == ListSubject.OWN).isPresent();
  }

  /** The environment of lines of a table that name none; none where it has no name. */
  Optional<Target> target(ListTable table) {
    return of(table)
        .filter(a -> !a.title().isEmpty())
        .map(a -> new Target(a.title(), a.subject() != ListSubject.APPLICATION));
  }
}
