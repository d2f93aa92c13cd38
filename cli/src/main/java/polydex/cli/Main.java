package polydex.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
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
import polydex.files.LogPlace;
import polydex.files.Unexpected;
import polydex.files.store.DamagedFile;
import polydex.keys.Visible;

/** The commands that need no window. */
@Command(
    name = "polydex",
    description = "Learn, drill and audit keyboard shortcuts.",
    subcommands = {
      FindCommand.class,
      WordsCommand.class,
      TraceCommand.class,
      ReachCommand.class,
      PlanCommand.class,
      ConflictsCommand.class,
      FreeCommand.class,
      ProposeCommand.class,
      AssignCommand.class,
      RemapCommand.class,
      LinksCommand.class,
      ImportCommand.class,
      HereCommand.class,
      GatherCommand.class,
      NotationCommand.class,
      LayoutCommand.class,
      KeymapCommand.class,
      CompareCommand.class,
      SheetCommand.class,
      BundleCommand.class,
      WriteCommand.class,
      DrillCommand.class,
      MouseCommand.class,
      BackupsCommand.class,
      ArchiveCommand.class
    },
    synopsisSubcommandLabel = "COMMAND",
    mixinStandardHelpOptions = true,
    versionProvider = OwnVersion.class)
public final class Main {
  private static final int LONGEST = 1000;

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

  /** Runs a command and ends the program with its exit code. */
  public static void main(String[] args) {
    LogPlace.use();
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
    return new CommandLine(new Main())
        .setOut(out)
        .setErr(err)
        .registerConverter(Conflict.Kind.class, Main::kind)
        .registerConverter(
            Instant.class, read(Instant::parse, "moment; write it as in 2031-03-14T16:00:00Z"))
        .registerConverter(
            LocalDate.class, read(LocalDate::parse, "day; write it as in 2031-03-14"))
        .registerConverter(
            ZoneId.class, read(ZoneId::of, "time zone; write it as in UTC+02:00 or Europe/Berlin"))
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
        throw new TypeConversionException("“%s” is no %s.".formatted(text, what));
      }
    };
  }

  private static Conflict.Kind kind(String text) {
    return Conflict.Kind.of(text)
        .orElseThrow(
            () ->
                new TypeConversionException(
                    "“%s” is no kind; there are: %s."
                        .formatted(
                            text,
                            Stream.of(Conflict.Kind.values())
                                .map(Conflict.Kind::written)
                                .collect(Collectors.joining(", ")))));
  }

  private static int usage(ParameterException e, String[] args) {
    CommandLine command = e.getCommandLine();
    command.getErr().println(Visible.of(e.getMessage(), LONGEST));
    command.getErr().println("See: " + command.getCommandSpec().qualifiedName() + " --help");
    return USAGE;
  }

  private static int failure(Exception e, CommandLine command, CommandLine.ParseResult parsed) {
    if (e instanceof FileProblem) {
      command.getErr().println(e.getMessage());
      if (e instanceof DamagedFile) {
        command
            .getErr()
            .println(
                "polydex backups --file FILE lists its copies; with --save-into NEW it saves what"
                    + " can still be read.");
      }
      return FILE;
    }
    return mistake(e, command.getErr());
  }
}
