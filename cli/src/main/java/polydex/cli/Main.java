package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.slf4j.LoggerFactory;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.TypeConversionException;
import polydex.conflict.Conflict;
import polydex.files.FileProblem;
import polydex.files.LanguageChoice;
import polydex.files.LogPlace;
import polydex.files.Unexpected;
import polydex.files.store.DamagedFile;
import polydex.keys.Visible;
import polydex.language.Language;
import polydex.language.Words;

/** The commands that need no window. */
@Command(
    name = "polydex",
    description = "Learn, drill and audit keyboard shortcuts.",
    synopsisSubcommandLabel = "COMMAND",
    mixinStandardHelpOptions = true,
    versionProvider = OwnVersion.class)
public final class Main {
  private static final int LONGEST = 1000;

  /** The commands by their names, in the order in which they are told. */
  private static final Map<String, Class<?>> COMMANDS = commands();

  /** All went well. */
  public static final int DONE = 0;

  /** The question was answered with no: nothing found, not taken, something refused. */
  public static final int NO = 1;

  /** The command line was not understood. */
  public static final int USAGE = 2;

  /** A file could not be used. */
  public static final int FILE = 3;

  /** The program made a mistake; EX_SOFTWARE of sysexits.h. */
  public static final int MISTAKE = 70;

  private Main() {}

  private static Map<String, Class<?>> commands() {
    Map<String, Class<?>> all = new LinkedHashMap<>();
    all.put("find", FindCommand.class);
    all.put("words", WordsCommand.class);
    all.put("trace", TraceCommand.class);
    all.put("reach", ReachCommand.class);
    all.put("plan", PlanCommand.class);
    all.put("conflicts", ConflictsCommand.class);
    all.put("free", FreeCommand.class);
    all.put("propose", ProposeCommand.class);
    all.put("assign", AssignCommand.class);
    all.put("remap", RemapCommand.class);
    all.put("links", LinksCommand.class);
    all.put("import", ImportCommand.class);
    all.put("here", HereCommand.class);
    all.put("gather", GatherCommand.class);
    all.put("notation", NotationCommand.class);
    all.put("layout", LayoutCommand.class);
    all.put("keymap", KeymapCommand.class);
    all.put("compare", CompareCommand.class);
    all.put("sheet", SheetCommand.class);
    all.put("bundle", BundleCommand.class);
    all.put("write", WriteCommand.class);
    all.put("drill", DrillCommand.class);
    all.put("mouse", MouseCommand.class);
    all.put("record", RecordCommand.class);
    all.put("backups", BackupsCommand.class);
    all.put("archive", ArchiveCommand.class);
    return Collections.unmodifiableMap(all);
  }

  /** With all commands. */
  static CommandLine all() {
    return commandLine();
  }

  /** With the command that is named alone, since making one takes time; else with all of them. */
  private static CommandLine commandLine(String... args) {
    CommandLine made = new CommandLine(new Main());
    String named = args.length == 0 ? "" : args[0];
    if (COMMANDS.containsKey(named)) {
      made.addSubcommand(COMMANDS.get(named));
    } else {
      COMMANDS.values().forEach(made::addSubcommand);
    }
    if (Language.now() != Language.ENGLISH) {
      // English stands with the commands themselves.
      made.setResourceBundle(
          Words.resources("polydex.cli.commands", Language.now(), Main.class.getClassLoader()));
    }
    return made;
  }

  /** Runs a command and ends the program with its exit code. */
  public static void main(String[] args) {
    LogPlace.use();
    LanguageChoice.speak();
    PrintWriter out = new PrintWriter(System.out, true, StandardCharsets.UTF_8);
    PrintWriter err = new PrintWriter(System.err, true, StandardCharsets.UTF_8);
    System.exit(run(out, err, args));
  }

  /** Runs a command; the exit code. */
  public static int run(PrintWriter out, PrintWriter err, String... args) {
    PrintWriter shown = new PrintWriter(new VisibleWriter(out), true);
    PrintWriter wrong = new PrintWriter(new VisibleWriter(err), true);
    int code;
    try {
      code = execute(shown, wrong, args);
    } catch (Throwable e) {
      // The outermost net, for what the commands' own does not hold: errors of the machine.
      code = mistake(e, wrong);
    }
    shown.flush();
    wrong.flush();
    return code;
  }

  private static int mistake(Throwable e, PrintWriter err) {
    LoggerFactory.getLogger(Main.class).error("A command ended", e);
    err.println(Unexpected.said(e));
    return MISTAKE;
  }

  private static int execute(PrintWriter out, PrintWriter err, String... args) {
    return commandLine(args)
        .setOut(out)
        .setErr(err)
        .registerConverter(Conflict.Kind.class, Main::kind)
        .registerConverter(
            Instant.class, read(Instant::parse, worded("command.moment-write-it-as-in-2031")))
        .registerConverter(
            LocalDate.class, read(LocalDate::parse, worded("command.day-write-it-as-in-2031")))
        .registerConverter(
            ZoneId.class, read(ZoneId::of, worded("command.time-zone-write-it-as-in")))
        .setCaseInsensitiveEnumValuesAllowed(true)
        .setParameterExceptionHandler(Main::usage)
        .setExecutionExceptionHandler(Main::failure)
        .execute(args);
  }

  /** Reads something of the calendar, and says how it is written where it can't be read. */
  private static <T> ITypeConverter<T> read(Function<String, T> how, String what) {
    return text -> {
      try {
        return how.apply(text);
      } catch (DateTimeException _) {
        throw new TypeConversionException(worded("command.is-no", text, what));
      }
    };
  }

  private static Conflict.Kind kind(String text) {
    return Conflict.Kind.of(text)
        .orElseThrow(
            () ->
                new TypeConversionException(
                    worded(
                        "command.is-no-kind-there-are",
                        text,
                        Stream.of(Conflict.Kind.values())
                            .map(Conflict.Kind::written)
                            .collect(Collectors.joining(", ")))));
  }

  private static int usage(ParameterException e, String[] args) {
    CommandLine command = e.getCommandLine();
    command.getErr().println(Visible.of(e.getMessage(), LONGEST));
    command.getErr().println(worded("command.see-help", command.getCommandSpec().qualifiedName()));
    return USAGE;
  }

  private static int failure(Exception e, CommandLine command, CommandLine.ParseResult parsed) {
    if (e instanceof FileProblem) {
      command.getErr().println(e.getMessage());
      if (e instanceof DamagedFile) {
        command.getErr().println(worded("command.polydex-backups-file-file-lists-its"));
      }
      return FILE;
    }
    return mistake(e, command.getErr());
  }
}
