package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.IOException;
import java.io.PrintWriter;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;
import polydex.computer.Finding;
import polydex.computer.FoundComputer;
import polydex.files.FileProblem;
import polydex.files.computer.ComputerReading;
import polydex.files.computer.ComputerReading.Stage;
import polydex.files.computer.ComputerSource;
import polydex.files.computer.MenuWatch;
import polydex.files.computer.SimulatedComputer;
import polydex.files.computer.Surroundings;
import polydex.files.computer.ThisComputer;

/** Which computer is looked at, and what of it is wanted. */
final class Looking {
  @Spec(Spec.Target.MIXEE)
  private CommandSpec command;

  @Option(
      names = "--simulated",
      description = "Look at a computer of the demo's world instead of this one.")
  private boolean simulated;

  @Option(
      names = "--take",
      split = ",",
      paramLabel = "ID",
      description = "Take these findings although they are not suggested.")
  private @Nullable Set<String> take;

  @Option(names = "--leave", split = ",", paramLabel = "ID", description = "Leave these findings.")
  private @Nullable Set<String> leave;

  @Option(
      names = "--watch",
      paramLabel = "ID",
      description =
          "Watch this program while its menus are opened, each once: some make them only then."
              + " Enter ends it.")
  private @Nullable String watch;

  /** What a reading came to. */
  record Result(List<ComputerReading.Source> sources, FoundComputer found) {}

  /** Looks, telling on the error stream what was looked at. */
  Result look() throws FileProblem {
    Surroundings here = Surroundings.here();
    List<ComputerSource> sources =
        simulated ? SimulatedComputer.sources(1) : ThisComputer.sources(here);
    String title = simulated ? SimulatedComputer.found().title() : ThisComputer.title(here);
    PrintWriter err = command.commandLine().getErr();
    Set<String> told = new HashSet<>();
    ComputerReading reading =
        ComputerReading.start(
            title,
            sources,
            all ->
                all.stream()
                    .filter(s -> s.stage() != Stage.READING && told.add(s.title()))
                    .forEach(s -> err.println(line(s))));
    try {
      reading.await();
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt();
      reading.stop();
    }
    known(take, reading.found());
    known(leave, reading.found());
    if (watch != null) {
      known(Set.of(watch), reading.found());
      watch(reading, here, watch, err);
    }
    FoundComputer found = reading.found();
    return new Result(reading.sources(), found);
  }

  /** Ends with a line, or the end, of the standard input. */
  private static void watch(ComputerReading reading, Surroundings here, String id, PrintWriter err)
      throws FileProblem {
    Finding program =
        reading.found().findings().stream()
            .filter(f -> f.id().equals(id))
            .findFirst()
            .orElseThrow();
    err.println(worded("command.watching-open-each-of-its-menus", program.title()));
    AtomicBoolean ended = new AtomicBoolean();
    Thread input =
        Thread.ofVirtual()
            .start(
                () -> {
                  try {
                    int read = System.in.read();
                    while (read >= 0 && read != '\n') {
                      read = System.in.read();
                    }
                  } catch (IOException e) {
                    err.println(e.getMessage());
                  }
                  ended.set(true);
                });
    MenuWatch.watch(
        here,
        program,
        better -> {
          reading.know(better);
          err.println("  " + better.amount());
        },
        ended::get);
    input.interrupt();
  }

  /** Whoever names something that was not found wants to hear it. */
  private void known(@Nullable Set<String> ids, FoundComputer found) {
    Set<String> there = found.findings().stream().map(Finding::id).collect(Collectors.toSet());
    for (String id : ids == null ? Set.<String>of() : ids) {
      if (!there.contains(id) && !id.equals("all")) {
        throw new ParameterException(
            command.commandLine(),
            worded(
                "command.was-not-found-there-are",
                id,
                there.stream().sorted().collect(Collectors.joining(", "))));
      }
    }
  }

  private static String line(ComputerReading.Source source) {
    int found = source.findings().size();
    return source.title()
        + ": "
        + switch (source.stage()) {
          case READING -> "...";
          case DONE -> found == 0 ? "nothing." : worded("command.found-2", found);
          case FAILED -> source.words();
          case STOPPED -> worded("command.found-3", source.words(), found);
        };
  }

  /** Whether a finding is wanted: as it is suggested, unless something else is said. */
  boolean wants(FoundComputer found, Finding finding) {
    boolean said = take != null && (take.contains(finding.id()) || take.contains("all"));
    return (said || found.suggests(finding)) && (leave == null || !leave.contains(finding.id()));
  }
}
