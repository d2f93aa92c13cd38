package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import polydex.catalog.Catalog;
import polydex.catalog.Comparison;
import polydex.catalog.Comparison.Likeness;
import polydex.catalog.Environment;
import polydex.files.json.ModelJson;
import polydex.keys.Gesture;

@Command(
    name = "compare",
    description = "One platform or application beside another: what is different there.",
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:all that both have is the same",
      "1:they differ",
      "2:wrong command line",
      "3:file can't be used"
    },
    mixinStandardHelpOptions = true)
final class CompareCommand implements Callable<Integer> {
  @Mixin private OptionalSource source;
  @Spec private CommandSpec spec;

  @Option(names = "--json", description = "Answer as JSON.")
  private boolean json;

  @Parameters(index = "0", paramLabel = "FROM", description = "Where you come from: id or title.")
  private String from;

  @Parameters(index = "1", paramLabel = "TO", description = "Where you go to: id or title.")
  private String to;

  record Line(String action, String title, List<String> from, List<String> to, Likeness likeness) {}

  record Answer(String from, String to, Map<Likeness, Integer> counts, List<Line> lines) {}

  @Override
  public Integer call() throws Exception {
    Catalog catalog = source.workspace().catalog();
    Comparison comparison =
        Comparison.of(
            catalog, environment(spec, catalog, from).id(), environment(spec, catalog, to).id());
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(
          ModelJson.answer(
              new Answer(
                  comparison.from().value(),
                  comparison.to().value(),
                  comparison.counts(),
                  comparison.lines().stream()
                      .map(
                          l ->
                              new Line(
                                  l.action().value(),
                                  catalog.title(l.action()),
                                  written(l.from()),
                                  written(l.to()),
                                  l.likeness()))
                      .toList())));
    } else {
      comparison
          .lines()
          .forEach(
              l ->
                  out.printf(
                      "%-20s %-36s %-28s %s%n",
                      words(l.likeness()),
                      catalog.title(l.action()),
                      String.join(worded("command.or"), written(l.from())),
                      String.join(worded("command.or"), written(l.to()))));
      out.println(
          comparison.counts().entrySet().stream()
              .map(e -> e.getValue() + " " + words(e.getKey()))
              .collect(Collectors.joining(", ")));
    }
    Map<Likeness, Integer> counts = comparison.counts();
    return counts.get(Likeness.SAME) == comparison.lines().size() ? Main.DONE : Main.NO;
  }

  private static String words(Likeness likeness) {
    return likeness.name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }

  private static List<String> written(List<Gesture> gestures) {
    return gestures.stream().map(Gesture::toString).toList();
  }

  /** An environment by its id or title. */
  static Environment environment(CommandSpec spec, Catalog catalog, String name) {
    String wanted = name.strip().toLowerCase(Locale.ROOT);
    return catalog.environments().stream()
        .filter(
            e ->
                e.id().value().toLowerCase(Locale.ROOT).equals(wanted)
                    || e.title().toLowerCase(Locale.ROOT).equals(wanted))
        .findFirst()
        .orElseThrow(
            () ->
                new ParameterException(
                    spec.commandLine(),
                    worded(
                        "command.there-is-no-platform-or-application",
                        name,
                        catalog.environments().stream()
                            .map(e -> e.id().value())
                            .collect(Collectors.joining(", ")))));
  }
}
