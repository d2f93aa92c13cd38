package polydex.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.TypeConversionException;
import polydex.conflict.Conflict;
import polydex.files.FileProblem;

/** The commands that need no window. */
@Command(
    name = "polydex",
    description = "Learn, drill and audit keyboard shortcuts.",
    subcommands = {
      FindCommand.class,
      TraceCommand.class,
      ReachCommand.class,
      PlanCommand.class,
      ConflictsCommand.class,
      ImportCommand.class,
      NotationCommand.class,
      LayoutCommand.class,
      KeymapCommand.class,
      CompareCommand.class,
      DrillCommand.class,
      MouseCommand.class
    },
    synopsisSubcommandLabel = "COMMAND",
    mixinStandardHelpOptions = true,
    versionProvider = OwnVersion.class)
public final class Main {
  /** All went well. */
  public static final int DONE = 0;

  /** The question was answered with no: nothing found, not taken, something refused. */
  public static final int NO = 1;

  /** The command line was not understood. */
  public static final int USAGE = 2;

  /** A file could not be used. */
  public static final int FILE = 3;

  private Main() {}

  /** Runs a command and ends the program with its exit code. */
  public static void main(String[] args) {
    PrintWriter out = new PrintWriter(System.out, true, StandardCharsets.UTF_8);
    PrintWriter err = new PrintWriter(System.err, true, StandardCharsets.UTF_8);
    System.exit(run(out, err, args));
  }

  /** Runs a command; the exit code. */
  public static int run(PrintWriter out, PrintWriter err, String... args) {
    int code =
        new CommandLine(new Main())
            .setOut(out)
            .setErr(err)
            .registerConverter(Conflict.Kind.class, Main::kind)
            .setCaseInsensitiveEnumValuesAllowed(true)
            .setParameterExceptionHandler(Main::usage)
            .setExecutionExceptionHandler(Main::failure)
            .execute(args);
    out.flush();
    err.flush();
    return code;
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
    command.getErr().println(e.getMessage());
    command.getErr().println("See: " + command.getCommandSpec().qualifiedName() + " --help");
    return USAGE;
  }

  private static int failure(Exception e, CommandLine command, CommandLine.ParseResult parsed)
      throws Exception {
    if (e instanceof FileProblem) {
      command.getErr().println(e.getMessage());
      return FILE;
    }
    throw e;
  }
}
