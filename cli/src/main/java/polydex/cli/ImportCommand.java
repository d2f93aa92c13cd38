package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import polydex.files.FileProblem;
import polydex.files.json.ModelFiles;
import polydex.files.json.ModelJson;
import polydex.files.lists.ForeignList;
import polydex.files.lists.Intake;
import polydex.files.lists.ListReader;
import polydex.intake.BindingIntake;
import polydex.intake.IntakePlan;
import polydex.intake.IntakeRequest.Ways;
import polydex.intake.ListSubject;
import polydex.intake.ReadingChoice;
import polydex.workspace.Workspace;

@Command(
    name = "import",
    description = {
      "Bring in a list of bindings: separated values, tables and lists of a page, a document, a"
          + " manual, Markdown or a wiki, JSON, YAML, settings of many kinds, lines of text; or a"
          + " folder or archive of them; or a keymap, board or layout in this program's own formats.",
      "A new file is made where there is none. With --demo or --dry-run nothing is written."
    },
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:every line was understood",
      "1:some lines were refused or can mean two things, the others taken",
      "2:wrong command line",
      "3:a file can't be used; nothing was taken"
    },
    mixinStandardHelpOptions = true)
final class ImportCommand implements Callable<Integer> {
  @Mixin private Source source;
  @Spec private CommandSpec spec;

  @Option(names = "--json", description = "Answer as JSON.")
  private boolean json;

  @Option(names = "--dry-run", description = "Only say what would be taken.")
  private boolean dryRun;

  @Option(
      names = "--application",
      paramLabel = "NAME",
      description = "The application of lines that name none.")
  private @Nullable String application;

  @Option(
      names = "--platform",
      paramLabel = "NAME",
      description = "The platform of lines that name neither.")
  private @Nullable String platform;

  @Option(
      names = "--about",
      paramLabel = "WHAT",
      description =
          "What the list is about: the desktop of the computer, an application, or own for your"
              + " own bindings on the computer of the current setup. Guessed if left out.")
  private @Nullable String about;

  @Option(
      names = "--apart",
      paramLabel = "TITLE",
      description =
          "A title that is not the known action of the same words that it would be taken for. May be"
              + " said several times.")
  private @Nullable Set<String> apart;

  @Option(
      names = "--columns",
      paramLabel = "ROLES",
      description =
          "What the columns are, by name or number: action=2,gesture=Keys. Roles: platform,"
              + " application, context, action, gesture, note. Remembered for such tables.")
  private @Nullable String columns;

  @Option(
      names = "--system",
      split = ",",
      paramLabel = "NAME",
      description =
          "Of several systems side by side take these, as the list names them; the first if left"
              + " out.")
  private @Nullable Set<String> systems;

  @Option(
      names = "--read",
      split = ",",
      paramLabel = "CHOICE=OPTION",
      description = {
        "How to read what can mean two things: commas=sequence|either, arrays=either|sequence,",
        "slashes=shared|apart, letters=ignored|shift, dashes=nothing|key,",
        "singles=key|letters|nothing. Found out from the list if left out."
      })
  private @Nullable Map<String, String> read;

  @Option(
      names = "--take",
      split = ",",
      paramLabel = "N",
      description = "Take these tables of the list, whatever they look like.")
  private @Nullable Set<Integer> take;

  @Option(
      names = "--leave",
      split = ",",
      paramLabel = "N",
      description = "Leave these tables of the list.")
  private @Nullable Set<Integer> leave;

  @Option(
      names = "--match",
      paramLabel = "SCORE",
      defaultValue = "2",
      description = "Take titles for known actions that they resemble at least so, 0 to 1.")
  private double match;

  @Option(
      names = "--drop-gone",
      description = "Remove what came from an earlier version of the list and is gone from it.")
  private boolean dropGone;

  @Parameters(paramLabel = "LIST", description = "The list.")
  private Path list;

  record OwnFile(String read, boolean written) {}

  @Override
  public Integer call() throws Exception {
    boolean write = !dryRun && source.file().isPresent();
    Optional<String> own = ListReader.ownFormat(list);
    return own.isPresent() ? bringIn(own.get(), write) : bringIn(ListReader.read(list), write);
  }

  private int bringIn(String ownFormat, boolean write) throws FileProblem {
    ModelFiles.Brought brought =
        source.planned(
            write,
            w -> ModelFiles.read(w, list.getFileName().toString(), ownFormat),
            ModelFiles.Brought::edit);
    PrintWriter out = spec.commandLine().getOut();
    out.println(json ? ModelJson.answer(new OwnFile(brought.what(), write)) : brought.what());
    return Main.DONE;
  }

  /** A list with what it would come to. */
  private record Planned(Intake intake, IntakePlan plan) {}

  private int bringIn(ForeignList list, boolean write) throws FileProblem {
    Planned planned = source.planned(write, w -> plan(w, list), p -> p.plan().change());
    PrintWriter out = spec.commandLine().getOut();
    ImportAnswer answer = ImportAnswer.of(list, planned.intake(), planned.plan(), write);
    if (json) {
      out.println(ModelJson.answer(answer));
    } else {
      ImportWords.print(out, answer);
    }
    boolean all = planned.plan().refused().isEmpty() && planned.plan().reading().asked().isEmpty();
    return all ? Main.DONE : Main.NO;
  }

  private Planned plan(Workspace workspace, ForeignList list) throws FileProblem {
    Ways ways = new Ways(choices(), systems == null ? Set.of() : systems, true);
    Intake intake =
        Intake.of(
            workspace,
            list,
            new Intake.Said(
                Optional.ofNullable(columns),
                subject(),
                Optional.ofNullable(application).or(() -> Optional.ofNullable(platform)),
                take == null ? Set.of() : take,
                leave == null ? Set.of() : leave,
                ways));
    return new Planned(
        intake,
        BindingIntake.plan(
            workspace.with(intake.remembered()),
            intake
                .request()
                .sureFrom(match)
                .dropGone(dropGone)
                .apart(apart == null ? Set.of() : apart)));
  }

  private Optional<ListSubject> subject() {
    if (about != null) {
      return Optional.of(
          ListSubject.named(about)
              .orElseThrow(
                  () ->
                      new ParameterException(
                          spec.commandLine(),
                          worded("command.is-none-of-desktop-application-own", about))));
    }
    return application != null
        ? Optional.of(ListSubject.APPLICATION)
        : Optional.ofNullable(platform).map(_ -> ListSubject.DESKTOP);
  }

  private Map<ReadingChoice, String> choices() {
    Map<ReadingChoice, String> said = new EnumMap<>(ReadingChoice.class);
    if (read != null) {
      read.forEach(
          (name, option) -> {
            ReadingChoice choice =
                ReadingChoice.named(name.strip())
                    .filter(c -> c.options().contains(option.strip()))
                    .orElseThrow(
                        () ->
                            new ParameterException(
                                spec.commandLine(),
                                worded(
                                    "command.is-none-of",
                                    name,
                                    option,
                                    Arrays.stream(ReadingChoice.values())
                                        .map(c -> c.written() + "=" + String.join("|", c.options()))
                                        .collect(Collectors.joining(", ")))));
            said.put(choice, option.strip());
          });
    }
    return said;
  }
}
