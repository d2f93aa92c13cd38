package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import polydex.catalog.Environment;
import polydex.files.FileProblem;
import polydex.intake.ColumnRoles;
import polydex.intake.ColumnRoles.Target;
import polydex.intake.IntakeRequest;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.intake.IntakeRequest.Ways;
import polydex.intake.ListSubject;
import polydex.intake.ListTable;
import polydex.intake.SubjectGuess;
import polydex.intake.TableFate;
import polydex.keys.GestureReader;
import polydex.keys.Modifier;
import polydex.workspace.Remembered;
import polydex.workspace.Workspace;

/**
 * Puts together what a list says, what its columns are and what was remembered of it, into a
 * request that can be planned.
 *
 * @param request what is asked
 * @param remembered with the columns that the user named
 * @param tables what becomes of each table, in the order of the list
 * @param about what its parts are taken to be about, each once; none where lines say it themselves
 */
public record Intake(
    IntakeRequest request,
    Remembered remembered,
    List<TableFate> tables,
    List<SubjectGuess> about) {
  private static final int MOST_READERS = 8;

  /** Copies the lists. */
  public Intake {
    tables = List.copyOf(tables);
    about = List.copyOf(about);
  }

  /**
   * What the user says of a list.
   *
   * @param columns what the columns are, as {@link ColumnRoles#parse} reads it
   * @param subject what the list is about
   * @param title of the environment of lines that name none
   * @param take which tables, counted from 1, are taken whatever they look like
   * @param leave which tables, counted from 1, are left
   * @param ways how cells are to be read
   */
  public record Said(
      Optional<String> columns,
      Optional<ListSubject> subject,
      Optional<String> title,
      Set<Integer> take,
      Set<Integer> leave,
      Ways ways) {
    /** Nothing at all. */
    public static final Said NOTHING =
        new Said(
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Set.of(),
            Set.of(),
            Ways.FOUND_OUT);

    /** Of this environment, as far as lines name none. */
    public Said of(Target target) {
      return new Said(
          columns,
          Optional.of(target.isPlatform() ? ListSubject.DESKTOP : ListSubject.APPLICATION),
          Optional.of(target.title()),
          take,
          leave,
          ways);
    }

    /** With these columns. */
    public Said columns(Optional<String> others) {
      return new Said(others, subject, title, take, leave, ways);
    }

    /** With this title of the environment, whatever it is. */
    public Said titled(String other) {
      return new Said(columns, subject, Optional.of(other), take, leave, ways);
    }

    /** Copies the sets. */
    public Said {
      take = Set.copyOf(take);
      leave = Set.copyOf(leave);
    }

    private TableFate of(int number, TableFate found) {
      boolean other = found.taken() ? leave.contains(number) : take.contains(number);
      return other ? found.switched() : found;
    }
  }

  /**
   * The request for a list.
   *
   * @param said what the columns are, as {@link ColumnRoles#parse} reads it
   * @param target the environment of lines that name none
   * @throws FileProblem where nothing of it can be taken; the message says why
   */
  public static Intake of(
      Workspace workspace, ForeignList list, Optional<String> said, Optional<Target> target)
      throws FileProblem {
    Said all = Said.NOTHING.columns(said);
    return of(workspace, list, target.map(all::of).orElse(all));
  }

  /**
   * The request for a list.
   *
   * @throws FileProblem where nothing of it can be taken; the message says why
   */
  public static Intake of(Workspace workspace, ForeignList list, Said said) throws FileProblem {
    Remembered remembered = workspace.remembered();
    ListSubjects subjects =
        new ListSubjects(workspace, list, said, fates(workspace, list, said, _ -> true));
    // What has no name anywhere can only be taken where its lines say of what they are.
    List<TableFate> fates =
        fates(workspace, list, said, table -> subjects.target(table).isPresent());
    boolean marked = false;
    boolean none = true;
    Set<SubjectGuess> about = new LinkedHashSet<>();
    List<RequestedRow> rows = new ArrayList<>();
    for (TableFate fate : fates) {
      if (!fate.taken()) {
        continue;
      }
      marked |= fate.named();
      none = false;
      if (said.columns().isPresent() && !ColumnRoles.signature(fate.table().header()).isEmpty()) {
        remembered =
            remembered.withColumns(
                ColumnRoles.signature(fate.table().header()), fate.roles().written());
      }
      Optional<Target> target = subjects.target(fate.table());
      List<RequestedRow> more = fate.rows(target);
      Predicate<RequestedRow> namesNone =
          r -> target.filter(t -> r.environment().equals(t.title())).isPresent();
      if (more.stream().anyMatch(namesNone)) {
        about.add(subjects.of(fate.table()).orElseThrow());
      }
      boolean own = subjects.isOwn(fate.table());
      rows.addAll(own ? more.stream().map(r -> namesNone.test(r) ? r.asOwn() : r).toList() : more);
    }
    if (none && said.leave().isEmpty()) {
      throw new FileProblem(problem(list.name(), fates));
    }
    return new Intake(
        IntakeRequest.of(Optional.of(list.name()), rows, list.refused())
            .in(new Ways(said.ways().choices(), said.ways().systems(), marked)),
        remembered,
        fates,
        List.copyOf(about));
  }

  private static List<TableFate> fates(
      Workspace workspace, ForeignList list, Said said, Predicate<ListTable> named)
      throws FileProblem {
    List<String> environments =
        workspace.catalog().environments().stream().map(Environment::title).toList();
    List<GestureReader> readers = readers(workspace);
    List<TableFate> fates = new ArrayList<>();
    for (ListTable table : list.tables()) {
      TableFate fate =
          fate(list, table, said, workspace.remembered(), environments, readers, named.test(table));
      fates.add(said.of(fates.size() + 1, fate));
    }
    return fates;
  }

  /** One for each set of own words for modifiers; platforms with the same words share it. */
  private static List<GestureReader> readers(Workspace workspace) {
    Map<Map<Modifier, String>, GestureReader> all = new LinkedHashMap<>();
    all.put(Map.of(), GestureReader.PLAIN);
    for (Environment environment : workspace.catalog().environments()) {
      environment
          .platform()
          .filter(_ -> all.size() < MOST_READERS)
          .ifPresent(p -> all.putIfAbsent(p.modifierNames(), environment.reader()));
    }
    return List.copyOf(all.values());
  }

  private static String problem(String name, List<TableFate> fates) {
    if (fates.size() == 1) {
      TableFate only = fates.getFirst();
      String header = String.join(", ", only.table().header().stream().map(String::strip).toList());
      String hint =
          only.lacksItsSubject()
              ? worded("lists.name-the-application-that-its-lines")
              : worded("lists.say-what-the-columns-are-as");
      return worded(
          "lists.it-has-the-columns-nothing-was",
          name,
          only.why(),
          header.length() <= 80 ? header : header.substring(0, 77) + "...",
          hint);
    }
    return worded("lists.has-tables-and-lists-none-of", name, fates.size());
  }

  private static TableFate fate(
      ForeignList list,
      ListTable table,
      Said said,
      Remembered remembered,
      List<String> environments,
      List<GestureReader> readers,
      boolean target)
      throws FileProblem {
    Optional<String> wanted =
        said.columns()
            .or(
                () ->
                    Optional.ofNullable(
                        remembered.columns().get(ColumnRoles.signature(table.header()))));
    if (wanted.isEmpty()) {
      return table.roles().isPresent()
          ? TableFate.said(table, table.roles().get(), target, table.origin().marked())
          : TableFate.found(table, environments, target, readers);
    }
    try {
      return TableFate.said(table, ColumnRoles.parse(wanted.get(), table.header()), target, true);
    } catch (IllegalArgumentException e) {
      if (list.tables().size() > 1) {
        // What was said is of another table: this one is found out by itself.
        return TableFate.found(table, environments, target, readers);
      }
      throw new FileProblem(list.name() + ": " + e.getMessage(), e);
    }
  }
}
